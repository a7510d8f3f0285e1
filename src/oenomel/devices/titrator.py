"""A titrator: acid as citric, by drops of lye until the colour turns."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, SimulatedDevice

__all__ = ["SimulatedTitrator", "Titrator"]


class Titrator(Protocol):
    """A titrator: acid as citric, by drops of lye until the colour turns."""

    def zero(self) -> None:
        """Zero the titrator."""

    def read(self, sample: Sample) -> float:
        """Titrate acid as citric, [g/100 ml]. Raises NoReading."""


class SimulatedTitrator(SimulatedDevice):
    """A simulated titrator; its errors are a guess at a cheap one's."""

    name = "titrator"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.01, relative_sd=0.015, drift_sd=0.002, low=0.0, high=12.0, silent=0.05, step=0.01), seed)

    def read(self, sample: Sample) -> float:
        """Titrate acid as citric, [g/100 ml]. Raises NoReading."""
        return self._shown(sample.acid)
