"""The assessment of a sandwich: the core's one front door."""

import math
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field, replace

from lofty_press.core.basics.words import Message
from lofty_press.core.judging.findings import RULES, SEVERITIES, Evidence, Finding, Judgement, judgement_for
from lofty_press.core.judging.orientation import Orientation, orientation_of
from lofty_press.core.judging.verdict import (
    Good,
    Sweep,
    Verdict,
    judge,
    minded,
    pressure_within,
    shares_of,
    stretch_of,
    sweep,
    variance_parts,
)
from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.mechanics.forming import Closing, FormingSummary, as_deep_as_known, closing_of, cut_at, full_nip, summary_at
from lofty_press.core.mechanics.needs import Need, need_of
from lofty_press.core.mechanics.nip import Exact, Nip, build_field, refined, solve_nip
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Edit, Sandwich, StackView, Wish, check_sandwich

BREAKING = ("cracks", "tears", "crack-risk")
"""Findings that come first among their like where the sentence is about them."""
Certainty = Callable[[StackView, Sweep, Verdict, Library], Verdict]
"""Says how sure a verdict is, and what makes it surer, by more than the spreads that stand on its things."""


@dataclass(frozen=True)
class Assessment:
    """Everything the core has to say about one sandwich.

    `verdict` is None while the sandwich has no sheet, no tool, or a tool that cannot give the effect; `judgement` is the sentence over all of it.
    `curve` is what more or less thickness would do, and `free_height` the pile's largest free thickness [mm]. `forming` tells what becomes of the sheet: computed if a result was at hand,
    else estimated.
    """

    sandwich: Sandwich
    judgement: Judgement
    verdict: Verdict | None
    curve: Sweep
    nip: Nip
    blade: BladeContact | None
    orientation: Orientation
    findings: tuple[Finding, ...]
    free_height: float
    forming: FormingSummary | None
    library: Library = field(default=no_library, repr=False, compare=False)
    certainty: Certainty | None = field(default=None, repr=False, compare=False)

    @property
    def sentence(self) -> Message:
        """The judgement in one sentence."""
        return self.judgement.sentence

    @property
    def within(self) -> float:
        """Relative standard deviation of the pressure at the work, by all that it hangs on. [1]"""
        v = self.verdict
        if v is None:
            return 0.0
        thickness = math.sqrt(sum(variance_parts(StackView(self.sandwich)).values())) if self.certainty is None else v.spread
        return pressure_within(StackView(self.sandwich), self.nip, self.curve, thickness)

    @property
    def good(self) -> Good | None:
        """The one chance of a good sheet; None where nothing is judged, and where something is wrong whatever the sheet may be."""
        return None if self.verdict is None or any(f.spoils for f in self.findings) else self.verdict.good

    def again(self, sandwich: Sandwich) -> "Assessment":
        """The judgement of another sandwich, with the same maps and the same knowledge at hand."""
        return assess(sandwich, self.library, certainty=self.certainty)


@dataclass(frozen=True, eq=False)
class Pressed:
    """A sandwich between the rollers, before it is judged: how it closes, its nip, what its work needs (None where no work is done), and the `curve` of what
    more or less thickness would do."""

    view: StackView
    closing: Closing
    nip: Nip
    need: Need | None
    curve: Sweep


def put_between_rollers(sandwich: Sandwich, library: Library = no_library, exact: Exact | None = None) -> Pressed:
    """Compute what a sandwich is judged by; arguments and errors as of `assess`."""
    check_sandwich(sandwich)
    view = StackView(sandwich)
    closing = closing_of(view, library)
    nip = solve_nip(build_field(view, closing.blade, closing.interface, library), view.press)
    if exact is not None:
        nip = refined(nip, exact)
    need = need_of(view, closing)
    return Pressed(view, closing, nip, need, sweep(nip, view.press, () if need is None else (need.mark, need.right, need.hard)))


def assess(
    sandwich: Sandwich,
    library: Library = no_library,
    formed: FormingSummary | None = None,
    *,
    exact: Exact | None = None,
    certainty: Certainty | None = None,
) -> Assessment:
    """Judge a sandwich.

    Parameters
    ----------
    sandwich : Sandwich
    library : callable
        Finds the relief maps of its tools; where there is none, plain ridges of the tool's own figures stand in, and a blade follows its
        die's outline.
    formed : FormingSummary or None
        What the full computation of the same sandwich found; None if there is none yet, then it is estimated.
    exact : Exact or None
        Its full nip, if that is at hand without the sheet's; `formed` brings its own along.
    certainty : callable or None
        How sure the verdict is where a whole press room is known; None where it follows from each thing's own spread.

    Returns
    -------
    Assessment

    Raises
    ------
    InvalidInput
        If parts of the sandwich contradict one another; names the field.
    NoBalance
        If the rollers' force balance does not close, with its residual.
    """
    pressed = put_between_rollers(sandwich, library, exact or full_nip(formed))
    view, closing, nip, need, curve = pressed.view, pressed.closing, pressed.nip, pressed.need, pressed.curve
    formed = None if formed is None else as_deep_as_known(formed, view)
    verdict = (
        None
        if need is None
        else judge(
            view,
            need,
            curve,
            shares_of(nip, need, minded(sandwich.effect.traits, sandwich.passes)),
            stretch_of(view, closing, curve, formed),
        )
    )
    if verdict is not None and certainty is not None:
        verdict = certainty(view, curve, verdict, library)
    orientation = orientation_of(view, closing.blade)
    forming = formed
    if forming is None and verdict is not None and nip.bites:  # what does not go in becomes nothing
        forming = summary_at(view, closing, verdict.pressure) or cut_at(nip, closing, sandwich.passes)
    evidence = Evidence(view, nip, closing, need, curve, verdict, orientation, forming)
    found = collect(evidence)
    judgement = judgement_for(view, nip, verdict, closing.blade, found)
    found = tuple(sorted(found, key=lambda one: (SEVERITIES.index(one.severity), one.what != judgement.sentence)))
    free_height = float(nip.field.columns.shut.max(initial=0.0))
    return Assessment(sandwich, judgement, verdict, curve, nip, closing.blade, orientation, found, free_height, forming, library, certainty)


def collect(evidence: Evidence) -> tuple[Finding, ...]:
    """What all rules find, in order of importance; a thing said of a layer once is not said of it again, and no fix is proposed twice."""
    first: dict[tuple[str, str | None], Finding] = {}
    for rule in RULES:
        for finding in rule(evidence):
            first.setdefault((finding.code, finding.layer), finding)
    verdict = evidence.verdict
    headline = verdict is not None and verdict.zone == "right" and verdict.good.likely_to_break is not None
    ordered = sorted(first.values(), key=lambda f: (SEVERITIES.index(f.severity), not (headline and f.code in BREAKING)))
    return tuple(said_once(ordered))


def said_once(findings: Iterable[Finding]) -> Iterator[Finding]:
    """Findings without the fixes that one before them proposes; advice of which nothing is left then goes."""
    proposed: list[tuple[Edit | Wish, ...]] = []
    for finding in findings:
        if finding.fix is None or finding.fix.edits not in proposed:
            proposed += [finding.fix.edits] if finding.fix is not None else []
            yield finding
        elif finding.severity != "advise":
            yield replace(finding, fix=None)
