"""Devices held in a lot: they see a hidden true lot, near what is supposed and never it, and what they show brings nearer to it."""

import numpy as np
import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.lots.lot import READABLE, LotReading, lot_of
from oenomel.core.lots.titration import titrated_acid
from oenomel.devices.bench_set import DEVICES
from oenomel.devices.burette import SimulatedBurette
from oenomel.devices.hidden_truth import sample_of_lot
from oenomel.devices.ph_meter import SimulatedPhMeter
from oenomel.devices.refractometer import SimulatedRefractometer
from oenomel.errors import NoReading

LIME = catalogue()["lime-juice"]


def shown(device, sample):
    while True:
        try:
            return device.read(sample)
        except NoReading:
            continue


def test_a_lot_s_truth_is_its_own_and_the_same_each_time():
    one, again, other = (sample_of_lot(LIME, name) for name in ("green crate", "green crate", "ripe crate"))
    assert one == again
    assert one.acid != other.acid
    assert one.acid != LIME.composition.acid_as_citric


def test_true_lots_scatter_as_the_catalogue_says():
    acids = np.array([sample_of_lot(LIME, f"crate {number}").acid for number in range(300)])
    usual = LIME.composition.acid_as_citric
    assert acids.mean() == pytest.approx(usual, rel=0.03)
    assert acids.std() / usual == pytest.approx(0.12, abs=0.02)


def test_a_burette_and_a_refractometer_bring_a_lot_nearer_to_its_truth():
    burette, refractometer = SimulatedBurette(3), SimulatedRefractometer(3)
    off_before, off_after = [], []
    for number in range(60):
        sample = sample_of_lot(LIME, f"crate {number}")
        for device in (burette, refractometer):
            device.zero()
        found = titrated_acid(10, shown(burette, sample))
        readings = [LotReading("acid", found.acid, found.sd), LotReading("brix", shown(refractometer, sample))]
        held = lot_of(LIME, readings, "crate").ingredient.composition.acid_as_citric
        off_before.append(abs(LIME.composition.acid_as_citric - sample.acid))
        off_after.append(abs(held - sample.acid))
    assert np.mean(off_after) < 0.25 * np.mean(off_before)


def test_ph_tells_a_sharp_juice_from_a_soft_one():
    meter = SimulatedPhMeter(1)
    lime, orange = (shown(meter, sample_of_lot(catalogue()[slug], "a lot")) for slug in ("lime-juice", "orange-juice"))
    assert 2.0 < lime < 3.0 < orange < 4.2


def test_every_quantity_of_a_lot_but_density_has_a_device():
    assert {kind.quantity for kind in DEVICES.values()} >= set(READABLE) - {"density"}
    assert DEVICES["burette"].quantity == "lye_ml"
