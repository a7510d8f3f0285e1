"""A refractometer: °Bx of a few drops, which takes alcohol for sugar."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, SimulatedDevice

__all__ = ["Refractometer", "SimulatedRefractometer"]


class Refractometer(Protocol):
    """A refractometer: °Bx of a few drops, which takes alcohol for sugar."""

    def zero(self) -> None:
        """Zero it with water."""

    def read(self, sample: Sample) -> float:
        """Read °Bx; alcohol is read as if it were sugar. Raises NoReading."""


class SimulatedRefractometer(SimulatedDevice):
    """A simulated refractometer; its errors are a guess at a cheap one's."""

    name = "refractometer"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.15, relative_sd=0.0, drift_sd=0.04, low=-1.0, high=85.0, silent=0.02, step=0.1), seed)

    def read(self, sample: Sample) -> float:
        """Read °Bx; alcohol is read as if it were sugar. Raises NoReading."""
        return self._shown(sample.brix)
