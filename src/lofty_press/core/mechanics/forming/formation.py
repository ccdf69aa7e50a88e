"""What pressing does to a sheet in a tool's relief, tabled once: how far it closes, what the sheet keeps, how far it is stretched.

The tables are made with the forming solver on a representative piece of the tool, for a few sheet thicknesses and yield strains and, where a mat
presses, a few stiffnesses of it. A sheet's own curve is interpolated between them along scaled pressures.
"""

import hashlib
import math
from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np
from scipy.ndimage import uniform_filter

from lofty_press.core.mechanics.forming.grain import GRAINS, WEAKER, counted, worst
from lofty_press.core.mechanics.forming.kept import kept
from lofty_press.core.mechanics.forming.newton import Grid, State, first_guess, solve_grid
from lofty_press.core.mechanics.forming.piece import Piece
from lofty_press.core.mechanics.forming.problem import Forming
from lofty_press.core.mechanics.forming.release import curl_of, local_range, spring_back, strain_along, strain_of, surface_curvature
from lofty_press.core.mechanics.forming.strength import collapse_pressure, draw_in_length
from lofty_press.core.mechanics.forming.surfaces import ROUGHNESS, around_sheet, partner_of
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.core.sandwich.stock import WorkingSheet, plate_section

MODULUS = 3000.0  # MPa; tables are made for it, pressures scale with a sheet's own
POISSON = 0.2
THICKNESS_STEP, YIELD_STEP, MAT_STEP = 1.8, 2.2, 3.0  # ratios between sheets that tables are made for
SCALED = np.geomspace(0.006, 6.0, 10)  # pressures of a table over the one that collapses a clamped strip
RIGID = 1.0 / (2.0 * ROUGHNESS + 0.003)  # N/mm3; how hard two faces meet that do not give
TOLERANCE = 3e-3
MOST_STEPS = 30
COUNTS = 0.3  # of the tool's depth from which a part of it counts as relief
TEAR_OVER = 2.0  # mm; a tear needs more than a point
GAP, KEPT, STRAIN, WIDE, FRONT, BACK = range(6)
ALONG, WIDE_ALONG = slice(6, 10), slice(10, 14)
ROWS = 14


@dataclass(frozen=True)
class SheetSection:
    """What a sheet brings to being formed: thickness [mm], modulus [MPa], strain at yield, hardening, how many times the strain at yield it
    bears before it hardens no more [1]. Of a sheet that sets in the tool also the share of the stress that is gone before it is let go, and its
    modulus through the thickness over that in its plane [1]."""

    thickness: float
    modulus: float
    yield_strain: float
    hardening: float
    saturates: float = math.inf
    relaxed: float = 0.0
    squeezed: float = 0.0


@dataclass(frozen=True, eq=False)
class Formation:
    """What becomes of a sheet in a relief, over the pressure that presses it (n,) [MPa].

    `gap` is how far the tool stands off from being shut, its own faces not giving [mm], `first` the same where it first touches; `kept` the share of the tool's depth that is left after release; `strain`
    the largest stretch, `wide` the largest over some millimetres, `front` and `back` with the bending of a face added that looks away from
    the tool's raised side and of the one that lies on it [1]. `along` and `wide_along` (GRAINS, n) are `strain` and `wide` with a stretch along the
    grain counted `WEAKER` times more, for a grain at each of `GRAINS` to the tool [1].
    """

    pressure: FloatArray
    gap: FloatArray
    first: float
    kept: FloatArray
    strain: FloatArray
    wide: FloatArray
    front: FloatArray
    back: FloatArray
    along: FloatArray
    wide_along: FloatArray

    @property
    def best(self) -> float:
        """Most that is kept under any pressure. [1]"""
        return float(self.kept.max())

    def pressure_for(self, share: float) -> float:
        """Pressure from which so much of the best is kept; below the lightest of the table it goes with the pressure. [MPa]"""
        kept = np.maximum.accumulate(self.kept)
        if share * self.best < kept[0]:
            return float(self.pressure[0] * share * self.best / kept[0])
        return float(np.exp(np.interp(share * self.best, kept, np.log(self.pressure))))

    def at(self, pressure: float, values: FloatArray) -> float:
        """One of the curves at a pressure [MPa]; flat beyond its ends."""
        return float(np.interp(np.log(max(pressure, 1e-9)), np.log(self.pressure), values))

    def share_of_break(self, pressure: float, state: WorkingSheet, grain: float) -> tuple[float, float]:
        """How much of what the sheet bears the worst place is stretched, and the worst few millimetres; `grain` is its angle to the tool [degrees]. [1]

        Notes
        -----
        Straight between the angles that are tabled, and over how much weaker the sheet is in one direction than in the other.
        """
        if state.break_across < state.break_along:
            grain += 90.0
        weak, strong = sorted((state.break_along, state.break_across))
        place = grain % 180.0 / GRAINS[1]
        low, way = int(place) % len(GRAINS), place % 1.0
        weaker = (strong / weak - 1.0) / WEAKER
        found = []
        for even, turned in ((self.strain, self.along), (self.wide, self.wide_along)):
            weighted = (1.0 - way) * turned[low] + way * turned[(low + 1) % len(GRAINS)]
            found.append(self.at(pressure, even + weaker * (weighted - even)) / strong)
        return found[0], found[1]


