"""The assessment of a sandwich: the core's one front door."""

from dataclasses import dataclass

from lofty_press.core.effects.blade import BladeContact, blade_contact
from lofty_press.core.effects.needs import need_of, state_of_sheet
from lofty_press.core.findings.finding import SEVERITIES, Evidence, Finding
from lofty_press.core.findings.rules import RULES
from lofty_press.core.findings.sentence import sentence_for
from lofty_press.core.forming.estimate import FormingSummary, estimate_forming
from lofty_press.core.nip.columns import build_field
from lofty_press.core.nip.solve import Nip, solve_nip
from lofty_press.core.orientation import Orientation, orientation_of
from lofty_press.core.stack.check import check_sandwich
from lofty_press.core.stack.edits import apply_edits
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.core.stack.typical import Supply
from lofty_press.core.stack.view import StackView
from lofty_press.core.verdict.shares import shares_of
from lofty_press.core.verdict.sweep import sweep
from lofty_press.core.verdict.zones import Verdict, judge


@dataclass(frozen=True)
class Assessment:
    """Everything the core has to say about one sandwich.

    `verdict` is None while the sandwich has no sheet, no tool, or a tool that cannot give the effect; `sentence` says so.
    `free_height` is the pile's largest free thickness [mm]. `forming` tells what becomes of the sheet: computed if a result was at hand,
    else estimated.
    """

    sandwich: Sandwich
    sentence: str
    verdict: Verdict | None
    nip: Nip
    blade: BladeContact | None
    orientation: Orientation
    findings: tuple[Finding, ...]
    free_height: float
    forming: FormingSummary | None


def assess(sandwich: Sandwich, formed: FormingSummary | None = None) -> Assessment:
    """Judge a sandwich.

    Parameters
    ----------
    sandwich : Sandwich
    formed : FormingSummary or None
        What the full computation of the same sandwich found; None if there is none yet, then it is estimated.

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
    check_sandwich(sandwich)
    view = StackView(sandwich)
    blade = blade_contact(view)
    field = build_field(view, blade)
    nip = solve_nip(field, view.press, blade)
    need = need_of(view, blade)
    targets = () if need is None else (need.mark, need.right, need.hard)
    curve = sweep(field, view.press, blade, targets)
    verdict = None if need is None else judge(view, need, curve, shares_of(nip, need))
    state = state_of_sheet(view)
    orientation = orientation_of(view, blade)
    forming = formed or (estimate_forming(view, state, verdict.pressure) if state and verdict else None)
    evidence = Evidence(view, nip, blade, need, state, curve, verdict, orientation, forming)
    found = collect(evidence)
    sentence = sentence_for(view, nip, verdict, blade, found)
    free_height = float(field.columns.free.max(initial=0.0))
    return Assessment(sandwich, sentence, verdict, nip, blade, orientation, found, free_height, forming)


def collect(evidence: Evidence) -> tuple[Finding, ...]:
    """What all rules find, in order of importance; a thing said of a layer once is not said of it again."""
    first: dict[tuple[str, str | None], Finding] = {}
    for rule in RULES:
        for finding in rule(evidence):
            first.setdefault((finding.code, finding.layer), finding)
    return tuple(sorted(first.values(), key=lambda f: SEVERITIES.index(f.severity)))


@dataclass(frozen=True)
class Preview:
    """What a finding's fix would lead to."""

    code: str
    layer: str | None
    label: str
    after: Assessment


def preview_fixes(assessment: Assessment, supply: Supply, *, most: int = 8) -> tuple[Preview, ...]:
    """Carry out each finding's fix by itself and judge the result."""
    previews: list[Preview] = []
    for finding in assessment.findings:
        if finding.fix is not None and len(previews) < most:
            after = assess(apply_edits(assessment.sandwich, finding.fix.edits, supply))
            previews.append(Preview(finding.code, finding.layer, finding.fix.label, after))
    return tuple(previews)
