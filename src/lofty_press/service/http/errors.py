"""Refusals of the service and the one JSON shape in which they leave it."""

import logging
from typing import Any, Literal

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from lofty_press.core.basics.errors import InvalidInput, short
from lofty_press.core.basics.words import NOTHING, Message, named, say, together
from lofty_press.documents.answers.refusal import describe_validation, worded
from lofty_press.documents.answers.words import Words

log = logging.getLogger("lofty_press")


Written = Literal["no", "unknown"]


class ErrorDetail(BaseModel):
    """What happened, in words for a person, and which field of the request it concerns, and what that held (`got`).

    `written` is there when a write failed for a passing reason: "no" if nothing of it was kept, "unknown" if it may have been. Either way
    the same request can be sent again.
    """

    code: str
    message: Words
    field: str | None = None
    got: str | None = None
    current: dict[str, Any] | None = None
    written: Written | None = None


class ErrorAnswer(BaseModel):
    """The body of every answer that is not a success."""

    error: ErrorDetail


class ServiceError(Exception):
    """A refusal with its HTTP status."""

    status = 500
    code = "internal"

    def __init__(
        self,
        message: Message,
        *,
        field: str | None = None,
        got: str | None = None,
        current: dict[str, Any] | None = None,
        written: Written | None = None,
    ) -> None:
        super().__init__(message)
        self.detail = ErrorDetail(code=self.code, message=message, field=field, got=got, current=current, written=written)


class NotFound(ServiceError):
    """The thing asked for is not there (any more)."""

    status = 404
    code = "not-found"


class Conflict(ServiceError):
    """The write was based on a version that is no longer the newest; `current` carries the newest."""

    status = 409
    code = "conflict"


class DatabaseAway(ServiceError):
    """The database cannot be reached just now."""

    status = 503
    code = "database-away"

    def __init__(self, *, written: Written = "no") -> None:
        text = say("The database isn't answering. Your work stays on this page and is saved as soon as it's back.")
        kept = say("The last change may already be saved. Sending it again keeps it once.") if written == "unknown" else NOTHING
        super().__init__(together(text, kept), written=written)


class DiskFull(ServiceError):
    """The disk has no room left."""

    status = 507
    code = "disk-full"

    def __init__(self) -> None:
        text = say(
            "The disk is full, so nothing can be saved. Free up some space. Your work stays on this page and is saved as soon as "
            "there's room."
        )
        super().__init__(text, written="no")


class Busy(ServiceError):
    """More is asked at once than can be answered."""

    status = 503
    code = "busy"

    def __init__(self, message: Message | None = None) -> None:
        crowded = say("Too much at once. Trying again in a moment.")
        super().__init__(message or crowded, written="no")


class Refused(ServiceError):
    """A value that cannot be right, or that a computation cannot work with."""

    status = 422
    code = "invalid"


class Unreadable(ServiceError):
    """A body that is no text, or nested without end."""

    status = 400
    code = "unreadable"

    def __init__(self) -> None:
        super().__init__(say("That isn't JSON, or it's nested too deep."))


class TooLarge(ServiceError):
    """A body larger than its route takes."""

    status = 413
    code = "too-large"

    def __init__(self, most: int) -> None:
        what = say("{most} kB", most=most // 1000) if most < 1_000_000 else say("{most} MB", most=most // 1_000_000)
        super().__init__(say("That's over {what}, more than we take here. Nothing was stored. Send less, or a smaller copy.", what=what))


class OverBudget(ServiceError):
    """A computation took more time or memory than a request may."""

    status = 422
    code = "over-budget"


class NoResult(ServiceError):
    """A computation did not settle."""

    status = 422
    code = "no-balance"


class KeyUsed(ServiceError):
    """A request's key stood for another request before."""

    status = 422
    code = "key-used"

    def __init__(self) -> None:
        super().__init__(say("This request's key belongs to an earlier one. Nothing was stored."), field="idempotency-key")


class StoredUnreadable(ServiceError):
    """Something stored does not fit this version of the program; it is left as it is."""

    status = 409
    code = "stored-unreadable"

    def __init__(self, name: str, reason: Message, *, field: str | None = None) -> None:
        self.reason = reason
        left = say("It's kept as is. You can save it to a file as stored, or remove it.")
        told = say("“{name}” was stored by another version of this program and can't be read: {reason}", name=name, reason=reason)
        super().__init__(together(told, left), field=field)


ANSWERS: dict[int | str, dict[str, Any]] = {
    400: {"model": ErrorAnswer, "description": "The request cannot be read."},
    404: {"model": ErrorAnswer, "description": "It does not exist (any more)."},
    409: {"model": ErrorAnswer, "description": "Somebody saved a newer version in the meantime."},
    422: {"model": ErrorAnswer, "description": "A field of the request cannot be right."},
    503: {"model": ErrorAnswer, "description": "The database is not answering, or too much is asked at once; try again."},
    507: {"model": ErrorAnswer, "description": "The disk is full."},
}


def answer(status: int, detail: ErrorDetail) -> JSONResponse:
    """The one shape of refusals."""
    return JSONResponse(ErrorAnswer(error=detail).model_dump(mode="json", exclude_none=True), status_code=status)


def install_error_handlers(app: FastAPI) -> None:
    """Map every exception to the one shape; an unknown one is a plain 500 without its text."""

    @app.exception_handler(ServiceError)
    def refuse(_: Request, error: ServiceError) -> JSONResponse:
        return answer(error.status, error.detail)

    @app.exception_handler(InvalidInput)
    def invalid(_: Request, error: InvalidInput) -> JSONResponse:
        return answer(422, ErrorDetail(code="invalid", message=worded(error.requirement), field=error.field, got=short(error.value)))

    @app.exception_handler(RequestValidationError)
    def malformed(_: Request, error: RequestValidationError) -> JSONResponse:
        field, message = describe_validation(error.errors())
        return answer(422, ErrorDetail(code="invalid", message=message, field=field))

    @app.exception_handler(HTTPException)
    def http(_: Request, error: HTTPException) -> JSONResponse:
        if error.status_code == 400:
            return answer(400, Unreadable().detail)
        return answer(error.status_code, ErrorDetail(code="http", message=named(str(error.detail))))

    @app.exception_handler(Exception)
    def unexpected(request: Request, error: Exception) -> JSONResponse:
        log.error("unexpected error at %s %s", request.method, request.url.path, exc_info=error)
        message = say("Something went wrong that shouldn't have. Nothing changed; try again.")
        return answer(500, ErrorDetail(code="internal", message=message))
