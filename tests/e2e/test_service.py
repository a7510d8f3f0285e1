"""A batch for Saturday and the evening worked backwards: too small a bottle, the one that fits, made, tasted, labelled, planned, ticked."""

import re

import pytest
from icalendar import Calendar
from playwright.sync_api import expect
from support import labels


def test_a_batch_is_made_for_a_bottle_that_fits_tasted_labelled_and_poured_from(page, server, violations):
    page.goto(f"{server.url}/bench/9")
    # From the drink in one press.
    page.get_by_role("button", name=labels.MIX_A_BATCH_OF_IT).click()
    expect(page.get_by_role("heading", name=labels.A_BATCH.format("Cloche Fizz"))).to_be_visible()
    page.get_by_role("button", name="750 ml").click()
    told = page.get_by_role("alert")
    expect(told).to_contain_text(labels.DONT_GO_INTO_750_ML)
    assert violations() == []
    told.get_by_role("button", name=labels.MAKE_WHAT_FITS).click()
    expect(told).to_have_count(0)
    order = page.get_by_role("list", name=labels.ORDER_OF_INGREDIENTS).get_by_role("listitem")
    expect(order.first).to_contain_text("White rum")
    expect(order.last).to_contain_text(labels.TASTE_IT_OVER_ICE_FIRST)
    # The address tells the batch: reloaded it is the same, and a step back is the bottle that was too small.
    page.reload()
    expect(page.get_by_label(labels.SERVES, exact=True)).to_have_value("")
    page.go_back()
    expect(told).to_be_visible()
    told.get_by_role("button", name=labels.TAKE_A_LARGER_ONE).click()
    expect(told).to_have_count(0)
    expect(page.get_by_label(labels.SERVES, exact=True)).to_have_value("12")
    order.first.get_by_role("checkbox").check()
    serve = page.get_by_role("region", name=labels.ONE_SERVE)
    expect(serve).to_contain_text(labels.POUR_119_ML_OVER_CUBES_INTO_A_TALL_GLASS)
    expect(serve.get_by_role("row", name=labels.STRENGTH)).to_contain_text("9.8")
    # Shaken to order it has no water of its own; with bubbles it is told what bursts.
    page.get_by_role("button", name=labels.SHAKEN_TO_ORDER).click()
    expect(page.get_by_role("list", name=labels.ORDER_OF_INGREDIENTS)).not_to_contain_text("Water")
    page.get_by_role("button", name=labels.WITH_BUBBLES).click()
    expect(page.get_by_text(labels.AN_ORDINARY_BOTTLE_BURSTS)).to_be_visible()
    page.get_by_role("button", name=labels.OVER_ICE).click()
    page.get_by_role("button", name=labels.ONE_MORE).click()
    expect(page.get_by_role("heading", name=re.compile(labels.N_13_SERVES))).to_be_visible()

    made = page.get_by_role("region", name=labels.MADE_IT)
    made.get_by_label(labels.LABEL).fill("Saturday, bottle one")
    made.get_by_label(labels.MADE_BY).fill("Wren")
    # Of the water that waited nothing was wanted: noted as it was.
    made.get_by_text(labels.POURED_OTHERWISE_THAN_TOLD).click()
    waited = made.get_by_label(labels.REALLY_POURED_OF_AFTER_TASTING_IN_ML.format("Water"))
    expect(waited).to_have_value("125")
    waited.fill("0")
    waited.press("Enter")
    made.get_by_role("button", name=labels.IT_IS_MADE).click()
    expect(page.get_by_role("heading", name="Saturday, bottle one")).to_be_visible()
    assert violations() == []
    left = page.get_by_role("region", name=labels.AMOUNT_LEFT)
    expect(left).to_contain_text("1425 of 1425 ml")
    expect(left.get_by_role("status")).to_contain_text(labels.N_13_SERVES_2)
    taste = page.get_by_role("region", name=labels.TASTE_AND_CORRECT)
    taste.get_by_role("group", name=labels.SWEETNESS).get_by_role("button", name=labels.A_TOUCH_DRY).click()
    expect(taste.get_by_role("status")).to_contain_text(re.compile(labels.OF_RHUBARB_SYRUP_IS_HALF_A_STEP_IN_THIS_BOTT))
    taste.get_by_role("button", name=re.compile(labels.ADDED_RHUBARB_SYRUP)).first.click()
    expect(taste.get_by_role("status")).to_contain_text(labels.IT_IS_IN_THE_BOTTLE)
    expect(page.get_by_role("region", name=labels.WHAT_HAPPENED)).to_contain_text(labels.RHUBARB_SYRUP_ADDED_TO_MAKE_IT_SWEETER)
    # By the refractometer: alcohol pulls it up, and that is said.
    taste.get_by_text(labels.OR_READ_IT).click()
    taste.get_by_label(labels.WHAT_WAS_READ_OF_THE_BOTTLE).fill("9,5")
    taste.get_by_label(labels.WHAT_WAS_READ_OF_THE_BOTTLE).press("Enter")
    expect(taste.get_by_role("status")).to_contain_text(labels.A_REFRACTOMETER_READS_ALCOHOL_AS_SUGAR)
    left.get_by_role("button", name=labels.POUR_5).click()
    expect(left.get_by_role("status")).to_contain_text(labels.N_8_SERVES)

    page.get_by_role("link", name=labels.LABEL).click()
    label = page.get_by_role("article", name=labels.LABEL)
    for words in ("Cloche Fizz", "Saturday, bottle one", "by Wren", "Use by", "over cubes into a tall glass", "top each serve with 50 ml"):
        expect(label).to_contain_text(words)
    assert violations() == []
    # A second bottle of the name is refused in a sentence, and nothing typed is lost.
    page.goto(f"{server.url}/batch/9?service=ice&serves=4")
    made.get_by_label(labels.LABEL).fill("Saturday, bottle one")
    made.get_by_role("button", name=labels.IT_IS_MADE).click()
    expect(made.get_by_role("alert")).to_contain_text(labels.TWO_BOTTLES_OF_ONE_NAME_GET_MIXED_UP)
    expect(made.get_by_label(labels.LABEL)).to_have_value("Saturday, bottle one")
    page.get_by_label(labels.SERVES, exact=True).fill("0")
    page.get_by_label(labels.SERVES, exact=True).press("Enter")
    expect(page.get_by_role("region", name=labels.INTO_THE_BOTTLE).get_by_role("alert")).to_contain_text(labels.THE_NUMBER_OF_SERVES_IS_0)


