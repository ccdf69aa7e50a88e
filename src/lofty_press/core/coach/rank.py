"""Which cause it was: by what was seen and where, and by how often each happens."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from lofty_press.core.assess import Assessment, assess
from lofty_press.core.coach.bare import bare_part, barer, points_in
from lofty_press.core.coach.cause import Cause
from lofty_press.core.coach.causes import CAUSES
from lofty_press.core.coach.sights import BARE, SIGHT_KEYS, Sight, expected
from lofty_press.core.errors import InvalidInput, NoBalance
from lofty_press.core.relief import Library, no_library
from lofty_press.core.stack import Edit, FloatArray, Sandwich, StackView, Suggestion, Supply, apply_edits, nothing_on_the_shelf
from lofty_press.core.words import Message, say

WRONG = 0.1
"""How often somebody names another sight than the one that is there. [1]; common practice, no published source"""
OFF = 15.0
"""How far off somebody points. [mm]"""
NO_CAUSE = 4.0
"""How often it is none of these, against the others; then any sight is as likely."""
SHOWN = 0.01
"""Chance under which a cause is not told. [1]"""


@dataclass(frozen=True, eq=False)
class Scene:
    """The pile as it was meant to lie, and every cause that can have happened to it, judged."""

    meant: Assessment
    happened: Mapping[str, Assessment]

    @cached_property
    def sights(self) -> dict[str, dict[Sight, float]]:
        """How likely each sight is by each cause. [1]"""
        return {key: with_signs(CAUSES[key], expected(after, self.meant)) for key, after in self.happened.items()}


def scene_of(sandwich: Sandwich, library: Library = no_library) -> Scene:
    """Put every mistake into a sandwich that can happen to it, and judge each.

    Raises
    ------
    InvalidInput
        If the sandwich contradicts itself or has no sheet.
    NoBalance
        As `assess`, of the sandwich itself; a mistake whose pile cannot be judged is left out.
    """
    view = StackView(sandwich)
    if view.sheet is None:
        raise InvalidInput("layers", None, say("have no sheet that could have gone wrong; lay one in"))
    meant = assess(sandwich, library)
    happened = {}
    for key, cause in CAUSES.items():
        put_in = cause.put_in(view)
        if put_in is None:
            continue
        try:
            happened[key] = meant if put_in is sandwich else assess(put_in, library)
        except (InvalidInput, NoBalance):
            continue
    return Scene(meant, happened)


def with_signs(cause: Cause, computed: Mapping[Sight, float]) -> dict[Sight, float]:
    """What is computed of a sheet, and what is seen of it besides; sums to 1."""
    told = sum(cause.signs.values())
    found: dict[Sight, float] = {sight: (1.0 - told) * chance for sight, chance in computed.items()}
    for sight, chance in cause.signs.items():
        found[sight] = found.get(sight, 0.0) + chance
    return found


@dataclass(frozen=True)
class Ranked:
    """A cause with its chance by all that was said [1], what it `shows` most likely, how the pile lay then, and its cure: `edits` of the pile as it was
    meant, none where it is done by hand alone, and the judgement that they lead to."""

    cause: Cause
    chance: float
    shows: Sight
    lay: Sandwich
    cure: Suggestion
    edits: tuple[Edit, ...]
    after: Assessment | None


def rank(
    scene: Scene,
    seen: Sight | None,
    at: tuple[float, float] | None = None,
    *,
    supply: Supply = nothing_on_the_shelf,
    known: Mapping[str, float] | None = None,
) -> tuple[Ranked, ...]:
    """The causes of what was seen, likeliest first.

    Parameters
    ----------
    scene : Scene
    seen : Sight or None
        None where nothing was said yet: then that anything is wrong.
    at : tuple of float or None
        Where on the sheet: along the feed and across it from the middle of the bed. [mm]
    supply : callable
        What of a kind is on the shelf, for cures.
    known : mapping of str to float or None
        By how much more often than usual a cause happens here, where something is known of it: a plate's marks, the runs before. [1]

    Returns
    -------
    tuple of Ranked
        Their chances sum to 1 less that of none of them.

    Raises
    ------
    InvalidInput
        If the place is off the sheet, or nothing is wrong.

    Notes
    -----
    Bayes' rule: how often a cause happens, times how likely the sight is by it, named by somebody who is wrong one time in ten, times how near the
    place is to where its pile presses too little or too much or the sheet lies bare, seen to within 15 mm.
    """
    if seen == "right":
        raise InvalidInput("seen", seen, say("has nothing to be explained"))
    sheet = StackView(scene.meant.sandwich).sheet
    assert sheet is not None
    low_x, low_y, high_x, high_y = sheet.bounds
    if at is not None and not (low_x - OFF <= at[0] <= high_x + OFF and low_y - OFF <= at[1] <= high_y + OFF):
        raise InvalidInput("at", at, say("does not lie on the sheet"))
    weights = {
        key: CAUSES[key].often * (known or {}).get(key, 1.0) * named(scene.sights[key], seen) * place_of(after, scene.meant, at)
        for key, after in scene.happened.items()
    }
    none = NO_CAUSE * (1.0 if seen is None else 1.0 / len(SIGHT_KEYS)) * (1.0 if at is None else 1.0 / max(sheet.polygon.area, 1.0))
    total = sum(weights.values()) + none
    order = sorted(weights, key=lambda key: -weights[key])
    return tuple(mended(scene, CAUSES[key], weights[key] / total, supply) for key in order if weights[key] / total >= SHOWN)


def named(sights: Mapping[Sight, float], seen: Sight | None) -> float:
    """How likely a sight is named where each is there so likely; that anything is, if none was. [1]"""
    if seen is None:
        return 1.0 - sights.get("right", 0.0)
    return (1.0 - WRONG) * sights.get(seen, 0.0) + WRONG / len(SIGHT_KEYS)


def place_of(after: Assessment, meant: Assessment, at: tuple[float, float] | None) -> float:
    """How likely somebody points to a place of the sheet: around where something is wrong with it, or anywhere. [1/mm2]"""
    if at is None:
        return 1.0
    wrong = wrong_places(after, meant)
    before = StackView(meant.sandwich).sheet
    then = StackView(after.sandwich).sheet
    anywhere = 1.0 / max(before.polygon.area if before else 1.0, 1.0)
    if not wrong.size or before is None or then is None:
        return anywhere
    # the sheet may have lain elsewhere: what is pointed to moves with it
    moved = (then.layer.x_mm - before.layer.x_mm, then.layer.y_mm - before.layer.y_mm)
    away = ((wrong - np.add(at, moved)) ** 2).sum(axis=1)
    near = float(np.exp(-0.5 * away / OFF**2).mean()) / (2.0 * math.pi * OFF**2)
    return (1.0 - WRONG) * near + WRONG * anywhere


def wrong_places(after: Assessment, meant: Assessment) -> FloatArray:
    """Points of a pile where too little or too much is pressed, or the sheet lies bare and was not meant to, shape (n, 2). [mm]"""
    parts = after.verdict.shares.parts if after.verdict is not None else ()
    places = [np.zeros((0, 2))]
    for part in parts:
        i, j = np.nonzero(part.cells)
        places.append(np.column_stack([part.field.x[i], part.field.y[j]]))
    then = StackView(after.sandwich)
    if barer(then, StackView(meant.sandwich)) > BARE:
        places.append(points_in(bare_part(then)))
    return np.concatenate(places)


def mended(scene: Scene, cause: Cause, chance: float, supply: Supply) -> Ranked:
    """A cause with its cure tried on the pile as it was meant."""
    meant = scene.meant.sandwich
    edits = tuple(cause.mend(StackView(meant))) if cause.mend is not None else ()
    suggestion = Suggestion(cause.cure, edits)
    in_full = suggestion.in_full(meant, supply) if edits else None
    after = scene.meant.again(apply_edits(meant, in_full)) if in_full else None
    sights = scene.sights[cause.key]
    shows: Sight = max((sight for sight in SIGHT_KEYS if sight != "right"), key=lambda sight: sights.get(sight, 0.0))
    return Ranked(cause, chance, shows, scene.happened[cause.key].sandwich, suggestion, in_full or (), after)


def look_first(ranked: tuple[Ranked, ...]) -> Message | None:
    """The look that tells the two likeliest apart, where both explain it about as well; None if one stands out."""
    if len(ranked) < 2 or ranked[0].chance > 2.0 * ranked[1].chance:
        return None
    return ranked[0].cause.tell
