"""Matching a recipe's words with an ingredient of the larder, with alternatives."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import Index, Kind, Tier, stems

OTHERS_TOLD: Final = 3

_LOOSE: Final = frozenset(
    {
        "rum",
        "whiskey",
        "whisky",
        "vermouth",
        "sherry",
        "wine",
        "liqueur",
        "brandy",
        "port",
        "curaçao",
        "curacao",
        "beer",
        "tea",
        "bitter",
        "cherry",
    }
    | {"vinegar", "cane syrup", "cider", "orange liqueur", "agricole", "schnapps", "amari", "berries", "juice", "scotch whisky", "syrup"}
)
"""Words with several usual meanings: one is chosen, and marked as a guess."""

_SHORT_WORD: Final = 3
_PROPORTION: Final = re.compile(r"\d(?:[.,]\d)? ?(?::|to) ?\d|\d ?%")


@dataclass(frozen=True, slots=True)
class Meant:
    """A matched ingredient's slug, None where nothing matches; whether it is certain; the alternatives; and the reason for doubt."""

    slug: str | None
    sure: bool
    others: tuple[str, ...] = ()
    why: str = ""


def meant_by(words: str, asides: tuple[str, ...], index: Index) -> Meant:
    """Match words with an ingredient, given the words in brackets behind them ("simple syrup (2:1)")."""
    first, *alternatives = " ".join(words.split()).split(" or ")
    of_first = _match_of(first if alternatives else words, asides, index)
    if not alternatives:
        return of_first
    if " " in alternatives[-1]:  # "orange or regular bitters" are orange bitters
        shared = _match_of(f"{first} {alternatives[-1].split()[-1]}", asides, index)
        of_first = shared if shared.sure else of_first
    also = [meant.slug for meant in (_match_of(one, (), index) for one in alternatives) if meant.slug]
    others = tuple(dict.fromkeys([*also, *of_first.others]))[:OTHERS_TOLD]
    return Meant(of_first.slug, False, others, "The line gives a choice. The first one is used.")


def _match_of(words: str, asides: tuple[str, ...], index: Index) -> Meant:
    matches = []
    for telling in _readings(words, asides):
        matches = index.find(telling)
        if matches and matches[0].tier <= Tier.ANY_ORDER:
            others = tuple(match.slug for match in matches[1:] if match.tier <= Tier.HAS_WORDS)[:OTHERS_TOLD]
            loose = " ".join(telling.lower().split()) in _LOOSE
            return Meant(matches[0].slug, not loose, others, _loosely(telling, matches[0].name) if loose else "")
    # Three letters begin too many names: "pea syrup" isn't peach syrup.
    beginnings = min((len(stem) for stem in stems(words)), default=0) > _SHORT_WORD
    unfit = {Tier.SAID_OF_IT} if beginnings else {Tier.SAID_OF_IT, Tier.BEGINS, Tier.HAS_BEGINNINGS}
    matches = [match for match in index.find(words) if match.tier not in unfit]
    if matches:
        why = f"No exact match for “{words}”." if matches[0].tier == Tier.NEAR else f"“{words}” is part of its name."
        return Meant(matches[0].slug, False, tuple(match.slug for match in matches[1 : OTHERS_TOLD + 1]), why)
    within = index.within(words)
    if within:
        why = f"Only “{within[0].by or within[0].name}” of “{words}” is known."
        return Meant(within[0].slug, False, tuple(match.slug for match in within[1 : OTHERS_TOLD + 1]), why)
    others = tuple(match.slug for match in index.nearest(words, OTHERS_TOLD))
    return Meant(None, False, others, f"No ingredient matches “{words}”. Add it from its label, or choose another.")


def _loosely(words: str, taken: str) -> str:
    if stems(words) == stems(taken):
        return f"“{words}” doesn’t say which, so the standard one is used."
    return f"“{words}” can mean several things. {taken} is the usual one."


def _readings(words: str, asides: tuple[str, ...]) -> Iterator[str]:
    """Yield the words with those in brackets, then by themselves, then without what follows a comma."""
    proportions = [aside for aside in asides if _PROPORTION.search(aside)]
    yield from (f"{words} {match[0]}" for aside in proportions if (match := _PROPORTION.search(aside)))
    yield words
    named = [aside for aside in asides if aside not in proportions and stems(aside)]
    head, *tail = re.split(r",\s*", words, maxsplit=1)
    if tail:
        yield head
        yield f"{tail[0]} {head}"
    without = re.sub(r"\b\d+(?:[.,]\d+)?\s*(?:%(?:\s*abv)?|proof|°|yo|years?(?:\s*old)?|yr)\b\.?|\b\d+(?:[.,]\d+)?\s*%", " ", words).strip()
    if without != words:
        yield without
    yield from named


_KINDS_IN_WORDS: Final[Mapping[Kind, re.Pattern[str]]] = {
    "bitters": re.compile(r"bitters\b"),
    "liqueur": re.compile(r"liqueur|cr[eè]me de|amaro|schnapps|cordial\b"),
    "syrup": re.compile(r"syrup|honey|nectar|orgeat"),
    "juice": re.compile(r"juice|pur[eé]e"),
    "aromatised": re.compile(r"vermouth|aperiti"),
    "fortified": re.compile(r"sherry|port\b|madeira"),
    "sparkling": re.compile(r"champagne|prosecco|cava|sparkling wine"),
    "wine": re.compile(r"wine\b"),
    "spirit": re.compile(r"\b(gin|rum|vodka|tequila|mezcal|whisk|brandy|bourbon|rye|cognac|spirit)"),
    "water": re.compile(r"soda|tonic|water|beer"),
    "vinegar": re.compile(r"vinegar|shrub"),
}


def kind_in(words: str) -> Kind:
    """Return the kind that words suggest for an unknown ingredient."""
    return next((kind for kind, pattern in _KINDS_IN_WORDS.items() if pattern.search(words.lower())), "other")
