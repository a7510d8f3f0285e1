"""Servers that go away, answers that get lost, windows that are closed, two windows: nothing that was done is lost or made twice."""

import json
import re
import sqlite3
import time
from contextlib import closing, contextmanager
from urllib.request import urlopen

import pytest
from playwright.sync_api import expect
from support import labels
from support.bench_page import amount, ready

GIN, HONEY = "London dry gin", "Hedgerow honey syrup"
SAVED = re.compile("draft saved")
BACK = labels.WHAT_WASNT_SAVED_WHEN_THIS_PAGE_WAS_LEFT_LIE


def saved(page):
    expect(page.get_by_text(SAVED)).to_be_visible()


def drink(server, number=1):
    with urlopen(f"{server.url}/api/drinks/{number}") as answer:
        return json.load(answer)


def poured(server, pour=0, number=1):
    return drink(server, number)["draft"]["spec"]["pours"][pour]["amount"]


def four_presses(page, name=GIN):
    """The server is gone, and somebody goes on working."""
    for _ in range(4):
        page.get_by_role("button", name=labels.MORE_OF.format(name)).click()
    expect(page.get_by_text(labels.NOT_SAVED_YET_TRYING)).to_be_visible()


@contextmanager
def answers_lost(page, path, method):
    """Answers to the first such write get lost on the way: the server has made it."""
    lost = []

    def lose(route):
        if route.request.method != method or lost:
            route.continue_()
            return
        lost.append(route.fetch().status)
        route.abort("connectionreset")

    page.route(path, lose)
    yield lost
    if not page.is_closed():
        page.unroute(path)


def test_it_tells_quietly_that_it_tries_and_saves_by_itself(page, server):
    ready(page, f"{server.url}/bench/1")
    figures = page.get_by_test_id("sugar-now").inner_text()
    server.kill()
    four_presses(page, HONEY)
    expect(page.get_by_role("status").filter(has_text=labels.NO_ANSWER_TRYING)).to_be_visible()
    assert page.get_by_test_id("sugar-now").inner_text() == figures
    expect(page.get_by_text(labels.THE_FIGURES_ARE_THOSE_FROM_BEFORE)).to_be_visible()
    expect(page.get_by_text(re.compile(labels.FAILED_TO_FETCH_DRAFT_IS_SAVED))).to_have_count(0)
    server.start()
    saved(page)
    expect(page.get_by_role("status").filter(has_text=labels.NO_ANSWER_TRYING)).to_have_count(0)
    assert poured(server, 2) == 22.5
    expect(page.get_by_test_id("sugar-now")).not_to_have_text(figures)


def test_a_room_whose_script_cannot_come_opens_by_itself_and_the_drink_is_there_afterwards(page, server):
    ready(page, f"{server.url}/bench/1")
    server.kill()
    four_presses(page)
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.INGREDIENTS).click()
    expect(page.get_by_text(labels.THIS_PAGE_OPENS_BY_ITSELF)).to_be_visible()
    expect(page.get_by_text(re.compile(labels.IS_SAVED))).to_have_count(0)
    server.start()
    expect(page.get_by_role("heading", name=labels.ALL_INGREDIENTS)).to_be_visible()
    page.goto(f"{server.url}/bench/1")
    expect(amount(page, GIN)).to_have_value("70")
    saved(page)
    assert poured(server) == 70


@pytest.mark.deep
def test_by_the_book_and_back_the_work_goes_on(page, server):
    ready(page, f"{server.url}/bench/1")
    server.kill()
    four_presses(page)
    page.get_by_role("link", name=labels.RECIPES, exact=True).click()
    expect(page.get_by_text(labels.THIS_PAGE_OPENS_BY_ITSELF)).to_be_visible()
    page.get_by_role("button", name=labels.BACK_TO_WHERE_YOU_WERE).click()
    expect(amount(page, GIN)).to_have_value("70")
    page.get_by_role("link", name=labels.RECIPES, exact=True).click()
    server.start()
    page.get_by_role("link", name=re.compile("Hedge Gate Sour")).click()
    expect(amount(page, GIN)).to_have_value("70")
    saved(page)
    assert poured(server) == 70


