"""How long and how hard a siege goes on, and what it found."""

import time
from dataclasses import dataclass, field

from lofty_press.bench.figure import Figure
from lofty_press.setup.say import say


@dataclass
class Scope:
    """Limits of one siege: it ends when its time [s] is over, or with its last round; says now and then how far it is. `seed` decides everything
    that is chance."""

    seed: int
    seconds: float | None = None
    rounds: int | None = None
    began: float = field(default_factory=time.monotonic)
    tenths: int = 0

    def goes_on(self, done: int) -> bool:
        """True while there is time and a round left; the first is always made."""
        if done == 0:
            return True
        if self.rounds is not None and self.rounds >= 10 and done * 10 // self.rounds > self.tenths:
            self.tenths = done * 10 // self.rounds
            say(f"  {done} of {self.rounds} rounds, {time.monotonic() - self.began:.0f} s")
        in_time = self.seconds is None or time.monotonic() - self.began < self.seconds
        return in_time and (self.rounds is None or done < self.rounds)


@dataclass(frozen=True)
class Report:
    """What a siege found: figures with their limits, and counts for information."""

    figures: list[Figure]
    counts: dict[str, float | str]
