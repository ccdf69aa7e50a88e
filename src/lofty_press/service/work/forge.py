"""The process that workers are forked from. It takes seconds to load and compile everything, so it is begun before anything else is."""

import multiprocessing
import os
from multiprocessing import forkserver
from pathlib import Path

PRELOADED = "lofty_press.service.work.preload"


def prepare() -> None:
    """Begin to bring it up, if it is not; returns at once."""
    os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
    multiprocessing.get_context("forkserver").set_forkserver_preload([PRELOADED])
    forkserver.ensure_running()


def is_compiled() -> bool:
    """True if the computation was compiled on this machine before."""
    kept = Path(os.environ.get("NUMBA_CACHE_DIR") or Path(__file__).parents[2] / "core" / "mechanics" / "nip" / "__pycache__")
    return any(kept.rglob("kernel.balance_rows*.nbi"))
