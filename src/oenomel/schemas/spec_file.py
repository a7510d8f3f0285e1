"""The spec file, version 1: its exact shape, its errors as one sentence with the place, and its JSON Schema."""

from __future__ import annotations

import json
from collections.abc import Sequence
from dataclasses import asdict
from typing import Annotated, Any, Final, Literal, TypeVar

from pydantic import BaseModel, BeforeValidator, ConfigDict, Discriminator, Field, Tag, ValidationError, model_validator
from pydantic_core import PydanticCustomError

from oenomel.core.larder import Kind, SlotName
from oenomel.core.spec import FamilyName, Garnish, Ice, Method, Moment, Serve, Stage, Technique, Unit, parse_amount
from oenomel.core.spec.technique import PIECE_G, DryShake, Edge, OwnStep, SparklingPlace, Strain, garnish_from_words
from oenomel.errors import DomainError, SpecError
from oenomel.schemas.base import Plain

__all__ = [
    "CompositionEntry",
    "GarnishEntry",
    "IngredientEntry",
    "InlineIngredient",
    "PourEntry",
    "SpecFile",
    "check_relatives",
    "garnish_of",
    "parse_as",
    "parse_spec",
    "spec_error",
    "spec_schema",
]

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
    """Return a sentence without characters that can't be encoded."""
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
    """An amount relative to another pour's."""

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
    lot: Text | None = None

    @model_validator(mode="after")
    def _range_in_order(self) -> PourEntry:
        if self.range is not None and self.range[0] > self.range[1]:
            raise PydanticCustomError("range", "a range goes from low to high")
        return self


Seconds = Annotated[float, Field(allow_inf_nan=False, ge=0, le=3600)]


def _seconds_tag(value: Any) -> str:
    return "between" if isinstance(value, list | tuple) else "time"


SecondsEntry = Annotated[
    Annotated[Seconds, Tag("time")] | Annotated[Annotated[list[Seconds], Field(min_length=2, max_length=2)], Tag("between")],
    Discriminator(_seconds_tag),
]


class StepEntry(_Entry):
    """One of the drink's own lines: its moment, or the key of the generated step it replaces; an empty text removes that step."""

    text: Annotated[Plain, Field(max_length=400)]
    before: Moment = "serve"
    instead_of: Text = ""

    @model_validator(mode="after")
    def _says_something(self) -> StepEntry:
        if not self.text.strip() and not self.instead_of:
            raise PydanticCustomError("empty", "a step needs text")
        return self


PieceGrams = Annotated[float, Field(allow_inf_nan=False, ge=1, le=2000)]


class MethodEntry(_Entry):
    """Method of a drink; no seconds means the usual time, 0 no contact with ice. Of a range the middle counts.

    Where pieces of ice are counted, the heat balance gives the water. ``dry_shake`` "last" is a dry shake after the ice.
    """

    technique: Technique = "shake"
    seconds: SecondsEntry | None = None
    dry_shake_seconds: Seconds = 0
    dry_shake: DryShake = "first"
    ice: Ice = "cubes"
    ice_pieces: Annotated[int, Field(ge=1, le=100)] | None = None
    ice_piece_g: PieceGrams | None = None
    strain: Strain = ""
    sparkling: SparklingPlace = ""
    sign: Text = ""
    steps: Annotated[list[StepEntry], Field(max_length=40)] = []
    order: Annotated[list[Text], Field(max_length=100)] = []

    @model_validator(mode="after")
    def _can_be_done(self) -> MethodEntry:
        if isinstance(self.seconds, list) and self.seconds[0] > self.seconds[1]:
            raise PydanticCustomError("range", "the seconds go from low to high")
        if self.ice_pieces is not None and self.ice not in PIECE_G:
            raise PydanticCustomError("pieces", "ice_pieces counts cubes, and there are none here")
        return self

    @property
    def middle_seconds(self) -> float | None:
        """The seconds, or the middle of a range."""
        return sum(self.seconds) / 2 if isinstance(self.seconds, list) else self.seconds

    def worked(self) -> Method:
        """Return the method as the core takes it."""
        between = (self.seconds[0], self.seconds[1]) if isinstance(self.seconds, list) else None
        same = ("technique", "dry_shake_seconds", "dry_shake", "ice", "ice_pieces", "ice_piece_g", "strain", "sparkling", "sign")
        return Method(
            seconds=self.middle_seconds,
            seconds_between=between,
            steps=tuple(OwnStep(step.text, step.before, step.instead_of) for step in self.steps),
            order=tuple(self.order),
            **{name: getattr(self, name) for name in same},
        )

    @classmethod
    def of(cls, method: Method) -> MethodEntry:
        """Return a method of the core as an entry of the file."""
        fields = asdict(method)
        between = fields.pop("seconds_between")
        return cls.model_validate(
            fields | {"seconds": between or method.seconds, "steps": list(fields["steps"]), "order": list(method.order)}
        )


class GarnishEntry(_Entry):
    """A garnish: what it is, why, how it is placed, and a substitute."""

    what: Annotated[Plain, Field(min_length=1, max_length=200)]
    why: Text = ""
    how: Text = ""
    instead: Text = ""

    @staticmethod
    def by_parts(entry: str | GarnishEntry) -> str | GarnishEntry:
        """Return a garnish split into its parts where its words hold more than what it is: "bay leaf, for the nose"."""
        garnish = garnish_from_words(entry) if isinstance(entry, str) else None
        return GarnishEntry(what=garnish.what, how=garnish.how, why=garnish.why) if garnish and (garnish.how or garnish.why) else entry


