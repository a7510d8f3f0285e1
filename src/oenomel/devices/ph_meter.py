"""A pH meter: shows how fresh a juice is, not how sharp it tastes."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, SimulatedDevice

__all__ = ["PhMeter", "SimulatedPhMeter"]


class PhMeter(Protocol):
    """A pH meter: shows how fresh a juice is, not how sharp it tastes."""

    def zero(self) -> None:
        """Calibrate it with its buffer."""

    def read(self, sample: Sample) -> float:
        """Read the pH. Raises NoReading."""


class SimulatedPhMeter(SimulatedDevice):
    """A simulated pH meter; its errors are a guess at a cheap one's."""

    name = "pH meter"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.03, relative_sd=0.0, drift_sd=0.02, low=0.0, high=14.0, silent=0.02, step=0.01), seed)

    def read(self, sample: Sample) -> float:
        """Read the pH. Raises NoReading."""
        return self._shown(sample.ph)
