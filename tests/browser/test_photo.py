"""Tools come onto the shelf by photograph: found, named, corrected, put; nameless ones are filled in."""

import pytest
from playwright.sync_api import expect
from tests.core.imaging.photo.photographs import FOLDER

SHEET = str(FOLDER / "stencils.jpg")


ON_THE_LINE = """path => {
  const place = path.getPointAtLength(20).matrixTransform(path.getScreenCTM());
  return [place.x, place.y];
}"""


def read(page):
    page.get_by_test_id("tools-photo").set_input_files(SHEET)
    rows = page.get_by_role("list", name="Tools in the photo").get_by_role("listitem")
    expect(rows).to_have_count(3, timeout=30_000)
    return rows


@pytest.fixture
def shelf(http):
    """Takes off the shelf whatever a test put there."""
    before = {entry["id"]: entry for entry in entries(http)}
    yield before
    for entry in entries(http):
        if entry["id"] not in before:
            http.delete(f"/api/shelf/{entry['id']}", params={"version": entry["version"]}).raise_for_status()


def entries(http):
    found, after = [], None
    while True:
        page = http.get("/api/shelf", params={"limit": 200, **({"after": after} if after else {})}).json()
        found += page["entries"]
        after = page["next"]
        if after is None:
            return found


def test_a_photo_of_three_tools_puts_three_on_the_shelf(open_page, http, shelf):
    made = http.post("/api/setout", json={"text": "1 motif"}).json()
    assert made["things"] == 1
    page = open_page("/shelf")
    page.get_by_role("link", name="Photograph tools").click()
    rows = read(page)
    kinds = [rows.nth(n).get_by_role("combobox").input_value() for n in range(3)]
    assert sorted(kinds) == ["hard plate", "motif", "pressure mask"]
    mask = kinds.index("pressure mask")
    page.get_by_label(f"Name of tool {mask + 1}", exact=True).fill("Dotted stencil")
    page.get_by_label(f"Name of tool {kinds.index('motif') + 1}", exact=True).fill("Round tab")
    plate = kinds.index("hard plate")
    page.get_by_label(f"Kind of tool {plate + 1}", exact=True).select_option("soft plate")
    page.get_by_label(f"Thickness of tool {plate + 1}", exact=True).fill("2.9")
    page.get_by_label(f"Thickness of tool {plate + 1}", exact=True).press("Enter")
    page.get_by_label("Keep the photos too").check()
    page.get_by_role("button", name="Add 3 to the shelf").click()
    expect(page.get_by_text("3 tools are on the shelf.")).to_be_visible(timeout=20_000)
    fresh = {entry["name"]: entry["item"] for entry in entries(http) if entry["id"] not in shelf}
    assert len(fresh) == 3  # the nameless motif was filled in and not doubled
    assert len(fresh["Dotted stencil"]["windows"]) == 12
    assert (fresh["Dotted stencil"]["length_mm"], fresh["Dotted stencil"]["width_mm"]) == pytest.approx((128, 92), abs=1.0)
    assert fresh["Round tab"]["outline"]
    assert len({item["picture"] for item in fresh.values()}) == 3
    (photo,) = {item["photo"] for item in fresh.values()}  # one photo of them all, since it was asked for
    for key in (photo, fresh["Round tab"]["picture"]):
        assert http.get(f"/api/pictures/{key}").headers["content-type"] == "image/jpeg"
    page.get_by_role("textbox", name="Find").fill("Dotted stencil")
    tile = page.get_by_role("list", name="On the shelf").locator("img").first
    expect(tile).to_have_attribute("src", f"/api/pictures/{fresh['Dotted stencil']['picture']}")
    soft = next(item for item in fresh.values() if item["kind"] == "soft plate")
    assert soft["thickness"]["mm"] == 2.9


@pytest.mark.provokes(422)
def test_a_photo_without_the_sheet_says_what_to_do(open_page, tmp_path):
    from PIL import Image

    Image.new("RGB", (400, 300), "gray").save(tmp_path / "desk.png")
    page = open_page("/shelf/photo")
    page.get_by_test_id("tools-photo").set_input_files(str(tmp_path / "desk.png"))
    expect(page.get_by_role("alert")).to_contain_text("put the tools on that sheet")


def test_one_tool_can_be_left_out(open_page):
    page = open_page("/shelf/photo")
    read(page)
    page.get_by_label("Take tool 2").uncheck()
    expect(page.get_by_role("button", name="Add 2 to the shelf")).to_be_enabled()


def test_twins_are_one_until_they_are_wanted_each(open_page, http, shelf):
    made = http.post("/api/setout", json={"text": "6 plain folders"}).json()
    assert made["things"] == 6
    page = open_page("/shelf")
    page.get_by_placeholder("Find by name or kind").fill("plain folder")
    together = page.get_by_role("button", name="6 × plain folder")
    expect(together).to_be_visible()
    expect(page.get_by_role("listitem", name="Plain folder (fourth)")).to_have_count(0)
    together.click()
    expect(page.get_by_role("listitem", name="Plain folder (fourth)")).to_be_visible()


def test_several_photos_are_read_one_after_the_other(open_page):
    page = open_page("/shelf/photo")
    page.get_by_test_id("tools-photo").set_input_files([SHEET, str(FOLDER / "dies-above.jpg")])
    rows = page.get_by_role("list", name="Tools in the photo").get_by_role("listitem")
    expect(rows).to_have_count(15, timeout=60_000)
    page.get_by_label("Name of tool 15", exact=True).click()
    expect(page.get_by_role("img", name="12 tools outlined")).to_be_visible()
    page.get_by_role("button", name="Start over").click()
    expect(rows).to_have_count(0)


def test_a_line_is_drawn_over_a_thickness_typed_and_a_blade_put_on_the_edge(open_page):
    page = open_page("/shelf/photo")
    rows = read(page)
    kinds = [rows.nth(n).get_by_role("combobox").first.input_value() for n in range(3)]
    mask = kinds.index("pressure mask")
    row = rows.nth(mask)
    row.get_by_role("textbox").first.focus()
    before = row.inner_text()
    x, y = page.get_by_test_id("drag-outline").evaluate(ON_THE_LINE)
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y - 25, steps=4)
    page.mouse.up()
    expect(row.get_by_role("button", name="as read")).to_be_visible()
    assert row.inner_text() != before
    row.get_by_role("button", name="as read").click()
    expect(row.get_by_role("button", name="as read")).to_have_count(0)
    assert row.inner_text() == before
    page.get_by_label(f"Thickness of tool {mask + 1}", exact=True).fill("9")
    page.get_by_label(f"Thickness of tool {mask + 1}", exact=True).press("Enter")
    expect(row.get_by_role("button", name="as read")).to_be_visible()
    assert row.inner_text() != before  # what is thicker was seen larger than it is
    page.get_by_label(f"Kind of tool {mask + 1}", exact=True).select_option("thin die")
    blade = page.get_by_label(f"Blade of tool {mask + 1}", exact=True)
    expect(blade).to_have_value("middle")
    runs = page.get_by_test_id(f"outline-{mask}").locator("path[stroke-dasharray]")
    expect(runs).not_to_have_count(1)
    blade.select_option("edge")
    expect(runs).to_have_count(1)
