"""No request keeps a worker beyond its budget, none starves the others, and what is built to do harm is refused by counting."""

import asyncio
import contextlib
import struct
import threading
import time
import xml.etree.ElementTree as Tree
from concurrent.futures import Future, ThreadPoolExecutor

import httpx
import numpy as np
import pytest
from tests.service.odd_jobs import ask_back, hoard, refuse, sleep, spin, vanish
from tests.service.test_data_is_kept import pile

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.documents.files.reliefs.outlines import drawn_elements, read_outlines
from lofty_press.documents.files.reliefs.solids import read_solid
from lofty_press.documents.files.reliefs.wish import Wish
from lofty_press.service.http import dependencies
from lofty_press.service.http.errors import Busy, OverBudget, Refused
from lofty_press.service.keeping.impressions import runs as forming_runs
from lofty_press.service.work import budget
from lofty_press.service.work.budget import DRAWING, FILE, MARKS, PLAN, QUICK, SEARCH, Budget
from lofty_press.service.work.crew import Crew, Queue, Task, Unwanted

SHORT = Budget("quick", 2.0, 300)


@pytest.fixture(scope="module")
def workers():
    asked = []

    def answers(about, key):
        asked.append((about, key))
        if key == "away":
            raise Busy()
        return None

    made = Crew(demo_relief, answers)
    made.asked = asked
    made.there.wait(60)  # the first worker loads the program, which is no part of any budget
    yield made
    made.close()


def patiently(ask):
    """Asks again, as it is told to, where the machine has so much else to do that nothing was computed in time."""
    for _ in range(5):
        with contextlib.suppress(Busy):
            return ask()
    return ask()


def test_a_computation_that_takes_too_long_is_ended_and_the_next_one_is_done(workers):
    began = []

    def spun():
        began.append(time.monotonic())
        return workers.give(spin, 60, budget=SHORT).result(30)

    with pytest.raises(OverBudget, match="took over"):
        patiently(spun)
    assert time.monotonic() - began[-1] < SHORT.longest
    assert patiently(lambda: workers.give(sleep, 0, budget=SHORT).result(30)) == "slept"


def test_one_that_wants_too_much_memory_is_refused_and_one_that_breaks_off_is_said(workers):
    with pytest.raises(OverBudget, match="memory"):
        workers.give(hoard, 2000, budget=SHORT).result(30)
    with pytest.raises(OverBudget, match="broke off"):
        workers.give(vanish, budget=SHORT).result(30)
    assert workers.give(hoard, 10, budget=SHORT).result(30) == 1_250_000


def test_a_refusal_comes_back_with_its_field(workers):
    with pytest.raises(Refused) as refused:
        workers.give(refuse, budget=SHORT).result(30)
    assert refused.value.detail.field == "width_mm"


def test_a_worker_asks_for_what_it_does_not_have_and_fails_with_the_services_own_reason(workers):
    assert workers.give(ask_back, "nobody-knows", budget=SHORT).result(30) is None
    assert ("relief", "nobody-knows") in workers.asked
    with pytest.raises(Busy):
        workers.give(ask_back, "away", budget=SHORT).result(30)


def test_a_conversation_of_its_own_is_ended_well_or_told_of_the_failure_and_leaves_a_fresh_worker(workers):
    ended = []

    @contextlib.contextmanager
    def session():
        try:
            yield lambda about, key: {"about": about, "key": key} if key != "wrong" else 1 / 0
        except BaseException as error:
            ended.append(type(error))
            raise
        ended.append("well")

    told = workers.give(ask_back, "mine", budget=SHORT, session=session).result(30)
    assert told == {"about": "relief", "key": "mine"}
    with pytest.raises(ZeroDivisionError):  # whatever it is that cannot be answered: the worker is not left waiting
        workers.give(ask_back, "wrong", budget=SHORT, session=session).result(30)
    assert ended == ["well", ZeroDivisionError]
    assert workers.give(ask_back, "nobody-knows", budget=SHORT).result(30) is None


def test_what_is_short_never_stands_behind_a_plan(workers):
    began = time.monotonic()
    gone = threading.Event()
    plans = [workers.give(sleep, 20, budget=PLAN, wanted=lambda: not gone.is_set()) for _ in range(2)]
    for short in (QUICK, DRAWING, FILE, MARKS, SEARCH):
        assert workers.give(sleep, 0, budget=short).result(60) == "slept"
    assert not any(plan.done() for plan in plans) or time.monotonic() - began > 20
    gone.set()
    for plan in plans:
        with pytest.raises(Unwanted):
            plan.result(30)


