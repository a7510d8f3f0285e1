"""Cards and lists on paper: printed to PDF, every sheet is whole on as many pages as it should be, and nothing runs out of it."""

import re

import pytest
from playwright.sync_api import expect
from support import labels
from support.depth import spread
from support.sixty_specs import specs

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.method.step import MethodOptions
from oenomel.formats.card.content import card_of
from oenomel.formats.card.html import card_file, cards_html, page_html
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import drink_from_spec

PAPERS = {"A4": 210, "Letter": 216, "A6": 105}
MARGINS_MM = 18
PX_PER_MM = 96 / 25.4

CROWDED = {
    "name": "Everything at once, with a name that goes on",
    "pours": [
        {"ingredient": slug, "amount": amount, "unit": unit, "slot": slot, "stage": stage}
        for slug, amount, unit, slot, stage in (
            ("london-dry-gin", 30, "ml", "base", "mixed"),
            ("cognac", 15, "ml", "base", "mixed"),
            ("elderflower-liqueur", 10, "ml", "liqueur", "mixed"),
            ("lemon-juice", 22.5, "ml", "sour", "mixed"),
            ("honey-syrup", 12.5, "ml", "sweet", "mixed"),
            ("egg-white", 1, "piece", "texture", "mixed"),
            ("raspberries", 4, "piece", "accent", "mixed"),
            ("caster-sugar", 1, "tsp", "edge", "rim"),
            ("soda-water", 60, "ml", "lengthener", "topped"),
            ("overproof-rum", 7.5, "ml", "base", "floated"),
        )
    ],
    "method": {"dry_shake_seconds": 12, "sparkling": "both", "steps": [{"text": "Wipe the foot of the glass", "before": "serve"}]},
    "serve": {
        "glass": "tall glass",
        "ice": "cubes",
        "edge": {"half": True, "wetted_with": "lemon"},
        "garnish": [{"what": "lemon wheel", "how": "on the edge", "why": "echoes the juice"}, "mint sprig"],
        "note": "The float is strong: stir it in, and take your time.",
    },
}


def sheets_of(spec: SpecFile) -> tuple[str, str]:
    """The whole card, and the one for the station."""
    forecast = forecast_of(drink_from_spec(spec, catalogue()))
    station = page_html(cards_html([card_of(forecast, MethodOptions(), dated="27 November 2026")], "station"), spec.name)
    return card_file(spec, forecast, "27 November 2026"), station


def pages(page, paper):
    return len(re.findall(rb"/Type\s*/Page\b(?!s)", page.pdf(format=paper)))


def runs_over(page, width_mm):
    """What is wider than its sheet when it is printed so wide."""
    page.emulate_media(media="print")
    page.set_viewport_size({"width": int((width_mm - MARGINS_MM) * PX_PER_MM), "height": 500})
    found = page.evaluate(
        """() => [...document.querySelectorAll('.card-sheet *')]
          .filter((each) => each.getBoundingClientRect().right > document.documentElement.clientWidth + 1)
          .map((each) => each.className + ': ' + each.textContent.slice(0, 40))"""
    )
    page.emulate_media(media="null")
    return found


@pytest.mark.parametrize("paper", spread(list(PAPERS), 1))
def test_every_card_is_one_page_and_nothing_runs_out_of_it(page, paper):
    larder = catalogue()
    crowded = SpecFile.model_validate({"format": "oenomel/spec", "version": 1, "family": "fizz", **CROWDED})
    for spec in (crowded, *spread(specs({slug: each.kind for slug, each in larder.items()}), 10)):
        for sheet in sheets_of(spec):
            page.set_content(sheet)
            assert pages(page, paper) == 1, spec.name
            assert runs_over(page, PAPERS[paper]) == [], spec.name


def test_a_card_of_the_book_has_its_address_and_prints_without_the_app_around_it(page, server):
    page.goto(f"{server.url}/card/7?trial=2")
    sheet = page.get_by_role("article", name="Medlar Walk Sour")
    expect(sheet).to_contain_text(labels.TRIAL_2_A_THIRD_LESS_LEMON)
    expect(sheet.get_by_role("img", name=re.compile(labels.COUPE_SERVED_UP))).to_be_visible()
    assert [pages(page, paper) for paper in PAPERS] == [1, 1, 1]
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name=labels.PRINT)).not_to_be_visible()
    expect(sheet.get_by_text("lemon juice").first).to_be_visible()
    page.emulate_media(media="null")

    # Two trials on one sheet, what is otherwise marked in both.
    page.get_by_label(labels.BESIDE_ANOTHER_TRIAL).select_option(label="beside trial 4: Two dashes to wake the nose")
    expect(page.get_by_role("article")).to_have_count(2)
    expect(page).to_have_url(re.compile("beside=4"))
    differs = page.locator("tr.card-differs")
    expect(differs.filter(has_text="orange bitters")).to_have_count(1)
    expect(differs.filter(has_text="rye whiskey")).to_have_count(0)
    assert pages(page, "A4") == 1

    page.goto(f"{server.url}/card/6?layout=station")
    expect(page.get_by_role("article", name="Cold Frame Fizz").get_by_role("listitem").first).to_have_text(
        labels.SHAKE_WITHOUT_ICE_FOR_10_SECONDS
    )
    assert [pages(page, paper) for paper in PAPERS] == [1, 1, 1]
    page.reload()
    expect(page.get_by_role("button", name=labels.FOR_THE_STATION)).to_have_attribute("aria-pressed", "true")


def test_the_list_is_one_sheet_and_readable_to_everyone(page, server, violations):
    page.goto(f"{server.url}/list")
    sheet = page.get_by_role("article", name=labels.MENU)
    expect(sheet.get_by_role("row")).to_have_count(10)
    expect(sheet).to_contain_text(labels.TO_PRESS_TODAY)
    assert violations() == []
    assert pages(page, "A4") == 1
    page.goto(f"{server.url}/list?drinks=3,5")
    expect(page.get_by_role("article", name=labels.MENU).get_by_role("row")).to_have_count(3)
    page.goto(f"{server.url}/card/3")
    expect(page.get_by_role("article", name="Walled Garden Daisy")).to_be_visible()
    assert violations() == []
