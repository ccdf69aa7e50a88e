"""Two sandwiches side by side: what differs between them, in words."""

from collections.abc import Iterator
from difflib import SequenceMatcher

from lofty_press.core.basics.words import Message, angle, listed, named, say, seconds, size, spelled, thickness
from lofty_press.core.sandwich.stack.effect import EFFECT_TITLES
from lofty_press.core.sandwich.stack.sandwich import Layer, Sandwich
from lofty_press.core.sandwich.stack.view import Placed, StackView

LEAST_MOVE, LEAST_TURN = 0.5, 0.5  # mm and degrees; less is no other place
LEAST_THICKNESS = 0.005  # mm


def differences(one: Sandwich, other: Sandwich) -> tuple[Message, ...]:
    """What the second of two sandwiches has otherwise than the first: press, passes, layers, and how these lie."""
    found = list(apart_from_layers(one, other))
    left, right = StackView(one).layers, StackView(other).layers
    matcher = SequenceMatcher(None, [kind_of(p) for p in left], [kind_of(p) for p in right], autojunk=False)
    for what, a, b, c, d in matcher.get_opcodes():
        if what == "equal":
            for before, after in zip(left[a:b], right[c:d], strict=True):
                found += [say("{name}: {what}", name=after.name, what=text) for text in lies_otherwise(before, after)]
        elif what == "replace":
            found.append(say("{new} instead of {old}", new=names(right[c:d]), old=names(left[a:b])))
        elif what == "delete":
            found.append(say("without {old}", old=names(left[a:b])))
        else:
            found.append(say("plus {new}", new=names(right[c:d])))
    return tuple(found)


def apart_from_layers(one: Sandwich, other: Sandwich) -> Iterator[Message]:
    """What differs beside the pile."""
    if press_of(one) != press_of(other):
        yield say("on {new} instead of {old}", new=other.press.name, old=one.press.name)
    elif one.press.opening.mm != other.press.opening.mm:
        before, after = thickness(one.press.opening.mm), thickness(other.press.opening.mm)
        yield say("{press} known to open {after} instead of {before}", press=other.press.name, after=after, before=before)
    if one.effect.kind != other.effect.kind:
        yield say("for {new} instead of {old}", new=EFFECT_TITLES[other.effect.kind], old=EFFECT_TITLES[one.effect.kind])
    if one.passes != other.passes:
        passes = say("one pass") if other.passes == 1 else say("{count} passes", count=spelled(other.passes))
        yield say("{after} instead of {before}", after=passes, before=spelled(one.passes))


def press_of(sandwich: Sandwich) -> str:
    return sandwich.press.shelf_id or sandwich.press.name


def kind_of(placed: Placed) -> tuple[str, str | None]:
    """By what a layer is known again in another pile."""
    return placed.item.shelf_id or placed.name, placed.layer.half


def names(layers: tuple[Placed, ...]) -> Message:
    """Some layers, by name; a folder's two halves once."""
    seen = dict.fromkeys((p.name, p.layer.count) for p in layers)
    return listed(named(name) if count == 1 else say("{count} times {name}", count=spelled(count), name=name) for name, count in seen)


def lies_otherwise(before: Placed, after: Placed) -> Iterator[Message]:
    """How one layer lies otherwise in the second pile."""
    old, new = before.layer, after.layer
    if old.count != new.count:
        yield say("{after} instead of {before}", after=spelled(new.count), before=spelled(old.count))
    if old.turned != new.turned:
        yield say("turned over")
    if max(abs(old.x_mm - new.x_mm), abs(old.y_mm - new.y_mm)) >= LEAST_MOVE:
        yield say("moved by {along} along and {across} across", along=size(new.x_mm - old.x_mm), across=size(new.y_mm - old.y_mm))
    if abs(old.rotation_deg - new.rotation_deg) >= LEAST_TURN:
        yield say("turned by {angle}", angle=angle(new.rotation_deg - old.rotation_deg))
    if abs(before.item.thickness.mm - after.item.thickness.mm) >= LEAST_THICKNESS:
        figures = {"after": thickness(after.item.thickness.mm), "before": thickness(before.item.thickness.mm)}
        yield say("known as {after} instead of {before}", **figures)
    yield from dampness(old, new)
    if (old.ink is None) != (new.ink is None) or (old.ink and new.ink and old.ink.name != new.ink.name):
        yield say("inked with {ink}", ink=new.ink.name) if new.ink else say("without ink")


def dampness(old: Layer, new: Layer) -> Iterator[Message]:
    """How damp a sheet was otherwise."""
    if old.mist_age_s == new.mist_age_s:
        return
    if new.mist_age_s is None:
        yield say("dry instead of misted")
    elif old.mist_age_s is None:
        yield say("misted instead of dry")
    else:
        yield say("pressed {after} after misting instead of {before}", after=seconds(new.mist_age_s), before=seconds(old.mist_age_s))
