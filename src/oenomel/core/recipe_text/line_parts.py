"""Parts of a recipe's line: where an amount ends and an ingredient begins, and the words beside them."""

from __future__ import annotations

import itertools
import re
from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.larder import stems
from oenomel.core.spec import SpokenAmount, parse_measure, plain
from oenomel.core.spec.measures import beginnings

_BULLET: Final = re.compile(r"^\s*(?:[-*•·–—▪◦‣]+(?:\s+|(?<=[•·▪◦‣]))|\[[ xX]?\]\s*|\d{1,2}[.)]\s+(?=[A-Za-z]))+")
_MARKS: Final = re.compile(r"^[#>|\s]+|(?<![|\s])[|\s]+$|\*\*|__|`|(?<=\w)\*(?=\W|$)|(?<!\S)\*(?=\S)")
_ON_TOP: Final = re.compile(
    r"(?:, ?| )?\b(?:dripped |dropped |dotted )?(?:on top(?: of the foam)?|on the (?:foam|top|surface)|over the foam)$", re.IGNORECASE
)
POURED_IN: Final = (
    r" (?:oz|ounces?|mls?|mils?|cls?|dash(?:es)?|bar ?spoons?|tea ?spoons?|table ?spoons?|splash(?:es)?|drops?|parts?|shots?"
    r"|jiggers?|egg whites?)\b"
)  # fmt: skip
_IN_WORDS: Final = (
    r"\b(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|half|quarter)"
    r"(?: (?:an?|of|and|half|quarters?|thirds?|couple|few|good|scant|generous|big|healthy)){0,3}+"
)
AMOUNT_BEGINS: Final = rf"(?:[\d½¼¾⅓⅔]|{_IN_WORDS}{POURED_IN})"
POUR_BEGINS: Final = rf"(?:(?<![\d.½¼¾⅓⅔])[\d½¼¾⅓⅔][\d½¼¾⅓⅔./]{{0,6}}(?: \d/\d)? ?(?={POURED_IN[1:]})|{_IN_WORDS}{POURED_IN})"
"""Where an amount begins, in figures or in words; and where one does that has a unit to pour by."""

_BETWEEN: Final = re.compile(
    rf" ?; ?|, | [+/•·|–] | (?:and|then|with)(?: then)? (?={AMOUNT_BEGINS})| (?=(?:and )?topped (?:up |off )?with )", re.IGNORECASE
)
_WITHIN_A_NUMBER: Final = re.compile(r"^$|(?:^|\s)(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|\d+)$", re.IGNORECASE)
"""Text before "and a half ounces" that makes one number with it."""

_JOINING: Final = re.compile(r"(?<!and)(?<!then)(?<!with)(?: (?:and|then|with)){1,3}$", re.IGNORECASE)
_TAIL: Final = re.compile(
    r"(?:(?:very |freshly |finely |well )?"
    r"(?:fresh|strained|chilled|cold|squeezed|juiced|peeled"
    r"|pulled|picked|torn|slapped|smacked|sliced|cut|cubed|diced|hulled|crushed(?! ice)|muddled|heaped)\b"
    r"|freshly\b|to taste|optional|float|floated|on top|on the foam|at room|divided|or\b|rinse\b"
    r"|to (?:top|float|rinse|finish|garnish|serve)\b"
    r"|for (?:garnish|the|rim|edge)\b|if\b|plus\b|about\b|preferably\b)",
    re.IGNORECASE,
)
_ASIDE: Final = re.compile(r"[(\[]([^()\[\]]*)[)\]]")
_DOTS: Final = re.compile(r" ?(?:\.{2,}|…|[:–—=]) ?| - ")
_OPTIONAL: Final = re.compile(r"\boptional(ly)?\b|\bif (you )?(like|wish)\b", re.IGNORECASE)
_COUNTED_FRUIT: Final = re.compile(r"^(\d[\d./ ]*) (lime|lemon|orange|grapefruit)$", re.IGNORECASE)
_LEADS: Final = re.compile(r"^(?:then |and |add |of |with |plus |about the )+", re.IGNORECASE)
_SMALLEST_ML: Final = 8.0
"""Bare number from which it can only be millilitres; a smaller one may be ounces (house rule)."""


@dataclass(frozen=True, slots=True)
class Piece:
    """An amount and an ingredient, as far as the words give them.

    ``words`` name the ingredient; ``said`` is its amount, None where there is none; ``told`` are the words of that amount. ``asides``
    are words in brackets. ``doubts`` say what was guessed.
    """

    text: str
    words: str
    said: SpokenAmount | None
    told: str = ""
    asides: tuple[str, ...] = ()
    optional: bool = False
    doubts: tuple[str, ...] = ()


