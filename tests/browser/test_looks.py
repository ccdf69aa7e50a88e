"""What the page shows: states, contrast, words, and figures that agree with the service."""

import re
from itertools import pairwise

import pytest
from playwright.sync_api import expect
from tests.browser.on_the_shelf import details
from tests.browser.patience import RIGHT
from tests.browser.test_bench import add_by_key, choose, delete_open, layers, saved

from lofty_press.setup.paths import WEB

TOKENS = dict(re.findall(r"(\w+): '(#[0-9a-f]{6})'", (WEB / "src" / "theme" / "tokens.ts").read_text()))


def luminance(colour):
    """Relative luminance of an sRGB colour (WCAG 2, its own formula)."""
    parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
    linear = [p / 12.92 if p <= 0.03928 else ((p + 0.055) / 1.055) ** 2.4 for p in parts]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


GROUNDS = {
    "paper": ("ink", "quiet", "accent", "warn", "stop"),
    "panel": ("ink", "quiet", "accent", "warn", "stop"),
    "accentWash": ("ink", "quiet", "accent"),
    "stopWash": ("ink", "stop"),
}


@pytest.mark.parametrize(("ground", "text"), [(ground, text) for ground, texts in GROUNDS.items() for text in texts])
def test_text_keeps_the_contrast_of_level_aa(text, ground):
    """WCAG 2, 1.4.3: at least 4.5 to 1, for every pair that is put on one another."""
    light, dark = sorted((luminance(TOKENS[text]), luminance(TOKENS[ground])), reverse=True)
    assert (light + 0.05) / (dark + 0.05) >= 4.5


def test_the_figures_on_the_page_are_those_of_the_service(bench, kept, http):
    verdict = http.post("/api/assess", json=kept["sandwich"]).json()["verdict"]
    expect(bench.get_by_test_id("good")).to_have_text(verdict["good"]["words"])
    expect(bench.get_by_role("img", name=re.compile("Verdict right; chances"))).to_be_visible()
    expect(bench.get_by_text("sheet fewer and it's faint")).to_be_visible()
    bench.get_by_role("tab", name="Pressure").click()
    expect(bench.get_by_test_id("pressure")).to_have_text(f"{verdict['pressure_mpa']:.1f} MPa")


@pytest.mark.provokes(404)
def test_a_sandwich_that_does_not_exist_says_so(open_page):
    page = open_page("/bench/00000000-0000-0000-0000-000000000000")
    expect(page.get_by_text("Can't open this sandwich.")).to_be_visible()
    expect(page.get_by_text("somebody deleted it")).to_be_visible()


def test_an_unknown_address_leads_to_the_bench(open_page):
    page = open_page("/nowhere/at/all")
    expect(page.get_by_test_id("edge-view")).to_be_visible()


def test_a_new_sandwich_starts_empty_and_is_judged_as_it_grows(bench):
    page = bench
    choose(page, "New sandwich")
    expect(page.get_by_role("textbox", name="Name of the sandwich")).to_have_value("New sandwich")
    expect(page.get_by_test_id("sentence")).to_have_text("An empty bench. Start with a bed.")
    add_by_key(page, "midway bed")
    expect(page.locator("[data-code=sheet-missing]")).to_be_visible()
    add_by_key(page, "meadow")
    expect(page.locator("[data-code=tool-missing]")).to_be_visible()
    name = page.get_by_role("textbox", name="Name of the sandwich")
    name.fill("Watercolour trial")
    name.press("Enter")
    saved(page)
    page.keyboard.press("s")
    expect(page.get_by_role("menuitem", name="Watercolour trial")).to_be_visible()
    page.keyboard.press("Escape")
    delete_open(page)


def test_effect_press_and_front_are_chosen_in_words_and_judged_at_once(bench):
    page = bench
    page.get_by_label("Look of the front").select_option(label="front sunk")
    expect(page.locator("[data-code=front-comes-out-wrong]")).to_contain_text("The front comes out raised, not sunk.")
    page.keyboard.press("f")
    expect(page.locator("[data-code=front-comes-out-wrong]")).to_have_count(0)
    page.get_by_label("Effect wanted").select_option(label="clean cut")
    expect(page.get_by_test_id("sentence")).to_contain_text("doesn't give a clean cut")
    page.get_by_label("Effect wanted").select_option(label="raised pattern")
    page.get_by_label("Press", exact=True).select_option(label="Foothill")
    expect(page.locator("[data-code=wider-than-press]").first).to_be_visible()


