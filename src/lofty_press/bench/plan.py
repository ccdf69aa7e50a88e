"""Plan: sizes after one edit, cut lists against their bound, timetables against theirs; seeded jobs of cards in sixteenths and in millimetres."""

import random
import time
from dataclasses import replace
from fractions import Fraction

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.working.plan import (
    Before,
    Border,
    Job,
    Operation,
    Piece,
    PressPlace,
    Sheets,
    Shop,
    Size,
    Stock,
    faults,
    ordered_work,
    schedule,
    sizes_of,
    with_border,
)
from lofty_press.core.working.plan.cutting import Wanted
from lofty_press.core.working.plan.cutting.cut_list import cut_stock
from lofty_press.core.working.plan.formats import FORMATS
from lofty_press.core.working.plan.lengths import INCH
from lofty_press.core.working.work import WorkKey

NAMES = (
    "plan_sizes_ms",
    "plan_small_gap",
    "plan_small_ms",
    "plan_cut_gap",
    "plan_cut_s",
    "plan_schedule_gap",
    "plan_schedule_s",
    "plan_set_ups_saved",
    "plan_large_s",
)
SHEETS, JOBS, SMALL_JOBS = 60, 30, 500
SOLVING = 4.0  # s


def measure(wanted: set[str]) -> list[Figure]:
    """The figures that are asked for."""
    figures = []
    if "plan_sizes_ms" in wanted:
        figures.append(Figure("plan_sizes_ms", sizes_time(), "ms", 10.0))
    if {"plan_small_gap", "plan_small_ms"} & wanted:
        figures += few_cards()
    if {"plan_cut_gap", "plan_cut_s"} & wanted:
        figures += cutting()
    if {"plan_schedule_gap", "plan_schedule_s", "plan_set_ups_saved"} & wanted:
        figures += scheduling()
    if "plan_large_s" in wanted:
        figures.append(Figure("plan_large_s", large(), "s", 20.0))
    return [figure for figure in figures if figure.name in wanted]


def sizes_time() -> float:
    """One border changed in a card of forty pieces, everything solved anew. [ms]"""
    pieces = [Piece("p0", "Base", "base", size=Size(100 * INCH, 100 * INCH))]
    pieces += [Piece(f"p{n}", f"Layer {n}", "layer", on=f"p{n - 1}", border=Border.even(INCH / 8)) for n in range(1, 40)]
    job = Job("Card", 1, tuple(pieces))
    return float(np.percentile(timed(lambda: sizes_of(with_border(job, "p20", Border.even(INCH / 4))), times=60), 95))


