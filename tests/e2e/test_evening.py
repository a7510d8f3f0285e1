"""The room that a bar opens first, the stillroom, the larder: limes pressed and titrated, a syrup cooked by the cup, values set right."""

import re

import pytest
from playwright.sync_api import expect


def card(page, drink):
    return page.get_by_role("region", name="The list").get_by_role("listitem").filter(has=page.get_by_role("heading", name=drink))


def titrated(page):
    """Presses the burette until it reads: now and then it gives no reading."""
    held = page.get_by_role("list").filter(has_text="burette, simulated")
    for _ in range(6):
        page.get_by_role("button", name="Read the burette").click()
        page.wait_for_load_state("networkidle")
        if held.count():
            return
    raise AssertionError("the burette stays silent")


def test_limes_are_pressed_titrated_and_drinks_brought_back(page, server, violations):
    page.goto(f"{server.url}/book")
    page.get_by_role("link", name="Today").click()
    expect(page.get_by_role("status").first).to_contain_text("want another pour tonight")
    assert violations() == []
    before = card(page, "Forcing Shed Daisy").inner_text()
    # Another crate: noted with its fruit and its juice, then titrated with one press.
    page.get_by_role("button", name="Press, open or note one").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("button", name="Lime juice").click()
    dialog.get_by_label("What you call it").fill("ripe crate")
    dialog.get_by_label("Pressed of so many fruits").fill("9")
    dialog.get_by_label("How much there is, ml").fill("205")
    assert violations() == []
    dialog.get_by_role("button", name="Note it").click()
    expect(page.get_by_role("heading", name="Lime juice ripe crate")).to_be_visible()
    expect(page.get_by_text("Nothing was measured of it yet")).to_be_visible()
    titrated(page)
    row = page.get_by_role("row").filter(has_text="Acid")
    expect(row).to_contain_text(re.compile(r"6\.00 ± 0\.92.*±.*±", re.DOTALL))
    expect(page.get_by_role("region", name="What it makes surer")).to_contain_text("the acidity is ±")
    assert violations() == []
    # A reading that can't be is told, and the others stay.
    page.get_by_label("Reading, g/100 ml").fill("18")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("alert").filter(has_text="it is °Bx")).to_be_visible()
    page.get_by_role("link", name="Today").click()
    expect(page.get_by_role("region", name="Today’s lots")).to_contain_text("ripe crate")
    expect(card(page, "Forcing Shed Daisy")).not_to_have_text(before)
    # Today's correction is taken to the bench, held against what was finished.
    back = card(page, "Cold Frame Fizz")
    expect(back).to_contain_text("Quince syrup")
    back.get_by_role("button", name="Take it to the bench").click()
    expect(page.get_by_role("region", name="Pours")).to_contain_text("of today’s lot")


def test_the_sheet_is_printed_on_two_pages_at_most(page, server):
    page.goto(f"{server.url}/today")
    expect(page.get_by_role("region", name="The list")).to_be_visible()
    page.wait_for_load_state("networkidle")
    printed = page.pdf(format="A4")
    assert len(re.findall(rb"/Type /Page\b", printed)) <= 2
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name="Print the sheet")).to_be_hidden()
    expect(page.get_by_role("heading", name="Forcing Shed Daisy")).to_be_visible()


@pytest.mark.parametrize(
    "view", ["/today", "/lots", "/lots/12", "/lots/12/label", "/stillroom", "/stillroom/rhubarb-syrup", "/larder/lime-juice"]
)
def test_every_new_room_is_open_to_all_in_both_themes_and_fits_a_phone(page, server, violations, view):
    page.add_init_script("localStorage.setItem('oenomel.theme', 'late')")
    page.goto(server.url + view)
    page.wait_for_load_state("networkidle")
    assert violations() == []
    page.set_viewport_size({"width": 390, "height": 844})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390