def test_a_reload_while_the_server_is_away_loses_nothing(page, server):
    ready(page, f"{server.url}/bench/1")
    server.kill()
    four_presses(page)
    with pytest.raises(Exception, match="ERR_CONNECTION_REFUSED"):
        page.reload()
    server.start()
    page.goto(f"{server.url}/bench/1")
    expect(page.get_by_text(BACK)).to_be_visible()
    expect(amount(page, GIN)).to_have_value("70")
    saved(page)
    page.get_by_role("button", name=labels.TAKE_IT_BACK).click()
    expect(amount(page, GIN)).to_have_value("60")


def test_a_window_that_is_closed_leaves_its_work_to_the_next(page, server, context):
    ready(page, f"{server.url}/bench/1")
    server.kill()
    four_presses(page)
    page.close()
    server.start()
    other = context.new_page()
    other.goto(f"{server.url}/bench/1")
    expect(other.get_by_text(BACK)).to_be_visible()
    expect(amount(other, GIN)).to_have_value("70")
    saved(other)
    assert poured(server) == 70
    # It is told once.
    other.reload()
    expect(amount(other, GIN)).to_have_value("70")
    expect(other.get_by_text(BACK)).to_have_count(0)


@pytest.mark.deep
def test_what_another_window_overtook_is_offered_and_taken_over_by_nothing(page, server, context):
    ready(page, f"{server.url}/bench/1")
    other = context.new_page()
    ready(other, f"{server.url}/bench/1")
    other.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
    saved(other)
    page.get_by_role("button", name=labels.MORE_OF.format(HONEY)).click()
    expect(page.get_by_text(labels.CHANGED_IN_ANOTHER_WINDOW)).to_be_visible()
    # Away and back, closed and opened: it is still here, and the other's still there.
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.INGREDIENTS).click()
    page.get_by_role("link", name=labels.STOCK).click()
    expect(page.get_by_role("heading", name=labels.STOCK)).to_be_visible()
    page.close()
    third = context.new_page()
    third.goto(f"{server.url}/bench/1")
    expect(third.get_by_text(labels.WAS_NEVER_SAVED)).to_be_visible()
    expect(amount(third, GIN)).to_have_value("62.5")
    expect(amount(third, HONEY)).to_have_value("12.5")
    third.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
    expect(amount(third, GIN)).to_have_value("60")
    expect(amount(third, HONEY)).to_have_value("15")
    saved(third)
    third.get_by_role("button", name=labels.UNDO, exact=True).click()
    expect(amount(third, GIN)).to_have_value("62.5")


@pytest.mark.deep
def test_what_is_here_is_kept_when_the_server_goes_away_in_a_conflict(page, server, context):
    ready(page, f"{server.url}/bench/1")
    other = context.new_page()
    ready(other, f"{server.url}/bench/1")
    other.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
    saved(other)
    other.close()
    page.get_by_role("button", name=labels.MORE_OF.format(HONEY)).click()
    expect(page.get_by_text(labels.CHANGED_IN_ANOTHER_WINDOW)).to_be_visible()
    server.kill()
    page.get_by_role("button", name=labels.KEEP_WHAT_IS_HERE).click()
    expect(page.get_by_text(labels.CHOOSE_AGAIN_WHEN_IT_DOES)).to_be_visible()
    server.start()
    page.get_by_role("button", name=labels.KEEP_WHAT_IS_HERE).click()
    saved(page)
    assert (poured(server, 0), poured(server, 2)) == (60, 15)


@pytest.mark.deep
def test_an_amount_that_is_being_typed_counts_without_enter(page, server, context):
    ready(page, f"{server.url}/bench/1")
    server.kill()
    amount(page, GIN).fill("2 1/2 oz")
    page.close()
    server.start()
    other = context.new_page()
    other.goto(f"{server.url}/bench/1")
    expect(other.get_by_text(BACK)).to_be_visible()
    expect(amount(other, GIN)).to_have_value("75")
    other.wait_for_timeout(300)
    saved(other)
    pour = drink(server)["draft"]["spec"]["pours"][0]
    assert (pour["amount"], pour["unit"]) == (2.5, "oz")


