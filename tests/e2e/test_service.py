"""A batch for Saturday and the evening worked backwards: too small a bottle, the one that fits, made, tasted, labelled, planned, ticked."""

import re

import pytest
from icalendar import Calendar
from playwright.sync_api import expect

pytestmark = pytest.mark.slow


def test_a_batch_is_made_for_a_bottle_that_fits_tasted_labelled_and_poured_from(page, server, violations):
    page.goto(f"{server.url}/bench/9")
    # From the drink in one press.
    page.get_by_role("button", name="Mix a batch of it").click()
    expect(page.get_by_role("heading", name="Cloche Fizz, a batch")).to_be_visible()
    page.get_by_role("button", name="750 ml").click()
    told = page.get_by_role("alert")
    expect(told).to_contain_text("don't go into 750 ml")
    assert violations() == []
    told.get_by_role("button", name="Make what fits").click()
    expect(told).to_have_count(0)
    order = page.get_by_role("list", name="Order of pouring").get_by_role("listitem")
    expect(order.first).to_contain_text("White rum")
    expect(order.last).to_contain_text("Taste it over ice first.")
    # The address tells the batch: reloaded it is the same, and a step back is the bottle that was too small.
    page.reload()
    expect(page.get_by_label("Serves", exact=True)).to_have_value("")
    page.go_back()
    expect(told).to_be_visible()
    told.get_by_role("button", name="Take a larger one").click()
    expect(told).to_have_count(0)
    expect(page.get_by_label("Serves", exact=True)).to_have_value("12")
    order.first.get_by_role("checkbox").check()
    serve = page.get_by_role("region", name="One serve")
    expect(serve).to_contain_text("Pour 119 ml over cubes into a tall glass.")
    expect(serve.get_by_role("row", name="Strong")).to_contain_text("9.8")
    # Shaken to order it has no water of its own; with bubbles it is told what bursts.
    page.get_by_role("button", name="Shaken to order").click()
    expect(page.get_by_role("list", name="Order of pouring")).not_to_contain_text("Water")
    page.get_by_role("button", name="With bubbles").click()
    expect(page.get_by_text("an ordinary bottle bursts")).to_be_visible()
    page.get_by_role("button", name="Over ice").click()
    page.get_by_role("button", name="One more").click()
    expect(page.get_by_role("heading", name=re.compile(r"13 serves$"))).to_be_visible()

    made = page.get_by_role("region", name="Made")
    made.get_by_label("What is written on it").fill("Saturday, bottle one")
    made.get_by_label("Made by").fill("Wren")
    # Of the water that waited nothing was wanted: noted as it was.
    made.get_by_text("Poured otherwise than told").click()
    waited = made.get_by_label("Really poured of Water, after tasting, in ml")
    expect(waited).to_have_value("125")
    waited.fill("0")
    waited.press("Enter")
    made.get_by_role("button", name="It is made").click()
    expect(page.get_by_role("heading", name="Saturday, bottle one")).to_be_visible()
    assert violations() == []
    left = page.get_by_role("region", name="What is left")
    expect(left).to_contain_text("1425 of 1425 ml")
    expect(left.get_by_role("status")).to_contain_text("13 serves")
    taste = page.get_by_role("region", name="Taste and correct")
    taste.get_by_role("group", name="sugar").get_by_role("button", name="a touch dry").click()
    expect(taste.get_by_role("status")).to_contain_text("of rhubarb syrup is half a step in this bottle")
    taste.get_by_role("button", name=re.compile("^Added .* Rhubarb syrup")).first.click()
    expect(taste.get_by_role("status")).to_contain_text("It is in the bottle")
    expect(page.get_by_role("region", name="What happened")).to_contain_text("rhubarb syrup added: to make it sweeter")
    # By the refractometer: alcohol pulls it up, and that is said.
    taste.get_by_text("Or read it").click()
    taste.get_by_label("What was read of the bottle").fill("9,5")
    taste.get_by_label("What was read of the bottle").press("Enter")
    expect(taste.get_by_role("status")).to_contain_text("A refractometer reads alcohol as sugar")
    left.get_by_role("button", name="Pour 5").click()
    expect(left.get_by_role("status")).to_contain_text("8 serves")

    page.get_by_role("link", name="Its label").click()
    label = page.get_by_role("article", name="Label")
    for words in ("Cloche Fizz", "Saturday, bottle one", "by Wren", "Use by", "over cubes into a tall glass", "top each serve with 50 ml"):
        expect(label).to_contain_text(words)
    assert violations() == []
    # A second bottle of the name is refused in a sentence, and nothing typed is lost.
    page.goto(f"{server.url}/batch/9?service=ice&serves=4")
    made.get_by_label("What is written on it").fill("Saturday, bottle one")
    made.get_by_role("button", name="It is made").click()
    expect(made.get_by_role("alert")).to_contain_text("two bottles of one name get mixed up")
    expect(made.get_by_label("What is written on it")).to_have_value("Saturday, bottle one")
    page.get_by_label("Serves", exact=True).fill("0")
    page.get_by_label("Serves", exact=True).press("Enter")
    expect(page.get_by_role("region", name="Into the bottle").get_by_role("alert")).to_contain_text("The number of serves is 0")


