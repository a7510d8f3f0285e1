"""Takes the pictures of docs/screenshots from the demo, anew each time; `make screenshots` runs it."""

from __future__ import annotations

import re
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1] / "tests"))

from app_server import CHROMIUM, AppServer
from playwright.sync_api import Browser, Page, sync_playwright


def _swaps(pour: str, *steps: str) -> Callable[[Page], None]:
    """Opens the board of a pour and presses keys on it."""

    def prepare(page: Page) -> None:
        page.get_by_role("button", name=re.compile(f"^{pour} .*Choose another")).click()
        page.get_by_test_id("ghost-point").wait_for()
        for key in steps:
            page.keyboard.press(key)
        page.wait_for_load_state("networkidle")

    return prepare


def _bring_back(page: Page) -> None:
    page.get_by_label("Amount of Lime juice").fill("35")
    page.get_by_label("Amount of Lime juice").press("Tab")
    page.keyboard.press("b")
    page.get_by_role("region", name="What each did").wait_for()


def _keep(page: Page) -> None:
    page.get_by_role("button", name="Keep as trial").click()


def _why(page: Page) -> None:
    page.get_by_role("button", name="Why this acidity").click()
    page.get_by_role("dialog").get_by_text("Lemon juice").first.click()


def _danger(page: Page) -> None:
    page.get_by_label("Pours").get_by_role("button", name="Add a pour").click()
    page.get_by_role("combobox", name="Search the larder").fill("soda water")
    page.get_by_role("option", name=re.compile("^Soda water")).click()
    page.get_by_role("region", name="On top").wait_for()
    page.get_by_role("button", name=re.compile("^Soda water .*Choose another")).click()
    page.get_by_role("button", name="How").click()
    page.get_by_label("Goes in").select_option("mixed")
    page.get_by_role("button", name="Back to the pours").click()
    page.get_by_text("a closed tin bursts").wait_for()


def _crushed(page: Page) -> None:
    page.get_by_label("Served").select_option("crushed")
    page.get_by_test_id("course-abv").wait_for()
    page.get_by_role("button", name="Published").click()


def _ice(page: Page) -> None:
    page.get_by_role("button", name="Ice", exact=True).click()


PICTURES: dict[str, tuple[str, int, int, str, Callable[[Page], None] | None]] = {
    "bench-light": ("/bench/3", 1280, 800, "lamplight", None),
    "bench-dim": ("/bench/3", 1280, 800, "late", None),
    "bench-820-light": ("/bench/3", 820, 1180, "lamplight", None),
    "bench-820-dim": ("/bench/6", 820, 1180, "late", None),
    "bench-390-light": ("/bench/3", 390, 844, "lamplight", None),
    "bench-390-dim": ("/bench/5", 390, 844, "late", None),
    "swaps-daisy": ("/bench/3", 1280, 800, "lamplight", _swaps("Sea-buckthorn liqueur", "ArrowDown")),
    "swaps-sour": ("/bench/2", 1280, 800, "late", _swaps("Lemon juice", "ArrowDown")),
    "swaps-fizz-820": ("/bench/5", 820, 1180, "lamplight", _swaps("London dry gin", "ArrowDown")),
    "bring-it-back": ("/bench/4", 1280, 800, "lamplight", _bring_back),
    "shelf": ("/shelf", 1280, 800, "lamplight", None),
    "keep-as-trial": ("/bench/3", 1280, 800, "lamplight", _keep),
    "trial-as-kept": ("/bench/5/trials/2", 1280, 800, "lamplight", None),
    "why-this-number": ("/bench/3", 1280, 800, "lamplight", _why),
    "finding-and-mend": ("/bench/1", 1280, 800, "lamplight", _danger),
    "twenty-minutes": ("/bench/3", 1280, 800, "late", _crushed),
    "water-from-the-ice": ("/bench/3", 820, 1180, "lamplight", _ice),
    "book-light": ("/book", 1280, 800, "lamplight", None),
    "book-390-dim": ("/book", 390, 844, "late", None),
}


def main(target: Path) -> None:
    """Writes every picture to the folder."""
    target.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = AppServer(Path(folder) / "demo.db")
        server.start()
        try:
            browser = playwright.chromium.launch(**CHROMIUM)
            for name in PICTURES:
                _take(browser, server.url, name, target)
            browser.close()
        finally:
            server.kill()


def _take(browser: Browser, url: str, name: str, target: Path) -> None:
    view, width, height, theme, prepare = PICTURES[name]
    context = browser.new_context(viewport={"width": width, "height": height}, reduced_motion="reduce")
    context.add_init_script(f"localStorage.setItem('oenomel.theme', '{theme}')")
    page = context.new_page()
    page.goto(url + view)
    page.wait_for_load_state("networkidle")
    page.evaluate("document.fonts.ready")
    if prepare:
        prepare(page)
        page.wait_for_timeout(300)
    page.screenshot(path=target / f"{name}.png")
    context.close()


if __name__ == "__main__":
    main(Path(sys.argv[1]))
