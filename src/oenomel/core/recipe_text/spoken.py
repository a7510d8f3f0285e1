"""Speech brought to the form of a written recipe: no filler words, one amount where two are said, what was corrected beside it."""

from __future__ import annotations

import re
from typing import Final

from oenomel.core.spec import SpokenAmount, parse_measure, plain
from oenomel.core.spec.measures import beginnings
from oenomel.core.wording import with_article

_FILLERS: Final = re.compile(
    r"(?<![\w'’])"
    r"(?:(?:u{1,4}m{1,6}|u{1,4}h{1,6}|e{1,4}rm{0,6}|hm{2,6})\b,?|(?:okay|ok|alright|all right),? (?=so\b|then\b|and\b|we\b|now\b)"
    r"|let['’]?s say,"
    r"|(?:you know|i mean|basically|right),(?= )"
    r"|(?:(?:so|and|now|then|next|first|okay),? ){0,3}(?:we(?:['’]re| are)|i(?:['’]m| am)|you(?:['’]re| are)) (?:going to|gonna|about to)"
    r" (?:do|use|take|add|put|go(?: with)?|start with|need|want)(?: in)?(?= )"
    r"|(?:(?:so|and|now|then|next),? ){0,3}(?:we|i|you)(?:['’]ll)? (?:do|use|take|need|start with|go with|go in with|come in with)(?= )"
    r"|(?:so|and then|and next|followed by|then),? (?=(?:an?|one|two|three|four|five|half|\d)\b))",
    re.IGNORECASE,
)  # fmt: skip
"""Words that somebody says before an amount and that name nothing."""

_ALSO: Final = re.compile(
    r",? (?P<also>or(?: about| roughly)?|that['’]?s(?: about| roughly)?|that is|which is(?: about)?|so(?: about)?|call it|let['’]?s call it"
    r"|let['’]?s say|make it)"
    r"(?= )|,? (?P<anew>(?:no|sorry|wait|actually|scratch that|make that|i mean|or rather|rather)"
    r"(?:,? (?:no|sorry|wait|actually|make that|i mean)){0,3}),?(?= )",
    re.IGNORECASE,
)  # fmt: skip
"""Words between two statements of one amount: the second repeats the first, or takes its place."""

_OF_EGGS: Final = re.compile(r"\b(?:the )?(whites?|yolks?) of (an?|one|two|three|\d) (?:fresh |large )?eggs?\b", re.IGNORECASE)
_BY_EYE: Final = re.compile(
    r"an? (?:good |big |healthy |little |small )?(?:glug|slug|pour|bit|drizzle)s? of (?P<what>[^,\d]{1,60}),? "
    r"(?:call it|let['’]?s (?:say|call it)|say|about)"
    r" (?P<amount>[\d½¼¾⅓⅔][\d./ ]{0,8}(?:ml|cl|oz|ounces?))",
    re.IGNORECASE,
)  # fmt: skip
"""A pour by eye whose amount is said after it."""

_MOST_WORDS: Final = 6


def as_written(sentence: str) -> str:
    """Return a spoken sentence as it would be written: fillers left out, a repeated amount in brackets behind the one that counts.

    >>> as_written("so we're going to do one ounce or 30 ml silver tequila")
    'one ounce (30 ml) silver tequila'
    >>> as_written("half an ounce, no, three quarters of an ounce of lime juice")
    'three quarters of an ounce (half an ounce) of lime juice'
    """
    text = " ".join(_FILLERS.sub(" ", sentence).split())
    text = _OF_EGGS.sub(r"\2 egg \1", text)
    if by_eye := _BY_EYE.fullmatch(text):
        return f"{by_eye['amount']} {by_eye['what']}"
    for match in reversed(list(_ALSO.finditer(text))):
        first = _measure_at_the_end(text[: match.start()])
        second = _measure_at_the_start(text[match.end() :], first)
        if first is None or second is None:
            continue
        (before, first_words, first_amount), (second_words, second_amount, rest) = first, second
        if match["also"] and (second_amount.unit in (None, first_amount.unit)):
            continue  # "15 or 20 ml" is a range
        counts, aside = (second_words, first_words) if match["anew"] else (first_words, second_words)
        if match["anew"] and second_amount.unit is None:
            unit = first_words.split()[-1]
            counts = f"{second_words} of {with_article(unit)}" if second_amount.by_fraction else f"{second_words} {unit}"
            rest = re.sub(r"^of (?=an? )", "", rest)
        text = f"{before}{counts} ({aside}) {rest}".strip()
    return text


def _measure_at_the_end(text: str) -> tuple[str, str, SpokenAmount] | None:
    """Return what stands before the longest amount that a text ends with, its words, and the amount."""
    words = text.split()
    for count in range(min(len(words), _MOST_WORDS), 0, -1):
        tail = " ".join(words[-count:])
        amount = None if tail[0] == "(" else parse_measure(tail)
        if amount is not None and amount.unit is not None and not amount.of and amount.kind == "amount":
            head = " ".join(words[:-count])
            return (f"{head} " if head else ""), tail, amount
    return None


def _measure_at_the_start(text: str, first: tuple[str, str, SpokenAmount] | None) -> tuple[str, SpokenAmount, str] | None:
    """Return the words of the longest amount that a text begins with, the amount, and what stands after it."""
    if first is None:
        return None
    words = text.split()
    for amount, rest in beginnings(text, most=_MOST_WORDS):
        count = len(words) - len(rest.split()) if len(plain(text).split()) == len(words) else 0
        if amount.kind == "amount" and not amount.of and count > 0:
            return " ".join(words[:count]).strip(" ,"), amount, " ".join(words[count:])
    return None
