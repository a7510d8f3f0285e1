"""Triangle tests against what is published and usual of them: chance, critical numbers, and jugs worked out by hand.

Sources: ISO 4120 (Sensory analysis, triangle test), its table of the least number of correct answers, and the binomial distribution behind
it; both from memory, the table worked out again here from the distribution. Just noticeable differences: Schutz & Pilgrim, Am. J. Psychol.
70 (1957) 41, from memory (docs/model/balance.md, "Can it be tasted?"). Volumes and counts of a sitting: common practice of panels.
"""

import math
import random

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.sensory.blends import choices, jugs_for, needs
from oenomel.core.sensory.phrases import known_steps, sitting_words
from oenomel.core.sensory.thresholds import TriangleAnswer, threshold_of
from oenomel.core.sensory.triangle import RemainingVolumes, next_triangle, poured

# Of n triangles the least number found that chance gives less than one time in twenty (ISO 4120, table A.1, from memory).
CRITICAL = {6: 5, 12: 8, 18: 10, 24: 13, 30: 15, 36: 18}

LARDER = catalogue()


def by_chance(many: int, least: int) -> float:
    """How likely somebody who tastes nothing finds so many or more."""
    return sum(math.comb(many, n) * (1 / 3) ** n * (2 / 3) ** (many - n) for n in range(least, many + 1))


@pytest.mark.parametrize(("many", "least"), CRITICAL.items())
def test_the_published_table_is_that_of_the_binomial_distribution(many, least):
    assert by_chance(many, least) <= 0.05 < by_chance(many, least - 1)


