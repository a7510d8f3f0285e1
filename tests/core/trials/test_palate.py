"""Palates: laws of the learning, and 300 simulated tasters (docs/model/trials.md, "What to try next")."""

import numpy as np
import pytest
from support.depth import DEPTH
from support.tasters import tastings

from oenomel.core.trials.palate import WITHIN_STEPS, Palate, Tasted, _log_likelihood, learn, unknown_palate
from oenomel.errors import OutOfRange

TASTERS = 300 if DEPTH == "deep" else 100


@pytest.fixture(scope="module")
def learnt():
    """Errors of the learnt ideal and whether its 80 % interval held the truth, by number of sheets: arrays (tasters, 3)."""
    random = np.random.default_rng(20)
    errors, held = {n: [] for n in (3, 6, 12, 24)}, {n: [] for n in (3, 6, 12, 24)}
    for _ in range(TASTERS):
        ideal, sheets = tastings(random, 24)
        for n in errors:
            palate = learn(sheets[:n])
            errors[n].append(palate.mean - ideal)
            low, high = palate.interval80.T
            held[n].append((low <= ideal) & (ideal <= high))
    return {n: (np.array(errors[n]), np.array(held[n])) for n in errors}


def test_after_twelve_tastings_every_axis_lies_within_a_step_for_nine_of_ten_tasters(learnt):
    for n, (errors, held) in learnt.items():
        within = (np.abs(errors) <= WITHIN_STEPS).all(axis=1).mean()
        straight = np.median(np.linalg.norm(errors, axis=1))
        print(f"{n:2} sheets: {within:.1%} within a step on every axis, {straight:.2f} steps in a straight line, "
              f"intervals hold {held.mean(axis=0).round(2)}")  # fmt: skip
    errors, held = learnt[12]
    assert (np.abs(errors) <= WITHIN_STEPS).all(axis=1).mean() >= 0.90
    assert ((held.mean(axis=0) >= 0.70) & (held.mean(axis=0) <= 0.90)).all()


def test_more_sheets_bring_the_ideal_nearer(learnt):
    distance = [np.median(np.linalg.norm(errors, axis=1)) for errors, _ in learnt.values()]
    assert distance == sorted(distance, reverse=True)


def test_a_plain_taster_is_learnt_in_twelve_tastings_nineteen_times_of_twenty():
    random = np.random.default_rng(21)
    off = []
    for _ in range(TASTERS):
        ideal, sheets = tastings(random, 12, plain=True)
        off.append(np.abs(learn(sheets).mean - ideal).max())
    assert np.mean(np.array(off) <= WITHIN_STEPS) >= 0.95


def test_a_straight_line_through_the_answers_is_biased_where_this_is_not():
    # "Far too strong" can't be exceeded: least squares pull an extreme ideal back to the middle.
    random = np.random.default_rng(22)
    found, line = [], []
    for _ in range(60):
        ideal = np.array([0.0, 0.0, 3.5])
        x = random.normal(0, 1.0, (12, 3))
        felt = x - ideal + random.normal(0, 0.7, x.shape)
        said = (np.sign(felt) * (np.abs(felt)[..., None] > [0.7, 1.7, 2.7]).sum(axis=-1)).astype(int)
        found.append(learn([Tasted(a, tuple(b.tolist())) for a, b in zip(x, said, strict=True)]).mean[2])
        line.append((x[:, 2] - said[:, 2]).mean())
    assert abs(np.mean(found) - 3.5) < abs(np.mean(line) - 3.5)


def test_nothing_tasted_is_the_middle_with_a_wide_doubt():
    palate = learn([])
    assert palate.mean.tolist() == [0, 0, 0]
    assert palate.sd.tolist() == pytest.approx([1.5] * 3)
    assert learn([Tasted(np.zeros(3), (None, None, None))]).sd.tolist() == palate.sd.tolist()


