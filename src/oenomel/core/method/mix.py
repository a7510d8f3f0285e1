"""Steps in the tin or the mixing glass, in their order (common practice).

Every step is common practice. A sparkling pour never goes in the tin, whatever the spec says.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Final

from oenomel.core.dilution.curves import REFERENCE_SECONDS
from oenomel.core.method.prepare import PEEL, pressed
from oenomel.core.method.step import ORDERS, Making, Step
from oenomel.core.spec import Method, Pour
from oenomel.core.wording import capital, listed

THICK_G_PER_100ML: Final = 90.0
"""Sugar from which a syrup is stirred in before the ice, [g/100 ml]: rich syrup is at the limit, honey well above it (house rule)."""

USUAL_SWIZZLE_SECONDS: Final = 15.0
"""Default seconds of a swizzle and a blend (house rule)."""

# Cheap and risky first: what can spoil the drink or costs least goes in before what is dear.
_CHEAP_FIRST: Final = ("texture", "seasoning", "accent", "sour", "lengthener", "sweet", "other", "liqueur", "base")
_SPIRIT_FIRST: Final = ("base", "liqueur", "sweet", "sour", "lengthener", "other", "accent", "seasoning", "texture")
_SMALL_MEASURES: Final = ("dash", "drop", "splash", "barspoon", "tsp", "tbsp")
_STARTS_A_SIGN: Final = re.compile(r"(?:until|till|when|as soon as|once)\b", re.IGNORECASE)
_NUMBERS: Final = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve")


def into_the_vessel(making: Making) -> Iterator[Step]:
    """Yield the pours that are mixed, in the order of the bar's school."""
    pours = _in_order(making)
    bitters = [(index, pour) for index, pour in pours if pour.ingredient.kind == "bitters"]
    has_juice = any(pour.ingredient.kind == "juice" for _, pour in pours)
    cube = next((pour for _, pour in pours if pour.ingredient.kind == "sugar" and pour.unit == "piece"), None)
    soaks = cube is not None and not has_juice
    for index, pour in pours:
        if soaks and pour is cube:
            yield from _soaked(making, index, pour, bitters)
        elif not (soaks and pour.ingredient.kind == "bitters"):
            yield _poured(making, index, pour, has_juice)
    fruit = [pour.ingredient.in_sentence for _, pour in pours if _decides(pour, pressed(making))]
    if fruit and not any("raw egg" in pour.ingredient.cautions for _, pour in pours):
        yield Step("taste: tin", "taste", f"Taste a drop and correct before the ice: {listed(fruit)} can be sharp or sweet.")


def worked(making: Making) -> Iterator[Step]:
    """Yield the steps of the ice, the shake or stir, and the sign that it is enough."""
    method, vessel = making.drink.method, making.vessel
    dry = method.dry_shake_seconds if method.technique == "shake" else 0.0
    iced = method.ice != "none" and method.seconds != 0
    if dry and method.dry_shake == "first":
        yield _dry_shaken("Shake", dry)
    if iced and method.technique in ("shake", "stir", "roll", "blend"):
        yield Step("ice", "work", f"{_ice(method, vessel)}.", moment="shake")
    match method.technique:
        case "shake" | "stir" as technique if iced:
            usual = "until the tin frosts" if technique == "shake" else "until the liquid looks silky"
            yield _timed(technique, technique.capitalize(), method, REFERENCE_SECONDS[technique], usual)
        case "shake" | "stir":
            yield Step("mix", "work", "Mix without ice.", _enough(method, "until smooth"), moment="shake")
        case "roll":
            yield Step("roll", "work", "Roll it from tin to tin five times.", _enough(method, "until cold, not frothy"), moment="shake")
        case "blend":
            yield _timed("blend", "Blend", method, USUAL_SWIZZLE_SECONDS, "until you hear no ice")
        case _:
            pass
    if dry and method.dry_shake == "last":
        yield Step("out of the ice", "work", "Strain back into the empty tin, without the ice.")
        yield _dry_shaken("Shake again", dry)


def lifted(making: Making) -> Iterator[Step]:
    """Yield the steps of a built or swizzled drink in its glass, on its ice."""
    method = making.drink.method
    if method.technique == "swizzle":
        yield _timed("swizzle", "Swizzle", method, USUAL_SWIZZLE_SECONDS, f"until the {making.glass} frosts")
    elif method.technique == "build" and making.mixed:
        seconds = f" for {_seconds(method)}" if method.seconds else " once or twice"
        sign = _enough(method, "until smooth")
        yield Step("lift", "work", f"Lift it with a spoon{seconds}.", sign, seconds=method.seconds or None, moment="shake")


def _in_order(making: Making) -> list[tuple[int, Pour]]:
    mixed = making.mixed
    if making.way.order != "as written":
        ranks = _CHEAP_FIRST if making.way.order == ORDERS[0] else _SPIRIT_FIRST
        mixed.sort(key=lambda each: ranks.index(each[1].slot) if each[1].slot in ranks else ranks.index("other"))
    # Leaves and fruit are pressed before anything cold is on them; thick syrup and dry sugar want the juice, and no spirit yet.
    return sorted(mixed, key=lambda each: 0 if is_pressed(each[1]) else 1)


def _poured(making: Making, index: int, pour: Pour, has_juice: bool) -> Step:
    key, what, amount, vessel = f"pour: {pour.ingredient.slug}", making.of(pour), making.amount(pour), making.vessel
    handled = _handled(making, pour, has_juice)
    if handled is not None:
        words, sign = handled
        return Step(key, "pour", words, sign, index, amount=amount)
    words = f"Add {what} to the {vessel}." if pour.unit in _SMALL_MEASURES else f"{'Pour' if amount else 'Put'} {what} into the {vessel}."
    return Step(key, "pour", words, pour=index, amount=amount, listed=f"Pour into the {vessel} in the order of the list.")


