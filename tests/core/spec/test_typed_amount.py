"""Amounts in the words of the bar. What a measure is worth is common practice (common practice)."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.measures import is_by_eye
from oenomel.core.spec.typed_amount import parse_typed
from oenomel.core.spec.units import UNITS, Measure
from oenomel.errors import NotAnAmount, OtherIngredient, OutOfRange, UnknownUnit

POURS = [(catalogue()[slug], slot) for slug, slot in (("london-dry-gin", "base"), ("lemon-juice", "sour"), ("simple-syrup-1-1", "sweet"))]


# Text, amount and unit as it has to be taken where millilitres are shown; a trailing ~ says that it is poured by eye, + that the words
# are kept. What a measure is worth is common practice's, or common practice of the trade.
SAID = """
22.5 = 22.5 ml | 22,5 = 22.5 ml | .5 = 0.5 ml | 30ml = 30 ml | 30 mils = 30 ml | 30 mls = 30 ml | 1 mil = 1 ml | 30 millilitres = 30 ml
20 cc = 20 ml | 6cl = 6 cl | 4,5 cl = 4.5 cl | 3 centilitres = 3 cl | 1 dl = 100 ml | 1 litre = 1000 ml | 2 fl oz = 2 oz
1 fl. oz. = 1 oz | 1 1/2 oz = 1.5 oz | 1½ oz = 1.5 oz | 1 ½ ounces = 1.5 oz | 1-1/2 oz = 1.5 oz+ | 0,75 oz = 0.75 oz | 2oz. = 2 oz
⅔ oz = 0.666667 oz | 22 and a half ml = 22.5 ml+ | 22 and a half = 22.5 ml+ | twenty-two and a half = 22.5 ml+ | thirty ml = 30 ml+
fifteen = 15 ml+ | an ounce = 1 oz+ | an ounce and a half = 1.5 oz+ | one and a half ounces = 1.5 oz+ | 1 oz and a half = 1.5 oz+
a barspoon and a half = 1.5 barspoon+ | 2 and 1/4 oz = 2.25 oz+ | half an ounce = 0.5 oz+ | half ounce = 0.5 oz+
quarter ounce = 0.25 oz+ | a quarter of an ounce = 0.25 oz+ | three-quarters of an ounce = 0.75 oz+ | three quarters of an oz = 0.75 oz+
two thirds of a cup = 0.666667 cup+ | 1/2 of an ounce = 0.5 oz+ | ¼ cup = 0.25 cup | 2 tbsp = 2 tbsp | 1 tablespoon = 1 tbsp
2 Tsp. = 2 tsp | a teaspoon = 1 tsp+ | a teaspoonful = 1 tsp+ | 1 barspoon = 1 barspoon | barspoon = 1 barspoon+
a bar spoon = 1 barspoon+ | 2 bsp = 2 barspoon | scant barspoon = 0.8 barspoon+~ | a scant ½ oz = 0.4 oz+~ | about 20 = 20 ml+~
about 20 ml = 20 ml+~ | ~20 ml = 20 ml+~ | roughly an ounce = 1 oz+~ | 20 ml or so = 20 ml+~ | approx. 20 ml = 20 ml+~
exactly 2 oz = 2 oz+ | just under an ounce = 0.9 oz+~ | a bit less than an ounce = 0.9 oz+~
slightly more than 20 ml = 22 ml+~ | barely an ounce = 0.9 oz+~ | 20ish ml = 20 ml+~ | 20-ish = 20 ml+~ | rounded teaspoon = 1.2 tsp+~
a generous ounce = 1.2 oz+~ | level teaspoon = 1 tsp+
1 heaped teaspoon = 1.5 tsp+~ | 2 dashes = 2 dash | two dashes = 2 dash+ | a dash = 1 dash+ | a couple of dashes = 2 dash+
couple dashes = 2 dash+ | a few drops = 3 drop+ | 10 drops = 10 drop | half a dozen drops = 6 drop+ | a dozen leaves = 12 leaf+
7 leaves = 7 leaf | 8 mint leaves = 8 leaf+ | a handful = 10 leaf+~ | a sprig = 1 piece+ | 2 slices = 2 piece | 3 pieces = 3 piece
a pinch = 0.3 g+ | 4 grams = 4 g | 12g = 12 g | a splash = 1 splash+~ | 2 splashes = 2 splash+~ | a splash of soda = 1 splash+~
a touch = 6.5 ml+~ | a rinse = 1.5 ml+ | two sugar cubes = 8 g+ | 1 cube = 4 g+ | half a lime = 11.25 ml+
half a fresh lime = 11.25 ml+ | Juice of one lime = 22.5 ml+ | juice of two lemons = 90 ml+ | 2 limes = 45 ml+
juice of half a lime = 11.25 ml+ | the juice of 1/2 lemon = 22.5 ml+ | 1 egg white = 30 ml+ | an egg white = 30 ml+
2 egg whites = 60 ml+ | the white of an egg = 30 ml+ | 1 whole egg = 48 ml+ | 2 oz of syrup = 2 oz+ | 2 oz simple syrup = 2 oz+
a barspoon of syrup = 1 barspoon+
"""


@pytest.mark.parametrize("line", [each.strip() for row in SAID.strip().splitlines() for each in row.split("|")])
def test_amounts_as_they_are_said(line):
    text, told = (part.strip() for part in line.split(" = "))
    amount, unit = told.rstrip("+~").split()
    said = parse_typed(text, "ml", POURS, 2)
    assert said.spoken == Measure(pytest.approx(float(amount), abs=1e-6), unit)
    assert (said.said, said.asks) == (text if "+" in told else None, "")
    assert is_by_eye(text) == told.endswith("~"), "what nobody measured carries a spread of 20 % (docs/model/balance.md, Uncertainty)"


def test_a_bare_number_is_of_what_is_shown_in_figures_and_in_words():
    for text, amount in (("22", 22), ("two", 2), ("¾", 0.75), ("three quarters", 0.75), ("one and a half", 1.5), ("half", 0.5)):
        assert parse_typed(text, "oz").spoken == Measure(amount, "oz")
        assert parse_typed(text, "dash").spoken == Measure(amount, "dash")
    # Where millilitres are shown a small fraction may as well be of an ounce: it is asked, and nothing is poured before.
    for text, amount in (("three-quarters", 0.75), ("3/4", 0.75), ("one and a half", 1.5)):
        said = parse_typed(text, "ml")
        assert (said.asks, said.choices) == ("which", (Measure(amount, "ml"), Measure(30 * amount, "ml")))
    assert parse_typed("22 and a half", "ml").asks == parse_typed("0.75", "ml").asks == ""


def test_a_part_is_asked_once_and_a_taste_wants_a_range(golden):
    said = parse_typed("2 parts", "ml")
    assert (said.asks, said.spoken, [each.amount for each in said.choices]) == ("part", Measure(2, "part"), [30, 45, 60])
    known = parse_typed("2 parts", "ml", part_ml=22.5)
    assert (known.asks, known.spoken) == ("", Measure(2, "part"))
    assert parse_typed("to taste", "ml").asks == "range"
    assert [each.amount for each in parse_typed("2 jiggers", "ml").choices] == [60, 90, 120]
    golden((Measure(1, "barspoon"), Measure(1, "tbsp")))


@pytest.mark.parametrize(
    ("text", "low", "high", "unit"),
    [
        ("6 or 7", 6, 7, "ml"),
        ("6 or 7 leaves", 6, 7, "leaf"),
        ("6-8 mint leaves", 6, 8, "leaf"),
        ("two to three dashes", 2, 3, "dash"),
        ("one or two", 1, 2, "ml"),
        ("1 to 1½ oz", 1, 1.5, "oz"),
        ("20–25ml", 20, 25, "ml"),
        ("between 20 and 25 ml", 20, 25, "ml"),
        ("from 20 to 25", 20, 25, "ml"),
        ("½–¾ oz", 0.5, 0.75, "oz"),
        ("1 oz to 1 1/2 oz", 1, 1.5, "oz"),
        ("1 or 2 barspoons", 1, 2, "barspoon"),
    ],
)
def test_a_range_keeps_both_its_ends_and_settles_in_its_middle(text, low, high, unit):
    said = parse_typed(text, "ml", [(catalogue()["mint"], "accent")], 0)
    assert said.ends == (Measure(low, unit), Measure(high, unit))
    assert said.spoken == Measure((low + high) / 2, unit)


SHOWN_FRACTIONS = ("", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞")
SHOWN_WORDS = {"dash": "dashes", "splash": "splashes", "drop": "drops", "piece": "pieces", "leaf": "leaves", "part": "parts", "cup": "cups"}


@given(unit=st.sampled_from(UNITS), hundredths=st.integers(1, 1_000_000), eighths=st.integers(1, 640))
def test_reading_what_the_app_shows_gives_the_amount_back(unit, hundredths, eighths):
    # As lib/format.ts shows them: two decimals at most, eighths of an ounce as fractions, and the unit's word beside or behind.
    whole, rest = divmod(eighths, 8)
    shown = [(f"{hundredths / 100:.2f}".rstrip("0").rstrip("."), hundredths / 100)]
    if unit == "oz":
        shown.append((f"{whole or ''}{SHOWN_FRACTIONS[rest]}", eighths / 8))
    for figures, amount in shown:
        word = SHOWN_WORDS.get(unit, unit) if amount != 1 else unit
        for text in (figures, f"{figures} {word}", f"{figures}{word}"):
            assert parse_typed(text, unit, part_ml=30).spoken == Measure(pytest.approx(amount), unit), text


def test_a_jigger_is_asked_and_a_range_settles_in_its_middle():
    assert [choice.amount for choice in parse_typed("a jigger", "ml").choices] == [30, 45, 60]
    said = parse_typed("7.5 to 22.5 ml", "ml")
    assert (said.spoken, said.ends) == (Measure(15, "ml"), (Measure(7.5, "ml"), Measure(22.5, "ml")))
    for text in ("top to the line", "top", "top up", "fill", "to the brim", "top with soda", "fill up with soda water"):
        assert parse_typed(text, "ml", [(catalogue()["soda-water"], "lengthener")], 0).to_the_line


@pytest.mark.parametrize(
    ("text", "follows", "times"),
    [
        ("half the gin", 0, 0.5),
        ("half as much as the gin", 0, 0.5),
        ("half as much gin", 0, 0.5),
        ("half that of the gin", 0, 0.5),
        ("as much as the sour", 1, 1),
        ("same as the lemon juice", 1, 1),
        ("the same as lemon", 1, 1),
        ("twice the lemon", 1, 2),
        ("double the citrus", 1, 2),
        ("1.5 times the lemon", 1, 1.5),
        ("a third of the base", 0, 1 / 3),
        ("two thirds of the spirit", 0, 2 / 3),
    ],
)
def test_a_pour_can_follow_another_one(text, follows, times):
    said = parse_typed(text, "ml", POURS, 2)
    assert (said.follows, said.times) == (follows, pytest.approx(times))


@pytest.mark.parametrize(
    ("text", "error"),
    [
        ("3/0", NotAnAmount),
        ("plenty", NotAnAmount),
        ("half the moon", NotAnAmount),
        ("11 cups of it", NotAnAmount),
        ("2 pints", UnknownUnit),
        ("1,000 ml", NotAnAmount),  # a thousand, or one with three decimals
        ("1 2 3", NotAnAmount),
        ("20 ml or 2 oz", NotAnAmount),
        ("5 to 3 ml", NotAnAmount),
        ("1 to", NotAnAmount),
        ("30 ml heavy", NotAnAmount),  # the beginning of heavy cream, and no heavy 30 ml
        ("a", NotAnAmount),
        ("about", NotAnAmount),
        ("twelve o'clock", NotAnAmount),
        ("60 ml <b>x</b>", NotAnAmount),
        ("1" * 61, NotAnAmount),
        ("2 oz of gin", OtherIngredient),  # this pour is the syrup
        ("-5", OutOfRange),
        ("-5 ml of syrup", OutOfRange),
        ("", NotAnAmount),
    ],
)
def test_what_is_no_amount_is_refused(text, error):
    with pytest.raises(error):
        parse_typed(text, "ml", POURS, 2)
