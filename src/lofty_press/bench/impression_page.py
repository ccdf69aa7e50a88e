"""How fast the pressed sheet follows a change, and the lamp the finger, in the real page."""

import re
from typing import Any

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.bench.open_page import open_sandwich
from lofty_press.runtime.browser import chromium

CHANGES = 24

# The clock runs in the page: from the change until the picture has been drawn anew.
CLOCK = """(place) => new Promise((resolve) => {
  const sheet = document.querySelector('[data-testid=pressed-sheet]');
  const field = document.querySelector('[aria-label="Place along the feed"]');
  const before = sheet.dataset.frames;
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, place);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  requestAnimationFrame(() => {
    const start = performance.now();
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    const watch = () => sheet.dataset.frames !== before ? resolve(performance.now() - start) : requestAnimationFrame(watch);
    watch();
  });
})"""

# A measurement that is never answered must not wait for ever.
GUARDED = f"(place) => Promise.race([({CLOCK})(place), new Promise((_, fail) => setTimeout(() => fail('no new picture'), 10000))])"

LAMP = """(milliseconds) => new Promise((resolve) => {
  const sheet = document.querySelector('[data-testid=pressed-sheet]');
  const lamp = document.querySelector('[aria-label=Lamp]');
  const box = sheet.getBoundingClientRect();
  const at = (turn) => ({ clientX: box.left + box.width * (0.5 + 0.3 * Math.cos(turn)), clientY: box.top + box.height * (0.5 + 0.3 * Math.sin(turn)),
    bubbles: true, pointerId: 1, isPrimary: true });
  lamp.setPointerCapture = () => undefined;
  lamp.dispatchEvent(new PointerEvent('pointerdown', at(0)));
  const before = Number(sheet.dataset.frames);
  const start = performance.now();
  const move = () => {
    const spent = performance.now() - start;
    if (spent > milliseconds) {
      lamp.dispatchEvent(new PointerEvent('pointerup', at(0)));
      return resolve((Number(sheet.dataset.frames) - before) / spent * 1000);
    }
    lamp.dispatchEvent(new PointerEvent('pointermove', at(spent / 300)));
    requestAnimationFrame(move);
  };
  move();
})"""


def opened(browser: Any, address: str) -> Any:
    """The bench with the lattice sleeve's impression, fully computed."""
    page = open_sandwich(browser, address, "Lattice ticket sleeve")
    page.get_by_role("option", name=re.compile("Ridge green card")).click()
    page.get_by_role("tab", name="Pressed sheet").click()
    page.locator("[data-testid=run][data-stage=full]").wait_for(timeout=120_000)
    page.wait_for_timeout(800)
    return page


def measure(address: str, names: set[str]) -> list[Figure]:
    """95th percentile from a change to the first picture of it, and frames a second while the lamp is dragged."""
    figures: list[Figure] = []
    with chromium() as browser:
        page = opened(browser, address)
        if "lamp_fps" in names:
            figures.append(Figure("lamp_fps", float(page.evaluate(LAMP, 3000)), "1/s", 30.0, at_least=True))
        if "coarse_picture_p95_ms" in names:
            samples = []
            for step in range(CHANGES):
                samples.append(float(page.evaluate(GUARDED, f"{5 + (step + 1) / 50:.2f} mm")))
                page.wait_for_timeout(900)
            figures.append(Figure("coarse_picture_p95_ms", float(np.percentile(samples[2:], 95)), "ms", 300.0))
        page.close()
    return figures
