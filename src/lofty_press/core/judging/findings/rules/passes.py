"""How often it goes through."""

from collections.abc import Iterable

from lofty_press.core.basics.words import number, say, together
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.judging.findings.rules.sheets import estimates
from lofty_press.core.judging.findings.states import no_worse
from lofty_press.core.sandwich.stack import DEEP_FOLDERS, SetPasses, Suggestion
from lofty_press.core.sandwich.stock import working_sheet

SEEN = 0.02  # of the tool's depth; less is not seen


def gained_by_three(e: Evidence) -> float:
    """Share of the tool's depth that three passes keep over one, as estimated. [1]"""
    stock = e.view.sheet.item.stock if e.view.sheet is not None else None
    if stock is None or e.view.sheet is None:
        return 0.0
    age = e.view.sheet.layer.mist_age_s
    both = estimates(e, working_sheet(stock, age, passes=1), working_sheet(stock, age, passes=3))
    return 0.0 if both is None else (both[1].retained_share or 0.0) - (both[0].retained_share or 0.0)


def more_passes_for_deep(e: Evidence) -> Iterable[Finding]:
    """Two schools: one pass, or three and more."""
    tool, passes = e.view.tool, e.view.sandwich.passes
    if tool is not None and tool.kind in DEEP_FOLDERS and passes == 1 and e.verdict is not None and e.verdict.zone in ("faint", "right"):
        more = gained_by_three(e)
        sheet = e.view.sheet
        schools = say(
            "One pass is quick and keeps the sheet soft. Three or more (to and fro counts as two) go deeper, each by less than the last."
        )
        if more < SEEN:
            why = together(schools, say("Three passes add less than {seen} % of the tool's depth here.", seen=number(100 * SEEN, 0)))
            yield Finding("three-passes", "advise", say("One pass does it here."), why, tool.id, says=("passes enough",))
        elif sheet is None or not no_worse(e, mist_age_s=sheet.layer.mist_age_s, passes=3):
            why = together(schools, say("Three passes would crack more sheets here."))
            yield Finding("three-passes", "advise", say("Stay with one pass here."), why, tool.id, says=("passes enough",))
        else:
            fix = Suggestion(say("Three passes"), (SetPasses(passes=3),))
            why = together(schools, say("Three passes add about {more} % of the tool's depth here.", more=number(100 * more, 0)))
            yield Finding("three-passes", "advise", say("Three passes deepen a deep folder."), why, tool.id, fix, ("wants more passes",))


def needless_passes(e: Evidence) -> Iterable[Finding]:
    """A plain folder is done after one."""
    tool, passes = e.view.tool, e.view.sandwich.passes
    if tool is not None and tool.kind == "plain folder" and passes > 1 and e.verdict is not None and e.verdict.zone in ("right", "hard"):
        fix = Suggestion(say("One pass"), (SetPasses(passes=1),))
        yield Finding(
            "needless-passes",
            "advise",
            say("One pass is enough for a plain folder."),
            say("Every extra pass can shift the sheet and leave a double image."),
            tool.id,
            fix,
        )
    elif e.view.sandwich.effect.traits.only_cuts and passes > 2 and not (e.blade is not None and e.blade.low):
        yield Finding(
            "needless-passes",
            "advise",
            say("Two passes cut as much as three."),
            say("If two don't cut it, clear the die or add a shim."),
            None,
            Suggestion(say("Two passes"), (SetPasses(passes=2),)),
        )


def moved_between_passes(e: Evidence) -> Iterable[Finding]:
    """A double image comes from a die that moved."""
    tool = e.view.tool
    if tool is not None and e.view.sandwich.passes > 1 and tool.layer.half is None:
        why = say("Use low-tack tape at the edges, outside the pattern. Move die and card as one. Tape under pressure leaves its mark.")
        yield Finding("hold-it-still", "care", say("Hold die and sheet together between passes."), why, tool.id)


RULES = (more_passes_for_deep, needless_passes, moved_between_passes)
