"""What travels over HTTP of instruments."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.devices import Ending, State
from lofty_press.documents.answers.words import Words


class GaugeChoice(BaseModel):
    """Where the gauge is plugged in: a serial port, or a socket of this computer; empty for none."""

    model_config = ConfigDict(extra="forbid")

    address: Annotated[str, Field(max_length=200)]


class UnreadLine(BaseModel):
    """A line that cannot be read, and why."""

    line: str
    why: Words


class MotorChoice(BaseModel):
    """Where the motor press is plugged in, as the gauge; empty for none."""

    model_config = ConfigDict(extra="forbid")

    address: Annotated[str, Field(max_length=200)]


class MotorOrder(BaseModel):
    """What the motor is to do."""

    model_config = ConfigDict(extra="forbid")

    order: Literal["FEED", "STOP", "BACK"]


class FeedPoint(BaseModel):
    """How far it has fed [mm], and what that took as a force at the handle [N]."""

    position_mm: float
    force_n: float


class FeedEnd(BaseModel):
    """How a feed ended, and where [mm]."""

    how: Ending
    position_mm: float


class MotorDocument(BaseModel):
    """The motor press: where it is plugged in, whether it is heard and has said who it is, the number of its last line; and of the lines that were asked for
    where it fed, how that ended, and the newest that cannot be read."""

    address: str
    state: State
    ready: bool
    last: int
    fed: list[FeedPoint]
    ended: FeedEnd | None
    unread: UnreadLine | None


class SensorChoice(BaseModel):
    """Where the room sensor is plugged in, as the gauge; empty for none."""

    model_config = ConfigDict(extra="forbid")

    address: Annotated[str, Field(max_length=200)]


class AirDocument(BaseModel):
    """The air: temperature [degrees C] and relative humidity [1], the water that paper holds in it over its dry mass [1], how many times as long as usual
    things take to dry [1], and what is to be said of it."""

    temperature_c: float
    humidity: float
    moisture: float
    drying: float
    words: Words | None


class SensorDocument(BaseModel):
    """The room sensor: where it is plugged in, whether it is heard, and the air, as far as that is known."""

    address: str
    state: State
    air: AirDocument | None


class GaugeZero(BaseModel):
    """What the gauge shows with its jaws closed. [mm]"""

    model_config = ConfigDict(extra="forbid")

    zero_mm: Annotated[float, Field(ge=-1.0, le=1.0, allow_inf_nan=False)]


class Together(BaseModel):
    """What some readings say of one thing: mean and its standard deviation [mm], how many count, how many were slips."""

    mm: float
    sd_mm: float
    count: int
    slips: int


class GaugeDocument(BaseModel):
    """The gauge: where it is plugged in, whether it is heard, its zero [mm], the number of its last line; and of the lines that were asked for what they say
    together, the newest reading [mm] and the newest that cannot be read."""

    address: str
    state: State
    zero_mm: float
    last: int
    together: Together | None
    newest_mm: float | None
    unread: UnreadLine | None