def test_the_cask_shows_whose_share_is_in_it_and_the_rest_of_a_bottle_is_used_up(page, server, violations):
    page.goto(f"{server.url}/book")
    page.get_by_role("button", name="Rooms").click()
    page.get_by_role("link", name=re.compile("^Batches")).click()
    expect(page.get_by_role("link", name=re.compile("second filling"))).to_contain_text("5 serves")
    page.get_by_label("Those used up too").check()
    expect(page.get_by_role("link", name=re.compile("first filling"))).to_have_count(2)
    assert violations() == []
    page.get_by_role("link", name=re.compile("^5|second filling")).first.click()
    descent = page.get_by_role("region", name="Line of descent")
    expect(descent.get_by_role("listitem")).to_have_count(2)
    expect(descent).to_contain_text("20 %")
    expect(descent).to_contain_text("What wood does isn’t foreseen")
    page.get_by_role("link", name="Potting Bench", exact=True).click()
    page.get_by_text("Use a bottle up").click()
    page.get_by_role("button", name=re.compile("1 whole, 700 ml")).click()
    expect(page.get_by_role("list", name="Order of pouring").get_by_role("listitem").first).to_contain_text("700")
    page.get_by_role("region", name="Made").get_by_text("On what was left of an older one").click()
    page.get_by_label("Which older batch").select_option(label="Potting Bench, second filling")
    expect(page.get_by_label(re.compile("How much of it stayed"))).to_have_value("644")
    page.get_by_role("button", name="It is made").click()
    expect(page.get_by_role("region", name="Line of descent").get_by_role("listitem")).to_have_count(3)


def test_the_evening_is_planned_backwards_ticked_and_taken_along(page, server, violations):
    page.goto(f"{server.url}/today")
    page.get_by_role("link", name="Tonight").click()
    expect(page.get_by_role("status")).to_contain_text("36 serves at 17:00")
    assert violations() == []
    tasks = page.get_by_role("list", name="Tasks").get_by_role("listitem")
    first = tasks.first
    words = first.inner_text()
    first.get_by_role("checkbox").check()
    expect(page.get_by_role("status")).to_contain_text("still to be done")
    page.get_by_role("region", name="To buy").get_by_role("checkbox").first.check()
    # What is ticked stays ticked when the evening changes, and when it is opened again.
    page.get_by_role("button", name="Pairs of hands: one less").click()
    expect(page.get_by_text("What hands do")).to_be_visible()
    page.get_by_role("button", name="Serves of Cloche Fizz: one more").click()
    expect(page.get_by_role("status")).to_contain_text("37 serves")
    page.reload()
    expect(tasks.filter(has_text=words.splitlines()[1]).get_by_role("checkbox").first).to_be_checked()
    page.get_by_label("How it is made").first.select_option(label="batch: up, from the freezer")
    page.get_by_label("Another drink").select_option(label="Hedge Gate Sour")
    expect(page.get_by_role("status")).to_contain_text("47 serves")
    with page.expect_download() as download:
        page.get_by_role("button", name="Calendar").click()
    text = download.value.path().read_text(encoding="utf-8")
    assert len(Calendar.from_ical(text).walk("VEVENT")) == tasks.count()
    with page.expect_download() as download:
        page.get_by_role("button", name="List as text").click()
    assert "To buy" in download.value.path().read_text(encoding="utf-8")
    # On paper: the tasks and what is taken, none of the controls.
    page.emulate_media(media="print")
    expect(page.get_by_label("Pairs of hands", exact=True)).to_be_hidden()
    expect(tasks.first).to_be_visible()
    page.emulate_media(media="screen")
    page.get_by_role("button", name="Begin another evening").click()
    expect(page.get_by_text("An evening is worked backwards from its hour")).to_be_visible()
    page.get_by_label("Another drink").select_option(label="Cloche Fizz")
    expect(page.get_by_role("status")).to_contain_text("10 serves")
    # An hour that has passed is refused, with what to do.
    page.get_by_label("The first guest comes").fill("2020-01-01T19:00")
    page.get_by_label("The first guest comes").blur()
    expect(page.get_by_role("alert")).to_contain_text("That hour has passed")


