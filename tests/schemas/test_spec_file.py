"""The spec file: read as its schema says, refused with one sentence that names the place."""

import copy
import json
from typing import get_args

import jsonschema
import pytest

from oenomel.core.families.family import families
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient import KINDS, SLOTS
from oenomel.core.spec.drink import FAMILIES, STAGES
from oenomel.core.spec.technique import ICES, TECHNIQUES
from oenomel.core.spec.units import UNITS
from oenomel.errors import SpecError
from oenomel.schemas import spec_file as spec_file
from oenomel.schemas.spec_file import parse_spec, spec_schema
from oenomel.schemas.spec_to_drink import drink_from_spec, plain_spec, spec_from_drink

EXAMPLE = {
    "format": "oenomel/spec",
    "version": 1,
    "name": "Glasshouse Sour",
    "family": "sour",
    "pours": [
        {"ingredient": "white-rum", "amount": 60, "unit": "ml", "slot": "base", "stage": "mixed"},
        {
            "ingredient": {
                "name": "Lime juice, first pressing",
                "kind": "juice",
                "composition": {
                    "abv": 0,
                    "sugars": {"glucose": 0.8, "fructose": 0.8},
                    "acids": {"citric": 4.0, "malic": 2.0},
                    "density": 1.03,
                },
            },
            "amount": "3/4",
            "unit": "oz",
            "slot": "sour",
            "stage": "mixed",
        },
        {"ingredient": "simple-syrup-1-1", "amount": 22.5, "unit": "ml", "slot": "sweet", "stage": "mixed", "said": "three quarters"},
    ],
    "method": {"technique": "shake", "seconds": 12, "dry_shake_seconds": 0, "ice": "cubes"},
    "serve": {"glass": "coupe", "ice": "none", "garnish": ["lime zest"]},
}


def changed(path: str, value: object) -> str:
    """The example as text with one place changed; a path's last step may be new."""
    spec = copy.deepcopy(EXAMPLE)
    *steps, last = [int(step) if step.isdigit() else step for step in path.split("/")]
    place: object = spec
    for step in steps:
        place = place[step]
    place[last] = value
    return json.dumps(spec)


def read(text: str) -> object:
    return drink_from_spec(parse_spec(text), catalogue())


def test_example_of_the_format_is_read_and_foreseen():
    served = forecast_of(read(json.dumps(EXAMPLE))).served
    assert (served.volume_ml, served.abv) == (pytest.approx(159.5, abs=0.05), pytest.approx(15.04, abs=0.005))
    assert (served.sugar, served.acid) == (pytest.approx(8.90, abs=0.005), pytest.approx(0.85, abs=0.005))


INLINE = "pours/1/ingredient/composition"


@pytest.mark.parametrize(
    ("path", "value"),
    [
        ("pours/1/amount", "3/0"),
        ("pours/1/amount", -1),
        ("pours/1/amount", float("nan")),
        ("pours/1/amount", float("inf")),
        ("pours/1/amount", True),
        ("pours/1/amount", None),
        ("pours/0/amount", 10_001),
        ("pours/0/unit", "pint"),
        ("pours/0/unit", "part"),
        ("pours/0/ingredient", "white-rumm"),
        ("pours/0/ingredient", 5),
        ("pours/0/slot", "nose"),
        ("pours/0/stage", "later"),
        ("pours/0/colour", "red"),
        ("pours/2/relative", {"to": 9, "times": 1}),
        ("pours/2/range", [9, 1]),
        ("pours/2/range", [9]),
        (f"{INLINE}/abv", 101),
        (f"{INLINE}/sugars/sucrose", 142),
        (f"{INLINE}/sugars/sucrose", -1),
        (f"{INLINE}/sugars/maltose", 1),
        ("version", 2),
        ("format", "other/spec"),
        ("family", "punch"),
        ("name", ""),
        ("pours", []),
        ("pours", {}),
        ("method", 5),
        ("method/seconds", -3),
        ("method/seconds", float("inf")),
        ("surprise", 1),
    ],
)
def test_wrong_spec_is_refused_with_one_sentence_that_names_the_place(path, value, golden):
    with pytest.raises(SpecError) as refusal:
        read(changed(path, value))
    golden(str(refusal.value))
    assert "\n" not in str(refusal.value)


