"""What was learnt, put into figures and texts."""

from lofty_press.core.basics.words import NOTHING, Message, likelihood, listed, named, say, together
from lofty_press.core.judging.dialin import Doubt, Learnt, Next, Shims, believed_item, believed_press, doubts, unlike
from lofty_press.core.judging.verdict import SURE, Zone
from lofty_press.core.sandwich.stack import Item, Press, Sandwich
from lofty_press.service.keeping.room.jobs import Standing
from lofty_press.service.keeping.room.models import Believed, Contradiction, Feeler, NextDocument, RoomDocument

SURER = 0.97  # of its spread before, under which a figure counts as learnt
LIKELY = 0.05  # chance of an outcome under which nothing is said of it
HOPELESS = 0.25  # chance of a good sheet under which shims are not what the pile lacks
ZONE_WORDS: dict[Zone, Message] = {
    "slack": say("nothing shows"),
    "faint": say("it comes out faint"),
    "right": say("it comes out right"),
    "hard": say("it's pressed too hard"),
    "refuses": say("it won't go through"),
}


def describe_room(learnt: Learnt, presses: dict[str, Press], items: dict[str, Item]) -> RoomDocument:
    """A room's belief."""
    runs = learnt.pieces
    source = say("from {runs} runs and known piles", runs=runs) if runs != 1 else say("from one run or known pile")
    found_presses = [
        Believed(id=key, name=press.name, mm=found.mm, sd_mm=found.sd_mm, before_sd_mm=press.opening.sd_mm, source=source)
        for key, press in presses.items()
        if (found := believed_press(press, learnt.belief).opening).sd_mm < SURER * press.opening.sd_mm
    ]
    found_things = [
        Believed(id=key, name=item.name, mm=found.mm, sd_mm=found.sd_mm, before_sd_mm=item.thickness.sd_mm, source=source)
        for key, item in items.items()
        if (found := believed_item(item, learnt.belief).thickness).sd_mm < SURER * item.thickness.sd_mm
    ]
    return RoomDocument(
        runs=runs,
        presses=found_presses,
        things=sorted(found_things, key=lambda thing: thing.sd_mm / thing.before_sd_mm),
        contradictions=[contradiction(doubt, learnt, presses, items) for doubt in doubts(learnt)],
    )


def contradiction(doubt: Doubt, learnt: Learnt, presses: dict[str, Press], items: dict[str, Item]) -> Contradiction:
    """A run that does not fit the rest, in words."""
    name = next(lesson.tried.sandwich.name for lesson in learnt.lessons if lesson.tried.key == doubt.key)
    others = [text for key in doubt.suspects if (text := unlike(key, presses, items))]
    either = say("“{run}” may have been logged wrong", run=name)
    words = say("{either}, or {others}.", either=either, others=listed(others, " or ")) if others else say("{either}.", either=either)
    return Contradiction(run_id=doubt.key, chance=doubt.chance, words=words)


def describe_next(sandwich: Sandwich, standing: Standing, found: Next, feeler: Feeler | None = None) -> NextDocument:
    """What to find out next, in words; `feeler` are the plates to count paper on."""
    best, trial, chances = found.best, found.trial, standing.chances

    def answer(words: Message, *why: Message, shims: int | None = None, measure: str | None = None) -> NextDocument:
        return NextDocument(
            chances=chances,
            good=standing.good,
            best_shims=best.count,
            best_good=best.good,
            words=words,
            why=list(why),
            shims=shims,
            measure=measure,
        )

    if standing.wrong is not None and chances["hard"] + chances["refuses"] < SURE:
        return answer(together(say("Fix this first."), standing.wrong))
    if best.good < 0.5 < chances["hard"] + chances["refuses"]:
        return answer(say("Don't press this pile: it's too thick. Take a plate or a spacer out. The Bench shows what each change does."))
    as_it_is = best.count == 0 and standing.good is not None  # its chance stands beside the words already
    then = NOTHING if as_it_is else say("A good sheet then: {likelihood}.", likelihood=likelihood(best.good))
    if trial is None and best.good < HOPELESS:
        return answer(together(say("No number of shims makes this pile good. Change the plates, the card or the tool."), then))
    if trial is None and best.good < SURE:
        scrap = say("Try it on scrap. No measurement says more than that sheet.")
        return answer(together(shims_words(best), then, scrap), shims=best.count)
    if trial is None:
        return answer(together(shims_words(best), then, say("You know enough to press.")))
    after = likelihood(trial.good_after)
    if trial.kind == "measure":
        what = called(trial.of or "", sandwich)
        return answer(say("Measure {thing} first. A good sheet then: {likelihood}.", thing=what, likelihood=after), measure=trial.of)
    if trial.kind == "count" and feeler is not None:
        words = say(
            "Count paper on the plates alone until the rollers just take hold, about {sheets} sheets. A good sheet then: {likelihood}.",
            sheets=feeler.sheets,
            likelihood=after,
        )
        return answer(words).model_copy(update={"count": feeler})
    words = together(say("Try one sheet of scrap."), shims_words(Shims(trial.shims, best.good)))
    why = [
        say(
            "If {outcome}, {what}. A good sheet then: {likelihood}.",
            outcome=ZONE_WORDS[zone],
            what=from_there(then.count - trial.shims),
            likelihood=likelihood(then.good),
        )
        for zone, then in trial.means.items()
        if trial.seen[zone] >= LIKELY
    ]
    return answer(words, *why, shims=trial.shims)


def shims_words(shims: Shims) -> Message:
    """How many shims more or less, as something to do."""
    if shims.count == 0:
        return say("Leave the pile as is.")
    if abs(shims.count) == 1:
        return say("Add one shim.") if shims.count > 0 else say("Take one shim out.")
    return say("Add {count} shims.", count=shims.count) if shims.count > 0 else say("Take {count} shims out.", count=-shims.count)


def from_there(count: int) -> Message:
    """How to go on after a sheet was tried, with so many shims more or less than it had."""
    if count == 0:
        return say("leave it at that")
    if abs(count) == 1:
        return say("one shim more") if count > 0 else say("one shim less")
    return say("{count} shims more", count=count) if count > 0 else say("{count} shims less", count=-count)


def called(key: str, sandwich: Sandwich) -> Message:
    """An unknown's thing, by its name."""
    what, _, of = key.partition(":")
    if what == "opening":
        return say("the opening of {press}", press=sandwich.press.name)
    return next((named(item.name) for item in sandwich.items.values() if item.shelf_id == of), named(of))
