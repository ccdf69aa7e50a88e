"""Which cause it was: by what was seen, felt and looked at, and by how often each happens."""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Sandwich, StackView, Supply, nothing_on_the_shelf
from lofty_press.core.teaching.coach.cause import Cause
from lofty_press.core.teaching.coach.causes import CAUSES
from lofty_press.core.teaching.coach.cure import Cure, cure_of
from lofty_press.core.teaching.coach.felt import FELT_KEYS, Felt
from lofty_press.core.teaching.coach.known import Known
from lofty_press.core.teaching.coach.looks import LOOKS
from lofty_press.core.teaching.coach.place import OFF
from lofty_press.core.teaching.coach.scene import Scene, shows
from lofty_press.core.teaching.coach.sights import SIGHT_KEYS, Sight

WRONG = 0.1
"""How often somebody names another sight, picture or feeling than the one that is there, or misses what a look would show. [1]; common practice, no
published source"""
NO_CAUSE = 4.0
"""How often it is none of these, against the others; then any sight is as likely."""
AS_BUILT = "as laid"
MISTAKES = 0.1
"""How often a sheet goes wrong without a mistake, against with one, if its pile always made it so. [1]; common practice, no published source"""
SHOWN = 0.01
"""Chance under which a cause is not told. [1]"""
STANDS_OUT = 2.0
"""By how much likelier than the next the first cause is before no look is asked for."""


NOTHING = Known()


@dataclass(frozen=True)
class Said:
    """What somebody says of a sheet; all of it may be left open.

    Parameters
    ----------
    seen : Sight or None
        None where nothing was said yet: then that anything is wrong.
    at : tuple of float or None
        Where on the sheet: along the feed and across it from the middle of the bed. [mm]
    felt : Felt or None
    picked : str or None
        The cause whose picture resembles the sheet; says more than `seen`.
    settled : mapping of str to bool
        Looks that were taken, by their keys: whether it was so.
    """

    seen: Sight | None = None
    at: tuple[float, float] | None = None
    felt: Felt | None = None
    picked: str | None = None
    settled: Mapping[str, bool] | None = None


@dataclass(frozen=True)
class Ranked:
    """A cause with its chance by all that was said [1], what it `shows` most likely, how the pile lay then, and its cure."""

    cause: Cause
    chance: float
    shows: Sight | None
    lay: Sandwich
    cure: Cure


def rank(scene: Scene, said: Said, *, supply: Supply = nothing_on_the_shelf, known: Known = NOTHING) -> tuple[Ranked, ...]:
    """The causes of what was seen, likeliest first.

    Parameters
    ----------
    scene : Scene
    said : Said
    supply : callable
        What of a kind is on the shelf, for cures.
    known : Known
        What is known of the press room beyond what usually happens.

    Returns
    -------
    tuple of Ranked
        Their chances sum to 1 less that of none of them.

    Raises
    ------
    InvalidInput
        As `chances_of`.
    """
    chances = chances_of(scene, said, known.often)
    order = sorted(chances, key=lambda key: -chances[key])
    return tuple(
        Ranked(
            cause=CAUSES[key],
            chance=chances[key],
            shows=shows(scene.sights[key]),
            lay=scene.happened[key].sandwich,
            cure=cure_of(CAUSES[key], scene, supply, known.cures.get(key)),
        )
        for key in order
        if chances[key] >= SHOWN
    )


def chances_of(scene: Scene, said: Said, known: Mapping[str, float]) -> dict[str, float]:
    """How likely each cause is; what is missing to 1 is none of them. [1]

    Raises
    ------
    InvalidInput
        If the place is off the sheet, nothing is wrong, or a picture or look is not one of these.

    Notes
    -----
    Bayes' rule: how often a cause happens, times how likely the sight or the picture is taken by it by somebody who is wrong one time in ten, times how
    near the place is to where its pile presses too little or too much or the sheet lies bare, seen to within 15 mm, times how likely it feels so, times
    what the looks have settled. What the pile as it is built explains by itself counts for as much as that is likely, and every mistake only for what it
    adds: of a pile that jams for certain, none explains the jam.
    """
    check(scene, said)
    often = {key: CAUSES[key].often * known.get(key, 1.0) for key in scene.happened}
    built = likely(scene, AS_BUILT, said) if AS_BUILT in scene.happened else 0.0
    alone = explained(scene, said)
    weights = {key: often[key] * max(likely(scene, key, said) - alone * built, 0.0) for key in often}
    naming = {key: often[key] for key in often if key == AS_BUILT or names_the_pile(scene, key, said)}
    really = (1.0 - WRONG) * alone / ((1.0 - WRONG) * alone + WRONG / len(SIGHT_KEYS))  # and not named by mistake
    if AS_BUILT in often:
        weights[AS_BUILT] = often[AS_BUILT] * built * (1.0 - really)
    for key, much in naming.items():
        weights[key] += MISTAKES * sum(often.values()) * built * really * much / sum(naming.values())
    none = NO_CAUSE * unexplained(scene, said)
    total = sum(weights.values()) + none
    return {key: weight / total for key, weight in weights.items()}


