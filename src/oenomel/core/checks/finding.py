"""A finding: its code, its severity, a sentence, and the fixes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Final

from oenomel.core.balance import PourShare, Profile
from oenomel.core.dilution import Conditions
from oenomel.core.families import TypicalRange
from oenomel.core.families.family import Family
from oenomel.core.spec import Drink, Pour

FOR_MANY_ML: Final = 400.0
LARGE_POUR_ML: Final = 60.0
SERVE_ML: Final = 105.0
"""Volume in the tin, with at least two large pours, from which a drink is a batch and not a glass; and the volume of one serve before
water (house rules; the last is a modern sour).
"""

LEAST_BASE_ML: Final = 20.0
"""Least amount of a liqueur or wine as the strong pour of a drink (house rule)."""


@dataclass(frozen=True, slots=True)
class Edit:
    """One change of a spec, in its own keys.

    ``place`` is "pour" (the one at ``index``, or a new one where there is no index), "method", "serve", or "amounts" (every amount
    times ``changes["times"]``).
    """

    place: str
    changes: Mapping[str, object]
    index: int | None = None


@dataclass(frozen=True, slots=True)
class Fix:
    """A change that would mend a finding: the words on its button, and the edits it makes."""

    words: str
    edits: tuple[Edit, ...]


@dataclass(frozen=True, slots=True)
class Finding:
    """One finding: ``severity`` is info, warning or error; the message says what and what to do; ``pour`` is the one it is about."""

    code: str
    severity: str
    message: str
    mends: tuple[Fix, ...] = ()
    pour: int | None = None


@dataclass(frozen=True, slots=True)
class Case:
    """A drink with its forecast, as the checks see it; open forms have no typical range. ``co2`` in g/l and ``served_c`` in °C are of
    the glass.
    """

    drink: Drink
    tin: Profile
    served: Profile
    shares: tuple[PourShare, ...]
    conditions: Conditions
    co2: float
    served_c: float
    family: Family | None = None
    home: TypicalRange | None = None
    poured: tuple[tuple[int, Pour], ...] = field(init=False)

    def __post_init__(self) -> None:
        # Pours that reach the liquid, with their index in the spec.
        object.__setattr__(self, "poured", tuple((i, p) for i, p in enumerate(self.drink.pours) if p.liquid_ml > 0))

    @property
    def serves(self) -> int:
        """Number of serves: one, or an estimate where a whole bottle was written as one drink; its water isn't counted."""
        large = sum(pour.meets_ice and pour.liquid_ml >= LARGE_POUR_ML for _, pour in self.poured)
        still = sum(p.liquid_ml for _, p in self.poured if p.ingredient.kind == "water" and p.meets_ice and not p.ingredient.is_sparkling)
        return max(2, round((self.tin.volume_ml - still) / SERVE_ML)) if large > 1 and self.tin.volume_ml >= FOR_MANY_ML else 1

    @property
    def sparkles(self) -> bool:
        """True if anything poured is sparkling."""
        return any(pour.ingredient.is_sparkling for _, pour in self.poured)

    @property
    def base(self) -> int | None:
        """The pour that gives the strength: the largest of the base slot, or else the one that brings most alcohol."""
        of_the_slot = [(pour.liquid_ml, -i) for i, pour in self.poured if pour.slot == "base"]
        strong = of_the_slot or [(self.shares[i].alcohol_ml, -i) for i, p in self.poured if p.liquid_ml >= LEAST_BASE_ML]
        amount, index = max(strong, default=(0.0, 0))
        return -index if amount > 0 else None
