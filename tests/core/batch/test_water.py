"""The water of a batch over drinks of all kinds, ices and schools; and how often the forecast of a serve holds what is really poured."""

from dataclasses import replace

import numpy as np
import pytest
from support.drinks import drink
from support.sixty_specs import specs

from oenomel.core.balance.uncertainty import Z80
from oenomel.core.batch.batch import BatchWish, batch_of
from oenomel.core.batch.batchable import split
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.technique import Serve
from oenomel.schemas.spec_to_drink import drink_from_spec

LARDER = catalogue()
FORTY = [drink_from_spec(spec, LARDER) for spec in specs({slug: next(iter(each.slots), "other") for slug, each in LARDER.items()})]
POURABLE = [each for each in FORTY if split(each, "ice").inside and not split(each, "ice").wants_the_shaker]
SOUR = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))


@pytest.mark.parametrize("made", POURABLE, ids=lambda made: made.name)
def test_the_sooner_it_has_to_be_right_the_more_water_it_wants(made):
    water = batch_of(made, BatchWish("ice", serves=8)).water
    assert 0 <= water.least_ml <= water.per_serve_ml <= water.most_ml + 1e-9
    # At minute 0 it would be right with what the ice gives while it is worked; what isn't worked takes none.
    assert water.most_ml == pytest.approx(forecast_of(made).dilution.water_ml, abs=1e-6)
    assert batch_of(made, BatchWish("shaken", serves=8)).water_ml == 0
    chilled = batch_of(made, BatchWish("chilled", serves=8)).water
    assert chilled.per_serve_ml == pytest.approx(forecast_of(made).dilution.water_ml)


@pytest.mark.parametrize("ice", ["cubes", "large", "crushed"])
def test_ice_that_melts_faster_wants_less_water_in_the_bottle(ice, golden):
    made = replace(SOUR, serve=Serve(glass="large rocks glass", ice=ice))
    batch = batch_of(made, BatchWish("ice", serves=8))
    other = batch_of(replace(SOUR, serve=Serve(glass="large rocks glass", ice="large")), BatchWish("ice", serves=8))
    assert batch.water.per_serve_ml <= other.water.per_serve_ml + 1e-9
    at_four = batch.exact.course.volume_ml[4]
    if batch.water.per_serve_ml > 0:
        assert at_four == pytest.approx(batch.single.served.volume_ml, abs=1e-6)
    else:
        # Crushed ice alone is too much: said, and no water put in.
        assert at_four > batch.single.served.volume_ml
        golden(batch.water.words)


@pytest.mark.parametrize(
    "conditions", [Conditions(dilution="heat balance"), Conditions(ice_c=-18.0, dilution="heat balance"), Conditions(room_c=32)]
)
def test_every_school_and_every_day_has_its_own_water(conditions):
    usual, today = batch_of(SOUR, BatchWish("ice", serves=8)), batch_of(SOUR, BatchWish("ice", serves=8), conditions)
    assert today.single.served.volume_ml == pytest.approx(forecast_of(SOUR, conditions).served.volume_ml)
    assert today.exact.course.volume_ml[4] == pytest.approx(today.single.served.volume_ml, abs=1e-6)
    assert today.water.per_serve_ml != pytest.approx(usual.water.per_serve_ml, abs=0.05)


def test_a_drink_that_meets_no_ice_takes_no_water_and_says_so(golden):
    made = replace(SOUR, method=replace(SOUR.method, technique="none"))
    water = batch_of(made, BatchWish("chilled", serves=8)).water
    golden((water.per_serve_ml, water.words))


def test_four_serves_of_five_hold_what_was_foreseen():
    # A thousand batches, mixed with the model's own spreads
    # (docs/model/batch.md): composition of each bottle and squeeze, and the measuring.
    chance = np.random.default_rng(11)
    batch = batch_of(SOUR, BatchWish("chilled", serves=20))
    pours, serve = [*batch.inside], batch.serve
    held = dict.fromkeys(("abv", "sugar", "acid"), 0)
    for _ in range(1000):
        shared = chance.normal(0, 0.02)
        measured = [pour.volume_ml / batch.scale * (1 + shared + chance.normal(0, 0.0224)) for pour in pours]
        water = batch.water_ml / batch.scale * (1 + shared + chance.normal(0, 0.0224))
        volume = sum(measured) + water
        for place, name in enumerate(held):
            true = [
                pour.ingredient.composition.axes[place] + chance.normal(0, 1) * pour.ingredient.composition.axes_sd[place] for pour in pours
            ]
            found = sum(ml * level for ml, level in zip(measured, true, strict=True)) / volume
            interval = serve.interval80[name]
            held[name] += interval.low <= found <= interval.high
    assert all(740 <= times <= 870 for times in held.values()), held
    assert pytest.approx(1.2816, abs=1e-4) == Z80