@pytest.mark.deep
def test_the_cask_shows_whose_share_is_in_it_and_the_rest_of_a_bottle_is_used_up(page, server, violations):
    page.goto(f"{server.url}/book")
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.SERVICE).click()
    page.get_by_role("link", name=re.compile(labels.BATCHES)).click()
    expect(page.get_by_role("link", name=re.compile(labels.SECOND_FILLING))).to_contain_text(labels.N_5_SERVES)
    page.get_by_label(labels.THOSE_USED_UP_TOO).check()
    expect(page.get_by_role("link", name=re.compile(labels.FIRST_FILLING))).to_have_count(2)
    assert violations() == []
    page.get_by_role("link", name=re.compile(labels.N_5_SECOND_FILLING)).first.click()
    descent = page.get_by_role("region", name=labels.LINE_OF_DESCENT)
    expect(descent.get_by_role("listitem")).to_have_count(2)
    expect(descent).to_contain_text("20 %")
    expect(descent).to_contain_text(labels.WHAT_WOOD_DOES_ISNT_FORESEEN)
    page.get_by_role("link", name="Potting Bench", exact=True).click()
    page.get_by_text(labels.USE_A_BOTTLE_UP).click()
    page.get_by_role("button", name=re.compile(labels.N_1_WHOLE_700_ML)).click()
    expect(page.get_by_role("list", name=labels.ORDER_OF_INGREDIENTS).get_by_role("listitem").first).to_contain_text("700")
    page.get_by_role("region", name=labels.MADE_IT).get_by_text(labels.ON_WHAT_WAS_LEFT_OF_AN_OLDER_ONE).click()
    page.get_by_label(labels.WHICH_OLDER_BATCH).select_option(label="Potting Bench, second filling")
    expect(page.get_by_label(re.compile(labels.HOW_MUCH_OF_IT_STAYED))).to_have_value("644")
    page.get_by_role("button", name=labels.IT_IS_MADE).click()
    expect(page.get_by_role("region", name=labels.LINE_OF_DESCENT).get_by_role("listitem")).to_have_count(3)


