"""What has to hold for an effect, by name: the vocabulary in which effects are described."""

from collections.abc import Callable

from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.working.recipes.effect import Effect, Holds

Condition = Callable[[Assessment], bool]


def right_pressure(a: Assessment) -> bool:
    return a.verdict is not None and a.verdict.zone == "right"


def codes(a: Assessment) -> set[str]:
    return {f.code for f in a.findings}


CONDITIONS: dict[Holds, tuple[Condition, Message]] = {
    "right pressure": (right_pressure, say("the sheet gets the pressure the effect needs, and no more than it can take")),
    "hard behind the blade": (lambda a: a.blade is not None and a.blade.backing == "hard", say("a hard plate is behind the blade")),
    "soft behind the blade": (
        lambda a: a.blade is not None and a.blade.backing == "soft",
        say("something soft behind the sheet compresses before the blade cuts"),
    ),
    "no blade at the sheet": (lambda a: a.blade is None, say("the blade points away from the sheet")),
    "silicone spared": (lambda a: "silicone-cut" not in codes(a), say("the blade doesn't pinch through the silicone")),
    "sheet whole": (lambda a: not {"tears", "cracks"} & codes(a), say("the sheet stretches less than it can take")),
}


def failing(effect: Effect, assessment: Assessment) -> tuple[Message, ...]:
    """What does not hold, in words; a finding that stops the press counts for every effect."""
    missed = [
        say("This wouldn't hold: {said}.", said=said)
        for name, (holds, said) in CONDITIONS.items()
        if name in effect.holds and not holds(assessment)
    ]
    stops = [f.what for f in assessment.findings if f.severity == "stop"]
    return (*missed, *stops)
