"""What a finding is: a code, how grave it is, a sentence, and the changes of the drink that would mend it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from oenomel.core.balance import PourShare, Profile
from oenomel.core.families import Family, Home
from oenomel.core.ice import Conditions
from oenomel.core.spec import Drink, Pour


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
class Mend:
    """A change of the drink that would mend a finding: what it says on its button, and what it does."""

    words: str
    edits: tuple[Edit, ...]


@dataclass(frozen=True, slots=True)
class Finding:
    """One finding: ``severity`` is info, warning or error; the message says what and what to do; ``pour`` is the one it is about."""

    code: str
    severity: str
    message: str
    mends: tuple[Mend, ...] = ()
    pour: int | None = None


@dataclass(frozen=True, slots=True)
class Case:
    """A drink with its forecast, as the checks see it; open forms have no home."""

    drink: Drink
    tin: Profile
    served: Profile
    shares: tuple[PourShare, ...]
    conditions: Conditions
    family: Family | None = None
    home: Home | None = None
    poured: tuple[tuple[int, Pour], ...] = field(init=False)

    def __post_init__(self) -> None:
        # What reaches the liquid, with its place in the spec.
        object.__setattr__(self, "poured", tuple((i, p) for i, p in enumerate(self.drink.pours) if p.liquid_ml > 0))
