"""The bench as its users work it: by keyboard alone, and by mouse."""

import json
import re

import pytest
from playwright.sync_api import Page, expect
from tests.browser.on_the_shelf import taken_off
from tests.browser.patience import COMPUTED, RIGHT


def layers(page: Page) -> list[str]:
    """Names of the layers, top first, as a screen reader hears them."""
    return [
        re.split(r", \d", row.get_attribute("aria-label"))[0]
        for row in page.get_by_role("listbox", name="Layers").get_by_role("option").all()
    ]


def saved(page: Page) -> None:
    expect(page.get_by_test_id("save-state")).to_have_attribute("data-state", "saved")


def add_by_key(page: Page, text: str) -> None:
    page.keyboard.press("a")
    page.get_by_role("combobox", name="Find on the shelf").fill(text)
    expect(page.locator("#shelf-finds [role=option]").first).to_be_visible()
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog", name="Add from the shelf")).to_have_count(0)


def choose(page: Page, item: str) -> None:
    page.get_by_role("button", name="All sandwiches").click()
    page.get_by_role("menuitem", name=item).click()


def delete_open(page: Page) -> None:
    choose(page, "Delete this one")
    expect(page.get_by_text("Deleted")).to_be_visible()


def test_a_deep_folder_built_wrongly_is_called_and_mended_by_keyboard_alone(bench):
    """Build, read the call, mend it with one key, undo, reload, find it again: no pointer."""
    page = bench
    for _ in range(6):
        page.keyboard.press("x")
    expect(page.get_by_text("Nothing between the rollers yet")).to_be_visible()
    for text in ("midway bed", "plate, east", "cable-sheave"):
        add_by_key(page, text)
    add_by_key(page, "ridge green")
    page.keyboard.press("ArrowUp")
    add_by_key(page, "plate, west")
    assert layers(page) == [
        "Hard plate, west",
        "Cable-sheave folder",
        "Ridge green card",
        "Cable-sheave folder",
        "Hard plate, east",
        "Midway bed",
    ]
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
    call = page.locator("[data-code=two-pads-on-deep-folder]")
    expect(call).to_contain_text("A deep folder needs no second plate.")
    expect(call.get_by_test_id("after-fix")).to_contain_text(
        "then a good sheet: could go either way"
    )  # dry card on a deep relief: one call after the other

    page.keyboard.press("f")
    expect(page.get_by_test_id("sentence")).to_contain_text("Likely to crack")
    call = page.locator("[data-code=crack-risk], [data-code=cracks]").first
    expect(call).to_contain_text("sheets crack on the ridges")
    expect(call.get_by_test_id("after-fix")).to_contain_text("then a good sheet: likely")
    page.keyboard.press("f")
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)
    page.keyboard.press("u")
    expect(page.get_by_test_id("sentence")).to_contain_text("Likely to crack")
    assert layers(page) == ["Deep plate", "Cable-sheave folder", "Ridge green card", "Cable-sheave folder", "Midway bed"]
    page.keyboard.press("u")
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
    page.keyboard.press("Shift+U")
    expect(page.get_by_test_id("sentence")).to_contain_text("Likely to crack")
    saved(page)
    page.reload()
    expect(page.get_by_test_id("sentence")).to_contain_text("Likely to crack")
    assert layers(page)[0] == "Deep plate"


def test_the_same_by_mouse_with_the_verdict_following_the_drag(bench):
    """Drag the folder's plates about: drop a second plate in from the shelf, watch the verdict, drag a layer, apply the fix."""
    page = bench
    choose(page, "Sheave programme cover")
    choose(page, "Copy this one")
    expect(page.get_by_role("textbox", name="Name of the sandwich")).to_have_value("Sheave programme cover, copy")
    page.keyboard.press("a")
    page.get_by_role("combobox", name="Find on the shelf").fill("plate, east")
    find = page.locator("#shelf-finds [role=option]").first
    start, view = find.bounding_box(), page.get_by_test_id("edge-view").bounding_box()
    page.mouse.move(start["x"] + 60, start["y"] + 12)
    page.mouse.down()
    page.mouse.move(view["x"] + 230, view["y"] + 300, steps=8)
    bed = page.get_by_role("option", name=re.compile("Midway bed")).bounding_box()
    page.mouse.move(view["x"] + 230, bed["y"] - 4, steps=8)
    expect(page.get_by_role("option", name=re.compile("Hard plate, east, 3.20"))).to_be_visible()  # the picture follows the drag
    assert page.get_by_test_id("save-state").get_attribute("data-state") == "saved"  # and nothing is kept before the drop
    page.mouse.up()
    page.keyboard.press("Escape")
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
    assert layers(page)[-2:] == ["Hard plate, east", "Midway bed"]

    grip = page.locator("[data-layer=l5]").bounding_box()
    page.mouse.move(grip["x"] + 30, grip["y"] + grip["height"] / 2)
    page.mouse.down()
    page.mouse.move(grip["x"] + 30, grip["y"] + 200, steps=10)
    page.mouse.move(grip["x"] + 30, view["y"] + 560, steps=10)
    expect(
        page.locator("[data-code=deep-plate-missing], [data-code=top-plate-missing], [data-code=two-pads-on-deep-folder]").first
    ).to_be_visible()
    page.keyboard.press("Escape")
    page.mouse.up()
    assert layers(page)[0] == "Deep plate"

    call = page.locator("[data-code=two-pads-on-deep-folder]")
    call.get_by_role("button").click()
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)
    page.get_by_role("button", name="undo").click()
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
    page.get_by_role("button", name="redo").click()
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)
    saved(page)
    page.reload()
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)
    assert "Hard plate, east" not in layers(page)
    delete_open(page)


