"""The pressed sheet: everything that forming leaves behind, as fields. The front door of this folder."""

from dataclasses import dataclass

import numpy as np
from scipy.ndimage import uniform_filter

from lofty_press.core.mechanics.forming.buckle import buckle_field
from lofty_press.core.mechanics.forming.cut import CutLines, cut_lines
from lofty_press.core.mechanics.forming.ink import InkFields, ink_fields
from lofty_press.core.mechanics.forming.loads import Loaded, load_sandwich
from lofty_press.core.mechanics.forming.nested import TOLERANCE, Formed, Report, form
from lofty_press.core.mechanics.forming.newton import Grid
from lofty_press.core.mechanics.forming.panel import FINEST
from lofty_press.core.mechanics.forming.release import curl_of, spring_back, strain_along, strain_of, surface_curvature
from lofty_press.core.mechanics.nip import Exact
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import FloatArray, Sandwich

CRUSH_SHARE = 0.05  # of the thickness modulus: pressure from which paper stays thinner; order of magnitude from memory
CRUSH_KEPT = 0.5  # of the squeeze past it that stays; assumption, no published source


@dataclass(frozen=True)
class Impression:
    """A pressed sheet on a grid over the bed; all fields (nx, ny), heights up positive.

    `tool` is the relief that pressed; `pressed` and `released` the mid-surface under pressure and after it; `upper` and `lower` the
    two faces after release, with the dents that stay in them; `curl` how far it springs back as a whole, which is no loss of relief [mm]. `strain` is the in-plane stretch under pressure [1], `crack` and
    `tear` its share of what surface and sheet bear [1], `buckle` the misfit of lengths over what a flat sheet takes [1].
    `pressure` is the nip's, `contact_below` and `contact_above` what the sheet's two faces feel [MPa].
    """

    loaded: Loaded
    formed: Formed | None
    tool: FloatArray
    pressed: FloatArray
    released: FloatArray
    upper: FloatArray
    lower: FloatArray
    curl: FloatArray
    strain: FloatArray
    crack: FloatArray
    tear: FloatArray
    buckle: FloatArray
    contact_below: FloatArray
    contact_above: FloatArray
    cut: CutLines
    ink: InkFields

    @property
    def spacing(self) -> float:
        return self.loaded.panel.spacing

    @property
    def converged(self) -> bool:
        return self.formed is None or self.formed.converged


def press(
    sandwich: Sandwich,
    library: Library,
    *,
    finest: float = FINEST,
    tolerance: float = TOLERANCE,
    report: Report = lambda _: None,
    exact: Exact | None = None,
) -> Impression:
    """Press a sandwich's sheet.

    Parameters
    ----------
    sandwich : Sandwich
    library : callable
        Finds the relief maps of its tools.
    finest : float
        Cell size of the finest grid, unless the sheet is too large for it. [mm]
    tolerance : float
        Largest unbalanced pressure over the pressing. [1]
    report : callable
        Told about every step; an exception that it raises stops the run.
    exact : Exact or None
        The full nip of the same sandwich, from `rolled.roll`; without it the quick one presses.

    Returns
    -------
    Impression
        Not `converged` if the solver did not reach its tolerance: then it is no truth to show.

    Raises
    ------
    InvalidInput
        If there is nothing to press or the press refuses.
    """
    return press_loaded(load_sandwich(sandwich, library, finest=finest, exact=exact), tolerance=tolerance, report=report)


def press_loaded(loaded: Loaded, *, tolerance: float = TOLERANCE, report: Report = lambda _: None) -> Impression:
    """Press a sandwich that is loaded already."""
    if loaded.forming is None:
        return unformed(loaded)
    formed = form(loaded.forming, tolerance=tolerance, report=report)
    return describe_formed(loaded, formed)


def unformed(loaded: Loaded) -> Impression:
    """A sheet that stays flat: cut, or not pressed."""
    flat = np.zeros(loaded.panel.shape)
    contact = loaded.pressure
    return Impression(
        loaded=loaded,
        formed=None,
        tool=loaded.tool,
        pressed=flat,
        released=flat,
        upper=flat,
        lower=flat,
        curl=flat,
        strain=flat,
        crack=flat,
        tear=flat,
        buckle=flat,
        contact_below=contact,
        contact_above=contact,
        cut=cut_lines(loaded),
        ink=ink_fields(loaded, contact, contact),
    )


def describe_formed(loaded: Loaded, formed: Formed) -> Impression:
    """Release the sheet and work out what it bore."""
    forming, state = formed.forming, formed.state
    u = state.deflection
    grid = Grid(forming)
    back = spring_back(grid, u).displacement
    below = forming.k_lower * np.maximum(forming.lower - u, 0.0) * forming.cover
    above = forming.k_upper * np.maximum(u - forming.upper - state.offset, 0.0) * forming.cover
    curl = curl_of(back, forming.spacing)
    strain = strain_of(grid, u)
    borne = loaded.state.share_of_break(strain, strain_along(grid, u, loaded.sheet.layer.rotation_deg))
    released = u - back
    released = released - ground_level(released, loaded)
    pressed = u - ground_level(u, loaded)
    if loaded.lower.tool is None:  # it was formed upside down
        released, pressed, curl, below, above = -released, -pressed, -curl, above, below
        curvature = -surface_curvature(u, forming.spacing)
    else:
        curvature = surface_curvature(u, forming.spacing)
    stiffness = 2.0 * loaded.sheet.young / loaded.sheet.thickness
    relaxed = loaded.stock.relaxed
    kept, yields = (relaxed, 0.0) if relaxed else (CRUSH_KEPT, CRUSH_SHARE * loaded.sheet.young)
    dent_above, dent_below = (kept * np.maximum(p - yields, 0.0) / stiffness for p in (above, below))
    return Impression(
        loaded=loaded,
        formed=formed,
        tool=loaded.tool,
        pressed=pressed,
        released=released,
        upper=released - dent_above,
        lower=released + dent_below,
        curl=curl,
        strain=strain,
        crack=crack_field(loaded, borne, strain, curvature),
        tear=wider_mean(borne, forming.spacing),
        buckle=buckle_field(loaded, u, u - back, strain),
        contact_below=below,
        contact_above=above,
        cut=cut_lines(loaded),
        ink=ink_fields(loaded, below, above),
    )


def wider_mean(borne: FloatArray, spacing: float) -> FloatArray:
    """What is borne along some millimetres: a tear needs more than a point. [1]"""
    return np.asarray(uniform_filter(borne, max(round(2.0 / spacing), 1), mode="constant"))


def crack_field(loaded: Loaded, borne: FloatArray, strain: FloatArray, curvature: FloatArray) -> FloatArray:
    """Stretch over what the sheet bears; on a coated face also stretch and bending over what the coating bears. [1]"""
    stock, index = loaded.stock, borne
    front_up = not loaded.sheet.layer.turned
    bent = 0.5 * loaded.sheet.thickness * curvature
    faces = {"none": (), "front": (-bent if front_up else bent,), "both": (-bent, bent)}[stock.coating]
    for stretched in faces:
        index = np.maximum(index, (strain + np.maximum(stretched, 0.0)) / stock.coating_break_strain)
    return np.asarray(index * loaded.panel.cover)


def ground_level(u: FloatArray, loaded: Loaded) -> float:
    """The commonest height within the sheet: what people call its ground. [mm]"""
    inside = u[loaded.panel.cover > 0.5]
    counts, edges = np.histogram(inside, bins=200)
    k = int(np.argmax(counts))
    return float((edges[k] + edges[k + 1]) / 2)
