"""Freezing point, heat capacity and density of drinks against a thermodynamic library from which nothing was coded."""

import chemicals
import numpy as np
import pytest
from support.coolprop import of_mixture

from oenomel.core.dilution.heat_balance import FUSION_J_PER_G, ICE_J_PER_G_K, TIN_J_PER_G_K, WATER_J_PER_G_K, Tin, melt
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.larder.solutions import ETHANOL_G_PER_ML, aqueous_ethanol_density, freezing_point_c, heat_capacity_j_per_k, water_g
from oenomel.core.spec.technique import Method

# The oracle takes seconds to load: not for `make quick`.

# CoolProp 8.0.0, ethanol in water by mass fraction (INCOMP::MEA); told by it: 0.4 kg/m³ of OIML R 22, 0.4 K of the handbook.


def freezing(by_mass: float) -> float:
    return of_mixture("T_freeze", by_mass) - 273.15


@pytest.mark.parametrize("abv", [2.5, 8, 12, 18, 22.5, 28, 33, 38, 42, 47, 52, 58])
def test_density_of_a_spirit_is_that_of_the_library_between_our_rows(abv):
    density = float(aqueous_ethanol_density(abv))
    assert density == pytest.approx(of_mixture("D", abv * ETHANOL_G_PER_ML / 100 / density) / 1000, abs=0.0006)


@pytest.mark.parametrize("abv", [10, 20, 30, 40])
def test_water_of_a_spirit_is_what_the_library_weighs_beside_the_alcohol(abv):
    by_mass = abv * ETHANOL_G_PER_ML / 100 / float(aqueous_ethanol_density(abv))
    assert float(water_g(100, abv, 0)) == pytest.approx(100 * (1 - by_mass) * of_mixture("D", by_mass) / 1000, rel=0.001)


@pytest.mark.parametrize(
    ("by_mass", "kelvin"), [*((w, 0.16) for w in (0.03, 0.05, 0.09, 0.13, 0.17)), *((w, 0.4) for w in (0.21, 0.25, 0.36))]
)
def test_freezing_point_is_that_of_the_library(by_mass, kelvin):
    # Up to 17 % by weight, where shaken drinks end, the two agree to a sixth of a degree; beyond it to 0.4 K.
    assert float(freezing_point_c(1000 * (1 - by_mass), 1000 * by_mass, 0, 0)) == pytest.approx(freezing(by_mass), abs=kelvin)


def test_sugar_and_acid_lower_the_freezing_point_by_their_moles():
    # A mole in a kilogram of water lowers it by 1.86 K (CRC Handbook, cryoscopic constant; from memory). Molar masses: `chemicals`.
    sucrose, citric = (float(chemicals.MW(cas)) for cas in ("57-50-1", "77-92-9"))
    assert float(freezing_point_c(1000, 0, sucrose, 0)) == pytest.approx(-1.86, rel=0.005)
    assert float(freezing_point_c(1000, 0, 0, citric)) == pytest.approx(-1.86, rel=0.005)
    assert float(freezing_point_c(1000, 0, sucrose, citric)) == pytest.approx(-3.72, rel=0.005)


@pytest.mark.parametrize("by_mass", [0.05, 0.10, 0.20, 0.25, 0.30, 0.40, 0.50])
def test_heat_capacity_is_that_of_the_library_between_the_room_and_the_ice(by_mass):
    usual = (of_mixture("C", by_mass, 0) + of_mixture("C", by_mass, 20)) / 2000
    assert float(heat_capacity_j_per_k(1 - by_mass, by_mass, 0)) == pytest.approx(usual, rel=0.011)


@pytest.mark.parametrize(
    ("brix", "joule_per_g_k"),
    # Sucrose solutions at 20 °C by the formula of sugar technology, 4.1868 − °Bx·(0.0297 − 4.6e−5·100 − 7.5e−5·20); from memory.
    [(10, 3.951), (20, 3.715), (30, 3.479), (50, 3.007)],
)
def test_heat_capacity_of_a_syrup_is_that_of_sugar_technology(brix, joule_per_g_k):
    assert float(heat_capacity_j_per_k(100 - brix, 0, brix)) / 100 == pytest.approx(joule_per_g_k, rel=0.002)


def test_heat_that_melts_ice_is_that_of_a_chemical_data_bank():
    # chemicals 1.5.2: heat of fusion of water, by mole.
    water = "7732-18-5"
    assert float(chemicals.Hfus(water)) / float(chemicals.MW(water)) == pytest.approx(FUSION_J_PER_G, rel=0.003)


@pytest.mark.parametrize("abv", [15, 20, 25, 30, 34])
def test_heat_balance_of_a_spirit_and_water_is_that_of_the_library_s_own_tables(abv):
    # The same balance as docs/model/dilution.md writes it, worked here on CoolProp's freezing points and heat capacities
    # alone.
    volume, ice, wet, metal, start = 110.0, 300.0, 6.0, 250 * 0.4 * TIN_J_PER_G_K, 22.0
    by_mass = abv * ETHANOL_G_PER_ML / 100 / float(aqueous_ethanol_density(abv))
    mass = volume * of_mixture("D", by_mass) / 1000
    alcohol = mass * by_mass
    capacity = mass * (of_mixture("C", by_mass, 0) + of_mixture("C", by_mass, 20)) / 2000
    low, high = 0.0, ice - wet
    for _ in range(60):
        melted = (low + high) / 2
        end = freezing(alcohol / (mass + wet + melted))
        taken = melted * (FUSION_J_PER_G + ICE_J_PER_G_K * end)
        there = (capacity + metal) * (start - end) - wet * WATER_J_PER_G_K * end - 0.3 * (ice - wet - melted) * ICE_J_PER_G_K * end
        low, high = (low, melted) if taken > there else (melted, high)
    tin = Tin(*(np.array(x) for x in (volume, volume * abv / 100, 0.0, 0.0)))
    found = melt(tin, Conditions().ice_in_the_tin(Method()), Conditions())
    assert float(found.temperature_c) == pytest.approx(end, abs=0.15)
    assert float(found.melted_g) == pytest.approx(low, rel=0.0085)


def test_freezer_ice_takes_what_the_library_of_ice_says():
    # Seen in iapws 1.5.5 and written here: ice of −18 °C to water of 0 °C takes 370.0 J/g.
    of_this_model = FUSION_J_PER_G + 18 * ICE_J_PER_G_K
    assert of_this_model == pytest.approx(370.0, rel=0.003)
