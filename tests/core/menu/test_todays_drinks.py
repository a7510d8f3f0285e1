"""The list of today's lots: fine, or what to pour instead; what to measure, to prepare, to buy; what it costs."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink
from support.sixty_specs import specs

from oenomel.core.balance.perception import AXES
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.lots.lot import LotReading, lot_of
from oenomel.core.menu.todays_drinks import effect_words, shared_moves, todays_drink, todays_headline, with_lots
from oenomel.schemas.spec_to_drink import drink_from_spec

LARDER = catalogue()
SOUR = drink(("london-dry-gin", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))


def lot(slug, *readings):
    return {slug: lot_of(LARDER[slug], [LotReading(*each) for each in readings], "today’s").ingredient}


def today(written, *lots):
    as_read = {slug: each for mapping in lots for slug, each in mapping.items()}
    return todays_drink(forecast_of(written), forecast_of(with_lots(written, {slug: LARDER[slug] for slug in as_read})), as_read)


def test_with_nothing_measured_every_drink_is_exactly_as_it_was_written(golden):
    found = today(SOUR)
    assert found.is_fine
    assert set(found.steps.values()) == {0.0}
    golden((found.moves, found.remaining, found.words))


def test_a_weak_lime_wants_more_of_it_and_nothing_that_the_drink_is_known_by_moves():
    found = today(SOUR, lot("lime-juice", ("acid", 4.4)))
    assert not found.is_fine
    assert {move.ingredient.slug for move in found.moves} <= {"lime-juice", "simple-syrup-1-1"}
    (lime,) = [move for move in found.moves if move.ingredient.slug == "lime-juice"]
    assert lime.after_ml > 22.5
    assert lime.after_ml % 2.5 == 0
    # After it, nobody could tell the acidity from what was written.
    mended = forecast_of(found.instead.drink).served
    assert abs(AXES["acid"].at(mended.acid) - AXES["acid"].at(found.written.served.acid)) < 0.5


@given(st.floats(0.97, 1.03))
def test_a_reading_near_what_was_supposed_leaves_every_drink_as_it_was_written(factor):
    usual = LARDER["lime-juice"].composition.acid_as_citric
    assert today(SOUR, lot("lime-juice", ("acid", factor * usual))).is_fine


@given(st.floats(3.5, 9.0), st.sampled_from([2.5, 5.0, 7.5]))
def test_whatever_the_lime_the_correction_is_pourable_and_brings_nearer(acid, grid):
    read = lot("lime-juice", ("acid", acid))
    written = forecast_of(SOUR)
    found = todays_drink(written, written, read, grid)
    for move in found.moves:
        assert move.after_ml % grid == pytest.approx(0)
    if found.instead is not None:
        mended = forecast_of(found.instead.drink).served
        before, after = (abs(AXES["acid"].at(each.acid) - AXES["acid"].at(written.served.acid)) for each in (found.present.served, mended))
        assert after <= before + 1e-9


def test_a_sharper_lime_wants_less_of_it():
    (move,) = [each for each in today(SOUR, lot("lime-juice", ("acid", 8.0))).moves if each.ingredient.slug == "lime-juice"]
    assert move.after_ml < 22.5


def test_a_reading_makes_the_acidity_surer_and_says_how_much():
    before, after = today(SOUR, lot("lime-juice", ("acid", 5.9))).half_widths("acid")
    assert after < 0.5 * before


def test_what_no_sour_and_no_sweet_can_mend_is_said(golden):
    spirits = drink(("london-dry-gin", 60), ("sweet-vermouth", 30), family="open")
    weak = lot("london-dry-gin", ("abv", 25.0, 0.1))
    found = today(spirits, weak)
    assert not found.is_fine
    assert found.moves == ()
    golden(found.remaining)


@pytest.mark.parametrize("acid", [4.6, 7.4])
def test_over_forty_specs_the_correction_never_makes_it_worse_and_every_sentence_is_whole(acid):
    juices = {**lot("lime-juice", ("acid", acid)), **lot("lemon-juice", ("acid", acid))}
    for spec in specs({slug: each.kind for slug, each in LARDER.items()}):
        made = drink_from_spec(spec, LARDER)
        found = today(made, juices)
        assert found.words
        if found.instead is not None:
            assert {found.present.drink.pours[move.pour].slot for move in found.moves} <= {"sour", "sweet"}
            off = sum(steps**2 for steps in found.steps.values())
            mended = forecast_of(found.instead.drink).served
            left = sum(
                float(AXES[axis].at(getattr(mended, axis)) - AXES[axis].at(getattr(found.written.served, axis))) ** 2 for axis in AXES
            )
            assert left <= off + 1e-9, made.name
        assert not found.remaining or found.remaining.endswith(".")


def test_the_headline_counts_and_what_drinks_share_is_told_once(golden):
    weak = lot("lime-juice", ("acid", 4.4))
    two = [today(SOUR, weak), today(SOUR, weak)]
    golden(todays_headline([]))
    golden(todays_headline([today(SOUR)]))
    golden(todays_headline([today(SOUR), today(SOUR)]))
    golden(todays_headline([*two, today(SOUR)]))
    golden(todays_headline([two[0], today(SOUR), today(SOUR)]))
    (shared,) = [each for each in shared_moves(two) if each.startswith("Lime juice")]
    golden(shared)
    assert "less sharp" in effect_words(two[0].steps)
