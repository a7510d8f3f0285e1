"""Open formats: what is written reads back the same, what people have is read, what holds no recipe is refused in words."""

import json
from importlib import resources
from pathlib import Path

import pytest
from support.sixty_specs import specs as sixty_specs

from oenomel.core.larder.catalogue_loader import Larder, catalogue, read_ingredients
from oenomel.core.larder.ingredient_search import Findable, Index
from oenomel.errors import SpecError
from oenomel.formats.recipe_reader import read_text
from oenomel.formats.recipe_writer import FORMATS, write_as
from oenomel.schemas.spec_file import SpecFile

DEMO = resources.files("oenomel.demo")
LARDER = Larder({**catalogue(), **read_ingredients((DEMO / "ingredients.toml").read_text(encoding="utf-8"), origin="demo")})
NAMES = {slug: each.name for slug, each in LARDER.items()}
INDEX = Index(Findable.of(each) for each in LARDER.values())
HERE = Path(__file__).parent
SPECS = {
    **{
        f"{drink['name']}, {at}": trial["spec"]
        for drink in json.loads((DEMO / "house.json").read_text(encoding="utf-8"))["drinks"]
        for at, trial in enumerate(drink["trials"])
    },
    "glasshouse": json.loads((HERE.parent / "support" / "glasshouse-sour.json").read_text(encoding="utf-8")),
    "full house": json.loads((HERE.parent / "support" / "full_house.json").read_text(encoding="utf-8")),
}
ODD = {
    **SPECS["glasshouse"],
    "name": '=cmd|"odd", <b>name</b>',
    "part_ml": 22.5,
    "pours": [
        {**SPECS["glasshouse"]["pours"][0], "said": '-about; two "fingers"', "optional": True, "lot": "=opened; Monday"},
        {**SPECS["glasshouse"]["pours"][1], "range": [7.5, 22.5]},
        {**SPECS["glasshouse"]["pours"][2], "relative": {"to": 0, "times": 0.3333333333}, "amount": 1, "unit": "part"},
    ],
    "method": {
        "technique": "stir",
        "seconds": [20, 25],
        "dry_shake_seconds": 0,
        "dry_shake": "last",
        "ice": "large",
        "ice_pieces": 3,
        "ice_piece_g": 42.5,
        "strain": "none",
        "sparkling": "both",
        "sign": "silky; cold",
        "order": ["pour: white-rum", "chill"],
        "steps": [{"text": 'Wipe, "dry"; slowly', "before": "top"}, {"text": "", "instead_of": "chill"}],
    },
    "serve": {
        "glass": "up glass",
        "ice": "none",
        "chilled": False,
        "edge": {"half": True, "wetted_with": "honey; water"},
        "note": "-Cold.\nAt once.",
        "garnish": ["lemon zest, expressed", "bay | leaf", {"what": "olive; pitted", "why": "why", "how": "on a pick", "instead": "caper"}],
    },
}


def read(text, **mended):
    return read_text(text, INDEX, LARDER.__getitem__, **mended)


@pytest.mark.parametrize("wanted", FORMATS)
@pytest.mark.parametrize("name", [*SPECS, "odd"])
def test_what_was_written_reads_back_the_same(name, wanted):
    spec = SpecFile.model_validate(ODD if name == "odd" else SPECS[name])
    report = read(write_as(spec, wanted, NAMES, notes="From the old book.\nPage 12."))
    assert report.spec.model_dump() == spec.model_dump()
    assert [line.pour for line in report.lines] == list(range(len(spec.pours)))
    assert all(line.sure for line in report.lines)


@pytest.mark.parametrize("wanted", FORMATS)
def test_forty_drinks_of_all_kinds_lose_nothing_in_any_format(wanted):
    for spec in sixty_specs({slug: each.kind for slug, each in LARDER.items()}):
        assert read(write_as(spec, wanted, NAMES)).spec.model_dump() == spec.model_dump(), spec.name


