"""The search: from a wish and a shelf to the sandwiches that work, best first.

What a pile costs splits in two. Way, tools, sheet, mats, masks and feed (a `Partial`) shape its pressure curve; plates, spacers and shims only
move it along that curve. So a curve is measured once a partial and all candidates are read off it as arrays; those that might be the best are
then judged in full, until the quick judgement of the next one is worse than the full one of the best.
"""

import heapq
from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.basics.words import Message
from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import EFFECT_TRAITS, Press, Sandwich
from lofty_press.core.working.recipes.candidates import Candidates, fill
from lofty_press.core.working.recipes.catalogue import effect_named
from lofty_press.core.working.recipes.conditions import failing
from lofty_press.core.working.recipes.cost import WARNED, Cost, cost_of, feed_cost
from lofty_press.core.working.recipes.curve import SheetCosts, State, curve_of, fixed_layers, pile_of, quick_costs, states_of
from lofty_press.core.working.recipes.effect import Effect, Way
from lofty_press.core.working.recipes.lower_bounds import least_bother, least_of_round, least_of_sheet, room_left
from lofty_press.core.working.recipes.options import Partial, Stockroom, partials_of
from lofty_press.core.working.recipes.pile import Owned, Pile, sandwich_of
from lofty_press.core.working.recipes.wish import Shelf, Wish, check_wish

TOOLS_SHOWN = 3  # tools of which sandwiches are told
HOPELESS = 0.8  # quick cost from which a pile is no answer
OFF_BY = 0.0015  # how far the quick judgement may lie above the full one; tests measure it
UNEVEN_OFF = 0.02  # the same where a window makes the pressure uneven; tests measure it
KNOWN = 1e-4  # spoiled sheets a millimetre of uncertainty; decides between equals only
TIE = 0.0005  # difference of costs that means nothing: within it the first found is taken
MOST_ROUNDS = 12  # ways round tools that are looked at in each half of a search; of more than that, those that promise most
MOST_MEASURED = 40  # curves that are measured in each half; on a small shelf there are fewer
ROUGH = 0.15  # by how much a first reading of a partial's best may lie too high
NEAR = 0.02  # mm that a candidate may give more or less, at the most pressure, than the one whose curve is read
SQUEEZE = 0.4  # mm over the opening at which most piles work; only a start
MEASURED = 3  # times that a partial's curve is measured at most
FEW = 8  # piles of a partial and state that are kept for judging in full
PATIENCE = 4  # full judgements in vain before a way round a tool is given up

Key = tuple[str, str]
"""Tool and way."""


@dataclass(frozen=True)
class Found:
    """A sandwich that works, and what speaks against it."""

    pile: Pile
    sandwich: Sandwich
    assessment: Assessment
    cost: Cost


@dataclass(frozen=True)
class Miss:
    """The pile that comes nearest where nothing works, and what does not hold, in words."""

    sandwich: Sandwich
    assessment: Assessment
    why_not: tuple[Message, ...]


@dataclass(frozen=True)
class Round:
    """A way round a tool that has not been looked at; `key` names both."""

    effect: Effect
    way: Way
    tool: Owned

    @property
    def key(self) -> Key:
        return self.tool.key, self.way.key


@dataclass(frozen=True)
class Entry:
    """A pile by its quick judgement; with no state, a partial whose curve has been measured so many `times`, last for the candidate in `row`.
    `warned` is what piles like it were found to cost beyond their quick judgement."""

    key: Key
    partial: Partial
    candidates: Candidates
    row: int = 0
    state: State | None = None
    quick: float = 0.0
    warned: float = 0.0
    times: int = 0


@dataclass(frozen=True)
class Result:
    """What the search found: sandwiches best first, and how many piles it had to choose from and judged in full; `closest` where there
    is none."""

    effect: Effect
    found: tuple[Found, ...]
    closest: Miss | None
    choices: int
    judged: int


