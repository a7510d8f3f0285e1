"""The brief of a drink, and which of its wishes a trial meets (common practice)."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

from oenomel.core.forecast import Forecast
from oenomel.core.glass import air_in, swatch
from oenomel.core.glass.colour import colour_words, in_colour, wished_colour
from oenomel.errors import DomainError

SWEETNESSES: Final = {"dry": (0.0, 6.5), "in the middle": (5.5, 9.0), "sweet": (8.0, 150.0)}
"""Sweetness in words, g of sugar per 100 ml as served. House estimates around the published range of a shaken sour, 5.0 to 8.9."""

ALCOHOL_FREE_ABV: Final = 0.5


@dataclass(frozen=True, slots=True)
class Brief:
    """Brief of a drink: its purpose. Only what can be computed is checked.

    Parameters
    ----------
    occasion, guest, colour, notes : str     in words
    avoid : tuple of str                     slugs, allergens or kinds that mustn't be in it
    least_abv, most_abv : float or None, [% v/v]   as served
    sweetness : str                          one of `SWEETNESSES`, or empty
    most_cost : float or None                in the bar's own currency

    Raises
    ------
    DomainError
    """

    occasion: str = ""
    guest: str = ""
    colour: str = ""
    notes: str = ""
    avoid: tuple[str, ...] = ()
    least_abv: float | None = None
    most_abv: float | None = None
    sweetness: str = ""
    most_cost: float | None = None

    def __post_init__(self) -> None:
        if self.sweetness and self.sweetness not in SWEETNESSES:
            raise DomainError(f'"{self.sweetness}" isn\'t a sweetness of a brief: use {", ".join(SWEETNESSES)}')
        if self.least_abv is not None and self.most_abv is not None and self.least_abv > self.most_abv:
            raise DomainError(f"the brief asks for {self.least_abv:g}% to {self.most_abv:g}%: enter the lower one first")


@dataclass(frozen=True, slots=True)
class BriefCheck:
    """One wish of a brief checked against a trial: whether it is met (None where unknown), and a sentence."""

    wish: str
    kept: bool | None
    sentence: str


def check_brief(brief: Brief, forecast: Forecast) -> tuple[BriefCheck, ...]:
    """Check a drink against the computable wishes of a brief."""
    served, brief_checks = forecast.served, []
    least, most = brief.least_abv, brief.most_abv
    if least is not None or most is not None:
        low, high = least or 0.0, 100.0 if most is None else most
        kept = low <= served.abv <= high if high > ALCOHOL_FREE_ABV else served.abv <= ALCOHOL_FREE_ABV
        wish = f"{low:g} to {high:g}%" if most is not None and low else f"at most {high:g}%" if most is not None else f"at least {low:g}%"
        brief_checks.append(
            BriefCheck(f"strength {wish}", kept, f"{served.abv:.1f}% ABV as served" + ("." if kept else f", brief: {wish}."))
        )
    if brief.sweetness:
        low, high = SWEETNESSES[brief.sweetness]
        kept = low <= served.sugar <= high
        side = "sweeter" if served.sugar > high else "drier"
        brief_checks.append(
            BriefCheck(
                brief.sweetness, kept, f"{served.sugar:.1f} g sugar/100 ml" + ("." if kept else f", {side} than “{brief.sweetness}”.")
            )
        )
    wished = wished_colour(brief.colour)
    if wished:
        seen = _colour_of(forecast)
        kept = in_colour(wished, seen)
        brief_checks.append(BriefCheck(f"colour {wished}", kept, f"Predicted {seen}" + ("." if kept else f", brief: {wished}.")))
    for avoided in brief.avoid:
        word = avoided.lower()
        names = [
            pour.ingredient.name
            for pour in forecast.drink.pours
            if word in (pour.ingredient.slug, pour.ingredient.kind, *pour.ingredient.allergens) or word in pour.ingredient.name.lower()
        ]
        if word == "alcohol":
            names = [p.ingredient.name for p in forecast.drink.pours if p.ingredient.composition.abv > ALCOHOL_FREE_ABV]
        brief_checks.append(
            BriefCheck(f"no {avoided}", not names, f"No {avoided}." if not names else f"{', '.join(names)}contains {avoided}.")
        )
    if brief.most_cost is not None:
        cost = forecast.cost
        if cost is None:
            brief_checks.append(BriefCheck(f"at most {brief.most_cost:g}", None, "Cost not known: a price is missing in Stock."))
        else:
            kept = cost <= brief.most_cost
            brief_checks.append(
                BriefCheck(f"at most {brief.most_cost:g}", kept, f"Costs {cost:.2f}" + ("." if kept else f", brief: {brief.most_cost:g}."))
            )
    return tuple(brief_checks)


def _colour_of(forecast: Forecast) -> str:
    """Return the predicted colour of the largest layer in its glass, in words."""
    if forecast.appearance is not None:
        return colour_words(max(forecast.appearance.liquid, key=lambda layer: layer.volume_ml).colour)
    return colour_words(swatch(forecast.drink.pours, forecast.served.volume_ml, air=air_in(forecast.drink)))
