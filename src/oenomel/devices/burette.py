"""A burette: measures the lye that a sample takes until its indicator turns; `core.lots.titration` computes the acid."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, SimulatedDevice

__all__ = ["Burette", "SimulatedBurette"]


class Burette(Protocol):
    """A burette: measures the lye that a sample takes until its indicator turns."""

    def zero(self) -> None:
        """Fill it to the zero mark."""

    def read(self, sample: Sample) -> float:
        """Read the lye that ten millilitres took, [ml of 0.1 M]. Raises NoReading."""


class SimulatedBurette(SimulatedDevice):
    """A simulated kitchen burette: it overshoots by a drop or two, and the pink is seen a little late."""

    name = "burette"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.1, relative_sd=0.015, drift_sd=0.02, low=0.0, high=250.0, silent=0.03, step=0.05), seed)

    def read(self, sample: Sample) -> float:
        """Read the lye that ten millilitres took, [ml of 0.1 M]. Raises NoReading."""
        return self._shown(sample.lye_ml)
