"""The families, their slots and schools, and the typical range computed from the schools (docs/model/families.md)."""

from __future__ import annotations

import tomllib
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any, Final

from oenomel.core.larder import Ingredient, SlotName, catalogue
from oenomel.core.spec import Drink, FamilyName, Method, Pour, Serve, Stage, Unit
from oenomel.core.spec.drink import FAMILIES

USUAL_DASHES: Final = 2.0
USUAL_ELSEWHERE_ML: Final = 15.0
"""Amount of a new pour of bitters, in dashes, and of an ingredient without a usual measure in a family, [ml] (house rules)."""


@dataclass(frozen=True, slots=True)
class Slot:
    """A slot of a family: its role, whether the family needs it, its usual measure, and its stage."""

    slot: SlotName
    required: bool
    usual_ml: float
    stage: Stage


@dataclass(frozen=True, slots=True)
class Form:
    """A form of a family, with the glass and the ice it is usually served in."""

    name: str
    words: str
    glass: str
    ice: str


@dataclass(frozen=True, slots=True)
class PublishedRange:
    """A published range of balanced drinks: low and high of each axis; shown beside the typical range, never a rule."""

    slug: str
    name: str
    families: tuple[str, ...]
    abv: tuple[float, float]
    sugar: tuple[float, float]
    acid: tuple[float, float]


@dataclass(frozen=True, slots=True)
class School:
    """A school of proportion, as a drink that can be poured. Common practice of the trade."""

    slug: str
    name: str
    words: str
    drink: Drink


@dataclass(frozen=True, slots=True)
class Family:
    """A family of drinks. Open forms have schools to start from, but no typical range: ``has_home`` is false."""

    slug: FamilyName
    name: str
    words: str
    slots: tuple[Slot, ...]
    forms: tuple[Form, ...]
    schools: tuple[School, ...]
    has_home: bool


@dataclass(frozen=True, slots=True)
class NewPour:
    """Default of a new pour of an ingredient: amount, unit, slot and stage."""

    amount: float
    unit: Unit
    slot: SlotName
    stage: Stage


def new_pour(ingredient: Ingredient, family: Family | None, wanted: SlotName = "other") -> NewPour:
    """Return a new pour at its slot's usual measure; where the slot doesn't matter, in the first the ingredient can fill."""
    slot: SlotName = wanted
    if wanted == "other" and ingredient.slots:
        slot = ingredient.slots[0]
    stage: Stage = "rim" if slot == "edge" else "garnish" if slot == "garnish" else "topped" if ingredient.is_sparkling else "mixed"
    if ingredient.kind == "bitters":
        return NewPour(USUAL_DASHES, "dash", slot, stage)
    usual = next((own_slot.usual_ml for own_slot in family.slots if own_slot.slot == slot), None) if family else None
    return NewPour(USUAL_ELSEWHERE_ML if usual is None else usual, "ml", slot, stage)


@cache
def families() -> dict[str, Family]:
    """Return the families by slug: the main ones and the open forms."""
    tables = tomllib.loads((resources.files("oenomel.core.families") / "data" / "families.toml").read_text(encoding="utf-8"))
    return {slug: _family(slug, tables[slug]) for slug in FAMILIES}


@cache
def published_ranges() -> tuple[PublishedRange, ...]:
    """Return the published ranges."""
    tables = tomllib.loads((resources.files("oenomel.core.families") / "data" / "published_ranges.toml").read_text(encoding="utf-8"))
    return tuple(
        PublishedRange(slug, t["name"], tuple(t["families"]), *((t[axis][0], t[axis][1]) for axis in ("abv", "sugar", "acid")))
        for slug, t in tables.items()
    )


def _family(slug: FamilyName, table: dict[str, Any]) -> Family:
    return Family(
        slug=slug,
        name=table["name"],
        words=table["words"],
        slots=tuple(Slot(**slot) for slot in table["slots"]),
        forms=tuple(Form(**form) for form in table["forms"]),
        has_home=table.get("has_home", True),
        schools=tuple(_school(slug, school) for school in table["schools"]),
    )


def _school(family: FamilyName, table: dict[str, Any]) -> School:
    pours = tuple(
        Pour(ingredient=catalogue()[ingredient], volume_ml=float(ml), slot=slot, stage=stage)
        for slot, ingredient, ml, stage in table["pours"]
    )
    drink = Drink(table["name"], family, pours, form=table["form"], method=Method(**table["method"]), serve=Serve(**table["serve"]))
    return School(table["slug"], table["name"], table["words"], drink)
