"""Explanation of a figure: a tree from the figure over each pour down to composition values and their sources.

A node's ``parts`` add up to its value, so the leaves of a tree add up to the figure at its root; ``uses`` are what its equation
takes besides, and don't add.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final, Literal, get_args

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import Liquid, Served, poured
from oenomel.core.balance.levels import levels_of
from oenomel.core.balance.mixing import served_drink, temperatures
from oenomel.core.balance.profile import AS_CITRIC, AS_SUCROSE, BODY_WEIGHTS, KCAL_PER_G, STANDARD_DRINK_G
from oenomel.core.dilution import Conditions, dilution_model, dilution_relative_sd
from oenomel.core.dilution.curves import CONSTANT_RATIOS, SHAKEN, STIRRED, time_factor
from oenomel.core.larder import ACIDS, ETHANOL_G_PER_ML, SUGAR_COLUMNS, SUGARS, SourcedValue
from oenomel.core.larder.composition import ACID_COLUMNS, COLUMN, PROPERTIES
from oenomel.core.spec import Drink, Pour
from oenomel.core.wording import with_unit
from oenomel.errors import EmptyDrink, UnknownFigure

Floats = NDArray[np.float64]

_TOLD: Final = SourcedValue("", 0.0, 0.0, "Headline with the drink itself", "label")
_BALANCE: Final = "Balance of masses; volumes are taken as additive (docs/model/balance.md)"
_CURVE: Final = "D. Arnold, Liquid Intelligence (2014), the curves of dilution (from memory)"
_HEAT: Final = "Heat balance of ice, drink and tin (docs/model/dilution.md)"
_GUESS: Final = "House estimate for a technique without a curve"


@dataclass(frozen=True, slots=True)
class Why:
    """One node of an explanation.

    Parameters
    ----------
    name, unit : str          what it is
    value : float             in that unit; the sum of the parts where there are any
    equation : str            how it comes about, with its numbers
    source : str              where the equation, or a leaf's composition value, comes from
    relative_sd : float or None   spread of a leaf's value
    reasoning : str           how that value follows from its source
    parts, uses : tuple of Why
    """

    name: str
    value: float
    unit: str
    equation: str = ""
    source: str = ""
    relative_sd: float | None = None
    reasoning: str = ""
    parts: tuple[Why, ...] = ()
    uses: tuple[Why, ...] = ()


@dataclass(frozen=True, slots=True)
class _Linear:
    """A figure that adds up over pours: weights of the properties, and what the sum is divided by."""

    name: str
    unit: str
    weights: Floats
    per: str
    weighed: str = ""


def _weights(**weights: float) -> Floats:
    column = np.zeros(len(PROPERTIES))
    for name, weight in weights.items():
        column[COLUMN[name]] = weight
    return column


def _group(columns: slice, weights: Floats | float = 1.0) -> Floats:
    column = np.zeros(len(PROPERTIES))
    column[columns] = weights
    return column


_ENERGY: Final = (
    _weights(
        abv=ETHANOL_G_PER_ML * KCAL_PER_G["alcohol"],
        protein=KCAL_PER_G["protein"],
        fat=KCAL_PER_G["fat"],
        gum=KCAL_PER_G["fibre"],
    )
    + _group(SUGAR_COLUMNS, KCAL_PER_G["carbohydrate"])
    + _group(ACID_COLUMNS, KCAL_PER_G["acid"])
)
_LINEAR: Final = {
    "abv": _Linear("Strength", "% ABV", _weights(abv=1.0), "volume"),
    "sugar": _Linear("Sweetness", "g/100 ml", _group(SUGAR_COLUMNS), "volume"),
    "acid": _Linear("Acidity", "g/100 ml", _group(ACID_COLUMNS), "volume"),
    "titratable_acid": _Linear("Titratable acidity, as citric", "g/100 ml", _group(ACID_COLUMNS, AS_CITRIC), "volume", "by equivalents"),
    "sucrose_equivalents": _Linear("Sweetness, as sucrose", "g/100 ml", _group(SUGAR_COLUMNS, AS_SUCROSE), "volume", "by sweetness"),
    "body": _Linear("Body", "g/100 ml", BODY_WEIGHTS, "volume", "protein and fat three times, gum ten times"),
    "alcohol_g": _Linear("Alcohol", "g", _weights(abv=ETHANOL_G_PER_ML), "", "0.78924 g/ml"),
    "energy_kcal": _Linear("Energy", "kcal", _ENERGY, "", "7, 4, 3 and 9 kcal per gram of alcohol, sugar, acid and fat"),
    **{
        f"standard_drinks_{country}": _Linear(
            f"Standard drinks, {country.upper()}", "", _weights(abv=ETHANOL_G_PER_ML / grams), "", f"{grams:g} g alcohol each"
        )
        for country, grams in STANDARD_DRINK_G.items()
    },
    "sugar_acid_ratio": _Linear("Sugar to acid", "g/g", _group(SUGAR_COLUMNS), "acid"),
}
ExplainedFigure = Literal[
    "volume_ml", "water_ml", "abv", "sugar", "acid", "titratable_acid", "sucrose_equivalents", "body", "alcohol_g", "energy_kcal",
    "standard_drinks_us", "standard_drinks_uk", "standard_drinks_au", "sugar_acid_ratio", "temperature_c", "water_ratio", "co2",
]  # fmt: skip


EXPLAINED: Final[tuple[ExplainedFigure, ...]] = get_args(ExplainedFigure)
Checkpoint = Literal["tin", "strained", "before_topping", "served"]
CHECKPOINTS: Final[tuple[Checkpoint, ...]] = get_args(Checkpoint)
"""Points at which a drink can be tasted: before the ice, after it, in the glass before topping, at minute 0."""

_POINT_WORDS: Final = {"tin": "in the tin", "strained": "after the ice", "before_topping": "before topping", "served": "as served"}


@dataclass(frozen=True, slots=True)
class _Case:
    """A drink at one of its points: its pours so far, and their liquid."""

    drink: Drink
    conditions: Conditions
    served: Served
    point: str
    pours: tuple[Pour, ...]
    liquid: Liquid


def explain(drink: Drink, figure: str, conditions: Conditions, point: str = "served") -> Why:
    """Explain a figure of a drink at one of `CHECKPOINTS`, as a tree.

    Raises
    ------
    UnknownFigure
        The figure is not one of `EXPLAINED`, or the drink has none (no ratio without acid, no strength in an empty tin).
    EmptyDrink
    """
    case = _case(drink, conditions, point)
    match figure:
        case "volume_ml":
            return _volume(case)
        case "water_ml":
            return _water(case)
        case "water_ratio":
            return _ratio(case)
        case "temperature_c":
            return _temperature(case)
        case "co2" if case.liquid.volume_ml > 0:
            return _carbon_dioxide(case)
        case _ if figure in _LINEAR and case.liquid.volume_ml > 0:
            return _linear(case, figure)
        case _:
            raise UnknownFigure(figure, EXPLAINED)


def _case(drink: Drink, conditions: Conditions, point: str) -> _Case:
    table = poured(drink)
    water = levels_of(table.volumes, table.axes, table.in_tin, drink.method, conditions).water_ml[0]
    served = served_drink(table, water)
    if served.glass.volume_ml == 0:
        raise EmptyDrink
    on_top = ("topped", "floated")
    liquid, there = {
        "tin": (served.tin, [pour for pour in drink.pours if pour.meets_ice]),
        "strained": (served.strained, [pour for pour in drink.pours if pour.meets_ice]),
        "before_topping": (served.before_topping, [pour for pour in drink.pours if pour.stage not in on_top]),
        "served": (served.glass, list(drink.pours)),
    }[point]
    return _Case(drink, conditions, served, point, tuple(pour for pour in there if pour.liquid_ml > 0), liquid)


def leaves(node: Why) -> Iterator[Why]:
    """Yield the leaves of the tree, which add up to the root's value."""
    if not node.parts:
        yield node
    for part in node.parts:
        yield from leaves(part)


