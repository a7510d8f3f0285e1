"""All steps of a drink, written from its spec, with its own lines and its own order.

The steps come from `prepare`, `mix` and `serve` (common practice and the schools).
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import replace
from typing import Final

from oenomel.core.method.mix import into_the_vessel, worked
from oenomel.core.method.prepare import prepared
from oenomel.core.method.serve import finished, into_the_glass
from oenomel.core.method.step import Making, MethodOptions, Step
from oenomel.core.spec import Drink, Method
from oenomel.core.spec.technique import OwnStep
from oenomel.core.wording import capital

__all__ = ["generated_steps", "making_steps"]

_STANDARD: Final = MethodOptions()
_MOMENTS: Final = ("shake", "strain", "top", "garnish", "serve")


def making_steps(drink: Drink, way: MethodOptions = _STANDARD) -> tuple[Step, ...]:
    """Return the steps of a drink in order: generated steps, except those the drink replaces, and its own lines."""
    steps = _with_own_lines(generated_steps(drink, way), drink.method.steps)
    return tuple(_in_own_order(steps, drink.method))


def generated_steps(drink: Drink, way: MethodOptions = _STANDARD) -> list[Step]:
    """Return the steps that follow from the spec alone, each with its key."""
    making = Making(drink, way)
    steps = [
        *prepared(making), *into_the_vessel(making), *worked(making), *into_the_glass(making), *finished(making)
    ]  # fmt: skip
    return _with_keys_of_their_own(steps)


def _with_own_lines(steps: list[Step], lines: Sequence[OwnStep]) -> list[Step]:
    """Return the steps with the drink's own lines: one with a key replaces that step, or removes it if empty; others stand before
    their moment.
    """
    told_instead = {line.instead_of: line.text for line in lines if line.instead_of}
    all_steps = [_with_text(step, told_instead[step.key]) if step.key in told_instead else step for step in steps]
    all_steps = [step for step in all_steps if step.words]
    for at, line in enumerate(lines):
        if not line.instead_of:
            all_steps.insert(_index_of(all_steps, line.before), Step(f"own: {line.text.strip()}", "own", _sentence(line.text), own=at))
    return _with_keys_of_their_own(all_steps)


def _with_text(step: Step, text: str) -> Step:
    words = _sentence(text) if text.strip() else ""
    return replace(step, words=words, sign="", listed="", amount=step.amount if step.amount and step.amount in words else "")


def _index_of(steps: Sequence[Step], before: str) -> int:
    """Return the index of a line: before its moment, or the next moment that exists; else at the end."""
    wanted = _MOMENTS.index(before)
    return next((at for at, step in enumerate(steps) if step.moment is not None and _MOMENTS.index(step.moment) >= wanted), len(steps))


def _in_own_order(steps: list[Step], method: Method) -> list[Step]:
    """Reorder the steps that the drink orders, among themselves; the others stay."""
    by_key = {step.key: step for step in steps}
    wished = [by_key[key] for key in dict.fromkeys(method.order) if key in by_key]
    next_one = iter(wished)
    moved = {step.key for step in wished}
    return [next(next_one) if step.key in moved else step for step in steps]


def _with_keys_of_their_own(steps: Iterable[Step]) -> list[Step]:
    """Give equal steps different keys: two pours of one ingredient are two steps."""
    seen: Counter[str] = Counter()
    with_keys = []
    for step in steps:
        seen[step.key] += 1
        with_keys.append(step if seen[step.key] == 1 else replace(step, key=f"{step.key} {seen[step.key]}"))
    return with_keys


def _sentence(text: str) -> str:
    words = capital(text.strip())
    return words if words.endswith((".", "!", "?", ":")) else f"{words}."
