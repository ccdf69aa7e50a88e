"""What a verdict promises, against the pressed sheet itself, over the press room's tools, stocks and presses.

Laws of the product, no published source. Samples: over all of it (627 cuts, 456 folders) nothing stood out of these bounds.
"""

from dataclasses import replace
from itertools import product

import pytest
from tests.core.builders import SHELF, build, lay
from tests.core.with_maps import assess, search

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.feed.best import setting_of
from lofty_press.core.mechanics.feed.second_pass import two_passes
from lofty_press.core.mechanics.forming.figures import figures_of
from lofty_press.core.mechanics.forming.impression import press
from lofty_press.core.sandwich.stack.kinds import DIES, FOLDERS
from lofty_press.core.working.recipes.wish import Wish
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.stocks import STOCKS

BEDS = {
    "midway": ("bed", "spacer", "hard-a", "hard-b"),
    "foothill": ("pocket-bed", "pocket-spacer", "pocket-hard", "pocket-hard-b"),
    "summit": ("wide-bed", "spacer", "hard-a", "hard-b"),
}
DIES_AT_HAND = [key for key, item in SHELF.items() if item.kind in DIES]
RECIPES = {
    "plain folder": "plain-relief",
    "deep folder": "deep-relief",
    "layered folder": "deep-relief",
    "two-way folder": "two-way-relief",
    "cutting folder": "relief-and-cut",
}
FOLDED = list(product((key for key, item in SHELF.items() if item.kind in FOLDERS), STOCKS, PRESSES))[4::47]
NOT_DRAWN_IN = {("route-strip", "foothill"), *product([key for key in DIES_AT_HAND if SHELF[key].kind == "steel-rule die"], BEDS)}
NO_WAY = {
    ("rail-lattice", "summit-white", "foothill"),
    ("ridge-line", "pad-back", "foothill"),
    ("ticket-window", "signal-foil", "midway"),
    ("whistle-post", "sculpting-foam", "midway"),
    ("name-board", "hoarfrost-glitter", "foothill"),
}
"""Of those, what no pile of the press room gives."""
STEPS = (0.2, 0.4, 0.7, 1.1, 1.6)  # mm that a press is opened by


@pytest.mark.parametrize(("die", "press_name"), list(product(DIES_AT_HAND, BEDS))[::4])  # each press in turn
def test_bench_feed_and_impression_tell_the_same_cut_share(die, press_name):
    bed, spacer, low, high = BEDS[press_name]
    held = 0
    for stock in ("ridge-strip", "hoarfrost-glitter"):  # narrower than some dies; hard to cut
        pile = build("T", press_name, "cut", lay(bed), lay(spacer), lay(low), lay(die), lay(stock, role="sheet"), lay(high))
        try:
            pressed = figures_of(press(pile, demo_relief, finest=0.8, tolerance=5e-2)).cut
        except InvalidInput:
            continue  # the press does not draw it in
        share = pressed["cut"] / sum(pressed.values())
        judged = assess(pile)
        assert judged.forming.cut_share == pytest.approx(share, abs=0.02)
        assert two_passes(pile, setting_of(pile, demo_relief)).once == pytest.approx(share, abs=0.02)
        assert judged.verdict.shares.right <= share + 0.02  # less what is cut too deep
        held += 1
    assert held or (die, press_name) in NOT_DRAWN_IN


@pytest.mark.parametrize(("folder", "stock", "press_name"), FOLDED)
def test_what_is_called_right_keeps_its_relief_and_what_is_called_slack_keeps_little(folder, stock, press_name):
    found = search(Wish(effect=RECIPES[SHELF[folder].kind], stock=stock, tool=folder), SHELF, PRESSES[press_name]).found
    assert bool(found) == ((folder, stock, press_name) not in NO_WAY)
    if not found:
        return
    best = found[0]
    assert kept(best.sandwich) >= 0.6 or best.assessment.verdict.zone != "right"
    opening = best.sandwich.press.opening
    for more in STEPS:
        loose = replace(best.sandwich, press=replace(best.sandwich.press, opening=replace(opening, mm=opening.mm + more)))
        if assess(loose).verdict.zone == "slack":
            assert kept(loose) <= 0.2
            return
    pytest.fail("nothing so loose that it is called slack")


def kept(sandwich):
    """Share of the tool's relief that the pressed sheet keeps; nothing of it where nothing presses."""
    return figures_of(press(sandwich, demo_relief, finest=0.4, tolerance=1e-2)).retained_share or 0.0
