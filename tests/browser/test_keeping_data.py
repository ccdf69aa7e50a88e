"""Your data on the real page: out and in, long shelves, what cannot be read, and creations while the database is away."""

import json
import re
import uuid

import pytest
from playwright.sync_api import expect
from tests.service.test_archive import opened, packed

from lofty_press.service.keeping.shelf.repository import SQL as SHELF_SQL


def test_everything_goes_out_and_comes_back_with_what_differs_shown(open_page, http, kept):
    page = open_page("/bench")
    page.get_by_role("button", name="Your data").click()
    with page.expect_download() as download:
        page.get_by_role("link", name="Save everything to a file").click()
    file = download.value.path()
    assert re.fullmatch(r"lofty-press-\d{4}-\d\d-\d\d\.zip", download.value.suggested_filename)
    changed = {"sandwich": {**kept["sandwich"], "note": "after"}, "version": kept["version"]}
    http.put(f"/api/sandwiches/{kept['id']}", json=changed)
    page.get_by_test_id("archive-file").set_input_files(file)
    expect(page.get_by_test_id("archive-state")).to_contain_text("Here too, but different")
    expect(page.get_by_test_id("archive-state")).to_contain_text(kept["sandwich"]["name"])
    page.get_by_role("button", name="Where they differ, use the file's").click()
    expect(page.get_by_test_id("archive-state")).to_contain_text("Imported")
    assert http.get(f"/api/sandwiches/{kept['id']}").json()["sandwich"]["note"] == kept["sandwich"]["note"]


def test_what_of_a_file_cannot_be_opened_is_named_before_it_is_taken_in(open_page, http):
    row = next(body for name, body in opened(http.get("/api/archive").content).items() if name.startswith("sandwiches/"))
    unread = json.dumps({**json.loads(row), "name": "Of another time", "body": {}}).encode()
    file = {"name": "old.zip", "mimeType": "application/zip", "buffer": packed({"sandwiches/of-another-time.json": unread})}
    page = open_page("/bench")
    page.get_by_role("button", name="Your data").click()
    page.get_by_test_id("archive-file").set_input_files(file)
    expect(page.get_by_test_id("archive-state")).to_contain_text("This version can't open one of them")
    expect(page.get_by_test_id("archive-unread")).to_contain_text("Of another time")


@pytest.mark.provokes(422)
def test_a_file_that_is_none_is_refused_in_the_dialog(open_page):
    page = open_page("/shelf")
    page.get_by_role("button", name="Your data").click()
    page.get_by_test_id("archive-file").set_input_files({"name": "x.zip", "mimeType": "application/zip", "buffer": b"PK\x03\x04 no"})
    expect(page.get_by_test_id("archive-state")).to_contain_text("isn't a whole archive")


def test_a_long_shelf_draws_what_is_seen_and_finds_the_rest(open_page, running, http):
    plate = {**http.get("/api/shelf", params={"q": "hard plate, east"}).json()["entries"][0]["item"], "shelf_id": None}
    made = [str(uuid.uuid4()) for _ in range(900)]
    with running.app.state.database.writing() as connection, connection.cursor() as cursor:
        for number, key in enumerate(made):
            name = f"Spare plate {number:04d}"
            values = {"id": key, "category": "plate", "name": name, "shape": 1, "body": json.dumps({**plate, "name": name})}
            cursor.execute(SHELF_SQL["insert"], values)
    try:
        page = open_page("/shelf")
        expect(page.get_by_role("listitem", name="Deep plate", exact=True)).to_be_visible()
        assert page.evaluate("document.querySelectorAll('*').length") < 3000
        page.get_by_role("textbox", name="Find on the shelf").fill("spare 0877")
        expect(page.get_by_role("listitem", name="Spare plate 0877", exact=True)).to_be_visible()
        expect(page.get_by_role("listitem", name="Deep plate", exact=True)).to_have_count(0)
    finally:
        with running.app.state.database.writing() as connection, connection.cursor() as cursor:
            cursor.execute("DELETE FROM shelf_items WHERE name LIKE 'Spare plate %'")


