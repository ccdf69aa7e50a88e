"""Practice on the real page: a hidden press shimmed with the Bench's own keys, a mistake spotted."""

import itertools
import re

import pytest
from playwright.sync_api import expect
from tests.browser.patience import COMPUTED

from lofty_press.core.teaching.practice.skills.order import AROUND, in_order
from lofty_press.core.working.recipes import EFFECTS, chain_of
from lofty_press.core.working.work import arrange, chains_of


def test_a_strange_press_is_shimmed_by_key_until_its_sheet_is_right(open_page):
    page = open_page("/coach")
    page.get_by_role("list", name="Skills").get_by_role("link", name="A strange press").click()
    expect(page.get_by_test_id("task")).to_contain_text("This press is looser than it says", timeout=COMPUTED)
    came = page.get_by_test_id("came")
    page.keyboard.press("p")
    expect(came).to_contain_text("Not yet.", timeout=COMPUTED)
    expect(came).to_contain_text("one sheet")
    page.get_by_role("button", name="A hint, for 3 points").click()
    expect(page.get_by_text("about a tenth of a millimeter")).to_be_visible()
    # one sheet of paper more under the pile each time, by key
    for sheets in range(1, 10):
        page.keyboard.press("+")
        expect(page.get_by_test_id("paper")).to_have_text(str(sheets))
        page.keyboard.press("p")
        expect(came).to_contain_text(f"{sheets + 1} sheets", timeout=COMPUTED)
        if "Right." in came.inner_text():
            break
    page.keyboard.press("u")  # over: the pile stays as it was pressed
    expect(page.get_by_test_id("paper")).to_have_count(0)
    expect(came).to_contain_text("Right.")
    expect(came).to_contain_text("of 10 points")


@pytest.mark.parametrize("skill", ["Spotting the mistake", "Reading a pile"])
def test_an_answer_is_given_by_key_and_the_next_drill_comes_by_space(open_page, skill):
    page = open_page("/coach")
    page.get_by_role("list", name="Skills").get_by_role("link", name=skill).click()
    answers = page.get_by_role("group", name="Answers").get_by_role("button")
    expect(answers.first).to_be_visible(timeout=COMPUTED)
    first = answers.all_inner_texts()
    page.keyboard.press("1")
    came = page.get_by_test_id("came")
    expect(came).to_contain_text(re.compile(r"Right\.|Not quite\."), timeout=COMPUTED)
    expect(came).to_contain_text("of 10 points")
    page.keyboard.press("Space")
    expect(came).not_to_contain_text("points", timeout=COMPUTED)
    expect(answers.first).to_be_enabled()
    assert first


def begun(open_page, skill):
    """A page with a drill of some skill, the drill and which it is."""
    page = open_page("/coach")
    with page.expect_response("**/api/practice/drill", timeout=COMPUTED) as made:
        page.get_by_role("list", name="Skills").get_by_role("link", name=skill).click()
    expect(page.get_by_test_id("task")).to_be_visible(timeout=COMPUTED)
    return page, made.value.json(), made.value.request.post_data_json


def test_a_motif_is_dragged_turned_over_and_moved_by_key_until_it_reads_right(open_page, http):
    page, drill, which = begun(open_page, "A motif in a flap")
    best = http.post("/api/practice/attempt", json={"which": which, "gives_up": True}).json()["best"]
    page.keyboard.press("p")
    expect(page.get_by_test_id("came")).to_contain_text("Not yet.", timeout=COMPUTED)
    page.keyboard.press("t")
    for _ in range(int(360 - drill["laying"]["begin"]["turn_deg"]) // 90 % 4):
        page.keyboard.press("r")
    # by hand to about its place, by key to the millimetre
    box = page.get_by_test_id("laid").bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 30, y + 20, steps=4)
    page.mouse.up()
    spot = page.get_by_test_id("spot")
    for _ in range(120):
        at_x, at_y = (float(number.replace("−", "-")) for number in re.findall(r"([−\d.]+) mm", spot.inner_text()))
        off_x, off_y = best["x_mm"] - at_x, best["y_mm"] - at_y
        if max(abs(off_x), abs(off_y)) <= 0.5:
            break
        if abs(off_x) > 0.5:
            page.keyboard.press(("Shift+" if abs(off_x) > 5 else "") + ("ArrowRight" if off_x > 0 else "ArrowLeft"))
        if abs(off_y) > 0.5:
            page.keyboard.press(("Shift+" if abs(off_y) > 5 else "") + ("ArrowUp" if off_y > 0 else "ArrowDown"))
    page.keyboard.press("p")
    expect(page.get_by_test_id("came")).to_contain_text("Right. It reads right", timeout=COMPUTED)
    expect(page.get_by_role("img", name="On the closed envelope")).to_be_visible()


