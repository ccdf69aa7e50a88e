"""The shortest timetable, or the one with the fewest changes of piles, by a constraint solver.

References
----------
OR-tools' CP-SAT: intervals, no overlap, cumulative resources, and a circuit of runs on each press.
"""

from dataclasses import dataclass
from typing import Any, Literal

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import named, say
from lofty_press.core.working.plan.order import Before, Operation
from lofty_press.core.working.plan.schedule.by_hand import bound_of, changes, least_set_ups, make_timetable
from lofty_press.core.working.plan.schedule.shop import NOTHING_ON, PressPlace, Shop
from lofty_press.core.working.plan.schedule.timetable import Slot, Timetable, faults

Aim = Literal["shortest", "fewest set-ups"]
MOST_RUNS = 80
"""Runs on the press that the solver puts in a circuit; beyond, the timetable made by hand is the answer, with its bound."""
MOST_OPERATIONS = 400


@dataclass
class Variables:
    """One operation's variables."""

    start: Any
    end: Any
    begin: Any
    on: dict[str, Any]


def schedule(
    operations: tuple[Operation, ...],
    order: tuple[Before, ...],
    shop: Shop,
    *,
    aim: Aim = "shortest",
    seconds: float = 4.0,
    workers: int = 2,
) -> Timetable:
    """Put the operations in time.

    Parameters
    ----------
    operations, order : tuple of Operation, tuple of Before
    shop : Shop
    aim : {"shortest", "fewest set-ups"}
    seconds : float
        What the solver may take; the best so far is given then, with its bound. [s]
    workers : int
        Threads of the solver.

    Returns
    -------
    Timetable

    Raises
    ------
    InvalidInput
        If a pile goes through none of the presses.

    Notes
    -----
    Changing a pile takes hands and the press: it is the first part of a run's interval, as long as the run that came before on that press
    says. Each pile is put on at least once, which is said to the solver, as is the work that all hands have.
    """
    for each in operations:
        if each.work.place == "press" and not any(press.takes(each.pile) for press in shop.presses):
            raise InvalidInput(
                "presses", each.pile, say("None of your presses takes the layers that {operation} needs", operation=named(each.key))
            )
    by_hand = make_timetable(operations, order, shop)
    runs = [each for each in operations if each.work.place == "press"]
    if not operations or len(runs) > MOST_RUNS or len(operations) > MOST_OPERATIONS:
        return by_hand
    if aim == "shortest" and by_hand.length <= by_hand.bound and not faults(by_hand, operations, order, shop):
        return by_hand
    return Model(operations, order, shop, by_hand).solve(aim, seconds, workers)


