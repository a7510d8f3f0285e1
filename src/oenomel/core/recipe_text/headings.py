"""Headings of a recipe: which section follows, and the unit of all amounts."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import Final

from oenomel.core.recipe_text.line_parts import bare, has_amount, piece_of, pieces_of
from oenomel.core.recipe_text.read_recipe import Section, TextLine

_HEADING: Final = re.compile(
    r"^(?P<what>ingredients?|you(?:'ll| will) need|spec|the drink|for the drink|"
    r"method|directions?|instructions?|preparation|how to(?: make(?: it)?)?|steps?|to make(?: it)?|procedure|build|mix|"
    r"garnish(?:es)?|glass(?:ware)?|served? in|ice|rim|edge|name|title|drink|"
    r"for (?:the|your) (?:cocktail|[\w '-]+)(?=:?$)|"
    r"notes?|tips?|about|history|serves?|makes|yields?|source|credits?|difficulty|time|variations?|description|tags?|family|abv)"
    r"\s*(?:[:–—-]+\s*(?P<rest>.*)|)$",
    re.IGNORECASE,
)
_COLUMNS: Final = re.compile(r"(?:(?:amount|quantity|measure|unit|ml|oz|cl|ingredient|item)s?[\s,/]*){2,}", re.IGNORECASE)
_FOR_SO_MANY: Final = re.compile(r"(?:serves|makes|yields?) (?:\d+|one|two|three|four)\b", re.IGNORECASE)
_SECTIONS: Final[dict[str, Section]] = {
    **dict.fromkeys(("ingredient", "ingredients", "you'll need", "you will need", "spec"), "ingredients"),
    **dict.fromkeys(("the drink", "for the drink", "for the cocktail"), "ingredients"),
    **dict.fromkeys(("method", "direction", "directions", "instruction", "instructions", "preparation", "procedure"), "method"),
    **dict.fromkeys(("how to", "how to make", "how to make it", "step", "steps", "to make", "to make it", "build", "mix"), "method"),
    **dict.fromkeys(("garnish", "garnishes"), "garnish"),
}  # fmt: skip
_ALL_IN: Final = re.compile(
    r"\b(?:all|amounts?|measures?|measurements?|quantities|everything)\b.{0,20}\bin (ml|millilit(?:re|er)s|cl|oz|ounces|parts?)\b"
    r"|^\(?in (ml|cl|oz|parts)\)?$",
    re.IGNORECASE,
)


def heading_of(text: str, written: str) -> tuple[str, str] | None:
    """Return the word of a heading and the rest of its line; None where it isn't a heading. ``written`` is the line with its punctuation.

    >>> heading_of("Glass: coupe", "Glass: coupe")
    ('glass', 'coupe')
    """
    if _COLUMNS.fullmatch(text):
        return "ingredients", ""
    if _FOR_SO_MANY.match(text):
        return "serves", text
    match = _HEADING.match(text.strip(" :"))
    if match is None:
        return None
    what, rest = match["what"].lower(), (match["rest"] or "").strip()
    if what.startswith("for the ") and what.endswith((" glass", " garnish")):
        what = "garnish" if what.endswith("garnish") else "glass"
    marked = written.lstrip().startswith("#") or re.fullmatch(r"\*\*[^*]+\*\*:?", written.strip()) is not None
    return (what, rest) if rest or text.rstrip().endswith(":") or what in _SECTIONS or marked else None


def section_of(what: str) -> Section | None:
    """Return the section that follows a heading."""
    return _SECTIONS.get(what)


def declared_unit(text: str) -> str | None:
    """Return the unit that a text declares for all amounts.

    >>> declared_unit("All measures in ounces")
    'oz'
    """
    match = _ALL_IN.search(text)
    if match is None:
        return None
    word = (match[1] or match[2]).lower()
    return {"o": "oz", "m": "ml", "p": "part", "c": "cl"}[word[0]]


def unit_of_all(lines: Sequence[TextLine]) -> str | None:
    """Return the unit of bare numbers: the one the recipe declares, else ounces where all are as small as ounces."""
    unit_named = next((unit for line in lines if (unit := declared_unit(line.text))), None)
    return unit_named or _bare_unit(lines)


def _bare_unit(lines: Sequence[TextLine]) -> str | None:
    """Return ounces for bare numbers that are all as small as ounces."""
    bare_numbers = [
        piece.said.amount
        for line in lines
        if line.section in ("", "ingredients") and has_amount(bare(line.text))
        for part in pieces_of(bare(line.text))
        if (piece := piece_of(part)).said is not None and piece.said.unit is None and not piece.said.of
    ]
    return "oz" if len(bare_numbers) > 1 and any(n % 1 for n in bare_numbers) and max(bare_numbers) <= 4 else None