def _linear(case: _Case, figure: str) -> Why:
    linear = _LINEAR[figure]
    volume_ml, acid_g = float(case.liquid.volume_ml), float(case.liquid.tin.acid_g)
    if linear.per == "acid" and acid_g == 0:
        raise UnknownFigure(figure, tuple(name for name in EXPLAINED if name != figure))
    scale = {"volume": 100 / volume_ml, "acid": 1 / acid_g if acid_g else 0.0, "": 1.0}[linear.per]
    divisor = {"volume": f" ÷ {volume_ml:.1f} ml", "acid": f" ÷ {acid_g:.2f} g acid", "": ""}[linear.per]
    pours = tuple(node for pour in case.pours if (node := _pour(pour, linear, scale, divisor)).parts)
    weighed = f", {linear.weighed}" if linear.weighed else ""
    uses: tuple[Why, ...] = ()
    if linear.per == "volume":
        uses = (_volume(case),)
    elif linear.per == "acid":
        uses = (_linear(case, "acid"),)
    return Why(
        f"{linear.name} {_POINT_WORDS[case.point]}",
        float(sum(pour.value for pour in pours)),
        linear.unit,
        equation=f"sum over the ingredients of volume × content{weighed}{divisor}",
        source=_BALANCE,
        parts=pours,
        uses=uses,
    )


