/** Kinds and limits of the core, written by `lofty publish`. */
export const FOLDERS = ["cutting folder", "deep folder", "layered folder", "plain folder", "two-way folder"];
export const DIES = ["thin die", "steel-rule die", "strip die"];
export const TOOLS = ["cutting folder", "deep folder", "layered folder", "letterpress plate", "motif", "plain folder", "steel-rule die", "strip die", "texture plate", "thin die", "two-way folder"];
export const MATS = ["rubber mat", "silicone sheet", "foam sheet"];
export const BASES = ["bed", "platform"];
export const BOXED = {"bed": "the thick base everything rides on", "platform": "a thicker base for tall dies", "spacer": "a thin plate below thin dies", "hard plate": "clear; goes above and below, and cutting scars it", "soft plate": "a little soft; above a silicone sheet", "deep plate": "the one thick plate for deep folders", "rubber mat": "firm; lets a die press a line without cutting", "silicone sheet": "floppy; pushes the sheet into a texture", "foam sheet": "craft foam, a makeshift mat"};
export const USUAL = {"bed": 1, "spacer": 1, "hard plate": 2, "deep plate": 1};
export const MOST_LAYERS = 40;
export const MOST_COPIES = 12;
export const LONGEST_KEY = 50;
export const BLADE_STATES = ["untouched", "line", "part cut", "cut"];
export const EFFECTS = {
  "emboss": "raised pattern",
  "cut": "clean cut",
  "cut and emboss": "cut and relief",
  "line": "pressed line",
  "motif": "motif",
  "texture": "texture",
  "letterpress": "letterpress",
  "metal": "relief in metal",
  "emboss in die": "relief in a cut die",
  "stencil": "cut stencil"
} as const;
export const OUTCOMES = {
  "right": "Just right",
  "faint": "Faint",
  "nothing": "Nothing happened",
  "crushed": "Too much: crushed or shiny",
  "too hard": "Too hard to turn",
  "cracked": "It cracked",
  "not cut": "Not cut through",
  "cut where it should not": "Cut where it shouldn't",
  "moved": "It moved",
  "other": "Something else"
} as const;
export const OUTCOMES_OF: Record<string, Partial<Record<keyof typeof OUTCOMES, string>>> = {
  "emboss": {"right": "Just right", "faint": "Faint", "nothing": "Nothing happened", "crushed": "Too much: crushed or shiny", "too hard": "Too hard to turn", "cracked": "It cracked", "moved": "It moved", "other": "Something else"},
  "cut": {"right": "Cut clean", "not cut": "Not cut through", "nothing": "Hardly marked", "cut where it should not": "Cut where it shouldn't", "too hard": "Too hard to turn", "moved": "It moved", "other": "Something else"},
  "cut and emboss": {"right": "Cut and raised", "not cut": "Not cut through", "faint": "Cut, the relief faint", "nothing": "Nothing happened", "crushed": "Too much: crushed or shiny", "too hard": "Too hard to turn", "cracked": "It cracked", "moved": "It moved", "other": "Something else"},
  "line": {"right": "A clear line, not cut", "faint": "A faint line", "nothing": "Nothing happened", "cut where it should not": "It cut", "too hard": "Too hard to turn", "cracked": "It cracked", "moved": "It moved", "other": "Something else"},
  "motif": {"right": "Just right", "faint": "Faint", "nothing": "Nothing happened", "crushed": "Too much: crushed or shiny", "too hard": "Too hard to turn", "cracked": "It cracked", "moved": "It moved", "other": "Something else"},
  "texture": {"right": "Just right", "faint": "Faint", "nothing": "Nothing happened", "crushed": "Too much: crushed or shiny", "too hard": "Too hard to turn", "cracked": "It cracked", "moved": "It moved", "other": "Something else"},
  "letterpress": {"right": "Crisp", "faint": "Faint", "nothing": "Nothing happened", "crushed": "Too deep, or squeezed out", "too hard": "Too hard to turn", "moved": "It doubled", "other": "Something else"},
  "metal": {"right": "Just right", "faint": "Faint", "nothing": "Nothing happened", "crushed": "Too much: flattened", "too hard": "Too hard to turn", "cracked": "It tore", "moved": "It moved", "other": "Something else"},
  "emboss in die": {"right": "Just right", "faint": "Faint", "nothing": "Nothing happened", "crushed": "Too much: crushed or shiny", "too hard": "Too hard to turn", "cracked": "It cracked", "moved": "It moved", "other": "Something else"},
  "stencil": {"right": "Cut clean", "not cut": "Not cut through", "nothing": "Hardly marked", "cut where it should not": "Cut where it shouldn't", "too hard": "Too hard to turn", "moved": "It moved", "other": "Something else"}
};
export const SEEN = {
  "too hard": "Too hard to turn",
  "nothing": "Nothing happened",
  "cracked": "It cracked",
  "not cut": "Not cut through",
  "cut": "It cut",
  "moved": "It moved"
} as const;
export const SEEN_OF: Record<string, (keyof typeof SEEN)[]> = {
  "emboss": ["too hard", "nothing", "cracked", "moved"],
  "cut": ["too hard", "nothing", "not cut", "moved"],
  "cut and emboss": ["too hard", "nothing", "cracked", "not cut", "moved"],
  "line": ["too hard", "nothing", "cracked", "cut", "moved"],
  "motif": ["too hard", "nothing", "cracked", "moved"],
  "texture": ["too hard", "nothing", "cracked", "moved"],
  "letterpress": ["too hard", "nothing", "moved"],
  "metal": ["too hard", "nothing", "cracked", "moved"],
  "emboss in die": ["too hard", "nothing", "cracked", "moved"],
  "stencil": ["too hard", "nothing", "not cut", "moved"]
};
