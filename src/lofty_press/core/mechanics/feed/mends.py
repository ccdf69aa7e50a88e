"""What would make a sandwich lie better, as suggestions."""

from lofty_press.core.basics.words import angle, say, size
from lofty_press.core.mechanics.alignment import Register
from lofty_press.core.mechanics.feed.best import Advice
from lofty_press.core.mechanics.feed.examine import Lying
from lofty_press.core.mechanics.feed.fit import Misfit
from lofty_press.core.mechanics.feed.placing import Placing, laying
from lofty_press.core.sandwich.stack import Set, StackView, Suggestion, Trim

IN_THE_MIDDLE = 0.5  # mm


def made_to_fit(misfit: Misfit, lying: Lying) -> tuple[Suggestion, ...]:
    """What makes a thing fit: the work turned and centred, the sheet trimmed; nothing where only another thing would."""
    found, now = [], lying.placing
    if misfit.turned is not None and now is not None and misfit.layer in lying.moving:
        centred = max(abs(now.x), abs(now.y)) < IN_THE_MIDDLE
        label = say("Turn it by {turned} and center it", turned=angle(misfit.turned)) if misfit.turned else say("Center it")
        if misfit.turned or not centred:
            found.append(Suggestion(label, laying(lying.view, Placing(0.0, 0.0, now.turn + misfit.turned))))
    if misfit.trim is not None:
        width, length = (round(side, 2) for side in misfit.trim)
        label = say("Trim it to {width} by {length}", width=size(width), length=size(length))
        found.append(Suggestion(label, (Trim(layer=misfit.layer, width_mm=width, length_mm=length),)))
    return tuple(found)


def lined_up(register: Register) -> Suggestion | None:
    """What brings a layer into register; None where it is."""
    if not register.note:
        return None
    x, y = (round(place, 2) for place in register.centred)
    return Suggestion(say("Line it up"), (Set(layer=register.layer, x_mm=x, y_mm=y),))


def laid_so(advice: Advice) -> Suggestion | None:
    """The better way to lay the work; None where there is none."""
    if advice.better is None:
        return None
    return Suggestion(say("Place it this way"), laying(StackView(advice.now.sandwich), advice.better.placing))
