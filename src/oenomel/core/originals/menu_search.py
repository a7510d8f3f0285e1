"""A menu of originals: a drink for each place, unlike each other in base, colour, strength and price, and sharing preparations."""

from __future__ import annotations

import colorsys
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.forecast import Forecast
from oenomel.core.glass import air_in, swatch
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.result import Original
from oenomel.core.originals.search import WISH_WORK, handful_of
from oenomel.core.originals.search_context import SearchContext
from oenomel.core.rebalance import Budget
from oenomel.core.spec import Drink
from oenomel.core.wording import capital, listed
from oenomel.errors import DomainError

MOST_PLACES: Final = 12
OFFERED: Final = (4, 12)
DRAWN: Final = (2_000, 8_000)
FOR_ALL: Final = (72, 48_000)
"""Most places of a menu; drinks offered and combinations drawn for each, least and most; and the total, because a user waits."""

SAME_BASE: Final = 0.25
SAME_LEAD: Final = 0.15
AS_DARK: Final = 0.15
AS_STRONG: Final = 0.1
AS_DEAR: Final = 0.05
SHARED: Final = 0.06
"""Score lost for each earlier drink of the menu with the same base, liqueur or sweetener, colour, strength or price; and gained for each
shared preparation (house rules).
"""

NEAR_COLOUR: Final = 0.25
NEAR_ABV: Final = 1.5
NEAR_COST: Final = 0.15


@dataclass(frozen=True, slots=True)
class Menu:
    """A menu of originals in the order of its places, with notes."""

    drinks: tuple[Original, ...]
    notes: tuple[str, ...]


def menu_of(
    context: SearchContext,
    places: Sequence[Criteria],
    kept: Mapping[int, Drink] | None = None,
    known: Sequence[str] = (),
    budget: Budget | None = None,
) -> Menu:
    """Fill the open places of a menu one after the other; the drinks ``kept``, by place, stay and count for the others.

    All places share the budget of one search, `WISH_WORK` by default.

    Raises
    ------
    DomainError
        There are too many places, or one can't be filled; the sentence names it.
    """
    kept = kept or {}
    if not 1 <= len(places) <= MOST_PLACES:
        raise DomainError(f"a menu of {len(places)} drinks isn't possible: use 1 to {MOST_PLACES}")
    names = [*known, *(drink.name for drink in kept.values())]
    chosen: list[Drink] = list(kept.values())
    seen = [_seen(context.forecast(drink)) for drink in chosen]
    result: list[Original] = []
    budget, open_places = budget or Budget(WISH_WORK), [number for number in range(len(places)) if number not in kept]
    count, drawn = (
        min(most, max(least, for_all // max(1, len(open_places)))) for (least, most), for_all in zip((OFFERED, DRAWN), FOR_ALL, strict=True)
    )
    for filled, index in enumerate(open_places):
        criteria = places[index]
        asked = replace(criteria, count=count, seed=criteria.seed + index)
        try:
            offered = handful_of(context, asked, names, drawn, budget.share(1 / (len(open_places) - filled))).originals
        except DomainError as error:
            raise DomainError(f"drink {index + 1} of the menu, a {criteria.family}: {error}") from error
        best = max(offered, key=lambda each: (round(_worth(each, seen), 9), each.drink.name))
        result.append(best)
        chosen.append(best.drink)
        seen.append(_seen(best.forecast))
        names.append(best.drink.name)
    return Menu(tuple(result), _notes(chosen))


@dataclass(frozen=True, slots=True)
class _Seen:
    """Features by which drinks of a menu are compared."""

    base: str
    sweet: frozenset[str]
    light: tuple[float, float, float]
    abv: float
    cost: float | None
    prepared: frozenset[str]


def _seen(forecast: Forecast) -> _Seen:
    drink, served = forecast.drink, forecast.served
    sweet = frozenset(slug for slot in ("liqueur", "sweet", "accent") if (slug := _lead(drink, slot)))
    light = _light(drink, served.volume_ml)
    return _Seen(_lead(drink, "base"), sweet, light, served.abv, forecast.cost, frozenset(_prepared(drink)))


def _worth(original: Original, chosen: Sequence[_Seen]) -> float:
    worth = original.score
    mine = _seen(original.forecast)
    prepared = {slug for other in chosen for slug in other.prepared}
    for other in chosen:
        worth -= SAME_BASE * (mine.base == other.base)
        worth -= SAME_LEAD * len(mine.sweet & other.sweet - prepared)
        worth -= AS_DARK * (sum(abs(one - two) for one, two in zip(mine.light, other.light, strict=True)) < NEAR_COLOUR)
        worth -= AS_STRONG * (abs(mine.abv - other.abv) < NEAR_ABV)
        worth -= AS_DEAR * (mine.cost is not None and other.cost is not None and abs(mine.cost - other.cost) < NEAR_COST)
    return worth + SHARED * len(mine.prepared & prepared)


def _lead(drink: Drink, slot: str) -> str:
    """Return the slug of the largest pour of a slot; empty where there is none."""
    return max(((pour.liquid_ml, pour.ingredient.slug) for pour in drink.pours if pour.slot == slot), default=(0.0, ""))[1]


def _light(drink: Drink, served_ml: float) -> tuple[float, float, float]:
    colour = swatch(drink.pours, served_ml, air=air_in(drink))
    hue, light, full = colorsys.rgb_to_hls(*(int(colour[at : at + 2], 16) / 255 for at in (1, 3, 5)))
    return hue, light, full


def _prepared(drink: Drink) -> set[str]:
    return {pour.ingredient.slug for pour in drink.pours if "home-made" in pour.ingredient.cautions}


def _notes(drinks: Sequence[Drink]) -> tuple[str, ...]:
    names = {pour.ingredient.slug: pour.ingredient.in_sentence for drink in drinks for pour in drink.pours}
    makings = Counter(slug for drink in drinks for slug in _prepared(drink))
    if not makings:
        return ("Only juice to prepare.",)
    shared = [names[slug] for slug, many in sorted(makings.items()) if many > 1]
    words = f"To prepare: {listed([names[slug] for slug in sorted(makings)])}."
    return (words, f"{capital(listed(shared))} {'goes' if len(shared) == 1 else 'go'} into more than one of them.") if shared else (words,)
