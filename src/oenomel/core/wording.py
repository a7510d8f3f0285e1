"""English for every generated sentence: articles, plurals, counts, lists and capitals.

A library for this was tried: the usual one takes four seconds to import, more than the whole program does.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import Final

__all__ = ["agreeing", "capital", "counted", "listed", "plural", "singular", "with_article", "with_unit"]

_UNCHANGED: Final = frozenset({"bitters", "grapefruit", "molasses"})
"""Nouns whose plural equals their singular."""


def listed(words: Sequence[str], conjunction: str = "and") -> str:
    """Join words as a list in a sentence; what is denied or offered as a choice takes ``"or"``.

    >>> listed(["gin", "lemon juice", "soda"]), listed(["gin", "soda"], "or"), listed([])
    ('gin, lemon juice and soda', 'gin or soda', '')
    """
    return f" {conjunction} ".join([", ".join(words[:-1]), words[-1]] if len(words) > 1 else words)


def with_article(noun: str) -> str:
    """Put "a" or "an" before a noun.

    >>> with_article("up glass"), with_article("flute"), with_article("hour")
    ('an up glass', 'a flute', 'an hour')
    """
    return f"{'an' if re.match(r'[aeiou]|hour', noun, re.IGNORECASE) else 'a'} {noun}"


def capital(text: str) -> str:
    """Begin a text with a capital; an empty text stays empty."""
    return text[:1].upper() + text[1:]


def plural(noun: str) -> str:
    """Return the plural of a noun.

    >>> [plural(noun) for noun in ("mint leaf", "raspberry", "lime wedge", "coupe glass", "bunch", "bitters", "egg white")]
    ['mint leaves', 'raspberries', 'lime wedges', 'coupe glasses', 'bunches', 'bitters', 'egg whites']
    """
    if noun.split()[-1:] and noun.split()[-1] in _UNCHANGED:
        return noun
    if noun.endswith("leaf"):
        return f"{noun[:-1]}ves"
    if re.search(r"[^aeiou]y$", noun):
        return f"{noun[:-1]}ies"
    return f"{noun}{'es' if re.search(r'(?:s|x|ch|sh)$', noun) else 's'}"


def singular(noun: str) -> str:
    """Return the singular of a noun, which may be singular already.

    >>> [singular(noun) for noun in ("raspberries", "coffee beans", "lemongrass", "mint leaves", "glasses", "cherries", "bitters")]
    ['raspberry', 'coffee bean', 'lemongrass', 'mint leaf', 'glass', 'cherry', 'bitters']
    """
    if noun.split()[-1:] and noun.split()[-1] in _UNCHANGED:
        return noun
    if noun.endswith("leaves"):
        return f"{noun[:-3]}f"
    if noun.endswith("ies"):
        return f"{noun[:-3]}y"
    if re.search(r"(?:ss|x|ch|sh)es$", noun):
        return noun[:-2]
    return noun[:-1] if noun.endswith("s") and not noun.endswith(("ss", "us")) else noun


def agreeing(number: float, noun: str) -> str:
    """Return a noun in the singular or plural that a number needs.

    >>> agreeing(1, "leaf"), agreeing(2, "leaf")
    ('leaf', 'leaves')
    """
    return noun if number == 1 else plural(noun)


def counted(number: int, noun: str) -> str:
    """Put a number before a noun in the right singular or plural.

    >>> counted(1, "drink"), counted(3, "drink"), counted(0, "hour")
    ('1 drink', '3 drinks', '0 hours')
    """
    return f"{number} {agreeing(number, noun)}"


def with_unit(number: str, unit: str) -> str:
    """Put a unit behind a number as the trade writes it: no space before a percent sign.

    >>> with_unit("15.3", "% ABV"), with_unit("7.9", "g/100 ml"), with_unit("3.4", "")
    ('15.3% ABV', '7.9 g/100 ml', '3.4')
    """
    return f"{number}{unit}" if unit.startswith("%") or not unit else f"{number} {unit}"
