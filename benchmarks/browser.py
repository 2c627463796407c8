"""Times measured inside the page: keystroke to number, slider to redraw, entry to four answers, finder.

- `keystroke_times`, `drag_times`, `answer_times`, `finder_times`
"""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from contextlib import contextmanager

from playwright.sync_api import Page, sync_playwright

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


_DRAG = """(steps) => new Promise((done) => {
  const thumb = document.querySelector('[data-slide=pedal] [role=slider]');
  const drawn = document.querySelector('[data-testid=section]');
  const times = [];
  let start = 0;
  new MutationObserver(() => {
    if (!start) return;
    const began = start;
    start = 0;
    requestAnimationFrame(() => {
      times.push(performance.now() - began);
      setTimeout(step, 30);
    });
  }).observe(drawn, { subtree: true, attributes: true });
  let left = steps;
  const step = () => {
    if (left-- === 0) return done(times);
    start = performance.now();
    const key = Math.floor((steps - 1 - left) / 40) % 2 === 0 ? 'ArrowRight' : 'ArrowLeft';
    thumb.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
  };
  thumb.focus();
  step();
})"""

_FOUR = """() => {
  window.four = [];
  const field = document.querySelector('[data-row=master_diameter] input');
  const shown = document.querySelector('[data-testid=answer-lift]');
  let pressed = 0;
  field.addEventListener('input', () => { pressed = performance.now(); }, true);
  new MutationObserver(() => {
    if (!pressed) return;
    const start = pressed;
    pressed = 0;
    requestAnimationFrame(() => window.four.push(performance.now() - start));
  }).observe(shown, { subtree: true, childList: true, characterData: true, attributes: true });
}"""


@contextmanager
def _page(address: str) -> Iterator[Page]:
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=shutil.which("chromium"), args=FLAGS.split())
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(address)
        page.wait_for_load_state("networkidle")
        yield page
        browser.close()


def drag_times(address: str, steps: int = 160) -> list[float]:
    """Milliseconds from a step of the pedal's slider to the frame that shows the drawing moved, sorted."""
    with _page(address) as page:
        page.locator("[data-slide=pedal] [role=slider]").wait_for()
        found: list[float] = page.evaluate(_DRAG, steps)
    return sorted(found)


def answer_times(address: str, changes: int = 40) -> list[float]:
    """Milliseconds from a changed entry to the frame that shows the answers that follow from it, sorted."""
    with _page(address) as page:
        page.evaluate(_FOUR)
        field = page.locator("[data-row=master_diameter] input")
        for i in range(changes):
            field.fill(f"{17 + i % 7}.{i % 9}1")
            page.wait_for_timeout(180)
        found: list[float] = page.evaluate("window.four")
    return sorted(found)


def finder_times(address: str) -> tuple[float, float, str]:
    """Seconds to the first candidates and to the end of a search over a million combinations, and what it says."""
    with _page(address) as page:
        for quantity in ("fork_ratio", "pedal_ratio"):
            page.get_by_label("Leave a figure free").select_option(quantity)
        for label in ("Ratio of fork or arm", "Ratio of pedal or lever"):
            page.get_by_role("textbox", name=f"{label} steps").fill("142")
        page.evaluate(
            """() => {
              const sheet = document.querySelector('section[aria-label="Candidates"]');
              document.addEventListener('click', () => { window.began ??= performance.now(); }, true);
              new MutationObserver(() => {
                if (window.began && !window.first && sheet.querySelector('[data-testid=candidates] tbody tr')) {
                  window.first = performance.now() - window.began;
                }
                const says = sheet.querySelector('[data-testid=find-says]')?.textContent ?? '';
                if (says.startsWith('Found')) window.ended ??= performance.now() - window.began;
              }).observe(sheet, { subtree: true, childList: true, characterData: true });
            }"""
        )
        page.get_by_role("button", name="Find", exact=True).click()
        page.get_by_text("Found:").wait_for(timeout=60_000)
        first, ended = page.evaluate("[window.first, window.ended]")
        says = page.get_by_test_id("find-says").inner_text()
    return first / 1e3, ended / 1e3, says


def keystroke_times(address: str, strokes: int = 60) -> list[float]:
    """Milliseconds from each of `strokes` keystrokes in a field to the frame that shows the new margin, sorted."""
    with _page(address) as page:
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
    return sorted(found)
