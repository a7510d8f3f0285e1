"""What a house brings to the search: its book, its shelf and lots, what wants using up, what it thinks and learnt of kinship."""

import shutil
from contextlib import closing
from datetime import UTC, datetime, timedelta

import pytest

from oenomel.core.families.family import families
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.errors import DomainError, SpecError
from oenomel.schemas.requests.originals_requests import WishEntry, wish_entry, wish_from, wish_of_brief
from oenomel.schemas.requests.tasting_requests import BriefEntry
from oenomel.services.originals_inputs import book_of, kinship_of, wants_using_up
from oenomel.store import database, drinks, lots, originals
from oenomel.store.lots import LotRecord


@pytest.fixture
def conn(tmp_path, empty_file):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    with closing(database.connect(tmp_path / "bar.db")) as conn:
        yield conn


@pytest.fixture
def demo(tmp_path, demo_file):
    shutil.copyfile(demo_file, tmp_path / "demo.db")
    with closing(database.connect(tmp_path / "demo.db")) as conn:
        yield conn


def test_the_book_is_each_drink_as_it_is_last_written_and_of_a_flight_each_of_its_glasses(demo):
    book = book_of(demo)
    names = dict(drinks.names(demo))
    assert [each.name for each in book] == [names[each.id] for each in book]
    assert len(book) == len(names)
    latest = drinks.latest_trials(demo, names)
    originals.mark(demo, 7, WishEntry(family="sour").model_dump_json())
    again = [each for each in book_of(demo) if each.id == 7]
    assert len(again) == latest[7].number > 1


def lot(slug: str, hours: float) -> LotRecord:
    made = (datetime.now(UTC) - timedelta(hours=hours)).isoformat(timespec="seconds")
    return LotRecord(slug, f"{slug} of {hours}", made)


@pytest.mark.parametrize(
    ("slug", "hours", "soon"),
    # Lime juice is the day's, twelve hours; thyme syrup keeps a fortnight (the catalogue's own days).
    [("lime-juice", 2, False), ("lime-juice", 7, True), ("thyme-syrup", 24, False), ("thyme-syrup", 24 * 8, True)],
)
def test_what_has_stood_for_half_of_its_time_wants_using_up(conn, slug, hours, soon):
    lots.add(conn, lot(slug, hours))
    assert (slug in wants_using_up(conn)) is soon


def test_the_houses_kinship_lies_over_what_ships(conn):
    assert kinship_of(conn).own == {}
    originals.put_kinship(conn, "wood", "citrus", 0.9)
    assert kinship_of(conn).value(frozenset({"citrus", "wood"})) == 0.9
    originals.put_kinship(conn, "citrus", "wood", 0.2)
    assert kinship_of(conn).own == {frozenset({"citrus", "wood"}): 0.2}
    originals.put_kinship(conn, "citrus", "citrus", 0.4)
    originals.remove_kinship(conn, "wood", "citrus")
    assert kinship_of(conn).own == {frozenset({"citrus"}): 0.4}
    originals.remove_kinship(conn)
    assert kinship_of(conn).own == {}


def known(word):
    return catalogue().get(word)


@pytest.mark.parametrize(
    ("words", "meant"),
    [
        (["nuts"], ("tree nuts",)),
        (["Eggs", "dairy"], ("egg", "milk")),
        (["alcohol", "vodka"], ("alcohol", "vodka")),
        (["spirit"], ("spirit",)),
    ],
)
def test_what_guests_leave_out_is_understood_in_their_words(words, meant):
    assert wish_from(WishEntry(family="sour", without=words), known).without == meant


def test_a_word_that_means_nothing_is_refused_with_its_place(golden):
    with golden.raises(SpecError):
        wish_from(WishEntry(family="sour", may=["mint", "dew"]), known)
    with pytest.raises(SpecError, match="colour"):
        wish_entry({"family": "sour", "colour": "x" * 40})
    with pytest.raises(DomainError, match="family"):
        wish_entry({"family": "punch"})


@pytest.mark.parametrize("family", [*families()])
def test_a_brief_becomes_a_wish_of_its_drinks_family(family):
    brief = BriefEntry(avoid=["egg"], most_abv=12, sweetness="in the middle", colour="pale, almost clear", most_cost=2.5)
    wish = wish_of_brief(brief, family)
    assert wish.family == ("sour" if family == "open" else family)
    assert (wish.without, wish.abv, wish.sweetness, wish.colour, wish.most_cost) == (["egg"], [0, 12], "", "pale", 2.5)
    assert wish_of_brief(BriefEntry(), family).abv is None


def test_a_wish_is_what_was_asked_and_the_rest_is_usual(golden):
    wish = wish_from(WishEntry(family="fizz", abv=[8, 12], aroma=["Floral", "floral"], count=5, seed=9), known, off=[0.5, 0, -1])
    assert (wish.family, wish.abv, wish.aroma, wish.count, wish.seed, wish.off) == ("fizz", (8, 12), ("floral",), 5, 9, (0.5, 0.0, -1.0))
    assert wish.ingredients == (3, 6)
    assert wish.pool is None
    golden([called for called, _ in wish.dropped()])
    assert wish.structure.abv is None
    assert wish.structure.seed == 9