@pytest.mark.parametrize("look", ["Pressure", "Feed", "Steps"])
def test_the_key_of_a_fix_works_on_looks_that_do_not_show_it(open_page, http, look):
    """Pressed at once, before anything of the fix was judged: it is judged first, and done if it helps."""
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave on two plates")
    record = http.post(f"/api/sandwiches/{found['id']}/copy").json()
    page = open_page(f"/bench/{record['id']}")
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
    page.get_by_role("tab", name=look).click()
    page.keyboard.press("f")
    expect(page.get_by_role("option", name=re.compile("plate"))).to_have_count(1)
    page.get_by_role("tab", name="Verdict").click()
    expect(page.get_by_test_id("sentence")).not_to_contain_text("Won't feed")
    page.keyboard.press("u")
    expect(page.get_by_role("option", name=re.compile("plate"))).to_have_count(2)
    delete_open(page)


def test_keys_turn_mist_ink_count_and_rotate(bench):
    page = bench
    page.get_by_role("option", name=re.compile("Ridge green card")).click()
    page.keyboard.press("t")
    expect(page.locator("[data-code=front-comes-out-wrong]")).to_be_visible()
    page.keyboard.press("t")
    page.keyboard.press("m")
    expect(page.get_by_role("option", name=re.compile("Ridge green card.*just misted"))).to_be_visible()
    page.keyboard.press("Shift+M")
    expect(page.get_by_role("option", name=re.compile("misted"))).to_have_count(0)
    page.keyboard.press("ArrowUp")
    page.keyboard.press("i")
    expect(page.get_by_role("option", name=re.compile("sunk half · .*(ink|powder)"))).to_be_visible()
    page.keyboard.press("ArrowUp")
    page.keyboard.press("3")
    expect(page.get_by_role("option", name=re.compile("Hard plate, west, 3 × 3.20 = 9.60"))).to_be_visible()
    page.keyboard.press("r")
    expect(page.get_by_role("option", name=re.compile("turned 15°"))).to_be_visible()
    for _ in range(7):
        page.keyboard.press("u")
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys on the bench")).to_be_visible()
    page.keyboard.press("Escape")
    page.keyboard.press("]")
    expect(page.get_by_test_id("pressed-sheet")).to_be_visible(timeout=COMPUTED)  # the first one on a new machine is compiled first
    page.keyboard.press("]")
    expect(page.get_by_role("img", name=re.compile("Load along the crank"))).to_be_visible()
    page.keyboard.press("]")
    expect(page.get_by_role("img", name=re.compile("Pressure map, peak"))).to_be_visible()
    for _ in range(3):
        page.keyboard.press("[")
    expect(page.get_by_test_id("sentence")).to_be_visible()


def test_alt_arrows_move_a_folder_as_a_whole(bench):
    page = bench
    page.get_by_role("option", name=re.compile("Rail-lattice folder.*raised half")).click()
    page.keyboard.press("Alt+ArrowDown")
    assert layers(page) == [
        "Hard plate, west",
        "Hard plate, east",
        "Rail-lattice folder",
        "Ridge green card",
        "Rail-lattice folder",
        "Midway bed",
    ]


def test_inches_are_fractions_and_are_remembered(bench):
    page = bench
    page.get_by_role("radio", name="in").click()
    expect(page.get_by_role("option", name=re.compile(r"Midway bed, 0\.354 ± 0\.0008 in"))).to_be_visible()
    page.get_by_role("option", name=re.compile("Ridge green card")).click()
    place = page.get_by_role("textbox", name="Place along the feed")
    place.fill("1/2")
    place.press("Enter")
    expect(place).to_have_value("1/2 in")
    page.reload()
    expect(page.get_by_role("option", name=re.compile(r"Midway bed, 0\.354"))).to_be_visible()
    page.get_by_role("radio", name="mm").click()
    page.get_by_role("option", name=re.compile("Ridge green card")).click()
    expect(page.get_by_role("textbox", name="Place along the feed")).to_have_value("12.7 mm")