def test_a_syrup_is_cooked_by_the_cup_weighed_and_made_a_lot_and_the_drink_brought_back(page, server, violations):
    page.goto(f"{server.url}/stillroom")
    page.get_by_role("link", name="Write one down").click()
    page.get_by_role("button", name="Honey, thinned").click()
    expect(page.get_by_role("region", name="What it comes to")).to_contain_text("°Bx")
    page.get_by_role("heading", name="House honey").click()
    page.keyboard.press("Control+z")
    page.get_by_label("Name").fill("Raspberry syrup")
    page.get_by_role("combobox", name="Kind").select_option("fruit syrup")
    seek = page.get_by_label("Add what goes in")
    for words in ("raspberries", "sugar", "water"):
        # At once, as a hand types: what was found for the words before is not taken.
        seek.fill(words)
        seek.press("Enter")
        expect(seek).to_have_value("")
    seek.fill("moonberries")
    seek.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Nothing that goes into a pot is called “moonberries”")
    seek.fill("")
    rows = page.get_by_role("list", name="Lines").get_by_role("listitem")
    expect(rows).to_have_count(3)
    for row, amount in zip(rows.all(), ("2", "1", "1"), strict=True):
        row.get_by_role("combobox").select_option("cup")
        row.get_by_role("textbox").fill(amount)
        row.get_by_role("textbox").press("Enter")
    outcome = page.get_by_role("region", name="What it comes to")
    expect(outcome).to_contain_text("These numbers by the cup make")
    for step in ("simmer", "strain", "cool"):
        page.get_by_role("button", name=f"+ {step}").click()
    page.get_by_label("Minutes to simmer").fill("8")
    page.keyboard.press("Enter")
    expect(outcome).to_contain_text("Hot sugar burns deep")
    assert violations() == []
    # A slip is undone, and what is in hand outlasts the window.
    page.get_by_label("Leave out Water").click()
    expect(rows).to_have_count(2)
    page.get_by_role("heading", name="Raspberry syrup").click()
    page.keyboard.press("Control+z")
    expect(rows).to_have_count(3)
    page.reload()
    expect(rows).to_have_count(3)
    page.get_by_role("button", name="Write it down").click()
    page.wait_for_url("**/stillroom/raspberry-syrup")
    # At the stove: ticked, and weighed in the end.
    page.get_by_label("Simmer gently").check()
    made = page.get_by_role("region", name="Made")
    made.get_by_label("Weighs, g").fill("900")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert").filter(has_text="above what there can be")).to_be_visible()
    made.get_by_label("Weighs, g").fill("560")
    page.keyboard.press("Enter")
    made.get_by_label("What you call this making").fill("By the cup")
    made.get_by_role("button", name="Make a lot of it").click()
    expect(made.get_by_role("status")).to_contain_text("instead of 58")
    page.get_by_role("link", name="Its label").click()
    label = page.get_by_role("article", name="Label")
    expect(label).to_contain_text("Use by")
    expect(label).to_contain_text("°Bx")


def test_a_making_of_the_list_s_own_syrup_tells_what_follows(page, server):
    page.goto(f"{server.url}/stillroom/rhubarb-syrup")
    made = page.get_by_role("region", name="Made")
    made.get_by_label("shows, °Bx").fill("40")
    page.keyboard.press("Enter")
    expect(page.get_by_role("region", name="What it comes to")).to_contain_text("40 °Bx")
    made.get_by_role("button", name="Make a lot of it").click()
    follows = made.get_by_role("status")
    expect(follows).to_contain_text(re.compile("g of sugar in 100 ml instead of 52: .*Bring (it|them) back below"))
    expect(follows).to_contain_text("Rhubarb syrup:")
    page.get_by_role("link", name="Bring them back in Today").click()
    expect(card(page, "Cloche Fizz")).to_contain_text("Rhubarb syrup")


