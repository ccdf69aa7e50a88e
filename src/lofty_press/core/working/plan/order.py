"""The operations of a job: what is done to every piece, in which order, and what of a recipe cannot be kept."""

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, listed, named, say, together
from lofty_press.core.working.plan.job import Job, Piece, Run
from lofty_press.core.working.plan.tempo import USUAL, Tempo
from lofty_press.core.working.recipes import chain_of, effect_named
from lofty_press.core.working.work import WORKS, Arranged, Chain, Node, Work, WorkKey, arrange, chains_of

MOST = 2000
"""Operations in a job."""


@dataclass(frozen=True)
class Operation:
    """What is done in one go to all, or a batch of, one kind of piece.

    `work` says what it needs; `works` are all its kinds of work, done one after the other to each piece; `count` pieces; `pile` the sandwich
    on the press, if it is pressed; `tempo` how many times as long as usual it takes; `left` [s] of one that is going on, None before it has
    begun; `usual` [s] where that is not what its work tells; `at_a_time` so many pieces stay damp, or their ink wet, long enough.
    """

    key: str
    piece: str
    work: Work
    count: int
    pile: str | None = None
    tempo: float = 1.0
    left: int | None = None
    works: tuple[WorkKey, ...] = ()
    usual: float | None = None
    at_a_time: int | None = None

    @property
    def planned(self) -> int:
        """How long it takes from its beginning, to a whole second, without what a change of piles costs."""
        usual = self.work.begin + self.work.each * self.count if self.usual is None else self.usual
        return round(usual * self.tempo)

    @property
    def seconds(self) -> int:
        """How long it takes from now on, to a whole second."""
        return self.planned if self.left is None else self.left

    @property
    def hands(self) -> bool:
        """True if hands do it."""
        return self.work.hands

    @property
    def title(self) -> Message:
        """What is done."""
        if len(self.works) < 2:
            return self.work.title
        return say("{works}, piece by piece", works=listed([WORKS[key].title for key in self.works], ", "))


@dataclass(frozen=True)
class Before:
    """`first` is done before `then`; `must` if nobody can wish it otherwise."""

    first: str
    then: str
    why: Message
    must: bool = True


@dataclass(frozen=True)
class Broken:
    """What the trade does in this order, and this job does not: somebody wished it so, or two recipes want opposite things."""

    first: str
    then: str
    why: Message


@dataclass(frozen=True)
class Wanted:
    """An order that somebody asks for beside the rules: keys of operations."""

    first: str
    then: str


@dataclass(frozen=True)
class Ordered:
    """All operations of a job, what comes before what, and what is broken."""

    operations: tuple[Operation, ...]
    order: tuple[Before, ...]
    broken: tuple[Broken, ...] = ()


def ordered_work(
    job: Job, *, batch: int | None = None, tempo: Mapping[WorkKey, Tempo] | None = None, wanted: Iterable[Wanted] = ()
) -> Ordered:
    """Everything that is to be done, and its order.

    Parameters
    ----------
    job : Job
    batch : int or None
        Pieces done in one go; None for all of a kind together. What must follow soon is done piece by piece all the same.
    tempo : mapping of WorkKey to Tempo, optional
        How fast whoever works is; as is usual where nothing is known.
    wanted : iterable of Wanted
        Orders that are asked for: they come before rules of the trade that can be bent.

    Raises
    ------
    InvalidInput
        If that is more than anybody can follow, or if what is wanted contradicts what must be, or itself: the message is the chain that
        makes it.
    """
    wanted, known = tuple(wanted), tempo or {}
    operations: list[Operation] = []
    order: list[Before] = []
    broken: list[Broken] = []
    for piece in job.pieces:
        chains, told = chains_of_piece(piece), set[tuple[str, str]]()
        for name, batched in batches(job, piece, batch):
            prefix = f"{name}: "
            arranged = arranged_as(chains, prefix, wanted, called(job))
            operations += [operation(piece, name, node, batched, known) for node in arranged.nodes]
            if len(operations) > MOST:
                raise InvalidInput("pieces", len(operations), say("add up to over {most} operations; make the batches larger", most=MOST))
            order += [Before(prefix + edge.first, prefix + edge.then, edge.why, edge.must) for edge in arranged.edges]
            new = [edge for edge in arranged.broken if (edge.first, edge.then) not in told]
            told |= {(edge.first, edge.then) for edge in new}  # once for all batches
            broken += [Broken(prefix + edge.first, prefix + edge.then, edge.why) for edge in new]
    keys = {each.key for each in operations}
    order += [pair for piece in job.pieces for pair in onto(job, piece, operations)]
    order += asked_for(wanted, operations, {(pair.first, pair.then) for pair in order})
    ring = ring_in(keys, order)
    if ring:
        raise InvalidInput("wanted", ring[0].first, chain(ring, called(job)))
    return Ordered(tuple(operations), tuple(order), tuple(broken))


