"""What hands on the page come to in a plan: borders, pieces and the work, held against the computation's own sizes."""

import json

import pytest

from lofty_press.core.working.plan import GRID, sizes_of, with_border
from lofty_press.demo.jobs import COVERS
from lofty_press.documents.answers.plan.job_file import JobFile, border_of, job_of
from lofty_press.documents.answers.plan.plan import plan_of, sizes_in

JOB = json.loads(COVERS.model_dump_json())
PLAN = json.loads(plan_of(COVERS).model_dump_json())


def sizes(job):
    return {size.key: json.loads(size.model_dump_json()) for size in sizes_in(JobFile.model_validate(job))}


def pieces(job):
    return {piece["key"]: piece for piece in job["pieces"]}


@pytest.mark.parametrize("anchor", ["base", "panel"])
@pytest.mark.parametrize("border", ["1/4", {"left": "1/8", "right": "3/8", "top": "1/4", "bottom": "1"}])
def test_another_border_keeps_what_it_lies_on_whatever_size_was_given(ask, anchor, border):
    """As `with_border` has it, exactly: also where the one size that is given is that of the piece itself."""
    job = JOB
    if anchor == "panel":
        given = [{**piece, "size": {"panel": "3 1/2 x 3 3/4"}.get(piece["key"])} for piece in job["pieces"]]
        job = {**job, "pieces": given}
    before = sizes(job)
    (changed,) = ask("withBorder", [job, list(before.values()), "panel", border])
    told = JobFile.model_validate(changed)
    wanted = with_border(job_of(JobFile.model_validate(job)), "panel", border_of(told.pieces[2].border, "in", "border"))
    assert sizes_of(job_of(told)) == sizes_of(wanted)


def test_borders_are_written_to_the_mark_and_none_is_less_than_nothing(ask):
    found = ask(
        "bordersFile",
        [{"left": 3.175, "right": 3.175, "top": 3.175, "bottom": 3.175}, "in"],
        [{"left": 3.0, "right": 3.5, "top": 0.0, "bottom": 12.1}, "mm"],
        [{"left": -0.5, "right": 3.5, "top": 0.0, "bottom": 12.1}, "mm"],
    )
    assert found == ["1/8 in", {"left": "3 mm", "right": "3.5 mm", "top": "0", "bottom": "12.1 mm"}, None]
    read = [
        border_of(found[0], "mm", "border"),
        border_of(JobFile.model_validate({**JOB, "pieces": [{**JOB["pieces"][1], "border": found[1]}]}).pieces[0].border, "in", "border"),
    ]
    assert (float(read[0].left), float(read[1].bottom)) == (3.175, 12.1)
    assert all(side % GRID["mm"] == 0 for side in (read[1].left, read[1].right, read[1].top, read[1].bottom))


def test_pieces_are_put_on_and_taken_out_with_all_that_lies_on_them(ask):
    (layered,) = ask("withLayer", [JOB, pieces(JOB)["panel"], "On top"])
    on_top = layered["pieces"][-1]
    assert (on_top["on"], on_top["name"], on_top["kind"]) == ("panel", "On top", "layer")
    assert on_top["key"] not in pieces(JOB)
    (apart,) = ask("withApart", [layered, "tag", "Tag"])
    assert apart["pieces"][-1]["on"] is None if "on" in apart["pieces"][-1] else True
    assert len(sizes(apart)) == len(JOB["pieces"]) + 2
    (without,) = ask("withoutPiece", [apart, "layer"])
    assert set(pieces(without)) == {"base", apart["pieces"][-1]["key"]}


def test_work_is_begun_and_done_in_the_plans_order_and_the_rack_fills_by_itself(ask):
    (ready,) = ask("nextUp", [JOB, PLAN])
    waiting = {pair["then"] for pair in PLAN["order"]}
    assert {slot["key"] for slot in ready} == {slot["key"] for slot in PLAN["schedule"]["slots"]} - waiting
    first = ready[0]
    (job,) = ask("begun", [JOB, first["key"], 1000.0])
    (going,) = ask("goingOn", [job, PLAN["schedule"]["slots"]])
    assert [slot["key"] for slot in going] == [first["key"]]
    (job,) = ask("finished", [job, PLAN, first, 1090.4])
    assert job["begun"] == {}
    assert job["done"] == [first["key"]]
    assert job["took"] == [{"key": first["key"], "count": first["count"], "seconds": 90}]
    JobFile.model_validate(job)  # the service takes it
    (back,) = ask("undone", [job, first["key"]])
    assert (back["done"], back["took"]) == ([], [])
    (never_begun,) = ask("finished", [JOB, PLAN, first, 1090.4])
    assert never_begun["took"] == []  # nobody knows how long it took


def test_what_can_dry_is_laid_on_the_rack_as_soon_as_it_is_inked(ask):
    works = {"name": ["ink", "dry", "glue"]}
    drying = JobFile.model_validate(
        {**JOB, "pieces": [{**piece, "works": works.get(piece["key"], []), "runs": []} for piece in JOB["pieces"]]}
    )
    job, plan = json.loads(drying.model_dump_json()), json.loads(plan_of(drying).model_dump_json())
    ink = next(slot for slot in plan["schedule"]["slots"] if slot["key"] == "name: ink")
    (after,) = ask("finished", [job, plan, ink, 500.0])
    assert after["begun"] == {"name: dry": 500.0}
    (ready,) = ask("nextUp", [after, plan])
    assert ready == []  # glue waits for the ink
    dry = next(slot for slot in plan["schedule"]["slots"] if slot["key"] == "name: dry")
    (dried,) = ask("finished", [after, plan, dry, 1400.0])
    assert (dried["begun"], dried["took"]) == ({}, [])  # no hands were busy
    (ready,) = ask("nextUp", [dried, plan])
    assert [slot["key"] for slot in ready] == ["name: glue"]


def test_times_are_told_as_people_say_them(ask):
    assert ask("hours", [0], [59 * 60], [3600], [31_320]) == ["0:00", "0:59", "1:00", "8:42"]
    assert ask("duration", [5], [27 * 60], [3600], [31_320]) == ["1 min", "27 min", "1 h", "8 h 42 min"]
    assert ask("triesFor", [1.0], [0.9], [0.6], [0.3], [0.0]) == [0, 0, 1, 2, 3]