def _pour(pour: Pour, linear: _Linear, scale: float, divisor: str) -> Why:
    """Explain the contribution of one pour, kind by kind."""
    parts = []
    for name, content, weight in zip(PROPERTIES, pour.ingredient.composition.vector, linear.weights.tolist(), strict=True):
        if content == 0 or weight == 0:
            continue
        value = pour.ingredient.values.get(name, _TOLD)
        unit = "%" if name == "abv" else "g/100 ml"
        times = f" × {weight:.4g}" if weight != 1 else ""
        parts.append(
            Why(
                _CONTENT_WORDS.get(name, name),
                pour.liquid_ml * content / 100 * weight * scale,
                linear.unit,
                equation=f"{pour.liquid_ml:.4g} ml × {with_unit(f'{content:.4g}', unit)}{times}{divisor}",
                source=value.source,
                relative_sd=pour.ingredient.composition.spread.get(name, pour.ingredient.composition.spread.get(_group_of(name), 0.0)),
                reasoning=value.why,
            )
        )
    return Why(
        pour.ingredient.name,
        float(sum(part.value for part in parts)),
        linear.unit,
        equation=f"{pour.liquid_ml:.4g} ml",
        parts=tuple(parts),
    )


def _carbon_dioxide(case: _Case) -> Why:
    """Explain carbon dioxide by mixing; losses in pouring aren't counted."""
    volume_ml = float(case.liquid.volume_ml)
    parts = []
    for pour in case.pours:
        co2 = pour.ingredient.composition.co2
        if co2 > 0:
            value = pour.ingredient.values.get("co2", _TOLD)
            equation = f"{pour.liquid_ml:.4g} ml × {co2:.4g} g/l ÷ {volume_ml:.1f} ml"
            parts.append(Why(pour.ingredient.name, pour.liquid_ml * co2 / volume_ml, "g/l", equation, value.source, reasoning=value.why))
    return Why(
        f"Carbonation {_POINT_WORDS[case.point]}",
        float(sum(part.value for part in parts)),
        "g/l",
        equation="sum over the ingredients of volume × content ÷ volume; what escapes isn't counted",
        source=_BALANCE,
        parts=tuple(parts),
        uses=(_volume(case),),
    )


_CONTENT_WORDS: Final = {"abv": "alcohol", "other": "other sugar", **{acid: f"{acid} acid" for acid in ACIDS}}


def _group_of(name: str) -> str:
    return "sugars" if name in SUGARS else "acids" if name in ACIDS else name


def _volume(case: _Case) -> Why:
    pours = tuple(
        Why(pour.ingredient.name, pour.liquid_ml, "ml", equation="amount poured" if pour.stage != "rinse" else "what a rinse leaves")
        for pour in case.pours
    )
    diluted = case.point != "tin" and case.served.water_ml != 0
    return Why(
        f"Volume {_POINT_WORDS[case.point]}",
        float(case.liquid.volume_ml),
        "ml",
        equation="all ingredients and dilution" if diluted else "all ingredients",
        source=_BALANCE,
        parts=(*pours, _water(case)) if diluted else pours,
    )


