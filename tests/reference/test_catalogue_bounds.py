"""The catalogue against the regulations and food tables that its classes rest on."""

import csv
import re
from collections import Counter
from pathlib import Path

import pytest

from oenomel.core.larder.catalogue_loader import aromas, catalogue
from oenomel.core.larder.composition import ACIDS, SUGARS
from oenomel.core.larder.ingredient import KINDS, LABELS

LIQUEUR_LEAST_G_PER_L = {  # Regulation (EU) 2019/787, Annex I: cat. 33, 100 g/l; 34, blackcurrant crème, 400; 36, cherry-stone type, 250.
    "blackcurrant-creme": 400,
    "cherry-stone-liqueur": 250,
    "cocoa-creme": 250,
    "mint-creme": 250,
}
SPIRIT_LEAST_ABV = {  # Same, Annex I: rum, gin, vodka, fruit brandy 37.5; whisky 40; wine spirit called brandy 36.
    "white-rum": 37.5, "aged-rum": 37.5, "london-dry-gin": 37.5, "old-style-sweetened-gin": 37.5, "vodka": 37.5, "apple-brandy": 37.5,
    "cane-spirit": 37.5, "overproof-rum": 37.5, "navy-strength-gin": 37.5, "caraway-spirit": 37.5, "grape-spirit": 37.5,
    "pear-spirit": 37.5, "peated-malt-whisky": 40, "malt-gin": 30, "anise-wormwood-spirit": 15,
    "rye-whiskey": 40, "corn-whiskey": 40, "blended-malt-whisky": 40, "grape-brandy": 36,
}  # fmt: skip
SPARKLING_G_PER_L = {  # Delegated Regulation (EU) 2019/33, Annex III.
    "sparkling-brut-nature": (0, 3), "sparkling-extra-brut": (0, 6), "sparkling-brut": (0, 12), "sparkling-extra-dry": (12, 17),
    "sparkling-dry": (17, 32), "sparkling-medium-dry": (32, 50), "sparkling-sweet": (50, 150),
}  # fmt: skip
VERMOUTH_G_PER_L = {
    "dry-vermouth": (0, 50),
    "sweet-vermouth": (130, 200),
    "white-sweet-vermouth": (130, 200),
    "cinchona-aperitif-wine": (90, 130),
}  # Regulation (EU) 251/2014, Annex II.


@pytest.mark.parametrize("slug", [slug for slug, i in catalogue().items() if i.kind == "liqueur"])
def test_liqueur_has_at_least_the_sugar_and_strength_of_its_category(slug):
    composition = catalogue()[slug].composition
    assert composition.sugar * 10 >= LIQUEUR_LEAST_G_PER_L.get(slug, 100)
    assert composition.abv >= 15


@pytest.mark.parametrize(("slug", "least"), SPIRIT_LEAST_ABV.items())
def test_spirit_has_at_least_the_strength_of_its_category(slug, least):
    assert catalogue()[slug].composition.abv >= least


@pytest.mark.parametrize(("slug", "bounds"), {**SPARKLING_G_PER_L, **VERMOUTH_G_PER_L}.items())
def test_wine_lies_inside_its_sweetness_class(slug, bounds):
    composition = catalogue()[slug].composition
    assert bounds[0] <= composition.sugar * 10 < bounds[1]
    assert "sulphites" in catalogue()[slug].allergens


def test_every_sweetness_class_of_sparkling_wine_is_there_and_in_order():
    sugars = [catalogue()[slug].composition.sugar for slug in SPARKLING_G_PER_L]
    assert sugars == sorted(sugars)


# USDA FoodData Central, standard reference rows, per 100 g, read off its tables; densities follow from the weight of its cup or ounce.
USDA_ROWS = list(csv.DictReader((Path(__file__).parent / "usda_rows.csv").read_text(encoding="utf-8").splitlines()))


@pytest.mark.parametrize("row", USDA_ROWS, ids=[row["slug"] for row in USDA_ROWS])
def test_sugar_protein_and_fat_are_those_of_the_food_table_row(row):
    composition, density = catalogue()[row["slug"]].composition, float(row["density_g_per_ml"])
    # 8 % covers the lime, where the published balance table and the food table differ by as much.
    assert composition.sugar == pytest.approx(float(row["sugars"]) * density, rel=0.08)
    for name in ("protein", "fat"):
        if row[name]:
            assert getattr(composition, name) == pytest.approx(float(row[name]) * density, rel=0.02), name