class Model:
    """The constraints of one job."""

    def __init__(self, operations: tuple[Operation, ...], order: tuple[Before, ...], shop: Shop, by_hand: Timetable) -> None:
        from ortools.sat.python import cp_model  # takes half a second, and most commands need it not

        self.cp_model = cp_model
        self.model = cp_model.CpModel()
        self.operations, self.order, self.shop, self.by_hand = operations, order, shop, by_hand
        self.longest_change = shop.longest_change({each.pile for each in operations if each.work.place == "press"})
        self.feasible = not faults(by_hand, operations, order, shop)
        slack = sum(each.seconds for each in operations) + self.longest_change * len(operations)
        self.latest = by_hand.length if self.feasible else slack
        self.changes: list[tuple[Any, int]] = []
        self.known = {each.key: self.variables(each) for each in operations}
        self.length = self.model.new_int_var(bound_of(operations, order, shop), self.latest, "length")
        self.resources()
        self.precedences()
        if self.feasible:
            self.hint()

    def variables(self, each: Operation) -> Variables:
        """Begin, start and end of an operation, and the presses it may be on."""
        new = self.model.new_int_var
        start, end = new(0, self.latest, f"start {each.key}"), new(0, self.latest, f"end {each.key}")
        self.model.add(end == start + each.seconds)
        if each.left is not None:
            self.model.add(start == 0)
        if each.work.place != "press":
            return Variables(start, end, start, {})
        begin = new(0, self.latest, f"begin {each.key}")
        on = {press.key: self.model.new_bool_var(f"{each.key} on {press.key}") for press in self.shop.presses if press.takes(each.pile)}
        self.model.add_exactly_one(on.values())
        return Variables(start, end, begin, on)

    def resources(self) -> None:
        """Hands, presses, heat, rack."""
        model, known, shop = self.model, self.known, self.shop
        runs = [each for each in self.operations if each.work.place == "press"]
        for press in shop.presses:
            self.circuit(press, [each for each in runs if press.key in known[each.key].on])
        by_hand = [each for each in self.operations if each.work.hands]
        intervals = [self.interval(each) for each in by_hand]
        if shop.hands == 1:
            model.add_no_overlap(intervals)
        else:
            model.add_cumulative(intervals, [1] * len(intervals), shop.hands)
        heated = [self.interval(each) for each in self.operations if each.work.place == "heat"]
        model.add_cumulative(heated, [1] * len(heated), shop.heat_tools)
        drying = [each for each in self.operations if each.work.place == "rack"]
        model.add_cumulative([self.interval(each) for each in drying], [min(each.count, shop.rack) for each in drying], shop.rack)
        changing = sum(literal * seconds for literal, seconds in self.changes)
        if self.changes:
            model.add(changing >= least_set_ups(self.operations, shop))
        model.add(self.length * shop.hands >= sum(each.seconds for each in by_hand) + changing)

    def interval(self, each: Operation) -> Any:
        """The time that an operation takes hands, its set-up among it."""
        v = self.known[each.key]
        if each.work.place != "press":
            return self.model.new_fixed_size_interval_var(v.start, each.seconds, each.key)
        size = self.model.new_int_var(each.seconds, each.seconds + self.longest_change, f"size {each.key}")
        return self.model.new_interval_var(v.begin, size, v.end, each.key)

    def circuit(self, press: PressPlace, runs: list[Operation]) -> None:
        """The runs on a press one after the other; the one before says whether the pile is changed."""
        model, known = self.model, self.known
        arcs = []
        idle = model.new_bool_var(f"{press.key} idle")
        arcs.append((0, 0, idle))
        for n, each in enumerate(runs, 1):
            v = known[each.key]
            here = v.on[press.key]
            arcs.append((n, n, here.negated()))
            model.add_implication(here, idle.negated())
            first = model.new_bool_var("")
            arcs += [(0, n, first), (n, 0, model.new_bool_var(""))]
            built = self.shop.change(press, NOTHING_ON, each.pile) if each.left is None else 0
            model.add(v.begin == v.start - built).only_enforce_if(first)
            if built:
                self.changes.append((first, built))
            for m, other in enumerate(runs, 1):
                if m == n:
                    continue
                next_ = model.new_bool_var("")
                arcs.append((m, n, next_))
                change = self.shop.change(press, other.pile, each.pile)
                model.add(v.begin == v.start - change).only_enforce_if(next_)
                model.add(v.begin >= known[other.key].end).only_enforce_if(next_)
                if change:
                    self.changes.append((next_, change))
        model.add_circuit(arcs)

    def precedences(self) -> None:
        """Who comes before whom."""
        for pair in self.order:
            first, then = self.known[pair.first], self.known[pair.then]
            self.model.add(then.start >= first.end)
        for v in self.known.values():
            self.model.add(self.length >= v.end)

    def hint(self) -> None:
        """Begin with the timetable that was made by hand."""
        for slot in self.by_hand.slots:
            v = self.known[slot.key]
            self.model.add_hint(v.start, slot.start)
            for press, literal in v.on.items():
                self.model.add_hint(literal, press == slot.press)

    def solve(self, aim: Aim, seconds: float, workers: int) -> Timetable:
        """The best timetable that is found in time; the one made by hand if it is none."""
        changing = sum(literal * seconds for literal, seconds in self.changes)
        self.model.minimize(self.length if aim == "shortest" else (self.latest + 1) * changing + self.length)
        solver = self.cp_model.CpSolver()
        solver.parameters.max_time_in_seconds = seconds
        solver.parameters.num_workers = workers
        status = solver.solve(self.model)
        if status not in (self.cp_model.OPTIMAL, self.cp_model.FEASIBLE):
            if self.feasible:
                return self.by_hand
            if status == self.cp_model.INFEASIBLE:
                raise InvalidInput("wanted", None, say("can't be done with these hands and presses: the next step can't wait"))
            return self.by_hand
        slots = []
        for each in self.operations:
            v = self.known[each.key]
            press = next((key for key, literal in v.on.items() if solver.value(literal)), None)
            slots.append(Slot(each.key, solver.value(v.begin), solver.value(v.start), solver.value(v.end), press))
        slots.sort(key=lambda slot: (slot.begin, slot.end))
        length = max(slot.end for slot in slots)
        bound = self.by_hand.bound
        if aim == "shortest":
            bound = max(bound, min(round(solver.best_objective_bound), length))
        return Timetable(tuple(slots), length, bound, changes(slots))
