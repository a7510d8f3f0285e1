"""Common behaviour of devices: they are zeroed, read a sample, and sometimes fail."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

import numpy as np

from oenomel.core.lots.titration import SAMPLE_ML, lye_ml_for
from oenomel.errors import NoReading

__all__ = ["Device", "Errors", "Sample", "SimulatedDevice"]


@dataclass(frozen=True, slots=True)
class Sample:
    """True values of a liquid that a device measures; no forecast knows them.

    Volume in ml, weight in g, °Bx as a refractometer shows it (raised by alcohol), acid as citric in g per 100 ml, % ABV, °C, pH,
    density in g/ml.
    """

    volume_ml: float
    weight_g: float
    brix: float
    acid: float
    abv: float
    temperature_c: float
    ph: float = 7.0
    density: float = 1.0

    @property
    def lye_ml(self) -> float:
        """Lye of 0.1 M that ten millilitres take, [ml]: what a burette shows."""
        return lye_ml_for(self.acid, SAMPLE_ML)


class Device(Protocol):
    """Interface of any device; each module of this package narrows it to one kind."""

    def zero(self) -> None:
        """Zero the device, which removes its drift."""

    def read(self, sample: Sample) -> float:
        """Return one reading, in the device's unit; raises NoReading where there is none."""


@dataclass(frozen=True, slots=True)
class Errors:
    """Errors of a simulated device: noise, drift, range and failures.

    Parameters
    ----------
    noise_sd : float        of one reading, in the device's unit
    relative_sd : float     the same as a share of the value
    drift_sd : float        how far the zero wanders from one reading to the next, in the device's unit
    low, high : float       what it can show
    silent : float          share of readings that time out
    step : float            its smallest division
    """

    noise_sd: float
    relative_sd: float
    drift_sd: float
    low: float
    high: float
    silent: float
    step: float


class SimulatedDevice:
    """A simulated device: the true value with noise, a drifting zero, a range, and occasional failures."""

    name = "device"

    def __init__(self, errors: Errors, seed: int | None = None) -> None:
        self._errors = errors
        self._random = np.random.default_rng(seed)
        self._drift = 0.0

    def zero(self) -> None:
        """Remove the drift."""
        self._drift = 0.0

    def _shown(self, true: float) -> float:
        errors, random = self._errors, self._random
        self._drift += random.normal(0.0, errors.drift_sd)
        if random.random() < errors.silent:
            raise NoReading(f"the {self.name} gave no reading: hold it still and try again")
        value = true + self._drift + random.normal(0.0, errors.noise_sd) + true * random.normal(0.0, errors.relative_sd)
        if not errors.low <= value <= errors.high:
            raise NoReading(f"outside the range of the {self.name}, {errors.low:g} to {errors.high:g}: use less, or dilute it")
        return round(round(value / errors.step) * errors.step, 6)
