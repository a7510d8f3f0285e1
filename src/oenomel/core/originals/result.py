"""An original as a pourable drink: form, glass, rim and garnish, name, and why it works."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES
from oenomel.core.checks import Finding
from oenomel.core.checks.clashes import clashes_of
from oenomel.core.families import families
from oenomel.core.families.typical_range import EDGE_OF_HOME_STEPS
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.glass.glassware import fill, others_for
from oenomel.core.larder import Ingredient, Larder, aromas
from oenomel.core.method.garnishes import suggested_garnishes
from oenomel.core.originals.aroma_pairings import KinshipTable, pairing_matrix
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.drink_names import name_for
from oenomel.core.originals.parts import ACCENTS, PARTS
from oenomel.core.originals.search_context import BookDrink, SearchContext
from oenomel.core.originals.space import NONE, ORDER
from oenomel.core.originals.usual_measures import accent_pour, salted_edges
from oenomel.core.spec import Drink, Garnish, Method, Pour, Serve, Stage
from oenomel.core.spec.technique import Edge
from oenomel.core.wording import capital, listed

DRY_SHAKE_SECONDS: Final = 10.0
SHAKE_SECONDS: Final = 12.0
SALT_G: Final = 2.0

REFUSED: Final = frozenset({
    "sparkling-in-the-tin", "hot-in-the-tin", "no-acid", "no-sugar", "no-base", "no-liqueur", "no-lengthener", "little-liqueur",
    "large-and-watery", "one-too-loud", "slip-of-measure", "outside-home", "glass-too-small", "charcoal", "poisonous-plant",
    "curdles", "cream-and-wood", "two-creams", "hard-pair", "foam-and-soda", "many-bitters", "two-loud", "two-perfumes", "two-foams",
    "hot-for-a-child", "beyond-dissolving",
})  # fmt: skip
"""Findings with which nobody would serve an original."""

RARE: Final = 4
"""Rank from which a garnish is too rare to suggest."""

ODD_BELOW: Final = 0.6
KIN_FROM: Final = 0.7
"""Pairing values below which an ingredient is called odd, and from which two are said to go together."""


@dataclass(frozen=True)
class Original:
    """An original drink.

    Parameters
    ----------
    drink : Drink                 with its name to be, method, glass, garnish
    forecast : Forecast
    distance_steps : float        from its family's typical range
    kinship, novelty, score : float, 0 to 1
    nearest : BookDrink or None   the drink of the book that is nearest
    differs : str                 what sets it apart from that
    parts : mapping of part to slug   who plays what in it
    reasons : tuple of str        why it hangs together, how sure the balance is
    """

    drink: Drink
    forecast: Forecast
    distance_steps: float
    kinship: float
    novelty: float
    score: float
    nearest: BookDrink | None
    differs: str
    parts: Mapping[str, str]
    reasons: tuple[str, ...]


def drink_of(
    ingredients: Sequence[Ingredient],
    drawn: NDArray[np.int64],
    volumes: NDArray[np.float64],
    criteria: Criteria,
    larder: Larder,
) -> Drink:
    """Build the drink of a combination, with its glass, rim and garnish."""
    pours = []
    for part, index, ml in zip(ORDER, drawn.tolist(), volumes.tolist(), strict=True):
        if index == NONE or (ml == 0 and part not in ACCENTS):
            continue
        chosen = ingredients[index]
        pours.append(accent_pour(chosen) if part in ACCENTS else _poured(chosen, part, round(ml, 9), criteria))
    return _served(Drink("", criteria.family, tuple(pours), method=_method(pours)), criteria, larder)


def _poured(ingredient: Ingredient, part: str, ml: float, criteria: Criteria) -> Pour:
    if ingredient.piece_ml == ml:
        return Pour(ingredient, ml, "piece", PARTS[part].slot, "mixed", amount=1.0)
    stage: Stage = "topped" if part == "lengthener" and criteria.form != "long on juice" else "mixed"
    return Pour(ingredient, ml, "ml", PARTS[part].slot, stage, amount=ml)


def _method(pours: Sequence[Pour]) -> Method:
    foams = any(pour.ingredient.foam == "firm" for pour in pours)
    pressed = any(pour.ingredient.kind == "plant" for pour in pours)
    return Method(
        technique="shake",
        seconds=SHAKE_SECONDS,
        dry_shake_seconds=DRY_SHAKE_SECONDS if foams else 0.0,
        strain="double" if foams or pressed else "",
    )


def _served(drink: Drink, criteria: Criteria, larder: Larder) -> Drink:
    name, edge = _form(drink, criteria)
    form = next(one_form for one_form in families()[criteria.family].forms if one_form.name == name)
    pours = drink.pours
    edge_of = ("salt" if edge == "salted edge" else "caster-sugar") if edge else ""
    if edge_of in larder and _may(larder[edge_of], criteria):
        pours = (*pours, Pour(larder[edge_of], SALT_G * 0.62, "g", "edge", "rim", amount=SALT_G))
    drink = replace(drink, form=name, pours=pours, serve=Serve(glass=form.glass, ice=form.ice, edge=Edge(half=True)))  # type: ignore[arg-type]
    return replace(drink, serve=replace(drink.serve, garnish=_garnish(drink, criteria, larder)))


def _may(ingredient: Ingredient, criteria: Criteria) -> bool:
    named = any(word in (ingredient.slug, ingredient.kind, *ingredient.allergens) for word in criteria.without)
    return not named and (criteria.pool is None or ingredient.slug in criteria.pool)


def _form(drink: Drink, criteria: Criteria) -> tuple[str, str]:
    """Return the form that a drink is served in, and its rim."""
    slots = {pour.slot for pour in drink.pours}
    lead = max(drink.pours, key=lambda pour: (pour.slot == "base", pour.liquid_ml)).ingredient
    salted = lead.slug in salted_edges() and "texture" not in slots
    if criteria.form:
        return criteria.form, criteria.form if "edge" in criteria.form else ""
    if criteria.without_alcohol:
        return "without alcohol", ""
    if drink.family == "sour":
        return ("with foam", "") if "texture" in slots else ("rocks", "") if {"oak", "malt", "rye"} & set(lead.aroma) else ("up", "")
    if drink.family == "daisy":
        return ("rocks", "") if "lengthener" in slots else ("salted edge", "salted edge") if salted else ("up", "")
    long = next((pour.ingredient for pour in drink.pours if pour.slot == "lengthener"), None)
    if long is not None and long.kind == "sparkling":
        return "sparkling wine on top", ""
    return ("soda on top", "") if "texture" in slots else ("long", "")


def _garnish(drink: Drink, criteria: Criteria, larder: Larder) -> tuple[Garnish, ...]:
    """Return a garnish that echoes a pour; for a drink with egg always one with an aroma; else None where it adds nothing."""
    # A rum may smell of bananas, but nobody garnishes with one for that.
    telling = [pour.ingredient for pour in drink.pours if pour.slot != "base"]
    smelt = {tag for ingredient in telling for tag, weight in ingredient.aroma.items() if weight > 1}
    may = [
        ingredient
        for ingredient in larder.values()
        if "garnish" in ingredient.slots
        and ingredient.rank < RARE
        and ingredient.aroma
        and _lead(ingredient) in smelt
        and _may(ingredient, criteria)
    ]
    suggestions = suggested_garnishes(drink, may, criteria.pool or ())
    over_egg = any("egg" in pour.ingredient.allergens for pour in drink.pours)
    peel = next((suggestion.garnish for suggestion in suggestions if "zest" in suggestion.garnish.what), None)
    if over_egg and peel is not None:
        return (replace(peel, how="expressed and discarded", why="for the aroma, over the foam"),)
    return (suggestions[0].garnish,) if suggestions else ()


@dataclass(frozen=True, slots=True)
class Weighed:
    """Assessment of one combination: roles, aroma pairing, novelty, the nearest drink of the book, and its score."""

    parts: Mapping[str, str]
    kinship: float
    novelty: float
    nearest: BookDrink | None
    score: float


def original_of(context: SearchContext, drink: Drink, criteria: Criteria, weighed: Weighed, names: Sequence[str]) -> Original | None:
    """Build the original with its descriptions; None where its full forecast has a finding that nobody would serve."""
    forecast = forecast_of(replace(drink, name=name_for(drink, names, context.names)), context.conditions, context.homes)
    in_a_glass_that_holds_it = _in_a_glass_that_holds_it(forecast)
    if in_a_glass_that_holds_it is not forecast.drink:
        forecast = forecast_of(in_a_glass_that_holds_it, context.conditions, context.homes)
    drink = forecast.drink
    if forecast.home is None or forecast.home.branch != context.home_branch(criteria):
        return None
    distance = forecast.home.distance(forecast.served)
    asked = {*criteria.must, *criteria.like}
    if distance > EDGE_OF_HOME_STEPS or any(_refused(finding, drink, asked) for finding in forecast.findings):
        return None
    nearest = weighed.nearest
    differs = _differs(drink, nearest.drink) if nearest else ""
    reasons = (*_kin_words(drink, context.table), *_sure_words(forecast))
    return Original(drink, forecast, distance, weighed.kinship, weighed.novelty, weighed.score, nearest, differs, weighed.parts, reasons)


def _refused(finding: Finding, drink: Drink, asked: set[str]) -> bool:
    if finding.code not in REFUSED:
        return False
    # Two ingredients that were asked for by name are the user's choice; the bench still shows the finding.
    clashing = [who for clash, who in clashes_of(pour.ingredient for pour in drink.pours) if clash.code == finding.code]
    return not clashing or any(sum(ingredient.slug in asked for ingredient in who) < 2 for who in clashing)


def _in_a_glass_that_holds_it(forecast: Forecast) -> Drink:
    drink, volume_ml = forecast.drink, forecast.served.volume_ml
    full = fill(drink.serve.glass, drink.serve.ice, volume_ml)
    if full is None or full <= 1:
        return drink
    sparkles = any(pour.ingredient.is_sparkling for pour in drink.pours)
    other = others_for(drink.serve.glass, drink.serve.ice, volume_ml, sparkling=sparkles)
    return replace(drink, serve=replace(drink.serve, glass=other)) if other else drink


def _kin_words(drink: Drink, table: KinshipTable) -> tuple[str, ...]:
    """Describe the aromas that go together, and the odd one with its measure."""
    smelt = [pour for pour in drink.pours if pour.ingredient.aroma and pour.stage not in ("rim", "garnish")]
    if len(smelt) < 2:
        return ("Few aromas here: the balance has to carry it.",)
    values, _ = pairing_matrix([pour.ingredient for pour in smelt], table)
    pairs = sorted(itertools.combinations(range(len(smelt)), 2), key=lambda pair: (-round(float(values[pair]), 9), pair))
    one, other = pairs[0]
    best = float(values[one, other])
    closer = "pair well" if best >= KIN_FROM else "go together"
    two = smelt[one].ingredient, smelt[other].ingredient
    first = f"{capital(two[0].in_sentence)} and {two[1].in_sentence} {closer}: {_beside(*two, table)}."
    if len(smelt) < 3:
        return (first,)
    mean = [float(np.mean([values[i, j] for j in range(len(smelt)) if j != i])) for i in range(len(smelt))]
    # The base and the sour are never the odd one: the others are odd beside them.
    may_be = [i for i, pour in enumerate(smelt) if pour.slot not in ("base", "sour") and i not in (one, other)]
    odd = min(may_be, key=lambda i: (round(mean[i], 9), i), default=None)
    if odd is None or mean[odd] >= ODD_BELOW:
        return (first,)
    return (first, f"{capital(smelt[odd].ingredient.in_sentence)} is the contrast, kept to {_measure(smelt[odd])}.")


def _beside(one: Ingredient, other: Ingredient, table: KinshipTable) -> str:
    """Return the two aromas of a pair that go together, or the one that both have."""
    lead, second = min(
        itertools.product(one.aroma, other.aroma),
        key=lambda pair: (-one.aroma[pair[0]] * other.aroma[pair[1]] * table.value(frozenset(aromas()[tag].group for tag in pair)), pair),
    )
    mine, its = (tag.replace("-", " ") for tag in (lead, second))
    return f"both smell of {mine}" if lead == second else f"{mine} with {its}"


def _lead(ingredient: Ingredient) -> str:
    return min(ingredient.aroma, key=lambda tag: (-ingredient.aroma[tag], tag))


def _measure(pour: Pour) -> str:
    amount = pour.liquid_ml if pour.amount is None else pour.amount
    plural = {"dash": "dashes", "leaf": "leaves", "piece": "pieces"}
    if pour.unit in plural:
        count = {1: "one", 2: "two"}.get(int(amount), f"{amount:g}")
        return f"{count} {pour.unit if amount == 1 else plural[pour.unit]}"
    return f"{amount:g} {pour.unit}"


def _sure_words(forecast: Forecast) -> tuple[str, ...]:
    """Describe the drink's place in its typical range with its uncertainty, and the main source of that."""
    served, ends, in_range = forecast.served, forecast.interval80, forecast.position
    assert in_range is not None
    balanced = "Balanced" if in_range.lean == "level" else capital(in_range.lean)
    half = {name: (ends[name].high - ends[name].low) / 2 for name in ("sugar", "acid")}
    balance = f"{served.sugar:.1f} g sugar (±{half['sugar']:.1f}) and {served.acid:.2f} g acid (±{half['acid']:.2f}) per 100 ml"
    least = max(half, key=lambda name: half[name] / max(getattr(served, name), AXES[name].floor) / AXES[name].step)
    sentence = forecast.doubt.drivers[least].told
    surer = (f"Least certain: {AXES[least].noun}. {sentence}",) if sentence else ()
    return (f"{balanced}, and typical for a {forecast.drink.family}: {balance}.", *surer)


def _differs(drink: Drink, other: Drink) -> str:
    """Describe what distinguishes a drink from another, slot by slot."""
    mine = {pour.ingredient.slug: pour for pour in drink.pours if pour.stage not in ("rim", "garnish")}
    its = {pour.ingredient.slug: pour for pour in other.pours if pour.stage not in ("rim", "garnish")}
    came = [mine[slug] for slug in mine if slug not in its]
    went = [its[slug] for slug in its if slug not in mine]
    words = []
    for pour in list(came):
        twin = next((lost for lost in went if lost.slot == pour.slot), None)
        if twin is not None:
            came.remove(pour)
            went.remove(twin)
            words.append(f"{pour.ingredient.in_sentence} for {twin.ingredient.in_sentence}")
    if came:
        words.append(f"{listed([pour.ingredient.in_sentence for pour in came])} added")
    if went:
        words.append(f"no {listed([pour.ingredient.in_sentence for pour in went], 'or')}")
    return ", ".join(words) or "the same ingredients in other amounts"
