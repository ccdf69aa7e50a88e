"""From a key press to the redrawn verdict in the browser, and the size of the first page's scripts."""

import gzip
import re

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.bench.open_page import open_sandwich
from lofty_press.runtime.browser import chromium
from lofty_press.setup.paths import DIST

PRESSES = 40

# Each press of the key changes the count of a shim and so the sentence's figures; the clock runs in the page, from the key's
# own time stamp until the frame after the verdict's pressure has changed.
CLOCK = """(keys) => new Promise((resolve) => {
  const times = [];
  const shown = () => document.querySelector('[data-testid=pressure]')?.textContent;
  let before = shown();
  let start = 0;
  const next = () => {
    if (times.length === keys) return resolve(times);
    before = shown();
    const key = times.length % 2 ? '1' : '2';
    start = performance.now();
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, code: `Digit${key}`, bubbles: true }));
    document.body.dispatchEvent(new KeyboardEvent('keyup', { key, code: `Digit${key}`, bubbles: true }));
  };
  const watch = () => {
    if (start && shown() !== before) {
      times.push(performance.now() - start);
      start = 0;
      setTimeout(next, 120);
    }
    requestAnimationFrame(watch);
  };
  watch();
  next();
})"""


def key_to_verdict(address: str) -> Figure:
    """95th percentile over key presses on the bench, each with a sandwich that was not judged before."""
    with chromium() as browser:
        page = open_sandwich(browser, address, "Lattice ticket sleeve")
        page.get_by_role("option", name=re.compile("Ridge green card")).click()
        samples: list[float] = []
        for step in range(PRESSES // 2):
            field = page.get_by_role("textbox", name="Place along the feed")
            field.fill(f"{5 + (step + 1) / 100:.2f}")  # a new place, so that no earlier judgement can be shown again
            field.press("Enter")
            page.wait_for_timeout(250)
            page.evaluate("document.activeElement.blur()")
            samples += page.evaluate(CLOCK, 1)
            page.keyboard.press("1")
            page.wait_for_timeout(150)
        page.close()
    return Figure("key_to_verdict_p95_ms", float(np.percentile(samples, 95)), "ms", 100.0)


def script_size() -> Figure:
    """All scripts that the first page loads, compressed."""
    html = (DIST / "index.html").read_text()
    names = re.findall(r'(?:src|href)="/(assets/[^"]+\.js)"', html)
    total = sum(len(gzip.compress((DIST / name).read_bytes(), 9)) for name in names)
    return Figure("first_page_script_kb", total / 1000, "kB", 400.0)
