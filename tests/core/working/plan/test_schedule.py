"""Order and timetable: a published optimum, and rules held by code that knows nothing of the solver."""

import random
from dataclasses import replace
from fractions import Fraction

import pytest

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.working.plan import (
    Before,
    Border,
    Job,
    Operation,
    Piece,
    PressPlace,
    Shop,
    Size,
    WantedOrder,
    faults,
    ordered_work,
    schedule,
    still_to_do,
)
from lofty_press.core.working.plan.schedule.by_hand import HABITS, make_by
from lofty_press.core.working.work import RULES, WORKS

# machine and time of each step of six jobs: Fisher and Thompson 1963, 6 x 6, shortest 55; value from memory
SIX = [
    [(2, 1), (0, 3), (1, 6), (3, 7), (5, 3), (4, 6)],
    [(1, 8), (2, 5), (4, 10), (5, 10), (0, 10), (3, 4)],
    [(2, 5), (3, 4), (5, 8), (0, 9), (1, 1), (4, 7)],
    [(1, 5), (0, 5), (2, 5), (3, 3), (4, 8), (5, 9)],
    [(2, 9), (1, 3), (4, 5), (5, 4), (0, 3), (3, 1)],
    [(1, 3), (3, 3), (5, 9), (0, 10), (4, 4), (2, 1)],
]


def test_a_published_job_shop_is_solved_to_its_optimum():
    operations, order = [], []
    for j, steps in enumerate(SIX):
        for n, (machine, time) in enumerate(steps):
            work = replace(WORKS["emboss"], begin=time, each=0)
            operations.append(Operation(f"{j}.{n}", str(j), work, 1, f"m{machine}"))
            if n:
                order.append(Before(f"{j}.{n - 1}", f"{j}.{n}", say("Next.")))
    shop = Shop(hands=6, presses=tuple(PressPlace(f"m{m}", f"m{m}", frozenset({f"m{m}"}), set_up=0) for m in range(6)))
    table = schedule(tuple(operations), tuple(order), shop, seconds=60)
    assert faults(table, tuple(operations), tuple(order), shop) == []
    assert (table.length, table.bound) == (55, 55)