def test_the_evening_is_planned_backwards_ticked_and_taken_along(page, server, violations):
    page.goto(f"{server.url}/today")
    page.get_by_role("link", name=labels.EVENT_PLAN).click()
    expect(page.get_by_role("status")).to_contain_text(labels.N_36_SERVES_AT_17_00)
    assert violations() == []
    tasks = page.get_by_role("list", name=labels.TASKS).get_by_role("listitem")
    first = tasks.first
    words = first.inner_text()
    first.get_by_role("checkbox").check()
    expect(page.get_by_role("status")).to_contain_text(labels.STILL_TO_BE_DONE)
    page.get_by_role("region", name=labels.TO_BUY).get_by_role("checkbox").first.check()
    # What is ticked stays ticked when the evening changes, and when it is opened again.
    page.get_by_role("button", name=labels.PAIRS_OF_HANDS_ONE_LESS).click()
    expect(page.get_by_label(labels.PAIRS_OF_HANDS, exact=True)).to_have_value("1")
    page.get_by_role("button", name=labels.SERVES_OF_ONE_MORE.format("Cloche Fizz")).click()
    expect(page.get_by_role("status")).to_contain_text(labels.N_37_SERVES)
    page.reload()
    expect(tasks.filter(has_text=words.splitlines()[1]).get_by_role("checkbox").first).to_be_checked()
    page.get_by_label(labels.MADE_IT).first.select_option(label="batch: up, from the freezer")
    page.get_by_label(labels.ANOTHER_DRINK).select_option(label="Hedge Gate Sour")
    expect(page.get_by_role("status")).to_contain_text(labels.N_47_SERVES)
    with page.expect_download() as download:
        page.get_by_role("button", name=labels.CALENDAR).click()
    text = download.value.path().read_text(encoding="utf-8")
    assert len(Calendar.from_ical(text).walk("VEVENT")) == tasks.count()
    with page.expect_download() as download:
        page.get_by_role("button", name=labels.LIST_AS_TEXT).click()
    assert labels.TO_BUY in download.value.path().read_text(encoding="utf-8")
    # On paper: the tasks and what is taken, none of the controls.
    page.emulate_media(media="print")
    expect(page.get_by_label(labels.PAIRS_OF_HANDS, exact=True)).to_be_hidden()
    expect(tasks.first).to_be_visible()
    page.emulate_media(media="screen")
    page.get_by_role("button", name=labels.BEGIN_ANOTHER_EVENING).click()
    page.get_by_role("button", name=labels.PRESS_AGAIN_THIS_ONE_GOES).click()
    expect(page.get_by_text(labels.AN_EVENING_IS_WORKED_BACKWARDS_FROM_ITS_HOUR)).to_be_visible()
    page.get_by_label(labels.ANOTHER_DRINK).select_option(label="Cloche Fizz")
    expect(page.get_by_role("status")).to_contain_text(labels.N_10_SERVES)
    # An hour that has passed is refused, with what to do.
    page.get_by_label(labels.THE_FIRST_GUEST_COMES).fill("2020-01-01T19:00")
    page.get_by_label(labels.THE_FIRST_GUEST_COMES).blur()
    expect(page.get_by_role("alert")).to_contain_text(labels.THAT_HOUR_HAS_PASSED)


def test_a_batch_is_asked_for_by_keyboard_alone_and_told_in_ounces(page, server):
    page.goto(f"{server.url}/bench/7")
    expect(page.get_by_role("button", name=labels.MIX_A_BATCH_OF_IT)).to_be_visible()
    # The palette is fetched once the page rests.
    page.wait_for_load_state("networkidle")
    page.keyboard.press("Control+k")
    page.keyboard.type("plan a batch")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name=labels.A_BATCH.format("Medlar Walk Sour"))).to_be_visible()
    page.get_by_label(labels.SERVES, exact=True).focus()
    page.keyboard.press("Control+a")
    page.keyboard.type("30")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name=re.compile(labels.N_30_SERVES))).to_be_visible()
    page.get_by_role("button", name=labels.UP_FROM_THE_FRIDGE).focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text(labels.DEGREES_WARMER_THAN_MADE_SINGLY)).to_be_visible()
    page.keyboard.press("Tab")
    order = page.get_by_role("list", name=labels.ORDER_OF_INGREDIENTS)
    expect(order.get_by_role("listitem").first).to_contain_text("1800")
    page.get_by_role("group", name=labels.VOLUMES_IN).get_by_role("button", name="oz").click()
    expect(order.get_by_role("listitem").first).to_contain_text("60 oz")
    order.get_by_role("checkbox").first.focus()
    page.keyboard.press("Space")
    expect(order.get_by_role("checkbox").first).to_be_checked()


def test_the_label_and_the_evening_come_out_on_as_few_sheets_as_they_should(page, server):
    page.goto(f"{server.url}/batches/2/label")
    expect(page.get_by_role("article", name=labels.LABEL)).to_contain_text(labels.TURN_IT_ONCE_AND_POUR_127_ML_INTO_A_COUPE)
    assert len(re.findall(rb"/Type\s*/Page\b(?!s)", page.pdf(format="A4"))) == 1
    page.goto(f"{server.url}/tonight")
    expect(page.get_by_role("list", name=labels.TASKS).get_by_role("listitem")).to_have_count(14)
    assert len(re.findall(rb"/Type\s*/Page\b(?!s)", page.pdf(format="A4"))) <= 3
    # Printed, nothing runs out of the sheet.
    page.set_viewport_size({"width": 700, "height": 1000})
    page.emulate_media(media="print")
    assert page.evaluate("document.documentElement.scrollWidth") <= 700


def test_with_the_server_gone_a_tick_is_kept_and_written_when_it_answers(page, server):
    page.goto(f"{server.url}/tonight")
    first = page.get_by_role("list", name=labels.TASKS).get_by_role("checkbox").first
    expect(first).not_to_be_checked()
    server.kill()
    first.check()
    expect(first).to_be_checked()
    server.start()
    expect(page.get_by_text(labels.N_13_OF_14_THINGS_ARE_STILL_TO_BE_DONE)).to_be_visible(timeout=30_000)
    page.reload()
    expect(page.get_by_role("list", name=labels.TASKS).get_by_role("checkbox").first).to_be_checked()
