"""The room that a bar opens first, the stillroom, the larder: limes pressed and titrated, a syrup cooked by the cup, values set right."""

import re

import pytest
from playwright.sync_api import expect
from support import labels
from support.bench_page import settled


def card(page, drink):
    return page.get_by_role("region", name=labels.MENU).get_by_role("listitem").filter(has=page.get_by_role("heading", name=drink))


def titrated(page):
    """Presses the burette until it reads: now and then it gives no reading."""
    held = page.get_by_role("list").filter(has_text=labels.BURETTE_SIMULATED)
    for _ in range(6):
        page.get_by_role("button", name=labels.READ_THE_BURETTE).click()
        settled(page)
        if held.count():
            return
    raise AssertionError("the burette stays silent")


def test_limes_are_pressed_titrated_and_drinks_brought_back(page, server, violations):
    page.goto(f"{server.url}/book")
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.SERVICE).click()
    expect(page.get_by_role("status").first).to_contain_text(labels.WANT_ANOTHER_POUR_TONIGHT)
    assert violations() == []
    before = card(page, "Forcing Shed Daisy").inner_text()
    # Another crate: noted with its fruit and its juice, then titrated with one press.
    page.get_by_role("button", name=labels.PRESS_OPEN_OR_NOTE_ONE).click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("button", name="Lime juice").click()
    dialog.get_by_label(labels.NAME).fill("ripe crate")
    dialog.get_by_label(labels.PRESSED_OF_SO_MANY_FRUITS).fill("9")
    dialog.get_by_label(labels.HOW_MUCH_THERE_IS_ML).fill("205")
    assert violations() == []
    dialog.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("heading", name=labels.LIME_JUICE_RIPE_CRATE)).to_be_visible()
    expect(page.get_by_text(labels.NOTHING_WAS_MEASURED_OF_IT_YET)).to_be_visible()
    titrated(page)
    row = page.get_by_role("row").filter(has_text=labels.ACID)
    expect(row).to_contain_text(re.compile(r"6\.00 ± 0\.92.*±.*±", re.DOTALL))
    expect(page.get_by_role("region", name=labels.WHAT_IT_MAKES_SURER)).to_contain_text(labels.THE_ACIDITY_IS_PLUS_MINUS)
    assert violations() == []
    # A reading that can't be is told, and the others stay.
    page.get_by_label(labels.READING_G_100_ML).fill("18")
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("alert").filter(has_text="choose °Bx")).to_be_visible()
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.SERVICE).click()
    expect(page.get_by_role("region", name=labels.TODAYS_LOTS)).to_contain_text(labels.JUST_NOW)
    expect(card(page, "Forcing Shed Daisy")).not_to_have_text(before)
    # Today's correction is taken to the bench, held against what was finished.
    back = card(page, "Cold Frame Fizz")
    expect(back).to_contain_text("Quince syrup")
    back.get_by_role("button", name=labels.ON_THE_BENCH).click()
    expect(page.get_by_role("region", name=labels.INGREDIENTS)).to_contain_text(labels.OF_TODAYS_LOT)


def test_the_sheet_is_printed_on_two_pages_at_most(page, server):
    page.goto(f"{server.url}/today")
    expect(page.get_by_role("region", name=labels.MENU)).to_be_visible()
    settled(page)
    printed = page.pdf(format="A4")
    assert len(re.findall(rb"/Type /Page\b", printed)) <= 2
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name=labels.PRINT)).to_be_hidden()
    expect(page.get_by_role("heading", name="Forcing Shed Daisy")).to_be_visible()


