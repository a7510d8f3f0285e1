"""Outcome of a preparation: composition with its spread, °Bx, density, yield, shelf life, and why (docs/model/preparations.md)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import Z80
from oenomel.core.larder import ACIDS, ETHANOL_G_PER_ML, SUGARS, Composition, Ingredient, Kind, SlotName, SourcedValue, slug_for
from oenomel.core.larder.composition import LIQUID_SOLIDS_LIMIT
from oenomel.core.preparations.goods import FRUIT_ACID_SD, FRUIT_SUGAR_SD, Good
from oenomel.core.preparations.mass_balance import (
    ACID_OF,
    EVAPORATES_SD,
    KEPT_IN_SOLIDS_SD,
    MATTER,
    SUGAR_OF,
    Pot,
    Unsure,
    as_written,
    brix_of,
    cook,
    volume_ml_of,
)
from oenomel.core.preparations.preparation import Preparation, PreparationKind, RecipeLine, amount_words
from oenomel.core.preparations.storage_advice import cautions_of, keeps_days
from oenomel.core.wording import listed
from oenomel.errors import ImpossibleComposition

Floats = NDArray[np.float64]

WEIGHT_SD = 0.005
VOLUME_SD = 0.02
BRIX_SD = 0.2
"""Standard deviations of a final weight and volume, as a share, and of a °Bx reading, absolute."""

HEATED_ALCOHOL_SD = 0.3
"""Relative standard deviation of the strength after heating without a measurement (estimate)."""

LEAST_TOLD = 0.05
"""Amount per 100 ml below which a component isn't described, [g or % v/v]."""

OWN_RECIPE = "its recipe"

_SERVES: dict[PreparationKind, tuple[Kind, tuple[SlotName, ...]]] = {
    "syrup": ("syrup", ("sweet",)),
    "fruit syrup": ("syrup", ("sweet",)),
    "cordial": ("syrup", ("sweet", "sour")),
    "infusion": ("spirit", ("base",)),
    "saline": ("seasoning", ("seasoning",)),
    "gum syrup": ("syrup", ("texture", "sweet")),
    "adjusted juice": ("juice", ("sour",)),
    "thinned honey": ("honey", ("sweet",)),
    "acid solution": ("seasoning", ("sour", "seasoning")),
}
"""Kind and slots of a preparation in the larder."""


@dataclass(frozen=True, slots=True)
class Total:
    """A component per 100 ml: name, amount, half-width of its 80 % interval, and its kinds where there are several."""

    name: str
    value: float
    half_width: float
    kinds: str


@dataclass(frozen=True)
class Outcome:
    """Outcome of a preparation.

    Parameters
    ----------
    preparation : Preparation
    pot : Pot                        the grams
    composition : Composition        per 100 ml, with spreads
    brix, brix_sd : float            sugar by weight, [%]
    density : float, [g/ml]
    yield_ml, yield_g, yield_sd : float    what is left; its relative standard deviation
    keeps_days : int                 cold; an estimate that a nose overrides
    cautions, why : tuple of str     sentences
    """

    preparation: Preparation
    pot: Pot
    composition: Composition
    brix: float
    brix_sd: float
    density: float
    yield_ml: float
    yield_g: float
    yield_sd: float
    keeps_days: int
    cautions: tuple[str, ...]
    why: tuple[str, ...]

    @cached_property
    def allergens(self) -> tuple[str, ...]:
        """Allergens of all lines."""
        return tuple(sorted({allergen for line in self.preparation.lines for allergen in line.what.allergens}))

    @property
    def totals(self) -> tuple[Total, ...]:
        """Components per 100 ml that are present."""
        composition = self.composition
        parts: tuple[tuple[str, float, float, Mapping[str, float]], ...] = (
            ("sugar", composition.sugar, composition.relative_sd("sugars"), composition.sugars),
            ("acid", composition.acid, composition.relative_sd("acids"), composition.acids),
            ("alcohol", composition.abv, composition.relative_sd("abv"), {}),
            ("salt", composition.salt, 0.0, {}),
            ("gum", composition.gum, 0.0, {}),
        )
        return tuple(Total(name, value, Z80 * sd * value, _kinds(kinds)) for name, value, sd, kinds in parts if value >= LEAST_TOLD)

    def ingredient(self, slug: str = "", name: str = "", like: Ingredient | None = None) -> Ingredient:
        """Return the outcome as an ingredient; aroma, colour and slots are taken from ``like``, where there is one."""
        kind, slots = _SERVES[self.preparation.kind]
        if self.preparation.kind == "infusion" and self.composition.sugar >= 10:
            kind, slots = "liqueur", ("liqueur", "sweet")
        sourced_value = SourcedValue(
            "keeps_days", float(self.keeps_days), 0.3, "estimate", "estimate", "by kind; trust your nose over the date"
        )
        values = {**_sourced(self.composition), "keeps_days": sourced_value}
        if like is not None:
            kept = ("bitterness", "cloudiness", "absorbance_red", "absorbance_green", "absorbance_blue", "loud_above_ml")
            values |= {kept_name: like.values[kept_name] for kept_name in kept if kept_name in like.values}
            kind, slots = like.kind, like.slots
        return Ingredient(
            slug=slug or slug_for(self.preparation.name),
            name=name or self.preparation.name,
            kind=kind,
            composition=self.composition,
            slots=slots,
            impression=like.impression if like else "",
            allergens=self.allergens,
            cautions=tuple(dict.fromkeys([*(like.cautions if like else ()), "home-made"])),
            aroma=dict(like.aroma) if like else {},
            foam=like.foam if like else "",
            origin="house",
            values=values,
        )


