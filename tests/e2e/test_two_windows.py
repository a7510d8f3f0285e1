"""Two windows over one house, and windows that are closed while the server is away: nothing is overwritten or lost in silence."""

import json
import sqlite3
from contextlib import closing
from datetime import UTC, datetime, timedelta
from urllib.request import Request, urlopen

import pytest
from playwright.sync_api import expect
from support import labels
from support.bench_page import settled
from support.waiting import until

TWENTY = 20
WAITING = "Object.keys(localStorage).filter((each) => each.startsWith('oenomel.outbox.')).length"


def told(server, path):
    with urlopen(f"{server.url}/api/{path}") as answer:
        return json.load(answer)


def tell(server, method, path, body):
    request = Request(f"{server.url}/api/{path}", json.dumps(body).encode(), {"content-type": "application/json"}, method=method)
    with urlopen(request) as answer:
        return json.load(answer)


@pytest.fixture
def evening(page, server):
    """The evening of the demo in a window, its first drink, and how many serves of that are told."""
    page.goto(f"{server.url}/tonight")
    region = page.get_by_role("region", name=labels.THE_EVENING)
    first = told(server, "evening")["evening"]["drinks"][0]
    name = next(each["name"] for each in told(server, "drinks") if each["id"] == first["drink_id"])
    return region, name, first


def test_twenty_quick_presses_count_while_another_window_tells_something_else(page, server, evening):
    region, name, first = evening
    hands = told(server, "evening")["evening"]["hands"]
    press = region.get_by_role("button", name=labels.SERVES_OF_ONE_MORE.format(name))
    for number in range(TWENTY):
        press.click()
        if number == 3:
            tell(server, "PATCH", "evening", {"what": "hands", "to": hands + 2, "was": hands})
    expect(region.get_by_label(labels.SERVES_OF.format(name), exact=True)).to_have_value(str(first["serves"] + TWENTY))
    expect(region.get_by_label(labels.PAIRS_OF_HANDS, exact=True)).to_have_value(str(hands + 2))
    page.reload()
    expect(region.get_by_label(labels.SERVES_OF.format(name), exact=True)).to_have_value(str(first["serves"] + TWENTY))
    until(lambda: told(server, "evening")["evening"]["hands"] == hands + 2)


def test_an_hour_that_was_typed_stays_when_the_next_control_is_pressed(page, server, evening):
    region, name, first = evening
    later = (datetime.now(UTC) + timedelta(days=3)).astimezone().replace(hour=21, minute=30)
    region.get_by_label(labels.THE_FIRST_GUEST_COMES).fill(f"{later:%Y-%m-%dT%H:%M}")
    region.get_by_role("button", name=labels.SERVES_OF_ONE_MORE.format(name)).click()
    expect(page.get_by_role("status").filter(has_text="21:30")).to_be_visible()
    kept = told(server, "evening")["evening"]
    assert datetime.fromisoformat(kept["at"]).astimezone().hour == 21
    until(lambda: told(server, "evening")["evening"]["drinks"][0]["serves"] == first["serves"] + 1)


def test_what_was_changed_elsewhere_is_kept_beside_mine_until_one_is_chosen(page, server, evening):
    region, name, first = evening
    for number, choice in enumerate((labels.TAKE_THE_OTHER, labels.PUT_MINE_IN_ITS_PLACE)):
        there = 200 + 50 * number
        now = told(server, "evening")["evening"]["drinks"][0]["serves"]
        shown = region.get_by_label(labels.SERVES_OF.format(name), exact=True)
        expect(shown).to_have_value(str(now))
        settled(page)
        tell(server, "PATCH", "evening", {"what": "serves", "drink_id": first["drink_id"], "to": there, "was": now})
        region.get_by_role("button", name=labels.SERVES_OF_ONE_MORE.format(name)).click()
        expect(region.get_by_role("alert")).to_contain_text(str(there))
        region.get_by_role("button", name=choice).click()
        expect(shown).to_have_value(str(there if choice == labels.TAKE_THE_OTHER else now + 1))
        expect(region.get_by_role("alert")).to_have_count(0)


def test_an_evening_is_taken_off_at_the_second_press_and_put_back(page, server, evening):
    region, _, _ = evening
    before = told(server, "evening")["evening"]
    region.get_by_role("button", name=labels.BEGIN_ANOTHER_EVENING).click()
    assert told(server, "evening")["evening"] == before
    region.get_by_role("button", name=labels.PRESS_AGAIN_THIS_ONE_GOES).click()
    region.get_by_role("button", name=labels.PUT_BACK.format(before["name"])).click()
    expect(region.get_by_role("button", name=labels.BEGIN_ANOTHER_EVENING)).to_be_visible()
    until(lambda: told(server, "evening")["evening"] == before)


