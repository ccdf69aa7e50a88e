"""Documents in requests: read straight into what a route takes; a large one only after a worker has found it to be right, and one at a time.

What is wrong costs far more to read than what is right: two megabytes of empty objects are a million faults, each with its words. A worker meets them
within a budget of time and memory, and the service's own process never does.
"""

import asyncio
import dataclasses
from collections.abc import Callable, Coroutine
from inspect import iscoroutinefunction
from typing import Any

from fastapi import Request, Response
from fastapi.routing import APIRoute
from pydantic import BaseModel, ValidationError

from lofty_press.core.basics.words import say
from lofty_press.documents.files.foreign_json import parts_of
from lofty_press.service.http.dependencies import Workers
from lofty_press.service.http.errors import OverBudget, Refused, ServiceError, TooLarge, Unreadable
from lofty_press.service.http.own_work import OWN_WORK
from lofty_press.service.work.checking import Fault, adapter_of, fault_in, fault_of

FEW = 2500
"""Parts of a document (see `parts_of`) that are read here and now: a few milliseconds, also where each of them is wrong. A usual pile has 300."""

MOST = 150_000
"""Parts that a document may have at all: a dozen outlines of 4 000 corners, which take a tenth of a second to read."""

Handler = Callable[[Request], Coroutine[Any, Any, Response]]


class ReadRequest(Request):
    """A request whose document has been read already."""

    document: Any
    content: bytes

    async def body(self) -> bytes:
        """The bytes that came."""
        return self.content

    async def json(self) -> Any:
        """The document as what the route takes, which it lets pass as it is."""
        return self.document


class BoundedRoute(APIRoute):
    """A route that does no more with a body than its line in `own_work.py` says."""

    def get_route_handler(self) -> Handler:
        """What answers: FastAPI's own handler, given a document that was read within bounds."""
        handle = super().get_route_handler()
        if not (self.methods or set()) & {"POST", "PUT"} or self.operation_id in WITHOUT_BODY:
            return handle
        own = OWN_WORK[self.operation_id or ""]
        kind = document_of(self)
        # one that waits for no worker keeps what it was sent itself, which takes a large one as long as reading it
        waits = iscoroutinefunction(self.endpoint)

        async def bounded(request: Request) -> Response:
            if own.way == "streams":
                return await handle(request)
            body = await request.body()
            if len(body) > own.most:
                raise TooLarge(own.most)
            if kind is None or not body or "json" not in request.headers.get("content-type", "").lower():
                return await handle(request)
            whole = ReadRequest(request.scope, request.receive)
            whole.content = body
            whole.document = await read(request, kind, body)
            if parts_of(body) <= FEW or waits:
                return await handle(whole)
            reading: asyncio.Lock = request.app.state.reading
            async with reading:
                return await handle(whole)

        return bounded


WITHOUT_BODY = ("copySandwich", "copyShelfEntry", "retirePlate")
"""Routes that make or change something by their address alone."""


def document_of(route: APIRoute) -> type | None:
    """The class of the document that a route takes; None for bytes and bare values."""
    kind = None if route.body_field is None else route.body_field.field_info.annotation
    return kind if isinstance(kind, type) and (issubclass(kind, BaseModel) or dataclasses.is_dataclass(kind)) else None


async def read(request: Request, kind: type, body: bytes) -> Any:
    """A document of a kind.

    Raises
    ------
    Refused
        Naming the first field that cannot be right.
    """
    if not is_text(body):
        raise Unreadable()
    parts = parts_of(body)
    if parts <= FEW:
        return read_here(kind, body)
    if parts > MOST:
        raise OverBudget(say("This has more corners and figures than any pile or plan. Nothing was stored. Make its outlines simpler."))
    workers = Workers(request.app.state.crew, request, request.headers.get("lofty-tab", "")[:64])
    fault = await workers.do(fault_in, kind, body)
    if fault is not None:
        raise refusal_of(fault)
    reading: asyncio.Lock = request.app.state.reading
    async with reading:  # others get their turn between two of them
        document = read_here(kind, body)
        await asyncio.sleep(0)
    return document


def is_text(body: bytes) -> bool:
    """True for UTF-8."""
    try:
        body.decode()
    except UnicodeDecodeError:
        return False
    return True


def read_here(kind: type, body: bytes) -> Any:
    """The same, in this process."""
    try:
        return adapter_of(kind).validate_json(body)
    except ValidationError as error:
        raise refusal_of(fault_of(error)) from None


def refusal_of(fault: Fault) -> ServiceError:
    """A fault as it is answered."""
    return Unreadable() if fault.unreadable else Refused(fault.message, field=fault.field)
