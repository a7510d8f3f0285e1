"""Batches topped up with new ones: the share of each filling, and the composition (docs/model/batch.md, ageing)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from oenomel.core.balance import mix
from oenomel.core.larder import Composition
from oenomel.core.larder.composition import composition_of_vector
from oenomel.core.spec import Pour
from oenomel.errors import DomainError

LEAST_SHARE = 0.001
"""Smallest share that is followed."""

LEAST_TOLD = 0.005
"""Smallest share that is described."""


@dataclass(frozen=True, slots=True)
class Filling:
    """A filling of a bottle or a cask: the new part, [ml], and the part kept of the older filling, [ml]."""

    key: int
    new_ml: float
    older: int | None = None
    older_ml: float = 0.0

    @property
    def share_of_older(self) -> float:
        """Share of the filling that is older than itself."""
        whole = self.new_ml + self.older_ml
        return self.older_ml / whole if whole > 0 else 0.0


def shares(fillings: Mapping[int, Filling], of: int) -> list[tuple[int, float]]:
    """Return the fillings in a batch, newest first, each with its share: 1 − x, x(1 − x) … where each keeps x of the one before.

    Raises
    ------
    DomainError
        A filling would be older than itself, or is missing.

    >>> chain = {1: Filling(1, 750), 2: Filling(2, 500, 1, 250), 3: Filling(3, 500, 2, 250)}
    >>> [(key, round(share, 4)) for key, share in shares(chain, 3)]
    [(3, 0.6667), (2, 0.2222), (1, 0.1111)]
    """
    shares_of: list[tuple[int, float]] = []
    share, at = 1.0, of
    seen: set[int] = set()
    while True:
        if at in seen:
            raise DomainError("a batch can't be refilled with itself")
        if at not in fillings:
            raise DomainError(f"no filling {at}")
        seen.add(at)
        filling = fillings[at]
        shares_of.append((at, share * (1 - filling.share_of_older)))
        share *= filling.share_of_older
        if filling.older is None or share < LEAST_SHARE:
            return shares_of
        at = filling.older


def contents_of(pours: Sequence[Pour]) -> Composition:
    """Compute the composition of a batch of several fillings, with the uncertainty of each axis; spreads of different ingredients are
    independent.
    """
    liquid = mix([pour.volume_ml for pour in pours], [pour.ingredient.composition.vector for pour in pours])
    volume = float(liquid.volume_ml)
    spread = {}
    for index, name in enumerate(("abv", "sugars", "acids")):
        level = sum(pour.volume_ml * pour.ingredient.composition.axes[index] for pour in pours) / volume
        sd = math.hypot(*(pour.volume_ml * pour.ingredient.composition.axes_sd[index] for pour in pours)) / volume
        if level > 0:
            spread[name] = min(2.0, sd / level)
    return composition_of_vector(liquid.concentrations.tolist(), spread=spread)


def descent_words(names: Mapping[int, str], shares: Sequence[tuple[int, float]]) -> str:
    """Describe the older fillings in a batch; empty where there are none.

    >>> descent_words({1: "the one of May", 2: "the one of June"}, [(2, 0.75), (1, 0.25)])
    '25% the one of May'
    """
    return ", ".join(f"{100 * share:.0f}% {names[key]}" for key, share in shares[1:] if share >= LEAST_TOLD)
