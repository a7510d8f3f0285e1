"""Tasks before an event: preparations, juice, batches, chilling, glasses, garnish, rims (common practice)."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.batch import Batch
from oenomel.core.batch.containers import span_words
from oenomel.core.event.schedule import Task
from oenomel.core.event.shopping import ForTheEvening, Purchase
from oenomel.core.larder import FRUIT, Ingredient
from oenomel.core.larder.fruit import garnish_of_fruit
from oenomel.core.preparations import KitchenStep
from oenomel.core.wording import capital, counted

GLASS_FREEZES_MIN: Final = 15.0
"""Minutes until a glass in the freezer is cold (docs/model/batch.md)."""

BUBBLES_CHILL_MIN: Final = 180.0
PER_PIECE_MIN: Final = 0.75
PER_CUT_MIN: Final = 0.3
PER_EDGE_MIN: Final = 0.4
PER_EGG_MIN: Final = 0.5
"""Minutes for chilling a sparkling bottle; and for pressing a fruit, cutting a zest or wheel, coating a rim, separating an egg
(estimates; common practice).
"""

KITCHEN_MIN: Final = 10.0
MOST_KITCHEN_MIN: Final = 240.0
SYRUP_COOLS_MIN: Final = 60.0
"""Minutes of weighing and washing up besides a preparation's steps, the most work of one preparation, and the cooling of a hot syrup
(house rules).
"""

ROUND_ML: Final = 50.0
_FIRE: Final = frozenset({"simmer", "boil"})
_BY_ITSELF: Final = frozenset({"steep", "cool"})

GLASSES_AT_ONCE: Final = 24
"""Glasses that fit in a freezer at once (house rule); the others chill in the fridge."""


@dataclass(frozen=True, slots=True)
class ToMake:
    """A preparation that is missing: amount, [ml], minutes of work, minutes of waiting until it can be poured, and whether it is hot."""

    ingredient: Ingredient
    ml: float
    minutes: float
    waits: float
    is_hot: bool


def to_make(ingredient: Ingredient, short_ml: float, steps: Sequence[KitchenStep]) -> ToMake:
    """Return the task for a missing preparation: cooking keeps a pair of hands busy, steeping and cooling don't."""
    hot = any(step.do in _FIRE for step in steps)
    hands = KITCHEN_MIN + math.fsum(step.minutes or 0.0 for step in steps if step.do in _FIRE)
    waits = math.fsum(step.minutes or 0.0 for step in steps if step.do in _BY_ITSELF) or (SYRUP_COOLS_MIN if hot else 0.0)
    return ToMake(ingredient, ROUND_ML * math.ceil(short_ml / ROUND_ML), min(hands, MOST_KITCHEN_MIN), waits, hot)


@dataclass(frozen=True, slots=True)
class EveningDrink:
    """A drink of the event, its batch where it is made as one, the name of a batch already there, and the name its tasks carry, unique
    in the event.
    """

    of: ForTheEvening
    batch: Batch | None = None
    ready: str = ""
    key: str = ""

    @property
    def known_by(self) -> str:
        """Key of the drink in the tasks."""
        return self.key or self.of.drink.name


def tasks_for(drinks: Sequence[EveningDrink], making: Sequence[ToMake], bought: Sequence[Purchase]) -> tuple[Task, ...]:
    """Return all tasks of an event, each with the tasks it needs."""
    making_keys = {preparation.ingredient.slug: f"make: {preparation.ingredient.slug}" for preparation in making}
    tasks = [_make(preparation) for preparation in making]
    fruit = {purchase.key.removeprefix("fruit: "): purchase for purchase in bought if purchase.group == "fruit"}
    tasks += _fruit(drinks, fruit)
    pressed = {FRUIT[name].juice: f"press: {name}" for name in fruit if any(task.key == f"press: {name}" for task in tasks)}
    for drink in drinks:
        tasks += _drink(drink, {**making_keys, **pressed})
    tasks += _cold(drinks)
    tasks += _glasses(drinks)
    tasks += _garnish(drinks)
    tasks += _at_the_end(drinks, bought)
    return tuple(tasks)


def _make(preparation: ToMake) -> Task:
    why = "Needs time to cool. Hot sugar burns." if preparation.is_hot else ""
    words = f"Make {preparation.ml:.0f} ml of {preparation.ingredient.in_sentence}"
    return Task(
        f"make: {preparation.ingredient.slug}", words, preparation.minutes, preparation.waits, about=preparation.ingredient.name, why=why
    )


def _cuts(drinks: Sequence[EveningDrink]) -> dict[str, tuple[int, int]]:
    """Count zests, and wheels or wedges, by fruit."""
    cuts: dict[str, tuple[int, int]] = {}
    for drink in drinks:
        for garnish in drink.of.drink.serve.garnish:
            cut = garnish_of_fruit(garnish.what)
            if cut is not None:
                fruit, need = cut
                zests, others = cuts.get(fruit.name, (0, 0))
                cuts[fruit.name] = (zests + need.zests * drink.of.poured, others + (need.wheels + need.wedges) * drink.of.poured)
    return cuts


def _fruit(drinks: Sequence[EveningDrink], fruit: Mapping[str, Purchase]) -> Iterator[Task]:
    cuts = _cuts(drinks)
    for name, purchase in fruit.items():
        zests, others = cuts.get(name, (0, 0))
        before: tuple[str, ...] = ()
        if zests:
            minutes = 2 + PER_CUT_MIN * zests
            yield Task(f"zest: {name}", f"Peel {zests} {name} zests", minutes, about=purchase.name, why="Before you juice the fruit.")
            before = (f"zest: {name}",)
        if others:
            minutes = 2 + PER_CUT_MIN * others
            yield Task(f"cut: {name}", f"Cut {others} {name} wheels or wedges", minutes, before=5, about=purchase.name)
        if "juice" in purchase.words:
            pieces = purchase.pieces or 0
            words = f"Juice {counted(pieces, name)} and strain"
            why = "As late as you can: juice is best fresh."
            yield Task(f"press: {name}", words, 3 + PER_PIECE_MIN * pieces, before=15, needs=before, about=purchase.name, why=why)


