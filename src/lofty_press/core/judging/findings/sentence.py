"""The judgement in one sentence, as a colleague at the next table would say it."""

from dataclasses import dataclass

from lofty_press.core.basics.words import ALMOST, FIRM, LIKELY, Message, in_ten, say, thickness
from lofty_press.core.judging.findings.claims import Claim
from lofty_press.core.judging.findings.codes import TRAITS
from lofty_press.core.judging.findings.finding import Finding
from lofty_press.core.judging.verdict import Spoil, Verdict, Zone
from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.mechanics.nip import Nip
from lofty_press.core.sandwich.stack import StackView

EVEN_ODDS = 0.5
BROKEN: dict[Spoil, Message] = {
    "cracks": say("Likely to crack"),
    "tears": say("Likely to tear"),
    "buckles": say("Likely to buckle"),
}
MAY: dict[Spoil, Message] = {
    **BROKEN,
    "too thin": say("May come out faint"),
    "too hard": say("May be pressed too hard"),
    "does not feed": say("May jam"),
    "uneven": say("May come out uneven"),
}
MAY_NOT_CUT: dict[Spoil, Message] = {
    **MAY,
    "too thin": say("May not cut through"),
    "uneven": say("May stay uncut in places"),
}
"""What is said of a pile where the chance is neither one way nor the other, by what spoils the sheet."""
SPOILED_BY: dict[Zone, Spoil] = {"slack": "too thin", "faint": "too thin", "hard": "too hard", "refuses": "does not feed"}


def likely_to_break(verdict: Verdict) -> Message | None:
    """That a sheet which is pressed right cracks, tears or buckles, where it does so often; else None."""
    breaks = verdict.good.likely_to_break
    if verdict.zone != "right" or breaks is None:
        return None
    return with_chance(BROKEN[breaks], verdict.good.breaks)


def unsure(verdict: Verdict, *, cutting: bool) -> Message | None:
    """What may go wrong, where it is likely neither that it does nor that it does not; None where one of the two is likely."""
    good, right = verdict.good, verdict.zone == "right"
    spoil = good.worst if right else SPOILED_BY[verdict.zone]
    if (good.chance if right else good.parts[spoil]) >= LIKELY:
        return None
    if good.parts[spoil] >= LIKELY:  # pressed right on the whole, and hardly anywhere
        uneven = say("Likely to stay uncut in places") if cutting else say("Likely to come out uneven")
        return with_chance(uneven, good.parts[spoil])
    return with_chance((MAY_NOT_CUT if cutting else MAY)[spoil], good.parts[spoil])


def with_chance(what: Message, chance: float) -> Message:
    """What may happen, and how often in ten."""
    return say("{what} ({chance})", what=what, chance=in_ten(chance))


@dataclass(frozen=True)
class Judgement:
    """The sentence over a pile, and what it claims."""

    sentence: Message
    claims: tuple[Claim, ...] = ()

    @classmethod
    def of(cls, finding: Finding) -> "Judgement":
        """A finding that speaks first."""
        return cls(finding.what, finding.claims)