@pytest.mark.parametrize("width", [390, 820])
def test_batch_and_tonight_fit_a_phone_and_a_tablet(page, server, violations, width):
    page.set_viewport_size({"width": width, "height": 844})
    for path, words in (
        ("/batch/9?service=ice&serves=12&container=750", "don't go into"),
        ("/tonight", "36 serves"),
        ("/batches/2", "5 serves"),
    ):
        page.goto(f"{server.url}{path}")
        expect(page.get_by_text(words).first).to_be_visible()
        assert page.evaluate("document.documentElement.scrollWidth") <= width
        assert violations() == []


def test_a_batch_is_asked_for_by_keyboard_alone_and_told_in_ounces(page, server):
    page.goto(f"{server.url}/bench/7")
    expect(page.get_by_role("button", name="Mix a batch of it")).to_be_visible()
    page.keyboard.press("Control+k")
    page.keyboard.type("mix a batch")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Medlar Walk Sour, a batch")).to_be_visible()
    page.get_by_label("Serves", exact=True).focus()
    page.keyboard.press("Control+a")
    page.keyboard.type("30")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name=re.compile("30 serves$"))).to_be_visible()
    page.get_by_role("button", name="Up, from the fridge").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("degrees warmer than made singly")).to_be_visible()
    page.keyboard.press("Tab")
    order = page.get_by_role("list", name="Order of pouring")
    expect(order.get_by_role("listitem").first).to_contain_text("1800")
    page.get_by_role("group", name="Volumes in").get_by_role("button", name="oz").click()
    expect(order.get_by_role("listitem").first).to_contain_text("60 oz")
    order.get_by_role("checkbox").first.focus()
    page.keyboard.press("Space")
    expect(order.get_by_role("checkbox").first).to_be_checked()


def test_the_label_and_the_evening_come_out_on_as_few_sheets_as_they_should(page, server):
    page.goto(f"{server.url}/batches/2/label")
    expect(page.get_by_role("article", name="Label")).to_contain_text("Turn it once, and pour 127 ml into a coupe")
    assert len(re.findall(rb"/Type\s*/Page\b(?!s)", page.pdf(format="A4"))) == 1
    page.goto(f"{server.url}/tonight")
    expect(page.get_by_role("list", name="Tasks").get_by_role("listitem")).to_have_count(14)
    assert len(re.findall(rb"/Type\s*/Page\b(?!s)", page.pdf(format="A4"))) <= 3
    # Printed, nothing runs out of the sheet.
    page.set_viewport_size({"width": 700, "height": 1000})
    page.emulate_media(media="print")
    assert page.evaluate("document.documentElement.scrollWidth") <= 700


def test_with_the_server_gone_a_tick_is_kept_and_written_when_it_answers(page, server):
    page.goto(f"{server.url}/tonight")
    first = page.get_by_role("list", name="Tasks").get_by_role("checkbox").first
    expect(first).not_to_be_checked()
    server.kill()
    first.check()
    expect(first).to_be_checked()
    server.start()
    expect(page.get_by_text("13 of 14 things are still to be done")).to_be_visible(timeout=30_000)
    page.reload()
    expect(page.get_by_role("list", name="Tasks").get_by_role("checkbox").first).to_be_checked()