def _drink(drink: EveningDrink, makes: Mapping[str, str]) -> Iterator[Task]:
    name, key = drink.of.drink.name, drink.known_by
    needs = tuple(dict.fromkeys(makes[p.ingredient.slug] for p in drink.of.drink.pours if p.ingredient.slug in makes))
    if drink.ready:
        words = f"Turn {drink.ready} once and taste it over ice"
        yield Task(f"ready: {key}", words, 3, before=10, about=name, why="It settles, so its balance can change.")
    batch = drink.batch
    if batch is None:
        # For single drinks everything must be ready at the hour.
        if needs and drink.of.serves:
            yield Task(f"lay out: {key}", f"Set out the bottles for {name}", 3, before=5, needs=needs, about=name)
        return
    litres = batch.total_ml / 1000
    words = f"Mix {name}: {batch.total_ml:.0f} ml"
    yield Task(f"mix: {key}", words, 5 + 1.5 * len(batch.lines) + 2 * litres, needs=needs, about=name, why="Spirit before water.")
    yield Task(f"taste: {key}", f"Taste {name} over ice and correct", 5, needs=(f"mix: {key}",), about=name, why="Then add the last water.")
    cold = batch.chilling
    where = {"fridge": "in the fridge", "freezer": "in the freezer", "ice bath": "in ice water", "room": "at room temperature"}
    storage = where[batch.wish.storage]
    waits = 0.0 if batch.wish.service == "shaken" or batch.wish.storage == "room" else 15 * math.ceil(cold.minutes / 15)
    why = f"About {span_words(waits)} to chill." if waits else ""
    words = f"Bottle {name}, label it, {storage}"
    yield Task(f"cold: {key}", words, 4 + 2 * litres, waits, needs=(f"taste: {key}",), about=name, why=why)


def _cold(drinks: Sequence[EveningDrink]) -> Iterator[Task]:
    bubbles = list(dict.fromkeys(p.ingredient.in_sentence for drink in drinks for p in drink.of.drink.pours if p.ingredient.is_sparkling))
    if bubbles:
        yield Task("bubbles", f"Put {', '.join(bubbles)} in the fridge", 3, BUBBLES_CHILL_MIN, why="Warm bubbles foam over.")


def _glasses(drinks: Sequence[EveningDrink]) -> Iterator[Task]:
    chilled: dict[str, int] = {}
    edged: dict[str, list[str]] = {}
    for drink in drinks:
        glass = drink.of.drink.serve.glass
        if not glass or drink.of.poured == 0:
            continue
        rims = [pour.ingredient.in_sentence for pour in drink.of.drink.pours if pour.stage == "rim"]
        if rims:
            words = f"Rim {counted(drink.of.poured, glass)} with {rims[0]}"
            key = f"edge: {drink.known_by}"
            yield Task(
                key, words, 3 + PER_EDGE_MIN * drink.of.poured, before=GLASS_FREEZES_MIN, about=drink.of.drink.name,
                why="On a dry glass, before chilling.",
            )  # fmt: skip
            edged.setdefault(glass, []).append(key)
        if drink.of.drink.serve.ice == "none" and drink.of.service != "ice" and drink.of.drink.serve.chilled is not False:
            chilled[glass] = chilled.get(glass, 0) + drink.of.poured
    for glass, many in chilled.items():
        first = min(many, GLASSES_AT_ONCE)
        words = f"Put {counted(first, glass)} in the freezer" + (f", the other {many - first} in the fridge" if many > first else "")
        needs = tuple(edged.get(glass, ()))
        yield Task(
            f"glasses: {glass}", capital(words), 2 + 0.1 * many, GLASS_FREEZES_MIN, needs=needs, why="A cold glass keeps the drink cold."
        )


def _garnish(drinks: Sequence[EveningDrink]) -> Iterator[Task]:
    for drink in drinks:
        name, many = drink.of.drink.name, drink.of.poured
        for what, times in Counter(garnish.what for garnish in drink.of.drink.serve.garnish).items():
            if garnish_of_fruit(what) is None and what.strip() and many:
                words = f"Garnish for {name}: {times * many} × {what.strip()}"
                yield Task(f"garnish: {drink.known_by} {what}", words, 2 + 0.2 * times * many, before=5, about=name)
        eggs = any(pour.ingredient.kind == "egg" and "raw egg" in pour.ingredient.cautions for pour in drink.of.drink.pours)
        if eggs and many:
            words = f"Separate {many} eggs, each into its own cup first"
            yield Task(f"eggs: {drink.known_by}", words, 2 + PER_EGG_MIN * many, before=10, about=name,
                       why="A broken yolk then costs one egg. Keep them cold.")  # fmt: skip


def _at_the_end(drinks: Sequence[EveningDrink], bought: Sequence[Purchase]) -> Iterator[Task]:
    if any(drink.of.poured for drink in drinks):
        ice = next((purchase.amount for purchase in bought if purchase.group == "ice"), "")
        if ice:
            yield Task("ice", f"Get {ice} of ice and a scoop", 5, before=10, why="Treat ice as food.")
        yield Task("bar", "Set out jiggers, tins, strainers, cloths and water", 10)
