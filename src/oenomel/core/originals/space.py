"""All combinations that criteria allow: counted, and drawn by number (docs/model/originals.md)."""

from __future__ import annotations

import itertools
import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.larder import Ingredient, is_non_alcoholic
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.parts import PARTS, TWINS, plan_of, unasked
from oenomel.core.originals.usual_measures import may_split, shares_a_base
from oenomel.errors import DomainError

Ints = NDArray[np.int64]
Splits = Mapping[int, Sequence[int]]

ORDER: Final = tuple(PARTS)
NONE: Final = -1
"""Order of the roles, and the index of a role that is empty."""

JOIN_AT_MOST: Final = 2
SAMPLE: Final = 40_000
WHOLE_UP_TO: Final = 60_000
"""Most optional roles, size of a sample, and the largest space that is searched completely."""


@dataclass(frozen=True, slots=True)
class Digit:
    """One independent choice in a cell: the roles it fills, and the possible ingredients, shape (choices, roles), as indices into the
    larder.
    """

    parts: tuple[str, ...]
    choices: Ints


@dataclass(frozen=True, slots=True)
class Cell:
    """Combinations with the same roles: one choice for each digit."""

    digits: tuple[Digit, ...]

    @property
    def size(self) -> int:
        """Number of combinations, including those with one ingredient twice."""
        return math.prod(len(digit.choices) for digit in self.digits)

    def at(self, numbers: Ints) -> Ints:
        """Return the combinations of some numbers, shape (combinations, roles of `ORDER`), as indices into the larder or `NONE`."""
        combinations = np.full((len(numbers), len(ORDER)), NONE, dtype=np.int64)
        rest = numbers
        for digit in self.digits:
            rest, digit_value = np.divmod(rest, len(digit.choices))
            combinations[:, [ORDER.index(part) for part in digit.parts]] = digit.choices[digit_value]
        return combinations


@dataclass(frozen=True)
class Space:
    """All cells for some criteria, over the ingredients of a larder in their order."""

    ingredients: tuple[Ingredient, ...]
    cells: tuple[Cell, ...]

    @cached_property
    def size(self) -> int:
        """Number of combinations."""
        return sum(cell.size for cell in self.cells)

    @property
    def is_drawn_whole(self) -> bool:
        """True if the space is so small that every combination is drawn."""
        return self.size <= WHOLE_UP_TO

    def drawn(self, seed: int, at_least: int = SAMPLE) -> Ints:
        """Draw combinations, shape (combinations, roles): all of a small space, else a sample; deterministic for a seed.

        Each shape gives its share by the root of its size, so that drinks of three parts aren't lost among those of five.
        """
        if self.is_drawn_whole:
            drawn = [cell.at(np.arange(cell.size, dtype=np.int64)) for cell in self.cells]
        else:
            roots = np.sqrt([float(cell.size) for cell in self.cells])
            draw = np.random.Generator(np.random.PCG64(seed))
            drawn = []
            for cell, root in zip(self.cells, roots, strict=True):
                many = min(cell.size, math.ceil(1.3 * at_least * root / roots.sum()))
                numbers = np.arange(cell.size) if many == cell.size else np.unique(draw.integers(0, cell.size, many))
                drawn.append(cell.at(numbers))
        rows = np.concatenate(drawn) if drawn else np.empty((0, len(ORDER)), dtype=np.int64)
        return rows[_sound(rows)]

    def slugs(self, combination: Sequence[int]) -> dict[str, str]:
        """Return the ingredient of each role in a combination, by slug."""
        return {part: self.ingredients[index].slug for part, index in zip(ORDER, combination, strict=True) if index != NONE}


def _sound(drawn: Ints) -> NDArray[np.bool_]:
    """Return which combinations have no ingredient twice."""
    sound = np.ones(len(drawn), dtype=np.bool_)
    for one, other in itertools.combinations(range(len(ORDER)), 2):
        sound &= (drawn[:, one] != drawn[:, other]) | (drawn[:, one] == NONE)
    return sound