def test_two_windows_of_a_lot_a_preparation_and_notes(page, server, context):
    other = context.new_page()
    lot = f"{server.url}/lots/1"
    for each in (page, other):
        each.goto(lot)
    left = [each.get_by_label(labels.LEFT_ML) for each in (page, other)]
    left[0].fill("111")
    left[0].press("Enter")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(left[1]).not_to_have_value("111")
    left[1].fill("99")
    left[1].press("Enter")
    expect(other.get_by_role("alert")).to_contain_text("111")
    other.get_by_role("button", name=labels.PUT_MINE_IN_ITS_PLACE).click()
    expect(other.get_by_role("alert")).to_have_count(0)
    until(lambda: told(server, "lots/1")["left_ml"] == 99)

    made = f"{server.url}/stillroom/rhubarb-syrup"
    for number, each in enumerate((page, other)):
        each.goto(made)
        each.get_by_label(labels.NAME, exact=True).fill(f"Rhubarb syrup {number}")
    page.get_by_role("button", name=labels.SAVE).click()
    expect(page.get_by_role("button", name=labels.WRITTEN_DOWN)).to_be_visible()
    other.get_by_role("button", name=labels.SAVE).click()
    expect(other.get_by_role("alert")).to_be_visible()
    assert told(server, "preparations/rhubarb-syrup")["file"]["name"] == "Rhubarb syrup 0"
    other.get_by_role("button", name=labels.TAKE_THE_OTHER).click()
    expect(other.get_by_label(labels.NAME, exact=True)).to_have_value("Rhubarb syrup 0")
    other.close()


def test_what_is_done_while_the_server_is_away_is_written_by_the_next_window(page, server, context):
    page.goto(f"{server.url}/tonight")
    task = page.get_by_role("list", name=labels.TASKS).get_by_role("checkbox").first
    expect(task).not_to_be_checked()
    server.kill()
    task.check()
    page.get_by_role("region", name=labels.THE_EVENING).get_by_role("button", name=labels.PAIRS_OF_HANDS_ONE_MORE).click()
    expect(page.get_by_text(labels.NO_ANSWER_TRYING).first).to_be_attached()
    until(lambda: page.evaluate(WAITING) == 2)
    page.close()
    server.start()
    hands = told(server, "evening")["evening"]["hands"]
    window = context.new_page()
    window.goto(f"{server.url}/book")
    expect(window.get_by_role("status").filter(has_text=labels.TWO_THINGS_ARE_WRITTEN_NOW)).to_be_visible()
    assert told(server, "evening")["evening"]["hands"] == hands + 1
    assert any(each["done"] for each in told(server, "evening")["tasks"])
    assert window.evaluate(WAITING) == 0


def test_what_can_not_be_read_is_told_shown_and_taken_out(page, server):
    with closing(sqlite3.connect(server.data)) as conn:
        conn.execute("PRAGMA ignore_check_constraints = ON")
        conn.execute("UPDATE batch SET contents = '[]' WHERE id = 2")
        conn.commit()
    page.goto(f"{server.url}/batches")
    page.get_by_role("button", name=labels.LOOK_AT_IT).click()
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_role("listitem")).to_have_count(1)
    dialog.get_by_role("button", name=labels.DELETE).click()
    expect(dialog).to_have_count(0)
    until(lambda: told(server, "unreadable") == [])


def test_another_address_of_this_machine_is_told_once(page, server):
    with closing(sqlite3.connect(server.data)) as conn:
        conn.execute("INSERT INTO opened_at VALUES ('http://localhost:8000', ?)", (datetime.now(UTC).isoformat(timespec="seconds"),))
        conn.commit()
    page.goto(f"{server.url}/book")
    notice = page.get_by_role("status").filter(has_text="http://localhost:8000")
    expect(notice).to_be_visible()
    page.get_by_role("button", name=labels.NOTHING_WAITS).click()
    page.reload()
    expect(page.get_by_role("heading", level=1).first).to_be_visible()
    expect(notice).to_have_count(0)


@pytest.mark.parametrize("view", ["lots", "lots/1", "stillroom", "batches", "larder", "shelf", "tonight", "book"])
def test_one_word_of_two_hundred_letters_widens_no_page(page, server, view):
    word = "x" * 199
    with closing(sqlite3.connect(server.data)) as conn:
        conn.execute("UPDATE lot SET name = ? WHERE id = 1", (word,))
        conn.execute("UPDATE batch SET name = ? WHERE id = 1", (word,))
        conn.execute("UPDATE ingredient SET name = ? WHERE slug IN ('lime-juice', 'rhubarb-syrup')", (word,))
        conn.execute("UPDATE drink SET name = ? WHERE id IN (1, 9)", (word,))
        conn.commit()
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/{view}")
    expect(page.get_by_role("heading", level=1).first).to_be_visible()
    settled(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
