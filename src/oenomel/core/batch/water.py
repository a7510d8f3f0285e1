"""Water of a batch: what the ice would have added, by how the batch is served (docs/model/batch.md)."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.batch.batchable import Service, StaysOut, water
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.spec import Drink, Ice, Method, Pour

RIGHT_AT_MINUTE: Final = 4
"""Minute at which a serve on ice has the strength of the single drink (docs/model/batch.md)."""

TOLD_MINUTES: Final = (0, 4, 10)

POURED: Final = Method(technique="none", ice="none", seconds=0.0)
"""Method of a drink that is only poured."""

_AGREES_ML: Final = 1e-9
_MOST_ROUNDS: Final = 60


@dataclass(frozen=True, slots=True)
class BatchWater:
    """Water added for each serve, [ml]; for a serve on ice also its ends: ``least_ml`` is right at minute 10, ``most_ml`` at minute 0.
    ``words`` say how it was computed.
    """

    per_serve_ml: float
    least_ml: float
    most_ml: float
    words: str

    def ratio(self, undiluted_ml: float) -> float:
        """Water for each ml of the other ingredients."""
        return self.per_serve_ml / undiluted_ml if undiluted_ml else 0.0


def poured_serve(drink: Drink, inside: Sequence[Pour], outside: Sequence[StaysOut], water_ml: float, ice: Ice | None = None) -> Drink:
    """Return one serve from a batch: the batch with its water, and what is added to the serve; no ice but that in the glass."""
    thinned = (Pour(water(), water_ml),) if water_ml > 0 else ()
    pours = (*inside, *thinned, *(part_outside.pour for part_outside in sorted(outside, key=lambda each: each.index)))
    serve = drink.serve if ice is None else replace(drink.serve, ice=ice)
    return Drink(drink.name, drink.family, pours, drink.form, POURED, serve)


def water_for(
    service: Service, drink: Drink, single: Forecast, inside: Sequence[Pour], outside: Sequence[StaysOut], conditions: Conditions
) -> BatchWater:
    """Compute the water for one serve. ``conditions`` are those of serving: their start is the batch's temperature."""
    if service == "shaken":
        return BatchWater(0.0, 0.0, 0.0, "none, as each serve is diluted by its own ice.")
    own = single.dilution.water_ml
    if service != "ice":
        if not own:
            return BatchWater(0.0, 0.0, 0.0, "none, as this drink uses no ice.")
        return BatchWater(own, own, own, f"{_shown(own)} per serve, as much as its own method would add.")
    melts = _melting(drink, inside, outside, conditions)
    ends = [_right_at(minute, single.served.volume_ml, melts) for minute in TOLD_MINUTES]
    most, right, least = ends
    if right == 0:
        words = f"none, as on ice it dilutes enough within {RIGHT_AT_MINUTE} minutes."
    else:
        words = (
            f"{_shown(right)} per serve. After {RIGHT_AT_MINUTE} minutes on ice it matches a drink made to order. "
            f"{_shown(most)} matches at the first sip, {_shown(least)} after ten minutes."
        )
    return BatchWater(right, least, most, words)


def _shown(ml: float) -> str:
    return f"{ml:.0f} ml" if ml >= 0.5 or ml == 0 else "almost nothing"


def serving_ice(drink: Drink) -> Ice:
    """Return the ice that a serve is poured over: the drink's own, else cubes."""
    return drink.serve.ice if drink.serve.ice != "none" else "cubes"


def _melting(
    drink: Drink, inside: Sequence[Pour], outside: Sequence[StaysOut], conditions: Conditions
) -> Callable[[float], tuple[float, ...]]:
    ice = serving_ice(drink)

    def volumes(water_ml: float) -> tuple[float, ...]:
        """Return the volume of a serve with some water in it, at each minute, [ml]."""
        course = forecast_of(poured_serve(drink, inside, outside, water_ml, ice), conditions).course
        return tuple(course.volume_ml.tolist())

    return volumes


def _right_at(minute: int, wanted_ml: float, volumes: Callable[[float], tuple[float, ...]]) -> float:
    """Compute the water that makes a serve as dilute at that minute as a single drink; 0 where none is too much.

    What melts hardly depends on the water that is there, so w ← w + (wanted − volume(w)) settles in a few rounds.
    """
    water_ml = 0.0
    for _ in range(_MOST_ROUNDS):
        nearer = max(0.0, water_ml + wanted_ml - volumes(water_ml)[minute])
        if abs(nearer - water_ml) < _AGREES_ML:
            return nearer
        water_ml = nearer
    return water_ml
