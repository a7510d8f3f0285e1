"""Reading beside foreseen, and what it says of the house's water: worked cases, refusals, and simulated kitchens."""

import numpy as np
import pytest
from support.depth import DEPTH
from support.drinks import drink, eight_three_three

from oenomel.core.balance.uncertainty import Z80
from oenomel.core.dilution.curves import water_ratio
from oenomel.core.dilution.ice_conditions import Conditions, HouseFactor, house_factor
from oenomel.core.families.family import families
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.technique import Method
from oenomel.core.trials.readings import Reading, beside_forecast, check, forecast_reading, measured_water, own_water, without_house_factor
from oenomel.devices.hidden_truth import samples_of, true_factor
from oenomel.devices.scale import SimulatedScale
from oenomel.errors import ImpossibleMeasurement, NoReading

KITCHENS = 100 if DEPTH == "deep" else 40


def shaken_schools():
    schools = [school.drink for name in ("sour", "daisy") for school in families()[name].schools]
    return [made for made in schools if made.method.technique == "shake" and made.method.ice == "cubes"]


def weighed(scale, sample, held_g=0.0):
    """What a scale shows of a sample, asked again where it gives no reading, without what stayed on the ice."""
    while True:
        try:
            scale.zero()
            return scale.read(sample) - held_g
        except NoReading:
            continue


@pytest.fixture(scope="module")
def kitchens():
    """For each kitchen: its true factor, what 6 and 12 weighings say, and the error of water on drinks that weren't weighed."""
    schools, found = shaken_schools(), []
    for house in range(KITCHENS):
        scale, held = SimulatedScale(house), np.random.default_rng(house)
        ratios = []
        for making in range(12):
            made = schools[making % len(schools)]
            sample, left_g = samples_of(made, making, house), held.uniform(0, 6)
            readings = [
                Reading("weight_g", "tin", weighed(scale, sample["tin"])),
                Reading("weight_g", "strained", weighed(scale, sample["strained"], left_g)),
                Reading("held_back_g", "strained", left_g),
            ]
            ratios.append(measured_water(readings, forecast_of(made)).ratio)
        six = house_factor(ratios[:6])
        others = [(forecast_of(made).dilution.water_ml, samples_of(made, 200 + n, house)) for n, made in enumerate(schools)]
        off = [
            [abs(factor * water - (sample["strained"].volume_ml - sample["tin"].volume_ml)) for water, sample in others]
            for factor in (1.0, six.factor)
        ]
        found.append((true_factor(house, "shake"), six, house_factor(ratios), *np.mean(off, axis=1)))
    return found


def test_a_kitchen_learns_its_own_water_from_six_weighings(kitchens):
    for n, place in ((6, 1), (12, 2)):
        off = np.array([abs(row[place].factor / row[0] - 1) for row in kitchens])
        held = np.mean([abs(row[place].factor - row[0]) <= Z80 * row[place].relative_sd for row in kitchens])
        print(f"{n} measurements: {np.mean(off < 0.05):.0%} within 5 %, {np.mean(off < 0.10):.0%} within 10 %, intervals hold {held:.0%}")
        assert np.mean(off < 0.05) >= (0.75 if n == 6 else 0.90)
        assert np.mean(off < 0.10) >= 0.97
        assert 0.70 <= held <= 0.90


def test_the_water_of_drinks_that_were_not_weighed_is_a_third_nearer(kitchens):
    before, after = np.mean([row[3] for row in kitchens]), np.mean([row[4] for row in kitchens])
    print(f"water of other drinks: {before:.1f} ml off before, {after:.1f} ml after six measurements")
    assert after <= before * 2 / 3


def test_the_forecast_uses_the_factor_and_says_so():
    own = {"shake": HouseFactor(0.9, 0.03, 6)}
    made = eight_three_three()
    plain, ours = forecast_of(made), forecast_of(made, Conditions(factors=own))
    assert ours.dilution.water_ml == pytest.approx(0.9 * plain.dilution.water_ml)
    assert (plain.dilution.measurements, ours.dilution.measurements) == (0, 6)
    assert without_house_factor(made, ours).dilution.water_ml == pytest.approx(plain.dilution.water_ml)
    stirred = drink(("malt-gin", 60), ("sweet-vermouth", 30), family="open", method=Method("stir", 30))
    assert forecast_of(stirred, Conditions(factors=own)).dilution.measurements == 0


@pytest.mark.parametrize(
    ("readings", "water"),
    [
        # 105 ml in, 150 ml out, nothing told of what stayed: 45 ml, by hand.
        ([("volume_ml", "tin", 105), ("volume_ml", "strained", 150)], 45.0),
        ([("volume_ml", "tin", 105), ("volume_ml", "strained", 147), ("held_back_g", "strained", 3)], 45.0),
        # 1.29 g of acid in 100 ml before, 0.86 after: the same acid in half as much again, 52.5 ml.
        ([("acid", "tin", 1.29), ("acid", "strained", 0.86)], 52.5),
        ([("abv", "tin", 24.0), ("abv", "strained", 16.0)], 52.5),
    ],
)
def test_water_is_found_from_any_pair_of_readings(readings, water):
    found = measured_water([Reading(*each) for each in readings], forecast_of(eight_three_three()))
    assert found.water_ml == pytest.approx(water, abs=0.05)


