"""Finds the press room's reliefs by key."""

from collections.abc import Callable, Mapping
from functools import cache

from lofty_press.core.sandwich.relief import HeightMap, Library
from lofty_press.demo.reliefs import dies, folders, plates
from lofty_press.demo.reliefs.kept import drawn

DRAWN: dict[str, Callable[[], HeightMap]] = {
    "alder-rail-lattice": folders.rail_lattice,
    "alder-cable-sheave": folders.cable_sheave,
    "alder-ridge-line": folders.ridge_line,
    "alder-ticket-window": folders.ticket_window,
    "alder-ticket-window-blade": dies.ticket_window_blade,
    "alder-alpine-flora": folders.alpine_flora,
    "alder-name-board": folders.name_board,
    "alder-timetable": plates.timetable,
    "alder-wicker-seat": plates.wicker_seat,
    "alder-monogram": plates.monogram,
    "alder-station-arch": dies.station_arch,
    "alder-arch-tracery": dies.arch_tracery,
    "alder-label-large": lambda: dies.label(58, 104),
    "alder-label-small": lambda: dies.label(46, 90),
    "alder-perforator": dies.perforator,
    "alder-square-carriage": dies.square_carriage,
    "alder-route-strip": dies.route_strip,
    "alder-crest-block": dies.crest_block,
}


@cache
def demo_relief(key: str) -> HeightMap | None:
    """A relief of the demo world, drawn once; None for an unknown key."""
    draw = DRAWN.get(key)
    return drawn(key, draw) if draw else None


def with_own(own: Mapping[str, HeightMap]) -> Library:
    """A library that looks among some reliefs of one's own first, such as those in a sandwich file."""
    return lambda key: own.get(key) or demo_relief(key)
