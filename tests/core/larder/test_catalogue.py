"""The catalogue and the demo's larder: whole, consistent, and fit for the families."""

import json
import re
import tomllib
from importlib import resources

import jsonschema
import pytest

from oenomel.core.checks.cautions import cautions
from oenomel.core.families.family import families
from oenomel.core.larder.catalogue_loader import catalogue, read_ingredients
from oenomel.core.larder.composition import estimated_density
from oenomel.core.larder.ingredient import KINDS, LABELS, SLOTS

DEMO = read_ingredients((resources.files("oenomel.demo") / "ingredients.toml").read_text(encoding="utf-8"), origin="demo")
EVERYTHING = {**catalogue(), **DEMO}


@pytest.mark.parametrize("slug", EVERYTHING)
def test_ingredient_is_whole(slug):
    ingredient = EVERYTHING[slug]
    assert re.fullmatch(r"[a-z0-9]+(-[a-z0-9]+)*", slug)
    assert ingredient.kind in KINDS
    assert ingredient.slots
    assert set(ingredient.slots) <= set(SLOTS)
    assert ingredient.impression or slug == "still-water"
    assert ingredient.origin == ("demo" if slug in DEMO else "catalogue")
    for value in ingredient.values.values():
        assert 0 <= value.relative_sd <= 1, value.name
        assert value.value > 0, f"{value.name} is 0: leave it out"


@pytest.mark.parametrize(
    "slug", [slug for slug, i in EVERYTHING.items() if i.composition.density and not i.composition.solid and slug != "salt"]
)
def test_density_agrees_with_sugar_and_alcohol(slug):
    # What else is dissolved (pectin, protein, salt) explains a few per cent; more would be a slip.
    # Grenadine's food row holds glucose syrup besides: 67 g of carbohydrate and 47 g of sugars per 100 g (from memory).
    composition = EVERYTHING[slug].composition
    assert composition.density == pytest.approx(estimated_density(composition), rel=0.10 if slug == "grenadine" else 0.05)


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


def test_each_slot_of_each_family_can_be_filled_from_the_larder():
    for family in families().values():
        for slot in family.slots:
            choices = [i for i in catalogue().values() if slot.slot in i.slots]
            assert len(choices) >= (3 if slot.required else 1), f"{family.slug}: {slot.slot}"


def test_sparkling_is_what_would_burst_a_tin():
    sparkling = {slug for slug, i in catalogue().items() if i.is_sparkling}
    of_kinds = {slug for slug, i in catalogue().items() if i.kind in ("sparkling", "beer", "cider")}
    assert sparkling == of_kinds | {
        "soda-water", "tonic-water", "ginger-beer", "ginger-ale", "cola", "bitter-lemon", "dealcoholised-sparkling", "kombucha",
        "cola-sugar-free", "elderflower-tonic", "grapefruit-soda", "lemon-lime-soda", "orange-soda", "root-beer",
    }  # fmt: skip


def test_schools_pour_the_proportions_of_their_names():
    # Strong : sour : sweet, or strong : liqueur : sour, of the pours in the tin.
    proportions = {
        "sour-2-1-1": (2, 1, 1), "sour-8-3-3": (8, 3, 3), "sour-8-2-1": (8, 2, 1), "sour-4-2-1": (4, 2, 1), "sour-foam": (8, 3, 3),
        "daisy-3-2-1": (3, 2, 1), "daisy-2-1-1": (2, 1, 1), "daisy-with-syrup": (1.5, 0.75, 1), "daisy-equal": (1, 1, 0.5),
        "fizz-soda": (2, 1, 0.75), "fizz-sparkling": (2, 1, 0.75), "fizz-short": (1.5, 0.75, 0.75), "fizz-8-3-3": (8, 3, 3),
        "fizz-4-2-1": (4, 2, 1), "sour-free-2-1-1": (2, 1, 1), "sour-free-tea": (8, 3, 3), "sour-free-tart": (2, 1, 0.75),
        "sour-free-foam": (8, 3, 3), "daisy-free-syrup": (2, 1, 1), "daisy-free-orange": (3, 2, 1),
        "daisy-free-splash": (1.5, 0.75, 0.75), "fizz-free-grapefruit": (1, 2, 0.5), "fizz-free-2-1-1": (2, 1, 1),
        "fizz-free-lemon": (1, 1, 4), "fizz-juice-orange": (3, 8), "fizz-juice-pineapple": (3, 6, 1),
        "fizz-juice-grapefruit": (1, 2, 1 / 6), "fizz-juice-cranberry": (3, 6, 1),
    }  # fmt: skip
    schools = {school.slug: school for family in families().values() for school in family.schools if family.has_home}
    assert schools.keys() == proportions.keys()
    for slug, parts in proportions.items():
        volumes = [pour.volume_ml for pour in schools[slug].drink.pours[:3]]
        assert [v / volumes[0] for v in volumes] == pytest.approx([p / parts[0] for p in parts]), slug