def bare(line: str) -> str:
    """Return a line without its bullet, number and emphasis marks.

    >>> bare("- **60 ml** gin")
    '60 ml gin'
    """
    line = line.replace("|", " ") if line.lstrip().startswith("|") else line  # a row of a table
    return " ".join(_MARKS.sub("", _BULLET.sub("", line)).split())


def pieces_of(line: str) -> list[str]:
    """Split a line into its amounts, each with its ingredient, and the words between them.

    >>> pieces_of("60 ml gin, 22,5 ml lemon juice, strained; honey | 15 ml, lemon twist")
    ['60 ml gin', '22,5 ml lemon juice, strained', 'honey | 15 ml', 'lemon twist']
    """
    cuts = [0, *(match.end() for match in _BETWEEN.finditer(line) if not _WITHIN_A_NUMBER.search(line[: match.start()])), len(line)]
    parts = [line[start:end] for start, end in itertools.pairwise(cuts) if line[start:end].strip()]
    joined: list[str] = []
    for part in parts:
        before, this = (side.strip(" /|,;+") for side in (joined[-1] if joined else "", part))
        forward = is_bare_amount(before) and not is_bare_amount(this)
        backward = is_bare_amount(this) and bool(before) and not has_amount(before)
        last = re.fullmatch(r"(?:to|for) (?:top|fill|finish|float|rinse)\w*(?: up| off)?", this, re.IGNORECASE) is not None
        if forward or backward or (before and (last or (_TAIL.match(this) and not has_amount(this)))):
            joined[-1] += part
        else:
            joined.append(part)
    return [piece for part in joined for piece in _run_together(_JOINING.sub("", part.strip(" ,;+/|·•–")))]


def has_pours(sentence: str) -> bool:
    """Check whether any part of a line has an amount of something."""
    return has_amount(sentence) or any(has_amount(part) for part in _BETWEEN.split(sentence) if part.strip())


def _run_together(part: str) -> list[str]:
    """Split two amounts with nothing between them, as in "2 oz gin 1 oz vermouth"."""
    words, parts, start = part.split(), [], 0
    for at in range(2, len(words) - 1):
        if at < start + 2 or not words[at][:1].isdigit():
            continue
        first = next(iter(beginnings(" ".join(words[at:]))), None)
        before = _amount_first(" ".join(words[start:at]))
        # A repeated amount isn't a second pour.
        apart = before is not None and before[0].unit is not None and bool(stems(before[1]))
        if apart and first is not None and first[0].unit is not None and first[1]:
            parts.append(" ".join(words[start:at]))
            start = at
    return [*parts, " ".join(words[start:])] if parts else [part]


def has_amount(part: str) -> bool:
    """Check whether a part of a line has an amount of something."""
    within = any(_is_measure(aside) for aside in _ASIDE.findall(part))
    part = " ".join(_ASIDE.sub(" ", part).split())
    if re.search(r"\b(to|for) (garnish|serve)\b|^garnish\b", part, re.IGNORECASE):
        return False
    if within and re.search(r"[^\W\d]", part):
        return True
    whole = parse_measure(part.strip(" ,.;"))
    is_amount = whole is not None and (bool(whole.of) or whole.unit is not None) and not _is_piece_alone(part)
    return is_amount or _of_fruit(part) is not None or _amount_first(part) is not None or _amount_last(part) is not None


def is_bare_amount(part: str) -> bool:
    """Check whether a part is only an amount and a unit."""
    amount = parse_measure(part)
    return amount is not None and amount.unit is not None and not amount.of and part[:1].isdigit()


def _is_measure(text: str) -> bool:
    amount = parse_measure(text)
    return amount is not None and (amount.kind in ("line", "taste") or (amount.unit is not None and not amount.of))


def _is_piece_alone(text: str) -> bool:
    """Check whether a part is a word like "twist", "sprig" or "measures": a thing without a number."""
    amount = parse_measure(text) if len(text.split()) == 1 and text[:1].isalpha() else None
    return amount is not None and amount.kind == "amount" and amount.unit not in ("dash", "splash", "drop", "barspoon")


def without_top(text: str) -> str | None:
    """Return the words before "on top" or "on the foam" at the end of a part."""
    match = _ON_TOP.search(text)
    return text[: match.start()] if match and match.start() > 0 else None


