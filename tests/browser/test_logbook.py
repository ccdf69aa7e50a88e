"""The logbook: runs found again, tagged, compared, out and in as files."""

import json
import re

import pytest
from playwright.sync_api import expect
from pypdf import PdfReader


@pytest.fixture
def logbook(open_page, http, kept):
    """The logbook with two runs of one sandwich, dry and misted; they are forgotten again, and what came in from files."""
    made = []
    for note, mist, result in (("Trial dry", None, "cracked"), ("Trial damp", 20.0, "right")):
        layers = [{**layer, "mist_age_s": mist} if layer["role"] == "sheet" else layer for layer in kept["sandwich"]["layers"]]
        body = {"sandwich": {**kept["sandwich"], "layers": layers}, "result": result, "note": note, "left_out": True}
        made.append(http.post("/api/runs", json={"sandwich_id": kept["id"], "state": "finished", "body": body}).json())
    yield open_page("/logbook")
    for words in ("trial dry", "trial damp", "filed"):
        for run in http.get("/api/runs", params={"q": words}).json()["runs"]:
            http.delete(f"/api/runs/{run['id']}", params={"version": run["version"]})


def entry(page, words):
    return page.get_by_role("listitem").filter(has_text=words)


def test_two_runs_are_laid_side_by_side_and_what_differed_is_said(logbook):
    page = logbook
    entry(page, "Trial damp").get_by_role("checkbox").check()
    expect(page.get_by_text("Pick another run")).to_be_visible()
    entry(page, "Trial dry").get_by_role("checkbox").check()
    page.get_by_role("link", name="Compare the two").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("It cracked, then just right")
    expect(page.get_by_role("list", name="Differences")).to_have_text(re.compile("^Ridge green card: misted instead of dry$"))
    with page.expect_download() as saved:
        page.get_by_role("button", name="Both as a page, PDF").click()
    (sheet,) = PdfReader(saved.value.path()).pages
    assert "misted instead of dry" in sheet.extract_text()
    assert len(sheet.images) == 2
    expect(page.get_by_role("region", name="The first")).to_contain_text("Trial dry")
    expect(page.get_by_role("region", name="The second")).to_contain_text("misted")


def test_a_tag_is_given_kept_and_narrows_the_list(logbook, http):
    page = logbook
    entry(page, "Trial dry").get_by_role("link").first.click()
    tags = page.get_by_role("combobox", name="Tags")
    tags.fill("centenary, spoiled ,centenary,")
    with page.expect_response(lambda answer: answer.request.method == "PUT" and "/api/runs/" in answer.url):
        tags.press("Enter")
    expect(tags).to_have_value("centenary, spoiled")
    expect(page.get_by_test_id("kept-run")).to_have_attribute("data-saved", "true")
    page.get_by_role("link", name="‹ Logbook").click()
    entry(page, "Trial dry").get_by_role("button", name="centenary").click()
    expect(page.get_by_text("one run", exact=True)).to_be_visible()
    expect(entry(page, "Trial damp")).to_have_count(0)
    page.get_by_role("button", name="Show all").click()
    expect(entry(page, "Trial damp")).to_have_count(1)


def test_a_file_is_looked_at_before_it_is_kept(logbook, http):
    page = logbook
    table = b"name;result;note\nFiled one;faint;=1+1\nFiled two;right;\n"
    chooser = page.get_by_test_id("runs-file")
    chooser.set_input_files({"name": "book.csv", "mimeType": "text/csv", "buffer": table})
    expect(page.get_by_role("alert")).to_contain_text("has 2 runs. 0 of them are here already. The first: Filed one, Filed two.")
    page.get_by_role("button", name="Don't add any").click()
    expect(entry(page, "Filed one")).to_have_count(0)
    chooser.set_input_files({"name": "book.csv", "mimeType": "text/csv", "buffer": table})
    page.get_by_role("button", name="Add 2 of them").click()
    expect(entry(page, "Filed one")).to_contain_text("=1+1")
    entry(page, "Filed one").get_by_role("link").first.click()
    expect(page.get_by_test_id("kept-run")).to_contain_text("Filed one: faint")  # a run whose pile nobody noted can be looked at too
    whole = json.dumps(http.get("/api/runs/file/json").json()[:1]).encode()
    page.get_by_role("link", name="‹ Logbook").click()
    chooser.set_input_files({"name": "book.json", "mimeType": "application/json", "buffer": whole})
    expect(page.get_by_role("button", name="Add 0 of them")).to_be_disabled()


@pytest.mark.provokes(422)
def test_a_file_that_is_none_says_which_line_and_keeps_nothing(logbook):
    page = logbook
    table = b"name,result\nFiled three,splendid\n"
    page.get_by_test_id("runs-file").set_input_files({"name": "book.csv", "mimeType": "text/csv", "buffer": table})
    expect(page.get_by_text(re.compile("book.csv: .*outcomes.*No run was added."))).to_be_visible()
    expect(entry(page, "Filed three")).to_have_count(0)