def right_order(keys):
    """An order of a drill's works that is right: that of a recipe which has just these, with what is done around it."""
    for effect, ink, mist in itertools.product(EFFECTS.values(), (True, False), (True, False)):
        for way in effect.ways:
            recipe = chain_of(effect, way, mist=mist, ink=ink)
            more = set(keys) & set(AROUND) - {step.work for step in recipe.steps}
            arranged = arrange((recipe, *chains_of(more)), grouped=False)
            if {node.key for node in arranged.nodes} == set(keys):
                return in_order(arranged)
    raise AssertionError(keys)


def test_works_are_put_in_order_by_key_and_one_taken_back(open_page):
    page, drill, _ = begun(open_page, "The order of work")
    left = [step["key"] for step in drill["steps"]]
    wanted = right_order(left)
    row = page.get_by_role("list", name="In this order").get_by_role("button")
    page.keyboard.press("1")
    expect(row).to_have_count(1)
    page.keyboard.press("Backspace")
    expect(row).to_have_count(0)
    for key in wanted:
        page.keyboard.press(str(left.index(key) + 1))
        left.remove(key)
        expect(row).to_have_count(len(wanted) - len(left))
    page.keyboard.press("p")
    expect(page.get_by_test_id("came")).to_contain_text("Right.", timeout=COMPUTED)
    expect(page.get_by_test_id("came")).to_contain_text("10 of 10 points")


def test_a_drill_goes_from_teacher_to_learner_and_its_result_back(open_page, http, tmp_path):
    cover = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave programme cover")
    page = open_page(f"/bench/{cover['id']}")
    page.get_by_role("tab", name="What went wrong").click()
    page.get_by_role("button", name="Part of it is faint or blank").click(timeout=COMPUTED)
    causes = page.get_by_role("list", name="Causes").get_by_role("listitem")
    hinge = causes.filter(has_text="The card was in the hinge")
    hinge.get_by_role("button", name="Drill").click()
    asked = page.get_by_role("dialog", name="A drill for others")
    asked.get_by_label("A note to the learner").fill("Look at its edges first.")
    with page.expect_download() as saved:
        asked.get_by_role("button", name="Save the file").click()
    expect(asked).to_have_count(0)
    drill = tmp_path / "drill.json"
    saved.value.save_as(drill)
    # the learner
    page.get_by_role("link", name="Coach", exact=True).click()
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name=re.compile("drill, from a file")).click()
    chooser.value.set_files(drill)
    expect(page.get_by_text("Look at its edges first.")).to_be_visible(timeout=COMPUTED)
    page.get_by_role("group", name="Answers").get_by_role("button", name="The card was in the hinge").click(timeout=COMPUTED)
    expect(page.get_by_test_id("came")).to_contain_text("Right. 10 of 10 points", timeout=COMPUTED)
    page.get_by_role("button", name="To the Coach").click()
    page.get_by_label("Hand in as").fill("Edda")
    with page.expect_download() as saved:
        page.get_by_role("button", name="Save one result").click()
    result = tmp_path / "result.json"
    saved.value.save_as(result)
    # the teacher again, who gets one that was changed by hand too
    changed = tmp_path / "changed.json"
    changed.write_text(result.read_text().replace("Edda", "Odo"))
    for file in (result, changed):
        with page.expect_file_chooser() as chooser:
            page.get_by_role("button", name="Results of a class").click()
        chooser.value.set_files(file)
    table = page.get_by_role("group", name="Results of the class")
    expect(table).to_contain_text("10 points")
    expect(table.get_by_role("row", name=re.compile("Odo"))).to_contain_text("changed by hand")
    expect(table.get_by_role("row", name=re.compile("Edda"))).not_to_contain_text("changed by hand")
