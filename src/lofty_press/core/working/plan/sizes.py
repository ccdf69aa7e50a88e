"""Sizes of all pieces from one of them and the borders: upwards, downwards, exact."""

from collections import deque
from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction
from typing import Literal

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, say
from lofty_press.core.working.plan.job import Border, Job, Piece, Size
from lofty_press.core.working.plan.lengths import shown

Follows = Literal["borders", "sizes"]
"""What gives way to a size that is set: the borders around that piece, or the sizes of all others."""


def sizes_of(job: Job) -> dict[str, Size]:
    """Every piece's size.

    Parameters
    ----------
    job : Job

    Returns
    -------
    dict of str to Size
        By the pieces' keys, in their order; folded where a piece has a fold. [mm]

    Raises
    ------
    InvalidInput
        Names the piece: if nothing or two things say how large it is, if borders meet, or if it is larger than what it lies on.

    Notes
    -----
    A piece and what it lies on differ by the border, so that one size fixes all that lie on one another: a tree is walked from the piece
    whose size is given. Sums and differences of fractions are exact.
    """
    pieces = by_key(job)
    found: dict[str, Size] = {}
    for tree in trees(job, pieces):
        given = [key for key in tree if pieces[key].size is not None]
        if not given:
            raise InvalidInput(f"pieces.{tree[0]}.size", None, say("one of the pieces in this stack needs a size"))
        walk(job, pieces, given[0], found)
        for key in given[1:]:
            agree(pieces[key], found[key])
    return {piece.key: found[piece.key] for piece in job.pieces}


def by_key(job: Job) -> dict[str, Piece]:
    """The pieces by their keys.

    Raises
    ------
    InvalidInput
        If two have the same one, or one lies on a piece that is not there, or on nothing with a border.
    """
    pieces = {piece.key: piece for piece in job.pieces}
    if len(pieces) != len(job.pieces):
        raise InvalidInput("pieces", None, say("two pieces have the same key"))
    for piece in job.pieces:
        if piece.on is not None and piece.on not in pieces:
            raise InvalidInput(f"pieces.{piece.key}.on", piece.on, say("isn't a piece of this job"))
        if (piece.on is None) != (piece.border is None):
            raise InvalidInput(f"pieces.{piece.key}.border", None, say("goes with the piece under it: give both, or neither"))
    return pieces


def trees(job: Job, pieces: dict[str, Piece]) -> Iterator[list[str]]:
    """Pieces that lie on one another, group by group.

    Raises
    ------
    InvalidInput
        If pieces lie on one another in a ring.
    """
    roots: dict[str, list[str]] = {}
    for piece in job.pieces:
        below, passed = piece, {piece.key}
        while below.on is not None:
            below = pieces[below.on]
            if below.key in passed:
                raise InvalidInput(f"pieces.{piece.key}.on", piece.on, say("ends up on top of itself"))
            passed.add(below.key)
        roots.setdefault(below.key, []).append(piece.key)
    yield from roots.values()


def walk(job: Job, pieces: dict[str, Piece], start: str, found: dict[str, Size]) -> None:
    """Sizes of everything that hangs together with a piece, from that one on."""
    size = pieces[start].size
    assert size is not None
    found[start] = checked(pieces[start], size)
    waiting = deque([start])
    while waiting:
        piece = pieces[waiting.popleft()]
        size = found[piece.key]
        if piece.on is not None and piece.border is not None and piece.on not in found:
            all_ = piece.together(size)
            below = pieces[piece.on]
            outer = Size(all_.width + piece.border.across, all_.height + piece.border.upright)
            found[piece.on] = checked(below, outer)
            waiting.append(piece.on)
        for above in job.pieces:
            if above.on == piece.key and above.border is not None and above.key not in found:
                inner = Size(size.width - above.border.across, size.height - above.border.upright)
                found[above.key] = checked(above, above.part_of(inner))
                waiting.append(above.key)


def checked(piece: Piece, size: Size) -> Size:
    """A size that a piece can have."""
    if size.width <= 0 or size.height <= 0:
        raise InvalidInput(f"pieces.{piece.key}.border", None, say("is too wide: nothing is left of {name}", name=piece.name))
    border = piece.border
    if border is not None and min(border.left, border.right, border.top, border.bottom) < 0:
        raise InvalidInput(f"pieces.{piece.key}.size", None, say("is larger than the piece under it"))
    return size