@pytest.mark.parametrize("wanted", ["markdown", "jsonld"])
def test_what_somebody_changed_in_it_counts_and_not_the_spec_that_went_along(wanted):
    spec = SpecFile.model_validate(SPECS["Hedge Gate Sour, 0"])
    changed = write_as(spec, wanted, NAMES).replace("60 ml London dry gin", "45 ml London dry gin", 1)
    pours = read(changed).spec.pours
    assert [(pour.ingredient, float(pour.amount)) for pour in pours[:2]] == [("london-dry-gin", 45), ("lemon-juice", 22.5)]


def test_the_lines_of_a_written_drink_are_read_by_themselves_with_every_pour_right():
    for name, told in SPECS.items():
        spec = SpecFile.model_validate(told)
        if any(not isinstance(pour.ingredient, str) for pour in spec.pours):
            continue
        text = write_as(spec, "markdown", NAMES).split("<!--")[0]
        pours = read(text).spec.pours
        assert sorted((p.ingredient, float(p.amount), p.unit) for p in pours) == sorted(
            (p.ingredient, round(float(p.amount), 10), p.unit) for p in spec.pours
        ), name


PAGE = """<!DOCTYPE html><html><head><title>x</title>
<script type="application/ld+json">{"@context": "https://schema.org", "@graph": [{"@type": "WebPage"}, {"@type": ["Recipe"],
 "name": "Garden &amp; Gate", "recipeIngredient": ["2 oz gin", "1 oz <b>lime</b> juice", "¾ oz simple syrup"],
 "recipeInstructions": [{"@type": "HowToSection", "itemListElement": [{"@type": "HowToStep", "text": "Shake 12 seconds."},
 {"@type": "HowToStep", "text": "Strain into a coupe."}]}]}]}</script></head><body>much else</body></html>"""
TABLE = "Ingredient;Amount;Unit\nWhite rum;60;ml\nLime juice;22,5;ml\nSimple syrup;3/4;oz\n"


@pytest.mark.parametrize("text", [PAGE, json.dumps(json.loads(PAGE.split('json">')[1].split("</script")[0])), TABLE])
def test_a_saved_page_bare_linked_data_and_somebody_s_table_are_read(text):
    report = read(text)
    assert len(report.spec.pours) == 3
    assert all(line.sure for line in report.lines if line.pour is not None)
    assert (float(report.spec.pours[2].amount), report.spec.pours[2].unit) == (0.75, "oz")
    if text is not TABLE:
        assert (report.spec.name, report.spec.serve.glass, report.spec.method.seconds) == ("Garden & Gate", "coupe", 12)


@pytest.mark.parametrize(
    "text",
    [
        "",
        "   \n\t\n",
        "<html><body>60 ml gin</body></html>",
        "\x89PNG\r\n\x1a\n\x00\x00",
        "\ufffd" * 40,
        "a" * 1_000_000,
        "60 ml gin\n" * 100,
        "words\n" * 300,
        "Only words about a garden",
        "60 ml",
        '{"a": 1}',
        json.dumps({**SPECS["glasshouse"], "version": 2}),
        json.dumps({**SPECS["glasshouse"], "glow": 1}),
        write_as(SpecFile.model_validate(SPECS["glasshouse"]), "json", NAMES).replace("white-rum", "moon-rum"),
        write_as(SpecFile.model_validate(SPECS["full house"]), "csv", NAMES).replace('"ml"', '"pint"'),
    ],
)
def test_what_holds_no_recipe_is_refused_with_a_sentence(text, golden):
    with pytest.raises(SpecError) as refused:
        read(text)
    golden(str(refused.value))


def test_script_in_a_pasted_text_is_text_and_goes_into_the_notes():
    report = read("<script>alert(1)</script>\n60 ml gin\n<img src=x onerror=alert(2)>\n30 ml lemon juice")
    assert "<script>alert(1)</script>" in report.notes
    assert len(report.spec.pours) == 2


def test_seconds_may_be_a_range_of_which_the_middle_counts(golden):
    spec = SpecFile.model_validate(ODD)
    assert (spec.method.seconds, spec.method.middle_seconds) == ([20, 25], 22.5)
    with golden.raises(SpecError):
        read(json.dumps({**ODD, "method": {"seconds": [25, 20]}}))
