"""The bed from above on the real page: lay, turn, press, and see what the plates remember."""

import json
import re

import pypdf
import pytest
from playwright.sync_api import expect
from tests.browser.test_bench import saved


@pytest.fixture
def label(http):
    """A label die that lies square across the feed, between plates of its own that nothing has met yet."""
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Station arch, cut")
    sandwich = http.get(f"/api/sandwiches/{found['id']}").json()["sandwich"]
    shelf = http.get("/api/shelf").json()["entries"]
    copies = []
    for key, item in sandwich["items"].items():
        if item["kind"] == "hard plate":
            copies.append(http.post(f"/api/shelf/{item['shelf_id']}/copy").json())
            sandwich["items"][key] = {**copies[-1]["item"], "shelf_id": copies[-1]["id"]}
    die = next(e for e in shelf if e["item"] and e["item"]["name"] == "Luggage label, large")
    sandwich["items"]["station-arch"] = {**die["item"], "shelf_id": die["id"]}
    sandwich["items"]["ridge-green"] |= {"width_mm": 120, "length_mm": 74}
    sandwich["layers"] = [{**p, "rotation_deg": 90} if p["item"] == "station-arch" else p for p in sandwich["layers"]]
    record = http.post("/api/sandwiches", json={"sandwich": {**sandwich, "name": "Label across the feed"}}).json()
    yield record
    now = http.get(f"/api/sandwiches/{record['id']}").json()
    http.delete(f"/api/sandwiches/{record['id']}", params={"version": now["version"]})
    for copy in copies:
        http.delete(f"/api/shelf/{copy['id']}", params={"version": copy["version"]})


@pytest.fixture
def feed(open_page, label):
    """Its Feed look, worked out."""
    page = open_page(f"/bench/{label['id']}")
    page.get_by_role("tab", name="Feed").click()
    expect(page.get_by_test_id("feed-advice")).to_be_visible()
    return page


def turned(page):
    return float(page.get_by_role("textbox", name="Work turned, in degrees").input_value().rstrip("°"))


def place(page):
    fields = [page.get_by_role("textbox", name=f"Work {way} the feed") for way in ("along", "across")]
    return tuple(float(field.input_value().removesuffix(" mm")) for field in fields)


def press_it(page, address):
    """From the Bench through the whole run with the space bar, and back."""
    page.get_by_role("tab", name="Steps").click()
    page.get_by_role("button", name="Go to the press").click()
    for _ in range(40):
        if page.get_by_text("What came out?").count():
            break
        page.keyboard.press("Space")
        page.wait_for_timeout(60)
    page.keyboard.press("1")
    page.get_by_role("button", name="Save the run").click()
    expect(page.get_by_test_id("kept-run")).to_have_attribute("data-saved", "true")
    page.goto(address)
    page.get_by_role("tab", name="Feed").click()
    expect(page.get_by_role("group", name="The bed from above")).to_be_visible()


def drawn(page):
    """The wear map's picture."""
    return page.get_by_test_id("wear-map").evaluate("(canvas) => canvas.toDataURL()")


def test_from_a_die_that_grabs_to_plates_that_wear_evenly(feed, label):
    """Common practice, no published source: turned it grabs less; moved and flipped the plate lasts longer."""
    page, address = feed, feed.url
    page.get_by_role("tab", name="Verdict").click()
    expect(page.get_by_text("jerks when it goes in square")).to_be_visible()
    page.get_by_role("tab", name="Feed").click()
    before = page.get_by_role("img", name=re.compile("Load along the crank")).get_attribute("aria-label")
    expect(page.get_by_test_id("ghost")).to_be_visible()
    page.get_by_role("button", name="Place it this way").click()
    expect(page.get_by_test_id("feed-advice")).to_contain_text("no other is clearly easier")
    assert turned(page) not in (0.0, 90.0)
    load = page.get_by_role("img", name=re.compile("Load along the crank"))
    peak = [float(re.search(r"peak ([\d.]+)", text).group(1)) for text in (before, load.get_attribute("aria-label"))]
    assert peak[1] < peak[0]

    press_it(page, address)
    page.get_by_role("radio", name="Plates").click()
    expect(page.get_by_test_id("plate-row")).to_contain_text("0 cuts on its face, 1 cuts on its back")
    first = drawn(page)
    page.get_by_role("button", name="Use the fresher place").click()
    saved(page)
    press_it(page, address)
    page.get_by_role("radio", name="Plates").click()
    expect(page.get_by_test_id("plate-row")).to_contain_text(
        re.compile("1 cuts on its face, 1 cuts on its back|0 cuts on its face, 2 cuts on its back")
    )
    expect(page.get_by_test_id("wear-map")).to_be_visible()
    assert drawn(page) != first
    cuts = drawn(page)
    page.get_by_role("radio", name="bow").click()
    expect(page.get_by_role("img", name=re.compile("bow: a map of the plate"))).to_be_visible()
    page.wait_for_function("(before) => document.querySelector('[data-testid=wear-map]').toDataURL() !== before", arg=cuts)
    for face in ("face", "back"):
        page.get_by_role("button", name=f"cuts on its {face}").click()
        expect(page.get_by_role("img", name=f"bow: a map of the plate's {face}")).to_be_visible()
    page.get_by_role("button", name="Retire it").click()
    page.get_by_role("button", name="Yes, I've put in a new one").click()
    expect(page.get_by_test_id("plate-row")).to_have_count(0)


