"""A scale: grams of what stands on it."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, StandIn

__all__ = ["Scale", "SimulatedScale"]


class Scale(Protocol):
    """A scale: grams of what stands on it."""

    def zero(self) -> None:
        """Set it to nothing."""

    def read(self, sample: Sample) -> float:
        """Weighs the liquid, [g]; tin or glass are tared. Raises NoReading."""


class SimulatedScale(StandIn):
    """A stand-in for a scale; how it errs is a guess at a cheap one."""

    name = "scale"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.15, relative_sd=0.0005, drift_sd=0.05, low=-5.0, high=2000.0, silent=0.02, step=0.1), seed)

    def read(self, sample: Sample) -> float:
        """Weighs the liquid, [g]; tin or glass are tared. Raises NoReading."""
        return self._shown(sample.weight_g)
