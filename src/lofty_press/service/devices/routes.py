"""HTTP for instruments."""

from dataclasses import asdict
from typing import Annotated

from fastapi import APIRouter, Depends, Query, Request, Response

from lofty_press.core.working.steps import about
from lofty_press.devices import At, Ended, Reading, Unread, force_of
from lofty_press.service.devices.gauge import Gauge
from lofty_press.service.devices.models import (
    AirDocument,
    FeedEnd,
    FeedPoint,
    GaugeChoice,
    GaugeDocument,
    GaugeZero,
    MotorChoice,
    MotorDocument,
    MotorOrder,
    SensorChoice,
    SensorDocument,
    Together,
    UnreadLine,
)
from lofty_press.service.devices.motor import Motor
from lofty_press.service.devices.sensor import Sensor
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import answer_of
from lofty_press.service.http.errors import ANSWERS

router = APIRouter(prefix="/api/devices", tags=["devices"], responses=ANSWERS, route_class=BoundedRoute)


async def gauge_of(request: Request) -> Gauge:
    """The application's gauge."""
    gauge: Gauge = request.app.state.gauge
    return gauge


TheGauge = Annotated[Gauge, Depends(gauge_of)]


@router.get("/gauge", operation_id="getGauge")
def get_gauge(gauge: TheGauge, after: Annotated[int | None, Query(ge=0)] = None) -> GaugeDocument:
    """What the gauge sent after a line; without one, how it stands."""
    gauge.begin()
    return describe(gauge, gauge.watch.last if after is None else after)


@router.put("/gauge", operation_id="chooseGauge", response_model=GaugeDocument)
def choose_gauge(choice: GaugeChoice, gauge: TheGauge) -> Response:
    """Listen to what is plugged in there."""
    return gauge.choose(choice.address or None, lambda: answer_of(describe(gauge, gauge.watch.last)))


@router.put("/gauge/zero", operation_id="zeroGauge")
def zero_gauge(zero: GaugeZero, gauge: TheGauge) -> GaugeDocument:
    """Take what it shows with its jaws closed off every reading."""
    gauge.begin()
    gauge.zero_mm = zero.zero_mm
    return describe(gauge, gauge.watch.last)


async def motor_of(request: Request) -> Motor:
    """The application's motor press."""
    motor: Motor = request.app.state.motor
    return motor


TheMotor = Annotated[Motor, Depends(motor_of)]
LimitForce = Annotated[
    float, Query(gt=0, le=1e5, allow_inf_nan=False, description="Force at the handle at which the press's motor stops. [N]")
]


@router.get("/motor", operation_id="getMotor")
def get_motor(motor: TheMotor, limit_n: LimitForce, after: Annotated[int | None, Query(ge=0)] = None) -> MotorDocument:
    """What the motor press did after a line; without one, how it stands."""
    motor.begin()
    return describe_motor(motor, motor.watch.last if after is None else after, limit_n)


@router.put("/motor", operation_id="chooseMotor", response_model=MotorDocument)
def choose_motor(choice: MotorChoice, motor: TheMotor) -> Response:
    """Listen to what is plugged in there."""
    return motor.choose(choice.address or None, lambda: answer_of(describe_motor(motor, motor.watch.last, 1.0)))


@router.post("/motor/order", status_code=204, operation_id="orderMotor")
def order_motor(order: MotorOrder, motor: TheMotor) -> None:
    """Let it feed, stop or go back."""
    motor.begin()
    motor.order(order.order)


async def sensor_of(request: Request) -> Sensor:
    """The application's room sensor."""
    sensor: Sensor = request.app.state.sensor
    return sensor


TheSensor = Annotated[Sensor, Depends(sensor_of)]


@router.get("/sensor", operation_id="getSensor")
def get_sensor(sensor: TheSensor) -> SensorDocument:
    """How the room sensor stands, and the air."""
    sensor.begin()
    return describe_sensor(sensor)


@router.put("/sensor", operation_id="chooseSensor", response_model=SensorDocument)
def choose_sensor(choice: SensorChoice, sensor: TheSensor) -> Response:
    """Listen to what is plugged in there."""
    return sensor.choose(choice.address or None, lambda: answer_of(describe_sensor(sensor)))


def describe_sensor(sensor: Sensor) -> SensorDocument:
    """How the sensor stands."""
    air = sensor.air
    told = None
    if air is not None:
        told = AirDocument(
            temperature_c=round(air.temperature, 1),
            humidity=round(air.humidity, 3),
            moisture=round(air.moisture, 4),
            drying=round(air.drying, 3),
            words=about(air),
        )
    return SensorDocument(address=sensor.watch.address or "", state=sensor.watch.state, air=told)


def describe_motor(motor: Motor, after: int, limit_n: float) -> MotorDocument:
    """How the motor stands, and what it did after a line."""
    heard, hello = motor.watch.after(after), motor.hello
    said = [h.said for h in heard]
    ended = next((s for s in reversed(said) if isinstance(s, Ended)), None)
    unread = next((s for s in reversed(said) if isinstance(s, Unread)), None)
    fed = [s for s in said if isinstance(s, At)] if hello is not None else []
    points = [FeedPoint(position_mm=round(s.position_mm, 2), force_n=round(force_of(s.current_a, hello, limit_n), 3)) for s in fed if hello]
    return MotorDocument(
        address=motor.watch.address or "",
        state=motor.watch.state,
        ready=hello is not None,
        last=heard[-1].number if heard else after,
        fed=points,
        ended=None if ended is None else FeedEnd(how=ended.how, position_mm=round(ended.position_mm, 2)),
        unread=None if unread is None else UnreadLine(line=unread.line, why=unread.why),
    )


def describe(gauge: Gauge, after: int) -> GaugeDocument:
    """How the gauge stands, and what came after a line."""
    heard, found = gauge.since(after)
    read = [h.said.mm for h in heard if isinstance(h.said, Reading)]
    unread = [h.said for h in heard if isinstance(h.said, Unread)]
    return GaugeDocument(
        address=gauge.watch.address or "",
        state=gauge.watch.state,
        zero_mm=gauge.zero_mm,
        last=heard[-1].number if heard else after,
        together=None if found is None else Together(**{name: round(value, 4) for name, value in asdict(found).items()}),
        newest_mm=round(read[-1] - gauge.zero_mm, 4) if read else None,
        unread=UnreadLine(line=unread[-1].line, why=unread[-1].why) if unread else None,
    )