def test_what_nobody_waits_for_is_dropped_or_ended(workers):
    long = Budget("long", 30.0, 300)
    began = time.monotonic()
    gone = threading.Event()
    task = workers.give(sleep, 25, budget=long, wanted=lambda: not gone.is_set())
    behind = workers.give(sleep, 25, budget=long, wanted=lambda: not gone.is_set())
    time.sleep(0.3)
    gone.set()
    for future in (task, behind):
        with pytest.raises(Unwanted):
            future.result(10)
    assert time.monotonic() - began < 8


def waiting(tab, wanted=True):
    return Task(sleep, (), SHORT, tab, lambda: wanted, None)


def test_tabs_take_turns_and_too_many_are_sent_away():
    queue = Queue()
    for n in range(4):
        queue.put(waiting("busy"))
        if n == 0:
            queue.put(waiting("other"))
    assert [queue.take().tab for _ in range(3)] == ["busy", "other", "busy"]
    left = waiting("left", wanted=False)
    queue.put(left)
    assert queue.take().tab == "busy"
    assert queue.take().tab == "busy"
    assert queue.take() is None
    assert isinstance(left.future.exception(), Unwanted)
    for _ in range(budget.MOST_WAITING_OF_ONE):
        queue.put(waiting("busy"))
    with pytest.raises(Busy):
        queue.put(waiting("busy"))


def test_the_page_is_answered_while_other_tabs_ask_for_what_takes_long(running, http):
    spiky = spiked(pile(http), 3998)
    threads = [threading.Thread(target=post, args=(running, spiky, f"tab{n}")) for n in range(4)]
    for thread in threads:
        thread.start()
    began = time.monotonic()
    assert http.get("/api/shelf").status_code == 200
    assert time.monotonic() - began < 2
    for thread in threads:
        thread.join(60)


def post(running, sandwich, tab):
    """Ask, and leave after a while, which ends what was begun for it."""
    with running.client(4) as client, contextlib.suppress(httpx.ReadTimeout):
        client.post("/api/assess", json=sandwich, headers={"lofty-tab": tab})


def spiked(sandwich, points):
    """Ten dies of many spikes over one another, in the place of one."""
    ring = [
        [round((40 if n % 2 else 3) * np.cos(2 * np.pi * n / points), 3), round((40 if n % 2 else 3) * np.sin(2 * np.pi * n / points), 3)]
        for n in range(points)
    ]
    die = {"kind": "thin die", "name": "spikes", "thickness": {"mm": 1}, "width_mm": 80, "length_mm": 80, "material": "steel"}
    die |= {"blade": {"height_mm": 0.5, "length_mm": 900}, "outline": ring}
    items = {**sandwich["items"], **{f"die{n}": {**die, "name": f"spikes {n}"} for n in range(10)}}
    layers = [
        *sandwich["layers"][:3],
        *({"id": f"die{n}", "item": f"die{n}", "rotation_deg": 7.3 * n} for n in range(10)),
        *sandwich["layers"][3:],
    ]
    return {**sandwich, "items": items, "layers": layers[:40]}


def test_a_spiky_outline_is_answered_or_refused_within_the_budget(http):
    """What it may compute is its budget's; a busy machine takes longer over that, so the client's own patience is what bounds the time."""
    for path in ("/api/assess", "/api/feed/lying"):
        answer = http.post(path, json=spiked(pile(http), 3998), timeout=6 * budget.QUICK.longest)
        assert answer.status_code == 200 or answer.json()["error"]["code"] in ("over-budget", "invalid", "busy")
    assert http.post("/api/assess", json=pile(http)).status_code == 200


def test_impressions_of_pages_that_have_gone_do_not_wait_in_line(running, http, monkeypatch):
    monkeypatch.setattr(forming_runs, "FORGOTTEN", 0.5)
    keys = []
    for n in range(12):
        sandwich = pile(http)
        sandwich["layers"][1]["x_mm"] = 3.3 + n / 100
        keys.append(http.post("/api/impressions", json=sandwich, params={"tab": f"gone{n}"}).json()["key"])
    time.sleep(1.2)
    states = [run.state for key, run in running.app.state.runs.runs.items() if key in keys]
    assert states.count("waiting") + states.count("running") <= 2


def svg(body):
    return f'<svg xmlns="http://www.w3.org/2000/svg">{body}</svg>'.encode()


def refused(data, use, words):
    began = time.process_time()
    with pytest.raises(InvalidInput, match=words):
        (read_solid if use == "solid" else read_outlines)(data, Wish(use="relief" if use == "solid" else use, width_mm=50))
    assert time.process_time() - began < 5