def test_citrus_has_the_acid_of_the_published_table_within_what_other_tables_allow():
    # Arnold (2014, from memory): lemon and lime about 6 %. Penniston et al. (2008, from memory): 4.8 and 4.6 g citric per 100 ml.
    for slug, citric in (("lemon-juice", 4.8), ("lime-juice", 4.58)):
        juice = catalogue()[slug].composition
        assert juice.acid == pytest.approx(6.0, abs=0.05)
        low, high = juice.acid * (1 - 2.5 * juice.relative_sd("acids")), juice.acid * (1 + 2.5 * juice.relative_sd("acids"))
        assert low < citric < high, "the spread has to admit the other table"


# What makes a class what it is, by kind: these figures rest on a regulation, a table, a food row, a published work or a recipe.
CORE_FIGURES = {
    "spirit": ("abv",), "liqueur": ("abv", *SUGARS), "fortified": ("abv", *SUGARS), "aromatised": ("abv", *SUGARS),
    "wine": ("abv", *SUGARS, *ACIDS), "sparkling": ("abv", *SUGARS, *ACIDS), "beer": ("abv",), "juice": (*SUGARS, *ACIDS),
    "vinegar": ("acetic",), "syrup": SUGARS, "honey": SUGARS, "sugar": SUGARS, "egg": ("protein",), "dairy": ("fat", *SUGARS),
}  # fmt: skip
# Verjus is what its maker presses: no table that could be read here tells it.
WITHOUT_A_TABLE = {"verjus"}


def test_strength_sugar_and_acid_of_every_core_class_rest_on_more_than_an_estimate():
    counts: dict[str, Counter[str]] = {"core": Counter(), "beside": Counter(), "labels": Counter()}
    for ingredient in catalogue().values():
        for value in ingredient.values.values():
            core = value.name in CORE_FIGURES.get(ingredient.kind, ()) and ingredient.slug not in WITHOUT_A_TABLE
            counts["labels" if value.name in LABELS else "core" if core else "beside"][value.source_kind] += 1
            place = f"{ingredient.slug}.{value.name}"
            assert value.source, place
            assert not core or value.source_kind != "estimate", f"{place} is a core figure and only an estimate"
            assert len(value.why) >= 10 or value.source_kind == "food table", f"{place} says nothing of how it was come by"
            if value.source_kind == "estimate":
                assert value.relative_sd >= 0.005, f"{place} is an estimate without a spread"
    print({group: dict(count) for group, count in counts.items()})
    assert len(catalogue()) >= 180
    assert {i.kind for i in catalogue().values()} >= set(KINDS) - {"other"}
    assert sum(counts["core"].values()) > sum(counts["beside"].values())


def test_aromatic_ingredients_have_four_tags_of_the_list_and_every_tag_has_its_words():
    # What has no smell of its own worth four words: waters, plain sugar, foams, acids and salt.
    plain = {slug for slug, i in catalogue().items() if not i.aroma}
    faint = {slug for slug, i in catalogue().items() if 0 < len(i.aroma) < 4}
    assert faint == {
        "heavy-cream", "whole-milk", "half-and-half", "butter", "yoghurt", "tonic-water", "salt", "chilli-salt", "celery-salt",
    }  # fmt: skip
    assert plain == {
        "vodka", "simple-syrup-1-1", "simple-syrup-3-2", "simple-syrup-2-1", "gum-syrup", "caster-sugar", "sugar-cube", "egg-white",
        "egg-white-pasteurised", "whole-egg", "egg-yolk", "aquafaba", "soda-water", "still-water", "hot-water", "saline",
        "citric-acid-solution", "malic-acid-solution", "lactic-acid-solution", "tartaric-acid-solution", "acid-phosphate", "glycerine",
        "gum-arabic", "foamer", "high-proof-spirit",
    }  # fmt: skip
    used = {tag for i in catalogue().values() for tag in i.aroma}
    assert len(aromas()) >= 40
    assert len({aroma.group for aroma in aromas().values()}) >= 14
    assert all(len(aroma.words.split()) >= 2 for aroma in aromas().values())
    assert aromas().keys() - used <= {"quince"}, "a tag that nothing carries"


def test_no_class_is_named_like_a_brand():
    # Classes are words of the trade: nothing with a trade mark's sign, a house or a number of years.
    for ingredient in catalogue().values():
        for word in (ingredient.name, *ingredient.also):
            assert not re.search(r"[®™]|\b(no\.|est\.|\d{4})\b", word, re.IGNORECASE), word
