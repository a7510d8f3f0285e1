"""The simulated devices: they read a hidden truth, err as they say, and can be asked again."""

import numpy as np
import pytest
from support.drinks import eight_three_three

from oenomel.core.forecast.forecast import forecast_of
from oenomel.devices.bench_set import DEVICES, BenchSet
from oenomel.devices.device import Sample
from oenomel.devices.hidden_truth import samples_of
from oenomel.devices.scale import SimulatedScale
from oenomel.errors import NoReading, RecordNotFound

WATER = Sample(volume_ml=100.0, weight_g=99.8, brix=0.0, acid=0.0, abv=0.0, temperature_c=20.0)


def readings(device, sample, number, zeroed=True):
    found = []
    while len(found) < number:
        if zeroed:
            device.zero()
        try:
            found.append(device.read(sample))
        except NoReading as silent:
            assert silent.code == "no-reading"  # noqa: PT017  # some of many readings time out
    return np.array(found)


def test_a_zeroed_scale_scatters_around_the_truth_and_one_that_is_not_wanders_off():
    zeroed = readings(SimulatedScale(1), WATER, 200)
    wandering = readings(SimulatedScale(1), WATER, 200, zeroed=False)
    assert zeroed.mean() == pytest.approx(99.8, abs=0.1)
    assert np.abs(wandering[-50:] - 99.8).mean() > np.abs(zeroed[-50:] - 99.8).mean()


@pytest.mark.parametrize("name", DEVICES)
def test_every_device_reads_its_quantity_and_is_the_same_until_the_server_stops(name):
    bench = BenchSet()
    device = bench.device(name, "simulated")
    assert bench.device(name, "simulated") is device
    sample = samples_of(eight_three_three(), 1)["strained"]
    true = getattr(sample, DEVICES[name].quantity)
    assert readings(device, sample, 40).mean() == pytest.approx(true, abs=max(0.2, 0.02 * abs(true)))


def test_what_a_device_can_not_show_is_no_reading():
    with pytest.raises(NoReading, match="outside the range of the scale"):
        SimulatedScale(1).read(Sample(9000, 9000, 0, 0, 0, 20))


def test_a_device_or_a_make_that_is_not_there_is_named(golden):
    with pytest.raises(RecordNotFound, match="device barometer"):
        BenchSet().device("barometer", "simulated")
    with golden.raises(RecordNotFound):
        BenchSet().device("scale", "golden")


def test_the_hidden_truth_is_not_the_forecast_and_the_same_each_time():
    made = eight_three_three()
    one, again, other = samples_of(made, 1), samples_of(made, 1), samples_of(made, 2)
    assert one == again
    assert one["tin"] == other["tin"]  # the same lots
    assert one["strained"] != other["strained"]  # another shake
    assert one["served"].acid != pytest.approx(forecast_of(made).served.titratable_acid, rel=1e-3)