def test_repeated_elements_are_counted_and_not_carried_out():
    groups = "".join(f'<g id="a{n + 1}">' + f'<use href="#a{n}"/>' * 12 + "</g>" for n in range(12))
    refused(svg('<g id="a0"><path d="M0 0h9v9z"/></g>' + groups), "plateau", "repeated ones counted")
    refused(svg('<g id="a"><use href="#a"/></g>'), "plateau", "repeats itself")
    refused(svg("<g>" * 200 + "</g>" * 200), "plateau", "nested without end")


def test_repetitions_within_reason_are_counted_right():
    root = Tree.fromstring(svg('<g id="a"><path id="p"/><path/></g><use href="#a"/><use href="#a"/>'))
    assert drawn_elements(root) == 1 + 3 + 2 * (1 + 3)


def test_a_tangle_is_refused_by_counting_its_crossings():
    points = np.random.default_rng(3).uniform(0, 100, (500, 2))
    path = "M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in points) + "Z"
    refused(svg(f'<path d="{path}"/>'), "plateau", "cross in over")


def test_points_at_the_end_of_the_world_and_blades_without_end_are_refused():
    refused(svg('<path d="M0 0L1e300 9L9 9Z"/>'), "blade", "kilometers away")
    zigzag = "M0 0" + "".join(f"L{90 * (n % 2)} {n / 200:.3f}" for n in range(15_000))
    refused(svg(f'<path d="{zigzag}"/>'), "blade", "outlines of over 100 m")


def solid(triangles):
    rows = np.zeros(len(triangles), dtype=np.dtype([("n", "<3f4"), ("v", "<(3,3)f4"), ("a", "<u2")]))
    rows["v"] = triangles
    return b"\0" * 80 + struct.pack("<I", len(triangles)) + rows.tobytes()


def test_equal_triangles_count_once_and_stacked_ones_are_counted_first():
    one = np.array([[[0, 0, 0], [90, 0, 1], [0, 90, 2]]], dtype=np.float32)
    began = time.process_time()
    found = read_solid(solid(np.repeat(one, 200_000, axis=0)), Wish(use="relief", width_mm=50))
    assert time.process_time() - began < 8
    assert found.relief.heights.max() > 0.5
    stacked = one + np.linspace(0, 5, 100_000, dtype=np.float32)[:, None, None]
    refused(solid(stacked), "solid", "on top of each other")
    far = np.array([[[0, 0, 0], [1e20, 0, 1e-9], [0, 1e-10, 0]], [[0, 0, 0], [1, 0, 0], [0, 1, 0]]], dtype=np.float32)
    refused(solid(far), "solid", "too large or too small|no relief|flat")


def test_a_large_tool_gets_coarser_cells_and_not_more_memory():
    found = read_outlines(svg('<path d="M0 0h100v100h-100z"/>'), Wish(use="blade", width_mm=2000))
    assert found.relief.heights.size <= 4_000_000
    assert found.relief.spacing > 0.9


class TestBegunAgain:
    """What runs out of time over tables that are kept is begun again and finds them; what leaves nothing behind is refused at once."""

    def tried(self, monkeypatch, outcomes, marks):
        """Give a task to a crew that ends so, while tables were last added so; the answer and how often it was begun."""
        begun, marks = [], iter(marks)

        class Crew:
            def give(self, *_, **__):
                future = Future()
                outcome = outcomes[len(begun)]
                begun.append(outcome)
                future.set_exception(outcome) if isinstance(outcome, Exception) else future.set_result(outcome)
                return future

        class Request:
            async def is_disconnected(self):
                return False

        monkeypatch.setattr(dependencies, "last_made", lambda _: next(marks))
        workers = dependencies.Workers(Crew(), Request(), "")
        try:
            with ThreadPoolExecutor(1) as aside:  # the browser's driver keeps a loop of its own in this thread
                return aside.submit(lambda: asyncio.run(workers.do(sleep))).result(), len(begun)
        except OverBudget:
            return None, len(begun)

    def test_as_long_as_tables_are_made(self, monkeypatch):
        late = OverBudget(say("late"))
        assert self.tried(monkeypatch, [late, late, "done"], [0, 1, 1, 2, 2]) == ("done", 3)

    def test_not_without(self, monkeypatch):
        assert self.tried(monkeypatch, [OverBudget(say("late")), "done"], [7, 7]) == (None, 1)

    def test_and_not_for_ever(self, monkeypatch):
        outcomes = [OverBudget(say("late"))] * 50
        assert self.tried(monkeypatch, outcomes, range(100)) == (None, dependencies.TRIES)
