"""Clashes: ingredients that no bartender would mix although the figures balance (common practice).

The same table serves the checks of a written drink and the search for originals: ingredients belong to classes, and a clash is two
classes in one glass, or too much of one class.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from typing import Final

from oenomel.core.checks.finding import Case, Finding
from oenomel.core.larder import Ingredient, aromas
from oenomel.core.wording import capital, listed

FAT_ENOUGH: Final = 25.0
"""Milk fat from which cream can be shaken briefly with citrus, [g/100 ml]; leaner milk curdles in the tin."""

SHARP: Final = 2.0
"""Acid from which a pour curdles milk, [g/100 ml]."""

BITTER: Final = 3.0
LEADS: Final = 3
CLEAR: Final = 2
LOUD_ML: Final = 10.0
SWEET_SODA: Final = 5.0
"""Bitterness, weights of a leading and of a clear aroma tag, overpowering amount, and sugar of a soda, from which an ingredient belongs to
that class (house rules).
"""

_HOT: Final = frozenset({"hot-sauce", "fresh-chilli", "chili-syrup", "chili-liqueur", "chilli-salt"})


@dataclass(frozen=True, slots=True)
class Clash:
    """Two classes of ingredients that don't go together, or (``most``) a limit for one class; ``why`` follows the names in a sentence."""

    code: str
    severity: str
    one: str
    other: str
    why: str
    most: int = 0


CLASHES: Final = (
    Clash("curdles", "warning", "lean milk", "sharp", "milk and lean cream curdle in sharp juice"),
    Clash("curdles", "warning", "cream liqueur", "sharp", "a cream liqueur curdles in sharp juice"),
    Clash("cream-and-wood", "info", "cream", "wormwood", "cream makes wine and herbs taste like medicine"),
    Clash("two-creams", "info", "cream", "cream", "one cream is enough; two are heavy", most=1),
    Clash("hard-pair", "info", "coffee", "sharp", "coffee with sharp juice turns thin and metallic; taste the two together first"),
    Clash(
        "hard-pair", "info", "cocoa", "sharp", "cocoa with sharp juice tastes like spoilt chocolate to many; taste the two together first"
    ),
    Clash("hard-pair", "info", "dark beer", "sharp", "roasted malt and sharp juice clash; a light beer suits citrus"),
    Clash("hard-pair", "info", "savoury", "fruit", "salty, green flavours clash with sweet fruit"),
    Clash("hard-pair", "info", "savoury", "foam", "salty, green flavours under a sweet foam taste like soup"),
    Clash("hard-pair", "info", "mint", "smoke", "cool mint over smoke reads as ash"),
    Clash("hard-pair", "info", "mint", "dairy fruit", "mint and banana or coconut mask each other"),
    Clash("hard-pair", "info", "anise", "roast", "anise takes over coffee and cocoa"),
    Clash("hard-pair", "info", "perfume", "smoke", "smoke buries flowers"),
    Clash("hard-pair", "info", "perfume", "roast", "coffee and cocoa bury flowers"),
    Clash(
        "foam-and-soda",
        "info",
        "foam",
        "sweet soda",
        "egg white with a sweet soda foams over",
    ),
    Clash("foam-and-soda", "info", "foam", "beer", "beer has its own foam and clashes with egg white"),
    Clash("foam-and-soda", "info", "leaf", "foam", "bits of leaf stick to the lip; steep the leaf in the syrup instead"),
    Clash("many-bitters", "info", "bitter", "bitter", "more than two bitter ingredients leave nothing else to taste", most=2),
    Clash("two-loud", "info", "loud", "loud", "two loud ingredients fight; choose one", most=1),
    Clash("two-perfumes", "info", "perfume", "perfume", "two perfumed ingredients smell of soap", most=1),
    Clash("two-foams", "info", "foam", "foam", "one foaming ingredient is enough", most=1),
)
"""The clashes, from the trade's habits; each is advice that a bar may ignore."""


@cache
def _lead_groups() -> Mapping[str, str]:
    return {tag: aroma.group for tag, aroma in aromas().items()}


def sense_classes(ingredient: Ingredient) -> frozenset[str]:
    """Return the classes that an ingredient belongs to; most belong to none or one."""
    return frozenset(_classes(ingredient))


