"""Search for ingredients by any of their names; every field where an ingredient is chosen uses it."""

from __future__ import annotations

import re
import unicodedata
from bisect import bisect_left
from collections import Counter, defaultdict
from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import IntEnum
from functools import lru_cache
from itertools import islice, product
from typing import Final

from rapidfuzz import fuzz, process
from rapidfuzz.distance import OSA

from oenomel.core.larder.ingredient import Ingredient

NEAREST_TOLD: Final = 3
"""Number of nearest names returned where none matches."""

LONGEST_NAME: Final = 120
MOST_WORDS: Final = 15
"""Most letters and words of a name."""

_STOP: Final = frozenset(re.findall(r"\w+", "of the a an and with de du des d la le les l di in from some s"))
_MODIFIERS: Final = frozenset(
    re.findall(
        r"\w+",
        """fresh freshly squeezed pressed chilled cold homemade home made house organic good quality best well your favourite favorite plain
        natural pure premium large small medium ripe raw strained juiced decent nice any batch barrel single strong clarified filtered
        ice dash drop splash pinch piece handful bottle peeled hulled sliced chopped cut muddled""",
    )
)
"""Words beside an ingredient's name that don't make it another ingredient."""

_VARIANTS: Final[Mapping[str, str]] = {
    "whiskey": "whisky", "chilli": "chili", "chile": "chili", "licorice": "liquorice", "yogurt": "yoghurt", "pasteurized": "pasteurised",
    "flavored": "flavoured", "gray": "grey", "leaves": "leaf", "nonalcoholic": "alcoholfree", "sirup": "syrup",
    "dealcoholized": "dealcoholised", "soya": "soy", "passionfruit": "passion fruit", "redwine": "red wine",
    "gingerbeer": "ginger beer", "eggwhite": "egg white", "blackcurrant": "black currant", "redcurrant": "red currant",
}  # fmt: skip
"""One spelling for several."""

_TOO_PLAIN: Final = frozenset(
    re.findall(r"\w+", "liqueur syrup juice spirit wine cordial water soda cream vinegar leaf zest puree sugar salt tea")
)
"""Words for a kind only: "hay liqueur" matches nothing."""

_SHORTEST_MISSPELT: Final = 4
_WORDS_TRIED: Final = 3
_SPELLINGS_TRIED: Final = 243
"""Least letters of a misspelt word, and the number of corrections tried for a word and for several together."""

_FAR: Final = (10_000, 0)
_LEAST_LIKE: Final = 70.0
"""Similarity, of 100, below which a name is no neighbour (house rule)."""


class Tier(IntEnum):
    """Quality of a match between typed words and an ingredient, best first."""

    EXACT = 0
    SAME_WORDS = 1
    ANY_ORDER = 2
    BEGINS_WITH_WORDS = 3
    HAS_WORDS = 4
    BEGINS = 5
    HAS_BEGINNINGS = 6
    SAID_OF_IT = 7
    NEAR = 8


@dataclass(frozen=True, slots=True)
class IngredientMatch:
    """A found ingredient: the quality of the match, and the other name that matched, if it wasn't its own."""

    slug: str
    name: str
    tier: Tier
    by: str = ""


@dataclass(frozen=True, slots=True)
class Findable:
    """An ingredient as the search knows it: its names, descriptive words, and how usual it is."""

    slug: str
    name: str
    also: tuple[str, ...]
    rank: int
    slots: tuple[str, ...]
    said: str

    @classmethod
    def of(cls, ingredient: Ingredient) -> Findable:
        """Return the searchable side of an ingredient."""
        description = f"{ingredient.kind} {ingredient.impression} {' '.join(ingredient.aroma)}"
        return cls(ingredient.slug, ingredient.name, ingredient.also, ingredient.rank, ingredient.slots, description)


@dataclass(frozen=True, slots=True)
class _Phrase:
    """One name of an ingredient: as it is written, folded, and its words."""

    owner: int
    written: str
    folded: str
    words: tuple[str, ...]


def known_by(index: Index, larder: Mapping[str, Ingredient]) -> Callable[[str], Ingredient | None]:
    """Build a function that finds an ingredient by slug or by an unambiguous name; None where there is none."""

    def known(words: str) -> Ingredient | None:
        if words in larder:
            return larder[words]
        matches = index.find(words)
        return larder[matches[0].slug] if matches and matches[0].tier <= Tier.ANY_ORDER else None

    return known