def formation(piece: Piece, sheet: SheetSection, mat: float | None) -> Formation:
    """The curve of a sheet in a piece of relief.

    Parameters
    ----------
    piece : Piece
    sheet : SheetSection
    mat : float or None
        Stiffness of what presses the sheet from behind, None for a tool's rigid other half or a plate. [N/mm3]

    Notes
    -----
    All stresses and pressures of the problem scale with the sheet's modulus. What is left are the thickness, the strain at yield, the hardening
    and the mat's stiffness over the modulus: the first, second and last are interpolated between tables at powers of a ratio, straight in
    their logarithms, each table read at the same pressure over `collapse_pressure`, which takes out most of what changes. A piece is what is common
    on its tool, and may slope one way where the whole tool slopes every way: stretches are those of the piece times `Piece.beyond`.
    """
    axes = [grid_place(sheet.thickness, THICKNESS_STEP), grid_place(sheet.yield_strain, YIELD_STEP)]
    if mat is not None:
        axes.append(grid_place(mat * MODULUS / sheet.modulus, MAT_STEP))
    values = np.zeros((ROWS, SCALED.size))
    first = 0.0
    bears: tuple[float, ...] = (round(sheet.hardening, 3), float(f"{sheet.saturates:.3g}"))
    if sheet.relaxed:
        bears = (*bears, round(sheet.relaxed, 3), float(f"{sheet.squeezed:.2g}"))
    for place, share in corners_around(axes):
        if share > 0:
            table = table_at(piece, place, bears)
            values += share * table[:, 1:]
            first += share * table[GAP, 0]
    scale = collapse_pressure(sheet.modulus * sheet.yield_strain, sheet.thickness, piece.height, piece.span)
    return Formation(SCALED * scale, values[GAP], first, *over_the_tool(values, piece.beyond))


def over_the_tool(values: FloatArray, beyond: FloatArray) -> tuple[FloatArray, ...]:
    """Everything that a `Formation` has from `kept` on, its stretches carried from the piece to the whole tool."""
    strain, wide = beyond[0] * values[STRAIN], beyond[0] * values[WIDE]
    further = strain - values[STRAIN]
    along, wide_along = (
        np.clip(beyond[1:, None] * values[rows], even, (1.0 + WEAKER) * even) for even, rows in ((strain, ALONG), (wide, WIDE_ALONG))
    )
    return values[KEPT], strain, wide, values[FRONT] + further, values[BACK] + further, along, wide_along


def corners_around(axes: list[tuple[int, float]]) -> Iterator[tuple[tuple[int, ...], float]]:
    """Corners of the simplex that a place lies in, with their shares: each axis steps up in the order of how far the place is along it.

    Source: Kuhn's triangulation of a cube. n + 1 corners serve where a cube has 2^n, and what is read stays continuous.
    """
    place = [low for low, _ in axes]
    order = sorted(range(len(axes)), key=lambda axis: -axes[axis][1])
    ways = [1.0, *(axes[axis][1] for axis in order), 0.0]
    yield tuple(place), ways[0] - ways[1]
    for n, axis in enumerate(order, 1):
        place[axis] += 1
        yield tuple(place), ways[n] - ways[n + 1]