def chains_of_piece(piece: Piece) -> tuple[Chain, ...]:
    """Its recipes' work in the order in which they are listed, then the rest."""
    recipes = []
    left = dict.fromkeys(piece.works)
    for run in piece.runs:
        recipe = recipe_of(run)
        recipes.append(recipe)
        for step in recipe.steps:
            left.pop(step.work, None)
    if any(step.work in ("dry", "dry flat") for recipe in recipes for step in recipe.steps):
        left.pop("dry", None)
    return (*recipes, *chains_of(left, piece.pile))


def recipe_of(run: Run) -> Chain:
    """The work of one run; of one for nobody knows what only that it is pressed."""
    if run.effect is None:
        return chains_of(["mist", "emboss"] if run.mist else ["emboss"], run.pile)[0]
    effect = effect_named(run.effect)
    way = next((way for way in effect.ways if way.key == run.way), None)
    return chain_of(effect, way, mist=run.mist, ink=run.ink, pile=run.pile)


def batches(job: Job, piece: Piece, batch: int | None) -> list[tuple[str, tuple[int, int, int]]]:
    """Every batch of a piece: its name, and how many are finished, worked on in all, and go through the press."""
    whole, spare = job.number_of(piece), job.spare if piece.pressed else 0.0
    size = whole if batch is None else max(min(batch, whole), 1)
    parts = [min(size, whole - begun) for begun in range(0, whole, size)]
    found = []
    for n, count in enumerate(parts):
        more = math.ceil(count * (1.0 + spare)) + (piece.tries * piece.at_once if n == 0 else 0)
        name = piece.key if len(parts) == 1 else f"{piece.key} {n + 1}"
        found.append((name, (count, more, math.ceil(more / piece.at_once))))
        if len(found) > MOST:
            raise InvalidInput("pieces", len(found), say("add up to over {most} operations; make the batches larger", most=MOST))
    return found


def arranged_as(chains: Sequence[Chain], prefix: str, wanted: tuple[Wanted, ...], names: Mapping[str, str]) -> Arranged:
    """The order on one batch of a piece, with what is wanted of it.

    Raises
    ------
    InvalidInput
        If what is wanted cannot be, with the chain of reasons.
    """
    own = [one for one in wanted if one.first.startswith(prefix) and one.then.startswith(prefix)]
    keys: dict[str, str] = {}
    for node in arrange(chains).nodes if own else ():
        keys[prefix + node.key] = node.key
        keys.update({f"{prefix}{work}": node.key for work in node.works if f"{prefix}{work}" not in keys})
    pairs = [(keys[one.first], keys[one.then]) for one in own if one.first in keys and one.then in keys]
    arranged = arrange(chains, [pair for pair in pairs if pair[0] != pair[1]])
    if arranged.ring:
        ring = [Before(prefix + edge.first, prefix + edge.then, edge.why) for edge in arranged.ring]
        raise InvalidInput("wanted", ring[0].first, chain(ring, names))
    return arranged


FINISHING: tuple[WorkKey, ...] = ("trim down", "score", "glue", "fold", "tuck", "assemble", "address")
"""What is done to pieces that came out right; all before is done to the spare ones too."""


def counted(piece: Piece, key: WorkKey, counts: tuple[int, int, int]) -> int:
    """How often a kind of work is done: on finished pieces, on all, or on as many at once as go through the press."""
    finished, all_, together_ = counts
    if key in FINISHING:
        return finished
    return together_ if WORKS[key].place == "press" or piece.one_blank else all_