def test_an_amount_that_is_being_typed_is_read_when_the_server_is_back(page, server):
    ready(page, f"{server.url}/bench/1")
    server.kill()
    amount(page, GIN).fill("47.5")
    amount(page, HONEY).click()
    server.start()
    expect(amount(page, GIN)).to_have_value("47.5")
    saved(page)
    assert poured(server) == 47.5


@pytest.mark.deep
def test_a_save_whose_answer_got_lost_is_no_conflict(page, server):
    ready(page, f"{server.url}/bench/1")
    with answers_lost(page, "**/api/drinks/1/draft", "PUT") as lost:
        page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
        page.wait_for_timeout(600)
        page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
        expect(amount(page, GIN)).to_have_value("65")
        saved(page)
    assert lost == [200]
    expect(page.get_by_text(labels.CHANGED_IN_ANOTHER_WINDOW)).to_have_count(0)
    assert poured(server) == 65


@pytest.mark.deep
def test_a_save_whose_answer_got_lost_with_its_window_is_no_conflict_either(page, server, context):
    ready(page, f"{server.url}/bench/1")
    with answers_lost(page, "**/api/drinks/1/draft", "PUT") as lost:
        page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
        expect(page.get_by_text(labels.NOT_SAVED_YET_TRYING).or_(page.get_by_text(labels.SAVING))).to_be_visible()
        deadline = time.monotonic() + 10
        while not lost and time.monotonic() < deadline:
            page.wait_for_timeout(20)
        page.close()
    other = context.new_page()
    other.goto(f"{server.url}/bench/1")
    expect(amount(other, GIN)).to_have_value("62.5")
    saved(other)
    other.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
    saved(other)
    expect(other.get_by_text(re.compile(labels.ANOTHER_WINDOW_NEVER_SAVED))).to_have_count(0)
    assert poured(server) == 65


def test_keep_it_makes_one_trial_though_its_answer_got_lost(page, server):
    ready(page, f"{server.url}/bench/1")
    before = len(drink(server)["trials"])
    page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
    saved(page)
    page.keyboard.press("k")
    page.get_by_label(labels.NAME, exact=True).fill("A longer pour")
    with answers_lost(page, "**/api/drinks/1/trials*", labels.POST) as lost:
        page.get_by_role("button", name=labels.SAVE, exact=True).click()
        expect(page.get_by_role("dialog")).to_have_count(0)
    assert lost == [201]
    trials = drink(server)["trials"]
    assert [each["name"] for each in trials[before:]] == ["A longer pour"]
    page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
    saved(page)


@pytest.mark.deep
def test_keeping_goes_on_while_one_works_on_and_nothing_crosses(page, server):
    ready(page, f"{server.url}/bench/1")
    before = len(drink(server)["trials"])
    server.kill()
    page.keyboard.press("k")
    page.get_by_label(labels.NAME, exact=True).fill("Kept in the dark")
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_text(labels.IT_IS_KEPT_AS_SOON_AS_IT_DOES)).to_be_visible()
    page.get_by_role("button", name=labels.CANCEL).click()
    page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
    server.start()
    expect(page.get_by_label(labels.A_RIFF_ON)).to_contain_text("Kept in the dark")
    saved(page)
    now = drink(server)
    assert [(each["name"], each["spec"]["pours"][0]["amount"]) for each in now["trials"][before:]] == [("Kept in the dark", 60)]
    assert (now["draft"]["spec"]["pours"][0]["amount"], now["draft"]["parent_trial_id"]) == (62.5, now["trials"][-1]["id"])
    expect(page.get_by_text(labels.CHANGED_IN_ANOTHER_WINDOW)).to_have_count(0)


@pytest.mark.deep
def test_a_drink_is_started_once_though_its_answer_got_lost(page, server):
    page.goto(f"{server.url}/book")
    page.get_by_label(labels.NAME, exact=True).fill("Fern House Sour")
    with answers_lost(page, "**/api/drinks", labels.POST) as lost:
        page.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
        expect(page.get_by_role("heading", name="Fern House Sour")).to_be_visible()
    assert lost == [201]
    with urlopen(f"{server.url}/api/drinks?q=Fern+House") as answer:
        assert len(json.load(answer)) == 1


