"""An ingredient described from its label: stated values, and the rest estimated from its kind, with a wider spread."""

from __future__ import annotations

import re
import statistics
import tomllib
import unicodedata
from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from functools import cache
from importlib import resources
from typing import Final

from oenomel.core.larder.catalogue_loader import composition_from_values
from oenomel.core.larder.composition import ACIDS, COLUMN, SUGARS
from oenomel.core.larder.ingredient import CLASS_ON_LABEL, MEDIAN_OF_KIND, Ingredient, Kind, SlotName, SourcedValue
from oenomel.errors import DomainError, OutOfRange

LABEL_ABV_SD: Final = 0.005
LABEL_SUGAR_SD: Final = 0.05
LABEL_ACID_SD: Final = 0.08
"""Standard deviations of a label. Strength: 0.3 % vol of about 40 (Regulation (EU) 1169/2011, Annex XII); the others are estimates."""

GUESSED_LEAST_SD: Final = 0.25
GUESSED_MOST_SD: Final = 0.8
LIKE_SD: Final = 0.2
"""Bounds of the spread of values guessed from a kind, and the spread of values taken from a similar ingredient."""

DRY: Final = 0.05
"""Sugar or acid below which there is none, [g/100 ml]."""


@dataclass(frozen=True, slots=True)
class Label:
    """Values printed on a bottle.

    Parameters
    ----------
    name : str
    kind : Kind                          one of `KINDS`
    abv : float or None, [% v/v]
    sugar, acid : float or None, [g/100 ml]
    sweetness : str                      a class of `sweetness_classes` for the kind, where no sugar is told
    like : Ingredient or None            a similar ingredient, whose kinds of sugar and acid, aroma, slots and colour are used
    """

    name: str
    kind: Kind
    abv: float | None = None
    sugar: float | None = None
    acid: float | None = None
    sweetness: str = ""
    like: Ingredient | None = None


def abv_of_proof(proof: float) -> float:
    """Convert a US proof to strength, [% v/v]: half of it (27 CFR 5.1)."""
    return proof / 2


@cache
def sweetness_classes() -> dict[str, dict[str, tuple[float, float, str]]]:
    """Return the sweetness words by kind: least and most sugar in g per 100 ml, and the source."""
    tables = tomllib.loads((resources.files("oenomel.core.larder") / "data" / "sweetness_classes.toml").read_text(encoding="utf-8"))
    return {
        kind: {name: (float(row["sugar"][0]), float(row["sugar"][1]), row["source"]) for name, row in classes.items()}
        for kind, classes in tables.items()
    }


def bottle_from(label: Label, known: Iterable[Ingredient]) -> Ingredient:
    """Build the ingredient that a label describes.

    Missing values are taken from the similar ingredient, else from the median of its kind.

    Raises
    ------
    DomainError
        The name is empty, the sweetness isn't one of the kind's, or the values contradict each other.
    OutOfRange
    """
    name = " ".join(label.name.split())
    if not name:
        raise DomainError("the bottle needs a name")
    for what, value, most in (("the strength in %", label.abv, 100), ("the sugar", label.sugar, 150), ("the acid", label.acid, 60)):
        if value is not None and not 0 <= value <= most:
            raise OutOfRange(what, value, 0, most)
    kin = (
        [label.like]
        if label.like
        else [ingredient for ingredient in known if ingredient.kind == label.kind and ingredient.origin == "catalogue"]
    )
    abv = SourcedValue("abv", label.abv, LABEL_ABV_SD, "its label", "label") if label.abv is not None else _middle("abv", kin, label)
    values = [
        *([abv] if abv else []),
        *_parts(SUGARS, _labelled_sugar(label) or _middle("sugar", kin, label), kin, "sucrose"),
        *_parts(ACIDS, _sourced("acid", label.acid, LABEL_ACID_SD) or _middle("acid", kin, label), kin, "citric"),
        *(_lent(label.like) if label.like else _bubbles(kin)),
    ]
    sourced = {value.name: value for value in values}
    slots = label.like.slots if label.like else _usual_slots(kin)
    return Ingredient(
        slug=slug_for(name),
        name=name,
        kind=label.kind,
        composition=composition_from_values(sourced, label.kind),
        slots=slots,
        allergens=label.like.allergens if label.like else (),
        cautions=label.like.cautions if label.like else (),
        aroma=dict(label.like.aroma) if label.like else {},
        foam=label.like.foam if label.like else "",
        origin="house",
        values=sourced,
    )