def test_a_number_that_cannot_be_read_is_refused_where_it_is_typed(bench):
    page = bench
    place = page.get_by_role("textbox", name="Place along the feed")
    place.fill("a bit")
    expect(place).to_have_attribute("aria-invalid", "true")
    expect(page.get_by_text("Enter a number.")).to_be_visible()
    place.press("Escape")
    expect(place).to_have_attribute("aria-invalid", "false")


@pytest.mark.provokes(422)
def test_a_file_goes_out_and_comes_in_the_same_and_a_bad_one_is_refused(bench, kept, tmp_path, http):
    page = bench
    with page.expect_download() as download:
        choose(page, "Export this one to a file")
    path = tmp_path / download.value.suggested_filename
    download.value.save_as(path)
    assert json.loads(path.read_text()) == kept["sandwich"]
    count = len(http.get("/api/sandwiches").json()["sandwiches"])

    bad = json.loads(path.read_text())
    bad["items"]["bed"]["thickness"]["mm"] = 400
    for content, words in ((json.dumps(bad), "items.bed.thickness.mm"), ("not json", "isn't JSON"), (" " * 24_100_000, "over 24 MB")):
        path.write_text(content)
        page.get_by_test_id("import-file").set_input_files(path)
        expect(page.get_by_text(words)).to_be_visible()
    assert len(http.get("/api/sandwiches").json()["sandwiches"]) == count

    path.write_text(json.dumps({**kept["sandwich"], "name": "Brought in from a file"}))
    page.get_by_test_id("import-file").set_input_files(path)
    expect(page.get_by_role("textbox", name="Name of the sandwich")).to_have_value("Brought in from a file")
    delete_open(page)
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(page.get_by_role("textbox", name="Name of the sandwich")).to_have_value("Brought in from a file")
    delete_open(page)


def test_a_thickness_corrected_on_the_shelf_changes_the_verdict_on_the_bench(bench):
    page = bench
    page.get_by_role("link", name="Shelf", exact=True).click()
    field = page.get_by_role("textbox", name="Thickness of Rail-lattice folder")
    field.fill("2.2")
    field.press("Enter")
    expect(field).to_have_value("2.2 mm")
    page.get_by_role("link", name="Bench", exact=True).click()
    expect(page.get_by_test_id("sentence")).to_contain_text("Faint: Rail-lattice folder")
    page.get_by_role("link", name="Shelf", exact=True).click()
    field.fill("2.67")
    field.press("Enter")
    page.get_by_role("link", name="Bench", exact=True).click()
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)


def test_the_shelf_takes_copies_and_gives_back(open_page):
    page = open_page("/shelf")
    page.get_by_role("textbox", name="Name of the new item").fill("Test shim plate")
    page.get_by_role("button", name="Add it to the shelf").click()
    row = page.get_by_role("listitem", name="Test shim plate", exact=True)
    expect(row).to_be_visible()
    taken_off(page, "Test shim plate")
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(row).to_be_visible()
    taken_off(page, "Test shim plate")
    bad = page.get_by_role("textbox", name="Thickness of Deep plate")
    bad.fill("400")
    expect(page.get_by_text("Enter 0.005 mm to 60 mm.")).to_be_visible()
    bad.press("Escape")


def test_everything_that_can_be_worked_has_a_name(bench):
    for path in ("bench", "shelf"):
        if path == "shelf":
            bench.get_by_role("link", name="Shelf", exact=True).click()
            expect(bench.get_by_role("heading", name="Presses")).to_be_visible()
        nameless = bench.evaluate(
            """() => [...document.querySelectorAll('button, a, input, select, [role=option], [role=tab], [role=radio]')]
            .filter((e) => !e.hidden && e.type !== 'file' && !(e.getAttribute('aria-label') || e.textContent.trim() || e.labels?.length))
            .map((e) => e.outerHTML.slice(0, 120))"""
        )
        assert nameless == []


def test_enter_before_the_shelf_has_answered_is_not_lost(bench: Page):
    page = bench

    def answer_late(route):
        page.wait_for_timeout(400)
        route.continue_()

    page.route("**/api/shelf?*", answer_late)
    page.keyboard.press("a")
    page.get_by_role("combobox", name="Find on the shelf").fill("foam sheet")
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog", name="Add from the shelf")).to_have_count(0)
    expect(page.get_by_role("option", name=re.compile("foam", re.IGNORECASE))).to_be_visible()


def test_how_far_the_nip_may_be_off_is_said_with_its_pressure(bench: Page):
    page = bench
    expect(page.get_by_test_id("effort")).to_have_text(re.compile("easy to turn|Light|Hard to turn"))
    expect(page.get_by_text("MPa")).to_have_count(0)
    page.get_by_role("tab", name="Pressure").click()
    expect(page.get_by_text(re.compile(r"Give or take (\d+ %|a factor of [\d.]+)\. This needs"))).to_be_visible()
    expect(page.get_by_text(re.compile(r"Mean at the work within \d+ %, force within \d+ %"))).to_be_visible()