@pytest.mark.deep
def test_a_script_that_got_lost_once_is_fetched_again(page, server):
    page.goto(f"{server.url}/book")
    expect(page.get_by_role("heading", name=labels.RECIPES_LIST)).to_be_visible()
    lost = []

    def lose(route):
        lost.append(route.request.url)
        if len(lost) == 1:
            route.abort()
        else:
            route.continue_()

    page.route("**/assets/tree-*.js", lose)
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.RECIPES).click()
    page.get_by_role("link", name=labels.FAMILY_TREE).click()
    expect(page.get_by_role("heading", name=labels.FAMILY_TREE)).to_be_visible()
    assert len(lost) == 2


@pytest.mark.deep
def test_the_book_s_search_leaves_the_page_as_it_is_while_there_is_no_answer(page, server):
    page.goto(f"{server.url}/book")
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_be_visible()
    server.kill()
    page.get_by_label(labels.SEARCH_RECIPES).fill("medlar")
    expect(page.get_by_role("status").filter(has_text=labels.NO_ANSWER_TRYING)).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_be_visible()
    expect(page.get_by_label(labels.SEARCH_RECIPES)).to_have_value("medlar")
    server.start()
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_have_count(0)
    expect(page.get_by_role("link", name=re.compile(labels.MEDLAR))).to_be_visible()


def unkept(page, server, number):
    """A drink whose bench holds what is kept as no trial."""
    ready(page, f"{server.url}/bench/{number}")
    with page.expect_response(lambda answer: answer.request.method == "PUT"):
        page.locator("input[data-amount]").first.fill("51")
        page.locator("input[data-amount]").first.press("Enter")
    saved(page)


@pytest.mark.deep
def test_a_proposal_takes_the_place_of_what_is_not_kept_only_when_told_to(page, server):
    unkept(page, server, 7)
    before = len(drink(server, 7)["trials"])
    page.goto(f"{server.url}/trials/7")
    page.get_by_role("button", name=re.compile(labels.LAY_IT_ON_THE_BENCH_2)).first.click()
    asked = page.get_by_role("alert").filter(has_text=labels.NOT_KEPT_AS_A_TRIAL_YET)
    expect(asked).to_be_visible()
    assert poured(server, 0, 7) == 51
    asked.get_by_role("button", name=labels.KEEP_IT_AS_A_TRIAL_FIRST).click()
    expect(page).to_have_url(re.compile("/bench/7$"))
    kept = drink(server, 7)["trials"][before:]
    assert [(each["name"], each["spec"]["pours"][0]["amount"]) for each in kept] == [(labels.AS_IT_LAY_ON_THE_BENCH, 51)]


@pytest.mark.deep
def test_a_start_from_somebody_s_spec_can_be_left_or_undone(page, server):
    unkept(page, server, 7)
    page.goto(f"{server.url}/specs/7")
    start = page.get_by_role("button", name=re.compile(labels.START_FROM_IT)).first
    start.click()
    page.get_by_role("button", name=labels.CANCEL).click()
    assert poured(server, 0, 7) == 51
    start.click()
    page.get_by_role("button", name=labels.REPLACE_IT).click()
    expect(page).to_have_url(re.compile("/bench/7$"))
    first = page.locator("input[data-amount]").first
    expect(first).not_to_have_value("51")
    page.get_by_role("button", name=labels.UNDO, exact=True).click()
    expect(first).to_have_value("51")
    saved(page)
    assert poured(server, 0, 7) == 51


@pytest.mark.deep
def test_a_locked_file_is_told_and_saved_once_it_is_free(page, server):
    ready(page, f"{server.url}/bench/1")
    with closing(sqlite3.connect(server.data, isolation_level=None)) as another:
        another.execute(labels.BEGIN_IMMEDIATE)
        page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
        expect(page.get_by_role("alert")).to_contain_text(labels.IN_USE_BY_ANOTHER_PROGRAM)
        expect(page.get_by_text(labels.NOT_SAVED_YET_TRYING)).to_be_visible()
        another.execute(labels.ROLLBACK)
    saved(page)
    assert poured(server) == 62.5


