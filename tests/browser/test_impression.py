"""The impression in the real page: a motif from a file, the lamp, the probe, two variants, and files that read back."""

import io
import json
import re

import pytest
import tifffile
from PIL import Image, ImageChops, ImageStat
from playwright.sync_api import Page, expect
from tests.browser.on_the_shelf import details
from tests.browser.patience import COMPUTED

from lofty_press.demo.sandwiches import build, lay
from lofty_press.documents.files.sandwich_file import write_sandwich

STAR = """<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="40mm" viewBox="0 0 60 60">
<path d="M30 4 L37 22 L56 23 L41 35 L46 54 L30 43 L14 54 L19 35 L4 23 L23 22 Z"/></svg>"""
FULL = "[data-testid=run][data-stage=full]"


def impression(page: Page) -> Page:
    page.get_by_role("tab", name="Pressed sheet").click()
    page.locator(FULL).wait_for(timeout=COMPUTED)
    return page


@pytest.fixture
def envelope(http):
    """A fresh envelope flap on its motif."""
    rows = [lay("bed"), lay("spacer"), lay("soft"), lay("monogram"), lay("mail-envelope", role="sheet"), lay("rubber-thick")]
    made = build("Star on the flap", "midway", "motif", *rows, lay("pad-back", role="shim", count=2))
    record = http.post("/api/sandwiches/file", content=write_sandwich(made)).json()
    yield record
    now = http.get(f"/api/sandwiches/{record['id']}").json()
    http.delete(f"/api/sandwiches/{record['id']}", params={"version": now["version"]})


def file_on_a_copy(page: Page, tab: str, name: str, file) -> tuple:
    """A copy of a thing on the shelf, with a file held to it: its row and the dialog that shows the file."""
    page.get_by_role("tab", name=tab).click()
    details(page, name).get_by_role("button", name=f"Copy {name}").click()
    tiles = page.get_by_role("listitem", name=re.compile(f"^{name}"))
    expect(tiles).to_have_count(2)
    row = details(page, name)  # of the copy, which is shown once it is made
    row.locator("input[type=file][aria-label^='Relief file']").set_input_files(file)
    return row, page.get_by_role("dialog")


def picture(page: Page) -> bytes:
    return page.get_by_test_id("pressed-sheet").screenshot()


def test_a_motif_from_an_svg_is_pressed(open_page, envelope, tmp_path):
    star = tmp_path / "star.svg"
    star.write_text(STAR)
    page = open_page("/shelf")
    row, dialog = file_on_a_copy(page, "Tools", "Monogram motif", star)
    expect(dialog.get_by_text("46 mm across").or_(dialog.get_by_text("47 mm across"))).to_be_visible()
    width = dialog.get_by_role("textbox", name="Width of the relief")
    width.fill("30")
    width.press("Enter")
    expect(dialog.get_by_text("31 mm across")).to_be_visible()
    dialog.get_by_role("button", name="Use this relief").click()
    expect(dialog).to_be_hidden()
    expect(row.get_by_role("img", name=re.compile("Relief of"))).to_be_visible()
    name = row.get_attribute("aria-label").removeprefix("Details of ")

    page.goto(page.url.replace("/shelf", f"/bench/{envelope['id']}"))
    page.get_by_role("option", name=re.compile("^Monogram motif")).click()
    page.keyboard.press("x")
    page.get_by_role("option", name=re.compile("^Soft plate")).click()
    page.keyboard.press("a")
    page.get_by_role("combobox", name="Find on the shelf").fill(name)
    page.keyboard.press("Enter")
    page.get_by_role("tab", name="Pressed sheet").wait_for(timeout=COMPUTED)  # nobody has pressed this shape before
    impression(page)
    expect(page.get_by_test_id("figures")).to_contain_text("depth kept")
    page.goto(page.url.split("/bench")[0] + "/shelf")
    page.get_by_role("tab", name="Tools").click()
    page.get_by_role("button", name=f"More of {name}", exact=True).last.click()
    page.get_by_role("button", name=f"Take {name} off the shelf").click()
    expect(page.get_by_role("listitem", name=name, exact=True)).to_have_count(1)