@pytest.mark.parametrize(("many", "least"), [(24, 13), (30, 15), (36, 18)])
def test_who_finds_what_the_table_asks_for_is_no_guesser_and_who_finds_what_chance_gives_may_be_one(many, least):
    # At a distance where a tongue that wants twice the usual step finds two of three.
    def guessed(found: int) -> float:
        return threshold_of([TriangleAnswer(3.0, n < found) for n in range(many)]).guesses

    assert guessed(least + 2) < 0.05
    assert guessed(round(many / 3)) > 0.5
    counts = [guessed(found) for found in range(many // 3, many + 1)]
    assert counts == sorted(counts, reverse=True)


def test_a_tongue_of_the_published_steps_is_the_usual_one():
    # Who is right half of what can be told at 17 % more sugar is the taster of Schutz & Pilgrim: his own step is one.
    draw = random.Random(8)
    answers = []
    for steps in [0.5, 0.8, 1.0, 1.3, 1.6, 2.0, 2.6] * 40:
        tells = 1 - math.exp(-math.log(2) * steps**2)
        answers.append(TriangleAnswer(steps, draw.random() < 1 / 3 + 2 / 3 * 0.96 * tells))
    known = threshold_of(answers)
    assert known.steps == pytest.approx(1.0, abs=0.15)
    low, high = known.interval80
    assert low < 1.05
    assert high > 0.95


def test_jugs_for_sweetness_worked_out_by_hand():
    # Six triangles by the jigger, of lemon (2.59 g sugar, 6.0 g acid) and simple syrup (61.48 g): 20 ml glasses, two jugs of 230 ml.
    # LESS: 30 ml lemon, 20 ml syrup: (0.777 + 12.296)/230 = 5.68 g sugar, 1.8/230 = 0.783 g acid in 100 ml.
    # MORE: 30 ml lemon, 40 ml syrup: (0.777 + 24.592)/230 = 11.03 g sugar. ln(11.03/5.684)/ln 1.17 = 4.22 steps.
    jugs = jugs_for("sugar", {"sour": LARDER["lemon-juice"], "sweet": LARDER["simple-syrup-1-1"]}, LARDER["still-water"], 6)
    assert {pour.ingredient.slug: pour.volume_ml for pour in jugs.less.pours} == {
        "lemon-juice": 30.0, "simple-syrup-1-1": 20.0, "still-water": 180.0,
    }  # fmt: skip
    assert {pour.ingredient.slug: pour.volume_ml for pour in jugs.more.pours} == {
        "lemon-juice": 30.0, "simple-syrup-1-1": 40.0, "still-water": 160.0,
    }  # fmt: skip
    assert jugs.less.level[1] == pytest.approx(5.684, abs=0.001)
    assert jugs.more.level[1] == pytest.approx(11.030, abs=0.001)
    assert jugs.less.level[2] == jugs.more.level[2] == pytest.approx(0.7826, abs=0.0001)
    assert jugs.distances()[-1].steps == pytest.approx(math.log(11.030 / 5.684) / math.log(1.17), abs=0.002)
    # A quarter of MORE in LESS: 5.684 + 5.346/4 = 7.02 g; ln(7.02/5.684)/ln 1.17 = 1.345 steps.
    quarter = next(each for each in jugs.distances() if (each.less_parts, each.more_parts) == (0, 2))
    assert quarter.steps == pytest.approx(1.345, abs=0.002)


def test_a_first_triangle_lies_between_the_usual_step_and_twice_of_it():
    # Common practice: one begins with a difference that most tell, and comes nearer from there.
    for matter in ("sugar", "acid", "abv", "smell"):
        bottles = {job: choices(matter, job, LARDER, set())[0] for job in needs(matter)}
        jugs = jugs_for(matter, bottles, LARDER["still-water"], 6)
        first = next_triangle(jugs, threshold_of([]), RemainingVolumes(jugs.less.volume_ml, jugs.more.volume_ml), random.Random(2))
        assert 1.0 <= first.steps <= 2.0
        # Three glasses of a sip or two: a panel's usual 15 to 30 ml.
        assert all(15 <= line.each_ml <= 30 for line in poured(jugs, first))


def test_who_finds_all_is_asked_nearer_and_who_finds_none_farther_off():
    jugs = jugs_for("sugar", {"sour": LARDER["lemon-juice"], "sweet": LARDER["simple-syrup-1-1"]}, LARDER["still-water"], 24)
    left = RemainingVolumes(jugs.less.volume_ml, jugs.more.volume_ml)

    def asked(*, right: bool) -> list[float]:
        answers, steps = [], []
        for n in range(8):
            steps.append(next_triangle(jugs, threshold_of(answers), left, random.Random(n)).steps)
            answers.append(TriangleAnswer(steps[-1], right))
        return steps

    nearer, farther = asked(right=True), asked(right=False)
    assert nearer[-1] < 0.7 * nearer[0]
    assert farther[3] > 1.2 * farther[0]


@pytest.mark.parametrize(("alpha", "words"), [(0.5, "more sensitive"), (2.2, "less sensitive")])
def test_twenty_four_triangles_tell_a_fine_tongue_from_a_coarse_one(alpha, words):
    from oenomel.core.sensory.phrases import threshold_words

    jugs = jugs_for("acid", {"sour": LARDER["lemon-juice"], "sweet": LARDER["simple-syrup-1-1"]}, LARDER["still-water"], 40)
    left, draw, answers = RemainingVolumes(jugs.less.volume_ml, jugs.more.volume_ml), random.Random(17), []
    for _ in range(24):
        steps = next_triangle(jugs, threshold_of(answers), left, draw).steps
        tells = 1 - math.exp(-math.log(2) * (steps / alpha) ** 2)
        answers.append(TriangleAnswer(steps, draw.random() < 1 / 3 + 2 / 3 * 0.96 * tells))
    known = threshold_of(answers)
    assert words in threshold_words(known)
    assert known_steps({"acid": known})["acid"] == pytest.approx(alpha, rel=0.45)


def test_after_a_dozen_a_panel_rests():
    # Common practice of panels: some ten to fifteen samples of a sharp or strong thing a sitting.
    assert not any("tire" in each for each in sitting_words(10, 0.0, worth_it=True))
    assert any("tire" in each for each in sitting_words(14, 0.0, worth_it=True))