def test_a_file_that_was_taken_away_is_told_and_nothing_is_lost_when_it_is_back(page, server, tmp_path):
    ready(page, f"{server.url}/bench/1")
    away = tmp_path / "away"
    away.mkdir()
    for part in sorted(tmp_path.glob("demo.db*")):
        part.rename(away / part.name)
    page.get_by_role("button", name=labels.MORE_OF.format(GIN)).click()
    expect(page.get_by_role("alert").filter(has_text=labels.IS_GONE)).to_be_visible()
    assert not server.data.exists()
    for part in sorted(away.iterdir()):
        part.rename(tmp_path / part.name)
    saved(page)
    assert poured(server) == 62.5


def test_what_does_not_belong_in_the_browser_s_store_breaks_nothing(page, server):
    page.goto(f"{server.url}/book")
    page.evaluate(
        """() => {
          for (const [place, junk] of Object.entries({
            'oenomel.flight.7': '{"glasses": [{"sheet": 3}]}', 'oenomel.making.7': '[1, 2]', 'oenomel.unsaved.7.x': '{"draft": {}}',
            'oenomel.settings': '{"aim": "x", "board": null, "supposed": [], "shown": 4, "devices": "none"}', 'oenomel.theme': '<b>',
          })) localStorage.setItem(place, junk);
        }"""
    )
    for path, heading in (("/taste/7", labels.TASTING), ("/bench/7", "Medlar"), ("/trials/7", "Medlar"), ("/shelf", labels.STOCK)):
        page.goto(f"{server.url}{path}")
        expect(page.get_by_role("heading", name=re.compile(heading)).first).to_be_visible()
    page.goto(f"{server.url}/taste/7")
    expect(page.get_by_role("button", name=labels.WHO_TASTES).first).to_be_visible()


@pytest.mark.deep
def test_long_words_do_not_move_the_page_sideways_on_a_phone(page, server):
    word = "Donaudampfschifffahrtselektrizitätenhaupt42"
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/book")
    page.get_by_label(labels.NAME, exact=True).fill(word)
    page.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
    expect(page.get_by_role("heading", name=word)).to_be_visible()
    number = page.url.rpartition("/")[2]
    page.keyboard.press("k")
    page.get_by_label(labels.NAME, exact=True).fill(word)
    page.get_by_label(labels.WHY_IT_WAS_CHANGED).fill(word)
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    for path in (
        "/book",
        f"/bench/{number}",
        f"/bench/{number}/trials/2",
        f"/trials/{number}",
        f"/taste/{number}",
        "/tree",
        f"/specs/{number}",
    ):
        page.goto(f"{server.url}{path}")
        expect(page.get_by_text(word).first).to_be_attached()
        wide = page.evaluate("document.documentElement.scrollWidth")
        assert wide <= 390, path


def test_a_book_of_many_drinks_shows_them_all(page, server):
    with closing(sqlite3.connect(server.data)) as conn:
        spec, forecast = conn.execute("SELECT spec, forecast FROM trial WHERE drink_id = 1").fetchone()
        for number in range(229):
            added = conn.execute(
                "INSERT INTO drink (name, family, origin, created_at) VALUES (?, 'sour', 'house', '2026-11-01')", (f"Row {number:03}",)
            )
            conn.execute(
                "INSERT INTO trial (drink_id, number, name, reason, spec, forecast, kept_at) VALUES (?, 1, 'First', '', ?, ?, '2026')",
                (added.lastrowid, spec, forecast),
            )
        conn.commit()
    page.goto(f"{server.url}/book")
    expect(page.get_by_text(labels.N_60_OF_240_DRINKS_THE_NEWEST_FIRST)).to_be_visible()
    expect(page.get_by_role("link", name=re.compile(labels.ROW_228))).to_be_visible()
    more = page.get_by_role("button", name=labels.SHOW_OLDER_ONES)
    for shown in (120, 180):
        more.click()
        expect(page.get_by_text(labels.OF_240_DRINKS.format(shown))).to_be_visible()
    more.click()
    expect(page.get_by_text(labels.N_240_DRINKS_THE_NEWEST_FIRST)).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile(labels.ROW))).to_have_count(229)
