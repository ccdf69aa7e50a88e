"""The main job on a tablet held upright and on a phone: nothing past the edge, everything large enough for a finger."""

import re
from contextlib import contextmanager

import pytest
from playwright.sync_api import expect
from tests.browser.patience import PATIENCE

TABLET, PHONE = (820, 1180), (390, 844)
FINGER = 44  # px; Web Content Accessibility Guidelines 2.1, target size (enhanced): 44 CSS pixels; from memory


@contextmanager
def held(browser, running, size):
    """A page on a touch screen of a size, let in."""
    width, height = size
    context = browser.new_context(viewport={"width": width, "height": height}, has_touch=True, is_mobile=width < 500)
    context.set_default_timeout(PATIENCE)
    context.add_cookies([{"name": name, "value": value, "url": running.address} for name, value in running.door.cookies.items()])
    page, problems = context.new_page(), []
    page.on("console", lambda message: message.type == "error" and problems.append(message.text))
    yield page
    context.close()
    assert problems == []


def widest(page):
    return page.evaluate("document.documentElement.scrollWidth")


@pytest.mark.parametrize("size", [TABLET, PHONE], ids=["tablet", "phone"])
@pytest.mark.parametrize("path", ["/bench", "/recipes", "/recipes/plain-relief", "/plan", "/press", "/shelf"])
def test_nothing_lies_beyond_the_edge(browser, running, kept, size, path):
    with held(browser, running, size) as page:
        page.goto(running.address + (f"/bench/{kept['id']}" if path == "/bench" else path))
        expect(page.get_by_role("navigation", name="Places")).to_be_visible()
        expect(page.locator("main")).not_to_contain_text(re.compile("One moment|Opening"))
        assert widest(page) <= size[0]


def test_upright_the_pile_lies_above_and_the_look_below(browser, running, kept):
    with held(browser, running, TABLET) as page:
        page.goto(f"{running.address}/bench/{kept['id']}")
        sentence = page.get_by_test_id("sentence")
        expect(sentence).to_contain_text("Rail-lattice")
        pile = page.get_by_test_id("edge-view").bounding_box()
        assert pile["y"] + pile["height"] <= sentence.bounding_box()["y"]
        assert pile["x"] >= 0
        assert pile["x"] + pile["width"] <= TABLET[0]


def test_in_the_hand_one_side_is_shown_at_a_time_and_a_fix_is_a_tap(browser, running, http):
    wrong = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave on two plates")
    copy = http.post(f"/api/sandwiches/{wrong['id']}/copy").json()
    with held(browser, running, PHONE) as page:
        page.goto(f"{running.address}/bench/{copy['id']}")
        said = page.get_by_role("button", name=re.compile("Won't feed"))
        expect(said).to_be_visible()
        expect(page.get_by_test_id("sentence")).not_to_be_visible()
        said.tap()
        expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
        expect(page.get_by_test_id("edge-view")).not_to_be_visible()
        page.locator("[data-code=two-pads-on-deep-folder]").get_by_role("button").tap()
        expect(page.get_by_test_id("sentence")).not_to_contain_text("Won't feed")
        page.get_by_role("tab", name="Pile").tap()
        expect(page.get_by_test_id("edge-view")).to_contain_text("Deep plate")
        for name in ("add", "take out", "turn", "undo"):
            box = page.get_by_role("button", name=name, exact=True).bounding_box()
            assert box["height"] >= FINGER
            assert box["x"] + box["width"] <= PHONE[0]
    http.delete(f"/api/sandwiches/{copy['id']}", params={"version": http.get(f"/api/sandwiches/{copy['id']}").json()["version"]})


def test_a_swipe_leads_on_and_back(browser, running, kept):
    swipe = """([from, to]) => {
        const area = document.querySelector('[data-testid=sentence]') ?? document.querySelector('main section');
        const at = (x) => new Touch({ identifier: 1, target: area, clientX: x, clientY: 300 });
        const send = (name, x) => area.dispatchEvent(new TouchEvent(name, {
            bubbles: true, touches: name === 'touchend' ? [] : [at(x)], changedTouches: [at(x)] }));
        send('touchstart', from); send('touchend', to);
    }"""
    with held(browser, running, PHONE) as page:
        page.goto(f"{running.address}/bench/{kept['id']}")
        page.get_by_role("tab", name="Verdict").tap()
        expect(page.get_by_test_id("sentence")).to_be_visible()
        page.evaluate(swipe, [320, 40])
        expect(page.get_by_role("tab", name="Pressed sheet")).to_have_attribute("aria-selected", "true")
        page.get_by_role("tab", name="Verdict").tap()
        page.evaluate(swipe, [40, 320])
        expect(page.get_by_role("tab", name="Pile")).to_have_attribute("aria-selected", "true")


def test_a_finger_moves_a_layer_by_its_handle(browser, running, kept):
    """Only what is selected is taken hold of; over the rest a finger moves the page."""
    with held(browser, running, PHONE) as page:
        page.goto(f"{running.address}/bench/{kept['id']}")
        labels = page.get_by_role("listbox", name="Layers, top first").get_by_role("option")
        expect(labels.first).to_contain_text("Hard plate, west")
        assert page.evaluate("getComputedStyle(document.querySelector('[role=option][aria-selected=false]')).touchAction") == "auto"
        box, low = labels.first.bounding_box(), labels.last.bounding_box()
        x, y = box["x"] + 20, box["y"] + box["height"] / 2
        session = page.context.new_cdp_session(page)
        touch = lambda kind, at: session.send(  # noqa: E731
            "Input.dispatchTouchEvent", {"type": kind, "touchPoints": [] if kind == "touchEnd" else [{"x": x, "y": at}]}
        )
        touch("touchStart", y)
        for step in range(1, 11):
            touch("touchMove", y + (low["y"] - 8 - y) * step / 10)
        touch("touchEnd", 0)
        expect(labels.first).not_to_contain_text("Hard plate, west")
        undo = page.get_by_role("button", name="undo")
        expect(undo).to_be_enabled()
        undo.click()  # a tap right after a drag is now and then taken for its end by the browser's emulated fingers
        expect(labels.first).to_contain_text("Hard plate, west")
