"""What is said of a tongue, and what changes where its own steps are known: words of difference, palate, the next trial."""

import numpy as np
import pytest
from support.drinks import drink
from support.tasters import tastings

from oenomel.core.balance.perception import USUAL_TONGUE
from oenomel.core.forecast.comparison import compare
from oenomel.core.sensory.blends import ATTRIBUTES
from oenomel.core.sensory.phrases import before_sitting, in_figures, known_steps, sitting_words, threshold_words
from oenomel.core.sensory.thresholds import TriangleAnswer, threshold_of
from oenomel.core.trials.next_trial import Sheet, proposals
from oenomel.core.trials.palate import learn
from oenomel.core.trials.tasting import Verdict

GIN, LEMON = ("london-dry-gin", 60), ("lemon-juice", 22.5)
PARENT, SWEETER = drink(GIN, LEMON, ("simple-syrup-1-1", 22.5)), drink(GIN, LEMON, ("simple-syrup-1-1", 27))
FINE, COARSE = {**USUAL_TONGUE, "sugar": 0.4}, {**USUAL_TONGUE, "sugar": 2.5}


def axis(tongue):
    return next(each for each in compare(SWEETER, PARENT, tongue=tongue).axes if each.axis == "sugar")


def test_a_difference_is_told_in_a_tongues_own_words_and_its_figures_stay(golden):
    usual, fine, coarse = (axis(each) for each in (USUAL_TONGUE, FINE, COARSE))
    golden([each.headline for each in (usual, fine, coarse)])
    assert fine.tasted
    assert not coarse.tasted
    assert usual.steps == fine.steps == coarse.steps
    assert usual.value == fine.value == coarse.value
    assert usual.made_by == fine.made_by
    assert usual == axis(dict(USUAL_TONGUE))
    golden(compare(SWEETER, PARENT, tongue=COARSE).headline.effect)


def test_a_palate_in_own_steps_is_the_same_learning_on_another_ruler():
    _, sheets = tastings(np.random.default_rng(4), 9)
    usual = learn(sheets)
    assert learn(sheets, tongue=dict(USUAL_TONGUE)).mean == pytest.approx(usual.mean)
    # Who feels half as much asks with the same words for twice as far.
    doubled = dict.fromkeys(USUAL_TONGUE, 2.0)
    stretched = [type(each)(2 * each.x, each.said, each.session) for each in sheets]
    wide = learn(stretched, type(usual)(np.zeros(3), 4 * 1.5**2 * np.eye(3)), doubled)
    assert wide.mean == pytest.approx(2 * usual.mean, rel=1e-6)


def test_what_a_coarse_tongue_calls_a_touch_asks_for_more():
    from oenomel.core.larder.catalogue_loader import catalogue

    sheet = Sheet(PARENT, Verdict(sugar=-1, acid=0, abv=0), trial=1)

    def syrup(tongue):
        _, found = proposals([sheet], PARENT, 1, catalogue(), tongue=tongue)
        return next(pour.volume_ml for pour in found[0].drink.pours if pour.ingredient.slug == "simple-syrup-1-1")

    assert 22.5 < syrup(USUAL_TONGUE) < syrup(COARSE)


def test_an_own_step_stands_in_the_usual_ones_place_from_six_triangles_on(golden):
    found = [TriangleAnswer(0.7, right=True)] * 8
    few, enough = threshold_of(found[:5]), threshold_of(found)
    assert known_steps({"sugar": few}) == USUAL_TONGUE
    assert known_steps({"sugar": enough, "smell": enough})["sugar"] == enough.steps < 0.8
    assert set(known_steps({"smell": enough})) == set(USUAL_TONGUE)
    # Who only guesses has no step of his own.
    guesser = threshold_of([TriangleAnswer(4.0, n % 3 == 0) for n in range(24)])
    assert known_steps({"sugar": guesser}) == USUAL_TONGUE
    golden(threshold_words(guesser))


@pytest.mark.parametrize(
    "answers",
    [
        [],
        [(1.0, True)] * 2,
        [(0.5, True)] * 12,
        [(2.5, True), (2.5, True), (2.5, False)] * 7,
        [(1.5, True), (1.0, True), (1.0, False)] * 2,
        [(1.5, True), (1.0, True), (1.0, False)] * 8,
    ],
)
def test_how_fine_a_tongue_is_said_in_a_sentence(answers, golden):
    golden(threshold_words(threshold_of([TriangleAnswer(*each) for each in answers])))


def test_a_step_is_told_in_figures_of_a_drink(golden):
    # 8 g·1.17 = 9.36; 0.85·1.22 = 1.037; 15·1.15 = 17.25 (k of docs/model/sensory.md).
    golden(in_figures("sugar", 1.0))
    golden(in_figures("acid", 1.0))
    golden(in_figures("abv", 1.0))
    assert in_figures("smell", 1.0) == ""


def test_a_tongue_is_told_when_it_is_tired_what_it_drank_and_when_it_knows_enough(golden):
    assert sitting_words(0, 0.0, worth_it=True) == ()
    assert sitting_words(5, 0.0, worth_it=True) == ()
    golden(sitting_words(6, 0.0, worth_it=True)[0])
    golden(sitting_words(12, 0.0, worth_it=True)[0])
    golden(sitting_words(3, 16.0, worth_it=True)[0])
    golden(sitting_words(3, 41.0, worth_it=True)[0])
    golden(sitting_words(3, 0.0, worth_it=False)[0])
    for matter in ATTRIBUTES:
        told = " ".join(before_sitting(matter))
        assert "water" in told
        assert ("Spit" in told) is (matter in ("abv", "smell"))
