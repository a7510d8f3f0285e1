"""How a drink is made, step by step, written from the drink itself (domain.md, "The order of the work" and the schools).

Every step is common practice of the trade. What is sparkling never goes in the tin, whatever the spec says.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final, Literal, get_args

from oenomel.core.glass import LEAST_FLOAT_ML
from oenomel.core.ice import REFERENCE_SECONDS
from oenomel.core.spec import Drink, Pour

Order = Literal["cheap and risky first", "spirit first", "as written"]
ORDERS: Final[tuple[Order, ...]] = get_args(Order)
Sparkling = Literal["on top", "in the glass first", "half and half"]
SPARKLING: Final[tuple[Sparkling, ...]] = get_args(Sparkling)

FOAMS_UP_G: Final = 4.0
"""Sugar in a drink from which bubbles foam up, [g] (house rule)."""

_VESSEL: Final = {"shake": "tin", "roll": "tin", "stir": "mixing glass", "blend": "blender"}
_ICE: Final = {"cubes": "cubes", "large": "one large cube", "crushed": "crushed ice"}
# Cheap and risky first: what can spoil the drink or costs least goes in before what is dear.
_CHEAP_FIRST: Final = ("texture", "seasoning", "accent", "sour", "lengthener", "sweet", "other", "liqueur", "base")
_SPIRIT_FIRST: Final = ("base", "liqueur", "sweet", "sour", "lengthener", "other", "accent", "seasoning", "texture")
_CUT: Final = re.compile(r"zest|peel|twist|wheel|slice|wedge", re.IGNORECASE)
_PRESSED: Final = re.compile(r"^(lime|lemon|orange|blood-orange|grapefruit|pomelo|yuzu|bergamot)\b")


@dataclass(frozen=True, slots=True)
class Way:
    """The house's schools of making: in what order the pours go in, and when the sparkling part does."""

    order: Order = ORDERS[0]
    sparkling: Sparkling = SPARKLING[0]


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do.

    ``kind`` is "prepare", "pour", "work", "serve", "top" or "garnish"; ``pour`` the place of the pour that it is about, of which it takes
    ``share``; ``seconds`` how long it is worked; ``sign`` how one sees that it is done, or why. ``key`` stays the same while the drink
    is changed elsewhere.
    """

    kind: str
    words: str
    sign: str = ""
    pour: int | None = None
    share: float = 1.0
    seconds: float | None = None

    @property
    def key(self) -> str:
        """By what a tick is remembered."""
        return f"{self.kind}: {self.words}"


_STANDARD: Final = Way()


def making_steps(drink: Drink, way: Way = _STANDARD) -> tuple[Step, ...]:
    """The steps of a drink, in the order in which they are done."""
    return (
        *_prepared(drink),
        *_into_the_vessel(drink, way),
        *_worked(drink),
        *_into_the_glass(drink, way),
        *_finished(drink, way),
    )


def _prepared(drink: Drink) -> Iterator[Step]:
    glass, method = drink.serve.glass or "glass", drink.method
    rims = [(i, pour) for i, pour in enumerate(drink.pours) if pour.stage == "rim"]
    if drink.serve.ice == "none" and method.technique != "none":
        yield Step("prepare", f"Chill the {glass}", "dry, or the edge won't hold" if rims else "in the freezer, or with ice and water")
    for index, pour in rims:
        does = {"sugar": "Sugar", "seasoning": "Salt"}.get(pour.ingredient.kind, "Coat")
        tail = "" if does in ("Sugar", "Salt") else f" with {pour.ingredient.name}"
        yield Step("prepare", f"{does} the edge of the {glass}{tail}", "the glass dry, the excess tapped off", index)
    cut = [words for words in _garnishes(drink) if _CUT.search(words)]
    for words in cut:
        yield Step("prepare", f"Cut the {_bare(words)}", "before the fruit is juiced")
    for pour in drink.pours:
        fruit = _PRESSED.match(pour.ingredient.slug)
        if fruit and pour.ingredient.kind == "juice":
            yield Step("prepare", f"Press the {fruit[1].replace('-', ' ')}", "taste it: fruit differs from day to day")
    for index, pour in enumerate(drink.pours):
        if "raw egg" in pour.ingredient.cautions:
            yield Step("prepare", "Separate the egg into a cup of its own", "a broken yolk then costs nothing", index)
    for index, pour in enumerate(drink.pours):
        if pour.stage == "rinse":
            yield Step("prepare", f"Rinse the {glass} with {pour.ingredient.name}", "pour the rest out", index)


def _into_the_vessel(drink: Drink, way: Way) -> Iterator[Step]:
    vessel = _vessel(drink)
    mixed = [(i, pour) for i, pour in enumerate(drink.pours) if _goes_in(pour, drink)]
    if way.order != "as written":
        ranks = _CHEAP_FIRST if way.order == ORDERS[0] else _SPIRIT_FIRST
        mixed.sort(key=lambda each: ranks.index(each[1].slot) if each[1].slot in ranks else ranks.index("other"))
    # Dry sugar wants the juice and no spirit; leaves want to be pressed before anything cold is on them.
    mixed.sort(key=lambda each: 0 if _is_leaf(each[1]) else 1)
    for index, pour in mixed:
        name = _noun(pour)
        if _is_leaf(pour):
            yield Step("pour", f"{pour.ingredient.name}, pressed lightly in the {vessel}", "without the stems", index)
        elif pour.ingredient.composition.solid:
            yield Step("pour", f"{name} into the {vessel}, stirred with the juice", "until nothing grates, before the spirit", index)
        else:
            yield Step("pour", f"{name} into the {vessel}", pour=index)


def _worked(drink: Drink) -> Iterator[Step]:
    method, vessel = drink.method, _vessel(drink)
    if method.dry_shake_seconds > 0 and method.technique == "shake":
        yield Step(
            "work", "Shake without ice", "hold the seal, it builds pressure; until it sounds thick", seconds=method.dry_shake_seconds
        )
    iced = method.ice in _ICE and method.seconds != 0
    match method.technique:
        case "shake" | "stir" | "roll" | "blend" if iced:
            yield Step("work", f"Ice into the {vessel}: {_ICE[method.ice]}")
    match method.technique:
        case "shake" if iced:
            yield Step("work", "Shake", "until the tin frosts and is hard to hold", seconds=method.seconds or REFERENCE_SECONDS["shake"])
        case "stir" if iced:
            yield Step("work", "Stir", "until the liquid looks silky", seconds=method.seconds or REFERENCE_SECONDS["stir"])
        case "shake" | "stir":
            yield Step("work", "Mix without ice", "until it is one")
        case "roll":
            yield Step("work", "Roll from tin to tin, five times", "cold, and not frothy")
        case "blend":
            yield Step("work", "Blend", "until no ice rattles", seconds=method.seconds or 15.0)
        case _:
            pass


def _into_the_glass(drink: Drink, way: Way) -> Iterator[Step]:
    serve, method = drink.serve, drink.method
    glass = serve.glass or "glass"
    in_glass = method.technique in ("build", "swizzle")
    ice = {
        "cubes": f"Fresh cubes into the {glass}",
        "large": f"One large cube into the {glass}",
        "crushed": f"Crushed ice into the {glass}, heaped",
    }
    if serve.ice in ice:
        yield Step("serve", ice[serve.ice])
    if method.technique == "swizzle":
        yield Step("work", "Swizzle", f"until the {glass} frosts", seconds=method.seconds or 15.0)
    elif method.technique == "build" and any(pour.meets_ice for pour in drink.pours):
        yield Step("work", "Lift once or twice with a spoon", "so that it is one")
    for index, pour in enumerate(drink.pours):
        if pour.stage == "glass" and not pour.ingredient.is_sparkling:
            yield Step("serve", f"{_noun(pour)} into the {glass}", pour=index)
    share = {"in the glass first": 1.0, "half and half": 0.5}.get(way.sparkling, 0.0)
    for index, pour in _sparkling(drink):
        part = 1.0 if pour.stage == "glass" else share
        if part:
            words = f"{'Half of the ' if part < 1 else ''}{_noun(pour)} into the {glass}"
            yield Step("serve", words, "so that the rest mixes through", index, part)
    if any(_goes_in(pour, drink) for pour in drink.pours) and not in_glass and method.technique != "none":
        yield Step("serve", *_strained(drink, glass))


def _strained(drink: Drink, glass: str) -> tuple[str, str]:
    if drink.method.technique == "blend":
        return f"Pour into the {glass}", ""
    if drink.method.technique == "stir":
        return f"Strain into the {glass}", ""
    bits = any(_goes_in(pour, drink) and pour.ingredient.kind == "plant" for pour in drink.pours)
    if drink.serve.ice == "none" or bits:
        return f"Double strain into the {glass}", "no leaf and no shard of ice" if bits else "no shard of ice"
    return f"Strain into the {glass}", ""


def _finished(drink: Drink, way: Way) -> Iterator[Step]:
    foams = any(pour.ingredient.foam == "firm" and _goes_in(pour, drink) for pour in drink.pours)
    sweet = sum(pour.liquid_ml * pour.ingredient.composition.sugar / 100 for pour in drink.pours) > FOAMS_UP_G
    share = {"in the glass first": 0.0, "half and half": 0.5}.get(way.sparkling, 1.0)
    for index, pour in enumerate(drink.pours):
        if pour.stage == "topped" and not pour.ingredient.is_sparkling:
            yield Step("top", f"{_noun(pour)} on top", pour=index)
    for index, pour in _sparkling(drink):
        if pour.stage != "glass" and share:
            words = f"{'The rest of the ' if share < 1 else ''}{_noun(pour)} on top"
            sign = "slowly, the glass tilted: sugar and bubbles foam up" if foams or sweet else "along the side, it keeps its bubbles"
            yield Step("top", words, sign, index, share)
    for index, pour in enumerate(drink.pours):
        if pour.stage == "floated" and not pour.ingredient.is_sparkling:
            name = _noun(pour)
            if pour.volume_ml >= LEAST_FLOAT_ML:
                yield Step("top", f"Float the {name} over the back of a spoon", pour=index)
            else:
                yield Step("top", f"Drip the {name} on the {'foam' if foams else 'drink'}", pour=index)
    for index, pour in enumerate(drink.pours):
        if pour.stage == "garnish":
            yield Step("garnish", f"Garnish: {pour.ingredient.name}", _reason(pour.ingredient.name, foams), index)
    for words in drink.serve.garnish:
        yield Step("garnish", f"Garnish: {_bare(words)}", words.partition(",")[2].strip() or _reason(words, foams))


def _noun(pour: Pour) -> str:
    """Its name in the middle of a sentence: "Egg white, fresh," wants its second comma."""
    name = pour.ingredient.name
    return f"{name}," if "," in name else name


def _goes_in(pour: Pour, drink: Drink) -> bool:
    """Whether a pour goes in the vessel: a sparkling one never does where there is anything to work."""
    worked = drink.method.technique not in ("none", "build")
    return pour.stage == "mixed" and not (pour.ingredient.is_sparkling and worked)


def _sparkling(drink: Drink) -> list[tuple[int, Pour]]:
    kept_apart = [
        (i, pour)
        for i, pour in enumerate(drink.pours)
        if pour.ingredient.is_sparkling and pour.stage in ("mixed", "glass", "topped", "floated") and not _goes_in(pour, drink)
    ]
    return [(i, pour) for i, pour in kept_apart if pour.volume_ml > 0]


def _vessel(drink: Drink) -> str:
    return _VESSEL.get(drink.method.technique, drink.serve.glass or "glass")


def _is_leaf(pour: Pour) -> bool:
    return pour.ingredient.kind == "plant" and (pour.unit == "leaf" or "leaf" in pour.ingredient.name.lower())


def _garnishes(drink: Drink) -> list[str]:
    return [*drink.serve.garnish, *(pour.ingredient.name for pour in drink.pours if pour.stage == "garnish")]


def _bare(words: str) -> str:
    """A garnish without its reason: "bay leaf, for the nose" is a bay leaf. A name keeps its capitals only at the start of a line."""
    bare = words.partition(",")[0].strip()
    return bare[:1].lower() + bare[1:]


def _reason(words: str, foams: bool) -> str:
    if foams:
        return "egg and foam want something for the nose"
    if re.search(r"zest|peel|twist", words, re.IGNORECASE):
        return "its oil over the drink, for the nose"
    return "last, when all else is in"
