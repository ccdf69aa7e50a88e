"""Bare layer lists with closings, and the nip that the model finds for them: a form in which any two models can be compared."""

from typing import Annotated, Any

from annotated_types import Ge, Gt, Le, Len
from pydantic import BaseModel, ConfigDict, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.quantities import Count, LayerThickness, Modulus, Name, Number
from lofty_press.core.basics.words import say, size
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.mechanics.layered import MOST_LAYERS, WORK, Layer, Line, LineTable, line_table
from lofty_press.core.mechanics.nip import Place, lever_of, middle_and_worst, place_at
from lofty_press.core.sandwich.stack import StackView
from lofty_press.documents.answers.refusal import invalid

MOST_PILES = 2000
LARGEST_FILE = 24_000_000  # bytes

Closing = Annotated[Number, Ge(0), Le(20)]
Pair = tuple[float, float]


class Strict(BaseModel):
    model_config = ConfigDict(extra="ignore", allow_inf_nan=False, frozen=True)


class LayerRow(Strict):
    """One layer: Young's modulus and Poisson's ratio of an isotropic material."""

    name: Name
    thickness_mm: LayerThickness
    modulus_mpa: Modulus
    poisson: Annotated[Number, Ge(0), Le(0.5)]


class GivenNip(Strict):
    """By how much the rollers are closer than the pile is thick."""

    closing_mm: Closing


class GivenPile(Strict):
    """Layers from the bottom up, the sheet's index among them, and the closings that are asked for."""

    kind: Name = "pile"
    roller_radius_mm: Annotated[Number, Gt(0), Le(500)]
    layers_bottom_up: Annotated[tuple[LayerRow, ...], Len(1, MOST_LAYERS)]
    sheet_index: Annotated[Count, Ge(0)]
    nips: Annotated[tuple[GivenNip, ...], Len(1, 100)]


class GivenPiles(Strict):
    """The whole file; fields beyond these are left alone."""

    piles: Annotated[tuple[GivenPile, ...], Len(1, MOST_PILES)]


class FoundNip(BaseModel):
    """State of the nip per width of roller, at a rigid frame; pairs are upper roller, lower roller."""

    closing_mm: float
    line_load_n_per_mm: float
    roller_peak_mpa: Pair
    half_width_mm: Pair
    sheet_peak_mpa: float
    sheet_fwhm_mm: float


class PlaceDocument(FoundNip):
    """One place of a sandwich's work: its layers, and how they alone stand under the load that acts there. Besides them the interface of sheet and
    tool has closed by `interface_mm`, and with it the sheet gets `sheet_pressure_mpa`."""

    x_mm: float
    y_mm: float
    layers_bottom_up: tuple[LayerRow, ...]
    sheet_index: int | None
    interface_mm: float
    sheet_pressure_mpa: float


class EnergyDocument(BaseModel):
    """Where the work of a whole pass goes: lost in the pile, taken by the interface (cutting, forming), lost in the bearings; their sum is what the
    handle does against losses. `stored_most` is what press and piles hold at most, and give back. [N mm]"""

    pile_n_mm: float
    interface_n_mm: float
    bearings_n_mm: float
    handle_n_mm: float
    stored_most_n_mm: float


class NipDocument(BaseModel):
    """A sandwich's nip: in the middle of its work and where the work gets least, and over the whole pass. `full` if the sheet's pressures, shares
    and force are the full computation's; the pressure at the work may be off by the share `off_by`, the force by `force_off_by`."""

    full: bool
    off_by: float
    force_off_by: float

    middle: PlaceDocument
    worst: PlaceDocument
    roller_radius_mm: float
    force_n: float
    handle_n: float
    frame_gives_mm: float
    rollers_bend_mm: float
    shares: dict[str, float]
    energy: EnergyDocument


class FoundPile(BaseModel):
    """A pile with its nips."""

    kind: str
    roller_radius_mm: float
    layers_bottom_up: tuple[LayerRow, ...]
    sheet_index: int
    nips: list[FoundNip]


class FoundPiles(BaseModel):
    """All of them, in the order in which they were given."""

    piles: list[FoundPile]