def cut_job(seed: int) -> tuple[Stock, list[Wanted]]:
    """Some pieces of 20 to 200, and the sheets they come from."""
    chance = random.Random(seed)
    kinds, total = chance.randint(1, 6), chance.randint(20, 200)
    unit, least, most = (INCH / 16, 16, 104) if seed % 2 else (Fraction(1, 2), 60, 380)
    pieces = [
        Wanted(
            str(k), chance.randint(least, most) * unit, chance.randint(least, most) * unit, max(total // kinds, 1), chance.random() < 0.6
        )
        for k in range(kinds)
    ]
    sheet = FORMATS["letter"] if seed % 2 else FORMATS["a4"]
    return Stock("card", "Card", 0.3, 250, (Sheets("whole", Size(sheet.width, sheet.height), None),)), pieces


def few_cards() -> list[Figure]:
    """Jobs of one to six cards: sheets over the bound, which no cut list is below, and the slowest twentieth of those of up to ten pieces."""
    cut_stock(*card_job(0))
    sheets, least_of_all, times = 0, 0, []
    for seed in range(SMALL_JOBS):
        stock, pieces = card_job(seed)
        began = time.perf_counter()
        cuts, least, _ = cut_stock(stock, pieces)
        if sum(each.count for each in pieces) <= 10:
            times.append(1000 * (time.perf_counter() - began))
        sheets, least_of_all = sheets + sum(cut.count for cut in cuts), least_of_all + least
    return [
        Figure("plan_small_gap", sheets / least_of_all, "1", 1.0),
        Figure("plan_small_ms", float(np.percentile(times, 95)), "ms", 500.0),
    ]


def card_job(seed: int) -> tuple[Stock, list[Wanted]]:
    """What one to six cards are cut from one stock: a base, and up to three layers that are smaller than it."""
    chance = random.Random(seed)
    unit, count = INCH / 8, chance.randint(1, 6)
    wide, high = chance.randint(24, 44), chance.randint(24, 44)
    sides = [(2 * wide, high) if chance.random() < 0.7 else (wide, high)]
    sides += [(chance.randint(6, wide), chance.randint(6, high)) for _ in range(chance.randint(0, 3))]
    pieces = [Wanted(str(k), w * unit, h * unit, count, chance.random() < 0.7 or w * unit > 8 * INCH) for k, (w, h) in enumerate(sides)]
    sheet = FORMATS["letter"]
    return Stock("card", "Card", 0.3, 250, (Sheets("whole", Size(sheet.width, sheet.height), None),)), pieces


def cutting() -> list[Figure]:
    """Sheets over the proven bound, and how long the slowest job takes."""
    cut_stock(*cut_job(0))
    gaps, slowest = [], 0.0
    for seed in range(SHEETS):
        stock, pieces = cut_job(seed)
        began = time.perf_counter()
        cuts, least, _ = cut_stock(stock, pieces)
        slowest = max(slowest, time.perf_counter() - began)
        gaps.append(sum(cut.count for cut in cuts) / least)
    return [Figure("plan_cut_gap", float(np.mean(gaps)), "1", 1.03), Figure("plan_cut_s", slowest, "s", 2.0)]


def made_job(seed: int) -> tuple[tuple[Operation, ...], tuple[Before, ...], Shop]:
    """Cards of four to seven pieces in batches: 50 to 150 operations. One in four has a second pair of hands, one in four a second press."""
    chance = random.Random(seed)
    while True:
        pieces = []
        for n in range(chance.randint(4, 7)):
            works: list[WorkKey] = ["trim", "glue"] if n else ["trim", "score", "fold", "assemble"]
            works += ["emboss"] if chance.random() < 0.8 else []
            works += ["cut"] if chance.random() < 0.5 else []
            works += ["ink", "powder", "heat"] if chance.random() < 0.5 else []
            works += ["mist"] if "emboss" in works and chance.random() < 0.4 else []
            works += ["colour", "dry"] if chance.random() < 0.4 else []
            on = f"p{chance.randrange(n)}" if n else None
            pieces.append(
                Piece(
                    f"p{n}",
                    f"Piece {n}",
                    "layer" if n else "base",
                    on=on,
                    border=Border.even(Fraction(3)) if n else None,
                    works=tuple(works),
                    pile=f"pile {chance.randint(0, 3)}",
                )
            )
        job = Job("Job", chance.randint(10, 60), tuple(pieces))
        ordered = ordered_work(job, batch=max(job.count // chance.randint(2, 4), 1))
        presses = (PressPlace("a", "A"), PressPlace("b", "B"))[: 2 if chance.random() < 0.25 else 1]
        shop = Shop(hands=2 if chance.random() < 0.25 else 1, presses=presses)
        if 50 <= len(ordered.operations) <= 150:
            return ordered.operations, ordered.order, shop


def scheduling() -> list[Figure]:
    """Length over bound, the slowest, and what putting like runs together saves against doing batch after batch."""
    gaps, slowest, saved = [], 0.0, []
    for seed in range(JOBS):
        operations, order, shop = made_job(seed)
        began = time.perf_counter()
        table = schedule(operations, order, shop, seconds=SOLVING)
        slowest = max(slowest, time.perf_counter() - began)
        assert faults(table, operations, order, shop) == []
        gaps.append(table.gap)
        saved.append(1.0 - table.set_ups / max(batch_after_batch(operations), 1))
    return [
        Figure("plan_schedule_gap", float(np.mean(gaps)), "1", 1.05),
        Figure("plan_schedule_s", slowest, "s", 5.0),
        Figure("plan_set_ups_saved", float(np.mean(saved)), "1", None),
    ]


def batch_after_batch(operations: tuple[Operation, ...]) -> int:
    """How often the pile is changed by somebody who finishes one batch of cards before beginning the next."""
    runs = [each for each in operations if each.work.place == "press"]
    runs.sort(key=lambda each: each.piece.rpartition(" ")[2])
    piles = [each.pile for each in runs]
    return sum(one != before for one, before in zip(piles, [None, *piles[:-1]], strict=True))


def large() -> float:
    """Two thousand operations. [s]"""
    works: tuple[WorkKey, ...] = ("trim", "cut", "emboss", "glue")
    plain = Piece("", "", "panel", size=Size(INCH, INCH), works=works)
    pieces = tuple(replace(plain, key=f"p{n}", name=f"Panel {n}", pile=f"pile {n % 9}") for n in range(10))
    job = Job("Job", 50, pieces)
    ordered = ordered_work(job, batch=1)
    operations, order = ordered.operations, ordered.order
    began = time.perf_counter()
    schedule(operations, order, Shop())
    return time.perf_counter() - began
