"""POST assess against a POST of the same body that is read and checked in the same way and then not worked on."""

from http.client import HTTPConnection

import numpy as np
from fastapi import FastAPI

from lofty_press.bench.core import ten_layers
from lofty_press.bench.figure import Figure, timed
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.documents.sandwich_file import write_sandwich
from lofty_press.runtime.parts import built_app
from lofty_press.runtime.serve import Running
from lofty_press.service.settings import Settings


def with_no_op(settings: Settings) -> FastAPI:
    """The application with one more route, for measuring only."""
    app = built_app(settings)

    def no_op(sandwich: Sandwich) -> dict[str, int]:
        return {"layers": len(sandwich.layers)}

    app.add_api_route("/measure/no-op", no_op, methods=["POST"])
    app.router.routes.insert(0, app.router.routes.pop())
    return app


def measure(running: Running) -> list[Figure]:
    """Median of both over one kept-open connection, taken in turn."""
    connection = HTTPConnection("127.0.0.1", running.door.port, timeout=30)
    cookie = "; ".join(f"{name}={value}" for name, value in running.door.cookies.items())
    body = write_sandwich(ten_layers()).encode()

    def post(path: str) -> None:
        connection.request("POST", path, body, {"content-type": "application/json", "cookie": cookie})
        answer = connection.getresponse()
        content = answer.read()
        if answer.status != 200:
            raise RuntimeError(f"{path} answered {answer.status}: {content[:200]!r}")

    ratios = []
    for _ in range(5):
        no_op = np.median(timed(lambda: post("/measure/no-op"), times=40))
        judged = np.median(timed(lambda: post("/api/assess"), times=40))
        ratios.append(judged / no_op)
    connection.close()
    return [Figure("assess_over_noop_post", float(np.median(ratios)), "x", 3.0)]
