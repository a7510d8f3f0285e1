"""What several journeys do on the bench."""

from playwright.sync_api import Locator, Page, expect
from support import labels


def amount(page: Page, name: str) -> Locator:
    return page.get_by_label(labels.AMOUNT_OF.format(name), exact=True)


def article(page: Page, name: str) -> Locator:
    return page.get_by_role("article", name=name)


COUNT_REQUESTS = """(() => {
  const fetched = window.fetch;
  window.inFlight = 0;
  window.fetch = (...asked) => {
    window.inFlight += 1;
    return fetched(...asked).finally(() => { window.inFlight -= 1; });
  };
})()"""
"""Put into each page before its own script, so that a test can wait for the last answer and no longer."""


def settled(page: Page) -> None:
    """Waits until nothing is asked of the server any more, the fonts are there and the last answer is drawn."""
    page.evaluate(
        """async () => {
          const drawn = () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
          do {
            while (window.inFlight > 0 || document.fonts.status !== 'loaded') await new Promise((done) => setTimeout(done, 20));
            await drawn();
          } while (window.inFlight > 0);
        }"""
    )


def ready(page: Page, address: str) -> None:
    page.goto(address)
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    expect(page.get_by_role("list", name=labels.STEPS).get_by_role("listitem").first).to_be_visible()


def in_sight(page: Page) -> bool:
    """Whether all three figures lie within the window, and on top of all else."""
    return page.evaluate(
        """['sugar', 'acid', 'abv'].every((axis) => {
          const figure = document.querySelector(`[data-testid=${axis}-now]`);
          const { left, right, top, bottom } = figure.getBoundingClientRect();
          const within = left >= 0 && top >= 0 && right <= innerWidth && bottom <= innerHeight;
          return within && figure.contains(document.elementFromPoint((left + right) / 2, (top + bottom) / 2));
        })"""
    )
