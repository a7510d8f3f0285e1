"""Usual measures of an original drink's ingredients, and ingredients never poured unasked: the trade's habits."""

from __future__ import annotations

import tomllib
from collections.abc import Mapping
from functools import cache
from importlib import resources
from typing import Any, Final

from oenomel.core.larder import Ingredient, SlotName
from oenomel.core.spec import GRID_ML, ML_PER_UNIT, Pour, Stage, Unit, grid_of, to_ml
from oenomel.core.spec.drink import RINSE_ML

DASHES: Final = 2

USUAL_ML: Final[Mapping[str, float]] = {
    "sour2": 22.5, "sweet2": 7.5, "texture": 30.0, "cream": 7.5, "liqueur": 7.5, "accent": 5.0, "lengthener": 75.0,
}  # fmt: skip
"""Default amounts of roles, [ml]; a family's own measure of a slot comes first."""


@cache
def _table() -> dict[str, Any]:
    return tomllib.loads((resources.files("oenomel.core.originals") / "data" / "measures.toml").read_text(encoding="utf-8"))


def seasons() -> Mapping[str, tuple[str, ...]]:
    """Return the aroma tags of each season."""
    return {name: tuple(tags) for name, tags in _table()["seasons"].items()}


@cache
def asked_for_only() -> frozenset[str]:
    """Return the slugs that are never poured unasked."""
    return frozenset(_table()["asked_for_only"]["slugs"])


@cache
def bases_without_alcohol() -> frozenset[str]:
    """Return the slugs that may play the base of a drink without alcohol although they have no slot for it: cold tea."""
    return frozenset(_table()["without_alcohol"]["bases"])


def salted_edges() -> frozenset[str]:
    """Return the slugs of spirits whose daisy gets a salted rim."""
    return frozenset(_table()["spirits"]["salted_edge"])


@cache
def _rows() -> Mapping[str, str]:
    """Return the row of spirits that each slug belongs to."""
    return {slug: name for name, slugs in _table()["spirits"]["rows"].items() for slug in slugs}


def shares_a_base(slug: str) -> bool:
    """Check whether a spirit, by slug, is ever combined with another."""
    return slug in _rows()


@cache
def may_split(one: str, other: str) -> bool:
    """Check whether two spirits, by slug, may share a base."""
    mine, its, together = _rows().get(one, ""), _rows().get(other, ""), _table()["spirits"]["together"]
    return bool(mine and its) and (mine == its or its in together.get(mine, ()) or mine in together.get(its, ()))


def is_accent(ingredient: Ingredient) -> bool:
    """Check whether an ingredient has a usual measure as an accent."""
    slug = ingredient.slug
    return ingredient.kind == "bitters" or any(slug in _table()[part] for part in ("pressed", "spooned", "dashed"))


def accent_pour(ingredient: Ingredient) -> Pour:
    """Return an accent at its usual measure: dashes, leaves, a barspoon, a rinse; never above its overpowering amount."""
    slug, table = ingredient.slug, _table()
    if slug in table["pressed"]:
        amount, unit = table["pressed"][slug]
        return _poured(ingredient, float(amount), unit, "accent")
    if ingredient.kind == "bitters" or slug in table["dashed"]:
        return _poured(ingredient, float(table["dashed"].get(slug, DASHES)), "dash", "accent")
    ml = float(table["spooned"].get(slug, below_overpowering_ml(ingredient, ML_PER_UNIT["barspoon"])))
    if ml <= RINSE_ML:
        return Pour(ingredient, ml, slot="accent", stage="rinse")
    return Pour(ingredient, ml, slot="accent")


def _poured(ingredient: Ingredient, amount: float, unit: Unit, slot: SlotName, stage: Stage = "mixed") -> Pour:
    return Pour(ingredient, to_ml(amount, unit, ingredient), unit, slot, stage, amount=amount)


def on_grid(ml: float, grid_ml: float) -> float:
    """Return the nearest amount that a jigger with these marks can pour, at least one mark.

    >>> on_grid(22.5, 2.5), on_grid(22.5, 5), on_grid(7.5, 15)
    (22.5, 20.0, 15.0)
    """
    return float(max(grid_ml, round(ml / grid_ml) * grid_ml))


def below_overpowering_ml(ingredient: Ingredient, ml: float, grid_ml: float = GRID_ML) -> float:
    """Return an amount, limited to what isn't overpowering, on the grid."""
    loud = ingredient.label("loud_above_ml")
    if loud is None or loud >= ml:
        return ml
    step = grid_of(ingredient, "ml", grid_ml)
    return max(ML_PER_UNIT["dash"], int(loud / step + 1e-9) * step)
