"""What several journeys do on the bench."""

from playwright.sync_api import Locator, Page, expect
from support import labels


def amount(page: Page, name: str) -> Locator:
    return page.get_by_label(labels.AMOUNT_OF.format(name), exact=True)


def article(page: Page, name: str) -> Locator:
    return page.get_by_role("article", name=name)


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
