"""What the database's error codes mean for the person who waits for an answer."""

from typing import Literal

import pymysql

from lofty_press.service.http.errors import Busy, DatabaseAway, DiskFull, ServiceError

AWAY = (0, 1053, 1317, 1927, 2002, 2003, 2006, 2013, 2014, 2055)
"""No server at the other end, or it is going down."""
FULL = (3, 1021, 1026, 1114)
"""No room left on the disk."""
AGAIN = (1040, 1205, 1213)
"""Too many connections, a lock that did not come free, two writers in each other's way."""
NO_SPACE = ("errno: 28", "error 28", "Errcode: 28", "No space left")


def service_error(error: pymysql.err.Error, *, written: Literal["no", "unknown"]) -> Exception:
    """The refusal that stands for a driver's error; the error itself if it is none that can be expected."""
    code = error.args[0] if error.args and isinstance(error.args[0], int) else 0
    text = str(error.args[1]) if len(error.args) > 1 else ""
    if code in FULL or any(part in text for part in NO_SPACE):
        return DiskFull()
    if code in AGAIN:
        return Busy()
    if isinstance(error, pymysql.err.InterfaceError) or code in AWAY:
        return DatabaseAway(written=written)
    return error


def is_fault(error: Exception) -> bool:
    """True for refusals that pass by themselves."""
    return isinstance(error, ServiceError) and error.status in (503, 507)
