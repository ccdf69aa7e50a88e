"""Which side comes out how, against what was wanted."""

from collections.abc import Iterable

from lofty_press.core.basics.words import say, term, together
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.sandwich.stack import Suggestion, TurnOver


def front_comes_out_wrong(e: Evidence) -> Iterable[Finding]:
    """The front is to be raised and comes out sunk, or the other way about."""
    wanted, found, sheet = e.view.sandwich.effect.front, e.orientation.front_look, e.view.sheet
    if wanted == "either" or found is None or found == wanted or sheet is None:
        return
    fix = Suggestion(say("Turn the sheet over"), (TurnOver(layer=sheet.id),))
    stands = say("This way, the front is raised.") if e.orientation.raised_face == "front" else say("This way, the back is raised.")
    why = together(stands, say("You can use both faces. Turn the sheet over to swap them."))
    yield Finding(
        "front-comes-out-wrong",
        "warn",
        say("The front comes out {found}, not {wanted}.", found=term(found), wanted=term(wanted)),
        why,
        sheet.id,
        fix,
    )


def words_mirrored(e: Evidence) -> Iterable[Finding]:
    """Words must read from the front."""
    sheet, tool = e.view.sheet, e.view.tool
    if e.orientation.words_from_front is False and sheet is not None and tool is not None:
        fix = Suggestion(say("Turn the sheet over"), (TurnOver(layer=sheet.id),))
        yield Finding(
            "words-mirrored",
            "warn",
            say("Words come out mirrored on the front."),
            say(
                "{tool} reads from its {side} side.",
                tool=tool.name,
                side=term((tool.item.relief and tool.item.relief.words_read) or "raised"),
            ),
            tool.id,
            fix,
        )


RULES = (front_comes_out_wrong, words_mirrored)