def _ratio(case: _Case) -> Why:
    tin, water = float(case.served.tin.volume_ml), float(case.served.water_ml)
    ratio = water / tin if tin else 0.0
    return Why("Dilution per ml in the tin", ratio, "ml/ml", equation=f"{water:.1f} ml ÷ {tin:.1f} ml", uses=(_water(case),))


def _water(case: _Case) -> Why:
    """Explain the water from the ice: a leaf whose equation uses the contents of the tin."""
    method, conditions, served = case.drink.method, case.conditions, case.served
    model = dilution_model(method, conditions)
    tin = served.tin.tin
    a, volume, water = float(tin.abv_fraction), float(served.tin.volume_ml), float(served.water_ml)
    uses: tuple[Why, ...] = (
        Why("Volume in the tin", volume, "ml", equation="sum of the ingredients in the tin"),
        Why("Strength in the tin", 100 * a, "% ABV", equation="their alcohol ÷ their volume"),
    )
    factor = conditions.factors.get(method.technique)
    if factor is not None:
        measured = f"mean of {factor.measurements} readings, drawn towards 1"
        uses = (*uses, Why("Your own factor", factor.factor, "", equation=measured, relative_sd=factor.relative_sd))
    if model == "none":
        return Why("Dilution", 0.0, "ml", equation="no ice")
    if model == "curve":
        square, linear, constant = SHAKEN if method.technique == "shake" else STIRRED
        equation = f"{volume:.1f} ml × ({square}·a² + {linear}·a + {constant}) × {time_factor(method):.3g} for the time, a = {a:.4f}"
        source = _CURVE
    elif model == "estimate":
        equation, source = f"{volume:.1f} ml × {CONSTANT_RATIOS[method.technique]}", _GUESS
    else:
        ice = conditions.ice_in_the_tin(method)
        counted = "" if method.ice_pieces is None else f"{method.ice_pieces} pieces of {method.piece_g:g} g, "
        equation = (
            f"melt·(333.6 + 2.05·(T − {conditions.ice_c:g})) = heat of drink and tin from {conditions.start_c:g} °C to "
            f"T = {temperatures(served, method, conditions).strained:.1f} °C; {counted}{ice.grams:g} g of ice, "
            f"{100 * ice.surface_water:.0f}% of it wet"
        )
        source = _HEAT
    spread = float(dilution_relative_sd(a, method, conditions))
    return Why("Dilution", water, "ml", equation=equation, source=source, relative_sd=spread, uses=uses)


def _temperature(case: _Case) -> Why:
    """Explain a temperature: the liquids' temperatures weighted by their heat capacities."""
    conditions, served = case.conditions, case.served
    at = temperatures(served, case.drink.method, conditions)
    name = f"Temperature {_POINT_WORDS[case.point]}"
    if case.point == "tin":
        return Why(name, at.tin, "°C", equation="as the ingredients are before mixing")
    waiting, topping = served.before_topping.minus(served.strained), served.glass.minus(served.before_topping)
    kept = 1.0 if case.point == "strained" else _share_of_heat(served.strained, waiting)
    heat_share = 1.0 if case.point != "served" else _share_of_heat(served.before_topping, topping)
    liquids = (
        ("The strained drink", kept * heat_share, at.strained, "heat balance of ice, drink and tin, not below freezing"),
        ("What was in the glass", (1 - kept) * heat_share, conditions.room_c, "at the room's temperature"),
        ("What went on top", 1 - heat_share, conditions.topping_c, "from the fridge"),
    )
    parts = tuple(
        Why(liquid, share * own_c, "°C", equation=f"{own_c:.1f} °C × {100 * share:.0f}% of the heat; {how}", source=_HEAT)
        for liquid, share, own_c, how in liquids
        if share > 0
    )
    value = {"strained": at.strained, "before_topping": at.before_topping, "served": at.glass}[case.point]
    return Why(name, value, "°C", equation="mean by heat capacity", source=_HEAT, parts=parts)


def _share_of_heat(one: Liquid, other: Liquid) -> float:
    """Return the first liquid's share of the heat capacity of two."""
    heats = [float(liquid.tin.heat_capacity_j_per_k) if liquid.volume_ml > 0 else 0.0 for liquid in (one, other)]
    return heats[0] / sum(heats) if sum(heats) else 0.0
