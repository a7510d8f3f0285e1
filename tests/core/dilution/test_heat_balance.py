"""The second school of dilution: criteria of the model, limits, and that nothing is lost."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.dilution.curves import water_and_slopes, water_from_ice
from oenomel.core.dilution.heat_balance import FUSION_J_PER_G, ICE_J_PER_G_K, MOST_THAT_FREEZES, TIN_J_PER_G_K, WATER_J_PER_G_K, Tin, melt
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.families.family import families
from oenomel.core.families.typical_range import BRANCHES
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.solutions import WATER_G_PER_ML
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method

HEAT = Conditions(dilution="heat balance")
RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)
SHAKEN_SCHOOLS = [s for f in families().values() for s in f.schools if s.drink.method.technique == "shake" and s.drink.form not in BRANCHES]

tins = st.builds(
    lambda volume, abv, sugar, acid: Tin(*(np.array(x) for x in (volume, volume * abv, volume * sugar / 100, volume * acid / 100))),
    st.floats(30, 300), st.floats(0, 0.45), st.floats(0, 25), st.floats(0, 3),
)  # fmt: skip
conditions = st.builds(
    Conditions, dilution=st.just("heat balance"), ice_g=st.floats(0, 500), ice_c=st.floats(-25, 0), surface_water=st.floats(0, 0.1),
    start_c=st.floats(-5, 40),
)  # fmt: skip


@given(tins, conditions, st.sampled_from(["cubes", "large", "crushed"]))
def test_heat_and_mass_are_conserved_and_the_drink_never_ends_below_freezing(tin, supposed, kind):
    ice = supposed.ice_in_the_tin(Method(ice=kind))
    end = melt(tin, ice, supposed)
    melted, surface, after = float(end.melted_g), float(end.surface_g), float(end.temperature_c)
    solid = ice.grams - surface
    assert float(end.water_ml) * WATER_G_PER_ML == pytest.approx(melted + surface, rel=1e-9, abs=1e-9)
    assert melted <= solid + 1e-9
    # What froze as far as the model lets it may be colder than that.
    frozen = melted <= -0.999 * MOST_THAT_FREEZES * float(tin.water_g)
    assert frozen or after >= float(tin.freezing_c(melted + surface)) - 1e-6
    start = max(supposed.start_c, float(tin.freezing_c()))
    metal = supposed.tin_g * supposed.tin_follows * TIN_J_PER_G_K
    rest = ice.follows * (solid - melted) * ICE_J_PER_G_K
    given_up = (float(tin.heat_capacity_j_per_k) + metal) * (start - after) + surface * WATER_J_PER_G_K * (0 - after)
    # Above 0 °C the ice melts at 0 °C and its water warms; the rest of the ice can't be warmer than that.
    if after > 0:
        taken = melted * (FUSION_J_PER_G - ICE_J_PER_G_K * supposed.ice_c + WATER_J_PER_G_K * after) - rest * supposed.ice_c
    else:
        taken = melted * (FUSION_J_PER_G + ICE_J_PER_G_K * (after - supposed.ice_c)) - rest * (supposed.ice_c - after)
    assert given_up == pytest.approx(taken, rel=1e-9, abs=1e-5)


@pytest.mark.parametrize("school", SHAKEN_SCHOOLS, ids=lambda school: school.slug)
def test_both_schools_agree_on_usual_drinks(school):
    # docs/model/dilution.md: within 25 % of the curve for usual sours and daisies of 10 % and more; ends of −4 to −10 °C up
    # to 34 %.
    curve, heat = forecast_of(school.drink), forecast_of(school.drink, HEAT)
    if curve.undiluted.abv < 10:
        assert "curve" in curve.dilution.model
        return
    assert heat.dilution.water_ml == pytest.approx(curve.dilution.water_ml, rel=0.25)
    assert heat.dilution.model == "heat balance"
    assert -10.05 <= heat.temperatures.strained <= -4
    assert heat.temperatures.strained == pytest.approx(curve.temperatures.strained, abs=1.0)


@pytest.mark.parametrize("slug", ["sour-8-3-3", "sour-2-1-1"])
def test_usual_sours_leave_the_ice_between_four_and_seven_below(slug):
    (school,) = [s for s in families()["sour"].schools if s.slug == slug]
    assert -7 <= forecast_of(school.drink, HEAT).temperatures.strained <= -4


def test_few_cubes_cold_bottles_and_freezer_ice_give_less_water():
    made = drink(RUM, LIME, SYRUP)

    def water(**supposed: object) -> float:
        return forecast_of(made, replace(HEAT, **supposed)).dilution.water_ml

    usual = water()
    # docs/model/dilution.md: freezer ice about a fifth less; three cubes of 45 g a little less than a full tin.
    assert water(ice_c=-18) / usual == pytest.approx(0.8, abs=0.06)
    assert 0.8 < forecast_of(replace(made, method=Method(ice="large")), HEAT).dilution.water_ml / usual < 1
    assert water(start_c=4) < 0.8 * usual
    assert water(start_c=4) > water(start_c=-10)
    assert water(ice_g=20) == pytest.approx(20 / WATER_G_PER_ML, rel=1e-9), "all of the ice, and no more"
    assert forecast_of(made, replace(HEAT, ice_g=20)).temperatures.strained > 0
    assert water(ice_g=0) == 0


def test_drink_without_alcohol_ends_near_freezing_and_takes_less_water_than_the_curve_says():
    dry = drink(("juniper-water", 60), LIME, SYRUP)
    heat = forecast_of(dry, HEAT)
    assert -2 < heat.temperatures.strained < 0
    assert 0.2 < heat.dilution.ratio < 0.45
    assert "dilution-extrapolated" in {f.code for f in forecast_of(dry).findings}
    assert "dilution-extrapolated" not in {f.code for f in heat.findings}


@given(tins, st.sampled_from(["curve", "heat balance"]), st.sampled_from(["shake", "stir"]))
def test_slopes_of_the_water_are_those_of_the_water_itself(tin, school, technique):
    assume(float(tin.alcohol_ml) > 1 and float(tin.sugar_g) > 1 and float(tin.acid_g) > 0.2)
    supposed, method = Conditions(dilution=school), Method(technique)
    _, slopes = water_and_slopes(tin, method, supposed)
    water = float(water_from_ice(tin, method, supposed))
    for index, name in enumerate(("volume_ml", "alcohol_ml", "sugar_g", "acid_g")):
        slope = 0.0 if slopes[index] is None else float(slopes[index])
        for step in (0.25, -0.1):
            moved = float(water_from_ice(replace(tin, **{name: getattr(tin, name) + step}), method, supposed))
            # Tables are linear between rows, so a slope changes at a row, by a tenth or two; a slip of sign or place is far more.
            assert moved - water == pytest.approx(slope * step, rel=0.05, abs=0.03), name


@given(st.floats(0, 40), st.floats(0, 40))
def test_shorter_spells_melt_less_and_end_warmer(one, other):
    short, long = sorted([one, other])
    made = [replace(drink(RUM, LIME, SYRUP), method=Method(seconds=s)) for s in (short, long)]
    first, second = (forecast_of(each, HEAT) for each in made)
    assert first.dilution.water_ml <= second.dilution.water_ml + 1e-9
    assert short == 0 or first.temperatures.strained >= second.temperatures.strained - 1e-9


def test_toppings_and_what_waits_in_the_glass_warm_the_drink_by_their_heat():
    still = Drink(
        "n",
        "open",
        (Pour(catalogue()["still-water"], 100), Pour(catalogue()["still-water"], 100, stage="topped")),
        method=Method(ice="none"),
    )
    # Two like amounts of water, at 22 and at 5 °C.
    assert forecast_of(still).temperatures.glass == pytest.approx(13.5, abs=1e-9)
    chilled = forecast_of(drink(RUM, LIME, SYRUP, ("soda-water", 75, "topped"), family="fizz")).temperatures
    assert chilled.strained == chilled.before_topping < chilled.glass < 5


def test_counted_pieces_give_the_water_by_heat_balance_whatever_the_school():
    # Three cubes: the curve knows a full tin only (docs/model/dilution.md; common practice).
    made = drink(RUM, LIME, SYRUP)
    counted = replace(made, method=Method(ice_pieces=3, ice_piece_g=30))
    few, as_told = forecast_of(counted), forecast_of(made, Conditions(dilution="heat balance", ice_g=90))
    assert few.dilution.model == "heat balance"
    assert few.dilution.water_ml == pytest.approx(as_told.dilution.water_ml, rel=1e-12)
    assert few.dilution.water_ml < 0.9 * forecast_of(made).dilution.water_ml
    # A drink's own count stands before what there is today; a piece that nobody weighed is a usual one.
    assert forecast_of(counted, Conditions(ice_g=300)).dilution == few.dilution
    assert forecast_of(replace(made, method=Method(ice_pieces=3))).dilution == few.dilution
    water = [forecast_of(replace(made, method=Method(ice_pieces=n))).dilution.water_ml for n in (1, 2, 3, 4, 6, 10)]
    assert water == sorted(water)
