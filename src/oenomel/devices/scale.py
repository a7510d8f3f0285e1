"""A scale: measures grams."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, SimulatedDevice

__all__ = ["Scale", "SimulatedScale"]


class Scale(Protocol):
    """A scale: measures grams."""

    def zero(self) -> None:
        """Tare the scale."""

    def read(self, sample: Sample) -> float:
        """Weigh the liquid, [g]; its vessel is tared. Raises NoReading."""


class SimulatedScale(SimulatedDevice):
    """A simulated scale; its errors are a guess at a cheap one's."""

    name = "scale"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.15, relative_sd=0.0005, drift_sd=0.05, low=-5.0, high=2000.0, silent=0.02, step=0.1), seed)

    def read(self, sample: Sample) -> float:
        """Weigh the liquid, [g]; its vessel is tared. Raises NoReading."""
        return self._shown(sample.weight_g)
