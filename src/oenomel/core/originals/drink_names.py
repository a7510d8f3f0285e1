"""Suggested names for originals, from their aromas and the bar's own words; never a known drink's name."""

from __future__ import annotations

import hashlib
import itertools
from collections.abc import Iterator, Sequence
from functools import cache
from importlib import resources
from typing import Final

from oenomel.core.larder import Ingredient
from oenomel.core.spec import Drink

OWN_WORDS: Final = ("Lantern", "Threshold", "Orbit", "Harbour", "Ladder", "Meadow", "Almanac", "Hour", "Letter", "Quarter")
"""Second words of a name where the book has none yet."""

_NO_WORDS: Final = frozenset({"sour", "daisy", "fizz", "the", "and", "of", "a", "no", "new", "with", "drink", "trial", "others", "spec"})

_TOLD_AS: Final = {
    "dark-berry": "Hedgerow", "bitter-orange": "Bitter Peel", "grass": "Green Cane", "vegetal": "Garden", "saline": "Salt", "earth": "Root",
    "bread": "Bakehouse", "butter": "Churn", "rye": "Rye Field", "malt": "Barley",
}  # fmt: skip
"""Words for aroma tags in a name; other tags by their own word. None names a fruit or plant that may not be in the drink."""


@cache
def known_names() -> frozenset[str]:
    """Return the names of well-known drinks in lower case, none of which is suggested."""
    text = (resources.files("oenomel.core.originals") / "data" / "known_names.txt").read_text(encoding="utf-8")
    return frozenset(line.strip().lower() for line in text.splitlines() if line.strip() and not line.startswith("#"))


def name_for(drink: Drink, taken: Sequence[str], book: Sequence[str]) -> str:
    """Suggest a name that is neither taken nor a known drink's; deterministic for the same drink and names."""
    used = {name.lower() for name in (*taken, *book)} | known_names()
    return next(name for name in _offered(drink, book) if name.lower() not in used)


def _offered(drink: Drink, book: Sequence[str]) -> Iterator[str]:
    leads = [_word(pour.ingredient) for pour in sorted(drink.pours, key=lambda pour: _TELLING.get(pour.slot, 9)) if pour.ingredient.aroma]
    leads = list(dict.fromkeys(leads)) or ["Plain"]
    house = [word for name in book for word in _own(name)[-1:]]
    words = list(dict.fromkeys(house)) or list(OWN_WORDS)
    # The first word is chosen by the drink itself, so that similar drinks don't all get the same one.
    start = int(hashlib.sha256("|".join(pour.ingredient.slug for pour in drink.pours).encode()).hexdigest(), 16)
    turned = [*words[start % len(words) :], *words[: start % len(words)]]
    for lead, word in itertools.product(leads[:2], turned):
        if word.lower() not in lead.lower():
            yield f"{lead} {word}"
    for one, other in itertools.permutations(leads, 2):
        yield f"{one} and {other}"
    for number in itertools.count(2):
        yield f"{leads[0]} {turned[0]} {number}"


def _own(name: str) -> list[str]:
    """Return the words of a name that are distinctive: not its family, no short words."""
    return [word for word in name.split() if word.isalpha() and word.lower() not in _NO_WORDS and len(word) > 2]


_TELLING: Final = {"accent": 0, "liqueur": 1, "sweet": 2, "sour": 3, "lengthener": 4, "base": 5, "texture": 6}
"""Roles that give a drink its name, in order: the unusual before the main ones."""


def _word(ingredient: Ingredient) -> str:
    tag = min(ingredient.aroma, key=lambda name: (-ingredient.aroma[name], name))
    return _TOLD_AS.get(tag, tag.replace("-", " ").title())
