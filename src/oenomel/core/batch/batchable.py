"""Division of pours into those that go into the batch and those that are added to each serve (common practice)."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Final, Literal, get_args

from oenomel.core.larder import Ingredient, catalogue
from oenomel.core.method.amount_words import pour_words
from oenomel.core.spec import Drink, Pour
from oenomel.core.wording import capital

Service = Literal["ice", "chilled", "freezer", "shaken", "bubbles"]
SERVICES: Final[tuple[Service, ...]] = get_args(Service)
Why = Literal["egg", "foam", "bubbles", "cream", "herbs", "on top", "in the glass", "edge", "garnish"]

PLAIN_G: Final = 0.1
"""Sugar, acid and alcohol below which sparkling water is plain soda, [g/100 ml]: still water replaces it where the vessel carbonates."""


@dataclass(frozen=True, slots=True)
class StaysOut:
    """A pour that is added to each serve: its index in the drink, the reason, and how it is added."""

    index: int
    pour: Pour
    why: Why
    words: str


@dataclass(frozen=True, slots=True)
class Split:
    """A drink's pours, divided into those of the batch, each with its index in the drink, and those of each serve."""

    inside: tuple[tuple[int, Pour], ...]
    outside: tuple[StaysOut, ...]

    @property
    def wants_the_shaker(self) -> bool:
        """True if a pour that stays out has to be shaken with the rest."""
        return any(part_outside.why in ("egg", "foam", "cream", "herbs") for part_outside in self.outside)


def water() -> Ingredient:
    """Still water, as an ingredient of a batch."""
    return catalogue()["still-water"]


def split(drink: Drink, service: Service) -> Split:
    """Divide a drink's pours into those of the batch and those of each serve; what adds no liquid belongs to the serve."""
    inside, outside = [], []
    for index, pour in enumerate(drink.pours):
        if pour.volume_ml <= 0 and pour.stage not in ("rim", "garnish"):
            continue
        if service == "bubbles" and _is_soda(pour):
            # Still water at the same index: the vessel carbonates it.
            inside.append((index, replace(pour, ingredient=water(), unit="ml", amount=None, stage="mixed")))
            continue
        why = _why_out(pour)
        if why is None:
            # A sugar cube is stirred until dissolved: in the batch it is some grams.
            inside.append((index, _stirred_in(pour) if pour.unit == "piece" and pour.ingredient.kind == "sugar" else pour))
        else:
            outside.append(StaysOut(index, pour, why, _words(pour, why, shaken=service == "shaken")))
    return Split(tuple(inside), tuple(outside))


def _stirred_in(lump: Pour) -> Pour:
    sugar = replace(lump.ingredient, name="Sugar, in cubes")
    return replace(lump, ingredient=sugar, unit="g", amount=None, dissolves_later=False)


def _is_soda(pour: Pour) -> bool:
    contents = pour.ingredient.composition
    flavoured = contents.sugar >= PLAIN_G or contents.acid >= PLAIN_G or contents.abv >= PLAIN_G or pour.ingredient.cautions
    return pour.ingredient.is_sparkling and pour.ingredient.kind == "water" and not flavoured


def _why_out(pour: Pour) -> Why | None:
    kind, by_stage = pour.ingredient.kind, {"rim": "edge", "garnish": "garnish", "topped": "on top", "floated": "on top"}
    if pour.stage in ("rim", "garnish"):
        return "edge" if pour.stage == "rim" else "garnish"
    if pour.ingredient.is_sparkling:
        return "bubbles"
    if pour.stage in ("glass", "rinse"):
        return "in the glass"
    if pour.stage in by_stage:
        return "on top"
    if kind == "egg":
        return "egg"
    if pour.ingredient.foam == "firm":
        return "foam"
    if kind == "dairy":
        return "cream"
    return "herbs" if kind == "plant" and pour.unit in ("piece", "leaf") else None


def _words(pour: Pour, why: Why, *, shaken: bool) -> str:
    """Describe what is done with a pour at each serve."""
    amount, name = pour_words(pour), pour.ingredient.in_sentence
    tin = "to the tin with each serve" if shaken else "to each serve and shake it"
    return {
        "egg": f"Never batch egg: dry shake {amount} with each serve.",
        "foam": f"{capital(name)} foams in the bottle, not in the glass: dry shake {amount} with each serve.",
        "cream": f"{capital(name)} curdles with juice in a bottle: add {amount} {tin}.",
        "herbs": f"{capital(name)} {'go' if name.endswith('s') else 'goes'} brown and bitter in a bottle: add {amount}, fresh, {tin}.",
        "bubbles": f"Never bottle bubbles: top each serve with {amount}.",
        "on top": f"Put {amount} on top of each serve.",
        "in the glass": f"Rinse each glass with {name}." if pour.stage == "rinse" else f"First, pour {amount} into each glass.",
        "edge": f"Rim each glass with {name}.",
        "garnish": f"Garnish each serve with {amount}." if amount else f"Garnish each serve with {name}.",
    }[why]
