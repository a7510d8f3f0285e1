"""What a reading makes of a lot: simulated truths, laws, and what can't be read."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.dilution.ice_conditions import Conditions, HouseFactor
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.lots.lot import LotReading, hours_words, lot_of, old_lot_words
from oenomel.core.spec.drink import Drink
from oenomel.errors import ImpossibleMeasurement

LARDER = catalogue()
LIME = LARDER["lime-juice"]


def read(slug, *readings):
    return lot_of(LARDER[slug], [LotReading(*each) for each in readings], "today’s")


def with_lot(made: Drink, ingredient) -> Drink:
    return made.with_pours(tuple(pour.of(ingredient) if pour.ingredient.slug == ingredient.slug else pour for pour in made.pours))


def test_after_one_titration_a_sour_s_interval_holds_the_truth_four_times_in_five_and_is_half_as_wide():
    # 300 true limes, each titrated once (2 %) and poured by hand on ice that varies: the model's own spreads drawn at random.
    random = np.random.default_rng(20261127)
    made = drink(("london-dry-gin", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    unread = forecast_of(made).interval80["acid"]
    held, widths = 0, []
    for _ in range(300):
        true = float(np.exp(np.log(6.0) + 0.12 * random.standard_normal()))
        reading = true * (5.909 / 6.0) * (1 + 0.02 * random.standard_normal())
        lot = read("lime-juice", ("acid", reading)).ingredient
        interval = forecast_of(with_lot(made, lot)).interval80["acid"]
        really = acid_of_a_making(made, true, random)
        held += interval.low <= really <= interval.high
        widths.append(interval.high - interval.low)
    assert 0.72 <= held / 300 <= 0.88
    assert np.median(widths) <= 0.5 * (unread.high - unread.low)


def acid_of_a_making(made: Drink, acid: float, random) -> float:
    """Acidity of one real making: the lime's own acid, pours by jigger (2 % shared, 2.2 % own), water off by 8 %."""
    shared = 1 + 0.02 * random.standard_normal()
    pours = []
    for pour in made.pours:
        ingredient = pour.ingredient
        if ingredient.slug == "lime-juice":
            ingredient = with_acid(ingredient, {"citric": acid * 2 / 3, "malic": acid / 3})
        own = 1 + 0.0224 * random.standard_normal()
        pours.append(pour.of(ingredient).at(pour.volume_ml * shared * own))
    factor = HouseFactor(1 + 0.08 * random.standard_normal(), 0.0, 1)
    return forecast_of(made.with_pours(tuple(pours)), Conditions(factors={"shake": factor})).served.acid


def with_acid(ingredient, acids):
    return replace(ingredient, composition=replace(ingredient.composition, acids=acids))


def test_a_brix_reading_alone_narrows_the_sugar_and_not_the_acid():
    before = LIME.composition
    after = read("lime-juice", ("brix", 8.2)).ingredient.composition
    assert after.relative_sd("sugars") * after.sugar < before.relative_sd("sugars") * before.sugar
    assert after.acid == before.acid
    assert after.relative_sd("acids") == before.relative_sd("acids")


def test_two_devices_that_disagree_are_less_sure_than_one_and_two_that_agree_surer():
    def sd(*values):
        return read("lime-juice", *(("acid", value) for value in values)).figures[2].posterior_sd

    assert sd(5.5, 5.52) < sd(5.5) < sd(5.0, 6.0)
    assert "disagree" in read("lime-juice", ("acid", 5.0), ("acid", 6.0)).notes[0]


@given(st.floats(3.5, 8), st.floats(0.05, 1))
def test_what_is_held_lies_between_and_is_never_less_sure_than_either(value, sd):
    acid = read("lime-juice", ("acid", value, sd)).figures[2]
    assert min(acid.prior, acid.measured) - 1e-9 <= acid.posterior <= max(acid.prior, acid.measured) + 1e-9
    # As logarithms: a share of what each is.
    assert acid.posterior_sd / acid.posterior <= min(acid.prior_sd / acid.prior, acid.measured_sd / acid.measured) + 1e-9


