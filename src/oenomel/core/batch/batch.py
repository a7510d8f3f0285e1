"""A batch: a drink for a number of serves or for a container, in measurable amounts, and its properties (docs/model/batch.md)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

from oenomel.core.balance import AXES, can_be_tasted, in_words, steps_between
from oenomel.core.batch.acid_substitute import has_substitute, is_substitute, recipe_words, with_substitutes
from oenomel.core.batch.batch_shelf_life import Keeping, keeping_of
from oenomel.core.batch.batchable import Service, StaysOut, split, water
from oenomel.core.batch.containers import (
    COLD_ENOUGH_C,
    FREEZER_SERVE_C,
    PLACES,
    Chilling,
    Cold,
    Fit,
    checked_container,
    chilling,
    container_for,
    fit_of,
    serves_words,
    usable_ml,
)
from oenomel.core.batch.pouring_order import PourLine, in_order
from oenomel.core.batch.rounding import checked_grid, measured, measured_ml
from oenomel.core.batch.water import TOLD_MINUTES, BatchWater, poured_serve, serving_ice, water_for
from oenomel.core.checks import Finding
from oenomel.core.dilution import Conditions, Tin
from oenomel.core.forecast import STANDARD, Forecast, forecast_of
from oenomel.core.glass.time_course import Course
from oenomel.core.spec import Drink, Pour
from oenomel.core.wording import listed
from oenomel.errors import DomainError, EmptyDrink, OutOfRange

MOST_SERVES: Final = 5000
USUAL_GRID_ML: Final = 5.0

MIXED_AT_C: Final = PLACES["room"].celsius
"""Temperature of a batch after mixing, [°C]."""

CAN_POUR_BELOW_C: Final = 1.0
"""Distance of the freezing point below the place's temperature from which a batch counts as pourable, [K]: freezers differ (house rule)."""

TOLD: Final = frozenset({
    "allergens", "alcohol", "raw-egg", "grapefruit", "quinine", "liquorice", "strong-serve", "goes-down-easily", "flammable",
})  # fmt: skip
"""Findings of a serve that matter for a batch; those about the tin and the glass are the single drink's."""

WARMER_K: Final = 4.0
"""Degrees above the single drink that can be tasted, [K]: cold hides sweetness (house rule; the trade's impression)."""

