"""The assessment as it leaves the core: in JSON, for the page and for the command line."""

from typing import Literal

from pydantic import BaseModel, ConfigDict

from lofty_press.core.judging import assess as core
from lofty_press.core.judging.findings import Claim, Severity
from lofty_press.core.judging.offers import offers
from lofty_press.core.judging.orientation import Face, InkLanding
from lofty_press.core.judging.variants import variants_of
from lofty_press.core.judging.verdict import Lack, Part, zones
from lofty_press.core.mechanics.forming import FormingSummary
from lofty_press.core.sandwich.stack import Edit, ItemKind, StackView, Supply, kinds_next, nothing_on_the_shelf
from lofty_press.documents.answers.good import GoodDocument, describe_good
from lofty_press.documents.answers.suggestion import OfferDocument, describe_offers
from lofty_press.documents.answers.words import Words


class Document(BaseModel):
    """Base of all answers."""

    model_config = ConfigDict(extra="forbid")


class FindingDocument(Document):
    """One call, what it claims as data, and whether it proposes a fix; whether that helps is judged apart."""

    code: str
    severity: Severity
    what: Words
    why: Words
    layer: str | None
    mendable: bool
    claims: list[Claim]


class NeedDocument(Document):
    """Pressures at the work at which the effect begins, is right, and is overdone [MPa]."""

    mark_mpa: float
    right_mpa: float
    hard_mpa: float
    why: Words


class MarginDocument(Document):
    """Distance to the neighbouring verdicts, in thickness [mm] and in whole sheets of the shim at hand."""

    shim: Words
    shim_mm: float
    thinner_mm: float | None
    thicker_mm: float | None
    sheets_less: int | None
    less_is: zones.Zone | None
    sheets_more: int | None
    more_is: zones.Zone | None


class MeasureDocument(Document):
    """A layer (or "press") worth measuring, and how sure the verdict would be after it."""

    what: str
    name: Words
    sure_after: float


class WorkPartDocument(Document):
    """A part of the work that is not right: why, its share of the work, where it lies, and the rectangle on the bed around it [mm]: along the
    feed from and to, across it from and to."""

    lack: Lack
    share: float
    where: Words
    around_mm: tuple[float, float, float, float]


class VerdictDocument(Document):
    """The judgement; the pressure is known to the share `pressure_within` (standard deviation), `right_share` of the work is right, and `parts` are not. `good` is missing where something is wrong whatever the sheet may
    be."""

    zone: zones.Zone
    pressure_mpa: float
    pressure_within: float
    need: NeedDocument
    borders_mm: list[float | None]
    spread_mm: float
    chances: dict[zones.Zone, float]
    sure: float
    good: GoodDocument | None
    margin: MarginDocument
    measure: list[MeasureDocument]
    right_share: float
    parts: list[WorkPartDocument]


class NipDocument(Document):
    """The nip: how far over the opening, what the press gives, what the drive has to do. `full` if it is the full computation; the pressure at the
    work may be off by the share `off_by`, the rollers' force by `force_off_by`."""

    full: bool
    off_by: float
    force_off_by: float

    opening_mm: float
    free_height_mm: float
    interference_mm: float
    bites_up_to_mm: float
    bites: bool
    force_n: float
    handle_n: float
    give_mm: float
    tilt_mm: float
    half_width_mm: float


class TraceDocument(Document):
    """Along the crank: position of the nip on the bed [mm], force [N], force at the handle [N]."""

    x_mm: list[float]
    force_n: list[float]
    handle_n: list[float]


class MapDocument(Document):
    """Highest pressure at each point; `pressure_mpa[i][j]` belongs to `x_mm[i]`, `y_mm[j]`."""

    x_mm: list[float]
    y_mm: list[float]
    pressure_mpa: list[list[float]]


class CutDocument(Document):
    """What the blade does at the pile's own pressure: line load now and needed [N/mm], share of the sheet's thickness that it goes through [1]."""

    backing: Literal["hard", "soft", "none"]
    behind: str | None
    load_n_per_mm: float
    cut_n_per_mm: float
    depth_share: float


class FormingDocument(Document):
    """What becomes of the sheet. From the full computation, or an estimate whose crack index may be off by the factor `off_by`."""

    estimate: bool
    off_by: float
    retained_share: float | None
    crack_index: float | None
    tear_index: float | None
    buckle_index: float | None
    cut_share: float | None


class OrientationDocument(Document):
    """How the sheet comes out, what the blade points at, and which part of the front takes ink; null where the question does not arise."""

    raised_face: Face | None
    front_look: Literal["raised", "sunk"] | None
    words_from_front: bool | None
    blade_points: Literal["up", "down"] | None
    blade_meets: Words | None
    ink_lands: InkLanding | None


class VariantDocument(Document):
    """A change that people ask about, to be seen beside the sandwich as it is."""

    key: str
    name: Words
    here: Words
    there: Words
    edits: list[Edit]


class AssessmentDocument(Document):
    """The whole assessment of a sandwich."""

    sentence: Words
    verdict: VerdictDocument | None
    nip: NipDocument
    trace: TraceDocument
    pressure_map: MapDocument | None
    cut: CutDocument | None
    forming: FormingDocument | None
    orientation: OrientationDocument
    findings: list[FindingDocument]
    next_kinds: list[ItemKind]
    variants: list[VariantDocument]


class AssessmentWithFixes(AssessmentDocument):
    """The same, with the fixes that help."""

    fixes: list[OfferDocument]