def search(wish: Wish, shelf: Shelf, press: Press, library: Library = no_library) -> Result:
    """Find the sandwiches that give an effect.

    Parameters
    ----------
    wish : Wish
    shelf : mapping of str to Item
        What may be used; the stock among it.
    press : Press
    library : callable
        Finds the relief maps of tools.

    Returns
    -------
    Result
        Of the tools that do it best the best sandwich of each way, best first; empty if nothing works.

    Raises
    ------
    InvalidInput
        If the wish names nothing that is there, or contradicts itself.

    Notes
    -----
    Best first: ways round tools, partials and piles wait in one queue by the least that they can cost, each step replaces one by what it
    splits into, and a pile that was judged in full and comes out on top is the best there is, but for two thousandths of a sheet (`OFF_BY` and
    `TIE` together); at a window, whose edge presses as evenly as the plates over it are stiff, but for two hundredths (`UNEVEN_OFF`).
    """
    effect = effect_named(wish.effect)
    check_wish(wish, effect, shelf)
    searching = Searching(wish, shelf, press, library)
    rounds = searching.rounds(effect)
    searching.run(rounds, tools=TOOLS_SHOWN)
    shown = {tool for tool, _ in searching.found}
    searching.run([r for r in rounds if r.tool.key in shown and r.key not in searching.found], tools=None)
    found = sorted(searching.found.values(), key=lambda f: (f.cost.total, f.pile.tool.key, f.pile.way.key))
    return Result(effect, tuple(found), None if found else searching.miss(), searching.choices, searching.judged)


