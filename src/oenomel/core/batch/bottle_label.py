"""Label of a bottle: name, date, use by, strength, serve, ice, allergens (docs/model/batch.md)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from oenomel.core.batch.batch import Batch
from oenomel.core.batch.batchable import Service
from oenomel.core.larder import Ingredient
from oenomel.core.wording import listed, with_article


@dataclass(frozen=True, slots=True)
class BottleLabel:
    """The lines of a label: how it is served, what is added to each serve, what must be named of it, and what to look out for."""

    serve: str
    each: tuple[str, ...]
    allergens: tuple[str, ...]
    cautions: tuple[str, ...]


def serve_words(service: Service, serve_ml: float, glass: str, ice: str) -> str:
    """Describe how one serve is poured, as a sentence.

    >>> serve_words("ice", 92.4, "tumbler", "none")
    'Pour 92 ml over cubes into a tumbler.'
    """
    into = f" into {with_article(glass)}" if glass else ""
    amount = f"{serve_ml:.0f} ml"
    if service == "shaken":
        return f"Shake {amount} with ice, as it is written, and strain{into}."
    if service == "ice":
        kind = {"none": "cubes", "cubes": "cubes", "large": "one large cube", "crushed": "crushed ice"}[ice]
        return f"Pour {amount} over {kind}{into}."
    if service == "bubbles":
        return f"Pour {amount} cold{into}, along the side."
    return f"Turn it once, and pour {amount}{'' if service == 'chilled' else ' from the freezer'}{into}, without ice."


def label_of(batch: Batch, serve_ml: float | None = None) -> BottleLabel:
    """Return the label of a batch, with what is added to each serve; ``serve_ml`` where it was really filled otherwise than told."""
    drink = batch.drink
    everything = [*(pour.ingredient for pour in batch.inside), *(each.pour.ingredient for each in batch.outside)]
    return BottleLabel(
        serve_words(batch.wish.service, batch.serve_ml if serve_ml is None else serve_ml, drink.serve.glass, drink.serve.ice),
        tuple(each.words for each in batch.outside),
        _named(everything, "allergens"),
        _named(everything, "cautions"),
    )


def _named(things: Sequence[Ingredient], what: str) -> tuple[str, ...]:
    return tuple(sorted({each for thing in things for each in getattr(thing, what)}))


def contains_words(allergens: Sequence[str]) -> str:
    """Return what must be named, as it stands on a label."""
    return f"Contains {listed(list(allergens))}." if allergens else "No allergen is named of what went in."