@given(st.lists(st.floats(4.5, 7), min_size=1, max_size=5), st.randoms())
def test_readings_count_whatever_their_order(values, shuffled):
    other = list(values)
    shuffled.shuffle(other)
    one, two = (read("lime-juice", *(("acid", value) for value in each)).figures[2].posterior for each in (values, other))
    assert one == pytest.approx(two, rel=1e-9)


def test_a_syrup_s_brix_is_its_sugar_and_kinds_keep_their_proportions():
    # 36.0 °Bx, density of the table 1.1564 g/ml: 41.6 g, less 0.8 g of acid.
    lot = read("raspberry-syrup", ("brix", 36.0))
    assert lot.figures[1].measured == pytest.approx(36.0 * 1.1564 - 0.8, abs=0.05)
    assert "far from what raspberry syrup usually has" in lot.notes[0]
    lime = read("lime-juice", ("acid", 4.4)).ingredient.composition
    assert lime.acids["citric"] / lime.acids["malic"] == pytest.approx(2.0)


def test_what_titrates_is_as_citric_and_is_told_by_weight():
    lot = read("lime-juice", ("acid", LIME.composition.acid_as_citric))
    assert lot.figures[2].measured == pytest.approx(LIME.composition.acid)


def test_a_refractometer_in_a_liqueur_is_warned_about_and_left_unsure(golden):
    lot = read("orange-liqueur-sweet", ("brix", 34.0))
    golden(lot.notes[0])
    assert lot.figures[1].measured_sd > 1.0


def test_a_dry_spirit_is_weighed_for_its_strength_and_a_liqueur_for_its_sugar():
    # OIML R 22: 40 % vol weighs 0.94805 g/ml.
    assert read("vodka", ("density", 0.94805)).figures[0].measured == pytest.approx(40.0, abs=0.1)
    sweet = LARDER["orange-liqueur-sweet"]
    lot = read("orange-liqueur-sweet", ("abv", sweet.composition.abv), ("density", sweet.composition.density_g_per_ml))
    assert lot.figures[1].measured == pytest.approx(sweet.composition.sugar, abs=1.0)


def test_ph_moves_nothing():
    lot = read("lime-juice", ("ph", 2.4))
    assert lot.ingredient.composition.axes == pytest.approx(LIME.composition.axes)


@pytest.mark.parametrize(
    ("slug", "readings"),
    [
        ("lime-juice", [("brix", 95.0)]),
        ("lime-juice", [("acid", 18.0)]),
        ("lime-juice", [("abv", 40.0)]),
        ("vodka", [("abv", 40.0), ("density", 1.02)]),
        ("vodka", [("density", 1.02)]),
        ("orange-liqueur-sweet", [("abv", 40.0), ("density", 0.90)]),
        ("vodka", [("abv", 99.0)]),
        ("lime-juice", [("density", 0.95)]),
        ("lime-juice", [("ph", 14.0)]),
        ("lime-juice", [("acid", -1.0)]),
        ("lime-juice", [("acid", 5.0, 50.0)]),
        ("orange-liqueur-sweet", [("brix", 1.0)]),
        ("lime-juice", [("brix", 0.5), ("acid", 6.5)]),
    ],
)
def test_a_reading_that_can_not_be_is_refused_with_the_sentence(slug, readings, golden):
    with golden.raises(ImpossibleMeasurement):
        read(slug, *readings)


def test_age_is_given_in_words(golden):
    golden([hours_words(each) for each in (0.2, 1.2, 11, 40)])


def test_one_day_is_a_day_and_two_are_days():
    one, three = (next(each for each in LARDER.values() if each.kind != "juice" and each.label("keeps_days") == days) for days in (1, 3))
    assert "keeps about 1 day:" in old_lot_words(one, 60)
    assert "keeps about 3 days:" in old_lot_words(three, 100)