def test_the_lamp_the_zoom_and_the_faces_change_the_picture(bench):
    page = impression(bench)
    page.wait_for_timeout(300)
    first = picture(page)
    lamp = page.get_by_role("slider", name="Lamp")
    lamp.focus()
    for _ in range(6):
        page.keyboard.press("Shift+ArrowRight")
    page.wait_for_timeout(150)
    moved = picture(page)
    assert moved != first
    box = page.get_by_test_id("pressed-sheet").bounding_box()
    grip = lamp.bounding_box()
    page.mouse.move(grip["x"] + grip["width"] / 2, grip["y"] + grip["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + 40, steps=6)
    page.mouse.up()
    page.wait_for_timeout(150)
    dragged = picture(page)
    assert dragged != moved
    page.get_by_role("button", name="Zoom in").click()
    page.wait_for_timeout(150)
    assert picture(page) != dragged
    page.get_by_role("radio", name="back").click()
    page.wait_for_timeout(500)
    assert picture(page) != dragged
    expect(page.get_by_role("img", name=re.compile("^The back of the sheet"))).to_be_visible()


LOSE = """async () => {
    const gl = document.querySelector('[data-testid=pressed-sheet]').getContext('webgl2');
    const card = gl.getExtension('WEBGL_lose_context');
    const told = (name) => new Promise((done, failed) => {
        gl.canvas.addEventListener(name, () => setTimeout(done), { once: true }); // it can be given back only after it was told
        setTimeout(() => failed(new Error(`no ${name}`)), 10_000);
    });
    const lost = told('webglcontextlost');
    card.loseContext();
    await lost;
    const gone = gl.isContextLost();
    const restored = told('webglcontextrestored');
    card.restoreContext();
    await restored;
    return gone;
}"""


def test_the_picture_comes_back_when_the_graphics_card_was_taken_away(bench):
    page = impression(bench)
    page.wait_for_timeout(600)
    before = Image.open(io.BytesIO(picture(page))).convert("L")
    assert page.evaluate(LOSE)
    page.wait_for_timeout(600)
    after = Image.open(io.BytesIO(picture(page))).convert("L")
    assert ImageStat.Stat(before).stddev[0] > 5  # there is something to be seen
    assert ImageStat.Stat(ImageChops.difference(before, after)).mean[0] < 1


def test_maps_have_a_scale_with_a_unit(bench):
    page = impression(bench)
    for name, words in (
        ("depth", "height above the lowest point"),
        ("pressure", "MPa"),
        ("crack", "cracks from 1"),
        ("buckle", "to stay flat"),
    ):
        page.get_by_role("radio", name=name, exact=True).click()
        expect(page.get_by_role("region", name="Pressed sheet").get_by_text(words).first).to_be_visible()


def test_the_probe_shows_what_lies_under_it(bench):
    page = impression(bench)
    profile = page.get_by_test_id("profile")
    before = profile.inner_html()
    end = page.get_by_role("slider", name="End of the probe line")
    end.focus()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    expect(profile).not_to_have_attribute("data-none", "x")
    assert profile.inner_html() != before
    expect(page.get_by_text(re.compile(r"Along the probe, \d+ mm; heights ×"))).to_be_visible()


def test_dry_and_misted_side_by_side(bench):
    page = impression(bench)
    page.get_by_label("Compare with").select_option(label="misted")
    wipe = page.get_by_role("slider", name="Slide between both sheets")
    expect(wipe).to_be_visible()
    table = page.get_by_test_id("figures")
    expect(table.get_by_role("columnheader", name="misted")).to_be_visible()
    row = table.get_by_role("row", name=re.compile("depth kept")).get_by_role("cell")
    expect(row.nth(1)).to_have_text(re.compile(r"mm · \d+ %"))
    dry, misted = (float(text.split()[0]) for text in row.all_inner_texts())
    assert misted > dry
    before = wipe.get_attribute("aria-valuenow")
    wipe.focus()
    page.keyboard.press("Shift+ArrowRight")
    expect(wipe).not_to_have_attribute("aria-valuenow", before)


def test_a_changed_sandwich_gets_a_new_sheet_and_the_calls_follow(bench):
    page = impression(bench)
    page.get_by_label("Passes").select_option(label="3 passes")
    page.locator(FULL).wait_for(timeout=COMPUTED)
    page.get_by_role("tab", name="Verdict").click()
    expect(page.locator("[data-code=needless-passes]")).to_be_visible()


def test_what_is_saved_reads_back(bench):
    page = impression(bench)
    with page.expect_download() as download:
        page.get_by_role("link", name="heights").click()
    with tifffile.TiffFile(io.BytesIO(download.value.path().read_bytes())) as file:
        values, scale = file.pages[0].asarray(), json.loads(file.pages[0].description)
    assert scale["unit"] == "mm"
    shown = page.get_by_test_id("figures").get_by_role("row", name=re.compile("depth kept")).inner_text()
    depth = float(re.search(r"(\d\.\d\d) mm", shown)[1])
    heights = scale["lowest_mm"] + scale["step_mm"] * values[values > 0]
    assert heights.max() - heights.min() >= depth
    with page.expect_download() as download:
        page.get_by_role("link", name="profile").click()
    rows = download.value.path().read_text().splitlines()
    assert rows[0].startswith("along_mm,tool_mm")
    assert len(rows) > 100


@pytest.mark.provokes(422)
def test_a_sandwich_that_jams_says_why_there_is_no_sheet(open_page, http):
    two = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave on two plates")
    page = open_page(f"/bench/{two['id']}")
    page.get_by_role("tab", name="Pressed sheet").click()
    expect(page.get_by_text("No pressed sheet for this sandwich.")).to_be_visible()
    expect(page.get_by_text("take a layer out", exact=False).first).to_be_visible()


def test_a_frame_takes_its_window_from_an_svg(open_page, http, tmp_path):
    outline = tmp_path / "window.svg"
    outline.write_text('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 50"><rect width="40" height="50"/></svg>')
    page = open_page("/shelf")
    _, dialog = file_on_a_copy(page, "Plates", "Pad-back frame", outline)
    width = dialog.get_by_role("textbox", name="Width of the relief")
    width.fill("40")
    width.press("Enter")
    expect(dialog.get_by_text("41 mm across")).to_be_visible()
    with page.expect_response(lambda answer: answer.request.method == "PUT" and "/api/shelf/" in answer.url) as put:
        dialog.get_by_role("button", name="Use this relief").click()
    (window,) = put.value.json()["item"]["windows"]
    assert max(y for _, y in window) == pytest.approx(20, abs=0.1)
    assert max(x for x, _ in window) == pytest.approx(25, abs=0.1)
    entry = put.value.json()
    http.delete(f"/api/shelf/{entry['id']}", params={"version": entry["version"]})


@pytest.mark.provokes(422)
def test_a_file_that_is_no_relief_is_refused_in_the_dialog_and_nothing_changes(open_page, tmp_path):
    wrong = tmp_path / "notes.png"
    wrong.write_bytes(b"these are notes")
    page = open_page("/shelf")
    page.get_by_role("tab", name="Tools").click()
    row = details(page, "Rail-lattice folder")
    row.locator("input[type=file][aria-label^='Relief file']").set_input_files(wrong)
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_role("alert")).to_contain_text("isn't a PNG")
    expect(dialog.get_by_role("button", name="Use this relief")).to_be_disabled()
    dialog.get_by_role("button", name="Cancel").click()
    expect(dialog).to_be_hidden()


def test_a_motif_offers_a_second_layer_and_it_stands_higher(open_page, envelope):
    page = impression(open_page(f"/bench/{envelope['id']}"))
    page.get_by_label("Compare with").select_option(label="2 motif layers")
    row = page.get_by_test_id("figures").get_by_role("row", name=re.compile("depth kept")).get_by_role("cell")
    expect(row.nth(1)).to_have_text(re.compile(r"\d mm"), timeout=COMPUTED)
    one, two = (float(re.search(r"(\d\.\d\d) mm", text)[1]) for text in row.all_inner_texts())
    assert two > 1.3 * one


def test_how_it_is_looked_at_is_remembered(bench):
    page = impression(bench)
    page.get_by_role("radio", name="depth", exact=True).click()
    page.reload()
    page.get_by_role("tab", name="Pressed sheet").click()
    expect(page.get_by_role("radio", name="depth", exact=True)).to_have_attribute("aria-checked", "true")