def test_a_syrup_is_cooked_by_the_cup_weighed_and_made_a_lot_and_the_drink_brought_back(page, server, violations):
    page.goto(f"{server.url}/stillroom")
    page.get_by_role("link", name=labels.WRITE_ONE_DOWN).click()
    page.get_by_role("button", name=labels.THINNED.format("Honey")).click()
    expect(page.get_by_role("region", name=labels.OUTCOME)).to_contain_text("°Bx")
    page.get_by_role("heading", name=labels.HOUSE.format("honey")).click()
    page.keyboard.press("Control+z")
    page.get_by_label(labels.NAME).fill("Raspberry syrup")
    page.get_by_role("combobox", name=labels.KIND).select_option("fruit syrup")
    seek = page.get_by_label(labels.ADD_INGREDIENT)
    for words in ("raspberries", "sugar", "water"):
        # At once, as a hand types: what was found for the words before is not taken.
        seek.fill(words)
        seek.press("Enter")
        expect(seek).to_have_value("")
    seek.fill("moonberries")
    seek.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text(labels.NOTHING_THAT_GOES_INTO_A_POT_IS_CALLED_MOONB)
    seek.fill("")
    rows = page.get_by_role("list", name=labels.INGREDIENTS).get_by_role("listitem")
    expect(rows).to_have_count(3)
    for row, amount in zip(rows.all(), ("2", "1", "1"), strict=True):
        row.get_by_role("combobox").select_option("cup")
        row.get_by_role("textbox").fill(amount)
        row.get_by_role("textbox").press("Enter")
    outcome = page.get_by_role("region", name=labels.OUTCOME)
    expect(outcome).to_contain_text(labels.THESE_NUMBERS_BY_THE_CUP_MAKE)
    for step in ("simmer", "strain", "cool"):
        page.get_by_role("button", name=f"+ {step}").click()
    page.get_by_label("Minutes to simmer").fill("8")
    page.keyboard.press("Enter")
    expect(outcome).to_contain_text(labels.HOT_SUGAR_BURNS_DEEP)
    assert violations() == []
    # A slip is undone, and what is in hand outlasts the window.
    page.get_by_label(labels.REMOVE_THE.format("Water")).click()
    expect(rows).to_have_count(2)
    page.get_by_role("heading", name="Raspberry syrup").click()
    page.keyboard.press("Control+z")
    expect(rows).to_have_count(3)
    page.reload()
    expect(rows).to_have_count(3)
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    page.wait_for_url("**/prep/raspberry-syrup")
    # At the stove: ticked, and weighed in the end.
    page.get_by_label(labels.SIMMER_GENTLY).check()
    made = page.get_by_role("region", name=labels.MADE_IT)
    made.get_by_label(labels.WEIGHS_G).fill("900")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert").filter(has_text=labels.ABOVE_WHAT_THERE_CAN_BE)).to_be_visible()
    made.get_by_label(labels.WEIGHS_G).fill("560")
    page.keyboard.press("Enter")
    made.get_by_label(labels.WHAT_YOU_CALL_THIS_MAKING).fill("By the cup")
    made.get_by_role("button", name=labels.MAKE_A_LOT_OF_IT).click()
    expect(made.get_by_role("status")).to_contain_text(labels.INSTEAD_OF_58)
    page.get_by_role("link", name=labels.LABEL).click()
    label = page.get_by_role("article", name=labels.LABEL)
    expect(label).to_contain_text(labels.USE_BY)
    expect(label).to_contain_text("°Bx")


def test_a_making_of_the_list_s_own_syrup_tells_what_follows(page, server):
    page.goto(f"{server.url}/stillroom/rhubarb-syrup")
    made = page.get_by_role("region", name=labels.MADE_IT)
    made.get_by_label(labels.SHOWS_BX).fill("40")
    page.keyboard.press("Enter")
    expect(page.get_by_role("region", name=labels.OUTCOME)).to_contain_text("40 °Bx")
    made.get_by_role("button", name=labels.MAKE_A_LOT_OF_IT).click()
    follows = made.get_by_role("status")
    expect(follows).to_contain_text(re.compile(labels.G_OF_SUGAR_IN_100_ML_INSTEAD_OF_52_BRING_IT))
    expect(follows).to_contain_text(labels.RHUBARB_SYRUP)
    page.get_by_role("link", name=labels.BRING_THEM_BACK_IN_TODAY).click()
    expect(card(page, "Cloche Fizz")).to_contain_text("Rhubarb syrup")


