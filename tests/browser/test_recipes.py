"""The main job on the real page: a wish, a pile that works, the run through it with full hands."""

import io
import json
import re

import numpy as np
import pypdf
import pytest
from PIL import Image
from playwright.sync_api import expect
from tests.browser.sheet_photo import sheet_photo


def test_every_effect_is_chosen_by_its_picture(open_page):
    page = open_page("/recipes")
    tiles = page.get_by_role("list", name="Effects").get_by_role("listitem")
    expect(tiles).to_have_count(34)
    widths = "() => [...document.querySelectorAll('[aria-label=Effects] img')].map((i) => i.naturalWidth)"
    page.wait_for_function(f"() => ({widths})().every((width) => width > 0)")
    assert page.evaluate(widths) == [488] * 34
    last = tiles.last.bounding_box()
    assert last["y"] + last["height"] < 800  # all of them without scrolling


@pytest.fixture
def deep(open_page):
    """The recipes for a deep relief, pressed dry, so that it may crack."""
    page = open_page("/recipes")
    page.get_by_role("button", name="A deep, rounded relief").click()
    page.get_by_label("Tool").select_option(label="Cable-sheave folder")
    page.get_by_role("radio", name="dry").click()
    expect(page.get_by_test_id("answer")).to_contain_text("Cable-sheave folder")
    return page


def forward_to(page, text, most=30):
    """Presses the space bar until a step says so."""
    for _ in range(most):
        if page.get_by_test_id("step").get_by_text(text, exact=True).count():
            return
        before = page.get_by_test_id("progress").inner_text()
        page.keyboard.press("Space")
        page.wait_for_function("(before) => document.querySelector('[data-testid=progress]')?.textContent !== before", arg=before)
    raise AssertionError(f"no step says {text!r}")


def test_from_a_wish_to_a_kept_run_with_the_space_bar(deep):
    """Choose an effect, open the best on the Bench, go to the press, say that it cracked, follow the advice, finish."""
    page = deep
    expect(page.get_by_role("article", name="One pass").first).to_contain_text("A good sheet: ")
    expect(page.get_by_role("article", name="Three passes, to and fro").first).to_be_visible()
    page.get_by_role("button", name="Open on the Bench").first.click()
    expect(page.get_by_test_id("sentence")).to_contain_text("Likely to crack (4 in 10): Cable-sheave folder")  # dry, as was wished
    page.get_by_role("tab", name="Steps").click()
    expect(page.get_by_test_id("run-card")).to_contain_text("Open Cable-sheave folder on the pile")
    page.get_by_role("button", name="Go to the press").click()
    expect(page.get_by_test_id("progress")).to_have_text(re.compile("Step 1 of"))
    forward_to(page, "One pass: crank it through.")
    page.get_by_role("button", name="It cracked").click()
    expect(page.get_by_role("list", name="Advice")).to_contain_text("Mist the sheet.")
    page.keyboard.press("1")
    expect(page.get_by_test_id("step")).to_have_text("Mist the back of Ridge green card.")  # the card has changed, and goes on there
    expect(page.get_by_test_id("timer")).to_contain_text("0:")
    for _ in range(30):
        if page.get_by_text("What came out?").count():
            break
        page.keyboard.press("Space")
        page.wait_for_timeout(60)
    expect(page.get_by_text("Along the way: Mist the sheet.")).to_be_visible()
    page.keyboard.press("1")
    expect(page.get_by_role("radio", name="Just right")).to_be_checked()
    expect(page.get_by_role("radio", name="Not cut through")).to_have_count(0)  # a folder without a blade
    page.keyboard.press("e")
    expect(page.get_by_role("radio", name="firm")).to_be_checked()
    page.get_by_label("A note for next time").fill("Misted at last.")
    file = io.BytesIO()
    Image.fromarray(np.full((60, 80, 3), 140, dtype=np.uint8)).save(file, "PNG")
    page.get_by_label("A photo").set_input_files({"name": "it.png", "mimeType": "image/png", "buffer": file.getvalue()})
    expect(page.get_by_alt_text("What came out")).to_be_visible()
    page.get_by_role("button", name="Save the run").click()
    expect(page.get_by_test_id("kept-run")).to_contain_text("just right")
    expect(page.get_by_text("Misted at last.")).to_be_visible()
    page.get_by_role("link", name="‹ Logbook").click()
    expect(page.get_by_role("listitem").filter(has_text="Misted at last.")).to_contain_text("Just right")