def read_piles(text: bytes) -> GivenPiles:
    """Read a file of piles.

    Raises
    ------
    InvalidInput
        Naming the field that will not do.
    """
    if len(text) > LARGEST_FILE:
        raise InvalidInput("file", len(text), say("is over {largest_file} MB", largest_file=LARGEST_FILE // 1_000_000))
    try:
        return GivenPiles.model_validate_json(text)
    except ValidationError as error:
        raise invalid(error, "file") from error


def find_nips(given: GivenPiles) -> FoundPiles:
    """Solve every pile; one that cannot be computed is refused by its number and field."""
    return FoundPiles(piles=[find_pile(number, pile) for number, pile in enumerate(given.piles)])


def find_pile(number: int, given: GivenPile) -> FoundPile:
    layers = [Layer(row.name, row.thickness_mm, row.modulus_mpa, row.poisson) for row in given.layers_bottom_up]
    most = max(nip.closing_mm for nip in given.nips)
    try:
        table = line_table(layers, given.sheet_index, given.roller_radius_mm, max(most, 1e-3))
    except InvalidInput as error:
        raise InvalidInput(f"piles.{number}.{error.field}", error.value, error.requirement) from error
    return FoundPile(
        kind=given.kind,
        roller_radius_mm=given.roller_radius_mm,
        layers_bottom_up=given.layers_bottom_up,
        sheet_index=given.sheet_index,
        nips=[found_nip(table, nip.closing_mm, f"piles.{number}.nips.{n}") for n, nip in enumerate(given.nips)],
    )


def found_nip(table: LineTable, closing: float, where: str) -> FoundNip:
    if closing > table.reaches:
        raise InvalidInput(
            f"{where}.closing_mm",
            closing,
            say("must be at most {reaches}; past it the outer layer wraps around its roller", reaches=size(table.reaches, 3)),
        )
    return FoundNip(**rounded(table.at(closing)))


def rounded(line: Line) -> dict[str, Any]:
    """Fields of a nip's state, to digits that mean something."""
    return {
        "closing_mm": line.closing,
        "line_load_n_per_mm": round(line.load, 5),
        "roller_peak_mpa": (round(line.roller_peak[0], 4), round(line.roller_peak[1], 4)),
        "half_width_mm": (round(line.half_width[0], 4), round(line.half_width[1], 4)),
        "sheet_peak_mpa": round(line.sheet_peak, 5),
        "sheet_fwhm_mm": round(line.sheet_fwhm, 3),
    }


def describe_nip(assessment: Assessment) -> NipDocument:
    """A sandwich's nip as a document."""
    view, nip = StackView(assessment.sandwich), assessment.nip
    middle, worst = middle_and_worst(nip)
    shares = {} if assessment.verdict is None else {"right": assessment.verdict.shares.right}
    shares |= {} if assessment.verdict is None else {part.lack: part.share for part in assessment.verdict.shares.parts}
    at, rows, step, press = nip.field.row_of, nip.rows, nip.field.step, view.press
    turned = step / press.roller_radius_mm
    interface = float((rows.channel(WORK)[at]).sum() * rows.width * step)
    bearings = float(press.bearing_drag_mm * nip.force.sum() * turned)
    handle = float(nip.turning.steady[nip.turning.inside].sum() * turned * lever_of(press))
    return NipDocument(
        full=nip.exact is not None,
        off_by=nip.off_by,
        force_off_by=nip.force_off_by,
        middle=describe_place(place_at(view, nip, *middle)),
        worst=describe_place(place_at(view, nip, *worst)),
        roller_radius_mm=press.roller_radius_mm,
        force_n=round(nip.peak_force, 2),
        handle_n=round(nip.peak_handle, 3),
        frame_gives_mm=round(float(nip.give.max(initial=0.0)), 5),
        rollers_bend_mm=round(float(rows.gone[:, 2].max(initial=0.0)), 5),
        shares={name: round(share, 4) for name, share in shares.items()},
        energy=EnergyDocument(
            pile_n_mm=round(handle - interface - bearings, 2),
            interface_n_mm=round(interface, 2),
            bearings_n_mm=round(bearings, 2),
            handle_n_mm=round(handle, 2),
            stored_most_n_mm=round(nip.turning.stored, 2),
        ),
    )


def describe_place(place: Place) -> PlaceDocument:
    """One place as a document."""
    layers = tuple(
        LayerRow.model_construct(name=x.name, thickness_mm=x.thickness, modulus_mpa=round(x.modulus, 3), poisson=x.poisson)
        for x in place.layers
    )
    return PlaceDocument(
        **{**rounded(place.line), "closing_mm": round(place.line.closing, 5)},
        x_mm=round(place.x, 3),
        y_mm=round(place.y, 3),
        layers_bottom_up=layers,
        sheet_index=place.sheet,
        interface_mm=round(place.interface, 5),
        sheet_pressure_mpa=round(place.pressure, 4),
    )
