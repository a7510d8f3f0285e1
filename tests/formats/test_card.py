"""What stands on a card and on a list: both measures in the order of pouring, what can hurt somebody, differences; all of it text."""

import re
from dataclasses import replace

import pytest
from support.drinks import drink
from support.sixty_specs import specs

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.method.step import MethodOptions
from oenomel.core.spec.technique import Edge, Garnish, Method, OwnStep, Serve
from oenomel.formats.card.content import beside, card_of
from oenomel.formats.card.html import card_file, cards_html, list_html
from oenomel.formats.card.list_sheet import list_sheet
from oenomel.schemas.spec_to_drink import drink_from_spec

SOUR = (("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
SERVE = Serve("coupe", garnish=(Garnish("lemon zest", "expressed", "for the nose", "orange zest"),), note="Cold, and at once.")


def card(made, way=None, **told):
    return card_of(forecast_of(made), way or MethodOptions(), **told)


@pytest.fixture(scope="module")
def forty():
    larder = catalogue()
    return [(spec, forecast_of(drink_from_spec(spec, larder))) for spec in specs({slug: each.kind for slug, each in larder.items()})]


def test_pours_stand_in_both_measures_in_the_order_in_which_they_go_in(golden):
    made = replace(drink(*SOUR, ("egg-white", 30), ("aromatic-bitters", 1.6, "floated"), method=Method(dry_shake_seconds=10)), serve=SERVE)
    assert [(pour.ml, pour.oz, pour.name, pour.place) for pour in card(made).pours] == [
        ("30 ml", "1 oz", "egg white", ""),
        ("22.5 ml", "¾ oz", "lemon juice", ""),
        ("22.5 ml", "¾ oz", "simple syrup 1:1", ""),
        ("60 ml", "2 oz", "white rum", ""),
        ("1.6 ml", "scant ⅓ barspoon", "aromatic bitters", "floated"),
    ]
    spirit_first = card(made, MethodOptions("spirit first"))
    assert spirit_first.pours[0].name == "white rum"
    golden([step.words for step in card(made).steps])


def test_what_a_step_is_told_instead_stays_on_the_card_though_it_sounds_like_a_pour(golden):
    lines = (OwnStep("Pour the juice through a sieve into the tin", instead_of="pour: lemon-juice"),)
    steps = [step.words for step in card(replace(drink(*SOUR, method=Method(steps=lines)), serve=SERVE)).steps]
    at = steps.index("Pour the juice through a sieve into the tin.")
    golden(steps[at + 1])


def test_a_card_tells_who_must_be_told_of_what_and_what_the_guest_should_know(golden):
    made = replace(drink(*SOUR, ("egg-white", 30), ("caster-sugar", 5, "rim")), serve=replace(SERVE, edge=Edge(half=True)))
    told = card(made, country="uk", version="Trial 3", dated="kept 1 May", descent=["Out of trial 2."], own_amounts=["a jigger"])
    assert told.contains.startswith("Contains egg")
    assert any("salmonella" in each for each in told.cautions)
    golden(told.measures)
    golden(told.edge)
    html = cards_html([told])
    for words in (
        "Out of trial 2.",
        "Trial 3",
        "kept 1 May",
        "Cold, and at once.",
        "or orange zest",
        "“a jigger”",
        "Lemon zest",
    ):
        assert words in html


def test_two_cards_mark_what_is_otherwise_and_nothing_else():
    one = replace(drink(*SOUR), serve=SERVE)
    other = replace(drink(("white-rum", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 22.5), method=Method(seconds=8)), serve=SERVE)
    marked = beside(card(one), card(other))
    assert [pour.name for pour in marked.pours if pour.differs] == ["lemon juice"]
    assert [step.words for step in marked.steps if step.differs] == ["Shake for 12 seconds."]
    assert {"volume", "balance"} <= marked.differs
    assert "glass" not in marked.differs
    same = beside(card(one), card(one))
    assert not same.differs
    assert not any(each.differs for each in (*same.pours, *same.steps))


def test_what_somebody_wrote_is_text_and_never_markup():
    evil = "<script>alert(1)</script>"
    made = replace(drink(*SOUR), name=evil, form=evil, serve=Serve(evil, garnish=(Garnish(evil, evil, evil, evil),), note=evil))
    html = cards_html([card(made, remember=evil, version=evil, dated=evil, descent=[evil], own_amounts=[evil] * 3)])
    assert "<script" not in html
    assert html.count("&lt;script&gt;") >= 10
    assert "<script" not in list_html(list_sheet([forecast_of(made)], MethodOptions(), "us", evil))


def test_one_file_needs_nothing_else(forty):
    spec, forecast = forty[0]
    page = card_file(spec, forecast, "27 November 2026", "From the old book")
    assert "From the old book" in page
    assert not re.search(r'(?:src|href)="|url\((?!#)|@import|https?:', page)
    assert page.startswith("<!doctype html>")


def test_a_list_tells_allergens_what_is_pressed_and_what_is_prepared(forty):
    sheet = list_sheet([forecast for _, forecast in forty], MethodOptions(), "us", "today")
    assert len(sheet.rows) == 60
    allergens = {each.what: each.drinks for each in sheet.allergens}
    assert "Sour with an egg white" in allergens["Egg"]
    assert "Cream fizz" in allergens["Milk"]
    assert "Lemon juice" in [each.what for each in sheet.juices]
    # Verjus comes out of a bottle.
    assert "Verjus" not in [each.what for each in sheet.juices]
    assert "Simple syrup 1:1" in [each.what for each in sheet.preparations]
    assert {"Mint sprig", "Sea salt"} <= {each.what for each in sheet.garnishes}