def grid_place(value: float, ratio: float) -> tuple[int, float]:
    """Power of a ratio next below a value, and the way from it to the next. [1]"""
    place = math.log(value) / math.log(ratio)
    low = math.floor(place)
    return low, place - low


def table_at(piece: Piece, place: tuple[int, ...], bears: tuple[float, ...]) -> FloatArray:
    """The table of one sheet, made or kept from before: (ROWS, 1 + SCALED.size), first the touch without pressure."""
    name = hashlib.sha256(repr((piece.key, place, bears)).encode()).hexdigest()
    return kept(name, lambda: make_table(piece, place, bears))


def make_table(piece: Piece, place: tuple[float, ...], bears: tuple[float, ...]) -> FloatArray:
    """Press one sheet into the piece under rising scaled pressures, from the hardest down so that each begins near its end.

    `place` are its thickness, yield strain and mat in powers of the steps between tables, `bears` its hardening and what of strain it
    takes; of a sheet that sets in the tool also what of the stress relaxes, and its modulus through the thickness over that in its plane. Such
    a sheet is soft and thick: its faces take the relief by being squeezed, beside the bending of its middle.
    """
    thickness, yields = THICKNESS_STEP ** place[0], YIELD_STEP ** place[1]
    mat = MAT_STEP ** place[2] if len(place) > 2 else None
    h = piece.spacing
    below = piece.profile
    above = partner_of(below, h) if piece.matched else np.full(below.shape, 0.0)
    lower, upper = around_sheet(below, above, thickness, h)
    relaxed, squeezed = bears[2:] or (0.0, 0.0)
    meets = RIGID if not relaxed else 2.0 * squeezed * MODULUS / thickness
    upper_stiffness = meets if mat is None else 1.0 / (1.0 / mat + 1.0 / meets)
    cover = np.ones(below.shape)
    section = plate_section(
        thickness=thickness,
        modulus_x=MODULUS,
        modulus_y=MODULUS,
        poisson=POISSON,
        yield_strain=yields,
        hardening=bears[0],
        saturates=bears[1],
    )
    section = replace(section, relaxed=relaxed)
    stress = MODULUS * yields
    scale = collapse_pressure(stress, thickness, piece.height, piece.span)
    flat = 1.0 / meets + 1.0 / upper_stiffness
    problem = Forming(h, section, cover, lower, upper, meets * cover, upper_stiffness * cover, 0.0)
    depths = local_range(below, h)
    counts = depths > COUNTS * float(np.percentile(depths, 99.5))
    table = np.zeros((ROWS, 1 + SCALED.size))
    table[GAP, 0] = float(lower.max() - upper.min())  # a flat sheet on the tops, and the other side let down on it
    state: State | None = None
    harder = 0.0
    for n in reversed(range(SCALED.size)):
        pressure = float(SCALED[n] * scale)
        draw = draw_in_length(stress, thickness, pressure, piece.flank)
        pressed = replace(problem, pressure=pressure, draw_in=draw)
        grid = Grid(pressed)
        begin = first_guess(pressed) if state is None else State(state.deflection, state.offset + (harder - pressure) * flat)
        state, harder = solve_grid(grid, begin, tolerance=TOLERANCE, most=MOST_STEPS, watch=lambda *_: None).state, pressure
        u = state.deflection
        strain = strain_of(grid, u)
        back = spring_back(grid, u).displacement
        bent = 0.5 * thickness * surface_curvature(u, h)
        left = u - back + curl_of(back, h)
        dents = (relaxed * np.maximum(lower - u, 0.0), -relaxed * np.maximum(u - upper - state.offset, 0.0)) if relaxed else (0.0,)
        kept_depth = max(np.median(local_range(left + dent, h)[counts] / depths[counts]) for dent in dents)
        weighted = [counted(strain, strain_along(grid, u, grain)) for grain in GRAINS]
        stretches = [uniform_filter(field, max(round(TEAR_OVER / h), 1)) for field in (strain, *weighted)]
        fields = [strain, stretches[0], strain + np.maximum(-bent, 0.0), strain + np.maximum(bent, 0.0), *weighted, *stretches[1:]]
        table[:, n + 1] = (state.offset + pressure * flat, kept_depth, *map(worst, fields))
    table[GAP] = np.minimum.accumulate(table[GAP])
    return table
