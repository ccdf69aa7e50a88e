"""Requests generated from the published description, right ones and wrong ones, and right ones made wrong in every place: none may be answered with a server
error."""

import json
import logging
import random
import warnings
from collections import Counter
from pathlib import Path
from typing import Any

import httpx
import schemathesis
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import seed as seeded
from schemathesis import GenerationMode
from schemathesis.core.result import Ok

from lofty_press.bench.figure import Figure
from lofty_press.service.http.own_work import OWN_WORK
from lofty_press.setup.paths import DOCS
from lofty_press.siege.mutate import wrong_file, wrong_json
from lofty_press.siege.samples import Sample, samples
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import besieged

ROUNDS = 30_000
BATCH = 12  # requests of one operation in a row
MUTATED = 6  # of each right request, each time round; twice as many as are generated


class Over(Exception):
    """The siege has ended."""


def measure(folder: Path, scope: Scope) -> Report:
    """Ask every operation in turn, some examples at a time."""
    logging.getLogger("hypothesis").setLevel(logging.ERROR)
    schema = schemathesis.openapi.from_dict(json.loads((DOCS / "openapi.json").read_text()))
    operations = [found.ok() for found in schema.get_all_operations() if isinstance(found, Ok)]
    done = 0
    statuses: Counter[int] = Counter()
    wrong: list[str] = []
    chance = random.Random(scope.seed)
    with besieged(folder) as target, target.client(60) as http:
        right = samples(http)

        def count(status: int, what: str) -> None:
            nonlocal done
            done += 1
            statuses[status] += 1
            if status >= 500 and status not in (503, 507):
                wrong.append(f"{what} {status}")

        def ask(case: Any) -> None:
            if not scope.goes_on(done):
                raise Over
            count(status_of(http, case), f"{case.method} {case.formatted_path} {shown(str(case.body).encode(errors='replace'))}")

        def ask_wrongly(sample: Sample) -> None:
            if not scope.goes_on(done):
                raise Over
            body = wrong_file(sample.content, chance) if sample.content else wrong_json(sample.document, chance)
            count(answer_to(http, sample, body), f"{sample.operation} {shown(body)}")

        try:
            for turn in range(10_000):
                for sample in chance.sample(right, len(right)):
                    for _ in range(MUTATED):
                        ask_wrongly(sample)
                for number, operation in enumerate(chance.sample(operations, len(operations))):
                    for_all(operation, ask, scope.seed + 1000 * turn + number)
        except Over:
            pass
    counts: dict[str, float | str] = {"generated requests": done, "answered well": sum(n for s, n in statuses.items() if s < 400)}
    if wrong:
        counts["first errors"] = "; ".join(wrong[:5])
    return Report([Figure("server_errors_generated", len(wrong), "1", 0)], counts)


def for_all(operation: Any, ask: Any, number: int) -> None:
    """A batch of requests of one operation."""
    for mode in (GenerationMode.POSITIVE, GenerationMode.NEGATIVE):
        try:
            strategy = operation.as_strategy(generation_mode=mode)

            @seeded(number)
            @settings(
                max_examples=BATCH,
                deadline=None,
                database=None,
                phases=[Phase.generate],
                suppress_health_check=list(HealthCheck),
            )
            @given(case=strategy)
            def batch(case: Any) -> None:
                ask(case)

            with warnings.catch_warnings():
                warnings.simplefilter("ignore")
                batch()
        except Over:
            raise
        except Exception as error:  # an operation that cannot be generated in this way, such as one without anything to get wrong
            logging.getLogger("lofty_press").info("nothing generated for %s: %s", operation.label, error)


def answer_to(http: httpx.Client, sample: Sample, body: bytes) -> int:
    """Status of the answer to a right request with another body; 599 if there was none."""
    if len(body) > OWN_WORK[sample.operation].most:
        return 413  # refused by its length; what is still on its way is not waited for, so the answer may not be seen
    try:
        return http.request(**sample.sent(body)).status_code
    except httpx.HTTPError:
        return 599


def shown(body: bytes) -> str:
    """The beginning of a body, to make it again by."""
    return repr(body[:160])


def status_of(http: httpx.Client, case: Any) -> int:
    """Status of the answer to a generated request; 200 where it cannot be sent at all."""
    try:
        sent = case.as_transport_kwargs(base_url=str(http.base_url))
        sent.pop("cookies", None)
        return http.request(**{name: value for name, value in sent.items() if value is not None}).status_code
    except (httpx.InvalidURL, httpx.LocalProtocolError, UnicodeError, ValueError, TypeError):
        return 200
    except httpx.HTTPError:
        return 599