def _handled(making: Making, pour: Pour, has_juice: bool) -> tuple[str, str] | None:
    """Return how a pour is handled that isn't simply poured, and how far or why; None for one that is."""
    what, vessel, name = making.of(pour), making.vessel, pour.ingredient.in_sentence
    if pour.ingredient.kind == "plant" and PEEL.search(name):
        return f"Put {what} into the {vessel}.", "The oil of the peel goes in too."
    if _is_leaf(pour):
        return f"Press {what} lightly in the {vessel}, no stems.", "Press, don't tear: torn leaves turn bitter."
    if is_pressed(pour):
        return f"Muddle {what} in the {vessel}.", "Until the juice is out."
    if "raw egg" in pour.ingredient.cautions:
        several = pour.unit == "piece" and (pour.amount or 1) > 1
        return f"Tip {what if several else f'the {name}'} from {'their cups' if several else 'its cup'} into the {vessel}.", ""
    if pour.ingredient.composition.solid:
        return _sugar_stirred(making, what, pour, has_juice), "Until it has dissolved, before the spirit."
    if pour.ingredient.kind in ("honey", "syrup") and pour.ingredient.composition.sugar >= THICK_G_PER_100ML:
        return f"Pour {what} into the {vessel}.", "Stir it in: thick syrup won't dissolve on ice."
    return None


def _sugar_stirred(making: Making, what: str, pour: Pour, has_juice: bool) -> str:
    """Return where dry sugar is stirred in: the sour pour, or the fruit; else the first pour."""
    if has_juice:
        does, into = ("Muddle", "with") if pour.unit == "piece" else ("Stir", "into")
        return f"{does} {what} {into} the juice in the {making.vessel}."
    if any(is_pressed(other) for _, other in making.mixed):
        return f"Stir {what} into the crushed fruit in the {making.vessel}."
    return f"Put {what} into the {making.vessel} and stir it into the first liquid."


def _soaked(making: Making, index: int, cube: Pour, bitters: list[tuple[int, Pour]]) -> Iterator[Step]:
    """Yield the steps of a sugar cube without juice: it is soaked with the bitters and muddled."""
    yield Step(f"pour: {cube.ingredient.slug}", "pour", f"Put {making.of(cube)} into the {making.vessel}.", pour=index)
    for at, pour in bitters:
        words = f"Soak it with {making.of(pour)}."
        yield Step(f"pour: {pour.ingredient.slug}", "pour", words, pour=at, amount=making.amount(pour))
    with_what = "with the bitters" if bitters else "with a few drops of water"
    yield Step("muddle", "pour", f"Muddle it {with_what}.", "Until it has dissolved, before the spirit.")


def _decides(pour: Pour, juices: list[str]) -> bool:
    """Check whether a pour is fruit too variable to measure: muddled fruit, and juice other than citrus."""
    if pour.ingredient.kind == "plant":
        return is_pressed(pour) and not _is_leaf(pour) and pour.volume_ml > 0
    return pour.ingredient.kind == "juice" and not any(fruit in pour.ingredient.in_sentence.lower() for fruit in juices)


def is_pressed(pour: Pour) -> bool:
    """Check whether a pour is fruit or leaves to be muddled, not something made from plants."""
    return pour.ingredient.kind == "plant" and pour.unit in ("piece", "leaf", "g") and not PEEL.search(pour.ingredient.in_sentence)


def _is_leaf(pour: Pour) -> bool:
    return pour.ingredient.kind == "plant" and (pour.unit == "leaf" or "leaf" in pour.ingredient.in_sentence)


def _dry_shaken(does: str, seconds: float) -> Step:
    words = f"{does} without ice for {seconds:g} seconds."
    return Step(
        "dry shake", "work", words, "Hold the tin closed: pressure builds. Stop when it sounds thick.", seconds=seconds, moment="shake"
    )


def _ice(method: Method, vessel: str) -> str:
    if method.ice_pieces is not None:
        many = _NUMBERS[method.ice_pieces] if method.ice_pieces < len(_NUMBERS) else str(method.ice_pieces)
        pieces = f"{many} {'large ' if method.ice == 'large' else ''}{'cube' if method.ice_pieces == 1 else 'cubes'}"
        return f"Put {pieces} of {method.piece_g:g} g{'' if method.ice_pieces == 1 else ' each'} into the {vessel}"
    if method.technique == "blend":
        return f"Put a scoop of {'crushed ice' if method.ice == 'crushed' else 'ice'} into the {vessel}"
    return {"large": f"Put large cubes into the {vessel}", "crushed": f"Fill the {vessel} with crushed ice"}.get(
        method.ice, f"Fill the {vessel} with ice cubes"
    )


def _timed(key: str, does: str, method: Method, usual: float, sign: str) -> Step:
    seconds = method.seconds or usual
    time = _seconds(method) if method.seconds else f"{usual:g} seconds"
    return Step(key, "work", f"{does} for {time}.", _enough(method, sign), seconds=seconds, moment="shake")


def _seconds(method: Method) -> str:
    if method.seconds_between is None or method.seconds_between[0] == method.seconds_between[1]:
        return f"{method.seconds:g} seconds"
    return f"{method.seconds_between[0]:g} to {method.seconds_between[1]:g} seconds"


def _enough(method: Method, usual: str) -> str:
    """Return the sign that it is enough: the drink's own, or the usual one."""
    own = method.sign.strip().rstrip(".")
    if own and not _STARTS_A_SIGN.match(own):
        own = f"until {own[:1].lower()}{own[1:]}"
    return f"{capital(own or usual)}."
