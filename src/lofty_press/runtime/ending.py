"""Ending in good order when asked to by the system, as by Ctrl-C."""

import signal
from types import FrameType


def _as_by_ctrl_c(signal_number: int, frame: FrameType | None) -> None:
    raise KeyboardInterrupt


def end_as_by_ctrl_c() -> None:
    """Take SIGTERM as Ctrl-C is taken: everything that was started is stopped on the way out."""
    signal.signal(signal.SIGTERM, _as_by_ctrl_c)
