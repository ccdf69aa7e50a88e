"""Plan in the browser: from a border that is typed to the card drawn anew."""

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.runtime.browser import chromium

EDITS = 30

# From the Enter key until the frame after the drawn layer has another width.
CLOCK = """([selector, key]) => new Promise((resolve) => {
  const drawn = () => document.querySelector(`[data-piece=${key}] rect:last-of-type`)?.getAttribute('width');
  const before = drawn();
  const field = document.querySelector(selector);
  const start = performance.now();
  field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
  const watch = () => (drawn() === before ? requestAnimationFrame(watch) : resolve(performance.now() - start));
  requestAnimationFrame(watch);
})"""


def edit_to_drawing(address: str) -> Figure:
    """95th percentile over borders of one layer, each a new one."""
    samples = []
    with chromium() as browser:
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(address)
        page.goto(address.split("/enter")[0] + "/plan")
        page.get_by_role("link", name="Sixty programme covers").click()
        border = page.get_by_label("Border around Green layer")
        border.wait_for()
        for edit in range(EDITS):
            border.fill(f"{edit + 9}/64")
            samples.append(float(page.evaluate(CLOCK, ["[aria-label='Border around Green layer']", "layer"])))
            page.wait_for_timeout(150)
        page.close()
    return Figure("plan_edit_to_drawing_p95_ms", float(np.percentile(samples, 95)), "ms", 100.0)