def agree(piece: Piece, follows: Size) -> None:
    """Two sizes that were given must say the same."""
    if piece.size != follows:
        raise InvalidInput(
            f"pieces.{piece.key}.size",
            None,
            say(
                "has another size already, which makes it {width} x {height}; leave one of them open",
                width=shown(follows.width),
                height=shown(follows.height),
            ),
        )


def with_size(job: Job, key: str, size: Size, follows: Follows, *, grid: Fraction | None = None) -> Job:
    """A job in which a piece has another size.

    Parameters
    ----------
    job : Job
    key : str
        The piece.
    size : Size
        Its new size. [mm]
    follows : {"borders", "sizes"}
        `borders`: what it lies on stays, its border is shared out evenly, and what lies on it keeps its borders. `sizes`: all borders stay,
        and every size follows from this one.
    grid : Fraction or None
        Finest mark of the ruler, to which an odd border is shared out; None for exact halves. [mm]

    Raises
    ------
    InvalidInput
        If there is no such piece, or as of `sizes_of`.
    """
    before = sizes_of(job)
    piece = named(job, key)
    if follows == "sizes" or piece.on is None:
        changed = anchored(job, key, size)
    else:
        outer = before[piece.on]
        border = between(outer, piece.together(size), piece, grid)
        changed = replace(
            job, pieces=tuple(replace(p, border=border, size=None) if p.key == key else p for p in anchored_at_root(job, key))
        )
    sizes_of(changed)
    return changed


def with_border(job: Job, key: str, border: Border) -> Job:
    """A job in which the border around a piece is another; the piece and what lies on it follow, what it lies on stays.

    Raises
    ------
    InvalidInput
        If there is no such piece, or as of `sizes_of`.
    """
    named(job, key)
    changed = replace(job, pieces=tuple(replace(p, border=border, size=None) if p.key == key else p for p in anchored_at_root(job, key)))
    sizes_of(changed)
    return changed


def named(job: Job, key: str) -> Piece:
    """A piece by its key.

    Raises
    ------
    InvalidInput
        If there is none.
    """
    for piece in job.pieces:
        if piece.key == key:
            return piece
    raise InvalidInput("piece", key[:60], say("isn't a piece of this job"))


def anchored(job: Job, key: str, size: Size) -> Job:
    """The job with this piece's size given, and no other's that hangs together with it."""
    tree = next(tree for tree in trees(job, by_key(job)) if key in tree)
    return replace(job, pieces=tuple(replace(p, size=size if p.key == key else None) if p.key in tree else p for p in job.pieces))


def anchored_at_root(job: Job, key: str) -> tuple[Piece, ...]:
    """The pieces with the size given of what lies below all others, so that it stays when a border changes."""
    pieces, sizes = by_key(job), sizes_of(job)
    root = pieces[key]
    while root.on is not None:
        root = pieces[root.on]
    return anchored(job, root.key, sizes[root.key]).pieces


def between(outer: Size, inner: Size, piece: Piece, grid: Fraction | None) -> Border:
    """The even border of one size on another; where it was heavier below, it stays so."""
    old = piece.border or Border.even(Fraction(0))
    across, upright = outer.width - inner.width, outer.height - inner.height
    if across < 0 or upright < 0:
        raise InvalidInput(f"pieces.{piece.key}.size", None, say("is larger than the piece under it"))
    heavier = min(max(old.bottom - old.top, Fraction(0)), upright)
    left, top = (half if grid is None else half // grid * grid for half in (across / 2, (upright - heavier) / 2))
    return Border(left, across - left, top, upright - top)


def off_the_ruler(job: Job, unit_grid: Fraction) -> dict[str, Message]:
    """Pieces whose size no ruler shows in the given grid [mm], with the nearest that it does."""
    said = {}
    for key, size in sizes_of(job).items():
        marks = [round(side / unit_grid) * unit_grid for side in (size.width, size.height)]
        if marks != [size.width, size.height]:
            said[key] = say(
                "is between two marks of the ruler; the nearest is {width} x {height}", width=shown(marks[0]), height=shown(marks[1])
            )
    return said