def slug_for(name: str) -> str:
    """Make a slug from a name in any script: Latin letters without accents, others unchanged; code points where there are no letters.

    >>> slug_for("Crème d’Été, 40 %"), slug_for("木"), slug_for("🍋")
    ('creme-d-ete-40', '木', '1f34b')
    """
    plain = "".join(_bare(letter) for letter in unicodedata.normalize("NFC", name)).lower()
    slug = re.sub(r"-+", "-", plain).strip("-")[:80].strip("-")
    return slug or "-".join(f"{ord(letter):x}" for letter in name.strip())[:80].strip("-") or "bottle"


def _bare(letter: str) -> str:
    """Return a letter for a slug: Latin letters without accents, a hyphen for anything that isn't a letter."""
    base = unicodedata.normalize("NFKD", letter)
    if base[0].isascii():
        return "".join(char if char.isalnum() else "-" for char in base if char.isascii())
    return letter if unicodedata.category(letter)[0] in "LMN" else "-"


def _sourced(name: str, value: float | None, relative_sd: float) -> SourcedValue | None:
    return None if value is None else SourcedValue(name, value, relative_sd, "its label", "label")


def _labelled_sugar(label: Label) -> SourcedValue | None:
    if label.sugar is not None:
        return SourcedValue("sugar", label.sugar, LABEL_SUGAR_SD, "its label", "label")
    if not label.sweetness:
        return None
    classes = sweetness_classes().get(label.kind, {})
    if label.sweetness not in classes:
        listed = ", ".join(classes) or "none: enter its sugar instead"
        raise DomainError(f'"{label.sweetness}" isn\'t a sweetness of {label.kind}: use {listed}')
    low, high, source = classes[label.sweetness]
    middle = (low + high) / 2
    # Any value of the class is equally likely.
    return SourcedValue(
        "sugar", middle, (high - low) / 12**0.5 / middle, source, CLASS_ON_LABEL, f'middle of the class "{label.sweetness}"'
    )


def _middle(name: str, kin: Sequence[Ingredient], label: Label) -> SourcedValue | None:
    """Return the value of the similar ingredient, or the median of the kind."""
    values = [float(getattr(ingredient.composition, name)) for ingredient in kin]
    if not values:
        return None
    if label.like:
        return SourcedValue(name, values[0], LIKE_SD, "estimate", "estimate", f"as in {label.like.name}")
    middle = statistics.median(values)
    spread = statistics.pstdev(values) / middle if middle else 0.0
    why = f"middle of {len(values)} of the kind {label.kind} in the catalogue, not given on its label"
    return SourcedValue(name, middle, min(max(spread, GUESSED_LEAST_SD), GUESSED_MOST_SD), "estimate", MEDIAN_OF_KIND, why)


def _parts(names: Sequence[str], total: SourcedValue | None, kin: Sequence[Ingredient], usual: str) -> list[SourcedValue]:
    """Divide a total of sugar or acid among its kinds, in the proportions of similar ingredients."""
    if total is None or total.value < DRY:
        return []
    shares = Counter({name: sum(ingredient.composition.row[COLUMN[name]] for ingredient in kin) for name in names})
    whole = sum(shares.values())
    parts = {name: share / whole for name, share in shares.items() if share > 0.1 * whole} if whole else {usual: 1.0}
    rest = sum(parts.values())
    return [
        SourcedValue(name, total.value * share / rest, total.relative_sd, total.source, total.source_kind, total.why)
        for name, share in parts.items()
    ]


def _lent(like: Ingredient) -> list[SourcedValue]:
    """Return further values of a similar ingredient: bubbles, protein, colour, bitterness."""
    names = ("co2", "protein", "fat", "gum", "salt", "bitterness", "cloudiness", "absorbance_red", "absorbance_green", "absorbance_blue")
    kept = [like.values[name] for name in names if name in like.values]
    why = f"as in {like.name}"
    return [
        replace(sourced_value, relative_sd=max(sourced_value.relative_sd, LIKE_SD), source="estimate", source_kind="estimate", why=why)
        for sourced_value in kept
    ]


def _bubbles(kin: Sequence[Ingredient]) -> list[SourcedValue]:
    co2s = [ingredient.composition.co2 for ingredient in kin]
    middle = statistics.median(co2s) if co2s else 0.0
    return [SourcedValue("co2", middle, GUESSED_LEAST_SD, "estimate", "estimate", "as its kind has")] if middle > 0 else []


def _usual_slots(kin: Sequence[Ingredient]) -> tuple[SlotName, ...]:
    """Return the slots that at least half of the kind can fill."""
    counted = Counter(slot for ingredient in kin for slot in ingredient.slots)
    return tuple(slot for slot, number in counted.most_common() if 2 * number >= len(kin))
