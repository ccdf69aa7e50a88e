"""Loopback only: who may talk to the application, how much they may send and how slowly, and what the page may load."""

import asyncio
import contextlib
import secrets
from collections.abc import Callable, Iterable
from urllib.parse import parse_qs

from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import HTMLResponse, Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from lofty_press.core.basics.words import say, seconds
from lofty_press.service.http.errors import ErrorDetail, TooLarge, answer

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


ENTRANCE = "/enter"
SLOWEST = 30.0  # s; for the next piece of a body
NOBODY = """<!doctype html><html lang="en"><meta charset="utf-8"><title>Lofty Press</title>
<style nonce="{nonce}">body {{ background: #f5f1e8; color: #22302b; font: 17px/1.5 sans-serif; margin: 64px; max-width: 560px }}
h1 {{ font-size: 26px; line-height: 1.2 }}</style>
<h1>Lofty Press is running, and this browser is not let in yet.</h1>
<p>Open the link that it printed when it was started. Each start has a new one; work that was not saved yet is still in the browser.</p></html>"""


class BodyRefused(Exception):
    """The request's body passed a limit while it was being read."""


def cookie_name(port: int) -> str:
    """The cookie that carries the key; cookies know no ports, so its name does."""
    return f"lofty-{port}"


def cookies_named(name: str, lines: Iterable[str]) -> list[str]:
    """The values of one cookie in the lines of a request; whatever other programs of this host left beside it says nothing of it.

    >>> cookies_named("key", ['a={"x":1}; key=one; key="two"; odd; key'])
    ['one', 'two']
    """
    pairs = (part.strip().partition("=") for line in lines for part in line.split(";"))
    return [value.strip().strip('"') for called, sign, value in pairs if sign and called.strip() == name]


class Guard:
    """ASGI middleware that checks Host, Origin, key and body size and sets the protective headers."""

    def __init__(self, app: ASGIApp, *, port: int, key: str, largest_for: Callable[[str], int]) -> None:
        """`largest_for` says how large a body a path takes. [bytes]"""
        self.app, self.largest_for = app, largest_for
        self.key, self.cookie = key, cookie_name(port)
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
        most = self.largest_for(scope["path"])
        refusal = self._refusal(headers, most)
        if refusal is not None:
            await answer(*refusal)(scope, receive, send_protected)
            return
        if scope["path"] == ENTRANCE:
            await self._enter(scope)(scope, receive, send_protected)
            return
        if not self._has_key(headers):
            await self._turned_away(scope)(scope, receive, send_protected)
            return
        body = Body(receive, most)
        started = False

        async def send_once(message: Message) -> None:
            nonlocal started
            if body.refusal is not None and not started:
                return  # what the application makes of a body that was cut off is not the answer
            started = True
            await send_protected(message)

        with contextlib.suppress(BodyRefused):
            await self.app(scope, body.receive, send_once)
        if body.refusal is not None and not started:
            await answer(*body.refusal)(scope, receive, send_protected)

    def _refusal(self, headers: Headers, most: int) -> tuple[int, ErrorDetail] | None:
        if headers.get("host", "") not in self.hosts:
            return 421, ErrorDetail(code="wrong-host", message=say("This application answers only at its own loopback address."))
        origin = headers.get("origin")
        if origin is not None and origin not in self.origins:
            return 403, ErrorDetail(code="wrong-origin", message=say("Requests from other pages are refused."))
        length = headers.get("content-length", "0")[:20]
        if not length.isdigit() or int(length) > most:
            return 413, TooLarge(most).detail
        return None

    def _has_key(self, headers: Headers) -> bool:
        given = cookies_named(self.cookie, headers.getlist("cookie"))
        return any(secrets.compare_digest(value.encode(), self.key.encode()) for value in given)

    def _enter(self, scope: Scope) -> Response:
        """The printed link leads here: a browser with the right key gets the cookie and goes on to the page."""
        given = parse_qs(scope.get("query_string", b"").decode("latin-1")).get("key", [""])[0]
        if scope["method"] != "GET" or not secrets.compare_digest(given.encode(), self.key.encode()):
            return self._turned_away(scope)
        response = Response(status_code=303, headers={"location": "/", "cache-control": "no-store"})
        response.set_cookie(self.cookie, self.key, httponly=True, samesite="strict", path="/")
        return response

    def _turned_away(self, scope: Scope) -> Response:
        if scope["path"].startswith("/api/"):
            words = say("Open the link Lofty Press printed when it started. Unsaved work stays on this page.")
            return answer(403, ErrorDetail(code="not-let-in", message=words))
        nonce = secrets.token_urlsafe(16)
        return HTMLResponse(NOBODY.format(nonce=nonce), status_code=403, headers={"cache-control": "no-store", NONCE_HEADER: nonce})


class Body:
    """A request's body as it comes in: refused once more than the limit is there, whatever the headers promised, or when too long nothing
    comes. `refusal` is the answer then."""

    def __init__(self, receive: Receive, most: int) -> None:
        self._receive, self._most = receive, most
        self._seen, self._whole = 0, False
        self.refusal: tuple[int, ErrorDetail] | None = None

    async def receive(self) -> Message:
        """The next message, as the application asks for it.

        Raises
        ------
        BodyRefused
            At a limit.
        """
        if self._whole:
            return await self._receive()
        try:
            async with asyncio.timeout(SLOWEST):
                message = await self._receive()
        except TimeoutError:
            words = say("The request stopped coming in for {time}. Nothing was stored.", time=seconds(SLOWEST))
            self.refusal = (408, ErrorDetail(code="too-slow", message=words))
            raise BodyRefused from None
        self._seen += len(message.get("body", b""))
        self._whole = message["type"] != "http.request" or not message.get("more_body", False)
        if self._seen > self._most:
            self.refusal = (413, TooLarge(self._most).detail)
            raise BodyRefused
        return message
