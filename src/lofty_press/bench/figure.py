"""One measured figure."""

import time
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np


@dataclass(frozen=True)
class Figure:
    """A named value with its unit and its limit (None: for information): the most that it may be, or the least with `at_least`."""

    name: str
    value: float
    unit: str
    limit: float | None
    at_least: bool = False

    @property
    def kept(self) -> bool:
        if self.limit is None:
            return True
        return self.value >= self.limit if self.at_least else self.value <= self.limit


def timed(work: Callable[[], object], *, times: int, warm: int = 3) -> np.ndarray:
    """Durations of some runs of `work` [ms], after a few that do not count."""
    for _ in range(warm):
        work()
    durations = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        durations.append((time.perf_counter() - start) * 1000)
    return np.asarray(durations)
