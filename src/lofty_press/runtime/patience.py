"""The HTTP protocol with an end to its patience: sockets that send nothing whole, or take nothing, are closed."""

import asyncio
from typing import Any

from uvicorn.protocols.http.h11_impl import H11Protocol

PATIENCE = 30.0  # s
LOOKS = 5.0  # s


class PatientProtocol(H11Protocol):
    """Closes a connection on which no request becomes whole, and one whose other end does not read its answer."""

    def connection_made(self, transport: Any) -> None:
        super().connection_made(transport)
        self.idle_since = self.stuck_since = self.loop.time()
        self.stuck_with = 0
        self.sweep: asyncio.TimerHandle = self.loop.call_later(LOOKS, self.look)

    def connection_lost(self, exc: Exception | None) -> None:
        self.sweep.cancel()
        super().connection_lost(exc)

    def look(self) -> None:
        """See whether something moved since the last look."""
        now = self.loop.time()
        unread = self.transport.get_write_buffer_size()
        if unread == 0 or unread != self.stuck_with:
            self.stuck_since, self.stuck_with = now, unread
        if self.cycle is not None and not self.cycle.response_complete:
            self.idle_since = now
        if now - self.stuck_since > PATIENCE or now - self.idle_since > PATIENCE:
            self.transport.abort()
            return
        self.sweep = self.loop.call_later(LOOKS, self.look)
