"""The run card: what to do, step by step, from trimming the sheet to laying it aside."""

from dataclasses import dataclass
from typing import Literal

from lofty_press.core.basics.words import NOTHING, Message
from lofty_press.core.judging.findings import Claim, Stage

STAGES: tuple[Stage, ...] = ("prepare", "build", "feed", "press", "look", "finish")
WaitFor = Literal["mist", "drying", "heat", "soaking", "cooling"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Wait:
    """A time to wait [s], and what for."""

    seconds: float
    what: WaitFor


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One thing to do.

    `text` says it in one sentence, `detail` what helps; `layer` is the id of the layer that it lays, `turn` the number of the pass
    that it is; `care` what to mind, as an addition to the makers' instructions, and `claims` what it says of the pile.
    """

    stage: Stage
    text: Message
    detail: Message = NOTHING
    layer: str | None = None
    turn: int | None = None
    wait: Wait | None = None
    care: tuple[Message, ...] = ()
    claims: tuple[Claim, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """A run card. `stops` are reasons not to run the sandwich at all as it is; `orders` say what comes before what around this run."""

    title: Message
    subtitle: Message
    stops: tuple[Message, ...]
    steps: tuple[Step, ...]
    orders: tuple[Message, ...]