def made_up(seed):
    chance = random.Random(seed)
    pieces = [Piece("p0", "Base", "base", size=Size(Fraction(100), Fraction(100)), works=("trim", "score", "fold", "assemble", "address"))]
    for n in range(1, chance.randint(3, 6)):
        works = ["trim", "emboss", "glue"]
        works += [work for work in ("mist", "cut", "colour", "dry") if chance.random() < 0.5]
        works += ["ink", "powder", "heat"] if chance.random() < 0.5 else []
        on = f"p{chance.randrange(n)}"
        pieces.append(
            Piece(
                f"p{n}",
                f"Piece {n}",
                "layer",
                on=on,
                border=Border.even(Fraction(3)),
                works=tuple(works),
                pile=f"pile {chance.randint(0, 2)}",
            )
        )
    job = Job("Job", chance.randint(4, 40), tuple(pieces))
    ordered = ordered_work(job, batch=max(job.count // chance.randint(1, 3), 1))
    shop = Shop(
        hands=chance.randint(1, 2),
        presses=(PressPlace("a", "A"), PressPlace("b", "B"))[: chance.randint(1, 2)],
        rack=chance.choice([8, 400]),
    )
    return ordered.operations, ordered.order, shop


@pytest.mark.parametrize("seed", range(12))
def test_every_timetable_keeps_every_rule(seed):
    operations, order, shop = made_up(seed)
    for habit in HABITS:
        assert faults(make_by(habit, operations, order, shop), operations, order, shop) == [], habit
    for aim in ("shortest", "fewest set-ups"):
        table = schedule(operations, order, shop, aim=aim, seconds=1.0)
        assert faults(table, operations, order, shop) == []
        assert table.bound <= table.length


def test_what_is_broken_is_found():
    """The checker itself, on timetables spoiled in one place each."""
    operations, order, shop = made_up(3)
    table = schedule(operations, order, shop, seconds=1.0)
    first, last = order[0].first, max(table.slots, key=lambda slot: slot.end)
    for spoiled in (
        [slot for slot in table.slots if slot.key != first],
        [replace(slot, end=slot.end + 1) if slot.key == first else slot for slot in table.slots],
        [replace(slot, begin=0, start=0, end=slot.end - slot.start) if slot is last else slot for slot in table.slots],
        [replace(slot, press=None) for slot in table.slots],
    ):
        assert faults(replace(table, slots=tuple(spoiled)), operations, order, shop)


def test_like_runs_come_together_and_save_changes():
    """Card after card, two piles a card, would change the pile for every run."""
    pieces = [
        Piece(str(n), f"Panel {n}", "panel", size=Size(Fraction(50), Fraction(50)), works=("emboss",), pile=f"pile {n % 2}")
        for n in range(8)
    ]
    operations = ordered_work(Job("Job", 1, tuple(pieces))).operations
    table = schedule(operations, (), Shop(), seconds=5)
    assert table.set_ups == 2
    assert table.length == table.bound


def test_a_die_cut_flower_is_cut_first_and_a_background_set_before_the_pass():
    """Common practice, no published source."""
    flower = Piece(
        "flower",
        "Flower",
        "die cut",
        size=Size(Fraction(50), Fraction(50)),
        works=("emboss", "cut", "ink", "powder", "heat", "glue"),
        pile="a",
    )
    job = Job("Job", 3, (flower,))
    ordered = ordered_work(job)
    starts = {slot.key: slot.start for slot in schedule(ordered.operations, ordered.order, Shop(), seconds=2).slots}
    assert starts["flower: cut"] < starts["flower: emboss"] < starts["flower: glue"]
    assert starts["flower: ink + powder"] < starts["flower: heat"] < starts["flower: cool"] < starts["flower: emboss"]


def test_the_rules_never_contradict_one_another():
    everything = Piece("all", "All", "panel", size=Size(Fraction(50), Fraction(50)), works=tuple(set(WORKS) - {"spray"}), pile="a")
    ordered = ordered_work(Job("Job", 1, (everything,)))
    assert ordered.broken == ()
    assert len(ordered.order) > len(WORKS)
    assert len({rule.key for rule in RULES}) == len(RULES)


def test_a_contradiction_is_said_as_the_chain_that_makes_it():
    piece = Piece("panel", "Panel", "panel", size=Size(Fraction(50), Fraction(50)), works=("cut", "emboss", "glue"), pile="a")
    job = Job("Job", 1, (piece,))
    operations = ordered_work(job).operations
    with pytest.raises(InvalidInput) as refused:
        ordered_work(job, wanted=[WantedOrder("panel: glue", "panel: cut")])
    said = str(refused.value.requirement)
    assert refused.value.field == "wanted"
    assert "Panel: glue before Panel: cut with the die. You asked for it." in said
    assert "Panel: cut with the die before Panel: glue. Pressing a layered piece again" in said
    with pytest.raises(InvalidInput, match="isn't an operation"):
        ordered_work(job, wanted=[WantedOrder("panel: glue", "panel: fly")])
    with pytest.raises(InvalidInput, match="None of your presses takes"):
        schedule(operations, (), Shop(presses=(PressPlace("p", "P", frozenset({"other"})),)))
    with pytest.raises(InvalidInput, match="over 2000 operations"):
        ordered_work(replace(job, count=5000), batch=1)


def test_what_is_done_is_left_out_with_its_order():
    """The rest takes what is left of the time, and nothing waits for what is done."""
    operations, order, shop = made_up(5)
    whole = schedule(operations, order, shop, seconds=1.0)
    done = [slot.key for slot in whole.slots[: len(whole.slots) // 2]]
    left, order_left = still_to_do(operations, order, [*done, "nothing of this job"])
    rest = schedule(left, order_left, shop, seconds=1.0)
    assert {slot.key for slot in rest.slots} == {slot.key for slot in whole.slots} - set(done)
    assert faults(rest, left, order_left, shop) == []
    assert rest.length < whole.length
    assert schedule((), (), shop).length == 0


def test_two_thousand_operations_get_a_timetable_and_its_bound():
    pieces = tuple(
        Piece(
            str(n),
            f"Panel {n}",
            "panel",
            size=Size(Fraction(50), Fraction(50)),
            works=("trim", "cut", "emboss", "glue"),
            pile=f"pile {n % 9}",
        )
        for n in range(10)
    )
    job = Job("Job", 50, pieces)
    ordered = ordered_work(job, batch=1)
    operations, order = ordered.operations, ordered.order
    assert len(operations) == 2000
    table = schedule(operations, order, Shop())
    assert faults(table, operations, order, Shop()) == []
    assert table.gap < 1.05