class Searching:
    """One search as it goes on: the queue, what was found, and the tables laid out already."""

    def __init__(self, wish: Wish, shelf: Shelf, press: Press, library: Library) -> None:
        self.wish, self.shelf, self.press, self.library = wish, shelf, press, library
        self.room = Stockroom.of(shelf, wish, press)
        self.found: dict[Key, Found] = {}
        self.tables: dict[tuple[int, ...], Candidates] = {}
        self.queue: list[tuple[float, int, int, Round | Entry | Found]] = []
        self.bounds: dict[Key, float] = {}
        self.vain: dict[Key, int] = {}
        self.sheets: SheetCosts = {}
        self.warned: dict[tuple[int, State], float] = {}
        self.nearest: tuple[float, Pile] | None = None
        self.pushed = self.choices = self.judged = self.measured = 0

    def push(self, cost: float, depth: int, thing: Round | Entry | Found) -> None:
        """Queue a thing; of two that may cost the same the one that is known better comes first."""
        self.pushed += 1
        heapq.heappush(self.queue, (cost, -depth, self.pushed, thing))

    def rounds(self, effect: Effect) -> list[Round]:
        """Every way round every tool that the wish leaves open."""
        ways = [way for way in effect.ways if not way.front or self.wish.front in ("either", way.front)]
        return [Round(effect, way, tool) for way in ways for tool in self.room.tools_for(next(slot for slot in way.slots if slot.is_tool))]

    def lower_bound(self, one: Round) -> float:
        """Least cost of a way round a tool, before anything lies round it."""
        if one.key not in self.bounds:
            sheet = self.shelf[self.wish.stock]
            least = least_of_sheet(one.effect, one.way, one.tool.item, sheet, self.wish, self.library)
            known = KNOWN * one.tool.item.thickness.sd_mm  # of tools that promise alike the one that is known best comes first
            self.bounds[one.key] = least + least_of_round(one.way, one.tool.item) + known
        return self.bounds[one.key]

    def run(self, rounds: list[Round], *, tools: int | None) -> None:
        """Find the best pile of each round, best first; with `tools`, only until so many tools have one."""
        self.queue.clear()
        for one in rounds:
            self.push(self.lower_bound(one), 0, one)
        looked = self.measured = 0
        while self.queue and (tools is None or len({tool for tool, _ in self.found}) < tools):
            _, _, _, thing = heapq.heappop(self.queue)
            if isinstance(thing, Found):
                self.found.setdefault((thing.pile.tool.key, thing.pile.way.key), thing)
            elif isinstance(thing, Round):
                looked += 1
                if looked <= MOST_ROUNDS:
                    self.split(thing)
            elif thing.key not in self.found:
                if thing.state is not None:
                    self.judge(thing)
                elif thing.times or self.measured < MOST_MEASURED:
                    self.measure(thing)

    def split(self, one: Round) -> None:
        """A way round a tool into its partials, each by the least bother of mats, plates and shims that fill the opening."""
        sheet = self.shelf[self.wish.stock]
        least = least_of_sheet(one.effect, one.way, one.tool.item, sheet, self.wish, self.library)
        for partial in partials_of(self.room, self.shelf, one.effect, one.way, one.tool):
            states, candidates = states_of(partial, self.wish), self.candidates(partial)
            if states and candidates.thickness.size:
                bother = fixed_layers(partial) + least_bother(partial, candidates, self.press) + feed_cost(one.tool.item, partial.feed)
                self.push(least + bother, 1, Entry(one.key, partial, candidates))

    def measure(self, thing: Entry) -> None:
        """A partial into the piles that may be its best, by the quick judgement.

        The curve is measured with the candidate that is likely to be good. If the best one by that curve gives much more or less, the partial
        goes back into the queue, and is measured again with that one when its turn comes.
        """
        partial, candidates, states = thing.partial, thing.candidates, states_of(thing.partial, self.wish)
        self.measured += not thing.times
        row = thing.row if thing.times else candidates.likely(room_left(partial, self.press) + SQUEEZE)
        curve = curve_of(partial, candidates, row, states, self.wish, self.press, self.library)
        if curve is None:
            return
        costs = [quick_costs(curve, candidates, state, self.sheets) for state in states]
        if not thing.times:
            self.choices += candidates.thickness.size * len(states)
        best = min(range(len(states)), key=lambda n: float(costs[n].min()))
        row = int(costs[best].argmin())
        if self.nearest is None or costs[best][row] < self.nearest[0]:
            self.nearest = float(costs[best][row]), pile_of(partial, candidates.of(row), states[best])
        differs = abs(candidates.compliance[row] - curve.compliance) * curve.needs[states[best]].hard >= NEAR
        if differs and thing.times + 1 < MEASURED:
            self.push(float(costs[best][row]) * (1.0 - ROUGH), 1, replace(thing, row=row, times=thing.times + 1))
            return
        for state, cost in zip(states, costs, strict=True):
            few = np.argpartition(cost, FEW)[:FEW] if cost.size > FEW else np.arange(cost.size)
            for k in few[cost[few] < HOPELESS]:
                self.push(float(cost[k]) - OFF_BY, 2, Entry(thing.key, partial, candidates, int(k), state, float(cost[k])))

    def judge(self, thing: Entry) -> None:
        """A pile into its full judgement, if it works; a way round a tool that failed often is given up.

        Warnings come from what lies in a partial, hardly from its plates: what one pile was found to cost for them, its like will.
        """
        if self.vain.get(thing.key, 0) >= PATIENCE or thing.state is None:
            return
        like = (id(thing.partial), thing.state)
        if self.warned.get(like, 0.0) > thing.warned:
            again = replace(thing, warned=self.warned[like])
            self.push(again.quick + again.warned - OFF_BY, 2, again)
            return
        self.judged += 1
        found = judged(pile_of(thing.partial, thing.candidates.of(thing.row), thing.state), self.wish, self.press, self.library)
        if found is None:
            self.vain[thing.key] = self.vain.get(thing.key, 0) + 1
            return
        more = WARNED * round((found.cost.total - thing.quick) / WARNED)
        self.warned[like] = max(min(more, self.warned.get(like, more)), 0.0)
        self.push(found.cost.total - TIE, 3, found)

    def miss(self) -> Miss | None:
        """The nearest pile, and why it does not work; None if nothing could be built at all."""
        if self.nearest is None:
            return None
        sandwich = sandwich_of(self.nearest[1], self.wish, self.press)
        assessment = assess(sandwich, self.library)
        return Miss(sandwich, assessment, failing(self.nearest[1].effect, assessment) or (assessment.sentence,))

    def candidates(self, partial: Partial) -> Candidates:
        """All candidates of a partial; partials with the same open slots share them."""
        key = tuple(id(options) for _, options in partial.open_slots)
        if key not in self.tables:
            self.tables[key] = fill(partial.open_slots, cuts=EFFECT_TRAITS[partial.effect.kind].only_cuts)
        return self.tables[key]


def judged(pile: Pile, wish: Wish, press: Press, library: Library) -> Found | None:
    """A pile with its full judgement; None if something that the effect needs does not hold."""
    sandwich = sandwich_of(pile, wish, press)
    assessment = assess(sandwich, library)
    if failing(pile.effect, assessment):
        return None
    return Found(pile, sandwich, assessment, cost_of(pile, assessment))