def names_the_pile(scene: Scene, key: str, said: Said) -> bool:
    """True for a cause that says what the pile as it is built lacks, where that explains what was seen."""
    return seen_in(scene, said) in CAUSES[key].explains


def seen_in(scene: Scene, said: Said) -> Sight | None:
    """What was seen, or what the picture shows that was taken; None where nothing was said yet."""
    return scene.pictured.get(said.picked) if said.picked is not None else said.seen


def explained(scene: Scene, said: Said) -> float:
    """Chance that the pile as it is built shows by itself what was seen; somebody who names something else is left out. [1]"""
    sights = scene.sights.get(AS_BUILT, {})
    if not sights:
        return 0.0
    seen = seen_in(scene, said)
    return 1.0 - sights["right"] if seen is None else sights[seen]


def check(scene: Scene, said: Said) -> None:
    """Refuse what cannot be said of this sheet; errors as of `chances_of`."""
    if said.seen == "right":
        raise InvalidInput("seen", said.seen, say("has nothing to explain"))
    if said.picked is not None and said.picked not in scene.pictured:
        raise InvalidInput("picked", said.picked, say("isn't a picture of this sheet"))
    unknown = next((look for look in said.settled or {} if look not in LOOKS), None)
    if unknown is not None:
        raise InvalidInput("settled", unknown, say("isn't a check we know"))
    sheet = StackView(scene.meant.sandwich).sheet
    assert sheet is not None
    low_x, low_y, high_x, high_y = sheet.bounds
    if said.at is not None and not (low_x - OFF <= said.at[0] <= high_x + OFF and low_y - OFF <= said.at[1] <= high_y + OFF):
        raise InvalidInput("at", said.at, say("is off the sheet"))


def likely(scene: Scene, key: str, said: Said) -> float:
    """How likely all that was said is by one cause. [1, or 1/mm2 with a place]"""
    found = taken(scene.picked[key], said.picked) if said.picked is not None else named(scene.sights[key], said.seen)
    if said.at is not None:
        found *= float(scene.places[key].pointed(np.array([said.at]))[0])
    if said.felt is not None:
        found *= (1.0 - WRONG) * scene.feelings[key][said.felt] + WRONG / len(FELT_KEYS)
    for look, so in (said.settled or {}).items():
        found *= 1.0 - WRONG if so == (CAUSES[key].look == look) else WRONG
    return found


def unexplained(scene: Scene, said: Said) -> float:
    """How likely it is said where it is none of the causes: anything is as likely as anything. [1, or 1/mm2 with a place]"""
    found = 1.0
    if said.picked is not None:
        found /= len(scene.pictured)
    elif said.seen is not None:
        found /= len(SIGHT_KEYS)
    if said.at is not None:
        found *= next(iter(scene.places.values())).anywhere
    if said.felt is not None:
        found /= len(FELT_KEYS)
    for so in (said.settled or {}).values():
        found *= WRONG if so else 1.0 - WRONG
    return found


def named(sights: Mapping[Sight, float], seen: Sight | None) -> float:
    """How likely a sight is named where each is there so likely; that anything is, if none was. [1]"""
    if seen is None:
        return 1.0 - sights["right"]
    return (1.0 - WRONG) * sights[seen] + WRONG / len(SIGHT_KEYS)


def taken(pictures: Mapping[str, float], picked: str) -> float:
    """How likely a picture is taken where each is so likely. [1]"""
    return (1.0 - WRONG) * pictures[picked] + WRONG / len(pictures)


def look_first(ranked: tuple[Ranked, ...], settled: Mapping[str, bool] | None = None) -> str | None:
    """The cheapest look that tells the two likeliest apart, where both explain it about as well; None if one stands out or both looks were taken."""
    if len(ranked) < 2 or ranked[0].chance > STANDS_OUT * ranked[1].chance:
        return None
    looks = {one.cause.look for one in ranked[:2]} - set(settled or {})
    return min(looks, key=lambda look: LOOKS[look].costs, default=None)
