"""Refusals of the service and the one JSON shape in which they leave it."""

import logging
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ValidationError
from starlette.exceptions import HTTPException

from lofty_press.core.errors import InvalidInput
from lofty_press.documents.refusal import describe_validation

log = logging.getLogger("lofty_press")


class ErrorDetail(BaseModel):
    """What happened, in words for a person, and which field of the request it concerns."""

    code: str
    message: str
    field: str | None = None
    current: dict[str, Any] | None = None


class ErrorAnswer(BaseModel):
    """The body of every answer that is not a success."""

    error: ErrorDetail


class ServiceError(Exception):
    """A refusal with its HTTP status."""

    status = 500
    code = "internal"

    def __init__(self, message: str, *, field: str | None = None, current: dict[str, Any] | None = None) -> None:
        super().__init__(message)
        self.detail = ErrorDetail(code=self.code, message=message, field=field, current=current)


class NotFound(ServiceError):
    """The thing asked for is not there (any more)."""

    status = 404
    code = "not-found"


class Conflict(ServiceError):
    """The write was based on a version that is no longer the newest; `current` carries the newest."""

    status = 409
    code = "conflict"


class DatabaseAway(ServiceError):
    """The database cannot be reached just now; nothing was written by this request."""

    status = 503
    code = "database-away"

    def __init__(self) -> None:
        super().__init__("The database is not answering. Your work stays on this page and is saved as soon as it is back.")


class StoredUnreadable(ServiceError):
    """Something stored does not fit this version of the program; it is left as it is."""

    code = "stored-unreadable"

    def __init__(self, name: str, error: ValidationError) -> None:
        field, message = describe_validation(error.errors())
        super().__init__(
            f"“{name}” was stored by another version of this program and cannot be read: {message} It is left as it is.", field=field
        )


ANSWERS: dict[int | str, dict[str, Any]] = {
    404: {"model": ErrorAnswer, "description": "It does not exist (any more)."},
    409: {"model": ErrorAnswer, "description": "Somebody saved a newer version in the meantime."},
    422: {"model": ErrorAnswer, "description": "A field of the request cannot be right."},
    503: {"model": ErrorAnswer, "description": "The database is not answering; try again."},
}


def answer(status: int, detail: ErrorDetail) -> JSONResponse:
    """The one shape of refusals."""
    return JSONResponse(ErrorAnswer(error=detail).model_dump(exclude_none=True), status_code=status)


def install_error_handlers(app: FastAPI) -> None:
    """Map every exception to the one shape; an unknown one is a plain 500 without its text."""

    @app.exception_handler(ServiceError)
    def refuse(_: Request, error: ServiceError) -> JSONResponse:
        return answer(error.status, error.detail)

    @app.exception_handler(InvalidInput)
    def invalid(_: Request, error: InvalidInput) -> JSONResponse:
        return answer(422, ErrorDetail(code="invalid", message=str(error), field=error.field))

    @app.exception_handler(RequestValidationError)
    def malformed(_: Request, error: RequestValidationError) -> JSONResponse:
        field, message = describe_validation(error.errors())
        return answer(422, ErrorDetail(code="invalid", message=message, field=field))

    @app.exception_handler(HTTPException)
    def http(_: Request, error: HTTPException) -> JSONResponse:
        unreadable = error.status_code == 400
        message = "That is not JSON, or it is nested too deep." if unreadable else str(error.detail)
        return answer(error.status_code, ErrorDetail(code="unreadable" if unreadable else "http", message=message))

    @app.exception_handler(Exception)
    def unexpected(request: Request, error: Exception) -> JSONResponse:
        log.error("unexpected error at %s %s", request.method, request.url.path, exc_info=error)
        message = "Something went wrong here that should not have. Nothing was changed; try again."
        return answer(500, ErrorDetail(code="internal", message=message))
