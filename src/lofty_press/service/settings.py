"""What the service needs to know about its surroundings."""

from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path


@dataclass(frozen=True)
class DatabaseSettings:
    """Address and account of the MariaDB server."""

    host: str
    port: int
    user: str
    password: str
    name: str


@dataclass(frozen=True)
class Settings:
    """Settings of one running application.

    `trouble` tells why the database is away just now, in words; `scratch` is a folder of the application's own for files on their way in or out (None: the system's);
    `port` is the port that the Host and Origin headers must name, `key` lets in who started it; `page` is the folder of the built page.
    """

    database: DatabaseSettings
    port: int
    key: str
    page: Path | None = None
    scratch: Path | None = None
    trouble: Callable[[], str | None] = lambda: None
