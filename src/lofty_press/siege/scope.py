"""How long and how hard a siege goes on, and what it found."""

import time
from dataclasses import dataclass, field

from lofty_press.bench.figure import Figure


@dataclass
class Scope:
    """Limits of one siege: it ends when its time [s] is over, or with its last round. `seed` decides everything that is chance."""

    seed: int
    seconds: float | None = None
    rounds: int | None = None
    began: float = field(default_factory=time.monotonic)

    def goes_on(self, done: int) -> bool:
        """True while there is time and a round left; the first is always made."""
        if done == 0:
            return True
        in_time = self.seconds is None or time.monotonic() - self.began < self.seconds
        return in_time and (self.rounds is None or done < self.rounds)


@dataclass(frozen=True)
class Report:
    """What a siege found: figures with their limits, and counts for information."""

    figures: list[Figure]
    counts: dict[str, float | str]
