"""Lines of recipes taken apart: no word is lost, amounts may stand first, last or in brackets (common practice of writing)."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.recipe_text.line_parts import bare, has_amount, piece_of, pieces_of, split_sentences, without_top


@pytest.mark.parametrize(
    ("line", "amount", "unit", "words"),
    [
        ("60 ml gin", 60, "ml", "gin"),
        ("gin, 60 ml", 60, "ml", "gin"),
        ("Gin – 60 ml", 60, "ml", "Gin"),
        ("gin (60 ml)", 60, "ml", "gin"),
        ("gin ... 60 ml", 60, "ml", "gin"),
        ("2 oz. London dry gin", 2, "oz", "London dry gin"),
        ("1 1/2 oz rye", 1.5, "oz", "rye"),
        ("22,5 ml lemon juice", 22.5, "ml", "lemon juice"),
        ("¾ oz lime", 0.75, "oz", "lime"),
        ("two dashes of bitters", 2, "dash", "bitters"),
        ("lemon juice -20 ml", 20, "ml", "lemon juice"),
        ("60 ml / 2 oz gin", 60, "ml", "gin"),
        ("6 mint leaves", 6, None, "mint"),
    ],
)
def test_amount_and_ingredient_are_told_apart_wherever_the_amount_stands(line, amount, unit, words):
    piece = piece_of(line)
    assert piece.said is not None
    assert (piece.said.amount, piece.words) == (amount, words)
    assert unit is None or piece.said.unit == unit
    assert has_amount(line)


@pytest.mark.parametrize("line", ["lime juice", "Shake and strain", "for garnish: a lime wheel", "optional", "ice"])
def test_words_without_an_amount_have_none(line):
    assert not has_amount(line)


@pytest.mark.parametrize(
    ("line", "doubted"), [("60 ml / 2 oz gin", False), ("60 ml (2 oz) gin", False), ("60 ml (1 oz) gin", True), ("30 ml / 2 oz gin", True)]
)
def test_a_second_amount_that_disagrees_is_marked(line, doubted):
    assert bool(piece_of(line).doubts) == doubted


@pytest.mark.parametrize(
    ("line", "pieces"),
    [
        ("60 ml gin, 22.5 ml lemon juice; 15 ml honey", 3),
        ("2 oz gin 1 oz dry vermouth", 2),
        ("60 ml gin + 20 ml lime", 2),
        ("22.5 ml lemon juice, strained", 1),
        ("30 ml gin and 30 ml lemon juice", 2),
        ("soda water, to top", 1),
    ],
)
def test_a_line_is_cut_at_each_of_its_amounts(line, pieces):
    assert len(pieces_of(line)) == pieces


@given(st.text("abcdefg 0123456789.,;/|()½-+", max_size=60))
def test_cutting_a_line_loses_no_letter_and_no_figure(line):
    def letters(text):
        return [character for character in text if character.isalnum()]

    assert letters("".join(pieces_of(bare(line)))) == letters(bare(line))


@pytest.mark.parametrize(
    ("text", "count"),
    [
        ("Shake. Strain into a coupe.", 2),
        ("Add 1.5 oz. Gin and shake.", 1),
        ("Add 2 oz. Shake hard.", 2),
        ("Top up! Garnish.", 2),
        ("Stir approx. Thirty seconds", 1),
    ],
)
def test_sentences_end_at_their_points_and_not_within_a_measure(text, count):
    assert len(list(split_sentences(text))) == count


def test_what_is_dripped_on_top_is_found_without_those_words():
    assert without_top("three drops of bitters on the foam") == "three drops of bitters"
    assert without_top("on top") is None
    assert without_top("soda water") is None
