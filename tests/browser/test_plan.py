"""Plan: from a format to sizes, cuts and hours; what is changed is followed by all of it, and undone all the way."""

import re

import pytest
from playwright.sync_api import expect

SIZE = "Size of {}"


@pytest.fixture
def planned(http):
    """Removes what a test begins."""
    before = {job["id"] for job in http.get("/api/jobs").json()["jobs"]}
    yield
    for job in http.get("/api/jobs").json()["jobs"]:
        if job["id"] not in before:
            http.delete(f"/api/jobs/{job['id']}", params={"version": job["version"]})


def test_from_a_format_to_the_hours_and_a_border_changed_at_the_end(planned, open_page):
    page = open_page("/plan")
    page.get_by_role("radio", name="in", exact=True).click()
    page.get_by_label("Format").select_option(label="US A2 card")
    page.get_by_label("How many", exact=True).fill("60")
    page.get_by_label("How many", exact=True).press("Enter")
    page.get_by_role("button", name="Plan it").click()
    expect(page.get_by_label("Size of Layer")).to_have_value("4 in x 5 1/4 in")
    page.get_by_role("listitem", name="Layer").click()
    page.get_by_role("button", name="Add a run", exact=True).click()
    page.get_by_label("Recipe of run 1 of Layer").select_option(label="A die's line in melted powder")
    page.get_by_role("radio", name="Sheets").click()
    expect(page.get_by_role("heading", level=2)).to_have_text(re.compile(r"\d+ sheets"))
    first = page.get_by_role("heading", level=2).inner_text()
    page.get_by_role("radio", name="Order", exact=True).click()
    steps = page.get_by_role("list", name="Order of work").get_by_role("listitem")
    expect(steps.filter(has_text="Layer, ink, emboss, powder, piece by piece")).to_have_count(1)
    texts = steps.all_inner_texts()
    at = {name: next(n for n, text in enumerate(texts) if name in text) for name in ("heat-set", "powder", "assemble")}
    assert at["powder"] < at["heat-set"] < at["assemble"]
    page.get_by_role("radio", name="Card", exact=True).click()
    border = page.get_by_label("Border around Layer")
    border.fill("1")
    border.press("Enter")
    expect(page.get_by_label("Size of Layer")).to_have_value("2 1/4 in x 3 1/2 in")
    page.get_by_role("radio", name="Sheets").click()
    expect(page.get_by_role("heading", level=2)).not_to_have_text(first)
    sheets = page.get_by_role("region", name="Sheets on hand")
    sheets.get_by_label(re.compile("How many of .*, 1")).first.fill("3")
    sheets.get_by_label(re.compile("How many of .*, 1")).first.press("Enter")
    expect(page.get_by_text(re.compile(r"To buy: \d+ of "))).to_be_visible()
    sheets.get_by_label(re.compile("Price of ")).first.fill("0.4")
    sheets.get_by_label(re.compile("Price of ")).first.press("Enter")
    expect(page.get_by_text(re.compile(r"Costs \d+\.\d\d in total, .* a card: paper"))).to_be_visible()
    page.get_by_role("radio", name="Order", exact=True).click()
    page.get_by_label("Pairs of hands").fill("2")
    page.get_by_label("Pairs of hands").press("Enter")
    expect(page.get_by_label("Pairs of hands")).to_have_value("2")
    for _ in range(6):
        page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Undo")).to_be_disabled()
    page.get_by_role("radio", name="Card", exact=True).click()
    expect(page.get_by_label("Size of Layer")).to_have_value("4 in x 5 1/4 in")
    expect(page.get_by_role("status").filter(has_text="saved")).to_be_visible()


@pytest.mark.provokes(422)
def test_what_cannot_be_is_said_by_its_piece_and_undone_by_a_key(planned, open_page):
    page = open_page("/plan")
    page.get_by_role("button", name="Plan it").click()
    border = page.get_by_label("Border around Layer")
    border.fill("80")
    border.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("is too wide: nothing is left of Layer")
    expect(border).to_have_attribute("aria-invalid", "true")
    border.blur()
    page.keyboard.press("u")
    expect(page.get_by_role("alert")).to_have_count(0)
    size = page.get_by_label("Size of Layer")
    size.fill("3 5/7 in x 5 in")
    size.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("between two marks of the ruler")
    size.fill("95 x 138")
    size.press("Enter")
    expect(page.get_by_label("Border around Layer")).to_have_value("5")


