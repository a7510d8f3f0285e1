"""The roles of an original drink, and which ingredients may play each (docs/model/originals.md)."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import Ingredient, SlotName
from oenomel.core.larder.composition import PROPERTIES
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.usual_measures import USUAL_ML, asked_for_only, bases_without_alcohol, below_overpowering_ml, is_accent, on_grid
from oenomel.core.spec import FamilyName

WEAKEST_BASE: Final = 35.0
STRONGEST_BASE: Final = 60.0
"""Strength of a base, [% v/v]: a weaker one can't reach the family's strength, a stronger one is for a barspoon."""

QUIET_BASE_ML: Final = 40.0
SHARPEST_FROM: Final = 2.4
SOFTEST: Final = 0.4
SWEETEST_SOUR: Final = 3.0
"""Least loudness limit of a base, [ml]; and the acid of a juice that sours a drink alone, and that helps to, with its largest ratio of
sugar, [g/100 ml].
"""

SHARPER_THAN_THE_REST: Final = 3.0
AS_SHARP_AS_CITRUS: Final = 3.5
SYRUP: Final = (35.0, 100.0)
"""Acid that makes a second sour sharper, that of citrus, and the sugar of a syrup, [g/100 ml]; thicker syrup doesn't dissolve on ice."""

LIQUEUR_SUGAR: Final = 15.0
LEAST_LIQUEUR_ML: Final = 15.0
"""Least sugar of a liqueur, [g/100 ml], and least amount of the liqueur in a daisy, [ml]."""


@dataclass(frozen=True, slots=True)
class Role:
    """One role: its slot, and whether an ingredient plays it by default, and could where it is asked for."""

    slot: SlotName
    plays: Callable[[Ingredient, Criteria], bool]
    could: Callable[[Ingredient, Criteria], bool]


def _known(each: Ingredient) -> bool:
    return each.kind == "water" or any(name in each.values for name in PROPERTIES) or any(each.composition.vector)


def _could(slot: SlotName) -> Callable[[Ingredient, Criteria], bool]:
    return lambda each, _wish: slot in each.slots and _known(each) and not each.is_sparkling and "hot" not in each.cautions


def _base(each: Ingredient, wish: Criteria) -> bool:
    loud = each.label("loud_above_ml")
    if not _could("base")(each, wish) or (loud is not None and loud < QUIET_BASE_ML):
        return False
    if wish.without_alcohol:
        return each.kind == "zero-proof" and each.composition.sugar < LIQUEUR_SUGAR
    return each.kind == "spirit" and WEAKEST_BASE <= each.composition.abv <= STRONGEST_BASE


def _could_base(each: Ingredient, wish: Criteria) -> bool:
    if wish.without_alcohol and each.slug in bases_without_alcohol():
        return True
    return _could("base")(each, wish) and (wish.without_alcohol or each.composition.abv >= WEAKEST_BASE / 2)


def _sour(each: Ingredient, _wish: Criteria) -> bool:
    composition = each.composition
    # A juice as sweet as it is sharp, such as grapefruit, would need too much volume to sour a drink: it joins another.
    return (
        each.kind == "juice"
        and "sour" in each.slots
        and composition.acid >= SHARPEST_FROM
        and composition.sugar < SWEETEST_SOUR * composition.acid
    )


def _could_sour(each: Ingredient, wish: Criteria) -> bool:
    return _could("sour")(each, wish) and each.composition.acid >= SHARPEST_FROM


def _could_sour2(each: Ingredient, _wish: Criteria) -> bool:
    return each.kind == "juice" and "sour" in each.slots and each.composition.acid >= SOFTEST


def _sour2(each: Ingredient, wish: Criteria) -> bool:
    # Lemon with lime is one sour in two bottles.
    return _could_sour2(each, wish) and each.composition.acid < AS_SHARP_AS_CITRUS


def _sweet(each: Ingredient, _wish: Criteria) -> bool:
    low, high = SYRUP
    return each.kind in ("syrup", "honey") and "sweet" in each.slots and low <= each.composition.sugar <= high


def _could_sweet(each: Ingredient, wish: Criteria) -> bool:
    return _could("sweet")(each, wish) and each.composition.sugar >= SYRUP[0]


def _sweet2(each: Ingredient, wish: Criteria) -> bool:
    return _sweet(each, wish) and bool(each.aroma)


def _liqueur(each: Ingredient, wish: Criteria) -> bool:
    enough = wish.family != "daisy" or below_overpowering_ml(each, 30.0) >= LEAST_LIQUEUR_ML
    if wish.without_alcohol:
        kinds = ("syrup", "zero-proof") if wish.family == "daisy" else ("zero-proof",)
        return "liqueur" in each.slots and each.kind in kinds and enough
    strong = ("liqueur",) if wish.family == "daisy" else ("liqueur", "fortified", "aromatised")
    sugar = LIQUEUR_SUGAR if wish.family == "daisy" else 0.0
    return "liqueur" in each.slots and each.kind in strong and each.composition.sugar >= sugar and enough


def _accent(each: Ingredient, _wish: Criteria) -> bool:
    return is_accent(each) and "accent" in each.slots


def _could_accent(each: Ingredient, wish: Criteria) -> bool:
    return _accent(each, wish) or (_could("accent")(each, wish) and each.kind != "plant")


def _texture(each: Ingredient, _wish: Criteria) -> bool:
    return "texture" in each.slots and each.foam == "firm" and each.kind != "other" and "whole" not in each.slug