def test_the_larder_is_searched_set_right_undone_and_held_beside_another(page, server):
    page.goto(f"{server.url}/larder")
    page.get_by_label(labels.SEARCH_INGREDIENTS).fill("lime juice")
    page.get_by_role("region", name=labels.INGREDIENTS).get_by_role("button", name=re.compile(labels.LIME_JUICE)).click()
    panel = page.get_by_role("region", name="Lime juice")
    expect(panel).to_contain_text(labels.LIQUID_INTELLIGENCE)
    panel.get_by_text(labels.CORRECT_VALUES).click()
    panel.get_by_label(labels.ALL_ACID_G_IN_100_ML).fill("5.1")
    panel.get_by_label(labels.FROM_WHERE).fill("a market of ours")
    panel.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(panel.get_by_role("table").first).to_contain_text("a market of ours")
    panel.get_by_role("button", name=labels.TAKE_THE_LAST_CHANGE_BACK).click()
    expect(panel.get_by_role("table").first).not_to_contain_text("a market of ours")
    panel.locator("summary", has_text=labels.COMPARE).click()
    panel.get_by_label(labels.BESIDE_WHICH).select_option("lemon-juice")
    expect(panel.get_by_role("table").last).to_contain_text("Lemon juice")
    panel.get_by_role("button", name=labels.RETIRE_IT).click()
    expect(panel.get_by_role("button", name=labels.OFFER_IT_AGAIN)).to_be_visible()


def test_a_pour_is_taken_of_a_lot_at_the_bench_by_hand_and_by_the_palette(page, server):
    page.goto(f"{server.url}/bench/4")
    pours = page.get_by_role("region", name=labels.INGREDIENTS)
    pours.get_by_role("button", name=labels.MORE_ABOUT.format("Lime juice")).click()
    dialog = page.get_by_role("dialog", name="Lime juice")
    dialog.get_by_label(labels.OF_WHICH_LOT).select_option("green crate")
    dialog.get_by_role("button", name=labels.CLOSE).click()
    expect(pours).to_contain_text(labels.OF_THE_LOT.format("green crate"))
    expect(page.get_by_role("article", name=labels.ACIDITY)).to_contain_text(labels.SOFTER)
    page.keyboard.press("Control+k")
    page.keyboard.type("of what is usual")
    page.keyboard.press("Enter")
    expect(pours).not_to_contain_text(labels.OF_THE_LOT_2)
    page.keyboard.press("Control+z")
    expect(pours).to_contain_text(labels.OF_THE_LOT.format("green crate"))


def test_the_bench_leads_to_the_lot_that_its_doubt_asks_for(page, server):
    page.goto(f"{server.url}/bench/3")
    acidity = page.get_by_role("article", name=labels.ACIDITY)
    acidity.get_by_role("button", name=labels.WHY_THIS.format("acidity")).click()
    page.get_by_role("dialog").get_by_role("link", name="Lemon juice").click()
    expect(page.get_by_role("heading", name=labels.LEMON_JUICE.format("first squeeze"))).to_be_visible()
    page.get_by_role("button", name=labels.USED_UP).click()
    expect(page.get_by_text(labels.USED_UP_2, exact=False).first).to_be_visible()
    page.goto(f"{server.url}/bench/3")
    acidity.get_by_role("button", name=labels.WHY_THIS.format("acidity")).click()
    page.get_by_role("dialog").get_by_role("link", name="Lemon juice").click()
    # None is there any more: the way leads to noting one.
    dialog = page.get_by_role("dialog", name=labels.A_LOT_OF.format("lemon juice"))
    expect(dialog).to_be_visible()
    dialog.get_by_role("button", name=labels.CANCEL).click()
    expect(dialog).to_be_hidden()


@pytest.mark.deep
def test_what_is_in_hand_in_the_stillroom_outlasts_a_server_that_is_killed(page, server):
    page.goto(f"{server.url}/stillroom/bay-syrup")
    rows = page.get_by_role("list", name=labels.INGREDIENTS).get_by_role("listitem")
    expect(rows).to_have_count(3)
    rows.first.get_by_role("textbox").fill("450")
    rows.first.get_by_role("textbox").press("Enter")
    expect(page.get_by_role("button", name=labels.SAVE, exact=True)).to_be_enabled()
    server.kill()
    server.start()
    page.goto(f"{server.url}/stillroom/bay-syrup")
    expect(rows.first.get_by_role("textbox")).to_have_value("450")
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("button", name=labels.WRITTEN_DOWN)).to_be_disabled()