def piece_of(line: str, default_unit: str | None = None) -> Piece:
    """Read a part of a line: amount, ingredient, and assumptions; ``default_unit`` is the recipe's, if any."""
    text = " ".join(line.split())
    asides = tuple(aside.strip() for aside in _ASIDE.findall(text))
    outside = _LEADS.sub("", " ".join(_ASIDE.sub(" ", text).replace("*", "").replace("|", " ").split()))
    optional = _OPTIONAL.search(text) is not None
    outside = _OPTIONAL.sub("", outside).lstrip(" ,;").rstrip(" ,.;")
    doubts: list[str] = []
    amount, words, ingredient_words = _parted(without_place(outside))
    if amount is not None and not amount.of and not stems(words):
        words = ""
    counted = _COUNTED_FRUIT.match(outside)
    if counted and default_unit:  # a column of numbers counts no fruit
        amount, words = parse_measure(counted[1]), counted[2]
    within = next(((parse_measure(aside), aside) for aside in asides if parse_measure(aside)), None)
    if amount is None and within:
        (amount, ingredient_words), asides = within, tuple(aside for aside in asides if aside != within[1])
    elif amount is not None:
        words, doubts = _second_amount(amount, words, asides)
    return in_a_unit(Piece(text, words.strip(" ,.;:-–"), amount, ingredient_words, asides, optional, tuple(doubts)), default_unit)


_PLACE: Final = re.compile(
    r" (?:on|over|onto|into|in|to) (?:the|a|an|your) (?:(?:bottom|base|top) of (?:the|a|your) )?"
    r"(?:chilled |tall |mixing |cocktail |serving )?(?:sugar )?(?:cube|tin|shaker|glass|ice|top|bottom|flute|coupe|highball|collins)$",
    re.IGNORECASE,
)


def without_place(text: str) -> str:
    """Return words without where they are poured: "bitters on the cube" are bitters."""
    return _PLACE.sub("", text)


def _parted(text: str) -> tuple[SpokenAmount | None, str, str]:
    """Return the amount, the words for the ingredient, and the words for the amount."""
    whole = parse_measure(text)
    if whole is not None and whole.of:
        return whole, whole.of, text
    if whole is not None and whole.unit is not None and not _is_piece_alone(text):
        return whole, "", text
    for parted in (_of_fruit(text), _amount_first(text), _amount_last(text)):
        if parted:
            return parted
    return None, text, ""


def _of_fruit(text: str) -> tuple[SpokenAmount, str, str] | None:
    """Read a fruit or an egg with further words, as in "1 egg white, fresh" or "juice of half a lime, strained"."""
    head, *rest = re.split(r",\s*", text, maxsplit=1)
    amount = parse_measure(head) if rest else None
    if amount is None or not amount.of or re.match(r"(cut|sliced|wedge|wheel|for|to)\b", rest[0]):
        return None
    return amount, amount.of, head


def _amount_first(text: str) -> tuple[SpokenAmount, str, str] | None:
    for amount, rest in beginnings(text):
        of = re.sub(r"^(of|x)\b\s*", "", rest)
        if amount.unit != "ml" and _UNIT_FIRST.match(of):  # "one ounce or 30" is no amount of "ml gin"
            continue
        if amount.unit is None and not _is_counted(text, of):
            continue
        if of and not re.match(r"(to|or|and|/|-)\b", of):
            return amount, _cased(text, of), _head(text, rest)
    return None


def _amount_last(text: str) -> tuple[SpokenAmount, str, str] | None:
    words = _DOTS.sub(" ", text).split()
    for at in range(1, len(words)):
        amount_words = " ".join(words[at:]).lstrip("-–—−")  # "lemon juice -20 ml" parts the two and takes nothing away
        amount = None if _is_piece_alone(amount_words) else parse_measure(amount_words)
        if amount is not None and (amount.unit is not None or amount.kind in ("line", "taste") or re.match(r"[\d½¼¾⅓⅔]", amount_words)):
            name = " ".join(words[:at])
            return (amount, name.strip(" ,:-–"), amount_words) if re.search(r"[^\W\d]", name) else None
    return None


_UNIT_FIRST: Final = re.compile(r"(?:mls?|mils?|cls?|oz|ounces?)\b", re.IGNORECASE)