def prepared(preparation: Preparation) -> Outcome:
    """Compute the outcome of a preparation, with its uncertainty.

    Raises
    ------
    ImpossibleMeasurement, DomainError
        As `cook`.
    ImpossibleComposition
        What is left can't be a liquid: more sugar than anything holds.

    Notes
    -----
    One standard deviation of each unknown (what was weighed, a fruit's sugar and acid, what is held back and goes off, alcohol on the
    fire, the final measure) is carried through by working the whole anew.
    """
    pot = cook(preparation)
    figures = _figures(pot.liquid)
    if figures[1] + figures[2] > LIQUID_SOLIDS_LIMIT:
        raise ImpossibleComposition(
            f"{figures[1] + figures[2]:.0f} g/100 ml of sugar and acid isn't liquid (honey has 118): add the water or juice"
        )
    moves = np.array([_figures(cook(preparation, unsure).liquid) - figures for unsure in _one_by_one(preparation, pot)])
    sds = np.sqrt((moves**2).sum(axis=0)) if len(moves) else np.zeros(len(figures))
    if preparation.is_heated:
        sds[0] = np.hypot(sds[0], HEATED_ALCOHOL_SD * figures[0])
    composition = _composition(pot.liquid, figures, sds)
    volume, weight = pot.volume_ml, pot.weight_g
    keeps = keeps_days(preparation, composition, pot.brix)
    return Outcome(
        preparation=preparation,
        pot=pot,
        composition=composition,
        brix=pot.brix,
        brix_sd=float(sds[3]),
        density=weight / volume,
        yield_ml=volume,
        yield_g=weight,
        yield_sd=max(float(sds[4] / figures[4]), WEIGHT_SD),
        keeps_days=keeps,
        cautions=tuple(cautions_of(preparation, composition, keeps)),
        why=tuple(_why(preparation, pot)),
    )


def _figures(liquid: Floats) -> Floats:
    """Return strength, sugar and acid per 100 ml, °Bx, and weight."""
    volume = volume_ml_of(liquid)
    alcohol = liquid[MATTER.index("alcohol")] / ETHANOL_G_PER_ML
    return np.array(
        [
            100 * alcohol / volume,
            100 * liquid[SUGAR_OF].sum() / volume,
            100 * liquid[ACID_OF].sum() / volume,
            brix_of(liquid),
            liquid.sum(),
        ]
    )


def _one_by_one(preparation: Preparation, pot: Pot) -> list[Unsure]:
    """Return the factors with each unknown off by one standard deviation in turn."""
    plain, uncertain_pours = as_written(preparation), []
    for i, line in enumerate(preparation.lines):
        sugar_sd, acid_sd = _content_sds(line)
        uncertain_pours.append(replace(plain, weights=_with(plain.weights, i, 1 + line.relative_sd)))
        if sugar_sd and pot.put_in[i, SUGAR_OF].sum() > 0:
            uncertain_pours.append(replace(plain, sugars=_with(plain.sugars, i, 1 + sugar_sd)))
        if acid_sd and pot.put_in[i, ACID_OF].sum() > 0:
            uncertain_pours.append(replace(plain, acids=_with(plain.acids, i, 1 + acid_sd)))
    if pot.strained_out.sum() > 0:
        uncertain_pours.append(replace(plain, held_back=1 - KEPT_IN_SOLIDS_SD))
    final = preparation.final
    if pot.by_measure == "" and preparation.is_heated:
        uncertain_pours.append(replace(plain, evaporation=1 - EVAPORATES_SD))
    # A final measure is varied downward, because more could be impossible.
    if pot.by_measure == "brix" and final.brix:
        uncertain_pours.append(replace(plain, final=1 + BRIX_SD / final.brix))
    elif pot.by_measure:
        uncertain_pours.append(replace(plain, final=1 - (WEIGHT_SD if pot.by_measure == "weight" else VOLUME_SD)))
    return uncertain_pours


def _content_sds(line: RecipeLine) -> tuple[float, float]:
    if isinstance(line.what, Good):
        return (FRUIT_SUGAR_SD, FRUIT_ACID_SD) if line.what.is_strained_out else (0.0, 0.0)
    return line.what.composition.relative_sd("sugars"), line.what.composition.relative_sd("acids")