def _garnish_tag(value: Any) -> str:
    return "words" if isinstance(value, str) else "garnish-entry"


GarnishWords = Annotated[Annotated[Text, Tag("words")] | Annotated[GarnishEntry, Tag("garnish-entry")], Discriminator(_garnish_tag)]


class EdgeEntry(_Entry):
    """Rim of the glass: half or whole, and what it is wetted with."""

    half: bool = False
    wetted_with: Text = ""


class ServeEntry(_Entry):
    """Serve of a drink; ``chilled`` is missing where the trade's habit decides; ``note`` is for the guest."""

    glass: Text = ""
    ice: Ice = "none"
    garnish: Annotated[list[GarnishWords], Field(max_length=20)] = []
    chilled: bool | None = None
    edge: EdgeEntry | None = None
    note: Annotated[Plain, Field(max_length=1000)] = ""

    def served(self) -> Serve:
        """Return the serve as the core takes it."""
        edge = Edge() if self.edge is None else Edge(self.edge.half, self.edge.wetted_with)
        return Serve(self.glass, self.ice, tuple(garnish_of(garnish) for garnish in self.garnish), self.chilled, edge, self.note)

    @classmethod
    def of(cls, serve: Serve) -> ServeEntry:
        """Return a serve of the core as an entry of the file."""
        fields = asdict(serve)
        return cls.model_validate(fields | {"garnish": list(fields["garnish"]), "edge": fields["edge"] if serve.edge != Edge() else None})


def garnish_of(entry: str | GarnishEntry) -> Garnish:
    """Return a garnish of a file as the core takes it."""
    if isinstance(entry, str):
        return garnish_from_words(entry)
    return Garnish(entry.what, entry.how, entry.why, entry.instead)


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
    """Raise SpecError where a pour is relative to one that doesn't exist."""
    for index, pour in enumerate(pours):
        if pour.relative is not None and (pour.relative.to >= len(pours) or pour.relative.to == index):
            raise SpecError(f"{path}[{index}].relative.to", f"there is no other ingredient {pour.relative.to}")


Parsed = TypeVar("Parsed", bound=BaseModel)


def parse_spec(text: str) -> SpecFile:
    """Parse a spec file.

    Raises
    ------
    SpecError
        The text is not JSON or not a spec; the sentence names the first place that is wrong.
    """
    return parse_as(SpecFile, text, "a spec")


def parse_as(model: type[Parsed], text: str, what: str) -> Parsed:
    """Parse JSON as a model; raises SpecError that names the first wrong place, or says that it isn't ``what``."""
    try:
        content = json.loads(text)
    except json.JSONDecodeError as error:
        raise SpecError("", f"line {error.lineno}, column {error.colno}: not JSON: {error.msg}") from error
    except (RecursionError, ValueError) as error:
        raise SpecError("", f"not {what}: nested too deeply, or a number with thousands of digits") from error
    try:
        return model.model_validate(content)
    except ValidationError as error:
        raise spec_error(error.errors()[0]) from error


# Names of the union branches that Pydantic tried; they aren't part of the file.
_TAGS: Final = ("slug", "inline", "time", "between", "words", "garnish-entry", "body", "spec-target", "family-target", "typed-target")


def spec_error(refusal: Any) -> SpecError:
    """Return a Pydantic error as one of our sentences, with the path in the file."""
    cause = refusal.get("ctx", {}).get("error")
    if isinstance(cause, SpecError):
        return cause
    steps = [step for step in refusal["loc"] if step not in _TAGS and step != "[key]"]
    path = "".join(f"[{step}]" if isinstance(step, int) else f".{step}" for step in steps).lstrip(".")
    return SpecError(path, _sentence(refusal))


def spec_schema() -> dict[str, Any]:
    """Return the JSON Schema of the spec file (draft 2020-12)."""
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
            return f"this file has version {value}, and this Oenomel reads version {VERSION}: update Oenomel"
        case "literal_error":
            return f"{json.dumps(value, default=str)[:40]} is not one of {context['expected']}"
        case "too_short" | "too_long":
            wanted = context.get("min_length") or context["max_length"]
            return f"needs {'at least' if kind == 'too_short' else 'at most'} {wanted}, not {context['actual_length']}"
        case "finite_number":
            return "must be a finite number"
        case "greater_than_equal":
            return f"must be {context['ge']:g} or more, not {value!r:.20}"
        case "greater_than":
            return f"must be more than {context['gt']:g}, not {value!r:.20}"
        case "less_than_equal":
            return f"must be {context['le']:g} or less, not {value!r:.20}"
        case "model_type" | "dict_type":
            return "must be an object" if last != "inline" else "must be an ingredient's slug or an object"
        case "list_type" | "tuple_type":
            return "must be a list"
        case "string_pattern_mismatch" | "string_unicode":
            return "has a character that can't be shown"
        case "string_too_short":
            return "is empty"
        case _:
            message = str(refusal["msg"]).removeprefix("Value error, ")
            return message[0].lower() + message[1:]