_PLACE_OF: Final[Mapping[Service, Cold]] = {
    "ice": "fridge", "chilled": "fridge", "freezer": "freezer", "shaken": "fridge", "bubbles": "fridge"
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class BatchWish:
    """Request for a batch: how it is served, and its size by exactly one of serves, a container in ml, or ``all_of`` (a slug, and the
    ml of it to use up).

    ``container_ml`` together with serves is the container they must fit in. ``cold`` is where it is stored; None: the usual place for
    the service.
    """

    service: Service
    serves: int | None = None
    container_ml: float | None = None
    all_of: tuple[str, float] | None = None
    grid_ml: float = USUAL_GRID_ML
    cold: Cold | None = None
    stand_in: bool = False

    @property
    def storage(self) -> Cold:
        """Place where the batch is stored."""
        return _PLACE_OF[self.service] if self.cold is None else self.cold


@dataclass(frozen=True, slots=True)
class Minute:
    """A serve after some minutes: volume in ml, % v/v, g per 100 ml, °C."""

    minute: int
    volume_ml: float
    abv: float
    sugar: float
    acid: float
    temperature_c: float


@dataclass(frozen=True)
class Batch:
    """A batch in measurable amounts.

    Parameters
    ----------
    single : Forecast         the drink made singly
    scale : float             serves that it makes, counted in its own measures before rounding
    inside : tuple of Pour    what goes in the bottle, all of it, rounded
    water_ml : float          all of it, rounded
    exact, serve : Forecast   one serve of the amounts before rounding, and as measured
    """

    wish: BatchWish
    drink: Drink
    single: Forecast
    scale: float
    inside: tuple[Pour, ...]
    outside: tuple[StaysOut, ...]
    water: BatchWater
    water_ml: float
    exact: Forecast
    serve: Forecast
    container_ml: float
    notes: tuple[str, ...]

    @property
    def total_ml(self) -> float:
        """Volume of the batch, [ml]."""
        return sum(pour.volume_ml for pour in self.inside) + self.water_ml

    @property
    def serve_ml(self) -> float:
        """Volume of one serve, [ml]."""
        return self.total_ml / self.scale

    @cached_property
    def lines(self) -> tuple[PourLine, ...]:
        """The pours in their order."""
        return in_order(self.inside, water(), self.water_ml, self.wish.grid_ml)

    @cached_property
    def fit(self) -> Fit:
        """Fit of the batch in its container."""
        return fit_of(self.total_ml, self.scale, self.container_ml)

    @cached_property
    def drift(self) -> dict[str, float]:
        """Change of each axis of a serve caused by rounding, [steps]."""
        return {
            name: float(steps_between(getattr(self.serve.served, name), getattr(self.exact.served, name), axis))
            for name, axis in AXES.items()
        }

    @property
    def drift_words(self) -> str:
        """Change caused by rounding, in words."""
        felt = [in_words(steps, AXES[name]) for name, steps in self.drift.items() if can_be_tasted(steps)]
        grid = f"{self.wish.grid_ml:g} ml"
        if felt:
            return f"Rounded to {grid} it is {listed(felt)}. Round less, or make more."
        return f"Rounded to {grid} it tastes the same."

    @property
    def tin(self) -> Tin:
        """The whole batch as the contents of a tin, for the heat balance."""
        return self.bottle.path.tin.tin

    @cached_property
    def bottle(self) -> Forecast:
        """The batch as one liquid that meets no ice."""
        return forecast_of(poured_serve(self.drink, self.inside, (), self.water_ml, "none"))

    @property
    def freezing_c(self) -> float:
        """Freezing point of the batch, [°C]."""
        return float(self.tin.freezing_c())

    @property
    def chilling(self) -> Chilling:
        """Time until the batch is cold where it is stored."""
        # A batch that would freeze is poured at its freezing point.
        target = max(FREEZER_SERVE_C, self.freezing_c) if self.wish.storage == "freezer" else COLD_ENOUGH_C
        liquid_ml = min(self.total_ml, self.container_ml)
        heat = float(self.tin.heat_capacity_j_per_k) * liquid_ml / self.total_ml
        return chilling(liquid_ml, heat, self.wish.storage, MIXED_AT_C, target)

    @property
    def keeping(self) -> Keeping:
        """Shelf life of the batch."""
        return keeping_of([pour.ingredient for pour in self.inside], self.bottle.served.abv)

    @property
    def findings(self) -> tuple[Finding, ...]:
        """Findings of one serve that matter for a batch."""
        return tuple(finding for finding in self.single.findings if finding.severity != "info" or finding.code in TOLD)

    @property
    def minutes(self) -> tuple[tuple[Minute, Minute], ...]:
        """A serve of the batch, and the single drink, at each of the standard minutes."""
        batch, single = self.serve.course, self.single.course
        return tuple((_minute(batch, at), _minute(single, at)) for at in TOLD_MINUTES)


def batch_of(drink: Drink, wish: BatchWish, conditions: Conditions = STANDARD) -> Batch:
    """Plan a batch of a drink.

    Raises
    ------
    OutOfRange
        The number of serves, the container or the grid is impossible.
    DomainError
        The container is smaller than a serve, the batch would be served up without being cold, or the ingredient to use up isn't in it.
    EmptyDrink
        No pour can go into a batch.
    """
    checked_grid(wish.grid_ml)
    if wish.cold == "room" and wish.service in ("chilled", "freezer", "bubbles"):
        raise DomainError("served up at room temperature it would be warm: chill it, or serve it over ice")
    of = with_substitutes(drink) if wish.stand_in else drink
    parts = split(of, wish.service)
    if not any(pour.volume_ml > 0 for _, pour in parts.inside):
        raise EmptyDrink
    # The comparison is with the single drink: with fresh juice, even where acid solutions replace it.
    single = forecast_of(drink, conditions)
    shares = [pour for _, pour in parts.inside]
    poured_at = replace(conditions, start_c=_poured_c(of, shares, single, wish))
    of_serve = water_for(wish.service, of, single, shares, parts.outside, poured_at)
    per_serve_ml = sum(pour.volume_ml for pour in shares) + of_serve.per_serve_ml
    scale = _scale(wish, parts.inside, per_serve_ml)
    inside, water_ml, scale = _rounded(shares, of_serve.per_serve_ml, scale, wish)

    def serve_of(amounts: list[Pour], water_each: float) -> Forecast:
        if wish.service == "shaken":
            return forecast_of(_shaken(of, parts.inside, amounts), conditions)
        ice = serving_ice(of) if wish.service == "ice" else "none"
        return forecast_of(poured_serve(of, amounts, parts.outside, water_each, ice), poured_at)

    total = sum(pour.volume_ml for pour in inside) + water_ml
    batch = Batch(
        wish=wish,
        drink=of,
        single=single,
        scale=scale,
        inside=tuple(inside),
        outside=parts.outside,
        water=of_serve,
        water_ml=water_ml,
        exact=serve_of(shares, of_serve.per_serve_ml),
        serve=serve_of([pour.at(pour.volume_ml / scale) for pour in inside], water_ml / scale),
        container_ml=container_for(total) if wish.container_ml is None else wish.container_ml,
        notes=(),
    )
    return replace(batch, notes=tuple(_notes(batch, drink, wants_the_shaker=parts.wants_the_shaker)))


def _poured_c(drink: Drink, shares: list[Pour], single: Forecast, wish: BatchWish) -> float:
    """Return the temperature of a batch when it is poured, [°C]: that of its place, but above its freezing point."""
    water_ml = 0.0 if wish.service == "shaken" else single.dilution.water_ml
    freezes = float(forecast_of(poured_serve(drink, shares, (), water_ml, "none")).path.tin.tin.freezing_c())
    return max(PLACES[wish.storage].poured_c, freezes)


def _scale(wish: BatchWish, inside: tuple[tuple[int, Pour], ...], per_serve_ml: float) -> float:
    """Compute the number of serves before rounding."""
    if wish.serves is not None:
        if not 1 <= wish.serves <= MOST_SERVES:
            raise OutOfRange("the number of serves", wish.serves, 1, MOST_SERVES)
        if wish.container_ml is not None:
            checked_container(wish.container_ml)
        return float(wish.serves)
    if wish.all_of is not None:
        slug, ml = wish.all_of
        share = sum(pour.volume_ml for _, pour in inside if pour.ingredient.slug == slug)
        if share <= 0:
            raise DomainError(f'no "{slug}" in this drink to use up')
        if not 0 < ml <= MOST_SERVES * share:
            raise OutOfRange("the amount to use up, in ml", ml, share, MOST_SERVES * share)
        if ml < share:
            raise DomainError(f"{ml:g} ml isn't enough for one serve, which needs {share:g} ml")
        return ml / share
    container = checked_container(wish.container_ml if wish.container_ml is not None else 0.0)
    scale = usable_ml(container) / per_serve_ml
    if scale < 1:
        raise DomainError(f"{container:g} ml is smaller than one serve, which needs {per_serve_ml:.0f} ml and headspace: use a larger one")
    return min(scale, float(MOST_SERVES))


def _rounded(shares: list[Pour], water_each: float, scale: float, wish: BatchWish) -> tuple[list[Pour], float, float]:
    """Return all pours and the water, rounded; a container that sets the size is never overfilled by rounding."""
    decided = wish.serves is None and wish.all_of is None and wish.container_ml is not None
    while True:
        inside = []
        for pour in shares:
            whole = pour.at(pour.volume_ml * scale)
            exact = wish.all_of is not None and pour.ingredient.slug == wish.all_of[0]
            inside.append(whole if exact else whole.at(measured(whole, wish.grid_ml)))
        water_ml = measured_ml(water_each * scale, wish.grid_ml) if water_each > 0 else 0.0
        over = sum(pour.volume_ml for pour in inside) + water_ml - usable_ml(wish.container_ml or 0.0)
        if not decided or over <= 1e-9:
            return inside, water_ml, scale
        scale *= 1 - max(over, 0.5) / (4 * usable_ml(wish.container_ml or 1.0))


def _shaken(drink: Drink, inside: tuple[tuple[int, Pour], ...], amounts: list[Pour]) -> Drink:
    """Return the drink with the serve from the batch in place of the pours in it."""
    poured = {index: amount.volume_ml for (index, _), amount in zip(inside, amounts, strict=True)}
    return drink.with_pours(tuple(pour if index not in poured else pour.at(poured[index]) for index, pour in enumerate(drink.pours)))


def _notes(batch: Batch, asked: Drink, *, wants_the_shaker: bool) -> list[str]:
    """Return the notes on a batch, the most important first."""
    wish, notes = batch.wish, list[str]()
    if wish.service == "bubbles":
        notes.append(
            "Use only a container rated for pressure, and fill it as its maker says: an ordinary bottle bursts. "
            "Keep the drink clear and cold, or it foams over."
        )
    if not batch.fit.fits:
        notes.append(batch.fit.words)
    if wants_the_shaker and wish.service != "shaken":
        what = listed(
            sorted(
                {
                    part_outside.pour.ingredient.in_sentence
                    for part_outside in batch.outside
                    if part_outside.why in ("egg", "foam", "cream", "herbs")
                }
            )
        )
        notes.append(f"Choose “Shaken to order”: this drink has {what}.")
    notes += [part_outside.words for part_outside in batch.outside]
    notes.append(f"Water: {batch.water.words}")
    notes += _cold_notes(batch)
    if wish.storage != "room":
        notes.append(batch.chilling.words)
    keeping = batch.keeping
    notes.append(keeping.words)
    if wish.stand_in:
        stood = [pour for pour in batch.inside if is_substitute(pour.ingredient)]
        notes += [recipe_words(pour) for pour in stood]
        if not stood:
            notes.append("Acid can't replace the citrus here: no juice is there for its acid alone.")
    elif keeping.today_only and any(has_substitute(pour) for pour in asked.pours):
        notes.append("To keep it longer, replace the juice with acid: as sharp, without the aroma.")
    notes.append(batch.drift_words)
    return notes


def _cold_notes(batch: Batch) -> list[str]:
    freezes, cold_place = batch.freezing_c, PLACES[batch.wish.storage]
    temperature = f"{freezes:.0f} °C".replace("-", "−")
    around = f"{cold_place.celsius:.0f} °C".replace("-", "−")
    if batch.wish.storage != "freezer":
        warmer = batch.serve.temperatures.glass - batch.single.temperatures.glass
        if batch.wish.service != "chilled" or warmer < WARMER_K:
            return []
        return [f"From the fridge it is {warmer:.0f}°C warmer than made to order, and tastes sweeter. Half an hour in the freezer helps."]
    if freezes > cold_place.celsius - CAN_POUR_BELOW_C:
        return [
            f"It starts to freeze at {temperature}, and a freezer is at {around}. It turns to slush, and a full bottle can burst. "
            "Use the fridge, or less water."
        ]
    return [f"It stays liquid to {temperature}. A freezer is at about {around}."]


def _minute(course: Course, at: int) -> Minute:
    figures = {name: float(getattr(course, name)[at]) for name in ("volume_ml", "abv", "sugar", "acid", "temperature_c")}
    return Minute(at, **figures)


def size_words(batch: Batch) -> str:
    """Describe the size of a batch."""
    return f"{batch.total_ml:.0f} ml, {serves_words(batch.scale)} of {batch.serve_ml:.0f} ml"