@pytest.mark.provokes(422)
def test_from_a_recipe_to_an_order_that_is_changed_with_its_reason_told(planned, open_page):
    """A colored ground first is what some do: it is planned, and what it costs is said; powder before ink is refused with both rules."""
    page = open_page("/recipes/paint-along")
    page.get_by_role("link", name="Plan cards with it").click()
    expect(page.get_by_text("press its layer: Lines to paint along")).to_be_visible()
    page.get_by_role("button", name="Plan it").click()
    page.get_by_role("listitem", name="Layer").click()
    expect(page.get_by_label("Recipe of run 1 of Layer")).to_have_value("paint-along")
    page.get_by_role("group", name="Work on Layer").get_by_role("checkbox", name="stamp", exact=True).click()
    page.get_by_role("radio", name="Order", exact=True).click()
    steps = page.get_by_role("list", name="Order of work").get_by_role("listitem")
    expect(steps.filter(has_text="Layer, stamp")).to_have_count(1)
    texts = steps.all_inner_texts()
    at = {name: next(n for n, text in enumerate(texts) if f"Layer, {name}" in text) for name in ("emboss", "stamp", "color", "glue")}
    assert at["emboss"] < at["stamp"] < at["color"] < at["glue"]
    page.get_by_label("What comes first").select_option(label="Layer: stamp")
    page.get_by_label("What comes after").select_option(label="Layer: emboss")
    page.get_by_role("button", name="Add it").click()
    expect(page.get_by_role("note")).to_contain_text("Better Layer: emboss before Layer: stamp. Stamp after pressing")
    page.get_by_label("What comes first").select_option(label="Layer: color")
    page.get_by_label("What comes after").select_option(label="Layer: emboss")
    page.get_by_role("button", name="Add it").click()
    expect(page.get_by_role("alert")).to_contain_text("Layer: color before Layer: emboss. You asked for it.")
    expect(page.get_by_role("alert")).to_contain_text("A dry furrow holds the wash")


def test_what_is_done_needs_no_time_any_more_and_the_next_pile_goes_to_the_press(planned, http, open_page):
    job = next(job for job in http.get("/api/jobs").json()["jobs"] if job["name"] == "Sixty programme covers")
    copy = http.post("/api/jobs", json={"job": http.get(f"/api/jobs/{job['id']}").json()["job"]}).json()
    page = open_page(f"/plan/{copy['id']}")
    page.get_by_role("radio", name="Order", exact=True).click()
    expect(page.get_by_role("heading", level=2)).to_have_text(re.compile("of work$"))
    whole = page.get_by_role("heading", level=2).inner_text()
    page.get_by_role("checkbox", name="Sheave panel, trim to size: done").click()
    expect(page.get_by_role("list", name="Done").get_by_role("listitem")).to_have_count(1)
    expect(page.get_by_role("heading", level=2)).to_have_text(re.compile(r"\d h( \d+ min)? of work from now"))
    assert page.get_by_role("heading", level=2).inner_text() != whole
    page.get_by_role("list", name="Done").get_by_role("checkbox").click()
    expect(page.get_by_role("heading", level=2)).to_have_text(whole)
    page.get_by_role("button", name="At the press: Sheave programme cover").click()
    page.wait_for_url(re.compile("/press/"))
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    for _ in range(2):
        page.keyboard.press("Space")
    run = page.url.rpartition("/")[2]
    page.goto(page.url.split("/press")[0] + "/plan")
    http.delete(f"/api/runs/{run}", params={"version": http.get(f"/api/runs/{run}").json()["version"]})


def test_the_covers_go_out_as_pages_and_say_what_the_post_minds(open_page):
    page = open_page("/plan")
    page.get_by_role("link", name="Sixty programme covers").click()
    with page.expect_download() as download:
        page.get_by_role("link", name="pages").click()
    assert download.value.path().read_bytes()[:5] == b"%PDF-"
    page.get_by_role("radio", name="Post").click()
    expect(page.get_by_role("list", name="Classes of letters")).to_contain_text("fits")
    expect(page.get_by_text("US A2 envelope")).to_be_visible()


def box_of(page, selector):
    box = page.locator(selector).first.bounding_box()
    return box["x"] + box["width"] / 2, box["y"] + box["height"] / 2