def test_the_larder_is_searched_set_right_undone_and_held_beside_another(page, server):
    page.goto(f"{server.url}/larder")
    page.get_by_label("Search the larder").fill("lime juice")
    page.get_by_role("region", name="Ingredients").get_by_role("button", name=re.compile("^Lime juice")).click()
    panel = page.get_by_role("region", name="Lime juice")
    expect(panel).to_contain_text("Liquid Intelligence")
    panel.get_by_text("Set right what you know better").click()
    panel.get_by_label("All acid, g in 100 ml").fill("5.1")
    panel.get_by_label("From where").fill("a market of ours")
    panel.get_by_role("button", name="Set right", exact=True).click()
    expect(panel.get_by_role("table").first).to_contain_text("a market of ours")
    panel.get_by_role("button", name="Take the last change back").click()
    expect(panel.get_by_role("table").first).not_to_contain_text("a market of ours")
    panel.get_by_text("Beside another").click()
    panel.get_by_label("Beside which").select_option("lemon-juice")
    expect(panel.get_by_role("table").last).to_contain_text("Lemon juice")
    panel.get_by_role("button", name="Retire it").click()
    expect(panel.get_by_role("button", name="Offer it again")).to_be_visible()


def test_a_pour_is_taken_of_a_lot_at_the_bench_by_hand_and_by_the_palette(page, server):
    page.goto(f"{server.url}/bench/4")
    pours = page.get_by_role("region", name="Pours")
    pours.get_by_role("button", name="More about Lime juice").click()
    dialog = page.get_by_role("dialog", name="Lime juice")
    dialog.get_by_label("Of which lot").select_option("green crate")
    dialog.get_by_role("button", name="Close").click()
    expect(pours).to_contain_text("of the lot “green crate”")
    expect(page.get_by_role("article", name="Acidity")).to_contain_text("softer")
    page.keyboard.press("Control+k")
    page.keyboard.type("of what is usual")
    page.keyboard.press("Enter")
    expect(pours).not_to_contain_text("of the lot")
    page.keyboard.press("Control+z")
    expect(pours).to_contain_text("of the lot “green crate”")


def test_the_bench_leads_to_the_lot_that_its_doubt_asks_for(page, server):
    page.goto(f"{server.url}/bench/3")
    acidity = page.get_by_role("article", name="Acidity")
    acidity.get_by_role("link", name="Lemon juice").click()
    expect(page.get_by_role("heading", name="Lemon juice first squeeze")).to_be_visible()
    page.get_by_role("button", name="Used up").click()
    expect(page.get_by_text("used up", exact=False).first).to_be_visible()
    page.goto(f"{server.url}/bench/3")
    acidity.get_by_role("link", name="Lemon juice").click()
    # None is there any more: the way leads to noting one.
    dialog = page.get_by_role("dialog", name="A lot of lemon juice")
    expect(dialog).to_be_visible()
    dialog.get_by_role("button", name="Leave it").click()
    expect(dialog).to_be_hidden()


def test_what_is_in_hand_in_the_stillroom_outlasts_a_server_that_is_killed(page, server):
    page.goto(f"{server.url}/stillroom/bay-syrup")
    rows = page.get_by_role("list", name="Lines").get_by_role("listitem")
    expect(rows).to_have_count(3)
    rows.first.get_by_role("textbox").fill("450")
    rows.first.get_by_role("textbox").press("Enter")
    expect(page.get_by_role("button", name="Write it down")).to_be_enabled()
    server.kill()
    server.start()
    page.goto(f"{server.url}/stillroom/bay-syrup")
    expect(rows.first.get_by_role("textbox")).to_have_value("450")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("button", name="Written down")).to_be_disabled()