def finite(values: tuple[float, ...]) -> list[float | None]:
    """JSON has no infinity: None stands for "never"."""
    return [round(v, 4) if abs(v) < 1e6 else None for v in values]


def describe_part(part: Part) -> WorkPartDocument:
    """A part of the work that is not right, as a document."""
    low_x, high_x, low_y, high_y = (round(edge, 1) for edge in part.around)
    return WorkPartDocument(lack=part.lack, share=round(part.share, 4), where=part.where, around_mm=(low_x, high_x, low_y, high_y))


def chances_in(verdict: zones.Verdict) -> dict[zones.Zone, float]:
    """The chance of each zone, to four digits. [1]"""
    return {zone: round(chance, 4) for zone, chance in verdict.chances.items()}


def describe_verdict(verdict: zones.Verdict, within: float, good: GoodDocument | None = None) -> VerdictDocument:
    """The verdict as a document."""
    need, margin = verdict.need, verdict.margin
    return VerdictDocument(
        zone=verdict.zone,
        pressure_mpa=round(verdict.pressure, 3),
        pressure_within=round(within, 4),
        need=NeedDocument(mark_mpa=round(need.mark, 3), right_mpa=round(need.right, 3), hard_mpa=round(need.hard, 3), why=need.why),
        borders_mm=finite(verdict.bounds),
        spread_mm=round(verdict.spread, 4),
        chances=chances_in(verdict),
        sure=round(verdict.sure, 4),
        good=good,
        margin=MarginDocument.model_validate(margin, from_attributes=True),
        measure=[MeasureDocument(what=m.what, name=m.name, sure_after=round(m.sure_after, 4)) for m in verdict.measure],
        right_share=round(verdict.shares.right, 4),
        parts=[describe_part(part) for part in verdict.shares.parts],
    )


def describe_forming(forming: FormingSummary | None) -> FormingDocument | None:
    """What forming does as a document."""
    if forming is None:
        return None

    def rounded(value: float | None) -> float | None:
        return None if value is None else round(value, 3)

    return FormingDocument(
        estimate=forming.estimate,
        off_by=forming.off_by,
        retained_share=rounded(forming.retained_share),
        crack_index=rounded(forming.crack),
        tear_index=rounded(forming.tear),
        buckle_index=rounded(forming.buckle),
        cut_share=rounded(forming.cut_share),
    )


def describe(assessment: core.Assessment, *, with_map: bool = False) -> AssessmentDocument:
    """An assessment as a document; the pressure map is large and only there when asked for."""
    nip, blade, verdict = assessment.nip, assessment.blade, assessment.verdict
    press = StackView(assessment.sandwich).press
    pressure_map = None
    if with_map:
        rounded = nip.pressure.round(3).tolist()
        pressure_map = MapDocument(x_mm=nip.field.x.round(2).tolist(), y_mm=nip.field.y.round(2).tolist(), pressure_mpa=rounded)
    cut = None
    if blade is not None and verdict is not None and nip.bites:
        behind = blade.behind.name if blade.behind else None
        load = blade.line_load(verdict.pressure)
        cut = CutDocument(
            backing=blade.backing,
            behind=behind,
            load_n_per_mm=round(load, 2),
            cut_n_per_mm=round(blade.cut_load, 2),
            depth_share=round(blade.depth_share(verdict.pressure), 3),
        )
    return AssessmentDocument(
        sentence=assessment.sentence,
        verdict=None if verdict is None else describe_verdict(verdict, assessment.within, describe_good(assessment)),
        nip=NipDocument(
            full=nip.exact is not None,
            off_by=nip.off_by,
            force_off_by=nip.force_off_by,
            opening_mm=press.opening.mm,
            free_height_mm=round(assessment.free_height, 3),
            interference_mm=round(nip.interference, 3),
            bites_up_to_mm=round(nip.bites_up_to, 3),
            bites=nip.bites,
            force_n=round(nip.peak_force, 1),
            handle_n=round(nip.peak_handle, 1),
            give_mm=round(float(nip.give.max(initial=0.0)), 4),
            tilt_mm=round(float(abs(nip.tilt).max(initial=0.0)) * press.feed_width_mm, 4),
            half_width_mm=round(nip.contact, 3),
        ),
        trace=TraceDocument(x_mm=nip.field.x.round(1).tolist(), force_n=nip.force.round(1).tolist(), handle_n=nip.handle.round(2).tolist()),
        pressure_map=pressure_map,
        cut=cut,
        forming=describe_forming(assessment.forming),
        orientation=OrientationDocument(**vars(assessment.orientation)),
        findings=[
            FindingDocument(
                code=f.code,
                severity=f.severity,
                what=f.what,
                why=f.why,
                layer=f.layer,
                mendable=f.fix is not None,
                claims=list(f.claims),
            )
            for f in assessment.findings
        ],
        next_kinds=list(kinds_next(StackView(assessment.sandwich))),
        variants=[
            VariantDocument(key=one.key, name=one.name, here=one.here, there=one.there, edits=list(one.edits))
            for one in variants_of(assessment.sandwich)
        ],
    )


def describe_with_fixes(
    assessment: core.Assessment, supply: Supply = nothing_on_the_shelf, *, with_map: bool = False
) -> AssessmentWithFixes:
    """An assessment with the fixes that help as a document; what they put in comes from `supply`."""
    fixes = describe_offers(offers(assessment, supply), assessment.sandwich, supply)
    return AssessmentWithFixes(**dict(describe(assessment, with_map=with_map)), fixes=fixes)