def test_an_edge_is_dragged_and_the_keyboard_moves_the_piece(planned, open_page):
    page = open_page("/plan")
    page.get_by_role("radio", name="in", exact=True).click()
    page.get_by_role("button", name="Plan it").click()
    page.locator("[data-piece=layer]").click()
    x, y = box_of(page, "[data-edge=left]")
    wide = page.locator("[data-piece=base]").bounding_box()["width"]
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + wide * 0.5 / 4.25, y, steps=6)  # half an inch on the drawing
    page.mouse.up()
    border = page.get_by_label("Border around Layer")
    expect(border).to_have_value(re.compile(r"^(9/16|5/8|11/16) in, 1/8 in, 1/8 in, 1/8 in$"))
    page.keyboard.press("u")
    expect(border).to_have_value("1/8")
    page.get_by_role("img", name="The card, to scale").focus()
    page.keyboard.press("ArrowRight")
    expect(border).to_have_value("3/16 in, 1/16 in, 1/8 in, 1/8 in")
    expect(page.get_by_label("Size of Layer")).to_have_value("4 in x 5 1/4 in")
    page.keyboard.press("Shift+ArrowLeft")  # narrower on both sides
    expect(page.get_by_label("Size of Layer")).to_have_value("3 7/8 in x 5 1/4 in")
    page.keyboard.press(",")
    x, y = box_of(page, "[data-edge=right]")
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x - wide / 4.25, y, steps=4)
    page.mouse.up()
    expect(page.get_by_label("Size of Card base")).to_have_value(re.compile("^3 (3/16|1/4|5/16) in x 5 1/2 in$"))
    expect(border).to_have_value("1/4 in, 1/8 in, 1/8 in, 1/8 in")  # the layer follows its borders


def test_a_layer_is_dragged_into_the_middle_and_shows_its_relief(planned, open_page):
    page = open_page("/plan")
    page.get_by_role("button", name="Plan it").click()
    border = page.get_by_label("Border around Layer")
    border.fill("4, 8, 3, 3")
    border.press("Enter")
    expect(page.get_by_label("Size of Layer")).to_have_value("93 mm x 142 mm")
    layer = page.locator("[data-piece=layer]").bounding_box()
    x, y, per_mm = layer["x"] + layer["width"] / 3, layer["y"] + layer["height"] / 3, layer["width"] / 93
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 1.6 * per_mm, y, steps=5)
    expect(page.get_by_text("left 6 mm, top 3 mm")).to_be_visible()
    page.mouse.up()
    expect(border).to_have_value("6 mm, 6 mm, 3 mm, 3 mm")
    expect(page.get_by_label("Size of Layer")).to_have_value("93 mm x 142 mm")
    page.keyboard.press("u")
    expect(border).to_have_value("4, 8, 3, 3")
    page.get_by_role("link", name="Plan", exact=True).click()
    page.get_by_role("link", name="Sixty programme covers").click()
    expect(page.locator("[data-piece=panel] image")).to_have_count(1)


def test_mats_in_rows_an_envelope_and_a_class_of_ones_own(planned, open_page):
    page = open_page("/plan")
    page.get_by_role("button", name="Plan it").click()
    page.get_by_label("Name of Layer").click()
    for label, text in (("Columns of Layer", "2"), ("Rows of Layer", "3"), ("Gap between parts of Layer", "4")):
        page.get_by_label(label).fill(text)
        page.get_by_label(label).press("Enter")
    expect(page.get_by_label("Size of Layer")).to_have_value("47.5 mm x 44.7 mm")
    expect(page.locator("[data-piece=layer]")).to_have_count(6)
    page.get_by_role("button", name="An envelope that fits").click()
    expect(page.get_by_label("Size of Envelope")).to_have_value(re.compile(r"^15\d mm x 11\d mm$"))
    page.get_by_label("Name of Envelope").click()
    expect(page.get_by_role("img", name="Envelope laid flat")).to_be_visible()
    page.get_by_role("radio", name="Post").click()
    classes = page.get_by_role("list", name="Classes of letters")
    page.get_by_role("button", name="Limits of letter, small (UPU)").click()
    thick = page.get_by_label("letter, small (UPU): thickness")
    thick.fill("0.5")
    thick.press("Enter")
    expect(classes.get_by_role("listitem").first).to_contain_text("too much")
    expect(classes.get_by_role("listitem").first).to_contain_text("changed by hand")
    page.get_by_role("button", name="Restore the originals").click()
    expect(classes.get_by_role("listitem").first).to_contain_text("fits")


