"""Content of a card: the pours in ml and oz in their order, the method, the glass, and what a guest must know."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from typing import Final

from oenomel.core.forecast import Forecast
from oenomel.core.method import MethodOptions, amount_words
from oenomel.core.method.amount_words import counted_noun, glass_ounces
from oenomel.core.method.serve import NOTE
from oenomel.core.method.step import Step
from oenomel.core.method.steps import making_steps
from oenomel.core.spec import Drink
from oenomel.core.wording import capital, listed
from oenomel.formats.card.glass_drawing import GlassDrawing, glass_drawing
from oenomel.schemas.format_names import Country

__all__ = ["Card", "CardGarnish", "CardPour", "CardStep", "beside", "card_of", "day_words"]

COUNTRIES: Final[dict[Country, str]] = {"us": "US", "uk": "UK", "au": "Australian"}

_TELL: Final = frozenset({
    "allergens", "raw-egg", "grapefruit", "quinine", "liquorice", "charcoal", "food-grade-acid", "frozen-gas",
    "poisonous-plant", "rhubarb", "wild-plants", "strong-serve", "goes-down-easily", "sparkling-in-the-tin", "hot-in-the-tin",
})  # fmt: skip
"""Findings that belong on a card: those that can hurt somebody."""

_SERVED: Final = {"none": "served up", "cubes": "on fresh cubes", "large": "on one large cube", "crushed": "on crushed ice"}
_PLACES: Final = {"glass": "glass first", "topped": "on top", "floated": "floated", "rinse": "rinse", "rim": "rim", "garnish": "garnish"}
_AT_A_GLANCE: Final = frozenset({"work", "serve", "top", "garnish", "own"})
"""Words of the serve, and the steps that an experienced hand at the station needs."""

_SIZES: Final = ((2300, "utmost"), (1700, "longest"), (1300, "longer"), (900, "long"))
"""Letters from which a card is set smaller to stay on one page (tried by printing)."""


@dataclass(frozen=True, slots=True)
class CardPour:
    """One pour: where it goes, amounts in ml and in ounces (empty where it is counted otherwise), name, and remark."""

    place: str
    ml: str
    oz: str
    name: str
    said: str = ""
    differs: bool = False


@dataclass(frozen=True, slots=True)
class CardStep:
    """One step and its symbol."""

    words: str
    sign: str
    differs: bool = False


@dataclass(frozen=True, slots=True)
class CardGarnish:
    """One garnish with how and why."""

    what: str
    told: str


@dataclass(frozen=True, slots=True)
class Card:
    """A card; ``size`` says how much is on it, for its layout: "", "long", "longer", "longest" or "utmost"."""

    name: str
    kind: str
    descent: tuple[str, ...]
    pours: tuple[CardPour, ...]
    steps: tuple[CardStep, ...]
    short: tuple[str, ...]
    glass: str
    served: str
    drawing: GlassDrawing | None
    drawn: str
    garnishes: tuple[CardGarnish, ...]
    volume: str
    strength: str
    measures: str
    balance: str
    edge: str
    contains: str
    cautions: tuple[str, ...]
    note: str
    remember: str
    version: str
    dated: str
    size: str = ""
    differs: frozenset[str] = field(default=frozenset())


def card_of(
    forecast: Forecast,
    way: MethodOptions,
    *,
    country: Country = "us",
    own_amounts: Sequence[str | None] = (),
    descent: Sequence[str] = (),
    version: str = "",
    dated: str = "",
    remember: str = "",
) -> Card:
    """Return the card of a drink from its forecast.

    ``own_amounts`` are the user's own words for each pour's amount, ``version`` and ``dated`` are printed at the foot, ``remember`` are
    the notes.
    """
    drink, served = forecast.drink, forecast.served
    steps = making_steps(drink, way)
    findings = [finding for finding in forecast.findings if finding.code in _TELL]
    contains = next((finding.message for finding in findings if finding.code == "allergens"), "")
    measures = served.standard_drinks[country]
    sugar, acid = forecast.interval80["sugar"], forecast.interval80["acid"]
    card = Card(
        name=drink.name,
        kind=", ".join(
            part for part in (capital(drink.family) if drink.family != "open" else "", drink.form.replace(" edge", " rim")) if part
        ),
        descent=tuple(descent),
        pours=tuple(_pours(drink, steps, way, own_amounts)),
        steps=tuple(_steps(steps)),
        short=tuple(step.words for step in steps if step.kind in _AT_A_GLANCE or _of_the_glass(drink, step)),
        glass=drink.serve.glass or "glass of your own",
        served=_SERVED[drink.serve.ice],
        drawing=None if forecast.appearance is None else glass_drawing(forecast.appearance, _edge_of(drink)),
        drawn=_drawn(forecast),
        garnishes=tuple(_garnish(garnish.what, garnish.how, garnish.why, garnish.instead) for garnish in drink.serve.garnish),
        volume=f"{served.volume_ml:.0f} ml, {glass_ounces(served.volume_ml, way.ounce_ml)}",
        strength=f"{served.abv:.1f}% ABV",
        measures=f"{measures:.1f} {COUNTRIES[country]} standard drinks, {served.alcohol_g:.0f} g alcohol"
        if forecast.has_strength
        else "without alcohol",
        balance=(
            f"{served.sugar:.1f} g sugar ({sugar.low:.1f} to {sugar.high:.1f}) and {served.acid:.2f} g acid "
            f"({acid.low:.2f} to {acid.high:.2f}) per 100 ml"
        ),
        edge="" if forecast.edge is None else forecast.edge.words,
        contains=contains,
        cautions=tuple(finding.message for finding in findings if finding.code != "allergens"),
        note=drink.serve.note.strip(),
        remember=remember.strip(),
        version=version,
        dated=dated,
    )
    return _sized(card)


def day_words(day: date) -> str:
    """Return a date as people write it.

    >>> day_words(date(2026, 11, 7))
    '7 November 2026'
    """
    return f"{day.day} {day:%B} {day.year}"


def beside(card: Card, other: Card) -> Card:
    """Return a card with its differences from another one marked."""
    others = {(pour.place, pour.name): (pour.ml, pour.said) for pour in other.pours}
    pours = tuple(replace(p, differs=others.get((p.place, p.name)) != (p.ml, p.said)) for p in card.pours)
    other_lines = {(step.words, step.sign) for step in other.steps}
    steps = tuple(replace(step, differs=(step.words, step.sign) not in other_lines) for step in card.steps)
    names = ("glass", "served", "garnishes", "volume", "strength", "measures", "balance", "edge", "contains", "note")
    differs = frozenset(name for name in names if getattr(card, name) != getattr(other, name))
    return replace(card, pours=pours, steps=steps, differs=differs)


def _pours(drink: Drink, steps: Sequence[Step], way: MethodOptions, own_amounts: Sequence[str | None]) -> list[CardPour]:
    """Return the pours in their order; those of the rim and the rinse first, as they are done first."""
    poured = (step.pour for step in steps if step.kind != "prepare" or _of_the_glass(drink, step))
    order = list(dict.fromkeys(index for index in poured if index is not None))
    order += [index for index in range(len(drink.pours)) if index not in order]
    rows = []
    for index in order:
        pour = drink.pours[index]
        words = own_amounts[index] if index < len(own_amounts) else None
        counted = pour.unit in ("piece", "leaf") and bool(pour.amount)
        name = counted_noun(pour, pour.amount or 0.0) if counted else pour.ingredient.in_sentence
        ml, oz = (amount_words(pour, MethodOptions(shown=shown, ounce_ml=way.ounce_ml).measures) for shown in ("ml", "oz"))
        vessel = _PLACES.get(pour.stage, "") if pour.stage != "mixed" else ""
        rows.append(CardPour(vessel, ml, oz if oz != ml else "", name, words or ""))
    return rows


def _steps(steps: Sequence[Step]) -> list[CardStep]:
    """Return the method without what the list of pours says already: simple pours become one step."""
    card_steps: list[CardStep] = []
    for step in steps:
        if step.key == NOTE:  # it stands below
            continue
        words = step.listed or step.words
        if not step.listed or not card_steps or card_steps[-1].words != words:
            card_steps.append(CardStep(words, step.sign))
    return card_steps


def _of_the_glass(drink: Drink, step: Step) -> bool:
    """Check whether a step prepares the glass: its rim, its rinse."""
    return step.pour is not None and drink.pours[step.pour].stage in ("rim", "rinse")


def _garnish(what: str, how: str, why: str, instead: str) -> CardGarnish:
    return CardGarnish(capital(what), ", ".join(part for part in (how, why, f"or {instead}" if instead else "") if part))


def _edge_of(drink: Drink) -> float:
    """Return the share of the rim that is coated."""
    return (0.5 if drink.serve.edge.half else 1.0) if any(pour.stage == "rim" for pour in drink.pours) else 0.0


def _drawn(forecast: Forecast) -> str:
    """Describe the drawing in words, for screen readers."""
    sight = forecast.appearance
    if sight is None:
        return ""
    layers = [layer.name for layer in sight.liquid] if len(sight.liquid) > 1 else []
    seen = listed([*layers, *(["foam"] if sight.foam else [])])
    return f"{capital(sight.glass.name)}, {_SERVED[sight.ice]}{f' with {seen}' if seen else ''}. {capital(sight.words)}."


def _sized(card: Card) -> Card:
    letters = sum(len(step.words) + len(step.sign) for step in card.steps) + 45 * len(card.pours) + sum(map(len, card.cautions))
    letters += len(card.remember) + len(card.note) + len(card.edge) + sum(map(len, card.descent))
    size = next((name for least, name in _SIZES if letters > least), "")
    return replace(card, size=size)
