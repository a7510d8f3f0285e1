"""A preparation as written: its lines, its steps, and its measured yield (`oenomel.schemas.preparation_file` reads and writes the file)."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Final, Literal

from oenomel.core.larder import WATER_G_PER_ML, Ingredient
from oenomel.core.preparations.goods import Good, good_called, goods_near
from oenomel.errors import DomainError, OutOfRange, SpecError

PreparationKind = Literal[
    "syrup", "fruit syrup", "cordial", "infusion", "saline", "gum syrup", "adjusted juice", "thinned honey", "acid solution"
]
KitchenUnit = Literal["g", "kg", "ml", "cl", "l", "cup", "oz", "tbsp", "tsp", "piece"]
Do = Literal["simmer", "boil", "steep", "strain", "cool", "dissolve", "skim"]

CUP_ML: Final = 236.588
DRY_OUNCE_G: Final = 28.3495
_ML_PER: Final = {"ml": 1.0, "cl": 10.0, "l": 1000.0, "cup": CUP_ML, "oz": 30.0, "tbsp": 15.0, "tsp": 5.0}
"""US cup: NIST Handbook 44, App. C; ounce and spoons as at the bar. Dry goods are weighed: their ounce is 28.35 g, their spoon a part of
a cup."""

WEIGHED_SD: Final = 0.005
MEASURED_SD: Final = 0.03
CUP_SD: Final = 0.05
PIECE_SD: Final = 0.25
"""Relative standard deviations of an amount: by a scale, by a jug or spoon, dry goods by the cup, by the piece (estimates)."""

MOST_G: Final = 100_000.0


@dataclass(frozen=True, slots=True)
class RecipeLine:
    """A line of a preparation: words, a good or an ingredient, and an amount.

    ``g_per_cup`` is the cook's own weight of a cup of it, where he tells one.
    """

    written: str
    what: Good | Ingredient
    amount: float
    unit: KitchenUnit
    g_per_cup: float | None = None

    @property
    def name(self) -> str:
        """Name of the good or ingredient."""
        return self.what.name

    @property
    def in_sentence(self) -> str:
        """Name inside a sentence."""
        return self.what.name.lower() if isinstance(self.what, Good) else self.what.in_sentence

    @property
    def is_dry(self) -> bool:
        """True if the line is weighed rather than poured."""
        return self.what.role != "water" if isinstance(self.what, Good) else self.what.composition.solid

    @property
    def grams(self) -> float:
        """Weight of the line, [g]; raises DomainError where it is unknown."""
        if self.unit in ("g", "kg"):
            return self.amount * (1000 if self.unit == "kg" else 1)
        if self.unit == "piece":
            return self.amount * self._piece_g()
        if self.unit == "oz" and self.is_dry:
            return self.amount * DRY_OUNCE_G
        return self.amount * _ML_PER[self.unit] * self._g_per_ml()

    @property
    def relative_sd(self) -> float:
        """Relative standard deviation of the weight."""
        if self.unit in ("g", "kg") or (self.unit == "oz" and self.is_dry):
            return WEIGHED_SD
        if self.unit == "piece":
            return PIECE_SD
        return CUP_SD if self.is_dry and self.g_per_cup is None else MEASURED_SD

    def _g_per_ml(self) -> float:
        if self.g_per_cup is not None:
            return self.g_per_cup / CUP_ML
        if isinstance(self.what, Ingredient):
            return self.what.composition.density_g_per_ml
        if self.what.role == "water" and self.unit != "cup":
            return WATER_G_PER_ML
        if self.what.g_per_cup is None:
            raise DomainError(f"the weight of a cup of {self.in_sentence} isn't known: enter grams, or g_per_cup")
        return self.what.g_per_cup / CUP_ML

    def _piece_g(self) -> float:
        if isinstance(self.what, Good):
            weight = self.what.g_per_piece
        else:
            weight = self.what.piece_g or (self.what.piece_ml * self.what.composition.density_g_per_ml if self.what.piece_ml else None)
        if weight is None:
            raise DomainError(f"the weight of one piece of {self.in_sentence} isn't known: enter grams")
        return weight


@dataclass(frozen=True, slots=True)
class KitchenStep:
    """A step: its duration, lines discarded at it (by index), and water lost where it was weighed."""

    do: Do
    minutes: float | None = None
    discard: tuple[int, ...] = ()
    evaporated_g: float | None = None


@dataclass(frozen=True, slots=True)
class FinalMeasure:
    """Measured yield: weight in g, volume in ml and °Bx, as far as known."""

    weight_g: float | None = None
    volume_ml: float | None = None
    brix: float | None = None


@dataclass(frozen=True, slots=True)
class Preparation:
    """A preparation: name, kind, lines, steps, and measured yield."""

    name: str
    kind: PreparationKind
    lines: tuple[RecipeLine, ...]
    steps: tuple[KitchenStep, ...] = ()
    final: FinalMeasure = FinalMeasure()

    @property
    def is_heated(self) -> bool:
        """True if a step heats it."""
        return any(step.do in ("simmer", "boil") for step in self.steps)


def amount_words(line: RecipeLine) -> str:
    """Return the amount of a line in words.

    >>> from oenomel.core.preparations.goods import all_goods
    >>> amount_words(RecipeLine("sugar", all_goods()["granulated-sugar"], 2, "cup"))
    '2 cups'
    """
    plural = {"cup": "cups", "piece": "pieces"}.get(line.unit, line.unit) if line.amount != 1 else line.unit
    return f"{line.amount:g} {plural}"


def line_of(
    location: str, written: str, amount: float, unit: KitchenUnit, g_per_cup: float | None, known: Callable[[str], Ingredient | None]
) -> RecipeLine:
    """Read a line from its words; ``known`` finds ingredients of the larder.

    Raises
    ------
    SpecError
        Nobody knows what it is, or what such a measure of it weighs.
    """
    good, bottle = good_called(written), known(written)
    # "Lemon" by the piece or the gram is fruit, by the millilitre its juice.
    poured = good is not None and good.role == "fruit" and good.g_per_cup is None and unit not in ("g", "kg", "piece")
    what = bottle if poured and bottle is not None else good or bottle
    if what is None:
        near = goods_near(written)
        hint = f". Closest: {', '.join(near)}" if near else ""
        raise SpecError(f"{location}.what", f'no ingredient matches "{written}"{hint}. Use another word, or give its composition')
    return checked_line(location, RecipeLine(written, what, amount, unit, g_per_cup))


def checked_line(location: str, line: RecipeLine) -> RecipeLine:
    """Return a line whose weight is known; raises SpecError that names its place."""
    try:
        grams = line.grams
    except DomainError as error:
        raise SpecError(f"{location}.unit", str(error)) from error
    if not 0 < grams <= MOST_G:
        raise SpecError(f"{location}.amount", str(OutOfRange("the weight in g", grams, 0, MOST_G)) if grams > 0 else "must be more than 0")
    return line


def scaled(preparation: Preparation, times: float) -> Preparation:
    """Scale a preparation to what is on hand, its measured yield included; simmering by time stays as written."""
    if not 0 < times <= 1000:
        raise OutOfRange("the factor", times, 0, 1000)
    final = preparation.final
    return replace(
        preparation,
        lines=tuple(replace(line, amount=line.amount * times) for line in preparation.lines),
        steps=tuple(
            replace(step, evaporated_g=None if step.evaporated_g is None else step.evaporated_g * times) for step in preparation.steps
        ),
        final=FinalMeasure(
            None if final.weight_g is None else final.weight_g * times,
            None if final.volume_ml is None else final.volume_ml * times,
            final.brix,
        ),
    )
