"""Values of an ingredient that are unknown or estimated, and corrections by the bar."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Final

from oenomel.core.larder.catalogue_loader import composition_from_values
from oenomel.core.larder.composition import ACIDS, SUGARS, Composition
from oenomel.core.larder.ingredient import GUESSED_FROM_CLASS, LABELS, Ingredient, SourcedValue
from oenomel.errors import DomainError, OutOfRange

HOUSE_SD: Final = {"abv": 0.01, "sugar": 0.05, "acid": 0.08, "density": 0.005}
"""Relative standard deviations of the bar's corrections without an own one: a label's tolerances (estimates)."""

_NOUNS: Final = (("abv", ("abv",), "strength"), ("sugar", SUGARS, "sugar"), ("acid", ACIDS, "acid"))


def gaps_of(ingredient: Ingredient) -> list[str]:
    """Describe the unknown and estimated values of an ingredient; empty where there are none."""
    gaps = []
    for _, names, noun in _NOUNS:
        sourced_values = [ingredient.values[name] for name in names if name in ingredient.values]
        if any(sourced_value.source_kind in GUESSED_FROM_CLASS for sourced_value in sourced_values):
            gaps.append(f"{noun} guessed from its class")
        elif sourced_values and all(sourced_value.source_kind == "estimate" for sourced_value in sourced_values):
            gaps.append(f"{noun} is an estimate")
    if not ingredient.aroma and ingredient.kind not in ("water", "sugar", "seasoning"):
        gaps.append("no aroma given")
    if ingredient.label("price_per_litre") is None and ingredient.kind not in ("water", "plant"):
        gaps.append("no price")
    return gaps


def set_right(ingredient: Ingredient, corrections: Mapping[str, float], source: str) -> dict[str, SourcedValue]:
    """Return an ingredient's values with the bar's corrections: strength, total sugar, total acid, density, shelf life in days.

    Parameters
    ----------
    corrections : mapping of str to float    ``abv`` in % v/v, ``sugar`` and ``acid`` in g per 100 ml, ``density`` in g/ml, ``keeps_days``
    source : str                      where they come from

    Raises
    ------
    OutOfRange, ImpossibleComposition
        The values can't hold together.
    DomainError
        A sugar that reads like a °Bx.
    """
    composition, new_values = ingredient.composition, dict[str, SourcedValue]()
    sugar = corrections.get("sugar")
    if sugar is not None and ingredient.kind in ("juice", "wine", "sparkling", "water") and sugar > 30:
        raise DomainError(
            f"{sugar:g} g sugar per 100 ml is a syrup, not {ingredient.in_sentence}. Is the unit right? A refractometer shows °Bx"
        )
    for name, value in corrections.items():
        if name == "sugar":
            new_values |= _parts(composition.sugars, composition.sugar, value, "sucrose", source, HOUSE_SD["sugar"])
        elif name == "acid":
            new_values |= _parts(composition.acids, composition.acid, value, "citric", source, HOUSE_SD["acid"])
        else:
            low, high = LABELS.get(name, (0.0, 100.0))
            if not low <= value <= high:
                raise OutOfRange(name.replace("_", " "), value, low, high)
            new_values[name] = SourcedValue(name, value, HOUSE_SD.get(name, 0.3), source, "label", "set right by the house")
    values = {**ingredient.values, **new_values}
    if "density" not in corrections and ({"abv", "sugar"} & corrections.keys()) and "density" in values:
        # The old density belonged to the old strength: it is estimated again.
        new_values["density"] = _density(
            composition_from_values({k: v for k, v in values.items() if k != "density"}, ingredient.kind), source
        )
        values |= {"density": new_values["density"]}
    composition_from_values(values, ingredient.kind)
    return new_values


def _parts(kinds: Mapping[str, float], total: float, wanted: float, usual: str, source: str, sd: float) -> dict[str, SourcedValue]:
    shares = {kind: grams / total for kind, grams in kinds.items() if grams > 0} if total > 0 else {usual: 1.0}
    return {kind: SourcedValue(kind, wanted * share, sd, source, "label", "set right by the house") for kind, share in shares.items()}


def _density(composition: Composition, source: str) -> SourcedValue:
    return SourcedValue("density", composition.density_g_per_ml, 0.01, source, "estimate", "recalculated from the corrected values")