def _cream(each: Ingredient, _wish: Criteria) -> bool:
    return each.slug == "heavy-cream"


def _lengthener(each: Ingredient, wish: Criteria) -> bool:
    if wish.form == "long on juice":
        return each.kind == "juice" and "lengthener" in each.slots and each.composition.sugar >= 5
    if not each.is_sparkling or "lengthener" not in each.slots:
        return False
    if wish.form == "sparkling wine on top":
        return each.kind == "sparkling"
    if wish.form == "short with foam and cream":
        # Cream goes with neither sweet nor bitter bubbles.
        return each.kind == "water" and each.composition.sugar == 0 and not each.aroma
    if wish.form == "soda on top":
        return each.kind == "water"
    return True


def _could_lengthener(each: Ingredient, wish: Criteria) -> bool:
    return "lengthener" in each.slots and (each.is_sparkling or wish.form == "long on juice")


PARTS: Final[Mapping[str, Role]] = {
    "base": Role("base", _base, _could_base),
    "base2": Role("base", _base, _could_base),
    "sour": Role("sour", _sour, _could_sour),
    "sour2": Role("sour", _sour2, _could_sour2),
    "sweet": Role("sweet", _sweet, _could_sweet),
    "sweet2": Role("sweet", _sweet2, lambda each, wish: _could_sweet(each, wish) and bool(each.aroma)),
    "liqueur": Role("liqueur", _liqueur, _could("liqueur")),
    "accent": Role("accent", _accent, _could_accent),
    "accent2": Role("accent", lambda _each, _wish: False, _could_accent),
    "texture": Role("texture", _texture, lambda each, wish: _could("texture")(each, wish) and bool(each.foam)),
    "cream": Role("texture", _cream, _cream),
    "lengthener": Role("lengthener", _lengthener, _could_lengthener),
}
"""The roles in the order of description. A second accent is used only where both are asked for."""

ACCENTS: Final = ("accent", "accent2")
TWINS: Final = (("base", "base2"), ACCENTS)
"""Interchangeable roles: two ingredients fill them in the larder's order, so that no pair occurs twice."""

BALANCING: Final = ("base", "sour", "sweet", "lengthener")
"""Roles whose amounts balance a drink; the others stay at their usual measures."""


@dataclass(frozen=True, slots=True)
class Plan:
    """The roles of a family's drinks: those always present, and those of which up to two are added."""

    always: tuple[str, ...]
    joining: tuple[str, ...]


PLANS: Final[Mapping[FamilyName, Plan]] = {
    "sour": Plan(("base", "sour", "sweet"), ("base2", "sour2", "sweet2", "liqueur", "accent", "texture")),
    "daisy": Plan(("base", "liqueur", "sour"), ("sweet", "base2", "sour2", "accent", "texture", "lengthener")),
    "fizz": Plan(("base", "sour", "sweet", "lengthener"), ("base2", "sour2", "sweet2", "liqueur", "accent", "texture")),
}

FORM_PLANS: Final[Mapping[tuple[str, str], Plan]] = {
    ("sour", "with foam"): Plan(("base", "sour", "sweet", "texture"), ("base2", "sour2", "sweet2", "liqueur", "accent")),
    ("fizz", "short with foam and cream"): Plan(("base", "sour", "sweet", "texture", "cream", "lengthener"), ("accent", "liqueur")),
    ("fizz", "long on juice"): Plan(("base", "lengthener", "sour"), ("sweet", "liqueur", "accent")),
    ("fizz", "without alcohol"): Plan(("sour", "sweet", "lengthener"), ("base", "sour2", "sweet2", "accent", "texture")),
    ("sour", "without alcohol"): Plan(("base", "sour", "sweet"), ("sour2", "sweet2", "liqueur", "accent", "texture")),
    ("daisy", "without alcohol"): Plan(("base", "liqueur", "sour"), ("sweet", "sour2", "accent", "texture", "lengthener")),
}
"""Forms with roles of their own."""


def plan_of(wish: Criteria) -> Plan:
    """Return the roles for some criteria."""
    form = "without alcohol" if wish.without_alcohol else wish.form
    return FORM_PLANS.get((wish.family, form), PLANS[wish.family])


def usual_ml(part: str, ingredient: Ingredient, wish: Criteria) -> float:
    """Return the usual measure of a role whose amount is fixed, never above its loudness limit, [ml]."""
    ml = USUAL_ML.get(part, 0.0)
    if part == "liqueur":
        ml = {"sour": 7.5, "daisy": 30.0, "fizz": 15.0}[wish.family]
        if ingredient.kind in ("fortified", "aromatised") or (ingredient.kind == "syrup"):
            ml = 22.5 if wish.family == "daisy" else 15.0
    elif part == "texture" and ingredient.slug == "aquafaba":
        ml = 22.5
    elif part == "lengthener" and wish.family == "daisy":
        ml = 30.0
    elif part == "sour2" and ingredient.composition.acid >= SHARPER_THAN_THE_REST:
        ml = 15.0
    elif part == "sour2" and wish.family == "fizz" and wish.without_alcohol:
        ml = 45.0
    # An egg white is one piece, whatever the jigger's marks are.
    return below_overpowering_ml(ingredient, ml if ingredient.piece_ml == ml else on_grid(ml, wish.grid_ml), wish.grid_ml)


def unasked(each: Ingredient) -> bool:
    """Check whether an ingredient may be poured without being asked for."""
    return each.slug not in asked_for_only() and not each.composition.solid and "hot" not in each.cautions
