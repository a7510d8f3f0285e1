"""A hydrometer: % ABV by how deep it floats, right only without dissolved matter; the simulated one reads a distilled sample."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, SimulatedDevice

__all__ = ["Hydrometer", "SimulatedHydrometer"]


class Hydrometer(Protocol):
    """A hydrometer: % ABV by how deep it floats, right only without dissolved matter; the simulated one reads a distilled sample."""

    def zero(self) -> None:
        """Zero the hydrometer."""

    def read(self, sample: Sample) -> float:
        """Read the strength of a distilled sample, [% ABV]. Raises NoReading."""


class SimulatedHydrometer(SimulatedDevice):
    """A simulated hydrometer; its errors are a guess at a cheap one's."""

    name = "hydrometer"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.2, relative_sd=0.005, drift_sd=0.03, low=0.0, high=100.0, silent=0.02, step=0.1), seed)

    def read(self, sample: Sample) -> float:
        """Read the strength of a distilled sample, [% ABV]. Raises NoReading."""
        return self._shown(sample.abv)
