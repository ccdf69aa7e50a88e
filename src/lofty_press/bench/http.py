"""POST assess against the bare computation of the same answer."""

from http.client import HTTPConnection

import numpy as np

from lofty_press.bench.core import ten_layers
from lofty_press.bench.figure import Figure, timed
from lofty_press.core.judging.assess import assess
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.documents.answers.assessment import describe
from lofty_press.documents.files.sandwich_file import write_sandwich
from lofty_press.runtime.serve import Running


def measure(running: Running) -> list[Figure]:
    """Medians of both, the POST over one kept-open connection, taken in turn."""
    connection = HTTPConnection("127.0.0.1", running.door.port, timeout=30)
    cookie = "; ".join(f"{name}={value}" for name, value in running.door.cookies.items())
    body = write_sandwich(ten_layers()).encode()

    def post(path: str) -> None:
        connection.request("POST", path, body, {"content-type": "application/json", "cookie": cookie})
        answer = connection.getresponse()
        content = answer.read()
        if answer.status != 200:
            raise RuntimeError(f"{path} answered {answer.status}: {content[:200]!r}")

    def bare() -> None:
        describe(assess(ten_layers(), demo_relief), with_map=False).model_dump_json()

    over = []
    for _ in range(5):
        computed = np.median(timed(bare, times=40))
        judged = np.median(timed(lambda: post("/api/assess"), times=40))
        over.append(judged - computed)
    connection.close()
    return [Figure("assess_post_ms_over_core", float(np.median(over)), "ms", 2.0)]
