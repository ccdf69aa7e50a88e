"""Remedies for a sandwich that did not come out as it should: each an edit, with the judgement that it leads to."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from lofty_press.core.basics.trade import FRESH_MIST, SOONEST_MIST
from lofty_press.core.basics.words import NOTHING, Message, likelihood, number, say, share, spelled, thickness
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.offers import HELPS, headline
from lofty_press.core.judging.verdict import PLAIN_PAPER
from lofty_press.core.sandwich.stack import (
    FILLS,
    MOST_COPIES,
    Add,
    Edit,
    Exchange,
    Placed,
    Remove,
    Set,
    SetPasses,
    StackView,
    Suggestion,
    Supply,
    Wish,
    apply_edits,
    resolved,
)

MOST_STOCKS = 30


@dataclass(frozen=True, slots=True)
class Advice:
    """One thing to do about it, and why; `after` is the judgement then, None if it is done by hand alone."""

    suggestion: Suggestion
    why: Message
    after: Assessment | None


def tried(a: Assessment, supply: Supply, text: Message, why: Message, *wanted: Edit | Wish) -> Advice:
    """A remedy with the judgement that it leads to."""
    edits = resolved(a.sandwich, wanted, supply)
    return Advice(Suggestion(text, edits), why, a.again(apply_edits(a.sandwich, edits)))


def by_hand(text: Message, why: Message) -> Advice:
    """A remedy that changes nothing of the sandwich."""
    return Advice(Suggestion(text), why, None)


def pressure_of(advice: Advice) -> float:
    return advice.after.verdict.pressure if advice.after and advice.after.verdict else 0.0


def zone_of(a: Assessment | None) -> str:
    return a.verdict.zone if a is not None and a.verdict is not None else "slack"


def taking_out(view: StackView) -> Iterator[tuple[Message, Message, Edit | Wish]]:
    """Everything that can come out, one at a time."""
    for p in view.layers:
        if p.layer.role == "shim" or (p.kind == "frame" and p.layer.count > 2):
            each = say("{thickness} less.", thickness=thickness(p.item.thickness.mm))
            if p.layer.count > 1:
                yield (
                    say("Take {p} out, leave {left}.", p=p.name, left=spelled(p.layer.count - 1)),
                    each,
                    Set(layer=p.id, count=p.layer.count - 1),
                )
            yield (
                say("Take all the shims out.") if p.layer.count > 1 else say("Take {p} out.", p=p.name),
                say("{thickness} less.", thickness=thickness(p.thickness)),
                Remove(layer=p.id),
            )
        elif p.kind == "deep plate":
            yield (
                say("Use a hard plate instead of the deep one."),
                say("About a millimeter less."),
                Exchange(layer=p.id, kind="hard plate"),
            )
        elif p.kind in FILLS and not p.layer.half:
            yield say("Take {p} out.", p=p.name), say("{thickness} less.", thickness=thickness(p.thickness)), Remove(layer=p.id)


def shim_of(view: StackView) -> Placed | None:
    return next((p for p in view.layers if p.layer.role == "shim" and p.layer.count < MOST_COPIES), None)


def adding(view: StackView, sheets: int) -> tuple[Message, Edit | Wish]:
    """Words and edit for so many shims more."""
    shim = shim_of(view)
    if shim is not None and shim.layer.count + sheets <= MOST_COPIES:
        return say("Add {sheets} more of {shim}.", sheets=spelled(sheets), shim=shim.name), Set(
            layer=shim.id, count=shim.layer.count + sheets
        )
    label = (
        say("Add one sheet of plain paper under the pile.")
        if sheets == 1
        else say("Add {sheets} sheets of plain paper under the pile.", sheets=spelled(sheets))
    )
    return label, Add(kind="sheet", at=view.above_base, count=sheets, role="shim")


def thicker(a: Assessment, supply: Supply) -> list[Advice]:
    """One, two, three shims more, as far as the figures leave room, the smallest step that helps first."""
    view, options = StackView(a.sandwich), []
    for sheets in (1, 2, 3, 4, 6):
        text, edit = adding(view, sheets)
        option = tried(a, supply, text, NOTHING, edit)
        if zone_of(option.after) in ("hard", "refuses"):
            break
        options.append(replace(option, why=pressed_harder(a, option.after)))
    right = [o for o in options if zone_of(o.after) == "right"]
    return (right or options[-1:])[:1] if zone_of(a) != "right" else options[:1]


def pressed_harder(a: Assessment, after: Assessment | None) -> Message:
    """How much more the work feels in another pile."""
    before, then = (one.verdict.pressure if one is not None and one.verdict is not None else 0.0 for one in (a, after))
    if not before > 0.0:
        return say("By our figures the rollers then touch it.")
    return say("By our figures that presses {more} harder.", more=share(then / before - 1.0))


def misted(a: Assessment, supply: Supply) -> Advice | None:
    """The sheet misted, if it is dry and takes water."""
    sheet = StackView(a.sandwich).sheet
    if sheet is None or sheet.item.stock is None or sheet.item.stock.mist is None or sheet.layer.mist_age_s is not None:
        return None
    why = say("Damp fibers stretch more and soften sooner. Use a fresh sheet, misted lightly on the back.")
    return tried(a, supply, say("Mist the sheet."), why, Set(layer=sheet.id, mist_age_s=FRESH_MIST.value, mist_face="back"))


def wetter(a: Assessment, supply: Supply) -> Advice | None:
    """A misted sheet pressed sooner."""
    sheet = StackView(a.sandwich).sheet
    if sheet is None or sheet.layer.mist_age_s is None or sheet.layer.mist_age_s <= SOONEST_MIST.value:
        return None
    why = say("The mist dries while you build. Get everything ready first, and mist last.")
    return tried(
        a,
        supply,
        say("Press within {soon} seconds of misting.", soon=number(SOONEST_MIST.value, 0)),
        why,
        Set(layer=sheet.id, mist_age_s=SOONEST_MIST.value),
    )


def another_stock(a: Assessment, supply: Supply) -> Advice:
    """Which of the stocks on the shelf would bear this best."""
    sheet = StackView(a.sandwich).sheet
    best: tuple[float, str] | None = None
    for other in supply("sheet")[:MOST_STOCKS]:
        if (
            sheet is None
            or other.stock is None
            or other.material != "paper"
            or not 0.5 <= other.thickness.mm / sheet.item.thickness.mm <= 2.0
        ):
            continue
        cut = replace(other, width_mm=sheet.item.width_mm, length_mm=sheet.item.length_mm)
        after = a.again(replace(a.sandwich, items={**a.sandwich.items, sheet.layer.item: cut}))
        good = headline(after)
        if other.name != sheet.name and (best is None or good > best[0]):
            best = good, other.name
    if best is None or best[0] <= headline(a.again(a.sandwich)) + HELPS:
        return by_hand(say("Use a softer card, or a folder with a lower relief."), say("None of your stocks does better here."))
    why = say("Your best stock for this. A good sheet then: {likelihood}.", likelihood=likelihood(best[0]))
    return by_hand(say("Use {best} next time.", best=best[1]), why)


def fewer_layers(a: Assessment, view: StackView, supply: Supply) -> Iterator[Advice]:
    """One layer of motif in place of several, shims making up the height."""
    tool = view.tool
    if tool is not None and tool.kind == "motif" and tool.layer.count > 1:
        freed = (tool.layer.count - 1) * tool.item.thickness.mm
        shim = shim_of(view)
        sheets = max(round(freed / (shim.item.thickness.mm if shim else PLAIN_PAPER.thickness)), 1)
        edits = (Set(layer=tool.id, count=1), adding(view, min(sheets, MOST_COPIES))[1])
        yield tried(
            a, supply, say("One layer of motif, the height made up with shims."), say("A lower relief stretches the sheet less."), *edits
        )


def gentler(a: Assessment, view: StackView, supply: Supply) -> Iterator[Advice]:
    """Fewer passes, a shim less."""
    if a.sandwich.passes > 1:
        yield tried(a, supply, say("Send it through only once."), say("Each pass stretches it a little further."), SetPasses(passes=1))
    for text, why, edit in taking_out(view):
        if isinstance(edit, Set) or (isinstance(edit, Remove) and any(p.id == edit.layer and p.layer.role == "shim" for p in view.layers)):
            yield tried(a, supply, text, why, edit)