@pytest.fixture
def begun(kept, http):
    """A run of the lattice sleeve with two passes; forgotten once every page that shows it is closed."""
    body = {"sandwich": {**kept["sandwich"], "passes": 2}}
    run = http.post("/api/runs", json={"sandwich_id": kept["id"], "body": body}).json()
    yield run["id"]
    now = http.get(f"/api/runs/{run['id']}").json()
    http.delete(f"/api/runs/{run['id']}", params={"version": now["version"]})


@pytest.fixture
def at_press(begun, open_page):
    """The same at the press."""
    page = open_page(f"/press/{begun}")
    expect(page.get_by_test_id("progress")).to_have_text(re.compile("Step 1 of"))
    return page


def test_the_page_closed_in_the_middle_of_a_pass_goes_on_there(at_press, open_page):
    page = at_press
    forward_to(page, "Pass 2 of 2: crank it through.")
    expect(page.get_by_test_id("turns")).to_have_attribute("aria-label", "Pass 2 of 2, 1 done")
    expect(page.get_by_role("status").filter(has_text="saved")).to_be_visible()
    address = page.url.split("/", 3)[3]
    page.close()
    again = open_page(f"/{address}")
    expect(again.get_by_test_id("step")).to_have_text("Pass 2 of 2: crank it through.")
    expect(again.get_by_test_id("turns")).to_have_attribute("aria-label", "Pass 2 of 2, 1 done")
    again.keyboard.press("ArrowLeft")
    expect(again.get_by_test_id("step")).to_have_text("Pass 1 of 2: crank it through.")
    again.keyboard.press("PageDown")  # what a foot switch sends
    expect(again.get_by_test_id("step")).to_have_text("Pass 2 of 2: crank it through.")


@pytest.mark.provokes("offline", 503)
def test_steps_taken_while_the_service_is_away_are_not_lost(at_press):
    page = at_press
    page.route("**/api/runs/*", lambda route: route.abort() if route.request.method == "PUT" else route.continue_())
    page.keyboard.press("Space")
    page.keyboard.press("Space")
    expect(page.get_by_test_id("progress")).to_have_text(re.compile("Step 3 of"))
    expect(page.get_by_text("sent as soon as Lofty Press answers")).to_be_visible()
    page.reload()
    expect(page.get_by_test_id("progress")).to_have_text(re.compile("Step 3 of"))  # from this browser's own memory
    page.unroute("**/api/runs/*")
    expect(page.get_by_role("status").filter(has_text=re.compile("^saved$"))).to_be_visible()


def test_too_hard_to_turn_says_stop_before_anything_else(at_press):
    page = at_press
    page.get_by_role("button", name="Too hard to turn").click()
    expect(page.get_by_role("alert")).to_have_text(re.compile("^Stop. Don't force it"))
    page.keyboard.press("Escape")
    expect(page.get_by_test_id("progress")).to_have_text(re.compile("Step 1 of"))


def test_a_photo_of_the_sheet_is_compared_and_noted(at_press, kept, http):
    page = at_press
    for _ in range(40):
        if page.get_by_text("What came out?").count():
            break
        page.keyboard.press("Space")
        page.wait_for_timeout(60)
    page.get_by_label("A photo").set_input_files(sheet_photo(http, {**kept["sandwich"], "passes": 2}))
    page.get_by_role("button", name="Compare it with the computed sheet").click()
    page.get_by_role("button", name="Log that").click(timeout=60_000)
    expect(page.get_by_role("radio", name="Just right")).to_be_checked()
    expect(page.get_by_label("A note for next time")).to_have_value(re.compile("As it should be"))


