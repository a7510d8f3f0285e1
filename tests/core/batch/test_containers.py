"""Containers and cold: what fits, how it is said, and how long it takes; laws over all sizes."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.batch.containers import (
    HEADSPACE,
    PLACES,
    USUAL_ML,
    checked_container,
    chilling,
    container_for,
    fit_of,
    serves_words,
    span_words,
    usable_ml,
)
from oenomel.errors import DomainError, OutOfRange

MOST = usable_ml(USUAL_ML[-1])


@given(total=st.floats(1, 60_000))
def test_the_container_that_is_told_holds_it_and_the_next_smaller_one_does_not(total):
    found = container_for(total)
    assert total <= usable_ml(found) + 1e-6
    smaller = [each for each in USUAL_ML if each < found]
    if total <= MOST and smaller:
        assert total > usable_ml(smaller[-1])


@given(total=st.floats(10, 20_000), serves=st.floats(1, 500), container=st.sampled_from(USUAL_ML))
def test_a_batch_either_fits_or_is_told_with_the_one_that_would(total, serves, container):
    fit = fit_of(total, serves, container)
    assert fit.usable_ml == pytest.approx(container * (1 - HEADSPACE))
    assert fit.fits == (total <= fit.usable_ml + 1e-6)
    # The batch that would fill it is as large in proportion as it is.
    assert fit.serves / serves == pytest.approx(fit.usable_ml / total)
    assert fit.words.endswith(".")
    again = fit_of(total * fit.serves / serves, fit.serves, container)
    assert again.fits or again.usable_ml == pytest.approx(total * fit.serves / serves)


@pytest.mark.parametrize("container", [0, -5, 1e9, float("nan"), float("inf")])
def test_a_container_that_can_not_be_is_refused(container):
    with pytest.raises(OutOfRange, match="container"):
        checked_container(container)


@pytest.mark.parametrize(
    "serves",
    [
        0.2,
        1,
        1.2,
        2.05,
        4.5,
        7.8,
        40,
    ],
)
def test_serves_are_said_as_one_says_them(serves, golden):
    golden(serves_words(serves))


@pytest.mark.parametrize(
    ("minutes", "words"), [(1, "5 minutes"), (22, "20 minutes"), (57, "1 hour"), (75, "1¼ hours"), (105, "1¾ hours"), (240, "4 hours")]
)
def test_a_time_is_said_to_what_one_sets_a_clock_by(minutes, words):
    assert span_words(minutes) == words


@given(small=st.floats(200, 4000), times=st.floats(1.1, 5), where=st.sampled_from(["fridge", "freezer", "ice bath"]))
def test_more_takes_longer_and_a_colder_place_is_sooner_there(small, times, where):
    def minutes(ml, place=where, to_c=8.0, from_c=22.0):
        return chilling(ml, 3.9 * ml, place, from_c, to_c).minutes

    assert minutes(small * times) > minutes(small)
    # A lump of the same shape gives its heat off by its surface: time grows with the cube root.
    assert minutes(small * times) / minutes(small) == pytest.approx(times ** (1 / 3), rel=1e-6)
    assert minutes(small, to_c=6) > minutes(small, to_c=10)
    assert minutes(small, from_c=30) > minutes(small, from_c=20)
    assert minutes(small, "freezer") < minutes(small, "fridge")
    told = chilling(small, 3.9 * small, where, 22, 8)
    assert told.soonest < told.minutes < told.latest


def test_what_is_cold_already_waits_for_nothing_and_no_place_cools_below_itself(golden):
    assert chilling(700, 2700, "fridge", 4, 8).minutes == 0
    for place in ("fridge", "ice bath", "room"):
        with golden.raises(DomainError):
            chilling(700, 2700, place, 25, PLACES[place].celsius - 1)
