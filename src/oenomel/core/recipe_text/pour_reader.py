"""Turning an amount of something into a pour: ingredient, amount, slot, and what was assumed."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from typing import Final

from oenomel.core.families import families
from oenomel.core.larder import Index, Ingredient, stems
from oenomel.core.recipe_text.classify import slot_of, stage_of
from oenomel.core.recipe_text.ingredient_match import Meant, kind_in, meant_by
from oenomel.core.recipe_text.line_parts import Piece, in_a_unit
from oenomel.core.recipe_text.method_sentences import MethodRead
from oenomel.core.recipe_text.read_recipe import LineCorrection, ReadLine, ReadPour, Taken
from oenomel.core.spec import ML_PER_UNIT, SpokenAmount, Stage, Unit, parse_measure
from oenomel.core.spec.units import UNITS

ASKED_AMOUNTS: Final = {
    "jigger": ((45.0, "ml"), (30.0, "ml"), (60.0, "ml")),
    "shot": ((30.0, "ml"), (45.0, "ml")),
    "spoon": ((1.0, "barspoon"), (1.0, "tbsp")),
}
"""Amounts that words with several meanings may stand for: the first is used, and marked as a guess."""

_MUDDLED: Final = re.compile(r"(?:, ?| )?\b(?:muddled|pressed|crushed|smashed)\b", re.IGNORECASE)
_CUT: Final = re.compile(r"\b(?:slice|wedge|wheel|chunk|piece)(?=s?\b)", re.IGNORECASE)
_TOO_MANY_FOR_A_GLASS: Final = 4
_MOST_OUNCES: Final = 4.0
ONLY_ICE: Final = re.compile(r"(?:crushed |cracked |pebble |cubed |fresh )?ice(?: cubes?)?", re.IGNORECASE)


@dataclass
class ParserState:
    """State of a recipe that is being read."""

    index: Index
    ingredient_of: Callable[[str], Ingredient]
    default_unit: str | None
    mended: Mapping[str, LineCorrection]
    name: str = ""
    made: MethodRead = field(default_factory=MethodRead)
    pours: list[ReadPour] = field(default_factory=list)
    lines: list[ReadLine] = field(default_factory=list)

    def tell(self, text: str, taken: Taken, why: str = "", *, sure: bool = True) -> None:
        self.lines.append(ReadLine(text, taken, sure=sure, why=why))

    def has_poured(self, slug: str | None) -> bool:
        """Check whether an ingredient is among the pours."""
        return slug is not None and any(pour.ingredient is not None and pour.ingredient.slug == slug for pour in self.pours)

    def garnish(self, text: str, *what: str) -> None:
        """Add a garnish from a line, and return the line as read."""
        self.made = replace(self.made, garnish=(*self.made.garnish, *what))
        self.tell(text, "garnish")

    def ask(self, text: str, meant: Meant, why: str, amounts: tuple[str, ...] = ()) -> None:
        """Return a line whose amount must be asked for."""
        self.lines.append(ReadLine(text, "asked", None, False, meant.others, why, meant.slug or "", amounts))


def read_pour(reading: ParserState, piece: Piece, meant: Meant | None = None, stage: Stage | None = None) -> None:
    """Read a piece as a pour, or as a garnish; a missing amount is asked for."""
    if ONLY_ICE.fullmatch(piece.words):
        reading.tell(piece.text, "ice")
        return
    mended = reading.mended.get(piece.text, LineCorrection())
    if mended.left_out:
        reading.tell(piece.text, "note", "Left out.")
        return
    if mended.slug:
        meant = Meant(mended.slug, sure=True)
    if mended.amount:
        measure = parse_measure(mended.amount)
        odd = () if measure else (f"“{mended.amount}” isn’t an amount.",)
        piece = replace(piece, said=measure or piece.said, told=mended.amount if measure else piece.told, doubts=odd)
        piece = in_a_unit(piece, reading.default_unit)
    meant = meant or _named(reading, piece)
    if not mended.slug and not stems(piece.words):
        reading.tell(piece.text, "note", "An amount of what? The line names no ingredient.", sure=False)
        return
    ingredient = reading.ingredient_of(meant.slug) if meant.slug else None
    if ingredient and _is_garnish(ingredient, piece):
        many = piece.said is not None and piece.said.amount >= _TOO_MANY_FOR_A_GLASS - 1
        if _MUDDLED.search(piece.text) or many:
            reading.tell(piece.text, "note", "It adds flavour that isn’t counted. Add it as juice or syrup to include it.", sure=False)
            return
        reading.garnish(piece.text, re.sub(r"^(?:1|an?|one)\s+", "", piece.text))
        return
    measure = piece.said
    if measure is None or measure.kind == "taste":
        named = ingredient.name if ingredient else piece.words
        why = f"How much {named}? {'“To taste” isn’t an amount.' if measure else 'The line gives no amount.'}"
        reading.ask(piece.text, meant, why)
        return
    amount, unit, doubts, amounts = _amount_of(measure, ingredient)
    if ingredient and unit in ("piece", "leaf") and not _comes_in_pieces(ingredient):
        why = f"How much {ingredient.name} is that? It isn’t counted in pieces."
        reading.ask(piece.text, meant, why)
        return
    ml = amount * ML_PER_UNIT.get(unit, 30.0)
    slot = slot_of(ingredient, ml, any(pour.slot == "base" for pour in reading.pours)) if ingredient else "other"
    if stage == "rim":
        slot = "edge"
    if slot == "garnish" and ingredient and "accent" in ingredient.slots:
        slot = "accent"
    pour = ReadPour(
        words=piece.words,
        ingredient=ingredient,
        amount=amount,
        unit=unit,
        slot=slot,
        stage=stage or (stage_of(ingredient, slot) if ingredient else "mixed"),
        said=piece.told or None if _worth_keeping(piece, measure) else None,
        ends=measure.ends,
        optional=piece.optional,
        relative=None,
        kind="other" if ingredient else kind_in(piece.words),
    )
    why = " ".join(doubt for doubt in (meant.why, *piece.doubts, *doubts) if doubt)
    reading.pours.append(pour)
    reading.lines.append(
        ReadLine(
            piece.text, "pour", len(reading.pours) - 1, meant.sure and not piece.doubts and not doubts, meant.others, why, amounts=amounts
        )
    )


def _named(reading: ParserState, piece: Piece) -> Meant:
    """Return what a piece counts: "4 raspberries, muddled" are berries, "6 mint sprigs" are mint, too many for a garnish."""
    words = piece.words
    counted = piece.said is not None and piece.said.unit in (None, "piece", "leaf")
    if counted:
        words = _MUDDLED.sub("", words)
        cut = _CUT.search(piece.told)
        of_cut = meant_by(f"{words} {cut[0]}", (), reading.index) if cut else None
        if of_cut and of_cut.sure:
            return of_cut
    meant = meant_by(words, piece.asides, reading.index)
    if counted and piece.said and piece.said.amount >= _TOO_MANY_FOR_A_GLASS and meant.slug:
        herb = meant_by(re.sub(r"\bsprigs?\b", "", words).strip(), (), reading.index)
        if herb.slug and "accent" in reading.ingredient_of(herb.slug).slots and "accent" not in reading.ingredient_of(meant.slug).slots:
            return herb
    return meant


def _comes_in_pieces(ingredient: Ingredient) -> bool:
    return ingredient.kind in ("plant", "egg") or bool(ingredient.piece_ml or ingredient.piece_g)


def _is_garnish(ingredient: Ingredient, piece: Piece) -> bool:
    if set(ingredient.slots) <= {"garnish"}:
        return True
    counted = piece.said is None or piece.said.unit in (None, "piece")
    muddled = "accent" in ingredient.slots and piece.said is not None
    return ingredient.kind == "plant" and "garnish" in ingredient.slots and counted and not muddled


def _worth_keeping(piece: Piece, amount: SpokenAmount) -> bool:
    return (
        amount.by_eye
        or bool(amount.of)
        or amount.kind == "line"
        or re.fullmatch(r"[\d\s./,¼½¾⅓⅔⅛⅜⅝⅞-]+(fl\.? ?)?[a-zA-Z]*\.?", piece.told) is None
    )


def _amount_of(said: SpokenAmount, ingredient: Ingredient | None) -> tuple[float, Unit, list[str], tuple[str, ...]]:
    """Return an amount in a spec's unit, what was assumed, and other possible amounts."""
    if said.kind == "line":
        usual = next(slot.usual_ml for slot in families()["fizz"].slots if slot.slot == "lengthener")
        return usual, "ml", [f"To top up: {usual:g} ml is usual."], ("30 ml", "60 ml", "90 ml")
    if said.unit in ASKED_AMOUNTS:
        first, *others = ASKED_AMOUNTS[said.unit]
        amount, unit = said.amount * first[0], first[1]
        equal_amounts = tuple(f"{said.amount * factor:g} {other}" for factor, other in others)
        return amount, as_unit(unit), [f"A {said.unit} can mean several amounts. {amount:g} {unit} is assumed."], equal_amounts
    if said.unit is None:
        if ingredient is not None and _comes_in_pieces(ingredient):
            return said.amount, "piece", [], ()
        unit, other = ("oz", "ml") if said.amount <= _MOST_OUNCES else ("ml", "oz")
        doubt = "No unit given, so it is guessed from the number."
        return said.amount, as_unit(unit), [doubt], (f"{said.amount:g} {other}",)
    return said.amount, as_unit(said.unit), [], ()


def as_unit(word: str) -> Unit:
    """Return the spec file's unit for a word that is a unit."""
    return next(unit for unit in UNITS if unit == word)