def _is_counted(text: str, of: str) -> bool:
    """Check whether a number without a unit counts pieces: in figures, or in words before a name ("two strawberries")."""
    if not re.match(r"[a-z]", of):
        return False
    in_words = re.match(r"(?:one|two|three|four|five|six|seven|eight|nine|ten|twelve)\b", text, re.IGNORECASE)
    return text[:1].isdigit() or text[:1] in "¼½¾⅓⅔⅛⅜⅝⅞." or (in_words is not None and len(of.split()) <= 2)


def _cased(text: str, rest: str) -> str:
    """Return the last words of a text in their original case, since it is read in lower case."""
    count = len(rest.split())
    written = text.replace("-", " ").split() if len(plain(text).split()) != len(text.split()) else text.split()
    tail = " ".join(written[-count:]) if count <= len(written) else rest
    return tail if plain(tail) == rest else rest


def _head(text: str, rest: str) -> str:
    """Return the words before the rest."""
    tail = _cased(text, rest)
    if text.endswith(tail):
        return text[: len(text) - len(tail)].strip()
    words = plain(text).split()
    return " ".join(words[: len(words) - len(rest.split())])


def _second_amount(said: SpokenAmount, words: str, asides: tuple[str, ...]) -> tuple[str, list[str]]:
    """Return the words without a repeated amount ("60 ml / 2 oz gin"), and whether the two disagree."""
    doubts = []
    match = re.match(r"^[/|(]\s*(.+)$", words)
    second = next(iter(beginnings(match[1])), None) if match else None
    if second:
        words = second[1]
    for other in [*([second[0]] if second else []), *(amount for text in asides if (amount := parse_measure(text)) is not None)]:
        if other.unit is not None and not other.of and not _same(said, other):
            doubts.append("The line gives two amounts. The first one is used.")
    return words, doubts


_ONE_MEASURE: Final = 0.06
_SHORTEST_OUNCE: Final = 28.41 / 30.0
"""Difference up to which two statements are one measure, as a share; and the least that an ounce is, beside the bar's (house rule)."""

_ML_OF: Final = {"ml": 1.0, "cl": 10.0, "oz": 30.0, "tsp": 5.0, "barspoon": 5.0, "tbsp": 15.0, "dash": 0.8, "cup": 236.6}


def _same(one: SpokenAmount, other: SpokenAmount) -> bool:
    """Check whether two amounts are equal in different units, rounded."""
    if one.unit not in _ML_OF or other.unit not in _ML_OF:
        return True
    a, b = (amount.amount * _ML_OF[amount.unit or "ml"] for amount in (one, other))
    ounces = _SHORTEST_OUNCE if "oz" in (one.unit, other.unit) else 1.0
    return min(abs(a - b), abs(a * ounces - b), abs(a - b * ounces)) <= _ONE_MEASURE * max(a, b)


def in_a_unit(piece: Piece, default_unit: str | None) -> Piece:
    """Return a piece with its bare number in the recipe's unit, or in ml where its size suggests that."""
    amount = piece.said
    if amount is None or amount.unit is not None or amount.kind not in ("amount", "range") or amount.of:
        return piece
    if default_unit is None and amount.amount < _SMALLEST_ML:
        return piece
    return replace(piece, said=replace(amount, unit=default_unit or "ml"))


_SHORT_FORMS: Final = re.compile(r"(?:^|[\s\d(])(?:oz|ml|cl|dl|tsp|tbsp|bsp|fl|approx|ca|dr|st|no|mr|mrs|[a-z])$", re.IGNORECASE)
_LONGEST_SHORT_FORM: Final = 10
_BEGINS_ANEW: Final = re.compile(
    r"(?:add|blend|build|chill|combine|dry[- ]shake|fine|double strain|float|garnish|hard shake|muddle|pour|press|rim|rinse|roll|serve"
    r"|shake|stir|strain|swizzle|then|top up|top with|whip)\b",
    re.IGNORECASE,
)


def split_sentences(text: str) -> Iterator[str]:
    """Yield the sentences of a line; a point in a number or after an abbreviation ends none, unless a verb follows."""
    start = 0
    for match in re.finditer(r"[.!?] (?=[A-Z“\"(]|(?:dry|wet|hard|double|fine|shake|stir|strain|pour|garnish|build|serve|float)\b)", text):
        short = text[match.start()] == "." and _SHORT_FORMS.search(text[max(start, match.start() - _LONGEST_SHORT_FORM) : match.start()])
        if short and not _BEGINS_ANEW.match(text, match.end()):
            continue
        if text[start : match.start()].strip(" ."):
            yield text[start : match.start()].strip()
        start = match.end()
    if text[start:].strip(" ."):
        yield text[start:].strip()