def space_of(criteria: Criteria, larder: Mapping[str, Ingredient]) -> Space:
    """Return all combinations that criteria allow.

    Raises
    ------
    DomainError
        Something that must be used has no part in the family, or is left out by another wish.
    UnknownIngredient
        A slug that the larder doesn't know is asked for.
    """
    ingredients = tuple(sorted(larder.values(), key=lambda each: each.slug))
    places = {ingredient.slug: index for index, ingredient in enumerate(ingredients)}
    for slug in (*criteria.must, *criteria.may, *criteria.less):
        larder[slug]  # an unknown slug is an error that names it
    plan = plan_of(criteria)
    joining = (*plan.joining, "accent2") if "accent" in plan.joining else plan.joining
    could = [_could_play(ingredients[places[slug]], criteria, (*plan.always, *joining)) for slug in criteria.must]
    allowed = [
        index for index, ingredient in enumerate(ingredients) if _allowed(ingredient, criteria) and ingredient.slug not in criteria.must
    ]
    players = {part: tuple(p for p in allowed if PARTS[part].plays(ingredients[p], criteria)) for part in (*plan.always, *joining)}
    splits = _splits([*players.get("base2", ()), *(places[slug] for slug in criteria.must)], ingredients)
    least, limit = criteria.ingredients
    cells = []
    for many in range(min(max(JOIN_AT_MOST, len(criteria.must)), len(joining)) + 1):
        for joined in itertools.combinations(joining, many):
            shape = tuple(part for part in ORDER if part in (*plan.always, *joined))
            if (criteria.shape and set(shape) != set(criteria.shape)) or not least <= len(shape) <= limit:
                continue
            for parts in itertools.product(*could):
                required = dict(zip(parts, (places[slug] for slug in criteria.must), strict=True))
                # More than two optional roles are used only to fit required ingredients.
                needed = many <= JOIN_AT_MOST or sum(part in joined for part in parts) == many
                if needed and len(required) == len(parts) and required.keys() <= set(shape) and _in_order(required):
                    cells += _cells(shape, required, players, splits)
    return Space(ingredients, tuple(cells))


def _could_play(ingredient: Ingredient, criteria: Criteria, parts: Sequence[str]) -> tuple[str, ...]:
    """Return the roles that a required ingredient could play; raises DomainError where it is excluded or there is none."""
    if _exclusion_reason(ingredient, criteria):
        raise DomainError(f"{ingredient.name} is wanted, but {_exclusion_reason(ingredient, criteria)}: remove one")
    possible = tuple(part for part in parts if PARTS[part].could(ingredient, criteria))
    if not possible:
        form = f" {criteria.form}" if criteria.form else ""
        raise DomainError(f"{ingredient.name} has no role in a {criteria.family}{form}: {_poured_as(ingredient)}")
    return possible


def _in_order(required: Mapping[str, int]) -> bool:
    """Check whether, of interchangeable roles, a required ingredient is in the first, and two are in the larder's order."""
    return all(second not in required or (first in required and required[first] < required[second]) for first, second in TWINS)


def _cells(shape: tuple[str, ...], required: Mapping[str, int], players: Mapping[str, tuple[int, ...]], splits: Splits) -> list[Cell]:
    if "base2" in shape and "base" not in shape:
        return []
    choices = {part: (required[part],) if part in required else players[part] for part in shape}
    digits = []
    if "base2" in shape and "base" not in required:
        # The order within a split base doesn't matter: each pair occurs once.
        free = set(choices.pop("base"))
        pairs = [(one, other) for one in sorted(free) for other in splits.get(one, ()) if one < other and other in free]
        del choices["base2"]
        digits.append(Digit(("base", "base2"), np.array(pairs, dtype=np.int64).reshape(-1, 2)))
    elif "base2" in shape and "base2" not in required:
        choices["base2"] = tuple(index for index in splits.get(required["base"], ()) if index in set(players["base2"]))
    digits += [Digit((part,), np.array(indices, dtype=np.int64)[:, None]) for part, indices in choices.items()]
    return [Cell(tuple(digits))] if all(len(digit.choices) for digit in digits) else []


def _splits(bases: Sequence[int], ingredients: Sequence[Ingredient]) -> Splits:
    """Return for each ingredient those it may share a base with."""
    sharing = [base for base in bases if shares_a_base(ingredients[base].slug)]
    return {one: [other for other in sharing if may_split(ingredients[one].slug, ingredients[other].slug)] for one in sharing}


def _allowed(ingredient: Ingredient, criteria: Criteria) -> bool:
    # An imitation of a wine or a spirit isn't combined with the real one.
    return (
        unasked(ingredient)
        and not _exclusion_reason(ingredient, criteria)
        and (criteria.without_alcohol or ingredient.kind != "zero-proof")
    )


def _exclusion_reason(ingredient: Ingredient, criteria: Criteria) -> str:
    """Explain why criteria exclude an ingredient; empty where they don't."""
    if criteria.pool is not None and ingredient.slug not in criteria.pool:
        return "it isn't in stock"
    if criteria.without_alcohol and not is_non_alcoholic(ingredient.composition.abv):
        return "it has alcohol"
    for word in criteria.without:
        if word == "vegan" and (ingredient.kind in ("egg", "dairy", "honey") or {"egg", "milk"} & set(ingredient.allergens)):
            return "it isn't vegan"
        if word in (ingredient.slug, ingredient.kind, *ingredient.allergens):
            return f"{word} is avoided"
    return ""


def _poured_as(ingredient: Ingredient) -> str:
    return f"it is used as {' or '.join(ingredient.slots)}" if ingredient.slots else f"{ingredient.in_sentence} has no role yet"
