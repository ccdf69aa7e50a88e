"""The core's front doors with the press room's relief maps at hand, as the service has them."""

from typing import Any

from lofty_press.core.judging import assess as judging
from lofty_press.core.working.recipes import curve, exhaustive, lower_bounds, missing
from lofty_press.core.working.recipes.search import judged as judge_pile
from lofty_press.core.working.recipes.search import search as find
from lofty_press.core.working.recipes.transfer import transfer as move
from lofty_press.demo.reliefs.library import demo_relief


def assess(sandwich: Any, formed: Any = None) -> Any:
    return judging.assess(sandwich, demo_relief, formed)


def search(wish: Any, shelf: Any, press: Any) -> Any:
    return find(wish, shelf, press, demo_relief)


def judged(pile: Any, wish: Any, press: Any) -> Any:
    return judge_pile(pile, wish, press, demo_relief)


def curve_of(*given: Any) -> Any:
    return curve.curve_of(*given, demo_relief)


def least_of_sheet(*given: Any) -> Any:
    return lower_bounds.least_of_sheet(*given, demo_relief)


def search_exhaustively(wish: Any, shelf: Any, press: Any) -> Any:
    return exhaustive.search_exhaustively(wish, shelf, press, demo_relief)


def nearly(wish: Any, shelf: Any, press: Any, effect: Any) -> Any:
    return missing.nearly(wish, shelf, press, effect, demo_relief)


def transfer(sandwich: Any, shelf: Any, press: Any) -> Any:
    return move(sandwich, shelf, press, demo_relief)
