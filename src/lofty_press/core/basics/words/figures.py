"""Puts a figure into the reader's unit: decimals, fractions of an inch, numbers as words."""

from decimal import ROUND_HALF_UP, Decimal
from fractions import Fraction

from lofty_press.core.basics.words.kinds import KINDS, KindKey, Reading, Unit

MINUS = "−"


def figure(value: float, kind: KindKey, unit: Unit, digits: int | None = None) -> str:
    """A figure with its unit, as a reader of that unit reads it.

    Parameters
    ----------
    value : float
        In the kind's stored unit: lengths [mm], areas [mm2], shares [1], forces [N], pressures [MPa], times [s].
    kind : str
        What it is a figure of, one of KINDS.
    unit : "mm" or "in"
        The reader's choice.
    digits : int, optional
        Decimals for a metric reader where the kind's own number does not serve.

    Examples
    --------
    >>> figure(107.95, "size", "in"), figure(107.95, "size", "mm"), figure(0.762, "thickness", "in"), figure(0.5, "share", "in")
    ('4 1/4 in', '108 mm', '0.030 in', '50 %')
    """
    reading = KINDS[kind][unit]
    shown = value * reading.factor
    if reading.words and shown == int(shown) and 0 <= shown < len(reading.words):
        return reading.words[int(shown)]
    text = (
        fraction(shown, reading.fraction)
        if reading.fraction
        else decimal(shown, reading, None if digits is None else digits + reading.more)
    )
    return text + ("" if not reading.unit else reading.unit if reading.unit == "°" else f" {reading.unit}")


def decimal(shown: float, reading: Reading, digits: int | None) -> str:
    """A decimal number; halves are rounded away from nought."""
    if reading.step:
        shown = float(Decimal(shown / reading.step).quantize(Decimal(1), ROUND_HALF_UP)) * reading.step
    wanted = digits if digits is not None else reading.digits
    if wanted is None:
        text = f"{int(shown)}" if float(shown).is_integer() else f"{shown:.6g}"
    else:
        small = reading.small_digits if digits is None and abs(shown) < 10 else 0
        text = f"{Decimal(shown).quantize(Decimal(1).scaleb(-wanted - small), ROUND_HALF_UP):f}"
        if small and "." in text:
            text = text.rstrip("0").rstrip(".")
    bare = text.lstrip("-")
    return MINUS + bare if text.startswith("-") and bare.strip("0.") else bare


def fraction(shown: float, finest: int) -> str:
    """A whole number and a reduced fraction."""
    parts = int(Decimal(abs(shown) * finest).quantize(Decimal(1), ROUND_HALF_UP))
    whole, part = divmod(Fraction(parts, finest), 1)
    text = " ".join(str(p) for p in (whole, part) if p) or "0"
    return MINUS + text if shown < 0 and parts else text
