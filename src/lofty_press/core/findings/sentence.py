"""The judgement in one sentence, as a colleague at the next table would say it."""

from lofty_press.core.effects import BladeContact
from lofty_press.core.findings.codes import TRAITS
from lofty_press.core.findings.finding import Finding
from lofty_press.core.nip import Nip
from lofty_press.core.stack import StackView
from lofty_press.core.verdict import Verdict
from lofty_press.core.words import Message, in_ten, say, thickness


def likely_to_break(verdict: Verdict) -> Message | None:
    """That a sheet which is pressed right cracks or tears, where it does so often; else None."""
    breaks = verdict.good.likely_to_break
    if verdict.zone != "right" or breaks is None:
        return None
    chance = in_ten(verdict.good.breaks)
    return say("Likely to crack ({chance})", chance=chance) if breaks == "cracks" else say("Likely to tear ({chance})", chance=chance)


def sentence_for(view: StackView, nip: Nip, verdict: Verdict | None, blade: BladeContact | None, findings: tuple[Finding, ...]) -> Message:
    """One sentence; a stop that the pressure alone does not show speaks before the pressure."""
    if not view.layers:
        return say("An empty bench. Put a bed down and start.")
    stops = [f for f in findings if f.severity == "stop"]
    partly = next((f for f in findings if f.code == "not-everywhere"), None)
    if verdict is None:
        return stops[0].what if stops else say("Not enough here to judge yet.")
    overlap = next((f for f in stops if f.code == "tools-overlap"), None)  # it is what makes the pile too thick
    if overlap is not None:
        return overlap.what
    if verdict.zone != "refuses":
        loud = next((f for f in stops if TRAITS[f.code].speaks_first), None)
        if loud is not None:
            return loud.what
        if partly is not None:
            return partly.what
    tool = view.tool.name if view.tool else say("this tool")
    sheet = view.sheet.name if view.sheet else say("this sheet")
    cutting = view.sandwich.effect.traits.cuts and blade is not None
    breaks = likely_to_break(verdict)
    if breaks is not None:
        return say("{verb}: {tool} on {sheet}.", verb=breaks, tool=tool, sheet=sheet)
    if verdict.zone == "right":
        verb = say("Cuts clean") if cutting else say("Firm, and right")
        return say("{verb}: {tool} on {sheet}.", verb=verb, tool=tool, sheet=sheet)
    if verdict.zone == "refuses":
        return (
            say("It will not feed: {interference} over the opening.", interference=thickness(nip.interference))
            if not nip.bites
            else say("Too hard to turn: take a layer out.")
        )
    if verdict.zone == "hard":
        return say("Feeds, but presses {sheet} too hard.", sheet=sheet)
    if verdict.zone == "faint":
        uncut = any(f.code == "part-cut" for f in findings)
        return (
            say("{tool} will not cut {sheet} through.", tool=tool, sheet=sheet)
            if cutting and uncut
            else say("Faint: {tool} needs more than this on {sheet}.", tool=tool, sheet=sheet)
        )
    return (
        say("Slack by {interference}: nothing touches.", interference=thickness(-nip.interference))
        if nip.interference < 0
        else say("It touches, but leaves no mark.")
    )
