"""The tables of forming that ship with the demo world, so that nobody waits for them at the first judgement."""

from itertools import product

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.judging.assess import assess
from lofty_press.core.mechanics.effects import state_of_sheet
from lofty_press.core.mechanics.forming import formation_of, kept
from lofty_press.core.sandwich.stack import FOLDERS, Sandwich, StackView
from lofty_press.core.working.recipes import EFFECTS, Wish, search
from lofty_press.core.working.setout import press_of, read_list, usual_piles
from lofty_press.demo.effects import SHOWN, example_of
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF, build, folder, lay
from lofty_press.demo.shelf import TOOLS
from lofty_press.demo.stocks import STOCKS
from lofty_press.documents.kept.fingerprint import fingerprint_of
from lofty_press.documents.kept.kept_tables import MAKERS, SHIPPED, KeptTables
from lofty_press.setup.paths import TABLES

PASSES = (1, 3)
SEARCHED = [key for key, effect in EFFECTS.items() if effect.kind in ("emboss", "emboss in die", "metal", "motif", "texture")]
SET_OUT = "bed, spacer, 2 hard plates, deep plate, thin die, plain folder, deep folder, cutting folder, texture plate, silicone sheet"
SET_OUT_STOCKS = ("65 lb cover", "80 lb cover", "110 lb cover", "110 lb index", "216 gsm", "250 gsm", "300 gsm", "vellum")
FIRST_STOCKS = ("ridge-green", "mail-envelope", "roof-copper")  # what a new visitor wishes for first


def in_folders() -> list[Sandwich]:
    """Every stock in every folder, dry and misted."""
    folders = [key for key, item in TOOLS.items() if item.kind in FOLDERS]
    return [
        build(key, "midway", "emboss", *folder(key, lay(stock, role="sheet", mist_age_s=0.0 if misted else None)), passes=passes)
        for key, stock, misted, passes in product(folders, STOCKS, (False, True), PASSES)
        if not misted or takes_mist(stock)
    ]


def takes_mist(key: str) -> bool:
    """True for a stock that a mist changes."""
    stock = STOCKS[key].stock
    return stock is not None and stock.mist is not None


def set_out() -> list[Sandwich]:
    """The usual piles of somebody who sets a press room out, on the stocks that most people have."""
    press = press_of("standard", "hand", "New press")
    return [
        pile.sandwich
        for stock in SET_OUT_STOCKS
        for pile in usual_piles(press, [item for line in read_list(f"{SET_OUT}, {stock}") for item in line.items])
    ]


def write_tables() -> int:
    """Make every table that the demo world asks for, and write them to where they ship from, with what was made here before by the same code;
    returns how many."""
    for sandwich in in_folders():
        view = StackView(sandwich)
        formation_of(view, state_of_sheet(view), demo_relief)
    for sandwich in SANDWICHES.values():
        assess(sandwich, demo_relief)
    for sandwich in set_out():
        assess(sandwich, demo_relief)
    for key in SHOWN:
        try:
            example_of(key)
        except InvalidInput:
            continue
    for press, effect, stock in product(PRESSES.values(), SEARCHED, FIRST_STOCKS):
        try:
            search(Wish(effect=effect, stock=stock), SHELF, press, demo_relief)
        except InvalidInput:
            continue
    tables = {**KeptTables(TABLES).everything(), **kept.known}
    names = sorted(tables)
    np.savez_compressed(
        SHIPPED, fingerprint=fingerprint_of(*MAKERS), names=np.array(names), tables=np.stack([tables[name] for name in names])
    )
    return len(names)