def test_an_axis_of_which_nothing_was_said_keeps_its_doubt():
    palate = learn([Tasted(np.zeros(3), (None, None, 2), str(n)) for n in range(4)])
    assert palate.sd[0] == pytest.approx(1.5, abs=0.05)
    assert palate.mean[0] == pytest.approx(0, abs=1e-6)
    assert palate.sd[2] < 1.0
    assert palate.mean[2] < -1  # too strong where it stands: the ideal is weaker


def test_what_is_said_moves_the_ideal_the_other_way_and_mirrored_sheets_mirror_it():
    one = learn([Tasted(np.array([0.5, -0.3, 0.2]), (2, -1, 1))])
    other = learn([Tasted(np.array([-0.5, 0.3, -0.2]), (-2, 1, -1))])
    assert one.mean == pytest.approx(-other.mean, abs=2e-3)
    assert one.mean[0] < 0 < one.mean[1]


def test_sheets_that_contradict_each_other_widen_the_doubt_and_never_flip_it():
    agreeing = [Tasted(np.zeros(3), (2, 0, 0), str(n)) for n in range(4)]
    flipped = [Tasted(np.zeros(3), (said, 0, 0), str(n)) for n, said in enumerate((2, 2, 2, -2))]
    sure, torn = learn(agreeing), learn(flipped)
    assert torn.sd[0] > sure.sd[0]
    assert sure.mean[0] < torn.mean[0] < 0


def test_chance_within_is_one_at_a_known_ideal_and_falls_with_distance_and_doubt():
    known = Palate(np.zeros(3), 1e-4 * np.eye(3))
    assert known.chance_within([0, 0, 0]) == 1
    assert known.chance_within([0, 0, 1.5]) == 0
    vague = unknown_palate(1.0)
    # Three independent axes within one standard deviation: 0.6827³ = 0.318, by the normal distribution.
    assert vague.chance_within([0, 0, 0]) == pytest.approx(0.318, abs=0.02)
    assert vague.chance_within([0, 0, 0], forecast_sd=0.5) < vague.chance_within([0, 0, 0])


def test_something_said_beyond_the_sheet_is_refused(golden):
    with golden.raises(OutOfRange):
        learn([Tasted(np.zeros(3), (4, 0, 0))])


def test_one_long_evening_never_teaches_as_much_as_several():
    # What an evening shifts is shared by all its sheets: 0.3 steps of doubt stay however many are filled in.
    sheets = [(np.array([x, -x, x / 2]), (int(np.sign(x)), 0, 0)) for x in np.linspace(-2, 2, 24)]
    evening = learn([Tasted(x, said, "one") for x, said in sheets])
    several = learn([Tasted(x, said, str(n // 3)) for n, (x, said) in enumerate(sheets)])
    assert (evening.sd > 0.3).all()
    assert (several.sd < evening.sd).all()
    assert several.mean == pytest.approx(evening.mean)
    assert (evening.sessions, several.sessions) == (1, 8)


@pytest.mark.parametrize("axis", range(3))
@pytest.mark.parametrize("said", [-3, -2, -1, 1, 2, 3])
def test_the_stronger_the_complaint_the_further_the_ideal(axis, said):
    def ideal(word):
        answer = [None, None, None]
        answer[axis] = word
        return learn([Tasted(np.zeros(3), tuple(answer), str(n)) for n in range(3)]).mean[axis]

    assert np.sign(ideal(said)) == -np.sign(said)
    if abs(said) > 1:
        weaker = int(said - np.sign(said))
        assert abs(ideal(said)) > abs(ideal(weaker))


def test_no_answer_is_less_likely_than_a_lapse():
    # House rule: one answer in twenty is a lapse, any of the seven as likely. Ten steps too sweet, and "far too dry" was said.
    one, said_far_too_dry = np.ones((1, 1, 1)), (np.full((1, 1, 1), -np.inf), np.full((1, 1, 1), -2.5))
    chance, _, _ = _log_likelihood(10 * one, *said_far_too_dry, np.array([0.5]), one.astype(bool))
    assert np.exp(chance.item()) == pytest.approx(0.05 / 7, rel=1e-9)
