"""The published table of balanced drinks, and the definitions that the reported figures rest on."""

import math

import chemicals
import pytest
from support.drinks import drink, eight_three_three

from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.dilution.curves import REFERENCE_SECONDS, shaken_water_ratio, stirred_water_ratio, water_ratio
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.composition import EQUIVALENT_WEIGHTS, Composition
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method


def test_published_8_3_3_sour_starts_and_lands_where_the_table_prints_it():
    # D. Arnold, Liquid Intelligence (2014), "Cocktail balance at a glance"; from memory.
    # Printed: 105 ml, 22.9 %, 13.5, 1.29 before the shake; 159.5 ml, 15.0 %, 8.9, 0.85 after it.
    forecast = forecast_of(eight_three_three())
    tin, served = forecast.undiluted, forecast.served
    assert (tin.volume_ml, tin.abv) == (pytest.approx(105, abs=0.05), pytest.approx(22.9, abs=0.05))
    assert (tin.sugar, tin.acid) == (pytest.approx(13.5, abs=0.05), pytest.approx(1.29, abs=0.005))
    assert (served.volume_ml, served.abv) == (pytest.approx(159.5, abs=0.05), pytest.approx(15.0, abs=0.05))
    assert (served.sugar, served.acid) == (pytest.approx(8.9, abs=0.05), pytest.approx(0.85, abs=0.005))


def test_served_example_of_the_spec_format_has_its_printed_alcohol_energy_and_standard_drinks():
    # Worked by hand: 60 ml × 40 % × 0.78924 g/ml = 18.94 g (density: OIML R 22, from memory); energy by Regulation (EU) 1169/2011,
    # Annex XIV: 7, 4 and 3 kcal/g × 18.94, 14.19 and 1.35 g = 193.4 kcal; drinks of 14 g (NIAAA), 8 g (UK CMOs), 10 g (NHMRC).
    served = forecast_of(eight_three_three()).served
    assert served.alcohol_g == pytest.approx(18.942, abs=0.001)
    assert served.energy_kcal == pytest.approx(193.4, abs=0.05)
    assert served.standard_drinks == {
        "us": pytest.approx(1.353, abs=0.001),
        "uk": pytest.approx(2.368, abs=0.001),
        "au": pytest.approx(1.894, abs=0.001),
    }
    assert served.titratable_acid == pytest.approx(0.834, abs=0.0005)  # 0.9 g citric + 0.45 g malic × 64.04/67.05, in 159.53 ml


@pytest.mark.parametrize(
    ("abv_fraction", "shaken", "stirred"),
    # The two quadratics of Arnold (2014, from memory), worked by hand at three strengths.
    [(0.15, 0.4290425, 0.304675), (0.25, 0.5405625, 0.380875), (0.35, 0.6207425, 0.432875)],
)
def test_water_of_a_shake_and_of_a_stir_follows_the_published_curves(abv_fraction, shaken, stirred):
    assert float(shaken_water_ratio(abv_fraction)) == pytest.approx(shaken, abs=1e-9)
    assert float(stirred_water_ratio(abv_fraction)) == pytest.approx(stirred, abs=1e-9)


def test_shaking_longer_than_fifteen_seconds_changes_little():
    # Common practice: 15 s with cubes is enough; beyond it little changes. And three seconds are about half of a full shake.
    at = {s: float(water_ratio(0.23, Method(seconds=s))) for s in (3, 12, 15, 30, 600)}
    assert at[30] / at[15] < 1.03
    assert at[3] / at[12] == pytest.approx(0.555, abs=0.005)  # (1 − e^−0.75) / (1 − e^−3), by hand
    assert at[600] / at[12] == pytest.approx(1.0524, abs=0.0001)
    assert REFERENCE_SECONDS == {"shake": 12, "stir": 30}


def test_endless_stir_ends_at_the_plateau_of_a_shake():
    # A stir passes the shake's plateau from about 63 s: the curve of a shake caps it.
    plateau = 1.0524 * float(shaken_water_ratio(0.25))
    assert float(water_ratio(0.25, Method(technique="stir", seconds=300))) == pytest.approx(plateau, rel=1e-4)
    # By hand: 0.380875 × (1 − e^−1.125) / (1 − e^−0.75) = 0.48750.
    assert float(water_ratio(0.25, Method(technique="stir", seconds=45))) == pytest.approx(0.48750, abs=2e-5)


@pytest.mark.parametrize(
    ("acid", "cas", "groups"),
    [
        ("citric", "77-92-9", 3),
        ("malic", "6915-15-7", 2),
        ("tartaric", "87-69-4", 2),
        ("lactic", "50-21-5", 1),
        ("acetic", "64-19-7", 1),
        ("succinic", "110-15-6", 2),
        ("phosphoric", "7664-38-2", 2),
    ],
)
def test_equivalent_weights_are_molar_masses_by_acid_groups(acid, cas, groups):
    # Molar masses of the library `chemicals`; acid groups by structure (phosphoric: the two that titrate below pH 9).
    assert chemicals.MW(cas) / groups == pytest.approx(EQUIVALENT_WEIGHTS[acid], abs=0.01)


@pytest.mark.parametrize(("axis", "ratio"), [("sugar", 1.17), ("acid", 1.22), ("abv", 1.15)])
def test_one_step_is_the_published_weber_ratio(axis, ratio):
    # Schutz & Pilgrim, Am. J. Psychol. 70 (1957) 41: sucrose 0.17, citric acid 0.22 (from memory). Strength: an assumption.
    assert float(steps_between(10 * ratio, 10, AXES[axis])) == pytest.approx(1, abs=1e-12)
    assert float(steps_between(10, 10 * ratio**3, AXES[axis])) == pytest.approx(-3, abs=1e-12)


def test_energy_of_a_spirit_is_near_its_food_table_row():
    # USDA FoodData Central, distilled spirits, rum, 80 proof: 231 kcal and 33.4 g alcohol per 100 g at 0.940 g/ml.
    served = forecast_of(drink(("white-rum", 100), method=Method(ice="none"), family="open")).served
    assert served.energy_kcal == pytest.approx(231 * 0.940, rel=0.02)


def test_pure_alcohol_has_the_density_of_the_alcoholometric_table():
    # OIML R 22: 789.24 kg/m³ at 20 °C (from memory; test_solutions checks it against CoolProp by way of two mixtures).
    liquid = Ingredient("ethanol", "Ethanol", "spirit", Composition(abv=100))
    pure = Drink("pure", "open", (Pour(liquid, 100),), method=Method(ice="none"))
    assert forecast_of(pure).served.alcohol_g == pytest.approx(78.924, abs=1e-9)
    assert math.isnan(forecast_of(pure).served.sugar_acid_ratio)