def _with(values: Floats, index: int, factor: float) -> Floats:
    changed = values.copy()
    changed[index] = factor
    return changed


def _composition(liquid: Floats, figures: Floats, sds: Floats) -> Composition:
    volume = volume_ml_of(liquid)
    per = {name: 100 * float(grams) / volume for name, grams in zip(MATTER, liquid, strict=True)}
    spread = {name: float(sd / value) for name, value, sd in zip(("abv", "sugars", "acids"), figures, sds, strict=False) if value > 1e-9}
    return Composition(
        abv=float(figures[0]),
        sugars={kind: per[kind] for kind in SUGARS if per[kind] > 1e-12},
        acids={kind: per[kind] for kind in ACIDS if per[kind] > 1e-12},
        salt=per["salt"],
        protein=per["protein"],
        fat=per["fat"],
        gum=per["gum"],
        density=float(liquid.sum()) / volume,
        spread={**{name: min(sd, 2.0) for name, sd in spread.items()}, "density": 0.005},
    )


def _sourced(composition: Composition) -> dict[str, SourcedValue]:
    groups: list[tuple[str, dict[str, float]]] = [
        ("abv", {"abv": composition.abv}),
        ("sugars", dict(composition.sugars)),
        ("acids", dict(composition.acids)),
        ("", {name: getattr(composition, name) for name in ("salt", "protein", "fat", "gum")}),
        ("density", {"density": composition.density_g_per_ml}),
    ]
    return {
        name: SourcedValue(name, value, composition.spread.get(group, 0.0), OWN_RECIPE, "house-made", "by its grams")
        for group, values in groups
        for name, value in values.items()
        if value > 0
    }


def _why(preparation: Preparation, pot: Pot) -> list[str]:
    reasons = [_line_words(line, pot.put_in[i]) for i, line in enumerate(preparation.lines)]
    reasons.append(f"{pot.put_in.sum():.0f} g in total.")
    if pot.strained_out.sum() > 0:
        strained_g = pot.strained_out.sum() - pot.strained_out[-1]
        reasons.append(f"{pot.strained_out.sum():.0f} g strained out, with {strained_g:.0f} g of liquid in it (an estimate).")
    if pot.evaporated_g >= 0.5:
        how = {"": "assumed: 8 g per minute and litre" if preparation.is_heated else "as given"}.get(
            pot.by_measure, f"by the final {'reading' if pot.by_measure == 'brix' else pot.by_measure}"
        )
        reasons.append(f"{pot.evaporated_g:.0f} g of water evaporated ({how}).")
    elif pot.evaporated_g <= -0.5:
        reasons.append(f"{-pot.evaporated_g:.0f} g more water than given, by the final reading.")
    if pot.lost_g >= 0.5:
        reasons.append(f"{pot.lost_g:.0f} g lost in the pot and strainer, by the final measure. The concentration stays the same.")
    leftovers = listed(_brings(pot.liquid)) or "no sugar"
    reasons.append(f"{pot.weight_g:.0f} g left, {pot.volume_ml:.0f} ml at {pot.weight_g / pot.volume_ml:.3f} g/ml, with {leftovers}.")
    return reasons


def _kinds(kinds: Mapping[str, float]) -> str:
    """Return the grams of each kind, where there are several."""
    kinds_in_words = [f"{kind} {grams:.{1 if grams >= 1 else 2}f} g" for kind, grams in kinds.items() if grams >= LEAST_TOLD]
    return ", ".join(kinds_in_words) if len(kinds_in_words) > 1 else ""


def _line_words(line: RecipeLine, matter: Floats) -> str:
    weight = "" if line.unit == "g" else f" = {line.grams:.0f} g"
    return f"{amount_words(line)} of {line.in_sentence}{weight}{_whence(line)}: {listed(_brings(matter)) or 'no sugar, no acid'}."


def _whence(line: RecipeLine) -> str:
    """Explain where an assumed weight or content comes from."""
    by_the_cup = line.unit in ("cup", "tbsp", "tsp") and line.g_per_cup is None
    if isinstance(line.what, Good) and line.what.why and (line.what.is_strained_out or by_the_cup):
        return f" ({line.what.why})"
    return ""


def _brings(matter: Floats) -> list[str]:
    """Describe the grams of the main components."""
    named = (
        (SUGAR_OF, "sugar"),
        (ACID_OF, "acid"),
        (slice(MATTER.index("salt"), MATTER.index("salt") + 1), "salt"),
        (slice(MATTER.index("alcohol"), MATTER.index("alcohol") + 1), "alcohol"),
        (slice(MATTER.index("gum"), MATTER.index("gum") + 1), "gum"),
    )
    contents = [(float(matter[of].sum()), what) for of, what in named]
    return [f"{grams:.{0 if grams >= 20 else 1}f} g of {what}" for grams, what in contents if grams >= 0.05]
