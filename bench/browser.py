"""Times from a keystroke to the new number on screen, measured inside the page."""

from __future__ import annotations

import shutil

from playwright.sync_api import sync_playwright

FLAGS = (
    "--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-dev-shm-usage"
)

_WATCH = """() => {
  window.times = [];
  const field = document.querySelector('[data-row=cover_clamp] input');
  const shown = document.querySelector('[data-testid=answer-bite]');
  let pressed = 0;
  field.addEventListener('input', () => { pressed = performance.now(); }, true);
  new MutationObserver(() => {
    if (!pressed) return;
    const start = pressed;
    pressed = 0;
    requestAnimationFrame(() => window.times.push(performance.now() - start));
  }).observe(shown, { subtree: true, childList: true, characterData: true });
}"""


def keystroke_times(address: str, strokes: int = 60) -> list[float]:
    """Milliseconds from each of `strokes` keystrokes in a field to the frame that shows the new margin, sorted."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=shutil.which("chromium"), args=FLAGS.split())
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(address)
        page.wait_for_load_state("networkidle")
        page.evaluate(_WATCH)
        field = page.locator("[data-row=cover_clamp] input")
        field.fill("")
        for i in range(strokes):
            field.press("End")
            if i % 4 == 0:
                field.fill("")
                page.wait_for_timeout(60)
            field.press(str(3 + i % 6))
            page.wait_for_timeout(120)
        found: list[float] = page.evaluate("window.times")
        browser.close()
    return sorted(found)