def folded(text: str) -> str:
    """Fold a text: without capitals, accents, apostrophes and marks; proportions such as 1:1 stay.

    >>> folded("Crème d'Été – 2 : 1")
    'creme d ete 2:1'
    """
    plain = text.lower().replace("œ", "oe").replace("ß", "ss").replace("&", " and ").replace("ø", "o")
    if not plain.isascii():
        plain = "".join(letter for letter in unicodedata.normalize("NFKD", plain) if not unicodedata.combining(letter))
    plain = re.sub(r"(\d)\s*(?::|to)\s*(?=\d)", r"\1:", plain)
    return " ".join(re.findall(r"[a-z0-9]+(?:[.:][0-9]+)*", plain))


@lru_cache(maxsize=65536)
def _stem(word: str) -> str:
    """Return a word in the singular, in one spelling.

    >>> [_stem(each) for each in ("berries", "peaches", "limes", "bitters", "grass", "whiskeys")]
    ['berry', 'peach', 'lime', 'bitter', 'grass', 'whisky']
    """
    if word in _VARIANTS:
        return _VARIANTS[word]
    if len(word) > 3 and word.endswith("s") and not word.endswith(("ss", "us", "is")):
        if word.endswith("ies"):
            word = f"{word[:-3]}y"
        elif re.search(r"(ch|sh|x|ss|z|to|go)es$", word):
            word = word[:-2]
        else:
            word = word[:-1]
    return _VARIANTS.get(word, word)


def stems(text: str) -> tuple[str, ...]:
    """Return the naming words of a text, each in the singular.

    >>> stems("The juice of two limes")
    ('juice', 'two', 'lime')
    """
    words = [word for word in folded(text).split() if word not in _STOP]
    return tuple(part for word in words for part in _stem(word).split())


def _naming(text: str) -> tuple[str, ...]:
    """Return the words of a text that may name an ingredient; empty for a text too long to be a name."""
    words = stems(text) if len(text) <= LONGEST_NAME else ()
    return words if len(words) <= MOST_WORDS else ()


