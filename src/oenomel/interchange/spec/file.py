"""The spec file, version 1: its exact shape, its refusals as one sentence with the place, and its JSON Schema."""

from __future__ import annotations

import json
from collections.abc import Sequence
from typing import Annotated, Any, Final, Literal

from pydantic import BaseModel, BeforeValidator, ConfigDict, Discriminator, Field, Tag, ValidationError, model_validator
from pydantic_core import PydanticCustomError

from oenomel.core.larder import Kind, SlotName
from oenomel.core.spec import FamilyName, Ice, Stage, Technique, Unit, parse_amount
from oenomel.errors import DomainError, SpecError
from oenomel.interchange.models import Plain

__all__ = ["InlineIngredient", "PourEntry", "SpecFile", "check_relatives", "parse_spec", "spec_error", "spec_schema"]

VERSION: Final = 1

Text = Annotated[Plain, Field(max_length=200)]
Fraction = Annotated[float, Field(allow_inf_nan=False, ge=0)]


def _checked_amount(value: Any) -> Any:
    if not isinstance(value, (int, float, str)):
        raise PydanticCustomError("amount", "an amount is a number or a text like 3/4")
    try:
        parse_amount(value)
    except DomainError as error:
        raise PydanticCustomError("amount", "{sentence}", {"sentence": _sendable(str(error))}) from error
    return value


def _sendable(sentence: str) -> str:
    """A sentence that may quote what can't be encoded."""
    return sentence.encode("utf-8", "replace").decode()


