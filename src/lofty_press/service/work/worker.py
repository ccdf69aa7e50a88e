"""The inside of a worker process: takes one task at a time and does it within the limits that it is told."""

import os
import resource
import signal
import traceback
from collections import OrderedDict
from dataclasses import dataclass
from multiprocessing.connection import Connection
from typing import Any

from lofty_press.core.basics.errors import InvalidInput, NoBalance, short
from lofty_press.core.sandwich.relief import Library
from lofty_press.documents.answers.refusal import worded
from lofty_press.service.work.tools import Job, Tools

PAGE = os.sysconf("SC_PAGE_SIZE")
GRACE = 2.0  # s of computing beyond a task's after which the kernel ends a worker whose service is gone
SWOLLEN = 200_000_000  # bytes that a worker may have grown by before another takes its place


@dataclass(frozen=True)
class Order:
    """A task as it is sent: what to do, with which arguments, for how long it may compute [s], with how much memory [MB]."""

    job: Job
    arguments: tuple[Any, ...]
    seconds: float
    megabytes: int


@dataclass(frozen=True)
class Answer:
    """What comes back at the end: `kind` says what `value` is. `swollen` asks for a fresh worker in place of this one."""

    kind: str
    value: Any
    swollen: bool = False


@dataclass(frozen=True)
class Question:
    """Something that only the service knows."""

    about: str
    key: Any


@dataclass(frozen=True)
class Unanswered:
    """Comes in place of an answer that the service could not give."""


@dataclass(frozen=True)
class Note:
    """Something sent on the way."""

    value: Any


class NoAnswer(Exception):
    """The service could not answer a question; it knows why."""


def memory() -> tuple[int, int]:
    """Address space and resident memory of this process. [bytes]"""
    with open("/proc/self/statm") as handle:
        total, resident = handle.read().split()[:2]
    return int(total) * PAGE, int(resident) * PAGE


def work(line: Connection, built_in: Library, nice: int) -> None:
    """Do tasks until the service hangs up."""
    os.nice(nice)
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    signal.signal(signal.SIGTERM, signal.SIG_DFL)
    signal.signal(signal.SIGPROF, signal.SIG_DFL)
    own_memory = memory()[1]

    def ask(about: str, key: Any) -> Any:
        line.send(Question(about, key))
        answer = line.recv()
        if isinstance(answer, Unanswered):
            raise NoAnswer
        return answer

    tools = Tools(built_in, ask, lambda value: line.send(Note(value)), OrderedDict())
    while True:
        try:
            order: Order = line.recv()
        except (EOFError, OSError):
            return
        answer = carry_out(order, tools)
        grown = memory()[1] - own_memory
        try:
            line.send(Answer(answer.kind, answer.value, answer.kind == "memory" or grown > SWOLLEN))
        except (BrokenPipeError, OSError):
            return


def carry_out(order: Order, tools: Tools) -> Answer:
    """Do one task; what is refused, and what goes wrong, is an answer too."""
    signal.setitimer(signal.ITIMER_PROF, order.seconds + GRACE)
    _, hard = resource.getrlimit(resource.RLIMIT_AS)
    resource.setrlimit(resource.RLIMIT_AS, (memory()[0] + order.megabytes * 1_000_000, hard))
    try:
        return Answer("done", order.job(tools, *order.arguments))
    except InvalidInput as error:
        return Answer("invalid", (error.field, worded(error.requirement), short(error.value)))
    except NoBalance as error:
        return Answer("no-balance", str(error))
    except NoAnswer:
        return Answer("unanswered", None)
    except (MemoryError, RecursionError):
        return Answer("memory", None)
    except Exception as error:
        if "bad_alloc" in str(error) or isinstance(error.__cause__, MemoryError):
            return Answer("memory", None)
        return Answer("failed", error_text(error))
    finally:
        resource.setrlimit(resource.RLIMIT_AS, (hard, hard))
        signal.setitimer(signal.ITIMER_PROF, 0)


def error_text(error: Exception) -> str:
    """The trace of an error nobody expected, for the log."""
    return "".join(traceback.format_exception(error))[-6000:]
