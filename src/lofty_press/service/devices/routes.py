"""HTTP for instruments."""

from dataclasses import asdict
from typing import Annotated

from fastapi import APIRouter, Depends, Query, Request

from lofty_press.devices import Reading, Unread
from lofty_press.service.devices.gauge import Gauge
from lofty_press.service.devices.models import GaugeChoice, GaugeDocument, GaugeZero, Together, UnreadLine
from lofty_press.service.errors import ANSWERS

router = APIRouter(prefix="/api/devices", tags=["devices"], responses=ANSWERS)


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


@router.put("/gauge", operation_id="chooseGauge")
def choose_gauge(choice: GaugeChoice, gauge: TheGauge) -> GaugeDocument:
    """Listen to what is plugged in there."""
    gauge.choose(choice.address or None)
    return describe(gauge, gauge.watch.last)


@router.put("/gauge/zero", operation_id="zeroGauge")
def zero_gauge(zero: GaugeZero, gauge: TheGauge) -> GaugeDocument:
    """Take what it shows with its jaws closed off every reading."""
    gauge.begin()
    gauge.zero_mm = zero.zero_mm
    return describe(gauge, gauge.watch.last)


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
