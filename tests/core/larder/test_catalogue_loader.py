"""The catalogue and the demo's larder: whole, consistent, and fit for the families."""

import json
import tomllib
from importlib import resources

import jsonschema
import pytest

from oenomel.core.checks.cautions import cautions
from oenomel.core.larder.catalogue_loader import catalogue, read_ingredients
from oenomel.core.larder.ingredient import KINDS, LABELS, SLOTS

DEMO = read_ingredients((resources.files("oenomel.demo") / "ingredients.toml").read_text(encoding="utf-8"), origin="demo")
EVERYTHING = {**catalogue(), **DEMO}


@pytest.mark.parametrize(
    "file", ["accents", "garnishes", "juices", "lengtheners", "liqueurs", "spirits", "sweeteners", "textures", "wines", "demo"]
)
def test_larder_file_has_the_shape_of_its_schema(file):
    folder = resources.files("oenomel.core.larder") / "data" / "catalogue"
    path = resources.files("oenomel.demo") / "ingredients.toml" if file == "demo" else folder / f"{file}.toml"
    schema = json.loads((folder / "schema.json").read_text(encoding="utf-8"))
    jsonschema.Draft202012Validator.check_schema(schema)
    tables = tomllib.loads(path.read_text(encoding="utf-8"))
    assert [error.message for error in jsonschema.Draft202012Validator(schema).iter_errors(tables)] == []
    # The schema knows the lists of the code, and no others.
    known = schema["$defs"]["ingredient"]["properties"]
    assert (tuple(known["kind"]["enum"]), tuple(known["slots"]["items"]["enum"])) == (KINDS, SLOTS)
    assert set(known["cautions"]["items"]["enum"]) >= {caution.caution for caution in cautions() if caution.caution}
    wrong = {"Not a slug": {"name": "x"}}
    assert len(list(jsonschema.Draft202012Validator(schema).iter_errors(wrong))) == 3


def test_house_numbers_of_the_demo_are_marked_as_invented():
    assert {value.source_kind for i in DEMO.values() for value in i.values.values()} == {"invented", "estimate"}
    assert {value.source_kind for i in DEMO.values() for name, value in i.values.items() if name not in LABELS} == {"invented"}
    assert not DEMO.keys() & catalogue().keys()


@pytest.mark.parametrize(
    ("allergen", "slugs"),
    [
        ("egg", "egg-white egg-white-pasteurised whole-egg egg-yolk egg-liqueur"),
        ("milk", "heavy-cream whole-milk half-and-half condensed-milk yoghurt butter vanilla-ice-cream irish-cream hot-chocolate"),
        (
            "tree nuts",
            "almond-syrup almond-liqueur spiced-lime-liqueur almond-drink almond-extract falernum-syrup hazelnut-liqueur"
            " hazelnut-syrup noyaux-creme nuts-crushed walnut-bitters walnut-liqueur",
        ),
        ("gluten", "pale-lager wheat-beer ipa stout sour-beer alcohol-free-beer oat-cream oat-drink soy-sauce worcestershire-sauce"),
        ("soya", "soya-drink soy-sauce"),
        ("celery", "celery-bitters celery-juice celery-salt celery-stalk"),
        ("sesame", "sesame"),
        ("fish", "worcestershire-sauce"),
    ],
)
def test_allergens_are_named_where_they_are(allergen, slugs):
    # Regulation (EU) 1169/2011, Annex II: eggs, milk, nuts; sulphites are tested with the wines.
    assert {slug for slug, i in EVERYTHING.items() if allergen in i.allergens} == set(slugs.split())


def test_sparkling_is_what_would_burst_a_tin():
    sparkling = {slug for slug, i in catalogue().items() if i.is_sparkling}
    of_kinds = {slug for slug, i in catalogue().items() if i.kind in ("sparkling", "beer", "cider")}
    assert sparkling == of_kinds | {
        "soda-water", "tonic-water", "ginger-beer", "ginger-ale", "cola", "bitter-lemon", "dealcoholised-sparkling", "kombucha",
        "cola-sugar-free", "elderflower-tonic", "grapefruit-soda", "lemon-lime-soda", "orange-soda", "root-beer",
    }  # fmt: skip
