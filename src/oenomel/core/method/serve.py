"""Steps in the glass: its ice, the strain, the top, the float, the garnish (common practice).

Every step is common practice of the trade.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Final

from oenomel.core.glass.time_course import LEAST_FLOAT_ML
from oenomel.core.method.mix import is_pressed, lifted
from oenomel.core.method.prepare import PEEL, bare
from oenomel.core.method.step import Making, Step
from oenomel.core.spec import Garnish
from oenomel.core.wording import capital, with_article

NOTE: Final = "tell: note"
"""Key of the step with the words to the guest."""

FOAMS_UP_G: Final = 4.0
"""Sugar in a drink from which bubbles foam up, [g] (house rule)."""

_WINES: Final = ("sparkling", "cider", "wine")
_HERB: Final = re.compile(r"\b(?:mint|basil|sage|verbena|shiso|lemon balm|tarragon|coriander|thyme|rosemary)\b", re.IGNORECASE)
_ON_THE_EDGE: Final = re.compile(r"wheel|slice|wedge|half[- ]moon", re.IGNORECASE)
_GRATED: Final = re.compile(r"\b(?:nutmeg|tonka|cocoa|matcha|grated|ground|dust|powder)\b", re.IGNORECASE)
_SEVERAL: Final = re.compile(r"^(?:\d|two|three|four|five|six|a few|some)\b|[^s]s$", re.IGNORECASE)


def into_the_glass(making: Making) -> Iterator[Step]:
    """Yield the steps of the serving ice, the first pours in the glass, the first of the bubbles, and the strain."""
    serve, method, glass = making.drink.serve, making.drink.method, making.glass
    ice = {
        "cubes": f"Fill the {glass} with fresh cubes.",
        "large": f"Put one large cube into the {glass}.",
        "crushed": f"Heap crushed ice into the {glass}.",
    }
    if serve.ice in ice:
        yield Step("serving ice", "serve", ice[serve.ice])
    yield from lifted(making)
    for index, pour in making.staged("glass"):
        words = (
            f"Pour {making.of(pour)} into the {glass} first." if method.technique != "none" else f"Pour {making.of(pour)} into the {glass}."
        )
        yield Step(f"glass: {pour.ingredient.slug}", "serve", words, pour=index, amount=making.amount(pour))
    share = {"in the glass first": 1.0, "half and half": 0.5}.get(making.way.sparkling_of(making.drink), 0.0)
    for index, pour in making.sparkling:
        part = 1.0 if pour.stage == "glass" else share
        if part:
            half = ", half of it," if part < 1 else ""
            words, sign = f"Pour {making.of(pour, part)}{half} into the {glass}.", "The rest mixes through it."
            yield Step(f"first: {pour.ingredient.slug}", "serve", words, sign, index, part, making.amount(pour, part))
    if making.mixed and method.technique not in ("build", "swizzle", "none"):
        yield _strained(making)
        if making.foams and method.dry_shake_seconds > 0 and serve.ice == "none":
            yield Step("skim", "serve", "Skim the large bubbles off the foam with a spoon.", "The fine foam stays.")


def finished(making: Making) -> Iterator[Step]:
    """Yield the steps of the top, the float, the last taste, the garnish, and the words to the guest."""
    drink, foams = making.drink, making.foams
    for index, pour in making.staged("topped"):
        amount = making.amount(pour)
        yield Step(f"top: {pour.ingredient.slug}", "top", f"Top with {making.of(pour)}.", pour=index, amount=amount, moment="top")
    yield from _bubbles_on_top(making)
    floats = [(index, pour) for index, pour in making.staged("floated") if pour.volume_ml >= LEAST_FLOAT_ML]
    for index, pour in making.staged("floated"):
        does, where = (
            ("Float", "over the back of a spoon") if (index, pour) in floats else ("Drip", f"on the {'foam' if foams else 'drink'}")
        )
        key = f"{does.lower()}: {pour.ingredient.slug}"
        yield Step(key, "top", f"{does} {making.of(pour)} {where}.", pour=index, amount=making.amount(pour), moment="top")
    wines = [p.ingredient.in_sentence for _, p in making.sparkling if p.ingredient.kind in _WINES]
    if wines:
        words = f"Taste and correct: the {wines[0]} decides how dry it is."
        yield Step("taste: glass", "taste", words, "Bottles differ.")
    for index, pour in enumerate(drink.pours):
        if pour.stage == "garnish":
            yield garnished(Garnish(making.of(pour) if pour.amount else pour.ingredient.in_sentence), making, index)
    for garnish in drink.serve.garnish:
        yield garnished(garnish, making)
    for _, pour in floats:
        words = f"Tell the guest: stir the {pour.ingredient.in_sentence} in, or drink through it."
        yield Step(f"tell: {pour.ingredient.slug}", "serve", words, moment="serve")
    if drink.serve.note.strip():
        yield Step(NOTE, "serve", f"Tell the guest: {_ended(drink.serve.note.strip())}", moment="serve")


def garnished(garnish: Garnish, making: Making, pour: int | None = None) -> Step:
    """Return the step of a garnish: in its own way, or in the usual way for what it is."""
    the = f"the {bare(garnish.what)}"
    it = "them" if _SEVERAL.search(bare(garnish.what)) else "it"
    words = _placed_as_written(garnish, the, it) if garnish.how.strip() else _put_as_usual(garnish.what, the, making)
    why = garnish.why.strip() or _reason(garnish.what, making.foams)
    other = f"Out of stock: {_ended(garnish.instead.strip())}" if garnish.instead.strip() else ""
    sign = " ".join(part for part in (_ended(why), other) if part)
    return Step(f"garnish: {bare(garnish.what)}", "garnish", words, capital(sign), pour, moment="garnish")


def _placed_as_written(garnish: Garnish, the: str, it: str) -> str:
    how = garnish.how.strip().rstrip(".").lower()
    if "express" in how:
        tail = f" and discard {it}" if re.search(r"throw|discard", how) else f" and drop {it} in" if re.search(r"drop|in the", how) else ""
        return f"Express {the} over the drink{tail}."
    if "grate" in how:
        return f"Grate {the.removeprefix('the ').removeprefix('grated ')} over the drink."
    if "pick" in how:
        return f"Garnish with {_one_of(garnish.what)} {how}."
    if re.match(r"(?:on|in|into|over|at|beside|across|under|through)\b", how):
        return f"{'Drop' if how.startswith(('in ', 'into')) else 'Set'} {the} {how}."
    return f"Garnish with {_one_of(garnish.what)}, {how}."


def _put_as_usual(what: str, the: str, making: Making) -> str:
    if PEEL.search(what):
        return f"Express {the} over the drink."
    if _GRATED.search(what):
        return f"Grate {the.removeprefix('the ').removeprefix('grated ')} over the drink."
    if _HERB.search(what):
        where = "on the foam" if making.foams else "on the ice" if making.drink.serve.ice != "none" else "on the drink"
        return f"Slap {the} between your hands and put {'them' if _SEVERAL.search(what) else 'it'} {where}."
    if _ON_THE_EDGE.search(what):
        return f"Set {the} on the rim."
    return f"Garnish with {_one_of(what)}."


def _one_of(what: str) -> str:
    """Return a garnish inside a sentence: "a lime wheel", "three raspberries".

    >>> _one_of("lime wheel"), _one_of("Raspberries"), _one_of("a thin slice of quince")
    ('a lime wheel', 'raspberries', 'a thin slice of quince')
    """
    words = bare(what)
    return words if _SEVERAL.search(words) or words.endswith("grass") else with_article(words)


def _strained(making: Making) -> Step:
    method, glass = making.drink.method, making.glass
    if method.technique == "blend":
        return Step("strain", "serve", f"Pour it into the {glass}.", moment="strain")
    bits = any(is_pressed(pour) for _, pour in making.mixed)
    up = making.drink.serve.ice == "none"
    strain = method.strain or ("double" if bits or (up and method.technique != "stir") else "single")
    if strain == "none":
        return Step("strain", "serve", f"Pour it into the {glass}, unstrained.", moment="strain")
    sign = "" if strain == "single" else "No leaf, no pip and no shard of ice." if bits else "No shard of ice."
    return Step("strain", "serve", f"{'Double strain' if strain == 'double' else 'Strain'} into the {glass}.", sign, moment="strain")


def _bubbles_on_top(making: Making) -> Iterator[Step]:
    sweet = sum(pour.liquid_ml * pour.ingredient.composition.sugar / 100 for pour in making.drink.pours) > FOAMS_UP_G
    share = {"in the glass first": 0.0, "half and half": 0.5}.get(making.way.sparkling_of(making.drink), 1.0)
    for index, pour in making.sparkling:
        if pour.stage == "glass" or not share:
            continue
        what, amount = making.of(pour, share), making.amount(pour, share)
        rest = ", the rest of it" if share < 1 else ""
        if making.foams or sweet:
            words, sign = f"Tilt the glass and top slowly with {what}{rest}.", "It foams up: leave room."
        else:
            words, sign = f"Top with {what}{rest}, down the side.", "It keeps the bubbles."
        yield Step(f"top: {pour.ingredient.slug}", "top", words, sign, index, share, amount, moment="top")


def _reason(what: str, foams: bool) -> str:
    if foams:
        return "Foam needs an aroma on top."
    return "The oil gives the aroma." if PEEL.search(what) else ""


def _ended(text: str) -> str:
    return text if not text or text.endswith((".", "?", ":")) else f"{text}."
