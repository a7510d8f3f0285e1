"""Correcting a batch by taste or by reading: what to add, and how much moves it by half a step."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.bottled_sours import BOTTLE, level

from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.batch.corrections import corrections, wanted_steps
from oenomel.core.spec.drink import Pour
from oenomel.errors import DomainError, OutOfRange


@given(axis=st.sampled_from(sorted(AXES)), said=st.sampled_from([-2, -1, 1, 2]))
def test_what_is_added_moves_the_axis_by_what_the_tongue_asked_for(axis, said):
    for found in corrections(BOTTLE, axis, wanted_steps(said), grid_ml=1):
        after = [*BOTTLE, *(Pour(each.ingredient, each.ml) for each in found.additions)]
        steps = float(steps_between(level(after, axis), level(BOTTLE, axis), AXES[axis]))
        assert steps == pytest.approx(wanted_steps(said), abs=0.08)
        assert found.moves[axis] == pytest.approx(steps, abs=1e-9)
        # Half a step of it, poured, is half a step.
        share = found.half_step_ml / found.ml
        half = [*BOTTLE, *(Pour(each.ingredient, each.ml * share) for each in found.additions)]
        assert abs(float(steps_between(level(half, axis), level(BOTTLE, axis), AXES[axis]))) == pytest.approx(0.5, abs=0.05)


def test_corrections_are_what_a_bartender_would_pour(golden):
    # Common practice: the drink's own syrup sweetens, its own juice sharpens, water weakens; sugar and acid can't be taken out again.
    def poured(axis, said):
        return [each.ingredient.slug for each in corrections(BOTTLE, axis, wanted_steps(said))[0].additions]

    assert poured("sugar", -1) == ["simple-syrup-1-1"]
    assert poured("acid", -1) == ["lime-juice"]
    assert poured("abv", 1) == ["still-water"]
    assert poured("abv", -1) == ["london-dry-gin"]
    assert "simple-syrup-1-1" not in poured("sugar", 1)
    assert "lime-juice" not in poured("acid", 1)
    sweeter = corrections(BOTTLE, "sugar", wanted_steps(-1))[0]
    golden(sweeter.words)
    assert corrections(BOTTLE, "sugar", 0.0) == ()
    with golden.raises(DomainError):
        corrections(BOTTLE, "abv", wanted_steps(3))
    with pytest.raises(OutOfRange):
        wanted_steps(4)
