"""Loopback only: who may talk to the application, how much they may send, and what the page may load."""

import re

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from lofty_press.service.errors import ErrorDetail, answer

LARGEST_BODY = 2_000_000  # bytes; a usual sandwich is under 200 kB, one with several outlines of 4 000 points under 1 MB
LARGEST_FILE = 24_500_000  # bytes; where whole files come in
LARGEST_PHOTO = 12_000_000
FILE_PATHS = ("/api/reliefs", "/api/sandwiches/file")
PHOTO_PATH = re.compile(r"/api/runs/[^/]+/photo")

NONCE_HEADER = "x-style-nonce"  # set by the page route, taken off again here: styles made by the page's own script carry it
POLICY = (
    "default-src 'none'; script-src 'self'; style-src {styles}; font-src 'self'; img-src 'self' data:; connect-src 'self'; "
    "base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
)
FIXED_HEADERS = {
    "x-content-type-options": "nosniff",
    "referrer-policy": "no-referrer",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
}


class BodyTooLarge(Exception):
    """The request's body passed the limit while it was being read."""


class Guard:
    """ASGI middleware that checks Host, Origin and body size and sets the protective headers."""

    def __init__(self, app: ASGIApp, *, port: int) -> None:
        self.app = app
        self.hosts = {f"{name}:{port}" for name in ("127.0.0.1", "localhost")}
        self.origins = {f"http://{host}" for host in self.hosts}

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return

        async def send_protected(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                for name, value in FIXED_HEADERS.items():
                    headers[name] = value
                nonce = headers.get(NONCE_HEADER)
                if nonce is not None:
                    del headers[NONCE_HEADER]
                headers["content-security-policy"] = POLICY.format(styles=f"'self' 'nonce-{nonce}'" if nonce else "'self'")
            await send(message)

        headers = Headers(scope=scope)
        most = largest_for(scope["path"])
        refusal = self._refusal(headers, most)
        if refusal is not None:
            await answer(*refusal)(scope, receive, send_protected)
            return
        started = False

        async def send_once(message: Message) -> None:
            nonlocal started
            started = True
            await send_protected(message)

        try:
            await self.app(scope, counted(receive, most), send_once)
        except BodyTooLarge:
            if not started:
                await answer(413, too_large(most))(scope, receive, send_protected)

    def _refusal(self, headers: Headers, most: int) -> tuple[int, ErrorDetail] | None:
        if headers.get("host", "") not in self.hosts:
            return 421, ErrorDetail(code="wrong-host", message="This application answers only to its own loopback address.")
        origin = headers.get("origin")
        if origin is not None and origin not in self.origins:
            return 403, ErrorDetail(code="wrong-origin", message="Requests from other pages are refused.")
        length = headers.get("content-length", "0")
        if not length.isdigit() or int(length) > most:
            return 413, too_large(most)
        return None


def largest_for(path: str) -> int:
    """The largest body that a path takes. [bytes]"""
    if path in FILE_PATHS:
        return LARGEST_FILE
    return LARGEST_PHOTO if PHOTO_PATH.fullmatch(path) else LARGEST_BODY


def too_large(most: int) -> ErrorDetail:
    what = {LARGEST_BODY: "no sandwich is that big", LARGEST_PHOTO: "take a smaller copy of the photo"}
    said = what.get(most, "no tool's file needs that much")
    return ErrorDetail(code="too-large", message=f"That is over {most // 1_000_000} MB; {said}. Nothing was stored.")


def counted(receive: Receive, most: int) -> Receive:
    """A `receive` that stops once more than the limit has come in, whatever the headers promised."""
    seen = 0

    async def receive_counted() -> Message:
        nonlocal seen
        message = await receive()
        seen += len(message.get("body", b""))
        if seen > most:
            raise BodyTooLarge
        return message

    return receive_counted
