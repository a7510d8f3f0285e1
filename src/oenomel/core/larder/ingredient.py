"""An ingredient: a generic class, a bottle or a preparation, with the source of each value."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Final, Literal, get_args

from oenomel.core.larder.composition import Composition
from oenomel.errors import OutOfRange

Kind = Literal[
    "spirit", "liqueur", "fortified", "aromatised", "wine", "sparkling", "beer", "cider", "juice", "vinegar", "syrup", "honey", "sugar",
    "egg", "dairy", "plant", "bitters", "seasoning", "water", "zero-proof", "other",
]  # fmt: skip
KINDS: Final[tuple[Kind, ...]] = get_args(Kind)
SlotName = Literal["base", "sour", "sweet", "liqueur", "accent", "texture", "lengthener", "seasoning", "edge", "garnish", "other"]
SLOTS: Final[tuple[SlotName, ...]] = get_args(SlotName)
Foam = Literal["", "light", "firm"]
FOAMS: Final[tuple[Foam, ...]] = get_args(Foam)
VARYING_KINDS: Final[frozenset[Kind]] = frozenset({"juice", "wine", "sparkling", "liqueur", "syrup", "fortified", "aromatised", "vinegar"})
"""Kinds that vary from day to day or from bottle to bottle, so that a trial should name its lot."""

ALLERGENS: Final = ("egg", "milk", "tree nuts", "sulphites", "gluten", "soya", "celery", "sesame", "fish")
"""Allergens that guests ask about, of the groups that must be declared (Regulation (EU) 1169/2011, Annex II)."""

RAREST_RANK: Final = 4
USUAL_RANK: Final = 2
"""Ranks of how usual an ingredient is: 1 behind every bar, 2 behind most (the default), 3 behind some, 4 seldom seen."""

_PROPER: Final = frozenset({
    "Batavia", "Canadian", "Champagne", "Cuban", "English", "French", "Greek", "Irish", "Islay", "Italian", "Jamaican", "Japanese",
    "London", "Marsala", "Mexican", "Pedro", "Peruvian", "Pineau", "Plymouth", "Scotch", "Scottish", "Seville", "Spanish", "Swedish",
    "Tennessee", "Turkish", "Welsh", "Worcestershire",
})  # fmt: skip
"""First words of names that keep their capital inside a sentence."""

LABELS: Final = {
    "bitterness": (0.0, 5.0),
    "cloudiness": (0.0, 1.0),
    "absorbance_red": (0.0, 30.0),
    "absorbance_green": (0.0, 30.0),
    "absorbance_blue": (0.0, 30.0),
    "keeps_days": (0.0, 10_000.0),
    "loud_above_ml": (0.0, 100.0),
    "price_per_litre": (0.0, 10_000.0),
}
"""Sourced values outside the composition, with their bounds: bitterness on the bar's scale, absorbance per cm, cloudiness 0 to 1, shelf
life once open in days, overpowering amount, and price in the bar's currency.
"""


MEDIAN_OF_KIND: Final = "median of the kind"
CLASS_ON_LABEL: Final = "class on the label"
GUESSED_FROM_CLASS: Final = frozenset({MEDIAN_OF_KIND, CLASS_ON_LABEL})
"""Kinds of source of values guessed from a class: the median of ingredients of that kind, or the middle of a class named on the label."""


@dataclass(frozen=True, slots=True)
class SourcedValue:
    """One composition value with its source.

    Parameters
    ----------
    name : str          a property of `Composition`
    value : float       in that property's unit
    relative_sd : float, [1]
    source : str        the citation, or "estimate"
    source_kind : str   regulation, handbook, food table, published, common practice, definition, label, estimate, invented, or one of
                        `GUESSED_FROM_CLASS`
    why : str           reasoning of an estimate, or how the value follows from its source; may be empty
    """

    name: str
    value: float
    relative_sd: float
    source: str
    source_kind: str
    why: str = ""


def check_labels(values: Iterable[SourcedValue]) -> None:
    """Check the values of a label; raises OutOfRange that names the first impossible one."""
    for value in values:
        if value.name in LABELS:
            low, high = LABELS[value.name]
            if not low <= value.value <= high:
                raise OutOfRange(value.name, value.value, low, high)


@dataclass(frozen=True, slots=True)
class Ingredient:
    """One ingredient: anything that can fill a slot.

    ``name`` is the trade's everyday name, ``also`` are its other names; ``rank`` is how usual it is, from 1 (behind every bar) to 4
    (seldom seen). ``impression`` is the trade's description of what composition doesn't show. ``piece_ml`` and ``piece_g`` are what one
    piece or leaf adds. ``aroma`` holds weights 1 to 3 by tag, ``foam`` is "", "light" or "firm". ``lot`` is the name of a lot, if it is
    one, and ``lot_hours`` its age. ``values`` also holds sourced values outside the composition: see `LABELS`.
    """

    slug: str
    name: str
    kind: Kind
    composition: Composition
    slots: tuple[SlotName, ...] = ()
    impression: str = ""
    allergens: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    piece_ml: float | None = None
    piece_g: float | None = None
    aroma: Mapping[str, int] = field(default_factory=dict)
    foam: Foam = ""
    origin: str = "catalogue"
    also: tuple[str, ...] = ()
    rank: int = USUAL_RANK
    values: Mapping[str, SourcedValue] = field(default_factory=dict)
    lot: str = ""
    lot_hours: float | None = None

    @property
    def in_sentence(self) -> str:
        """Its name inside a sentence: "lemon juice", but "London dry gin" and other proper names."""
        first, *rest = self.name.split() or [""]
        proper = first in _PROPER or first[1:] != first[1:].lower() or any(word[0].isupper() for word in rest)
        return self.name if proper else self.name[:1].lower() + self.name[1:]

    @property
    def varies(self) -> bool:
        """True if its composition varies from day to day or from bottle to bottle."""
        return self.kind in VARYING_KINDS

    @property
    def is_sparkling(self) -> bool:
        """True if it holds enough carbon dioxide to burst a closed tin (over 2 g/l, the most in still wine)."""
        return self.composition.co2 > 2.0

    def label(self, name: str) -> float | None:
        """Return the value of one of `LABELS`; None where it is missing or impossible."""
        low, high = LABELS[name]
        value = self.values[name].value if name in self.values else None
        return value if value is not None and low <= value <= high else None

    @property
    def absorbance(self) -> tuple[float, float, float]:
        """Absorbance per cm at red, green and blue; clear where unknown."""
        return self.label("absorbance_red") or 0.0, self.label("absorbance_green") or 0.0, self.label("absorbance_blue") or 0.0