def operation(piece: Piece, name: str, node: Node, counts: tuple[int, int, int], tempo: Mapping[WorkKey, Tempo]) -> Operation:
    """One node of a piece as an operation on a batch."""
    main, usual = node.main, 0.0
    for step in node.steps:
        work = WORKS[step.work]
        number = counted(piece, step.work, counts)
        each = work.each if step.seconds is None else step.seconds
        usual += (work.begin + each * number) if work.hands else (work.begin if step.seconds is None else step.seconds)
    soon = [step.within for step in node.steps if step.within is not None]
    longest = max((WORKS[step.work].each if step.seconds is None else step.seconds for step in node.steps[1:]), default=0.0)
    return Operation(
        key=f"{name}: {node.key}",
        piece=name,
        work=main,
        count=counted(piece, main.key, counts),
        pile=node.pile,
        tempo=tempo.get(main.key, USUAL).factor,
        works=node.works,
        usual=usual,
        at_a_time=max(int(min(soon) // longest), 1) if soon and longest else None,
    )


BELOW: tuple[WorkKey, ...] = ("trim", "cut", "emboss", "heat", "trim down")
"""What is done to a piece before another is glued on it."""
LAST: tuple[WorkKey, ...] = ("glue", "assemble")


def onto(job: Job, piece: Piece, operations: Sequence[Operation]) -> list[Before]:
    """A piece is done before what it lies on is put together; one that is glued and lies on nothing told, before the card is."""
    of_piece: dict[str, list[Operation]] = {}
    for each in operations:
        of_piece.setdefault(each.piece, []).append(each)
    below = piece.on
    if below is None:
        bases = [other.key for other in job.pieces if other.kind == "base" and other.key != piece.key and "assemble" in other.works]
        if "glue" not in piece.works or piece.reused or not bases:
            return []
        below = bases[0]
    found = []
    for name, own in of_piece.items():
        if name != piece.key and not name.startswith(f"{piece.key} "):
            continue
        there = of_piece.get(below + name[len(piece.key) :]) or of_piece.get(below) or []
        ready = [each for each in there if set(each.works) & set(BELOW)]
        glued = next((each for each in own if "glue" in each.works), None)
        if glued is not None:
            found += [
                Before(each.key, glued.key, say("What's under it gets cut and pressed before you glue anything on.")) for each in ready
            ]
        target = next((each for work in reversed(LAST) for each in there if work in each.works), None)
        if target is None:
            continue
        why = say("Finish {piece} before it goes on what's under it.", piece=named(piece.name))
        found += [Before(each.key, target.key, why) for each in own if each.key != target.key]
    return found


def asked_for(wanted: Iterable[Wanted], operations: Sequence[Operation], there: set[tuple[str, str]]) -> list[Before]:
    """What is wanted between pieces, or is not yet among the rest; a kind of work stands for what it is done with in one go."""
    keys = {f"{each.piece}: {work}": each.key for each in reversed(operations) for work in each.works}
    keys.update({each.key: each.key for each in operations})
    found = []
    for one in wanted:
        for key in (one.first, one.then):
            if key not in keys:
                raise InvalidInput("wanted", key[:60], say("isn't an operation of this job"))
        first, then = keys[one.first], keys[one.then]
        if first != then and (first, then) not in there:
            found.append(Before(first, then, say("You asked for it.")))
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


def called(job: Job) -> dict[str, str]:
    """The names of pieces by their keys."""
    return {piece.key: piece.name for piece in job.pieces}


def chain(ring: Sequence[Before], names: Mapping[str, str]) -> Message:
    """The reasons of a ring, one after the other, with pieces by their names."""

    def told(key: str) -> Message:
        piece, _, works = key.partition(": ")
        name = names.get(piece) or names.get(piece.rpartition(" ")[0]) or piece
        return say(
            "{piece}: {works}", piece=named(name), works=listed([WORKS[w].title if w in WORKS else named(w) for w in parts(works)], ", ")
        )

    steps = [say("{first} before {then}. {why}", first=told(pair.first), then=told(pair.then), why=pair.why) for pair in ring]
    return together(say("contradict each other."), *steps)


def parts(works: str) -> list[str]:
    """The kinds of work in the key of an operation."""
    return works.rstrip("0123456789").strip().split(" + ")