def test_a_syrup_is_scaled_brought_to_a_brix_and_its_price_told(page, server):
    page.goto(f"{server.url}/stillroom/bay-syrup")
    rows = page.get_by_role("list", name="Lines").get_by_role("listitem")
    page.get_by_label("So much is on hand").fill("800")
    page.keyboard.press("Enter")
    expect(rows.nth(1).get_by_role("textbox")).to_have_value("800")
    outcome = page.get_by_role("region", name="What it comes to")
    outcome.get_by_label("Bring it to so many °Bx").fill("60")
    page.keyboard.press("Enter")
    expect(outcome).to_contain_text(re.compile(r"Bring it to 60 °Bx: \d+ g of sugar"))
    expect(outcome).to_contain_text("Without Bay leaves: no price is told.")
    outcome.get_by_text("What goes in costs").click()
    outcome.get_by_label("A kilogram of Bay leaves costs").fill("40")
    page.keyboard.press("Enter")
    expect(outcome).not_to_contain_text("no price is told")
    expect(outcome).to_contain_text("a litre")


def test_a_price_that_is_told_while_the_answer_is_on_its_way_is_in_it(page, server):
    page.goto(f"{server.url}/stillroom/bay-syrup")
    outcome = page.get_by_role("region", name="What it comes to")
    outcome.get_by_text("What goes in costs").click()
    held = []
    # Answered before the price was told, and on its way for a while.
    page.route(re.compile(r"/api/prepare(\?|$)"), lambda route: held.append((route, route.fetch())), times=1)
    page.get_by_label("So much is on hand").fill("800")
    page.keyboard.press("Enter")
    while not held:
        page.wait_for_timeout(50)
    with page.expect_response("**/price"):
        outcome.get_by_label("A kilogram of Bay leaves costs").fill("40")
        page.keyboard.press("Enter")
    route, answer = held[0]
    route.fulfill(response=answer)
    expect(outcome).to_contain_text("800 g of granulated sugar")
    expect(outcome).not_to_contain_text("no price is told")


def test_the_evening_s_serves_and_prices_are_told_and_the_fruit_follows(page, server):
    page.goto(f"{server.url}/today")
    fruit = page.get_by_role("region", name="Fruit for tonight")
    expect(fruit).to_contain_text("limes")
    before = fruit.inner_text()
    page.get_by_text("Expected tonight, and prices").click()
    serves = page.get_by_label("Serves of Forcing Shed Daisy expected")
    serves.fill("60")
    serves.press("Enter")
    expect(fruit).not_to_have_text(before)
    price = page.get_by_label("Price of Forcing Shed Daisy")
    price.fill("0")
    price.press("Enter")
    expect(page.get_by_role("alert").filter(has_text="a price of nothing is no price".capitalize())).to_be_visible()
    expect(card(page, "Forcing Shed Daisy")).to_contain_text("of its price")


def test_the_larder_is_taken_in_as_a_table_or_refused_by_its_line(page, server, tmp_path):
    page.goto(f"{server.url}/larder")
    table = tmp_path / "larder.csv"
    table.write_text("name,kind,sugar\nHedge cordial,syrup,much\n")
    page.get_by_label("A larder as a table").set_input_files(table)
    expect(page.get_by_role("alert")).to_contain_text('Line 2, sugar: "much" is no number')
    table.write_text("name,kind,sugar\nHedge cordial,syrup,62\n")
    page.get_by_label("A larder as a table").set_input_files(table)
    expect(page.get_by_role("status")).to_contain_text("1 added")
    expect(page.get_by_role("region", name="Ingredients")).to_contain_text("Hedge cordial")


def test_rooms_stand_behind_one_button_by_keyboard_and_on_a_phone(page, server, violations):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/today")
    rooms = page.get_by_role("button", name="Rooms")
    rooms.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_role("link", name="Stillroom")).to_be_visible()
    assert violations() == []
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.keyboard.press("Escape")
    expect(page.get_by_role("link", name="Stillroom")).to_be_hidden()
    expect(rooms).to_be_focused()
    page.keyboard.press("Enter")
    page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    expect(page).to_have_url(f"{server.url}/originals")