def test_dragging_and_turning_move_die_and_sheet_as_one_with_undo(feed):
    page = feed
    work = page.get_by_test_id("work").bounding_box()
    x, y = work["x"] + work["width"] / 2, work["y"] + work["height"] / 2 + 20
    page.mouse.move(x, y)
    page.mouse.down()
    for step in range(1, 6):
        page.mouse.move(x + 8 * step, y - 3 * step)
    page.mouse.up()
    expect(page.get_by_role("textbox", name="Work along the feed")).not_to_have_value("0 mm")
    expect(page.get_by_test_id("feed-advice")).to_be_visible()  # worked out for the new place: nothing moves any more
    along, across = place(page)
    assert along > 10
    assert across > 3
    assert (along, across) == (round(along), round(across))  # in steps
    handle = page.get_by_test_id("turn-handle").locator("circle").last.bounding_box()
    page.mouse.move(handle["x"] + 5, handle["y"] + 5)
    page.mouse.down()
    for step in range(1, 6):
        page.mouse.move(handle["x"] + 5 + 12 * step, handle["y"] + 5 + 8 * step)
    page.mouse.up()
    expect(page.get_by_role("textbox", name="Work turned, in degrees")).not_to_have_value("90°")
    expect(page.get_by_test_id("feed-advice")).to_be_visible()
    assert turned(page) % 5 == 0
    page.get_by_role("tab", name="Feed").focus()
    page.keyboard.press("u")
    page.keyboard.press("u")
    expect(page.get_by_role("textbox", name="Work turned, in degrees")).to_have_value("90°")
    expect(page.get_by_role("textbox", name="Work along the feed")).to_have_value("0 mm")
    assert place(page) == (0, 0)


def test_everything_by_keys_and_typed(feed):
    page = feed
    page.get_by_role("group", name="The bed from above").focus()
    for key in ("ArrowRight", "ArrowRight", "ArrowUp", "Shift+ArrowLeft", "Comma", "Comma", "Period"):
        page.keyboard.press(key)
    expect(page.get_by_role("textbox", name="Work along the feed")).to_have_value("-8 mm")
    expect(page.get_by_role("textbox", name="Work across the feed")).to_have_value("1 mm")
    expect(page.get_by_role("textbox", name="Work turned, in degrees")).to_have_value("95°")
    field = page.get_by_role("textbox", name="Work turned, in degrees")
    field.fill("400")
    expect(page.get_by_role("alert").filter(has_text="Enter")).to_be_visible()
    field.fill("12")
    field.press("Enter")
    expect(page.get_by_role("group", name=re.compile("turned 12°"))).to_be_visible()
    bed = page.get_by_role("group", name="The bed from above")
    expect(page.get_by_test_id("ghost")).to_be_visible()
    bed.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_test_id("ghost")).to_have_count(0)


def test_the_rollers_line_tells_what_is_in_the_nip(feed):
    page = feed
    chart = page.get_by_role("img", name=re.compile("Load along the crank")).bounding_box()
    page.mouse.click(chart["x"] + 12, chart["y"] + 40)
    expect(page.get_by_test_id("at-the-line")).to_contain_text("No blade or ridge between the rollers here")
    page.mouse.click(chart["x"] + chart["width"] / 2, chart["y"] + 40)
    expect(page.get_by_test_id("at-the-line")).to_contain_text(re.compile(r"Between the rollers: \d+ mm of 331 mm of blade"))


def test_registers_are_lined_up_and_a_template_is_saved(open_page, http):
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sleeve pushed into the hinge")
    copy = http.post(f"/api/sandwiches/{found['id']}/copy").json()
    page = open_page(f"/bench/{copy['id']}")
    page.get_by_role("tab", name="Feed").click()
    page.get_by_role("radio", name="Register").click()
    expect(page.get_by_text("is in the hinge, where there's no pattern")).to_be_visible()
    page.get_by_role("button", name="Line it up").click()
    expect(page.get_by_text("Lined up.")).to_be_visible()
    with page.expect_download() as file:
        page.get_by_role("button", name="PDF").click()
    assert len(pypdf.PdfReader(file.value.path()).pages) == 1
    saved(page)
    now = http.get(f"/api/sandwiches/{copy['id']}").json()
    http.delete(f"/api/sandwiches/{copy['id']}", params={"version": now["version"]})