@pytest.mark.parametrize(
    "text",
    [
        "{",
        "[" * 100_000,
        "9" * 9000,
        "3",
    ],
)
def test_what_is_no_json_object_is_refused(text, golden):
    with golden.raises(SpecError):
        parse_spec(text)


@pytest.mark.parametrize("missing", ["format", "version", "name", "family", "pours"])
def test_missing_key_is_named(missing, golden):
    spec = {key: value for key, value in EXAMPLE.items() if key != missing}
    with golden.raises(SpecError):
        parse_spec(json.dumps(spec))


@pytest.mark.parametrize(
    ("path", "values"),
    [
        ("pours/0/stage", STAGES),
        ("pours/2/unit", [unit for unit in UNITS if unit != "part"]),
        ("pours/0/slot", SLOTS),
        ("pours/1/ingredient/kind", KINDS),
        ("method/technique", TECHNIQUES),
        ("method/ice", ICES),
        ("serve/ice", ICES),
        ("family", FAMILIES),
    ],
)
def test_every_word_of_the_format_is_read(path, values):
    for value in values:
        assert forecast_of(read(changed(path, value))).served.volume_ml > 0, value


def test_word_lists_of_the_file_are_those_of_the_core():
    for literal, names in (
        (spec_file.Kind, KINDS), (spec_file.SlotName, SLOTS), (spec_file.Stage, STAGES), (spec_file.Unit, UNITS),
        (spec_file.Technique, TECHNIQUES), (spec_file.Ice, ICES), (spec_file.FamilyName, FAMILIES),
    ):  # fmt: skip
        assert get_args(literal) == tuple(names)


def test_spec_is_read_back_without_loss_of_what_it_carries():
    rich = copy.deepcopy(EXAMPLE)
    rich |= {"form": "up", "ounce_ml": 29.5735, "part_ml": 30}
    rich["pours"][2] |= {"relative": {"to": 0, "times": 0.375}, "optional": True, "range": [7.5, 22.5]}
    rich["pours"][1]["ingredient"]["composition"]["spread"] = {"acids": {"citric": 0.1}, "density": 0.01}
    spec = parse_spec(json.dumps(rich))
    again = parse_spec(spec.model_dump_json(exclude_unset=True))
    assert again == spec
    assert json.loads(again.model_dump_json(exclude_unset=True)) == rich
    assert [pour.amount for pour in plain_spec(spec).pours] == [60, 0.75, 22.5]


def test_ounce_of_the_file_and_parts_are_used():
    in_parts = json.loads(changed("part_ml", 20)) | {"ounce_ml": 29.5735}
    in_parts["pours"][0] |= {"amount": 3, "unit": "part"}
    spec = parse_spec(json.dumps(in_parts))
    assert [pour.volume_ml for pour in drink_from_spec(spec, catalogue()).pours][:2] == [60, pytest.approx(22.180125)]


@pytest.mark.parametrize("density", [0.8, 1.59, None])
def test_dry_sugar_of_the_file_is_counted_by_its_grams_whatever_its_heap_weighs(density):
    composition = {"sugars": {"sucrose": density * 100}, "density": density} if density else {"sugars": {"sucrose": 161}}
    sugar = {"name": "Raw sugar", "kind": "sugar", "composition": composition}
    spec = json.loads(changed("pours/2/ingredient", sugar))
    spec["pours"][2] |= {"amount": 14, "unit": "g"}
    served = forecast_of(read(json.dumps(spec))).served
    lime = 22.5 * 0.016
    assert served.sugar * served.volume_ml / 100 - lime == pytest.approx(14, rel=0.005)


def test_schools_survive_the_way_to_a_file_and_back():
    for family in families().values():
        for school in family.schools:
            text = spec_from_drink(school.drink).model_dump_json()
            assert drink_from_spec(parse_spec(text), catalogue()) == school.drink


def test_json_schema_is_valid_and_accepts_the_example():
    schema = spec_schema()
    jsonschema.Draft202012Validator.check_schema(schema)
    jsonschema.validate(EXAMPLE, schema)
    with pytest.raises(jsonschema.ValidationError):
        jsonschema.validate(json.loads(changed("surprise", 1)), schema)