class Index:
    """Search index over the names of a larder; valid as long as the larder doesn't change."""

    def __init__(self, larder: Iterable[Findable]) -> None:
        self._entries = list(larder)
        self._phrases = [
            _Phrase(owner, written, folded(written), stems(written))
            for owner, entry in enumerate(self._entries)
            for written in (entry.name, *entry.also)
        ]
        self._named: dict[str, list[int]] = defaultdict(list)
        self._of_phrases: dict[str, set[int]] = defaultdict(set)
        for number, phrase in enumerate(self._phrases):
            self._named[phrase.folded].append(number)
            for word in phrase.words:
                self._of_phrases[word].add(number)
        self._vocabulary = sorted(self._of_phrases)
        self._said: dict[str, set[int]] = defaultdict(set)
        for owner, entry in enumerate(self._entries):
            for word in stems(entry.said):
                self._said[word].add(owner)
        for word, phrases in self._of_phrases.items():
            self._said[word] |= {self._phrases[number].owner for number in phrases}
        self._said_vocabulary = sorted(self._said)
        self._unspaced: dict[str, list[int]] = defaultdict(list)
        for number, phrase in enumerate(self._phrases):
            self._unspaced["".join(phrase.words)].append(number)
        self._unspaced_names = list(self._unspaced)
        self._written = [" ".join(phrase.words) for phrase in self._phrases]

    def find(self, text: str, in_stock: Collection[str] = (), slot: str = "") -> list[IngredientMatch]:
        """Find the ingredients that words may mean, best first; without words all of them, by name.

        Among equal matches the more usual comes first, then what is in stock. For a garnish or a rim, ingredients that serve as one
        come before others with a matching name.
        """
        words = _naming(text)
        if not words:
            return [IngredientMatch(entry.slug, entry.name, Tier.HAS_BEGINNINGS) for entry in self._entries] if not text.strip() else []
        best = self._fits(text, words)
        kept = tuple(word for word in words if word not in _MODIFIERS)
        if kept and kept != words and min((tier for tier, _ in best.values()), default=Tier.NEAR) > Tier.ANY_ORDER:
            plainer = self._fits(" ".join(kept), kept)
            if min((tier for tier, _ in plainer.values()), default=Tier.NEAR) <= Tier.ANY_ORDER or not best:
                best = plainer
        if not best:
            best = self._said_of(words) or self._misspelt(kept or words)
        wanted = slot if slot in ("garnish", "edge") else ""

        def order(owner: int) -> tuple[object, ...]:
            entry, (tier, number) = self._entries[owner], best[owner]
            extra = len(self._phrases[number].words)
            return (wanted not in entry.slots if wanted else False, tier, entry.rank, entry.slug not in in_stock, extra, entry.name)

        return [self._match(owner, *best[owner]) for owner in sorted(best, key=order)]

    def within(self, text: str) -> list[IngredientMatch]:
        """Find what the last words mean by themselves, the longest ending first: "somebody's rye whisky" finds the whisky."""
        written = [word for word in folded(text).split() if word not in _STOP] if _naming(text) and _has_letter(text) else []
        for start in range(1, len(written)):
            rest = " ".join(written[start:])
            known = stems(rest)
            if len(known) == 1 and known[0] in _TOO_PLAIN:
                break
            fits = {owner: fit for owner, fit in self._fits(rest, known).items() if fit[0] <= Tier.HAS_WORDS}
            if any(tier <= Tier.ANY_ORDER for tier, _ in fits.values()):
                # An ingredient with this name comes before one with it as another name.
                order = sorted(fits, key=lambda owner: self._as_a_kind(owner, *fits[owner]))
                return [replace(self._match(owner, *fits[owner]), tier=Tier.NEAR) for owner in order]
        return []

    def nearest(self, text: str, count: int = NEAREST_TOLD) -> list[IngredientMatch]:
        """Find the nearest names where nothing matches: by known words, the last first, else by spelling."""
        words = _naming(text) if _has_letter(text) else ()
        near_matches = {match.slug: match for match in self.within(text)}
        for end in range(len(words) - 1, 0, -1):
            for owner, (tier, number) in sorted(
                self._fits(" ".join(words[:end]), words[:end]).items(), key=lambda fit: self._by_rank(*fit)
            ):
                if tier <= Tier.BEGINS_WITH_WORDS:
                    near = replace(self._match(owner, tier, number), tier=Tier.NEAR)
                    near_matches.setdefault(near.slug, near)
        if len(near_matches) < count and words:
            alike = process.extract(" ".join(words), self._written, scorer=fuzz.ratio, score_cutoff=_LEAST_LIKE, limit=4 * count)
            for _, _, number in alike:
                near = self._match(self._phrases[number].owner, Tier.NEAR, number)
                near_matches.setdefault(near.slug, near)
        return list(islice(near_matches.values(), count))

    def _by_rank(self, owner: int, fit: tuple[Tier, int]) -> tuple[object, ...]:
        return fit[0], self._entries[owner].rank, self._entries[owner].name

    def _as_a_kind(self, owner: int, tier: Tier, number: int) -> tuple[object, ...]:
        exact, other = tier == Tier.EXACT, self._match(owner, tier, number).by != ""
        return not exact, tier > Tier.ANY_ORDER, other, self._entries[owner].rank, self._entries[owner].name

    def _match(self, owner: int, tier: Tier, number: int) -> IngredientMatch:
        entry, phrase = self._entries[owner], self._phrases[number]
        by = "" if tier == Tier.SAID_OF_IT or phrase.written == entry.name else phrase.written
        return IngredientMatch(entry.slug, entry.name, tier, by)

    def _fits(self, text: str, words: tuple[str, ...]) -> dict[int, tuple[Tier, int]]:
        """Return how well words match each ingredient, and the index of its best name; without misspellings."""
        written, wanted = folded(text), Counter(words)
        best: dict[int, tuple[Tier, int]] = {}
        exact = set(self._named.get(written, ())) | set(self._unspaced.get("".join(words), ()))
        for number in self._with_all(words) | exact:
            phrase = self._phrases[number]
            tier = _tier(phrase, written, words, wanted)
            # The name comes first among an ingredient's phrases, so that among equal matches it is the one shown.
            if phrase.owner not in best or (tier, number) < best[phrase.owner]:
                best[phrase.owner] = (tier, number)
        return best

    def _with_all(self, words: Sequence[str]) -> set[int]:
        """Return the indices of the names that have each word, or a word that begins with it."""
        holding = [self._beginning_with(word, self._vocabulary, self._of_phrases) for word in dict.fromkeys(words)]
        holding.sort(key=len)
        return set.intersection(*holding) if holding else set()

    @staticmethod
    def _beginning_with(word: str, vocabulary: Sequence[str], holders: Mapping[str, set[int]]) -> set[int]:
        result: set[int] = set()
        for candidate in islice(vocabulary, bisect_left(vocabulary, word), None):
            if not candidate.startswith(word):
                break
            result |= holders[candidate]
        return result

    def _said_of(self, words: Sequence[str]) -> dict[int, tuple[Tier, int]]:
        """Return the ingredients that have every word in a name, their kind or their impression."""
        holding = [self._beginning_with(word, self._said_vocabulary, self._said) for word in words]
        owners = set.intersection(*holding) if holding else set()
        return dict.fromkeys(owners, (Tier.SAID_OF_IT, 0))

    def _misspelt(self, words: Sequence[str]) -> dict[int, tuple[Tier, int]]:
        """Return the ingredients with similar names: each unknown word is within one or two edits of a known one."""
        joined = "".join(words)
        tried = [self._spellings(word) for word in words]
        best: dict[int, tuple[int, int]] = {}
        for choice in islice(product(*tried), _SPELLINGS_TRIED):
            respelt, slips = tuple(word for word, _ in choice), sum(slip for _, slip in choice)
            if slips == 0:
                continue
            for owner, (tier, number) in self._fits(" ".join(respelt), respelt).items():
                if tier <= Tier.HAS_WORDS:
                    best[owner] = min(best.get(owner, _FAR), (100 * slips + tier, number))
        allowed = _slips_allowed(joined)
        if allowed:
            for phrase, slips, _ in process.extract(joined, self._unspaced_names, scorer=OSA.distance, score_cutoff=allowed, limit=8):
                if phrase[:1] == joined[:1]:
                    for number in self._unspaced[phrase]:
                        owner = self._phrases[number].owner
                        best[owner] = min(best.get(owner, _FAR), (100 * int(slips), number))
        if not best:
            return {}
        # Of the misspelt matches only those with the fewest edits: the others are guesses.
        fewest = min(cost // 100 for cost, _ in best.values())
        return {owner: (Tier.NEAR, number) for owner, (cost, number) in best.items() if cost // 100 == fewest}

    def _spellings(self, word: str) -> list[tuple[str, int]]:
        """Return a known word as it is, else the known words within the allowed edits, each with their number."""
        if word in self._of_phrases:
            return [(word, 0)]
        allowed = _slips_allowed(word)
        if not allowed:
            return []
        near = process.extract(word, self._vocabulary, scorer=OSA.distance, score_cutoff=allowed, limit=4 * _WORDS_TRIED)
        return [(spelling, int(slips)) for spelling, slips, _ in near if spelling[0] == word[0] and len(spelling) > 2][:_WORDS_TRIED]


def _has_letter(text: str) -> bool:
    return any(letter.isalpha() for letter in text)


def _slips_allowed(word: str) -> int:
    """Return the number of wrong, missing, extra or swapped letters allowed; none in figures."""
    return 0 if len(word) < _SHORTEST_MISSPELT or not _has_letter(word) else 1 if len(word) < 7 else 2


def _tier(phrase: _Phrase, written: str, words: tuple[str, ...], wanted: Counter[str]) -> Tier:
    if phrase.folded == written:
        return Tier.EXACT
    if phrase.words == words or "".join(phrase.words) == "".join(words):
        return Tier.SAME_WORDS
    if len(words) == 1:  # as with every first letter, where thousands begin so
        had_all = words[0] in phrase.words
    elif len(words) > len(phrase.words):
        return Tier.HAS_BEGINNINGS
    else:
        had = Counter(phrase.words)
        if had == wanted:
            return Tier.ANY_ORDER
        had_all = wanted <= had
    if had_all:
        return Tier.BEGINS_WITH_WORDS if phrase.words[: len(words)] == words else Tier.HAS_WORDS
    *whole, last = words
    begins = phrase.words[: len(whole)] == tuple(whole) and len(phrase.words) > len(whole) and phrase.words[len(whole)].startswith(last)
    return Tier.BEGINS if begins else Tier.HAS_BEGINNINGS
