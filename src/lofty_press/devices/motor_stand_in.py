"""A stand-in for a motor press, on a socket of this computer: feeds a pile through, reports where it is and what it draws, stops at its limit, and jams."""

import random
import threading
from collections.abc import Callable
from dataclasses import dataclass

from lofty_press.devices.motor import Ending, Order
from lofty_press.devices.plug import Plug
from lofty_press.devices.stand_in import Trouble


@dataclass(frozen=True)
class Motor:
    """What it draws idle and at most [A], how much its current flickers (standard deviation) [A], how fast it feeds [mm/s] and how often it reports [1/s]."""

    idle_a: float = 0.4
    limit_a: float = 2.5
    flicker_a: float = 0.02
    speed: float = 40.0
    reports: float = 12.0


@dataclass(frozen=True)
class Passage:
    """What is fed: the force at the handle along the feed [N] as a share of what the press may give [1], the `length` of the feed [mm], and where it jams
    because the rollers do not draw it in [mm], None if they do."""

    load: Callable[[float], float]
    length: float
    jams_at: float | None = None


class MotorStandIn:
    """Listens on 127.0.0.1 and does as it is told."""

    def __init__(self, passage: Passage, motor: Motor | None = None, *, port: int = 0, seed: int = 1) -> None:
        self.passage, self.motor = passage, motor or Motor()
        self.trouble: Trouble | None = None
        self.position = 0.0
        self._chance = random.Random(seed)
        self._stop = threading.Event()
        self._feeding: threading.Thread | None = None
        self._plug = Plug(port, "motor stand-in", self.told, self._introduce)

    @property
    def address(self) -> str:
        """What to give the page."""
        return self._plug.address

    @property
    def connected(self) -> bool:
        return self._plug.connected

    def told(self, order: str) -> None:
        """Do what a line says; what it does not know it leaves."""
        known: dict[Order, Callable[[], None]] = {"FEED": self._feed, "STOP": self._stop.set, "BACK": self._back, "?": self._introduce}
        for word, act in known.items():
            if order.upper() == word:
                act()

    def close(self) -> None:
        """Put it away."""
        self._stop.set()
        self._plug.close()

    def _introduce(self) -> None:
        self._plug.send(f"MOTOR idle {self.motor.idle_a:.2f} A limit {self.motor.limit_a:.2f} A\r\n".encode())

    def _feed(self) -> None:
        if self._feeding is not None and self._feeding.is_alive():
            return
        self._stop.clear()
        self.position = 0.0
        self._feeding = threading.Thread(target=self._run, daemon=True, name="motor stand-in feeds")
        self._feeding.start()

    def _back(self) -> None:
        self._stop.set()
        if self._feeding is not None:
            self._feeding.join(1.0)
        self.position = 0.0
        self._end("stopped")

    def _run(self) -> None:
        motor, passage = self.motor, self.passage
        step = motor.speed / motor.reports
        while self.position < passage.length:
            if self._stop.wait(1.0 / motor.reports):
                self._end("stopped")
                return
            if self.trouble == "silence":
                continue
            self.position = min(self.position + step, passage.length)
            if passage.jams_at is not None and self.position >= passage.jams_at:
                self._end("jam")
                return
            share = passage.load(self.position)
            drawn = motor.idle_a + share * (motor.limit_a - motor.idle_a) + self._chance.gauss(0.0, motor.flicker_a)
            self._report(drawn)
            if share >= 1.0:
                self._end("limit")
                return
        self._end("end")

    def _report(self, drawn: float) -> None:
        line = f"AT {self.position:.1f} mm {drawn:.3f} A\r\n".encode()
        if self.trouble == "unplug":
            self.trouble = None
            self._plug.drop()
            return
        self._plug.send({"garbage": b"\xff\x00AT ?? mm\r\n", "half": line[: len(line) // 2] + b"\r\n"}.get(self.trouble or "", line))

    def _end(self, how: Ending) -> None:
        self._plug.send(f"{how.upper()} {self.position:.1f} mm\r\n".encode())
