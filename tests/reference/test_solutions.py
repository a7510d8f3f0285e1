"""Sucrose and alcohol in water, against tables and a thermodynamic library."""

import pint
import pytest
from support.coolprop import of_mixture
from support.sucrose import true_density

from oenomel.core.balance.mixing import mix
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition, estimated_density
from oenomel.core.larder.solutions import ETHANOL_G_PER_ML, SOLIDS_ML_PER_G
from oenomel.core.spec.units import BAR_OUNCE_ML, ML_PER_UNIT

# The oracle takes seconds to load: not for `make quick`.


@pytest.mark.parametrize(("slug", "brix"), [("simple-syrup-1-1", 50), ("simple-syrup-3-2", 60), ("simple-syrup-2-1", 66.6667)])
def test_syrups_hold_the_sugar_and_density_of_the_sucrose_table(slug, brix):
    syrup = catalogue()[slug].composition
    assert syrup.density_g_per_ml == pytest.approx(true_density(brix), rel=0.001)
    assert syrup.sugar == pytest.approx(brix * true_density(brix), rel=0.001)


@pytest.mark.parametrize("brix", [5, 15, 25, 35, 45, 55, 62, 68])
def test_estimated_density_of_a_syrup_is_that_of_the_sucrose_table_between_our_rows(brix):
    grams = brix * true_density(brix)
    assert estimated_density(Composition(sugars={"sucrose": grams})) == pytest.approx(true_density(brix), rel=0.001)


def test_dry_sugar_takes_up_the_room_of_sugar_in_a_drink():
    # A served sour holds 5 to 15 g per 100 ml. 10 °Bx of the table: 103.8 ml/100 g less 90 g of water at 0.9982.
    room = (100 / true_density(10) - 90 / 0.9982) / 10
    assert room == pytest.approx(SOLIDS_ML_PER_G, rel=0.006)


def coolprop_density(mass_fraction: float) -> float:
    """Density of ethanol in water at 20 °C, g/ml."""
    return of_mixture("D", mass_fraction) / 1000


def mass_fraction(abv: float, ethanol_g_per_ml: float = 0.78924) -> float:
    """Mass fraction of alcohol in a mixture of this strength, found on CoolProp's density by bisection."""
    low, high = 0.0, 0.6
    for _ in range(60):
        middle = (low + high) / 2
        low, high = (middle, high) if middle * coolprop_density(middle) * 100 < abv * ethanol_g_per_ml else (low, middle)
    return low


@pytest.mark.parametrize("served_abv", [5, 8, 10, 12, 15, 18, 20, 22, 25, 28, 30])
def test_contraction_of_a_spirit_and_the_water_of_a_drink_stays_under_one_percent(served_abv):
    # The model adds volumes; here a 40 % spirit and water are weighed together instead. CoolProp: 60 ml and 20 ml give 79.87 ml.
    spirit_ml = 100 * served_abv / 40
    spirit_g = spirit_ml * coolprop_density(mass_fraction(40))
    grams = spirit_g + (100 - spirit_ml) * 0.9982
    true_ml = grams / coolprop_density(spirit_g * mass_fraction(40) / grams)
    assert abs(1 - true_ml / 100) < 0.01
    if served_abv == 30:
        assert true_ml * 0.8 == pytest.approx(79.87, abs=0.01)


def test_mixing_sixty_of_spirit_and_twenty_of_water_is_eighty_at_thirty_percent():
    liquid = mix([60, 20], [[40.0], [0.0]])
    assert (float(liquid.volume_ml), float(liquid.concentrations[0])) == (80, 30)


@pytest.mark.parametrize(("abv", "by_mass"), [(40, 0.3330), (30, 0.2461)])
def test_density_of_ethanol_gives_the_strength_by_mass_of_the_alcoholometric_table(abv, by_mass):
    # OIML R 22: 40 % vol is 33.30 % by mass, 30 % vol is 24.61 % (from memory); CoolProp gives the density of the mixture.
    assert mass_fraction(abv, ETHANOL_G_PER_ML) == pytest.approx(by_mass, abs=0.0005)


def test_measures_are_those_of_the_handbook_and_of_the_bar():
    # NIST Handbook 44 by way of Pint; spoons and the bar ounce are the trade's round figures, within 2 % of it.
    units = pint.UnitRegistry()
    assert (1 * units.cup).to("ml").magnitude == pytest.approx(ML_PER_UNIT["cup"], abs=0.001)
    for ours, theirs in ((BAR_OUNCE_ML, units.floz), (ML_PER_UNIT["tsp"], units.teaspoon), (ML_PER_UNIT["tbsp"], units.tablespoon)):
        assert ours == pytest.approx((1 * theirs).to("ml").magnitude, rel=0.02)
