"""A thermometer: °C at its tip."""

from __future__ import annotations

from typing import Protocol

from oenomel.devices.device import Errors, Sample, SimulatedDevice

__all__ = ["SimulatedThermometer", "Thermometer"]


class Thermometer(Protocol):
    """A thermometer: °C at its tip."""

    def zero(self) -> None:
        """Zero it in ice water."""

    def read(self, sample: Sample) -> float:
        """Read the temperature, [°C]. Raises NoReading."""


class SimulatedThermometer(SimulatedDevice):
    """A simulated thermometer; its errors are a guess at a cheap one's."""

    name = "thermometer"

    def __init__(self, seed: int | None = None) -> None:
        super().__init__(Errors(noise_sd=0.2, relative_sd=0.0, drift_sd=0.03, low=-40.0, high=150.0, silent=0.01, step=0.1), seed)

    def read(self, sample: Sample) -> float:
        """Read the temperature, [°C]. Raises NoReading."""
        return self._shown(sample.temperature_c)