def test_one_unreadable_thing_is_one_line_with_a_way_out(open_page, running, http):
    entry = http.post("/api/shelf", json={"ink": {"name": "Strange ink", "type": "dye"}}).json()
    with running.app.state.database.writing() as connection, connection.cursor() as cursor:
        cursor.execute("UPDATE shelf_items SET body = JSON_INSERT(body, '$.surprise', 1) WHERE id = %(id)s", {"id": entry["id"]})
    page = open_page("/shelf")
    page.get_by_role("tab", name="Inks").click()
    row = page.get_by_role("listitem", name="Strange ink")
    expect(row).to_contain_text("not readable here: surprise")
    with page.expect_download() as download:
        row.get_by_role("button", name="Save it as stored").click()
    assert json.loads(download.value.path().read_text())["name"] == "Strange ink"
    page.get_by_role("button", name="Take Strange ink off the shelf").click()
    expect(row).to_have_count(0)


@pytest.mark.provokes(409)
def test_an_unreadable_sandwich_leaves_the_others_within_reach(open_page, running, kept):
    with running.app.state.database.writing() as connection, connection.cursor() as cursor:
        cursor.execute("UPDATE sandwiches SET body = JSON_INSERT(body, '$.surprise', 1) WHERE id = %(id)s", {"id": kept["id"]})
    page = open_page(f"/bench/{kept['id']}")
    expect(page.get_by_text("Can't read this sandwich.")).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("button", name="Save and remove it").click()
    assert json.loads(json.loads(download.value.path().read_text())["body"])["surprise"] == 1
    expect(page.get_by_test_id("sentence")).to_be_visible()


@pytest.mark.provokes(503)
def test_a_creation_that_meets_a_passing_trouble_is_made_once(open_page, http, kept):
    page = open_page(f"/bench/{kept['id']}")
    expect(page.get_by_test_id("sentence")).to_be_visible()
    before = http.get("/api/sandwiches").json()["total"]
    refused = []

    def lose_the_answer(route):
        answer = route.fetch()
        if not refused:  # it was kept, and nobody hears of it
            refused.append(answer.status)
            route.fulfill(status=503, json={"error": {"code": "database-away", "message": {"say": "Away."}, "written": "unknown"}})
        else:
            route.fulfill(response=answer)

    page.route("**/copy", lose_the_answer)
    page.get_by_role("button", name="All sandwiches").click()
    page.get_by_role("menuitem", name="Copy this one").click()
    expect(page.get_by_role("textbox", name="Name of the sandwich")).to_have_value(re.compile(", copy, copy$"))
    assert refused == [201]
    assert http.get("/api/sandwiches").json()["total"] == before + 1


def test_the_menu_finds_by_typing(open_page, kept):
    page = open_page(f"/bench/{kept['id']}")
    page.get_by_role("button", name="All sandwiches").click()
    page.get_by_role("textbox", name="Find a sandwich").fill("tracery cut")
    expect(page.get_by_role("menuitem", name=re.compile("Arch tracery, cut"))).to_be_visible()
    expect(page.get_by_role("menuitem", name=re.compile("Copper plaque"))).to_have_count(0)
    page.keyboard.press("Enter")
    expect(page.get_by_role("textbox", name="Name of the sandwich")).to_have_value("Arch tracery, cut")


def test_the_unit_goes_along_with_the_data(open_page, browser, running):
    page = open_page("/shelf")
    page.get_by_role("radio", name="in", exact=True).click()
    with running.client() as http:
        for _ in range(50):
            if http.get("/api/settings").json()["unit"] == "in":
                break
            page.wait_for_timeout(100)
        assert http.get("/api/settings").json()["unit"] == "in"
        context = browser.new_context()
        fresh = context.new_page()
        fresh.goto(running.link)
        expect(fresh.get_by_role("radio", name="in", exact=True)).to_be_checked()
        context.close()
        http.put("/api/settings/unit", json="mm")