@pytest.mark.provokes(422)
def test_a_photo_that_is_none_is_refused_in_words(at_press, tmp_path):
    page = at_press
    for _ in range(40):
        if page.get_by_text("What came out?").count():
            break
        page.keyboard.press("Space")
        page.wait_for_timeout(60)
    field = page.get_by_label("A photo")
    field.set_input_files({"name": "card.pdf", "mimeType": "application/pdf", "buffer": b"%PDF-1.7"})
    expect(page.get_by_role("alert")).to_contain_text("must be a JPEG, PNG or WebP picture")
    huge = tmp_path / "huge.jpg"
    huge.write_bytes(b"\xff\xd8" + b"\0" * 40_000_000)
    field.set_input_files(huge)
    expect(page.get_by_role("alert")).to_contain_text("40 MB")


def test_the_pdf_of_the_steps_look_holds_the_steps_on_the_screen(bench):
    bench.get_by_role("tab", name="Steps").click()
    card = bench.get_by_test_id("run-card")
    expect(card).to_contain_text("Put Midway bed down.")
    with bench.expect_download() as pdf:
        bench.get_by_role("button", name="PDF").click()
    with bench.expect_download() as plain:
        bench.get_by_role("button", name="Text").click()
    with bench.expect_download() as machine:
        bench.get_by_role("button", name="JSON").click()
    steps = [step["text"] for step in json.loads(machine.value.path().read_text())["steps"]]
    read = "".join(pypdf.PdfReader(pdf.value.path()).pages[0].extract_text().split())
    text = "".join(plain.value.path().read_text().split())
    shown = "".join(card.inner_text().split())
    for step in steps:
        assert "".join(step.split()) in read
        assert "".join(step.split()) in text
        assert "".join(step.split()) in shown


def test_without_a_kind_the_answer_changes_and_says_what_it_lacks(open_page):
    page = open_page("/recipes/die-line")
    expect(page.get_by_role("article", name="Die below, silicone and soft plate above").first).to_be_visible()
    page.get_by_role("checkbox", name="soft plate").check()
    expect(page.get_by_role("article", name="Die below, silicone and soft plate above")).to_have_count(0)
    page.reload()
    expect(page.get_by_role("checkbox", name="soft plate")).to_be_checked()  # choices are remembered
    page.get_by_role("checkbox", name="rubber mat").check()
    page.get_by_role("checkbox", name="foam sheet").check()
    expect(page.get_by_test_id("answer")).to_have_text(re.compile("Nearly: with one more part it works on Midway"))
    expect(page.get_by_role("region", name="Rubber mat to get")).to_contain_text("thick works")


def test_a_press_smaller_than_the_tool_is_said(open_page):
    page = open_page("/recipes/texture")
    page.get_by_label("Press").select_option(label="Foothill")
    expect(page.get_by_text("Wicker-seat texture plate is 112 mm wide; Foothill takes 78 mm.")).to_be_visible()
    page.get_by_role("radio", name="in", exact=True).click()
    expect(page.get_by_text("4 13/32 in wide")).to_be_visible()


def test_the_loss_of_cutting_afterwards_is_computed_on_demand(open_page):
    page = open_page("/recipes/plain-relief")
    page.get_by_role("button", name="Compute the loss").first.click()
    expect(page.get_by_text(re.compile(r"Cut after: .* % lost"))).to_be_visible()


def test_a_sandwich_goes_to_another_press(bench):
    bench.get_by_role("button", name="All sandwiches").click()
    bench.get_by_role("menuitem", name="This one on another press…").click()
    bench.get_by_role("radio", name="Summit").click()
    expect(bench.get_by_test_id("answer")).to_contain_text("Rail-lattice folder")
    expect(bench.get_by_role("list", name="Differences")).to_contain_text("0.05 mm wider")
    bench.get_by_role("radio", name="Foothill").click()
    expect(bench.get_by_role("list", name="Differences")).to_contain_text("can't go along")
