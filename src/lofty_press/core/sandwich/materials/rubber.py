"""Stiffness of rubber from its hardness and from how it is confined."""

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.materials.library import Confined, Young


def modulus_from_shore_a(hardness: float) -> Young:
    """Young's modulus of rubber from its Shore A hardness.

    Parameters
    ----------
    hardness : float
        Shore A hardness, 20 <= hardness <= 90. [degrees Shore A]

    Returns
    -------
    float
        Young's modulus. [MPa]

    Raises
    ------
    InvalidInput
        Outside 20 to 90, where the relation is not trusted.

    Notes
    -----
    E = 0.0981 (56 + 7.62336 s) / (0.137505 (254 - 2.54 s)).

    References
    ----------
    A. N. Gent, 1958; coefficients from memory.

    Examples
    --------
    >>> round(modulus_from_shore_a(60), 2)
    3.61
    """
    if not 20 <= hardness <= 90:
        raise InvalidInput("shore_a", hardness, say("must be 20 to 90"))
    return Young(0.0981 * (56 + 7.62336 * hardness) / (0.137505 * (254 - 2.54 * hardness)))


def confined_modulus(young: Young, shape_factor: float) -> Confined:
    """Apparent compression modulus of a long bonded strip of rubber.

    Parameters
    ----------
    young : Young
    shape_factor : float
        Loaded area over the area that is free to bulge: width over twice the thickness, >= 0. [1]

    Returns
    -------
    Confined
        (4/3) E (1 + S^2). [MPa]

    References
    ----------
    A. N. Gent and P. B. Lindley, 1959; from memory.
    """
    return Confined(4.0 / 3.0 * young * (1.0 + shape_factor**2))
