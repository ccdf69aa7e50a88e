/** Kinds and limits of the core, written by `lofty publish`. */
export const FOLDERS = ["cutting folder", "deep folder", "layered folder", "plain folder", "two-way folder"];
export const MOST_LAYERS = 40;
export const MOST_COPIES = 12;
export const LONGEST_KEY = 50;
export const BLADE_STATES = ["untouched", "line", "part cut", "cut"];