def _classes(ingredient: Ingredient) -> Iterator[str]:
    composition, leads = ingredient.composition, {tag for tag, weight in ingredient.aroma.items() if weight >= LEADS}
    milk = "milk" in ingredient.allergens
    if milk and composition.abv == 0 and composition.fat < FAT_ENOUGH and composition.acid < 0.5:
        yield "lean milk"
    if milk and composition.abv > 0:
        yield "cream liqueur"
    if milk or ingredient.slug.startswith(("coconut-cream", "oat-cream")):
        yield "cream"
    if composition.acid >= SHARP and ingredient.kind in ("juice", "seasoning", "vinegar", "syrup"):
        yield "sharp"
    for tag, name in (("coffee", "coffee"), ("cocoa", "cocoa"), ("anise", "anise"), ("mint", "mint")):
        if tag in leads:
            yield name
    if {"coffee", "cocoa"} & leads:
        yield "roast"
    if {"banana", "coconut"} & leads and ingredient.kind != "spirit":
        yield "dairy fruit"
    if ingredient.aroma.get("smoke", 0) >= 2:
        yield "smoke"
    if ingredient.aroma.get("wormwood", 0) >= 2:
        yield "wormwood"
    if {"rose", "violet", "elderflower"} & leads or (ingredient.kind in ("seasoning", "bitters", "syrup") and "blossom" in leads):
        yield "perfume"
    if _is_savoury(ingredient):
        yield "savoury"
    if any(_lead_groups()[tag] in ("berry", "tropical", "stone", "orchard") for tag in leads):
        yield "fruit"
    if ingredient.slug in _HOT:
        yield "hot"
    if ingredient.kind == "beer":
        yield "dark beer" if ingredient.aroma.get("coffee", 0) >= 2 else "beer"
    if ingredient.kind == "water" and ingredient.is_sparkling and composition.sugar >= SWEET_SODA:
        yield "sweet soda"
    if ingredient.foam == "firm":
        yield "foam"
    if ingredient.kind == "plant" and ("leaf" in ingredient.slug or any(_lead_groups()[tag] in ("green", "herbal") for tag in leads)):
        yield "leaf"
    if (ingredient.label("bitterness") or 0) >= BITTER:
        yield "bitter"
    loud = ingredient.label("loud_above_ml")
    if loud is not None and loud <= LOUD_ML and ingredient.kind not in ("bitters", "vinegar"):
        yield "loud"


def _is_savoury(ingredient: Ingredient) -> bool:
    """Check whether an ingredient tastes of vegetables, or of salt and earth, as no spirit does."""
    vegetal, earth, saline = (ingredient.aroma.get(tag, 0) for tag in ("vegetal", "earth", "saline"))
    salty = (earth >= CLEAR and bool(vegetal or saline)) or (saline >= CLEAR and vegetal >= CLEAR)
    return vegetal >= LEADS or (salty and ingredient.kind != "spirit")


def clashes_of(poured: Iterable[Ingredient]) -> list[tuple[Clash, tuple[Ingredient, ...]]]:
    """Return the clashes among ingredients, each once, with the ingredients that clash."""
    members: dict[str, list[Ingredient]] = {}
    for ingredient in {one.slug: one for one in poured}.values():
        for name in sense_classes(ingredient):
            members.setdefault(name, []).append(ingredient)
    clashes = []
    for clash in CLASHES:
        ones, others = members.get(clash.one, []), members.get(clash.other, [])
        if clash.most and len(ones) > clash.most:
            clashes.append((clash, tuple(ones)))
        elif not clash.most and any(one.slug != other.slug for one in ones for other in others):
            named = {member.slug: member for member in (*ones, *others)}
            clashes.append((clash, tuple(named.values())))
    return clashes


def _clashes(case: Case) -> Iterator[Finding]:
    clash_counts: Counter[str] = Counter()
    for clash, who in clashes_of(pour.ingredient for _, pour in case.poured):
        if clash_counts[clash.code]:
            continue
        clash_counts[clash.code] += 1
        yield Finding(clash.code, clash.severity, f"{capital(listed([ingredient.in_sentence for ingredient in who]))}: {clash.why}.")


def _hot_without_alcohol(case: Case) -> Iterator[Finding]:
    if case.home is not None and case.home.branch == "without alcohol":
        for index, pour in case.poured:
            if "hot" in sense_classes(pour.ingredient):
                message = f"{pour.ingredient.name} is hot. Warn the guest, or leave it out for children."
                yield Finding("hot-for-a-child", "info", message, pour=index)


CHECKS: Final = (_clashes, _hot_without_alcohol)
