"""Steps before mixing: glass, rim, cutting and juicing, the egg, the rinse (common practice).

Every step is common practice of the trade.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Final

from oenomel.core.method.step import Making, Step
from oenomel.core.spec import Pour
from oenomel.core.wording import with_article

PEEL: Final = re.compile(r"zest|peel|twist|swath|coin", re.IGNORECASE)
_CUT: Final = re.compile(r"zest|peel|twist|swath|coin|ribbon|wheel|slice|wedge|half[- ]moon", re.IGNORECASE)
_CITRUS: Final = re.compile(r"\b(blood orange|lime|lemon|orange|grapefruit|pomelo|yuzu|bergamot|mandarin|tangerine)s?\b", re.IGNORECASE)
_ADDS_NOTHING: Final = re.compile(r"\b(?:syrup|honey|water|molasses|juice|agave|egg white)\b", re.IGNORECASE)


def prepared(making: Making) -> Iterator[Step]:
    """Yield the steps before the first pour."""
    drink = making.drink
    rims = [(i, pour) for i, pour in enumerate(drink.pours) if pour.stage == "rim"]
    yield from _cut(making)
    yield from _chilled(making, bool(rims))
    for index, pour in rims:
        yield from _edge(making, index, pour)
    for fruit in pressed(making):
        yield Step(f"press: {fruit}", "prepare", f"Juice the {fruit}.", "Taste it: fruit changes from day to day.")
    for index, pour in enumerate(drink.pours):
        if "raw egg" in pour.ingredient.cautions and pour.stage == "mixed":
            yield _egg(index, pour)
    for index, pour in enumerate(drink.pours):
        if pour.stage != "rinse":
            continue
        words = f"Rinse the {making.glass} with {making.of(pour)} and pour the rest out."
        yield Step(f"rinse: {pour.ingredient.slug}", "prepare", words, pour=index, amount=making.amount(pour))


def pressed(making: Making) -> list[str]:
    """Return the fruit that is pressed for the drink, each once."""
    fruit = (match[1] for p in making.drink.pours if p.ingredient.kind == "juice" and (match := _CITRUS.search(p.ingredient.in_sentence)))
    return list(dict.fromkeys(name.lower() for name in fruit))


def bare(what: str) -> str:
    """Return a garnish without its article and capital: "A thin slice of quince" becomes "thin slice of quince"."""
    words = re.sub(r"^(?:an?|the)\s+", "", what.strip(), flags=re.IGNORECASE)
    return words[:1].lower() + words[1:] if words[1:2].islower() or len(words) == 1 else words


def _cut(making: Making) -> Iterator[Step]:
    """Yield the steps of cutting zest and wheels, before the fruit is juiced."""
    fruit = pressed(making)
    named = [garnish.what for garnish in making.drink.serve.garnish]
    named += [pour.ingredient.in_sentence for pour in making.drink.pours if pour.stage == "garnish"]
    for what in named:
        if not _CUT.search(what):
            continue
        cut = {name.lower() for name in _CITRUS.findall(what)}
        juiced = next((name for name in fruit if name in cut), None)
        tail = f" before juicing the {juiced}" if juiced else ""
        yield Step(f"cut: {bare(what)}", "prepare", f"Cut the {bare(what)}{tail}.")


def _chilled(making: Making, has_edge: bool) -> Iterator[Step]:
    serve, cold = making.drink.serve, making.drink.method.technique != "none" or making.drink.serve.ice != "none"
    if serve.chilled is False or not (cold or serve.chilled):
        return
    if has_edge:
        sign = "Keep it dry: a wet rim won't hold."
    elif serve.ice == "none":
        sign = "In the freezer, or with ice and water while you mix."
    else:
        sign = "A cold glass keeps its ice longer."
    yield Step("chill", "prepare", f"Chill the {making.glass}.", sign)


def _edge(making: Making, index: int, pour: Pour) -> Iterator[Step]:
    edge, fruit = making.drink.serve.edge, pressed(making)
    where = "half the rim" if edge.half else "the rim"
    with_what, juiced = _wetted_with(making, edge.wetted_with, fruit)
    tail = f", before juicing the {juiced}" if juiced else ""
    yield Step(
        f"wet: {pour.ingredient.slug}", "prepare", f"Wet {where} with {with_what}{tail}.", "The outside only: anything inside falls in."
    )
    words = f"Dip it in {pour.ingredient.in_sentence} and tap off the excess."
    sign = "" if making.drink.serve.ice == "none" else "Before any ice is in the glass."
    yield Step(f"edge: {pour.ingredient.slug}", "prepare", words, sign, index)


def _wetted_with(making: Making, own: str, fruit: list[str]) -> tuple[str, str]:
    """Return what wets the rim, and the fruit for it if that is juiced afterwards."""
    if own:
        citrus = _CITRUS.search(own)
        if citrus and not _ADDS_NOTHING.search(own):
            words = f"a cut {citrus[1].lower()}" if citrus[0].lower() == own.strip().lower() else with_article(bare(own))
            return words, citrus[1].lower() if citrus[1].lower() in fruit else ""
        return bare(own), ""
    if fruit:
        return f"a cut {fruit[0]}", fruit[0]
    garnished = next((match[1].lower() for garnish in making.drink.serve.garnish if (match := _CITRUS.search(garnish.what))), "")
    return (f"a cut {garnished}" if garnished else "a little water"), ""


def _egg(index: int, pour: Pour) -> Step:
    slug, name = pour.ingredient.slug, pour.ingredient.in_sentence
    key, sign = f"egg: {slug}", "Then a broken yolk or a bit of shell spoils nothing."
    if "white" in slug:
        many = pour.unit == "piece" and (pour.amount or 1) > 1
        words = f"Crack {pour.amount:g} eggs, each white into its own cup." if many else "Crack an egg and put the white in a cup."
    elif "yolk" in slug:
        words, sign = "Crack an egg and put the yolk in a cup.", "Then a bit of shell spoils nothing."
    else:
        words, sign = f"Crack the {name.removeprefix('whole ')} into a cup.", "Then a bad egg or a bit of shell spoils nothing."
    return Step(key, "prepare", words, sign, index)
