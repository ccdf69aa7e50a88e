"""The air of a press room: how much water paper holds in it, and how fast things dry."""

import math
from dataclasses import dataclass

STANDARD_TEMPERATURE, STANDARD_HUMIDITY = 23.0, 0.5  # degrees C and 1; ISO 187, in which paper is tested
MOST, LEAST = 4.0, 0.25  # by which drying is slower or faster at most: beyond that other things decide
DRY, DAMP = 0.35, 0.65  # humidity under and over which paper behaves otherwise than it is used to; common practice, no published source
MONOLAYER, SURFACE, MULTILAYER = 0.045, 15.0, 0.75  # of bleached kraft paper at room temperature; from memory


@dataclass(frozen=True)
class Air:
    """Temperature [degrees C] and relative humidity [1]."""

    temperature: float
    humidity: float

    @property
    def moisture(self) -> float:
        """Water that paper holds in it once it has lain there for a day, over its dry mass. [1]

        References
        ----------
        The sorption law of Guggenheim, Anderson and de Boer, with constants for bleached kraft; from memory.
        """
        water = MULTILAYER * self.humidity
        return MONOLAYER * SURFACE * water / ((1.0 - water) * (1.0 - water + SURFACE * water))

    @property
    def drying(self) -> float:
        """How many times as long as in standard air things take to dry: as much longer as the air takes up water less readily. [1]"""
        deficit = saturation(self.temperature) * (1.0 - self.humidity)
        return min(max(saturation(STANDARD_TEMPERATURE) * (1.0 - STANDARD_HUMIDITY) / max(deficit, 1e-9), LEAST), MOST)


STANDARD = Air(STANDARD_TEMPERATURE, STANDARD_HUMIDITY)


def saturation(temperature: float) -> float:
    """Pressure of saturated water vapour [hPa] at a temperature [degrees C].

    References
    ----------
    Magnus' formula with the constants of Alduchov and Eskridge (1996); from memory.

    Examples
    --------
    >>> round(saturation(20.0), 1)
    23.3
    """
    return 6.1094 * math.exp(17.625 * temperature / (temperature + 243.04))