class _Entry(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class SugarEntry(_Entry):
    """Sugars by kind, g per 100 ml."""

    sucrose: Fraction = 0
    glucose: Fraction = 0
    fructose: Fraction = 0
    lactose: Fraction = 0
    other: Fraction = 0


class AcidEntry(_Entry):
    """Acids by kind, g per 100 ml."""

    citric: Fraction = 0
    malic: Fraction = 0
    tartaric: Fraction = 0
    lactic: Fraction = 0
    acetic: Fraction = 0
    phosphoric: Fraction = 0
    succinic: Fraction = 0


class SpreadEntry(_Entry):
    """Relative standard deviations, with the keys of the composition."""

    abv: Fraction | None = None
    sugars: SugarEntry | None = None
    acids: AcidEntry | None = None
    salt: Fraction | None = None
    protein: Fraction | None = None
    fat: Fraction | None = None
    density: Fraction | None = None
    co2: Fraction | None = None


class CompositionEntry(_Entry):
    """Composition per 100 ml at 20 °C; density in g/ml, carbon dioxide in g/l."""

    abv: Fraction = 0
    sugars: SugarEntry = SugarEntry()
    acids: AcidEntry = AcidEntry()
    salt: Fraction = 0
    protein: Fraction = 0
    fat: Fraction = 0
    density: Fraction | None = None
    co2: Fraction = 0
    spread: SpreadEntry | None = None


class InlineIngredient(_Entry):
    """An ingredient described in the file itself."""

    name: Annotated[Plain, Field(min_length=1, max_length=200)]
    kind: Kind = "other"
    composition: CompositionEntry
    piece_ml: Fraction | None = None
    piece_g: Fraction | None = None


class RelativeEntry(_Entry):
    """An amount that follows another pour's."""

    to: Annotated[int, Field(ge=0)]
    times: Fraction


def _ingredient_tag(value: Any) -> str:
    return "slug" if isinstance(value, str) else "inline"


IngredientEntry = Annotated[
    Annotated[Text, Tag("slug")] | Annotated[InlineIngredient, Tag("inline")],
    Discriminator(_ingredient_tag),
]
Amount = Annotated[float | str, BeforeValidator(_checked_amount)]


class PourEntry(_Entry):
    """One pour of a spec file."""

    ingredient: IngredientEntry
    amount: Amount
    unit: Unit
    slot: SlotName = "other"
    stage: Stage = "mixed"
    said: Text | None = None
    relative: RelativeEntry | None = None
    optional: bool = False
    range: Annotated[list[Fraction], Field(min_length=2, max_length=2)] | None = None

    @model_validator(mode="after")
    def _range_in_order(self) -> PourEntry:
        if self.range is not None and self.range[0] > self.range[1]:
            raise PydanticCustomError("range", "the range goes from its low end to its high end")
        return self


Seconds = Annotated[float, Field(allow_inf_nan=False, ge=0, le=3600)]


def _seconds_tag(value: Any) -> str:
    return "between" if isinstance(value, list | tuple) else "time"


SecondsEntry = Annotated[
    Annotated[Seconds, Tag("time")] | Annotated[Annotated[list[Seconds], Field(min_length=2, max_length=2)], Tag("between")],
    Discriminator(_seconds_tag),
]


class MethodEntry(_Entry):
    """How the tin is worked; no seconds stands for the reference time, 0 for no contact with ice. Of a range the middle counts."""

    technique: Technique = "shake"
    seconds: SecondsEntry | None = None
    dry_shake_seconds: Seconds = 0
    ice: Ice = "cubes"

    @model_validator(mode="after")
    def _seconds_in_order(self) -> MethodEntry:
        if isinstance(self.seconds, list) and self.seconds[0] > self.seconds[1]:
            raise PydanticCustomError("range", "the seconds go from the fewest to the most")
        return self

    @property
    def middle_seconds(self) -> float | None:
        """The seconds that count."""
        return sum(self.seconds) / 2 if isinstance(self.seconds, list) else self.seconds


class ServeEntry(_Entry):
    """What it is served in."""

    glass: Text = ""
    ice: Ice = "none"
    garnish: Annotated[list[Text], Field(max_length=20)] = []


class SpecFile(_Entry):
    """A drink as written down: format oenomel/spec, version 1."""

    format: Literal["oenomel/spec"]
    version: Literal[1]
    name: Annotated[Plain, Field(min_length=1, max_length=200)]
    family: FamilyName
    form: Text = ""
    ounce_ml: Annotated[float, Field(gt=0, le=50, allow_inf_nan=False)] = 30
    part_ml: Annotated[float, Field(gt=0, le=10_000, allow_inf_nan=False)] | None = None
    pours: Annotated[list[PourEntry], Field(min_length=1, max_length=60)]
    method: MethodEntry = MethodEntry()
    serve: ServeEntry = ServeEntry()

    @model_validator(mode="after")
    def _relative_to_a_pour(self) -> SpecFile:
        check_relatives(self.pours, "pours")
        return self


def check_relatives(pours: Sequence[PourEntry], path: str) -> None:
    """Raises SpecError where a pour follows one that isn't there."""
    for index, pour in enumerate(pours):
        if pour.relative is not None and (pour.relative.to >= len(pours) or pour.relative.to == index):
            raise SpecError(f"{path}[{index}].relative.to", f"there is no other pour {pour.relative.to}")


def parse_spec(text: str) -> SpecFile:
    """A spec file from its text.

    Raises
    ------
    SpecError
        The text is not JSON or not a spec; the sentence names the first place that is wrong.
    """
    try:
        content = json.loads(text)
    except json.JSONDecodeError as error:
        raise SpecError("", f"line {error.lineno}, column {error.colno}: not JSON: {error.msg}") from error
    except (RecursionError, ValueError) as error:
        raise SpecError("", "not a spec: nested too deeply, or a number with thousands of digits") from error
    try:
        return SpecFile.model_validate(content)
    except ValidationError as error:
        raise spec_error(error.errors()[0]) from error


# Names of the branches that Pydantic tried; they stand in no file.
_TAGS: Final = ("slug", "inline", "time", "between", "body", "spec-target", "family-target", "typed-target")


def spec_error(refusal: Any) -> SpecError:
    """One of Pydantic's refusals as the sentence of the house, with the path as it stands in the file."""
    cause = refusal.get("ctx", {}).get("error")
    if isinstance(cause, SpecError):
        return cause
    steps = [step for step in refusal["loc"] if step not in _TAGS]
    path = "".join(f"[{step}]" if isinstance(step, int) else f".{step}" for step in steps).lstrip(".")
    return SpecError(path, _sentence(refusal))


def spec_schema() -> dict[str, Any]:
    """The JSON Schema of the spec file (draft 2020-12)."""
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **SpecFile.model_json_schema()}


def _sentence(refusal: Any) -> str:
    kind, value, context = refusal["type"], refusal.get("input"), refusal.get("ctx", {})
    last = refusal["loc"][-1] if refusal["loc"] else ""
    match kind:
        case "missing":
            return "is missing"
        case "extra_forbidden":
            return "unknown key"
        case "literal_error" if last == "version" and isinstance(value, int) and value > VERSION:
            return f"this file is version {value}; this Oenomel reads version {VERSION}"
        case "literal_error":
            return f"{json.dumps(value, default=str)[:40]} is not one of {context['expected']}"
        case "too_short" | "too_long":
            wanted = context.get("min_length") or context["max_length"]
            return f"wants {'at least' if kind == 'too_short' else 'at most'} {wanted}, not {context['actual_length']}"
        case "finite_number":
            return "wants a finite number"
        case "greater_than_equal":
            return f"wants {context['ge']:g} or more, not {value!r:.20}"
        case "less_than_equal":
            return f"wants {context['le']:g} or less, not {value!r:.20}"
        case "model_type" | "dict_type":
            return "wants an object" if last != "inline" else "wants a slug of the larder or an object"
        case "list_type" | "tuple_type":
            return "wants a list"
        case "string_pattern_mismatch" | "string_unicode":
            return "holds a character that can't be shown"
        case "string_too_short":
            return "is empty"
        case _:
            message = str(refusal["msg"])
            return message[0].lower() + message[1:]
