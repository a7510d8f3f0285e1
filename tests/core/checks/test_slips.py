"""Mistaken units: an ounce for a spoon, an ounce for a millilitre, a dash too many."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Drink, Pour

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)

SOUR = drink(RUM, LIME, SYRUP)


def measured(made: Drink, index: int, amount: float, unit: str, ml_per_unit: float) -> Drink:
    pours = tuple(replace(p, volume_ml=amount * ml_per_unit, unit=unit) if i == index else p for i, p in enumerate(made.pours))
    return replace(made, pours=pours)


@pytest.mark.parametrize(
    ("index", "amount", "unit", "ml_per_unit", "meant"),
    # An ounce for a millilitre, a spoon for a millilitre, a centilitre for a millilitre, dashes for millilitres.
    [(1, 0.75, "ml", 1, "oz"), (1, 22.5, "oz", 30, "ml"), (2, 22.5, "barspoon", 5, "ml"), (0, 60, "cl", 10, "ml"), (0, 2, "ml", 1, "oz")],
)
def test_slip_between_measures_asks_for_the_unit_that_was_meant(index, amount, unit, ml_per_unit, meant, golden):
    (slip,) = [f for f in forecast_of(measured(SOUR, index, amount, unit, ml_per_unit)).findings if f.code == "slip-of-measure"]
    assert slip.pour == index
    golden(slip.mends[0].words)


def test_slip_of_what_goes_by_the_piece_is_told_in_millilitres_and_asks_for_no_unit(golden):
    eggs = replace(SOUR, pours=(*SOUR.pours, Pour(catalogue()["egg-white"], 150, "piece", "texture")))
    (slip,) = [f for f in forecast_of(eggs).findings if f.code == "slip-of-measure"]
    golden(slip.message)
    assert slip.mends == ()


@pytest.mark.parametrize(
    ("slug", "slot", "millilitres"),
    [
        ("cherry-stone-liqueur", "accent", 15),
        ("cherry-stone-liqueur", "accent", 14.79),
        ("aromatic-bitters", "accent", 15),
        ("cherry-stone-liqueur", "accent", 7.5),
        ("cherry-stone-liqueur", "accent", 12.5),
        ("cherry-stone-liqueur", "liqueur", 15),
    ],
)
def test_ounces_where_a_barspoon_is_usual_are_a_slip_at_twice_the_usual(slug, slot, millilitres, golden):
    made = replace(SOUR, pours=(*SOUR.pours, Pour(catalogue()[slug], millilitres, slot=slot)))
    slips = [f for f in forecast_of(made).findings if f.code == "slip-of-measure"]
    golden([slip.message for slip in slips])


@pytest.mark.parametrize("times", [0.25, 1, 3, 10, 40])
def test_party_and_tiny_cup_are_no_slips(times):
    sized = replace(SOUR, pours=tuple(replace(p, volume_ml=p.volume_ml * times) for p in SOUR.pours))
    assert "slip-of-measure" not in {f.code for f in forecast_of(sized).findings}


def test_a_dozen_dashes_are_usual_and_more_are_a_slip():
    bitters = catalogue()["aromatic-bitters"]
    codes = {
        dashes: {f.code for f in forecast_of(replace(SOUR, pours=(*SOUR.pours, Pour(bitters, 0.8 * dashes, "dash", "accent")))).findings}
        for dashes in (12, 13)
    }
    assert "slip-of-measure" not in codes[12]
    assert "slip-of-measure" in codes[13]
