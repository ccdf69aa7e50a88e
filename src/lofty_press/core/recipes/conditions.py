"""What has to hold for an effect, by name: the vocabulary in which effects are described."""

from collections.abc import Callable

from lofty_press.core.assess import Assessment
from lofty_press.core.recipes.effect import Effect, Holds
from lofty_press.core.words import Message, say

Condition = Callable[[Assessment], bool]


def right_pressure(a: Assessment) -> bool:
    return a.verdict is not None and a.verdict.zone == "right"


def codes(a: Assessment) -> set[str]:
    return {f.code for f in a.findings}


CONDITIONS: dict[Holds, tuple[Condition, Message]] = {
    "right pressure": (right_pressure, say("the sheet gets the pressure that the effect takes, and not more than it bears")),
    "hard behind the blade": (lambda a: a.blade is not None and a.blade.backing == "hard", say("a hard plate stands behind the blade")),
    "soft behind the blade": (
        lambda a: a.blade is not None and a.blade.backing == "soft",
        say("something soft gives way behind the sheet before the blade cuts"),
    ),
    "no blade at the sheet": (lambda a: a.blade is None, say("the blade looks away from the sheet")),
    "silicone spared": (lambda a: "silicone-cut" not in codes(a), say("the blade does not pinch the silicone through")),
    "sheet whole": (lambda a: not {"tears", "cracks"} & codes(a), say("the sheet stretches less than it bears")),
}


def failing(effect: Effect, assessment: Assessment) -> tuple[Message, ...]:
    """What does not hold, in words; a finding that stops the press counts for every effect."""
    missed = [
        say("It would not hold that {said}.", said=said)
        for name, (holds, said) in CONDITIONS.items()
        if name in effect.holds and not holds(assessment)
    ]
    stops = [f.what for f in assessment.findings if f.severity == "stop"]
    return (*missed, *stops)