def test_the_nip_look_shows_pressure_under_the_pointer(bench):
    bench.get_by_role("tab", name="Pressure").click()
    picture = bench.get_by_role("img", name=re.compile("Pressure map, peak"))
    box = picture.bounding_box()
    bench.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    expect(bench.get_by_text(re.compile(r"\d+\.\d\d MPa at .* along, .* across"))).to_be_visible()
    expect(bench.get_by_role("img", name=re.compile(r"Load along the crank, peak 3\.\d kilonewton"))).to_be_visible()
    bench.mouse.move(2, 2)
    expect(bench.get_by_text("The left end goes in first")).to_be_visible()


def test_true_scale_and_back(bench):
    bench.get_by_role("button", name="true scale").click()
    expect(bench.get_by_text("true shape")).to_be_visible()
    bench.get_by_role("button", name="stretch heights").click()
    expect(bench.get_by_text("true shape")).to_have_count(0)


def test_ten_layers_keep_their_labels_apart(bench):
    for _ in range(6):
        add_by_key(bench, "ledger index")
    tops = sorted(row.bounding_box()["y"] for row in bench.get_by_role("listbox", name="Layers").get_by_role("option").all())
    heights = [row.bounding_box()["height"] for row in bench.get_by_role("listbox", name="Layers").get_by_role("option").all()]
    assert len(tops) == 12
    assert min(b - a for a, b in pairwise(tops)) >= min(heights) - 1
    view = bench.get_by_test_id("edge-view").bounding_box()
    assert tops[0] >= view["y"]
    assert tops[-1] <= view["y"] + view["height"]


def test_at_1024_the_bench_still_works(browser, running, kept):
    context = browser.new_context(viewport={"width": 1024, "height": 768})
    page = context.new_page()
    page.goto(running.link)
    page.goto(f"{running.address}/bench/{kept['id']}")
    expect(page.get_by_test_id("sentence")).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= 1024
    page.keyboard.press("x")
    assert layers(page)[0] == "Rail-lattice folder"
    context.close()


def test_undo_goes_back_as_far_as_one_likes(bench):
    for number in range(30):
        bench.keyboard.press("r")
        if number % 10 == 0:
            expect(bench.get_by_test_id("save-state")).to_be_visible()
    expect(bench.get_by_role("option", name=re.compile("turned 90°"))).to_be_visible()  # 30 times 15 degrees
    for _ in range(30):
        bench.keyboard.press("u")
    expect(bench.get_by_role("option", name=re.compile("turned"))).to_have_count(0)


def test_a_drag_is_given_up_by_escape_and_changes_nothing(bench, kept, http):
    grip = bench.locator("[data-layer=l4]").bounding_box()
    bench.mouse.move(grip["x"] + 20, grip["y"] + 4)
    bench.mouse.down()
    bench.mouse.move(grip["x"] + 20, grip["y"] - 260, steps=8)
    expect(bench.get_by_test_id("sentence")).not_to_contain_text(RIGHT)
    bench.keyboard.press("Escape")
    bench.mouse.up()
    expect(bench.get_by_test_id("sentence")).to_contain_text(RIGHT)
    assert http.get(f"/api/sandwiches/{kept['id']}").json()["version"] == kept["version"]


@pytest.mark.provokes(503)
def test_the_shelf_says_so_when_it_cannot_be_read(open_page):
    page = open_page("/bench")
    expect(page.get_by_test_id("sentence")).to_be_visible()
    refusal = {"error": {"code": "database-away", "message": {"say": "The database isn't answering."}}}
    page.route("**/api/shelf?*", lambda route: route.fulfill(status=503, json=refusal))
    page.reload()
    page.get_by_role("link", name="Shelf", exact=True).click()
    expect(page.get_by_text("Opening the shelf").or_(page.get_by_text("Can't read the shelf."))).to_be_visible()
    page.unroute("**/api/shelf?*")
    expect(page.get_by_role("heading", name="Presses")).to_be_visible()


