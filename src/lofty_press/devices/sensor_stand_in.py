"""A stand-in for a room sensor, on a socket of this computer: says how the air is, every so many seconds."""

import random
import threading

from lofty_press.core.basics.air import Air
from lofty_press.devices.plug import Plug
from lofty_press.devices.stand_in import Trouble

WAVERS = 0.05, 0.002  # degrees C and 1; standard deviations of what it says


class SensorStandIn:
    """Listens on 127.0.0.1; says at once how the `air` is when somebody plugs in, and every `seconds` from then on."""

    def __init__(self, air: Air, *, seconds: float = 5.0, port: int = 0, seed: int = 1) -> None:
        self.air, self.seconds = air, seconds
        self.trouble: Trouble | None = None
        self._chance = random.Random(seed)
        self._ended = threading.Event()
        self._plug = Plug(port, "sensor stand-in", joined=self.say)
        threading.Thread(target=self._go_on, daemon=True, name="sensor stand-in says").start()

    @property
    def address(self) -> str:
        """What to give the page."""
        return self._plug.address

    def say(self) -> None:
        """Say how the air is, or misbehave."""
        if self.trouble == "silence":
            return
        if self.trouble == "unplug":
            self.trouble = None
            self._plug.drop()
            return
        temperature = self.air.temperature + self._chance.gauss(0.0, WAVERS[0])
        humidity = min(max(self.air.humidity + self._chance.gauss(0.0, WAVERS[1]), 0.0), 1.0)
        line = f"{temperature:.2f} C {100.0 * humidity:.1f} %\r\n".encode()
        self._plug.send({"garbage": b"\xff\x00 C %\r\n", "half": line[: len(line) // 2] + b"\r\n"}.get(self.trouble or "", line))

    def close(self) -> None:
        """Put it away."""
        self._ended.set()
        self._plug.close()

    def _go_on(self) -> None:
        while not self._ended.wait(self.seconds):
            self.say()
