"""Shopping list of an event: open bottles first, then shelf, preparations and shop; fruit with its uncertainty, and ice
(docs/model/batch.md).
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Final, Literal

from oenomel.core.batch.batchable import Service
from oenomel.core.batch.pouring_order import is_water
from oenomel.core.dilution import Conditions
from oenomel.core.glass.glassware import ice_for
from oenomel.core.larder import SOLIDS_ML_PER_G, Ingredient
from oenomel.core.larder.fruit import FruitToBuy, Pressing, fruit_of, garnish_of_fruit
from oenomel.core.menu import fruit_tonight
from oenomel.core.method.amount_words import counted_noun
from oenomel.core.spec import Drink
from oenomel.core.spec.measures import EGG_ML
from oenomel.core.wording import counted, plural

Source = Literal["open", "shelf", "stillroom", "shop"]
Group = Literal["bottles", "wine and bubbles", "fruit", "fresh", "made here", "dry goods", "garnish", "ice"]

BOTTLE_ML: Final = {
    "spirit": 700.0, "liqueur": 700.0, "zero-proof": 700.0, "fortified": 750.0, "aromatised": 750.0, "wine": 750.0, "sparkling": 750.0,
    "beer": 330.0, "cider": 750.0, "bitters": 200.0, "syrup": 700.0, "juice": 1000.0, "vinegar": 500.0, "water": 1000.0, "dairy": 500.0,
    "honey": 250.0,
}  # fmt: skip
"""Usual contents of a bottle or carton of each kind, [ml] (common practice; labels decide)."""

USUAL_BOTTLE_ML: Final = 500.0

SPARE_ICE: Final = 1.3
"""Factor for ice that melts, is spilt or chills bottles, over the ice in tins and glasses (house rule)."""

_GROUP: Final[Mapping[str, Group]] = {
    "wine": "wine and bubbles", "sparkling": "wine and bubbles", "beer": "wine and bubbles", "cider": "wine and bubbles",
    "water": "wine and bubbles", "juice": "fresh", "egg": "fresh", "dairy": "fresh", "plant": "garnish", "syrup": "dry goods",
    "honey": "dry goods", "sugar": "dry goods", "seasoning": "dry goods",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class ForTheEvening:
    """A drink of the event: how many serves must still be made, and of which batch (empty: one by one).

    ``poured`` counts all serves, those from an existing batch too: they need ice, glasses and additions.
    """

    drink: Drink
    serves: int
    poured: int
    service: Service | Literal[""] = ""


@dataclass(frozen=True, slots=True)
class Stock:
    """Stock of an ingredient: ml in open bottles that can still be poured, its state on the shelf, and whether the bar prepares it."""

    open_ml: float = 0.0
    shelf: str = ""
    is_made_here: bool = False


@dataclass(frozen=True, slots=True)
class Purchase:
    """One line of the shopping list: ingredient, source, amount in words, reason, and cost where prices are known.

    ``ml`` is the volume needed; ``pieces`` with ``low`` and ``high`` where the ingredient is counted.
    """

    key: str
    name: str
    source: Source
    group: Group
    amount: str
    words: str
    slug: str = ""
    ml: float = 0.0
    pieces: int | None = None
    low: int | None = None
    high: int | None = None
    cost: float | None = field(default=None)


def shopping(
    evening: Sequence[ForTheEvening],
    stock: Mapping[str, Stock],
    crates: Mapping[str, Sequence[Pressing]],
    conditions: Conditions,
) -> tuple[Purchase, ...]:
    """Return everything the event needs, in this order: open bottles, shelf, preparations, shop."""
    needs = _needs(evening)
    result = []
    for ingredient, ml in needs.values():
        if not (fruit_of(ingredient.slug) or is_water(ingredient)):
            result += _of(ingredient, ml, stock.get(ingredient.slug, Stock()))
    result += _fruit(evening, stock, crates)
    result += _garnish(evening)
    ice = _ice_kg(evening, conditions)
    if ice > 0:
        result.append(Purchase("ice", "Ice", "shop", "ice", f"{ice:g} kg", "for tins and glasses, melting included"))
    order = ("open", "shelf", "stillroom", "shop")
    return tuple(sorted(result, key=lambda each: (order.index(each.source), each.group, each.name.lower())))


def _needs(evening: Sequence[ForTheEvening]) -> dict[str, tuple[Ingredient, float]]:
    """Return the ml of each ingredient still to be poured; a batch already made contains its share."""
    needs: dict[str, tuple[Ingredient, float]] = {}
    for planned_drink in evening:
        for pour in planned_drink.drink.pours:
            if pour.stage == "garnish" or pour.unit == "leaf" or (pour.unit == "piece" and pour.ingredient.kind == "plant"):
                continue
            of_each = pour.volume_ml
            waits = pour.stage == "mixed" and not pour.ingredient.is_sparkling and pour.ingredient.kind not in ("egg", "dairy")
            serves = planned_drink.serves if waits else planned_drink.poured
            if of_each > 0 and serves > 0:
                thing, ml = needs.get(pour.ingredient.slug, (pour.ingredient, 0.0))
                needs[pour.ingredient.slug] = (thing, ml + serves * of_each)
    return needs


def _of(ingredient: Ingredient, ml: float, stock: Stock) -> list[Purchase]:
    group = _GROUP.get(ingredient.kind, "bottles")
    price = ingredient.label("price_per_litre")

    def line(source: Source, amount: str, words: str, of_ml: float, bought_ml: float | None = None) -> Purchase:
        cost = None if price is None else price * (of_ml if bought_ml is None else bought_ml) / 1000
        whose: Group = "made here" if source == "stillroom" else group
        return Purchase(f"{source}: {ingredient.slug}", ingredient.name, source, whose, amount, words, ingredient.slug, of_ml, cost=cost)

    lines, missing_ml = [], ml
    if stock.open_ml > 0:
        of_open = min(missing_ml, stock.open_ml)
        missing_ml = max(0.0, ml - stock.open_ml)
        words = "open, use it first" if missing_ml else f"open, {stock.open_ml - of_open:.0f} ml will be left"
        lines.append(line("open", ml_in_words(of_open), words, of_open))
    if missing_ml <= 0.5:
        return lines
    besides = f"plus {ml_in_words(stock.open_ml)} open" if stock.open_ml > 0 else f"{ml_in_words(ml)} needed"
    if stock.is_made_here:
        rounded_ml = 50 * math.ceil(missing_ml / 50)
        return [*lines, line("stillroom", ml_in_words(rounded_ml), besides, missing_ml)]
    if ingredient.composition.solid:
        grams = math.ceil(missing_ml / SOLIDS_ML_PER_G)
        return [*lines, line("shelf" if stock.shelf == "at hand" else "shop", f"{grams} g", besides, missing_ml)]
    if ingredient.kind == "egg":
        eggs = math.ceil(missing_ml / (ingredient.piece_ml or EGG_ML["white"]) - 1e-9)
        return [*lines, line("shop", f"{eggs} eggs" if eggs > 1 else "1 egg", besides, missing_ml)]
    size = BOTTLE_ML.get(ingredient.kind, USUAL_BOTTLE_ML)
    bottles = math.ceil(missing_ml / size - 1e-9)
    amount = f"{counted(bottles, 'bottle')} of {size:g} ml"
    if stock.shelf == "at hand":
        whether = "check that you have this much"
        return [*lines, line("shelf", ml_in_words(missing_ml), f"{besides}; {whether}" if lines else whether, missing_ml)]
    low = ", running low" if stock.shelf == "low" else ""
    return [*lines, line("shop", amount, besides + low, missing_ml, bottles * size)]


def _fruit(evening: Sequence[ForTheEvening], stock: Mapping[str, Stock], crates: Mapping[str, Sequence[Pressing]]) -> list[Purchase]:
    pressed = {slug: stock_item.open_ml for slug, stock_item in stock.items()}
    pouring = [(planned_drink.drink, planned_drink.serves) for planned_drink in evening]
    # The juice of an existing batch is pressed already; its garnish must still be cut.
    garnish = [
        (planned_drink.drink.with_pours(()), planned_drink.poured - planned_drink.serves)
        for planned_drink in evening
        if planned_drink.poured > planned_drink.serves
    ]
    return [
        Purchase(
            key=f"fruit: {fruit.fruit.name}",
            name=plural(fruit.fruit.name).capitalize(),
            source="shop",
            group="fruit",
            amount=fruit_words(fruit),
            words=fruit.why,
            slug=fruit.fruit.juice,
            pieces=fruit.usual,
            low=fruit.least,
            high=fruit.pieces,
        )
        for fruit in fruit_tonight([*pouring, *garnish], crates, pressed)
    ]


def fruit_words(fruit: FruitToBuy) -> str:
    """Describe how many pieces of fruit to buy, with the range that may be needed.

    >>> from oenomel.core.larder.fruit import FRUIT, FruitNeed, fruit_to_buy, piece_yield
    >>> fruit_words(fruit_to_buy(FRUIT["lime"], FruitNeed(180), piece_yield(FRUIT["lime"], [])))
    '8, or 10 to be sure'
    """
    return f"{fruit.usual}" if fruit.pieces == fruit.usual else f"{fruit.usual}, or {fruit.pieces} to be sure"


def _garnish(evening: Sequence[ForTheEvening]) -> list[Purchase]:
    counts: dict[str, int] = {}
    for planned_drink in evening:
        for garnish in planned_drink.drink.serve.garnish:
            if garnish_of_fruit(garnish.what) is None and garnish.what.strip():
                counts[garnish.what.strip()] = counts.get(garnish.what.strip(), 0) + planned_drink.poured
        for pour in planned_drink.drink.pours:
            plant = pour.ingredient.kind == "plant" and pour.unit in ("piece", "leaf")
            if (plant or pour.stage == "garnish") and garnish_of_fruit(pour.ingredient.name) is None:
                many = math.ceil((pour.amount or 1) * planned_drink.poured)
                name = counted_noun(pour, 2) if plant else pour.ingredient.in_sentence
                counts[name] = counts.get(name, 0) + many
    return [
        Purchase(f"garnish: {name}", name[:1].upper() + name[1:], "shop", "garnish", str(many), "one per serve", pieces=many)
        for name, many in counts.items()
        if many > 0
    ]


def _ice_kg(evening: Sequence[ForTheEvening], conditions: Conditions) -> float:
    """Return the ice for tins and glasses, to the half kilogram, [kg]."""
    grams = 0.0
    for planned_drink in evening:
        drink = planned_drink.drink
        meets = drink.method.ice != "none" and drink.method.technique != "none" and drink.method.seconds != 0
        if meets and planned_drink.service in ("", "shaken"):
            grams += planned_drink.poured * conditions.ice_in_the_tin(drink.method).grams
        kind = "cubes" if planned_drink.service == "ice" and drink.serve.ice == "none" else drink.serve.ice
        volume = sum(pour.liquid_ml for pour in drink.pours)
        grams += planned_drink.poured * ice_for(drink.serve.glass, kind, volume).grams
    return math.ceil(SPARE_ICE * grams / 500) / 2


def ml_in_words(ml: float) -> str:
    """Return a volume for a shopping list: in litres where it is large.

    >>> ml_in_words(260), ml_in_words(1260), ml_in_words(2000), ml_in_words(3.2)
    ('260 ml', '1.26 l', '2 l', '3.2 ml')
    """
    if ml >= 1000:
        return f"{ml / 1000:.2f}".rstrip("0").rstrip(".") + " l"
    return f"{ml:.0f} ml" if ml >= 10 else f"{ml:.1f} ml"
