"""The process that workers are forked from. It takes seconds to load and compile everything, so it is begun before anything else is."""

import multiprocessing
import os
from multiprocessing import forkserver

PRELOADED = "lofty_press.service.work.preload"


def prepare() -> None:
    """Begin to bring it up, if it is not; returns at once."""
    os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
    multiprocessing.get_context("forkserver").set_forkserver_preload([PRELOADED])
    forkserver.ensure_running()
