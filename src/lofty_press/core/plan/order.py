"""The operations of a job, what must come before what, and the chain of reasons where that cannot be."""

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace

from lofty_press.core.errors import InvalidInput
from lofty_press.core.plan.job import Job, Piece
from lofty_press.core.plan.tempo import USUAL, Tempo
from lofty_press.core.plan.work import RULES, WORKS, Rule, Work, WorkKey
from lofty_press.core.words import Message, named, say, together

MOST = 2000
"""Operations in a job."""


@dataclass(frozen=True)
class Operation:
    """One kind of work on all, or a batch of, one kind of piece.

    `count` pieces; `seconds` in all without what a change of piles costs; `pile` the sandwich on the press, if it is pressed; `tempo` how
    many times as long as usual it takes; `left` [s] of one that is going on, None before it has begun.
    """

    key: str
    piece: str
    work: Work
    count: int
    pile: str | None = None
    tempo: float = 1.0
    left: int | None = None

    @property
    def planned(self) -> int:
        """How long it takes from its beginning, to a whole second."""
        return round((self.work.begin + self.work.each * self.count) * self.tempo)

    @property
    def seconds(self) -> int:
        """How long it takes from now on, to a whole second."""
        return self.planned if self.left is None else self.left


@dataclass(frozen=True)
class Before:
    """`first` is done before `then`; `within` [s] of it, if that matters."""

    first: str
    then: str
    why: Message
    within: float | None = None


@dataclass(frozen=True)
class Wanted:
    """An order that somebody asks for beside the rules: keys of operations."""

    first: str
    then: str


def operations_of(job: Job, *, batch: int | None = None, tempo: Mapping[WorkKey, Tempo] | None = None) -> tuple[Operation, ...]:
    """What is to be done, piece by piece.

    Parameters
    ----------
    job : Job
    batch : int or None
        Pieces done in one go; None for all of a kind together.
    tempo : mapping of WorkKey to Tempo, optional
        How fast whoever works is; as is usual where nothing is known.

    Raises
    ------
    InvalidInput
        If that is more than anybody can follow.
    """
    found = []
    for piece in job.pieces:
        whole, spare = job.count * piece.in_card, job.spare if piece.pile is not None else 0.0
        size = whole if batch is None else max(min(batch, whole), 1)
        parts = [min(size, whole - begun) for begun in range(0, whole, size)]
        for n, count in enumerate(parts):
            ending = "" if len(parts) == 1 else f" {n + 1}"
            more = math.ceil(count * (1.0 + spare)) + (piece.tries * piece.at_once if n == 0 else 0)
            together = math.ceil(more / piece.at_once)
            done = {key: counted(piece, key, count, more, together) for key in WORKS if key in piece.works}
            found += [operation(piece, key, number, ending) for key, number in done.items()]
            if len(found) > MOST:
                raise InvalidInput("pieces", len(found), say("come to over {most} operations; make the batches larger", most=MOST))
    known = tempo or {}
    return tuple(replace(each, tempo=known.get(each.work.key, USUAL).factor) for each in found)


FINISHING: tuple[WorkKey, ...] = ("trim down", "score", "glue", "fold", "assemble", "address")
"""What is done to pieces that came out right; all before is done to the spare ones too."""


def counted(piece: Piece, key: WorkKey, finished: int, all_: int, together: int) -> int:
    """How often a kind of work is done: on finished pieces, on all, or on as many at once as go through the press."""
    if key in FINISHING:
        return finished
    return together if WORKS[key].place == "press" or piece.one_blank else all_


def operation(piece: Piece, key: WorkKey, count: int, ending: str) -> Operation:
    """One operation of a piece."""
    return Operation(
        f"{piece.key}{ending}: {key}", f"{piece.key}{ending}", WORKS[key], count, piece.pile if WORKS[key].place == "press" else None
    )


def order_of(job: Job, operations: Iterable[Operation], wanted: Iterable[Wanted] = ()) -> tuple[Before, ...]:
    """Who must come before whom, and why.

    Raises
    ------
    InvalidInput
        If what is wanted contradicts the rules, or itself: the message is the chain that makes it.
    """
    operations = tuple(operations)
    of_piece: dict[str, dict[str, Operation]] = {}
    for each in operations:
        of_piece.setdefault(each.piece, {})[each.work.key] = each
    found = [pair for works in of_piece.values() for pair in by_rules(works)]
    found += [pair for piece in job.pieces if piece.on is not None for pair in onto(piece, of_piece)]
    keys = {each.key for each in operations}
    for one in wanted:
        for key in (one.first, one.then):
            if key not in keys:
                raise InvalidInput("wanted", key[:60], say("is no operation of this job"))
        found.append(Before(one.first, one.then, say("Asked for.")))
    ring = ring_in(keys, found)
    if ring:
        raise InvalidInput("wanted", ring[0].first, chain(ring))
    return tuple(found)


def by_rules(works: dict[str, Operation]) -> list[Before]:
    """The rules that speak of what is done to one piece."""
    return [
        Before(works[r.first].key, works[r.then].key, r.why, within_of(r, works)) for r in RULES if r.first in works and r.then in works
    ]


def within_of(rule: Rule, works: dict[str, Operation]) -> float | None:
    """How soon after it; a whole batch cannot be done sooner than it takes."""
    return None if rule.within is None else max(rule.within, float(works[rule.then].seconds))


LAST = ("glue", "assemble")


def onto(piece: Piece, of_piece: dict[str, dict[str, Operation]]) -> list[Before]:
    """A piece is done before what it lies on is put together."""
    found = []
    for key, works in of_piece.items():
        if key != piece.key and not key.startswith(f"{piece.key} "):
            continue
        below = str(piece.on) + key[len(piece.key) :]
        there = of_piece.get(below) or of_piece.get(str(piece.on)) or {}
        target = next((there[work] for work in reversed(LAST) if work in there), None)
        if target is None:
            continue
        why = say("{piece} is finished before it goes on what it lies on.", piece=named(piece.name))
        found += [Before(each.key, target.key, why) for each in works.values() if each.key != target.key]
    return found


def ring_in(keys: set[str], pairs: list[Before]) -> list[Before]:
    """A ring of operations that each must come before the next; empty if there is none."""
    after: dict[str, list[Before]] = {key: [] for key in keys}
    for pair in pairs:
        after[pair.first].append(pair)
    done: set[str] = set()
    for start in sorted(keys):
        if start in done:
            continue
        path: list[Before] = []
        on_path = {start: 0}
        waiting = [iter(after[start])]
        while waiting:
            step = next(waiting[-1], None)
            if step is None:
                waiting.pop()
                done.add(path[-1].then if path else start)
                if path:
                    del on_path[path.pop().then]
                continue
            if step.then in on_path:
                return [*path[on_path[step.then] :], step]
            if step.then not in done:
                path.append(step)
                on_path[step.then] = len(path)
                waiting.append(iter(after[step.then]))
    return []


def chain(ring: list[Before]) -> Message:
    """The reasons of a ring, one after the other."""
    steps = [say("{first} before {then}: {why}", first=named(pair.first), then=named(pair.then), why=pair.why) for pair in ring]
    return together(say("contradict one another."), *steps)
