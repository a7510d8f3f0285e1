"""The one measurement that would make most drinks more certain (docs/model/menu.md)."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.balance import AXES, can_be_tasted, steps_between
from oenomel.core.forecast import Forecast
from oenomel.core.larder import Ingredient

WORTH_SHARE: Final = 0.2
"""Share of the uncertainty from which a measurement helps a drink (house rule)."""

_KINDS_READ: Final = {
    "acid": frozenset({"juice", "vinegar"}),
    "sugar": frozenset({"juice", "syrup"}),
    "abv": frozenset({"spirit", "liqueur", "fortified", "aromatised"}),
}
"""Properties that a bar can measure: acid of a juice, °Bx without alcohol, the strength of a label."""

_HOW: Final = {
    "acid": ("Titrate", "acidity"),
    "sugar": ("Take the °Bx of", "sweetness"),
    "abv": ("Read the strength of", "strength"),
}


@dataclass(frozen=True, slots=True)
class WorthMeasuring:
    """One measurement: ingredient and axis, how many drinks it helps, its share of their uncertainty, and a sentence."""

    slug: str
    axis: str
    drinks: int
    share: float
    words: str


def worth_measuring(
    forecasts: Sequence[Forecast], ingredients: Iterable[Ingredient], read: Iterable[tuple[str, str]]
) -> list[WorthMeasuring]:
    """Return the measurements not yet taken, the most useful first.

    Parameters
    ----------
    ingredients : iterable of Ingredient    what can be measured
    read : iterable of (slug, axis)         what was
    """
    done, by_slug = set(read), {ingredient.slug: ingredient for ingredient in ingredients}
    shares: dict[tuple[str, str], list[float]] = {}
    for forecast in forecasts:
        for axis in AXES:
            if not _is_felt(forecast, axis):
                continue
            for slug, share in _shares(forecast, axis).items():
                if (slug, axis) not in done and share >= WORTH_SHARE and by_slug.get(slug) and by_slug[slug].kind in _KINDS_READ[axis]:
                    shares.setdefault((slug, axis), []).append(share)
    measurements = [_worth(by_slug[slug], axis, sds, len(forecasts)) for (slug, axis), sds in shares.items()]
    return sorted(measurements, key=lambda each: (-each.drinks * each.share, each.slug, each.axis))


def _is_felt(forecast: Forecast, axis: str) -> bool:
    """Check whether the uncertainty of an axis could be tasted: if not, measuring is useless."""
    interval = forecast.interval80[axis]
    return can_be_tasted(float(steps_between(interval.high, interval.low, AXES[axis])) / 2)


def _shares(forecast: Forecast, axis: str) -> dict[str, float]:
    """Return the share of an axis's variance that each ingredient's composition causes."""
    figure = ("volume_ml", "abv", "sugar", "acid").index(axis)
    moves = {unknown: float(effect[figure]) ** 2 for unknown, effect in forecast.doubt.effects.items()}
    whole = sum(moves.values())
    shares: dict[str, float] = {}
    for unknown, variance in moves.items():
        if unknown[0] == "content" and whole > 0:
            shares[str(unknown[1])] = shares.get(str(unknown[1]), 0.0) + variance / whole
    return shares


def _worth(ingredient: Ingredient, axis: str, shares: Sequence[float], of: int) -> WorthMeasuring:
    do, noun = _HOW[axis]
    share = sum(shares) / len(shares)
    drinks = f"in {len(shares)} of {of} drinks" if of > 1 else "in this drink"
    words = f"{do} the {ingredient.in_sentence}. It causes {100 * share:.0f}% of the uncertainty of {noun} {drinks}."
    return WorthMeasuring(ingredient.slug, axis, len(shares), share, words)