def test_the_work_is_followed_with_what_dries_beside_it_and_the_rest_is_put_away(planned, http, open_page):
    """Two operations with their times, one of them at the press, and an ink that dries on the rack meanwhile."""
    source = next(job for job in http.get("/api/jobs").json()["jobs"] if job["name"] == "Sixty programme covers")
    job = http.get(f"/api/jobs/{source['id']}").json()["job"]
    pieces = [{**piece, "works": piece["works"] if piece["key"] == "panel" else []} for piece in job["pieces"]]
    pieces[2]["works"], pieces[3]["works"], pieces[3]["runs"] = [], ["ink"], []
    copy = http.post("/api/jobs", json={"job": {**job, "name": "Three of them", "count": 3, "pieces": pieces}}).json()
    page = open_page(f"/plan/{copy['id']}")
    page.get_by_role("radio", name="Order", exact=True).click()
    page.get_by_role("link", name="Start working").click()
    operation = page.get_by_test_id("operation")
    rack = page.get_by_role("region", name="On the rack")
    seen = []
    for _ in range(2):
        seen.append(operation.inner_text())
        page.keyboard.press("Space")
        expect(page.get_by_test_id("running")).to_be_visible()
        if "emboss" in seen[-1]:
            page.get_by_role("button", name="At the press: Sheave programme cover").click()
            page.wait_for_url(re.compile("/press/"))
            expect(page.get_by_test_id("step")).to_be_visible()
            page.keyboard.press("Space")
            page.keyboard.press("Space")
            run = re.search(r"/press/([^?]+)", page.url)[1]
            page.get_by_role("link", name="Back to the plan's work").click()
            expect(operation).to_have_text(seen[-1])
            http.delete(f"/api/runs/{run}", params={"version": http.get(f"/api/runs/{run}").json()["version"]})
        page.keyboard.press("Space")
        expect(page.get_by_test_id("running")).to_have_count(0)
    assert sorted(seen) == ["Ink: Name strip", "Mist, emboss, piece by piece: Sheave panel"]
    expect(page.get_by_text("Waiting for things to dry")).to_be_visible()
    expect(rack).to_contain_text(re.compile(r"Name strip\s*1[45]:\d\d"))
    page.keyboard.press("u")
    page.keyboard.press("u")
    expect(operation).to_have_text(seen[-1])
    page.keyboard.press("Space")
    page.keyboard.press("Space")
    page.get_by_role("button", name="Name strip is dry").click()
    page.get_by_role("button", name="Sheave panel is dry").click()
    expect(page.get_by_text("All done")).to_be_visible()
    page.get_by_role("button", name="Save the leftovers").click()
    expect(page.get_by_text("Its sheets and off-cuts are saved")).to_be_visible()
    page.get_by_role("navigation").get_by_role("link", name="Plan", exact=True).click()
    paper = page.get_by_role("region", name="Paper on hand").get_by_role("article", name="Summit white card")
    expect(paper).to_contain_text("off-cuts")


def test_what_was_changed_goes_along_to_the_work_and_back(planned, open_page):
    page = open_page("/plan")
    page.get_by_role("button", name="Plan it").click()
    border = page.get_by_label("Border around Layer")
    border.fill("9")
    border.press("Enter")
    expect(page.get_by_label("Size of Layer")).to_have_value("87 mm x 130 mm")
    expect(page.get_by_role("status").filter(has_text="saved")).to_be_visible()
    page.get_by_role("radio", name="Order", exact=True).click()
    page.get_by_role("link", name="Start working").click()
    expect(page.get_by_test_id("operation")).to_be_visible()
    page.keyboard.press("Space")
    expect(page.get_by_test_id("running")).to_be_visible()
    page.get_by_test_id("at-work").get_by_role("link").click()
    expect(border).to_have_value("9")
    for _ in range(2):
        page.get_by_role("button", name="Undo").click()
    expect(border).to_have_value("3")
    expect(page.get_by_role("status").filter(has_text="saved")).to_be_visible()


@pytest.mark.provokes(422)
def test_a_wish_that_contradicts_itself_can_be_taken_out_after_the_page_was_loaded_anew(planned, http, open_page):
    source = next(job for job in http.get("/api/jobs").json()["jobs"] if job["name"] == "Sixty programme covers")
    job = http.get(f"/api/jobs/{source['id']}").json()["job"]
    wanted = [{"first": "base: assemble", "then": "panel: emboss"}]
    copy = http.post("/api/jobs", json={"job": {**job, "name": "Wished", "wanted": wanted}}).json()
    page = open_page(f"/plan/{copy['id']}")
    page.get_by_role("radio", name="Order", exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text("Contradict each other")
    wished = page.get_by_role("region", name="Your order")
    expect(wished).to_contain_text("Card base: assemble before Sheave panel: emboss")
    wished.get_by_role("button", name="Remove").click()
    expect(page.get_by_role("list", name="Order of work")).to_be_visible()
    page.get_by_role("radio", name="Card", exact=True).click()
    border = page.get_by_label("Border around Green layer")
    border.fill("1/4, 1/4, 1/4")
    border.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Green layer must be a length")
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("alert")).to_have_count(0)