def test_a_syrup_is_scaled_brought_to_a_brix_and_its_price_told(page, server):
    page.goto(f"{server.url}/stillroom/bay-syrup")
    rows = page.get_by_role("list", name=labels.INGREDIENTS).get_by_role("listitem")
    page.get_by_label(labels.AMOUNT_IN_STOCK).fill("800")
    page.keyboard.press("Enter")
    expect(rows.nth(1).get_by_role("textbox")).to_have_value("800")
    outcome = page.get_by_role("region", name=labels.OUTCOME)
    outcome.get_by_label(labels.BRING_IT_TO_SO_MANY_BX).fill("60")
    page.keyboard.press("Enter")
    expect(outcome).to_contain_text(re.compile(labels.BRING_IT_TO_60_BX_G_OF_SUGAR))
    expect(outcome).to_contain_text(labels.WITHOUT_BAY_LEAVES_NO_PRICE_IS_TOLD)
    outcome.get_by_text(labels.WHAT_GOES_IN_COSTS).click()
    outcome.get_by_label(labels.A_KILOGRAM_OF_BAY_LEAVES_COSTS).fill("40")
    page.keyboard.press("Enter")
    expect(outcome).not_to_contain_text(labels.NO_PRICE_IS_TOLD)
    expect(outcome).to_contain_text(labels.A_LITRE)


@pytest.mark.deep
def test_a_price_that_is_told_while_the_answer_is_on_its_way_is_in_it(page, server):
    page.goto(f"{server.url}/stillroom/bay-syrup")
    outcome = page.get_by_role("region", name=labels.OUTCOME)
    outcome.get_by_text(labels.WHAT_GOES_IN_COSTS).click()
    held = []
    # Answered before the price was told, and on its way for a while.
    page.route(re.compile(r"/api/prepare(\?|$)"), lambda route: held.append((route, route.fetch())), times=1)
    page.get_by_label(labels.AMOUNT_IN_STOCK).fill("800")
    page.keyboard.press("Enter")
    while not held:
        page.wait_for_timeout(50)
    with page.expect_response("**/price"):
        outcome.get_by_label(labels.A_KILOGRAM_OF_BAY_LEAVES_COSTS).fill("40")
        page.keyboard.press("Enter")
    route, answer = held[0]
    route.fulfill(response=answer)
    expect(outcome).to_contain_text(labels.N_800_G_OF_GRANULATED_SUGAR)
    expect(outcome).not_to_contain_text(labels.NO_PRICE_IS_TOLD)


def test_the_evening_s_serves_and_prices_are_told_and_the_fruit_follows(page, server):
    page.goto(f"{server.url}/today")
    fruit = page.get_by_role("region", name=labels.FRUIT_FOR_TONIGHT)
    expect(fruit).to_contain_text(labels.LIMES)
    before = fruit.inner_text()
    page.get_by_text(labels.EXPECTED_TONIGHT_AND_PRICES).click()
    serves = page.get_by_label(labels.SERVES_OF.format("Forcing Shed Daisy"))
    serves.fill("60")
    serves.press("Enter")
    expect(fruit).not_to_have_text(before)
    price = page.get_by_label(labels.PRICE_OF.format("Forcing Shed Daisy"))
    price.fill("0")
    price.press("Enter")
    expect(page.get_by_role("alert").filter(has_text="A price can't be 0")).to_be_visible()
    expect(page.get_by_title(re.compile(labels.OF_ITS_PRICE)).first).to_be_attached()


def test_the_larder_is_taken_in_as_a_table_or_refused_by_its_line(page, server, tmp_path):
    page.goto(f"{server.url}/larder")
    table = tmp_path / "larder.csv"
    table.write_text("name,kind,sugar\nHedge cordial,syrup,much\n")
    page.get_by_label(labels.A_LARDER_AS_A_TABLE).set_input_files(table)
    expect(page.get_by_role("alert")).to_contain_text(labels.LINE_2_SUGAR_MUCH_IS_NO_NUMBER)
    table.write_text("name,kind,sugar\nHedge cordial,syrup,62\n")
    page.get_by_label(labels.A_LARDER_AS_A_TABLE).set_input_files(table)
    expect(page.get_by_role("status")).to_contain_text(labels.N_1_ADDED)
    expect(page.get_by_role("region", name=labels.INGREDIENTS)).to_contain_text(labels.HEDGE_CORDIAL)


@pytest.mark.deep
def test_on_a_phone_the_places_stand_at_the_thumb_and_lead_on_by_keyboard(page, server, violations):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/today")
    places = page.get_by_role("navigation", name=labels.PLACES)
    places.get_by_role("link", name=labels.INGREDIENTS).press("Enter")
    expect(page.get_by_role("link", name=labels.PREP)).to_be_visible()
    assert violations() == []
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.get_by_role("link", name=labels.PREP).press("Enter")
    expect(page).to_have_url(f"{server.url}/ingredients/prep")