def test_three_grams_left_on_the_ice_bias_the_factor_as_the_model_says():
    # docs/model/dilution.md: 3 g left, −5.6 %.
    made = eight_three_three()
    plain = forecast_of(made)
    before, after = (forecast_reading("weight_g", point, plain) for point in ("tin", "strained"))
    found = measured_water([Reading("weight_g", "tin", before), Reading("weight_g", "strained", after - 3)], plain)
    assert found.ratio == pytest.approx(1 - 0.056, abs=0.003)
    assert "3 g" in found.warning


def test_a_foreseen_weight_is_its_volume_times_its_density():
    # 60 ml of 40 % (0.948 g/ml, OIML R 22 from memory) and 22.5 ml of 1:1 syrup (1.230 g/ml, CRC from memory): 84.6 g.
    made = drink(("vodka", 60), ("simple-syrup-1-1", 22.5))
    assert forecast_reading("weight_g", "tin", forecast_of(made)) == pytest.approx(60 * 0.948 + 22.5 * 1.2296, rel=0.005)


@pytest.mark.parametrize(
    "reading",
    [
        ("volume_ml", "strained", 900),
        ("weight_g", "tin", 400),
        ("abv", "strained", 30),
        ("acid", "served", 2.0),
        ("ph", "served", 12),
        ("temperature_c", "served", -60),
    ],
)
def test_a_reading_that_can_not_be_is_refused_with_the_reason(reading, golden):
    with golden.raises(ImpossibleMeasurement):
        check(Reading(*reading), forecast_of(eight_three_three()))


def test_water_beyond_all_belief_is_refused(golden):
    with golden.raises(ImpossibleMeasurement):
        measured_water([Reading("volume_ml", "tin", 105), Reading("volume_ml", "strained", 104)], forecast_of(eight_three_three()))


def test_a_refractometer_is_warned_about_and_tells_no_water_where_there_is_alcohol():
    plain = forecast_of(eight_three_three())
    readings = [Reading("brix", "tin", 22.0), Reading("brix", "strained", 14.0)]
    assert measured_water(readings, plain) is None
    assert all(each.warning for each in beside_forecast(readings, plain))
    without = forecast_of(drink(("lemon-juice", 30), ("simple-syrup-1-1", 30), ("still-water", 60)))
    assert beside_forecast([Reading("brix", "tin", 15.0)], without)[0].warning == ""


def test_readings_stand_beside_their_forecast_in_words(golden):
    plain = forecast_of(eight_three_three())
    right, high, unknown = beside_forecast(
        [Reading("acid", "served", plain.served.titratable_acid), Reading("abv", "served", 19.0), Reading("ph", "served", 2.6)], plain
    )
    golden((right.words, high.words))
    assert unknown.forecast is None


def test_no_ice_tells_nothing_of_water():
    bottled = forecast_of(drink(("vodka", 60), ("lemon-juice", 20), method=Method("none", ice="none")))
    assert measured_water([Reading("volume_ml", "strained", 80)], bottled) is None
    assert water_ratio(0.3, Method("none", ice="none")) == 0


@pytest.mark.parametrize(
    "ratios",
    [
        [1.0],
        # By hand: s² = 6 · 0.0081 / 9, four against its 0.375 of a prior: 1 + 4/4.375 · 0.3, and 1.28 · √(0.0054/4.375) = 4.5 %.
        [1.3, 1.3, 1.3, 1.3],
        [0.8, 0.8],
    ],
)
def test_the_houses_own_water_is_told_in_words_with_its_doubt(ratios, golden):
    told = own_water("shake", ratios)
    golden(told.words)
    assert told.low < told.factor < told.high
    assert told.measurements == len(ratios)


def test_a_refractometer_reads_forty_percent_of_alcohol_as_fourteen_of_sugar():
    # From memory of the refractive indices: about 0.36 °Bx for each % of strength, where there is no sugar at all.
    vodka = forecast_of(drink(("vodka", 60), family="open", method=Method("build", ice="none")))
    assert forecast_reading("brix", "served", vodka) == pytest.approx(0.36 * vodka.served.abv, rel=1e-9)
    assert vodka.served.sugar == vodka.served.acid == 0


def test_brix_counts_what_is_dissolved_by_weight():
    # 1:1 syrup alone is half sugar by weight, whatever its volume.
    syrup = forecast_of(drink(("simple-syrup-1-1", 40), family="open", method=Method("build", ice="none")))
    assert forecast_reading("brix", "served", syrup) == pytest.approx(50, abs=0.5)


def test_a_reading_before_the_ice_stands_in_for_the_recipe(golden):
    plain = forecast_of(eight_three_three())
    sharp = Reading("acid", "served", 1.8)
    with golden.raises(ImpossibleMeasurement):
        check(sharp, plain)
    check(sharp, plain, [Reading("acid", "tin", 2.4)])
    check(Reading("ph", "tin", 9.0), plain)
    # Without a reading before the ice the recipe is taken, and said so.
    after = forecast_reading("weight_g", "strained", plain)
    found = measured_water([Reading("weight_g", "strained", after)], plain)
    assert found.ratio == pytest.approx(1, abs=0.005)
    golden(found.warning)


def test_what_has_no_interval_of_its_own_gets_that_of_the_drink_around_its_forecast():
    plain = forecast_of(eight_three_three())
    (weight,) = beside_forecast([Reading("weight_g", "strained", 150)], plain)
    whole = plain.interval80["volume_ml"]
    assert (weight.high + weight.low) / 2 == pytest.approx(weight.forecast)
    assert (weight.high - weight.low) / 2 == pytest.approx(weight.forecast * (whole.high - whole.low) / (whole.high + whole.low))
