"""Containers: what they hold, and how long they take to cool (docs/model/batch.md; estimates)."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final, Literal

from oenomel.core.wording import agreeing, counted
from oenomel.errors import DomainError, OutOfRange

HEADSPACE: Final = 0.03
"""Share of a container that stays empty (docs/model/batch.md)."""

USUAL_ML: Final = (200.0, 350.0, 500.0, 700.0, 750.0, 1000.0, 1500.0, 2000.0, 3000.0, 5000.0, 10_000.0, 20_000.0)
"""Usual sizes of bottles, jugs and canisters, [ml] (common practice)."""

LARGEST_ML: Final = 100_000.0

Cold = Literal["fridge", "freezer", "ice bath", "room"]

COLD_ENOUGH_C: Final = 8.0
FREEZER_SERVE_C: Final = -10.0
"""Temperatures of a batch that count as cold: from the fridge, and from the freezer for pouring without ice, [°C] (house rules)."""

WALL_J_PER_K_ML: Final = 0.5
"""Heat capacity of the glass for each millilitre, [J/K]: 450 g of glass around 750 ml (estimate)."""

SLENDERNESS: Final = 5.6
"""Ratio of a bottle's height to its radius (estimate)."""

SOONER: Final = 0.6
LATER: Final = 1.5
"""Factors of the earliest and latest cooling time: still or blown air, a full fridge, plastic or glass (estimates)."""


@dataclass(frozen=True, slots=True)
class ColdPlace:
    """A cold place: its temperature and the one at which a batch is poured, [°C], and the heat it takes off a container, [W/m² K]
    (docs/model/batch.md for the fridge; the others are estimates).
    """

    said: str
    celsius: float
    poured_c: float
    takes_w_per_m2_k: float


PLACES: Final[Mapping[Cold, ColdPlace]] = {
    # Moving air with radiation: about 12 W/m² K. Ice water outside and still liquid inside: about 60.
    "fridge": ColdPlace("in the fridge", 4.0, 4.0, 12.0),
    "freezer": ColdPlace("in the freezer", -18.0, -18.0, 12.0),
    "ice bath": ColdPlace("in ice water", 0.0, 1.0, 60.0),
    "room": ColdPlace("at room temperature", 22.0, 22.0, 8.0),
}


@dataclass(frozen=True, slots=True)
class Chilling:
    """Time until a container is cold, [min], with its earliest and latest, and the temperature reached, [°C]."""

    minutes: float
    soonest: float
    latest: float
    to_c: float
    words: str


@dataclass(frozen=True, slots=True)
class Fit:
    """A batch compared with its container: what it holds below the headspace, whether the batch fits, how many serves would."""

    container_ml: float
    usable_ml: float
    fits: bool
    serves: float
    words: str


def usable_ml(container_ml: float) -> float:
    """Return what a container holds below its headspace, [ml]."""
    return container_ml * (1 - HEADSPACE)


def checked_container(container_ml: float) -> float:
    """Return the size of a container unchanged; raises OutOfRange."""
    if not 0 < container_ml <= LARGEST_ML:
        raise OutOfRange("the container in ml", container_ml, 1, LARGEST_ML)
    return container_ml


def container_for(total_ml: float) -> float:
    """Return the smallest usual container that holds a volume with headspace, [ml]; above the largest, a multiple of it.

    >>> container_for(810), container_for(727), container_for(728)
    (1000.0, 750.0, 1000.0)
    """
    largest = USUAL_ML[-1]
    return next((size_ml for size_ml in USUAL_ML if total_ml <= usable_ml(size_ml)), math.ceil(total_ml / usable_ml(largest)) * largest)


def fit_of(total_ml: float, serves: float, container_ml: float) -> Fit:
    """Check whether a volume fits in a container, and which batch would fill it.

    >>> fit_of(810, 6, 750).fits
    False
    """
    room = usable_ml(container_ml)
    would = serves * room / total_ml
    fits = total_ml <= room + 1e-6
    if fits:
        room_ml = container_ml - total_ml
        words = f"{total_ml:.0f} ml in {container_ml:g} ml, {room_ml:.0f} ml free."
    else:
        larger = container_for(total_ml)
        take = f"use one of {larger:g} ml" if larger <= USUAL_ML[-1] else f"use several of {USUAL_ML[-1]:g} ml"
        words = (
            f"{total_ml:.0f} ml doesn't fit in {container_ml:g} ml, which holds {room:.0f} ml, {serves_words(would)}. Make that, or {take}."
        )
    return Fit(container_ml, room, fits, would, words)


def serves_words(serves: float) -> str:
    """Return a number of serves in words.

    >>> serves_words(5.39), serves_words(1.0), serves_words(0.4)
    ('5 serves and a little', '1 serve', 'less than one serve')
    """
    whole = int(serves + 1e-9)
    if whole == 0:
        return "less than one serve"
    rest = serves - whole
    more = " and a little" if 0.1 <= rest < 0.45 else " and a half" if 0.45 <= rest < 0.6 else " and most of another" if rest >= 0.6 else ""
    return f"{counted(whole, 'serve')}{more}"


def chilling(volume_ml: float, heat_j_per_k: float, where: Cold, from_c: float, to_c: float) -> Chilling:
    """Estimate how long a volume takes to cool, as one lump that loses heat through its wall.

    t = (C + C_wall)/(h·A) · ln((T₀ − T_around)/(T − T_around)), A of a cylinder.

    Raises
    ------
    DomainError
        The temperature is never reached.
    """
    cold_place = PLACES[where]
    if from_c <= to_c:
        return Chilling(0.0, 0.0, 0.0, to_c, "Cold already.")
    if to_c <= cold_place.celsius:
        raise DomainError(f"{cold_place.said} it never reaches {to_c:.0f} °C: it stays at {cold_place.celsius:.0f} °C")
    radius_cm = math.cbrt(volume_ml / (math.pi * SLENDERNESS))
    area_m2 = 2 * math.pi * radius_cm**2 * (1 + SLENDERNESS) / 1e4
    seconds = (heat_j_per_k + WALL_J_PER_K_ML * volume_ml) / (cold_place.takes_w_per_m2_k * area_m2)
    minutes = seconds / 60 * math.log((from_c - cold_place.celsius) / (to_c - cold_place.celsius))
    words = f"About {span_words(minutes)} {cold_place.said} to reach {to_c:.0f} °C, up to {span_words(LATER * minutes)} if it is crowded."
    return Chilling(minutes, SOONER * minutes, LATER * minutes, to_c, words.replace("-", "−"))


def span_words(minutes: float) -> str:
    """Return a time in words, rounded as one would read it off a clock.

    >>> span_words(18), span_words(100), span_words(130), span_words(185)
    ('20 minutes', '1¾ hours', '2¼ hours', '3 hours')
    """
    if minutes < 55:
        return f"{max(5, 5 * round(minutes / 5))} minutes"
    quarters = round(minutes / 15)
    whole, part = divmod(quarters, 4)
    shown = f"{whole or ''}{('', '¼', '½', '¾')[part]}"
    return f"{shown} {agreeing(quarters / 4, 'hour')}"
