"""A pile as it was meant to lie, and every mistake that can have happened to it, judged."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import say
from lofty_press.core.judging.assess import Assessment, Certainty, assess
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Sandwich, StackView
from lofty_press.core.teaching.coach.cause import Cause
from lofty_press.core.teaching.coach.causes import CAUSES
from lofty_press.core.teaching.coach.felt import FELT_KEYS, Felt, felt_of
from lofty_press.core.teaching.coach.place import Place, place_of
from lofty_press.core.teaching.coach.sights import SIGHT_KEYS, Sight, expected

STUCK: tuple[Sight, ...] = ("no feed", "stopped")
"""Of these there is no sheet to look at, but a pile before the rollers."""
EYE = 1.0
"""By so much somebody misjudges how far a pile stands over an opening (standard deviation). [mm]; common practice, no published source"""
FLOOR = 1e-6


@dataclass(frozen=True, eq=False)
class Scene:
    """`meant` is the pile as it was to lie, `happened` what each mistake made of it."""

    meant: Assessment
    happened: Mapping[str, Assessment]

    @cached_property
    def sights(self) -> dict[str, dict[Sight, float]]:
        """How likely each sight is by each cause. [1]"""
        return {key: with_signs(CAUSES[key], expected(after, self.meant)) for key, after in self.happened.items()}

    @cached_property
    def feelings(self) -> dict[str, dict[Felt, float]]:
        """How likely each is felt by each cause. [1]"""
        return {key: with_feelings(CAUSES[key], felt_of(after, self.meant)) for key, after in self.happened.items()}

    @cached_property
    def places(self) -> dict[str, Place]:
        """Where the sheet is wrong by each cause."""
        return {key: place_of(after, self.meant) for key, after in self.happened.items()}

    @cached_property
    def pictured(self) -> dict[str, Sight]:
        """The causes whose sheet another pile presses, or that leave something on it, with what their pictures show."""
        shown = {key: shows(self.sights[key]) for key in self.happened if self.differs(key)}
        return {key: sight for key, sight in shown.items() if sight is not None}

    def differs(self, key: str) -> bool:
        """True if a cause's sheet is another than the one that was meant."""
        return CAUSES[key].marks or self.happened[key].sandwich != self.meant.sandwich

    @cached_property
    def picked(self) -> dict[str, dict[str, float]]:
        """By each cause: how likely somebody who holds its sheet takes each picture. [1]"""
        return {key: picks(self.sights[key], self.places[key], over_opening(after), self) for key, after in self.happened.items()}

    @cached_property
    def over(self) -> dict[str, float]:
        """By how much each pile stands over the opening. [mm]"""
        return {key: over_opening(after) for key, after in self.happened.items()}


def scene_of(sandwich: Sandwich, library: Library = no_library, certainty: Certainty | None = None) -> Scene:
    """Put every mistake into a sandwich that can happen to it, and judge each.

    Parameters
    ----------
    sandwich : Sandwich
    library : callable
    certainty : callable or None
        As of `assess`, for the pile as it was meant.

    Raises
    ------
    InvalidInput
        If the sandwich contradicts itself or has no sheet.
    NoBalance
        As `assess`, of the sandwich itself; a mistake whose pile cannot be judged is left out.
    """
    view = StackView(sandwich)
    if view.sheet is None:
        raise InvalidInput("layers", None, say("have no sheet that could have gone wrong; add one"))
    meant = assess(sandwich, library, certainty=certainty)
    happened = {}
    for key, cause in CAUSES.items():
        put_in = cause.put_in(view)
        if put_in is None:
            continue
        try:
            happened[key] = meant if put_in == sandwich else assess(put_in, library)
        except (InvalidInput, NoBalance):
            continue
    return Scene(meant, happened)


def with_signs(cause: Cause, computed: Mapping[Sight, float]) -> dict[Sight, float]:
    """What is computed of a sheet, and what is seen of it besides; sums to 1."""
    told = sum(cause.signs.values())
    return {sight: (1.0 - told) * computed.get(sight, 0.0) + cause.signs.get(sight, 0.0) for sight in SIGHT_KEYS}


def with_feelings(cause: Cause, computed: Mapping[Felt, float]) -> dict[Felt, float]:
    """What is computed of a turn, and what is felt of it besides; sums to 1."""
    told = sum(cause.feels.values())
    return {felt: (1.0 - told) * computed.get(felt, 0.0) + cause.feels.get(felt, 0.0) for felt in FELT_KEYS}


def shows(sights: Mapping[Sight, float]) -> Sight | None:
    """What is seen most likely where something is; None where it would look right."""
    found = max((sight for sight in SIGHT_KEYS if sight != "right"), key=lambda sight: sights[sight])
    return found if sights[found] > 0.0 else None


def over_opening(assessment: Assessment) -> float:
    """By how much a pile stands over the opening of its press. [mm]"""
    return assessment.free_height - assessment.sandwich.press.opening.mm


def picks(sights: Mapping[Sight, float], place: Place, over: float, scene: Scene) -> dict[str, float]:
    """How likely somebody takes each picture of a scene who holds a sheet, or sees a pile that stands `over` the opening [mm].

    Notes
    -----
    What is seen on the sheet is looked for among the pictures that show it, the more so the more they are wrong in the same places; of a pile that does
    not go through, by how much it stands over the opening. No picture is taken of what none shows.
    """
    found = dict.fromkeys(scene.pictured, 0.0)
    for sight, chance in sights.items():
        same = [key for key, shown in scene.pictured.items() if shown == sight] if chance else []
        if sight in STUCK:
            alike = {key: math.exp(-0.5 * ((over - scene.over[key]) / EYE) ** 2) + FLOOR for key in same}
        else:
            alike = {key: place.alike(scene.places[key]) for key in same}
        total = sum(alike.values())
        for key, much in alike.items():
            found[key] += chance * much / total
    return found
