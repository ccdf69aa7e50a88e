"""What a spoiled sheet is still good for: ways to save it, those that save most of it first."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from lofty_press.core.basics.words import NOTHING, Message, angle, listed, named, ruled, say
from lofty_press.core.sandwich.stack import Placed, Sandwich, StackView, Supply, nothing_on_the_shelf
from lofty_press.core.teaching.coach.sights import Sight
from lofty_press.core.working.steps import Seen

TURNED = (1.0, 2.0, 4.0)  # degrees; a little, by eye, plainly
THIN = 0.2  # mm; an envelope's paper is thinner
MOST_COVERS = 3
SIGHT_OF: dict[Seen, Sight] = {"nothing": "faint", "cracked": "cracked", "not cut": "part not cut", "cut": "cut", "moved": "crooked"}
"""What is seen on the way, as it is called on a sheet."""


@dataclass(frozen=True)
class Rescue:
    """One way to save a spoiled sheet.

    Parameters
    ----------
    key : str
    says, why : Message
        What to do, and why that is enough or what it costs.
    saves : float
        Share of what the sheet was worth, by which ways are ranked [1]; common practice and this product's own ranking, no published
        source. Of a trimmed sheet it is the share of its area.
    """

    key: str
    says: Message
    why: Message
    saves: float


def rescues(sandwich: Sandwich, seen: Sight, supply: Supply = nothing_on_the_shelf) -> tuple[Rescue, ...]:
    """What can still be done with the sheet of a pile, that which saves most of it first; none where no sheet is spoiled.

    Parameters
    ----------
    sandwich : Sandwich
    seen : Sight
        What is seen on it.
    supply : callable
        Lists what is on the shelf, to cover a flaw with.
    """
    sheet = StackView(sandwich).sheet
    if sheet is None or seen in ("right", "no feed", "stopped", "jumped"):
        return ()
    found = [*simple(seen), *trimmed(seen, sheet), *wet(seen, sheet), *covered(seen, sheet, supply), *shimmed(sheet)]
    return tuple(sorted(found, key=lambda one: -one.saves))


def simple(seen: Sight) -> Iterator[Rescue]:
    """Ways that ask nothing of the pile."""
    for sights, rescue in SIMPLE:
        if seen in sights:
            yield rescue


SIMPLE: tuple[tuple[tuple[Sight, ...], Rescue], ...] = (
    (
        ("blank", "faint", "strip", "not cut", "part not cut"),
        Rescue(
            "again",
            say("Press it again while it is still taped or seated."),
            say("Lift a corner, look, close it again. Once you take it out it never fits quite the same."),
            0.97,
        ),
    ),
    (
        ("other side",),
        Rescue("turn over", say("Use its other face."), say("One run gives you both faces. Pick the one you like."), 0.95),
    ),
    (
        ("smudged", "specks", "tape", "residue", "old lines", "patchy"),
        Rescue("other face", say("Use its other face."), say("The back is often clean; raised is sunk there."), 0.8),
    ),
    (
        ("part not cut",),
        Rescue("poke", say("Poke the rest free, or cut the threads with a craft knife."), say("Cut away from your fingers."), 0.9),
    ),
    (
        ("warped", "buckled"),
        Rescue(
            "flatten",
            say("Warm the back, keep moving, then cool it under a flat weight."),
            say(
                "A warped sheet goes flat again. A scorch stays; buckled panels are often used as they are. Heat burns: keep fingers away."
            ),
            0.9,
        ),
    ),
    (
        ("patchy", "faint"),
        Rescue(
            "darken",
            say("Darken it by hand: a nearly dry pad over the ridges, or a pen in the gaps."),
            say("Pale ink and a shallow relief both show more with a little color."),
            0.85,
        ),
    ),
    (
        ("cracked",),
        Rescue(
            "use it",
            say("Use it: a fine crack on a ridge takes color or wax and hardly shows."),
            say("Don't bend ridges back: that opens the crack."),
            0.75,
        ),
    ),
    (
        ("specks",),
        Rescue("brush", say("Brush stray grains off with a dry brush before you heat."), say("Once melted, they stay."), 0.95),
    ),
)


def trimmed(seen: Sight, sheet: Placed) -> Iterator[Rescue]:
    """Trim it straight along the tool's mark, and how much is left then."""
    if seen in ("crooked", "aside", "edge", "double"):
        wide, long = sheet.item.width_mm, sheet.item.length_mm
        left = [(turn, *straightened(wide, long, math.radians(turn))) for turn in TURNED]
        told = [
            say("{turn} off leaves {width} x {length}", turn=angle(turn), width=ruled(across), length=ruled(along))
            for turn, across, along in left
            if min(across, along) > 0
        ]
        why = say("{told:cap}.", told=listed(told, ", ")) if seen == "crooked" and told else say("Then the flaw is on one side.")
        _, across, along = left[1]
        share = max(across, 0.0) * max(along, 0.0) / (wide * long) if seen == "crooked" else 0.7
        yield Rescue("trim", say("Trim it straight along the tool's mark."), why, share)


def straightened(wide: float, long: float, turn: float) -> tuple[float, float]:
    """Sides of a sheet that is cut straight to a pattern that lies at an angle on it.

    Parameters
    ----------
    wide, long : float
        Of the sheet. [mm]
    turn : float
        Between the pattern and the sheet. [rad]

    Returns
    -------
    tuple of float
        Of the upright rectangle whose corners all lie on the sheet's edges [mm]; not positive where the angle is too large for one.

    Notes
    -----
    Across and along, w' cos a + l' sin a = w and w' sin a + l' cos a = l, solved for w' and l'.
    """
    c, s = math.cos(turn), abs(math.sin(turn))
    both = c * c - s * s
    return (wide * c - long * s) / both, (long * c - wide * s) / both


def wet(seen: Sight, sheet: Placed) -> Iterator[Rescue]:
    """A spot of water goes by itself."""
    if seen in ("residue", "smudged") and sheet.layer.mist_age_s is not None:
        yield Rescue(
            "let dry", say("If it's water, let it dry."), say("A spot of mist fades by itself. Don't wipe it while it's damp."), 0.92
        )


def covered(seen: Sight, sheet: Placed, supply: Supply) -> Iterator[Rescue]:
    """Cover the flaw with what a die on the shelf cuts, or with a panel."""
    if seen in ("blank", "faint", "strip", "not cut", "other side", "warped", "buckled"):
        return
    wide, long = sheet.item.width_mm, sheet.item.length_mm
    fits = [die for die in supply("thin die") if die.width_mm < 0.8 * wide and die.length_mm < 0.8 * long]
    names = [named(die.name) for die in sorted(fits, key=lambda die: -die.width_mm * die.length_mm)[:MOST_COVERS]]
    which = say("A piece cut by {dies} is smaller than the sheet.", dies=listed(names, " or ")) if names else NOTHING
    says = say("Cover the flaw with a panel or a die cut.")
    yield Rescue("cover", says, which or say("A panel a little larger than the flaw hides it. Our own idea; we haven't seen it done."), 0.6)


def shimmed(sheet: Placed) -> Iterator[Rescue]:
    """Whatever is left is a shim."""
    what = say("Open the envelope and cut it into shims.") if sheet.item.thickness.mm < THIN else say("Cut it into shims.")
    yield Rescue("shims", what, say("Flat parts only; write the thickness on them."), 0.15)
