"""Takes the pictures of docs/screenshots from the demo, anew each time; `make screenshots` runs it."""

from __future__ import annotations

import re
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1] / "tests"))

from playwright.sync_api import Browser, Page, sync_playwright
from support.app_server import CHROMIUM, AppServer


def _swaps(pour: str, *steps: str) -> Callable[[Page], None]:
    """Open the board of a pour and presses keys on it."""

    def prepare(page: Page) -> None:
        page.get_by_role("button", name=re.compile(f"^{pour} .*Choose another")).click()
        page.get_by_test_id("ghost-point").wait_for()
        for key in steps:
            page.keyboard.press(key)
        page.wait_for_load_state("networkidle")

    return prepare


def _why(page: Page) -> None:
    page.get_by_role("button", name="Why this acidity?").click()
    page.get_by_role("dialog").get_by_text("Lemon juice").first.click()


RECIPE = """Orchard Gate Daisy
1½ oz bourbon
¾ oz quince liqueur
1 jigger lemon juice
2 dashes Hedge Witch bitters
Shake with ice for 10-12 seconds, double strain into a coupe.
Garnish with a lemon twist.
First poured at the harvest supper."""


def _pasted(page: Page) -> None:
    page.get_by_label("Recipe", exact=True).fill(RECIPE)
    page.get_by_role("list", name="Ingredients").wait_for()


def _blind_sheet(page: Page) -> None:
    page.get_by_label("Tasters", exact=True).fill("Odile, Tam")
    page.get_by_role("button", name="Start with 4 glasses").click()
    page.get_by_role("button", name="Hide the key").click()
    for said in ("Sweetness: right", "Acidity: a touch too sharp"):
        page.get_by_role("radio", name=said).locator("xpath=..").click()


def _next(page: Page) -> None:
    page.get_by_role("region", name="What to try next").get_by_role("listitem").first.wait_for()
    page.get_by_role("heading", name="What to try next").evaluate("heading => heading.scrollIntoView()")


def _wished(page: Page) -> None:
    page.get_by_role("searchbox", name="Ingredient to use or avoid").fill("quince")
    page.get_by_role("button", name="Preferably: Quince syrup").click()
    page.get_by_role("list", name="Wishes").wait_for()
    page.locator("[aria-label=Ideas][aria-busy=false]").wait_for()


Picture = tuple[str, int, int, str, Callable[[Page], None] | None]
"""Address, width, height, theme, and what is done before it is taken."""

PICTURES: dict[str, Picture] = {
    "bench-light": ("/bench/3", 1280, 800, "lamplight", None),
    "bench-dark": ("/bench/3", 1280, 800, "late", None),
    "bench-390-light": ("/bench/3", 390, 844, "lamplight", None),
    "paste-a-recipe": ("/paste", 1280, 800, "lamplight", _pasted),
    "card": ("/card/3", 1280, 800, "lamplight", None),
    "swaps-daisy": ("/bench/3", 1280, 800, "lamplight", _swaps("Sea-buckthorn liqueur", "ArrowDown")),
    "why-this-number": ("/bench/3", 1280, 800, "lamplight", _why),
    "trials-side-by-side": ("/trials/7?show=1&show=2&show=3", 1280, 800, "lamplight", None),
    "what-to-try-next": ("/trials/7?show=1&show=2", 1280, 800, "late", _next),
    "tasting-note-390": ("/taste/7?trial=1&trial=2", 390, 844, "lamplight", _blind_sheet),
    "family-tree": ("/recipes/family-tree", 1280, 800, "lamplight", None),
    "today": ("/service", 1280, 800, "lamplight", None),
    "today-390": ("/service", 390, 844, "late", None),
    "batch": ("/service/batch/9?service=ice&serves=12&container=750", 1280, 800, "lamplight", None),
    "event-plan": ("/service/event-plan", 1280, 800, "lamplight", None),
    "prep": ("/ingredients/prep/rhubarb-syrup", 1280, 800, "late", None),
    "training": ("/tasting/training?taster=Odile", 1280, 800, "lamplight", None),
    "recipes": ("/recipes", 1280, 800, "lamplight", None),
    "new-ideas": ("/ideas", 1280, 800, "lamplight", _wished),
}


def main(target: Path) -> None:
    """Write every picture to the folder."""
    target.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = AppServer(Path(folder) / "demo.db")
        server.start()
        try:
            browser = playwright.chromium.launch(**CHROMIUM)
            for name, picture in PICTURES.items():
                _take(browser, server.url, name, picture, target)
            browser.close()
        finally:
            server.kill()


def _take(browser: Browser, url: str, name: str, picture: Picture, target: Path) -> None:
    view, width, height, theme, prepare = picture
    context = browser.new_context(viewport={"width": width, "height": height}, reduced_motion="reduce", base_url=url)
    context.add_init_script(f"localStorage.setItem('oenomel.theme', '{theme}')")
    page = context.new_page()
    page.goto(view)
    page.wait_for_load_state("networkidle")
    page.evaluate("document.fonts.ready")
    if prepare:
        prepare(page)
        page.wait_for_timeout(300)
    page.screenshot(path=target / f"{name}.png")
    context.close()


if __name__ == "__main__":
    main(Path(sys.argv[1]))