def test_a_motif_finds_its_place_in_a_flap(open_page, http):
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Envelope flap device")
    page = open_page(f"/bench/{found['id']}")
    page.get_by_role("tab", name="Feed").click()
    page.get_by_role("radio", name="Register").click()
    page.get_by_role("button", name="Motif in an envelope").click()
    expect(page.get_by_test_id("flap-place")).to_contain_text("to the nearest edge")
    depth = page.get_by_role("textbox", name="Depth of the flap")
    depth.fill("30")
    depth.press("Enter")
    expect(page.get_by_test_id("flap-place")).to_contain_text("It doesn't fit")
    page.get_by_role("button", name="Close").click()


def test_tools_over_one_another_are_shown_red(open_page, http):
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Two labels at once")
    page = open_page(f"/bench/{found['id']}")
    page.get_by_role("tab", name="Feed").click()
    expect(page.get_by_test_id("overlap")).to_be_visible()
    expect(page.get_by_role("alert").filter(has_text="overlap by")).to_be_visible()


def test_two_passes_side_by_side_and_the_choice_is_remembered(open_page, http):
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Arch tracery, cut")
    page = open_page(f"/bench/{found['id']}")
    page.get_by_role("tab", name="Feed").click()
    page.get_by_role("radio", name="Two passes").click()
    expect(page.get_by_test_id("passes-says")).to_contain_text("One pass cuts")
    expect(page.get_by_role("img", name=re.compile("of the blade through"))).to_have_count(2)
    page.reload()
    page.get_by_role("tab", name="Feed").click()
    expect(page.get_by_role("radio", name="Two passes")).to_be_checked()
    assert json.loads(page.evaluate("localStorage.getItem('lofty-feed')"))["state"]["part"] == "Two passes"


def test_every_other_size_of_a_nested_set_is_offered_and_laid_in(open_page, http):
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Station arch, cut")
    sandwich = http.get(f"/api/sandwiches/{found['id']}").json()["sandwich"]
    large = next(e for e in http.get("/api/shelf").json()["entries"] if e["item"] and e["item"]["name"] == "Porthole, large")
    sandwich["items"]["station-arch"] = {**large["item"], "shelf_id": large["id"]}
    record = http.post("/api/sandwiches", json={"sandwich": {**sandwich, "name": "Nested rings"}}).json()
    page = open_page(f"/bench/{record['id']}")
    page.get_by_role("tab", name="Feed").click()
    together = page.get_by_test_id("together")
    expect(together).to_contain_text("Porthole, small")
    expect(together).not_to_contain_text("Porthole, middle")
    together.get_by_role("button", name="Porthole, small").click()
    expect(page.get_by_test_id("work").get_by_text("Porthole, small")).to_have_count(1)
    expect(page.get_by_test_id("overlap")).to_have_count(0)
    saved(page)
    now = http.get(f"/api/sandwiches/{record['id']}").json()
    assert sum(item["kind"] == "thin die" for item in now["sandwich"]["items"].values()) == 2
    http.delete(f"/api/sandwiches/{record['id']}", params={"version": now["version"]})


def test_the_force_at_the_handle_can_be_drawn_in_place_of_the_load(feed):
    page = feed
    path = page.get_by_test_id("load").get_attribute("d")
    page.get_by_label("What to show along the crank").select_option("at the handle")
    expect(page.get_by_test_id("load")).not_to_have_attribute("d", path)
    expect(page.locator("svg text", has_text=re.compile(r"^\d+ N$"))).to_be_visible()


def test_keys_go_on_after_a_choice_was_made_by_pointer(feed):
    page = feed
    page.get_by_role("textbox", name="Work along the feed").fill("4")
    page.keyboard.press("Enter")
    expect(page.get_by_role("group", name=re.compile("4 mm along"))).to_be_visible()
    page.get_by_role("radio", name="Register").click()
    page.keyboard.press("u")
    expect(page.get_by_role("textbox", name="Work along the feed")).to_have_value("0 mm")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys on the bench")).to_be_visible()


def test_a_press_too_narrow_for_everything_says_so_in_one_breath(feed):
    page = feed
    page.get_by_label("Press", exact=True).select_option(label="Foothill")
    alert = page.get_by_role("alert").filter(has_text="too wide for Foothill")
    expect(alert.filter(has_text="Midway bed, Thin spacer")).to_have_count(1)
    page.get_by_role("button", name=re.compile("Trim it to")).click()
    expect(page.get_by_role("button", name=re.compile("Trim it to"))).to_have_count(0)
