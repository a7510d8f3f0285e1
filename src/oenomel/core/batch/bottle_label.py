"""Label of a batch: name, date, use by, strength, serve, ice, allergens (docs/model/batch.md)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from oenomel.core.batch.batch import Batch
from oenomel.core.batch.batchable import Service
from oenomel.core.larder import Ingredient
from oenomel.core.wording import listed, with_article


@dataclass(frozen=True, slots=True)
class BottleLabel:
    """The lines of a label: how to serve, what to add to each serve, allergens, and cautions."""

    serve: str
    each: tuple[str, ...]
    allergens: tuple[str, ...]
    cautions: tuple[str, ...]


def serve_words(service: Service, serve_ml: float, glass: str, ice: str) -> str:
    """Describe how to serve one drink from the batch, as a sentence.

    >>> serve_words("ice", 92.4, "tumbler", "none")
    'Pour 92 ml over cubes into a tumbler.'
    """
    into = f" into {with_article(glass)}" if glass else ""
    amount = f"{serve_ml:.0f} ml"
    if service == "shaken":
        return f"Shake {amount} with ice and strain{into}."
    if service == "ice":
        kind = {"none": "cubes", "cubes": "cubes", "large": "one large cube", "crushed": "crushed ice"}[ice]
        return f"Pour {amount} over {kind}{into}."
    if service == "bubbles":
        return f"Pour {amount} cold{into}, down the side."
    return f"Turn the bottle once and pour {amount}{'' if service == 'chilled' else ' from the freezer'}{into}, without ice."


def label_of(batch: Batch, serve_ml: float | None = None) -> BottleLabel:
    """Return the label of a batch; ``serve_ml`` where the real serve differs from the planned one."""
    drink = batch.drink
    everything = [*(pour.ingredient for pour in batch.inside), *(part_outside.pour.ingredient for part_outside in batch.outside)]
    return BottleLabel(
        serve_words(batch.wish.service, batch.serve_ml if serve_ml is None else serve_ml, drink.serve.glass, drink.serve.ice),
        tuple(part_outside.words for part_outside in batch.outside),
        _named(everything, "allergens"),
        _named(everything, "cautions"),
    )


def _named(things: Sequence[Ingredient], what: str) -> tuple[str, ...]:
    return tuple(sorted({term for thing in things for term in getattr(thing, what)}))


def contains_words(allergens: Sequence[str]) -> str:
    """Return the allergens as they are printed on a label."""
    return f"Contains {listed(list(allergens))}." if allergens else "No allergens listed."
