"""Work on the page is never lost: two tabs, a dead database, a reload in between."""

import os
import re
import signal

import pytest
from playwright.sync_api import expect
from tests.browser.patience import RIGHT
from tests.browser.test_bench import layers, saved


@pytest.mark.provokes(409)
def test_two_tabs_on_one_sandwich_end_in_a_choice_and_not_in_a_loss(bench, open_page, kept):
    other = open_page(f"/bench/{kept['id']}", beside=bench)
    expect(other.get_by_test_id("sentence")).to_contain_text("Rail-lattice")
    bench.get_by_label("Passes").select_option("3")
    saved(bench)
    other.get_by_label("Passes").select_option("2")
    alert = other.get_by_role("alert")
    expect(alert).to_contain_text("changed somewhere else")
    alert.get_by_role("button", name="Take theirs").click()
    expect(other.get_by_label("Passes")).to_have_value("3")
    other.keyboard.press("u")
    expect(other.get_by_label("Passes")).to_have_value("2")
    saved(other)
    bench.get_by_label("Passes").select_option("5")
    bench.get_by_role("alert").get_by_role("button", name="Keep mine").click()
    saved(bench)
    other.reload()
    expect(other.get_by_label("Passes")).to_have_value("5")


@pytest.mark.provokes(503)
def test_the_page_keeps_unsaved_work_while_the_database_is_away_and_saves_it_by_itself(bench, running, kept, http):
    # a stopped server takes connections and never answers; it is then killed and started again by the application
    os.kill(running.database.process.pid, signal.SIGSTOP)
    try:
        bench.keyboard.press("m")
        bench.get_by_label("Passes").select_option("4")
        expect(bench.get_by_role("option", name=re.compile("just misted"))).to_be_visible()
        expect(bench.get_by_test_id("sentence")).to_contain_text(RIGHT)  # judging needs no database
    finally:
        os.kill(running.database.process.pid, signal.SIGKILL)  # whatever was seen, the tests after this one have a database
    saved(bench)
    record = http.get(f"/api/sandwiches/{kept['id']}").json()["sandwich"]
    assert record["passes"] == 4
    assert any(layer["mist_age_s"] == 0 for layer in record["layers"])


@pytest.mark.provokes("offline", 503)
def test_unsaved_work_survives_a_reload(bench, kept):
    bench.route("**/api/sandwiches/*", lambda route: route.abort() if route.request.method == "PUT" else route.continue_())
    bench.keyboard.press("x")
    state = bench.get_by_test_id("save-state")
    expect(state).to_have_attribute("data-state", re.compile("offline|saving"))
    expect(state).to_contain_text("safe on this page")
    names = layers(bench)
    bench.reload()
    expect(bench.get_by_test_id("sentence")).to_be_visible()
    assert layers(bench) == names
    bench.unroute("**/api/sandwiches/*")
    saved(bench)
