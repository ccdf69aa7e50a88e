"""A stand-in for a thickness gauge, on a socket of this computer: sends what lies between its jaws when its button is pressed."""

import random
from dataclasses import dataclass
from typing import Literal

from lofty_press.devices.plug import Plug

Trouble = Literal["garbage", "half", "silence", "unplug"]
TROUBLES: tuple[Trouble, ...] = ("garbage", "half", "silence", "unplug")
MM = 25.4  # in an inch


@dataclass(frozen=True)
class Jaws:
    """What it does to a thickness: its zero error and its noise [mm], one reading of so many that slips, and the unit that it sends."""

    zero: float = 0.0
    noise: float = 0.005
    slips: float = 0.0
    unit: Literal["mm", "in"] = "mm"


class GaugeStandIn:
    """Listens on 127.0.0.1; `press` sends a reading to whoever is connected."""

    def __init__(self, jaws: Jaws | None = None, *, port: int = 0, seed: int = 1) -> None:
        self.jaws = jaws or Jaws()
        self._chance = random.Random(seed)
        self._plug = Plug(port, "gauge stand-in")

    @property
    def address(self) -> str:
        """What to give the page."""
        return self._plug.address

    @property
    def connected(self) -> bool:
        return self._plug.connected

    def press(self, thickness: float, trouble: Trouble | None = None) -> None:
        """Press its button with something of a thickness between the jaws [mm]; or let it misbehave."""
        if trouble == "silence":
            return
        if trouble == "unplug":
            self._plug.drop()
            return
        line = self.line(thickness)
        self._plug.send({"garbage": b"\xff\x00ER\x07R 0x3f\r\n", "half": line[: len(line) // 2]}.get(trouble or "", line))

    def line(self, thickness: float) -> bytes:
        """The line of one reading."""
        found = thickness + self.jaws.zero + self._chance.gauss(0.0, self.jaws.noise)
        if self._chance.random() < self.jaws.slips:
            found += self._chance.uniform(0.2, 0.8)  # the jaws stand askew
        text = f"{found:+.3f} mm" if self.jaws.unit == "mm" else f"{found / MM:+.4f} in"
        return f"{text}\r\n".encode()

    def close(self) -> None:
        """Put it away."""
        self._plug.close()
