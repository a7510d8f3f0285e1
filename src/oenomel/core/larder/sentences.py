"""What every sentence of the house is put together with."""

from __future__ import annotations

from collections.abc import Sequence


def listed(words: Sequence[str]) -> str:
    """Words one after another as they are said.

    >>> listed(["gin", "lemon juice", "soda"])
    'gin, lemon juice and soda'
    """
    return " and ".join([", ".join(words[:-1]), words[-1]] if len(words) > 1 else words)


def with_article(noun: str) -> str:
    """One of it.

    >>> with_article("up glass"), with_article("flute")
    ('an up glass', 'a flute')
    """
    return f"{'an' if noun[:1].lower() in tuple('aeiou') else 'a'} {noun}"


def capital(text: str) -> str:
    """With a capital, as at the head of a sentence; nothing stays nothing."""
    return text[:1].upper() + text[1:]
