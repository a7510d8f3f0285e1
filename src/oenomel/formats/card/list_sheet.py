"""A list of drinks on one sheet: each drink at a glance, allergens by drink, and preparations."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.forecast import Forecast
from oenomel.core.larder import Ingredient
from oenomel.core.larder.shelf_life import is_of_the_day
from oenomel.core.method import MethodOptions, amount_words
from oenomel.core.method.amount_words import counted_words
from oenomel.core.spec import Pour
from oenomel.core.wording import capital, listed
from oenomel.formats.card.content import COUNTRIES
from oenomel.schemas.format_names import Country

__all__ = ["ListSheet", "list_sheet"]

_SERVED: Final = {"none": "up", "cubes": "on cubes", "large": "on a large cube", "crushed": "on crushed ice"}
_PREPARED: Final = frozenset({"syrup", "honey"})


@dataclass(frozen=True, slots=True)
class ListRow:
    """One drink of the list in a line."""

    name: str
    pours: str
    glass: str
    strength: str
    contains: str


@dataclass(frozen=True, slots=True)
class Shared:
    """Something that several drinks of the list share, with their names."""

    what: str
    drinks: str


@dataclass(frozen=True, slots=True)
class ListSheet:
    """The sheet of a list."""

    rows: tuple[ListRow, ...]
    allergens: tuple[Shared, ...]
    juices: tuple[Shared, ...]
    preparations: tuple[Shared, ...]
    garnishes: tuple[Shared, ...]
    dated: str


def list_sheet(forecasts: Sequence[Forecast], way: MethodOptions, country: Country, dated: str) -> ListSheet:
    """Return the sheet of some drinks, in their order."""
    return ListSheet(
        rows=tuple(_row(forecast, way, country) for forecast in forecasts),
        allergens=_shared(
            forecasts, lambda forecast: (allergen for pour in forecast.drink.pours for allergen in pour.ingredient.allergens)
        ),
        juices=_shared(forecasts, lambda forecast: _named(forecast, _is_pressed)),
        preparations=_shared(forecasts, lambda forecast: _named(forecast, _is_prepared)),
        garnishes=_shared(forecasts, _garnishes),
        dated=dated,
    )


def _row(forecast: Forecast, way: MethodOptions, country: Country) -> ListRow:
    drink, served = forecast.drink, forecast.served
    measures = f", {served.standard_drinks[country]:.1f} {COUNTRIES[country]} standard drinks" if forecast.has_strength else ""
    return ListRow(
        name=drink.name,
        pours=" · ".join(_pour(pour, way) for pour in drink.pours),
        glass=f"{drink.serve.glass or 'glass'}, {_SERVED[drink.serve.ice]}",
        strength=f"{served.abv:.0f} %{measures}",
        contains=", ".join(sorted({allergen for pour in drink.pours for allergen in pour.ingredient.allergens})),
    )


def _pour(pour: Pour, way: MethodOptions) -> str:
    if pour.unit in ("piece", "leaf") and pour.amount:
        return counted_words(pour, pour.amount)
    amount = amount_words(pour, way.measures)
    return f"{amount} {pour.ingredient.in_sentence}" if amount else pour.ingredient.in_sentence


def _named(forecast: Forecast, wanted: Callable[[Ingredient], bool]) -> Iterable[str]:
    return (pour.ingredient.in_sentence for pour in forecast.drink.pours if wanted(pour.ingredient))


def _is_pressed(ingredient: Ingredient) -> bool:
    """Check whether an ingredient is juice of the day; what keeps longer comes from a bottle."""
    return is_of_the_day(ingredient)


def _is_prepared(ingredient: Ingredient) -> bool:
    """Check whether an ingredient is made in house: syrups and the like."""
    return ingredient.kind in _PREPARED


def _garnishes(forecast: Forecast) -> Iterable[str]:
    yield from (garnish.what.lower() for garnish in forecast.drink.serve.garnish)
    yield from (pour.ingredient.in_sentence for pour in forecast.drink.pours if pour.stage in ("garnish", "rim"))


def _shared(forecasts: Sequence[Forecast], things: Callable[[Forecast], Iterable[str]]) -> tuple[Shared, ...]:
    result: dict[str, list[str]] = {}
    for forecast in forecasts:
        for thing in dict.fromkeys(things(forecast)):
            result.setdefault(thing, []).append(forecast.drink.name)
    return tuple(Shared(capital(what), listed(names)) for what, names in sorted(result.items(), key=lambda each: (-len(each[1]), each[0])))