@pytest.mark.provokes(409)
def test_a_change_on_the_shelf_that_came_too_late_is_said_and_shows_the_newer_state(open_page, running):
    page = open_page("/shelf")
    field = page.get_by_role("textbox", name="Uncertainty of Thin spacer")
    expect(field).to_have_value("0.03 mm")
    with running.client() as other:
        entry = next(e for e in other.get("/api/shelf").json()["entries"] if e.get("item") and e["item"]["name"] == "Thin spacer")
        thickness = {**entry["item"]["thickness"], "sd_mm": 0.04}
        other.put(f"/api/shelf/{entry['id']}", json={"item": {**entry["item"], "thickness": thickness}, "version": entry["version"]})
    field.fill("0.09")
    field.press("Enter")
    expect(page.get_by_text("Somebody else changed this on the shelf in the meantime.")).to_be_visible()
    expect(field).to_have_value("0.04 mm")
    field.fill("0.03")
    field.press("Enter")
    expect(field).to_have_value("0.03 mm")


def test_more_of_a_thing_can_be_corrected_on_the_shelf(open_page):
    page = open_page("/shelf")
    field = details(page, "Rail-lattice folder").get_by_role("textbox", name="relief height of Rail-lattice folder")
    field.fill("0.5")
    field.press("Enter")
    expect(field).to_have_value("0.5 mm")
    field.fill("0.45")
    field.press("Enter")
    expect(field).to_have_value("0.45 mm")
    page.get_by_role("tab", name="Inks").click()
    expect(page.get_by_role("heading", name="Presses")).to_have_count(0)
    expect(page.get_by_role("heading", name="Inks")).to_be_visible()


def test_what_the_verdict_does_not_hold_for_is_marked_and_mended(open_page, http):
    """A card that lies half off its die: said with its place, marked edge-on and from above, and mended by one key."""
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Station arch, cut")
    sandwich = http.get(f"/api/sandwiches/{found['id']}").json()["sandwich"]
    sandwich["layers"] = [{**layer, "x_mm": 45.0} if layer["role"] == "sheet" else layer for layer in sandwich["layers"]]
    record = http.post("/api/sandwiches", json={"sandwich": {**sandwich, "name": "Half a card"}}).json()
    page = open_page(f"/bench/{record['id']}")
    expect(page.get_by_test_id("sentence")).to_contain_text("has no sheet on it")
    expect(page.get_by_test_id("work-mark")).to_have_count(1)
    page.get_by_role("tab", name="Feed").click()
    expect(page.get_by_test_id("work-part")).to_have_count(1)
    page.get_by_role("tab", name="Verdict").click()
    page.get_by_role("button", name="Lay it on the whole tool").click()
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)
    expect(page.get_by_test_id("work-mark")).to_have_count(0)
    saved(page)
    now = http.get(f"/api/sandwiches/{record['id']}").json()
    http.delete(f"/api/sandwiches/{record['id']}", params={"version": now["version"]})


def test_the_runs_of_a_sandwich_and_what_to_try_next(open_page, kept, http):
    body = {"sandwich": kept["sandwich"], "result": "faint", "note": "too few shims", "left_out": True}
    run = http.post("/api/runs", json={"sandwich_id": kept["id"], "state": "finished", "body": body}).json()
    page = open_page(f"/bench/{kept['id']}")
    page.get_by_role("tab", name="History").click()
    expect(page.get_by_test_id("next-trial")).to_contain_text(re.compile("A good sheet then|Mend this first"))
    runs = page.get_by_role("list", name="Runs of this sandwich")
    expect(runs).to_contain_text("Faint")
    expect(runs).to_contain_text("too few shims")
    runs.get_by_role("link").first.click()
    expect(page.get_by_test_id("kept-run")).to_contain_text("faint")
    page.get_by_role("link", name="‹ Logbook").click()
    page.get_by_role("textbox", name="Find a run").fill("too few shims")
    page.get_by_label("Outcome").select_option(label="It cracked")
    expect(page.get_by_text("No run matches.")).to_be_visible()
    page.get_by_label("Outcome").select_option(label="Faint")
    expect(page.get_by_role("listitem").filter(has_text="too few shims")).to_contain_text("Faint")
    http.delete(f"/api/runs/{run['id']}", params={"version": run["version"]})