def judgement_for(
    view: StackView, nip: Nip, verdict: Verdict | None, blade: BladeContact | None, findings: tuple[Finding, ...]
) -> Judgement:
    """One sentence; what is wrong whatever the pressure may be speaks before it."""
    if not view.layers:
        return Judgement(say("An empty bench. Start with a bed."))
    stops = [f for f in findings if f.severity == "stop"]
    if verdict is None:
        return Judgement.of(stops[0]) if stops else Judgement(say("Not enough here to judge yet."))
    first = speaks_first(verdict, stops, findings)
    if first is not None:
        return Judgement.of(first)
    cutting = view.sandwich.effect.traits.cuts and blade is not None
    named = Named(view.tool.name if view.tool else say("this tool"), view.sheet.name if view.sheet else say("this sheet"), cutting)
    may_fail = of_odds(named, verdict)
    if may_fail is not None:
        return may_fail
    if verdict.zone == "right":
        return of_right(named, verdict)
    sure = verdict.good.parts[SPOILED_BY[verdict.zone]] >= ALMOST
    if verdict.zone == "refuses":
        return of_refusing(nip, sure)
    if verdict.zone == "hard":
        hard = say("Feeds, but presses {sheet} too hard.", sheet=named.sheet)
        likely = say("Feeds, but likely presses {sheet} too hard.", sheet=named.sheet)
        return Judgement(hard if sure else likely, ("feeds", "too hard"))
    if verdict.zone == "faint":
        return of_faint(named, sure, uncut=cutting and any(f.code == "part-cut" for f in findings))
    loose = say("Too loose by {interference}: nothing touches.", interference=thickness(-nip.interference))
    return Judgement(loose if nip.interference < 0 else say("It touches, but leaves no mark."), ("no mark",))


@dataclass(frozen=True)
class Named:
    """What a judgement is of: the tool and the sheet by their names, and whether the tool is to cut."""

    tool: str
    sheet: str
    cutting: bool

    def says(self, verb: Message) -> Message:
        """The usual sentence: what happens, by what, on what."""
        return say("{verb}: {tool} on {sheet}.", verb=verb, tool=self.tool, sheet=self.sheet)


def of_odds(named: Named, verdict: Verdict) -> Judgement | None:
    """Of a pile that may well fail although its pressure is right; None if the zone alone decides."""
    breaks = likely_to_break(verdict)
    if breaks is not None:
        claim: Claim = "breaks" if verdict.good.breaks >= EVEN_ODDS else "may break"
        return Judgement(named.says(breaks), (claim,))
    uncertain = unsure(verdict, cutting=named.cutting)
    return None if uncertain is None else Judgement(named.says(uncertain))


def of_right(named: Named, verdict: Verdict) -> Judgement:
    sure = verdict.good.chance >= FIRM
    if named.cutting:
        return Judgement(named.says(say("Cuts clean") if sure else say("Likely to cut clean")), ("right", "cuts"))
    return Judgement(named.says(say("Firm, and right") if sure else say("Likely right")), ("right",))


def of_refusing(nip: Nip, sure: bool) -> Judgement:
    if nip.bites:
        return Judgement(say("Too hard to crank: take a layer out."), ("will not turn", "wants less"))
    over = thickness(nip.interference)
    wont, likely = say("Won't feed: {over} over the opening.", over=over), say("Likely won't feed: {over} over the opening.", over=over)
    return Judgement(wont if sure else likely, ("will not feed", "wants less"))


def of_faint(named: Named, sure: bool, *, uncut: bool) -> Judgement:
    tool, sheet = named.tool, named.sheet
    if uncut:
        wont, unlikely = (
            say("{tool} won't cut through {sheet}.", tool=tool, sheet=sheet),
            say("{tool} is unlikely to cut through {sheet}.", tool=tool, sheet=sheet),
        )
        return Judgement(wont if sure else unlikely, ("does not cut",))
    faint = say("Faint: {tool} needs more pressure on {sheet}.", tool=tool, sheet=sheet)
    likely = say("Likely faint: {tool} needs more pressure on {sheet}.", tool=tool, sheet=sheet)
    return Judgement(faint if sure else likely, ("faint",))


def speaks_first(verdict: Verdict, stops: list[Finding], findings: tuple[Finding, ...]) -> Finding | None:
    """What is said of a pile before how hard it is pressed."""
    overlap = next((f for f in stops if f.code == "tools-overlap"), None)  # it is what makes the pile too thick
    if overlap is not None or verdict.zone == "refuses":
        return overlap
    loud = next((f for f in stops if TRAITS[f.code].speaks_first), None) or next((f for f in findings if f.code == "not-everywhere"), None)
    if loud is not None or verdict.zone != "right":
        return loud
    return next((f for f in findings if f.spoils), None)
