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
"""Least overpowering amount of a base, [ml]; and the acid of a juice that sours a drink alone, and that helps to, with its largest ratio of
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


def _known(ingredient: Ingredient) -> bool:
    return ingredient.kind == "water" or any(name in ingredient.values for name in PROPERTIES) or any(ingredient.composition.vector)


def _could(slot: SlotName) -> Callable[[Ingredient, Criteria], bool]:
    return lambda ingredient, _criteria: (
        slot in ingredient.slots and _known(ingredient) and not ingredient.is_sparkling and "hot" not in ingredient.cautions
    )


def _base(ingredient: Ingredient, criteria: Criteria) -> bool:
    loud = ingredient.label("loud_above_ml")
    if not _could("base")(ingredient, criteria) or (loud is not None and loud < QUIET_BASE_ML):
        return False
    if criteria.without_alcohol:
        return ingredient.kind == "zero-proof" and ingredient.composition.sugar < LIQUEUR_SUGAR
    return ingredient.kind == "spirit" and WEAKEST_BASE <= ingredient.composition.abv <= STRONGEST_BASE


def _could_base(ingredient: Ingredient, criteria: Criteria) -> bool:
    if criteria.without_alcohol and ingredient.slug in bases_without_alcohol():
        return True
    return _could("base")(ingredient, criteria) and (criteria.without_alcohol or ingredient.composition.abv >= WEAKEST_BASE / 2)


def _sour(ingredient: Ingredient, _criteria: Criteria) -> bool:
    composition = ingredient.composition
    # A juice as sweet as it is sharp, such as grapefruit, would need too much volume to sour a drink: it joins another.
    return (
        ingredient.kind == "juice"
        and "sour" in ingredient.slots
        and composition.acid >= SHARPEST_FROM
        and composition.sugar < SWEETEST_SOUR * composition.acid
    )


def _could_sour(ingredient: Ingredient, criteria: Criteria) -> bool:
    return _could("sour")(ingredient, criteria) and ingredient.composition.acid >= SHARPEST_FROM


def _could_sour2(ingredient: Ingredient, _criteria: Criteria) -> bool:
    return ingredient.kind == "juice" and "sour" in ingredient.slots and ingredient.composition.acid >= SOFTEST


def _sour2(ingredient: Ingredient, criteria: Criteria) -> bool:
    # Lemon with lime is one sour in two bottles.
    return _could_sour2(ingredient, criteria) and ingredient.composition.acid < AS_SHARP_AS_CITRUS


def _sweet(ingredient: Ingredient, _criteria: Criteria) -> bool:
    low, high = SYRUP
    return ingredient.kind in ("syrup", "honey") and "sweet" in ingredient.slots and low <= ingredient.composition.sugar <= high


def _could_sweet(ingredient: Ingredient, criteria: Criteria) -> bool:
    return _could("sweet")(ingredient, criteria) and ingredient.composition.sugar >= SYRUP[0]


def _sweet2(ingredient: Ingredient, criteria: Criteria) -> bool:
    return _sweet(ingredient, criteria) and bool(ingredient.aroma)


def _liqueur(ingredient: Ingredient, criteria: Criteria) -> bool:
    enough = criteria.family != "daisy" or below_overpowering_ml(ingredient, 30.0) >= LEAST_LIQUEUR_ML
    if criteria.without_alcohol:
        kinds = ("syrup", "zero-proof") if criteria.family == "daisy" else ("zero-proof",)
        return "liqueur" in ingredient.slots and ingredient.kind in kinds and enough
    strong = ("liqueur",) if criteria.family == "daisy" else ("liqueur", "fortified", "aromatised")
    sugar = LIQUEUR_SUGAR if criteria.family == "daisy" else 0.0
    return "liqueur" in ingredient.slots and ingredient.kind in strong and ingredient.composition.sugar >= sugar and enough


def _accent(ingredient: Ingredient, _criteria: Criteria) -> bool:
    return is_accent(ingredient) and "accent" in ingredient.slots


def _could_accent(ingredient: Ingredient, criteria: Criteria) -> bool:
    return _accent(ingredient, criteria) or (_could("accent")(ingredient, criteria) and ingredient.kind != "plant")


def _texture(ingredient: Ingredient, _criteria: Criteria) -> bool:
    return "texture" in ingredient.slots and ingredient.foam == "firm" and ingredient.kind != "other" and "whole" not in ingredient.slug


def _cream(ingredient: Ingredient, _criteria: Criteria) -> bool:
    return ingredient.slug == "heavy-cream"


def _lengthener(ingredient: Ingredient, criteria: Criteria) -> bool:
    if criteria.form == "long on juice":
        return ingredient.kind == "juice" and "lengthener" in ingredient.slots and ingredient.composition.sugar >= 5
    if not ingredient.is_sparkling or "lengthener" not in ingredient.slots:
        return False
    if criteria.form == "sparkling wine on top":
        return ingredient.kind == "sparkling"
    if criteria.form == "short with foam and cream":
        # Cream goes with neither sweet nor bitter bubbles.
        return ingredient.kind == "water" and ingredient.composition.sugar == 0 and not ingredient.aroma
    if criteria.form == "soda on top":
        return ingredient.kind == "water"
    return True


def _could_lengthener(ingredient: Ingredient, criteria: Criteria) -> bool:
    return "lengthener" in ingredient.slots and (ingredient.is_sparkling or criteria.form == "long on juice")


PARTS: Final[Mapping[str, Role]] = {
    "base": Role("base", _base, _could_base),
    "base2": Role("base", _base, _could_base),
    "sour": Role("sour", _sour, _could_sour),
    "sour2": Role("sour", _sour2, _could_sour2),
    "sweet": Role("sweet", _sweet, _could_sweet),
    "sweet2": Role("sweet", _sweet2, lambda ingredient, criteria: _could_sweet(ingredient, criteria) and bool(ingredient.aroma)),
    "liqueur": Role("liqueur", _liqueur, _could("liqueur")),
    "accent": Role("accent", _accent, _could_accent),
    "accent2": Role("accent", lambda _each, _criteria: False, _could_accent),
    "texture": Role("texture", _texture, lambda ingredient, criteria: _could("texture")(ingredient, criteria) and bool(ingredient.foam)),
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


def plan_of(criteria: Criteria) -> Plan:
    """Return the roles for some criteria."""
    form = "without alcohol" if criteria.without_alcohol else criteria.form
    return FORM_PLANS.get((criteria.family, form), PLANS[criteria.family])


def usual_ml(part: str, ingredient: Ingredient, criteria: Criteria) -> float:
    """Return the usual measure of a role whose amount is fixed, never above its overpowering amount, [ml]."""
    ml = USUAL_ML.get(part, 0.0)
    if part == "liqueur":
        ml = {"sour": 7.5, "daisy": 30.0, "fizz": 15.0}[criteria.family]
        if ingredient.kind in ("fortified", "aromatised") or (ingredient.kind == "syrup"):
            ml = 22.5 if criteria.family == "daisy" else 15.0
    elif part == "texture" and ingredient.slug == "aquafaba":
        ml = 22.5
    elif part == "lengthener" and criteria.family == "daisy":
        ml = 30.0
    elif part == "sour2" and ingredient.composition.acid >= SHARPER_THAN_THE_REST:
        ml = 15.0
    elif part == "sour2" and criteria.family == "fizz" and criteria.without_alcohol:
        ml = 45.0
    # An egg white is one piece, whatever the jigger's marks are.
    return below_overpowering_ml(ingredient, ml if ingredient.piece_ml == ml else on_grid(ml, criteria.grid_ml), criteria.grid_ml)


def unasked(ingredient: Ingredient) -> bool:
    """Check whether an ingredient may be poured without being asked for."""
    return ingredient.slug not in asked_for_only() and not ingredient.composition.solid and "hot" not in ingredient.cautions
