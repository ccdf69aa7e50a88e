"""What the page knows of kinds and limits, written out for it from the core."""

import json
from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from pydantic import TypeAdapter

from lofty_press.core.basics.words import KINDS
from lofty_press.core.mechanics.effects import BLADE_STATES
from lofty_press.core.sandwich.stack import (
    BASES,
    DIES,
    EFFECT_TRAITS,
    FOLDERS,
    ITEM_KINDS,
    KIND_TRAITS,
    LONGEST_KEY,
    MATS,
    MOST_COPIES,
    MOST_LAYERS,
    TOOLS,
    Ink,
    Item,
    Press,
    typical_ink,
    typical_press,
    typical_thing,
)
from lofty_press.core.working.plan import FOLDS, PIECE_KINDS
from lofty_press.core.working.steps import OUTCOMES, SEEN, outcomes_of, seen_of
from lofty_press.core.working.work import WORK_KEYS, WORKS
from lofty_press.documents.pictures.pile_drawing import HATCHES, TILE


def one_a_line(table: Mapping[Any, object]) -> str:
    """A table as JSON, an entry a line."""
    return "{\n" + ",\n".join(f"  {json.dumps(key)}: {json.dumps(value, ensure_ascii=False)}" for key, value in table.items()) + "\n}"


def kinds_for_the_page() -> str:
    """The kinds of figures and how each reader reads them, as a TypeScript module."""
    kinds = {kind: {unit: asdict(reading) for unit, reading in readings.items()} for kind, readings in KINDS.items()}
    text = one_a_line(kinds)
    return f"/** How figures are put into words, written by `lofty publish`. */\nexport const KINDS = {text} as const;\n"


def hatching_for_the_page() -> str:
    """The section hatching of all materials, as a TypeScript module."""
    hatches = one_a_line({material: asdict(hatch) for material, hatch in HATCHES.items()})
    return f"""/** Section hatching by material, written by `lofty publish`. */
import type {{ Item }} from '../api/gen/types.gen';

export interface Hatch {{
  fill: string;
  stroke: string;
  lines: number[][][];
  width: number;
  dash: number[];
  dots: [number, number, number][];
}}
export const TILE = {TILE:g};
export const HATCHES: Record<Item['material'], Hatch> = {hatches};
"""


def bare(schema: Any) -> Any:
    """A schema without what only its reader in the documentation needs."""
    if isinstance(schema, dict):
        told = {key: value for key, value in schema.items() if not (key in ("title", "description") and isinstance(value, str))}
        return {key: bare(value) for key, value in told.items()}
    return [bare(part) for part in schema] if isinstance(schema, list) else schema


def things_for_the_page() -> str:
    """What the shelf's form asks of each sort of thing, and what a new one of each kind starts from, as a TypeScript module."""
    schemas = {sort: bare(TypeAdapter(thing).json_schema()) for sort, thing in (("press", Press), ("item", Item), ("ink", Ink))}
    typical: dict[str, dict[str, Press | Ink | Item]] = {"press": {"press": typical_press()}, "ink": {"ink": typical_ink()}}
    typical |= {kind: {"item": typical_thing(kind)} for kind in ITEM_KINDS}
    written = TypeAdapter(dict[str, dict[str, Press | Ink | Item]]).dump_python(typical, mode="json")
    head = "/** What is asked of a thing, and what a new one starts from, written by `lofty publish`. */\n"
    return (
        head
        + "import type { ShelfWrite } from '../../api/gen/types.gen';\nimport type { Schema } from './schema';\n\n"
        + f"export const SCHEMAS: Record<'press' | 'item' | 'ink', Schema> = {one_a_line(schemas)};\n"
        + f"export const TYPICAL: Record<string, ShelfWrite> = {one_a_line(written)};\n"
    )


def traits_for_the_page() -> str:
    """A TypeScript module."""
    lines = {
        "FOLDERS": sorted(FOLDERS),
        "DIES": DIES,
        "TOOLS": sorted(TOOLS),
        "MATS": MATS,
        "BASES": BASES,
        "BOXED": {kind: traits.boxed.template for kind, traits in KIND_TRAITS.items() if traits.boxed is not None},
        "USUAL": {kind: traits.usual for kind, traits in KIND_TRAITS.items() if traits.usual},
        "MOST_LAYERS": MOST_LAYERS,
        "MOST_COPIES": MOST_COPIES,
        "LONGEST_KEY": LONGEST_KEY,
        "BLADE_STATES": BLADE_STATES,
    }
    head = "/** Kinds and limits of the core, written by `lofty publish`. */\n"
    return head + "".join(f"export const {name} = {json.dumps(value)};\n" for name, value in lines.items()) + effects_for_the_page()


def plan_for_the_page() -> str:
    """What pieces of a plan are, how they fold and what is done to them, as a TypeScript module."""
    pressed = [key for key, work in WORKS.items() if work.place == "press"]
    by_hand = [key for key, work in WORKS.items() if work.hands and work.place != "press" and key != "mist"]
    lists = {"WORKS": WORK_KEYS, "BY_HAND": by_hand, "PRESSED": pressed, "PIECE_KINDS": PIECE_KINDS, "FOLDS": FOLDS}
    head = "/** Pieces of a plan and what is done to them, written by `lofty publish`. */\n"
    return head + "".join(f"export const {name} = {json.dumps(keys)} as const;\n" for name, keys in lists.items())


def effects_for_the_page() -> str:
    """What effects are called, and what can come out of a run and be seen on the way, of all and of each effect, as TypeScript."""
    of_each = one_a_line({kind: {outcome: words.template for outcome, words in outcomes_of(kind).items()} for kind in EFFECT_TRAITS})
    return (
        f"export const EFFECTS = {one_a_line({kind: traits.label.template for kind, traits in EFFECT_TRAITS.items()})} as const;\n"
        f"export const OUTCOMES = {one_a_line({outcome: words.template for outcome, words in OUTCOMES.items()})} as const;\n"
        f"export const OUTCOMES_OF: Record<string, Partial<Record<keyof typeof OUTCOMES, string>>> = {of_each};\n"
        f"export const SEEN = {one_a_line({seen: words.template for seen, words in SEEN.items()})} as const;\n"
        f"export const SEEN_OF: Record<string, (keyof typeof SEEN)[]> = {one_a_line({kind: seen_of(kind) for kind in EFFECT_TRAITS})};\n"
    )
