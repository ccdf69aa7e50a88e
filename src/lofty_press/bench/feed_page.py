"""How fast the load along the crank follows a drag on the bed, in the real page."""

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.bench.open_page import open_sandwich
from lofty_press.runtime.browser import chromium

MOVES = 60
WARM = 6

# The clock runs in the page: from a pointer's move to the frame after the drawn load has changed. Each move is to a place of its own.
DRAG = """async (moves) => {
  const work = document.querySelector('[data-testid=work]');
  const shape = work.querySelector('path');
  const box = work.getBoundingClientRect();
  const load = () => document.querySelector('[data-testid=load]').getAttribute('d');
  const at = (n) => ({ clientX: box.left + box.width * 0.7 + 0.9 * n, clientY: box.top + box.height * 0.8 - 0.2 * n, bubbles: true, pointerId: 7,
    isPrimary: true, button: 0, buttons: 1, altKey: true });
  shape.dispatchEvent(new PointerEvent('pointerdown', at(0)));
  const times = [];
  for (let n = 1; n <= moves; n += 1) {
    const before = load();
    const start = performance.now();
    window.dispatchEvent(new PointerEvent('pointermove', at(n)));
    await new Promise((resolve, fail) => {
      const watch = () => {
        if (load() !== before) requestAnimationFrame(resolve);
        else if (performance.now() - start > 10000) fail(new Error('the load did not follow'));
        else requestAnimationFrame(watch);
      };
      watch();
    });
    times.push(performance.now() - start);
  }
  window.dispatchEvent(new PointerEvent('pointerup', at(moves)));
  return times;
}"""


def drag(address: str) -> Figure:
    """95th percentile over the moves of one drag of the arch die, and one drag of it that does not count."""
    with chromium() as browser:
        page = open_sandwich(browser, address, "Station arch, cut")
        page.get_by_role("tab", name="Feed").click()
        page.get_by_test_id("feed-advice").wait_for()
        page.evaluate(DRAG, WARM)
        page.get_by_test_id("feed-advice").wait_for()
        times = page.evaluate(DRAG, MOVES)
        page.close()
    return Figure("feed_drag_p95_ms", float(np.percentile(times, 95)), "ms", 100.0)
