"""The devices of a bar: which exist, what each measures, and which are chosen."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Final, NamedTuple

from oenomel.devices.burette import Burette, SimulatedBurette
from oenomel.devices.device import Device
from oenomel.devices.hydrometer import Hydrometer, SimulatedHydrometer
from oenomel.devices.ph_meter import PhMeter, SimulatedPhMeter
from oenomel.devices.refractometer import Refractometer, SimulatedRefractometer
from oenomel.devices.scale import Scale, SimulatedScale
from oenomel.devices.thermometer import SimulatedThermometer, Thermometer
from oenomel.devices.titrator import SimulatedTitrator, Titrator
from oenomel.errors import RecordNotFound

__all__ = ["DEVICES", "BenchSet", "Kind"]


class Kind(NamedTuple):
    """A kind of device: what it measures, and its makes."""

    quantity: str
    makes: Mapping[str, Callable[[], Device]]


# A driver for a real device joins its kind here under a name of its own; readings can always be typed instead.
SCALES: Final[Mapping[str, Callable[[], Scale]]] = {"simulated": SimulatedScale}
REFRACTOMETERS: Final[Mapping[str, Callable[[], Refractometer]]] = {"simulated": SimulatedRefractometer}
TITRATORS: Final[Mapping[str, Callable[[], Titrator]]] = {"simulated": SimulatedTitrator}
THERMOMETERS: Final[Mapping[str, Callable[[], Thermometer]]] = {"simulated": SimulatedThermometer}
PH_METERS: Final[Mapping[str, Callable[[], PhMeter]]] = {"simulated": SimulatedPhMeter}
BURETTES: Final[Mapping[str, Callable[[], Burette]]] = {"simulated": SimulatedBurette}
HYDROMETERS: Final[Mapping[str, Callable[[], Hydrometer]]] = {"simulated": SimulatedHydrometer}

DEVICES: Final = {
    "scale": Kind("weight_g", SCALES),
    "refractometer": Kind("brix", REFRACTOMETERS),
    "titrator": Kind("acid", TITRATORS),
    "thermometer": Kind("temperature_c", THERMOMETERS),
    "hydrometer": Kind("abv", HYDROMETERS),
    "pH meter": Kind("ph", PH_METERS),
    "burette": Kind("lye_ml", BURETTES),
}
"""Every kind of device by name."""


class BenchSet:
    """The devices in use; each keeps its zero while the server runs."""

    def __init__(self) -> None:
        self._in_use: dict[tuple[str, str], Device] = {}

    def device(self, kind: str, make: str) -> Device:
        """Return the device of a make, always the same one; raises RecordNotFound."""
        if kind not in DEVICES:
            raise RecordNotFound("device", kind)
        if make not in DEVICES[kind].makes:
            raise RecordNotFound(f"{kind} of the make", make)
        if (kind, make) not in self._in_use:
            self._in_use[kind, make] = DEVICES[kind].makes[make]()
        return self._in_use[kind, make]
