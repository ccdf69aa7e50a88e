"""One field slid over another."""

from typing import Any

from numpy.typing import NDArray

from lofty_press.core.sandwich.stack import FloatArray


def overlap_with(field: NDArray[Any], stamp: NDArray[Any], *, mode: str) -> FloatArray:
    """Sum of field times stamp for every place of the stamp, over a grid as large as the field; see `scipy.signal.fftconvolve`.

    Its module brings scipy's statistics along and takes over a second to load, which only workers need.
    """
    from scipy.signal import fftconvolve

    found: FloatArray = fftconvolve(field, stamp, mode=mode)
    return found
