"""Swaps in the real interface: the whole journey by keyboard alone and by touch alone, bringing back, locks, the shelf."""

import re
from contextlib import closing
from dataclasses import replace

import pytest
from playwright.sync_api import Locator, Page, expect
from support import labels
from support.waiting import until

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.store import database, ingredients


def saved(page: Page) -> None:
    expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()


def candidates(page: Page) -> Locator:
    return page.get_by_role("listbox", name=labels.CANDIDATES).get_by_role("option")


def board_of(page: Page, url: str, drink: int, pour: str) -> None:
    page.goto(f"{url}/bench/{drink}")
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format(pour))).click()
    expect(candidates(page).first).to_be_visible()


def walk_to(page: Page, name: str) -> None:
    """By arrow keys alone, to the row of this name."""
    row = candidates(page).filter(has_text=re.compile(f"^{name}"))
    expect(row.first).to_be_visible()
    page.keyboard.press("Home")
    for _ in range(60):
        if row.count() and row.first.get_attribute("aria-selected") == "true":
            return
        page.keyboard.press("ArrowDown")
    raise AssertionError(f"{name} wasn't reached")


def test_a_swap_from_opening_to_keeping_by_keyboard_alone(page, server):
    page.goto(f"{server.url}/bench/4")
    sweetness = page.get_by_role("article", name=labels.SWEETNESS)
    expect(sweetness).to_contain_text(labels.NO_CHANGE)
    liqueur = page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Dry curaçao")))
    for _ in range(40):
        if liqueur.evaluate("it => it === document.activeElement"):
            break
        page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name=labels.INSTEAD_OF.format("Dry curaçao"))).to_be_visible()
    expect(page.get_by_role("listbox", name=labels.CANDIDATES)).to_be_focused()

    # Walk: the ghost and the figures that would be follow the row.
    walk_to(page, "Triple sec")
    expect(page.get_by_test_id("ghost-point")).to_be_visible()
    expect(sweetness).to_contain_text(labels.WOULD_BE)
    row = candidates(page).filter(has_text=re.compile(labels.TRIPLE_SEC))
    expect(row).to_contain_text(re.compile(labels.SS_WEETER_WANTS))

    # A sweeter liqueur wants less of the syrup. Lock that with one key: what is wanted changes, and no longer touches it.
    wanted = re.compile("To rebalance:.*rhubarb syrup")
    expect(row).to_contain_text(wanted)
    page.keyboard.press("3")
    expect(page.get_by_role("button", name=re.compile(labels.LOCKED.format("Rhubarb syrup")))).to_have_attribute("aria-pressed", "true")
    expect(row).not_to_contain_text(wanted)
    page.keyboard.press("3")
    expect(row).to_contain_text(wanted)

    # Try it on: the figures are the drink's now, and nothing is saved. Escape takes it off.
    walk_to(page, "Triple sec")
    page.keyboard.press("t")
    expect(page.get_by_role("region", name=labels.BALANCE)).to_contain_text(labels.TRYING_ON.format("Triple sec"))
    expect(page.get_by_role("button", name=labels.UNDO, exact=True)).to_be_enabled()
    page.keyboard.press("Escape")
    expect(page.get_by_role("region", name=labels.BALANCE)).to_contain_text(labels.THE_RING)

    # Take it, take it back, take it again, and keep it.
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Triple sec")))).to_be_visible()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Rhubarb syrup"))).not_to_have_value("12.5")
    page.keyboard.press("Control+z")
    expect(liqueur).to_be_visible()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Rhubarb syrup"))).to_have_value("12.5")
    page.keyboard.press("Control+y")
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Triple sec")))).to_be_visible()
    saved(page)
    page.keyboard.press("k")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("navigation", name=labels.TRIALS, exact=True)).to_contain_text(re.compile(labels.N_3_TRIPLE_SEC, re.IGNORECASE))


@pytest.fixture
def touch(browser, server):
    """A tablet that knows fingers only."""
    context = browser.new_context(viewport={"width": 820, "height": 1180}, has_touch=True, reduced_motion="reduce")
    page = context.new_page()
    yield page
    context.close()


@pytest.mark.deep
def test_the_same_journey_by_touch_alone(touch, server):
    page = touch
    page.goto(f"{server.url}/bench/2")
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Lemon juice"))).tap()
    row = candidates(page).filter(has_text="Acid-adjusted orange juice")
    row.first.scroll_into_view_if_needed()
    row.first.tap()
    expect(row.first).to_have_attribute("aria-selected", "true")
    page.get_by_role("button", name=re.compile(labels.FREE_TO_MOVE.format("Apple brandy"))).tap()
    expect(page.get_by_role("button", name=re.compile(labels.LOCKED_2.format("Apple brandy")))).to_be_visible()
    page.get_by_role("button", name=labels.TRY_IT_ON).tap()
    expect(page.get_by_role("region", name=labels.BALANCE)).to_contain_text(labels.TRYING_ON_ACID_ADJUSTED)
    page.get_by_role("button", name=labels.AS_USUAL).tap()
    page.get_by_role("button", name=labels.USE_THIS, exact=False).filter(has_text=labels.USE_THIS).last.tap()
    taken = page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Acid-adjusted orange juice")))
    expect(taken).to_be_visible()
    saved(page)
    page.get_by_role("button", name=labels.UNDO, exact=True).tap()
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Lemon juice")))).to_be_visible()
    page.get_by_role("button", name=labels.REDO).tap()
    expect(taken).to_be_visible()
    page.get_by_role("button", name=labels.SAVE_TRIAL).tap()
    page.get_by_role("button", name=labels.SAVE, exact=True).tap()
    expect(page.get_by_role("navigation", name=labels.TRIALS, exact=True)).to_contain_text("3. ")


def test_bring_it_back_moves_what_is_free_and_says_what_cannot_be_reached(page, server):
    page.goto(f"{server.url}/bench/4")
    page.get_by_label(labels.AMOUNT_OF.format("Lime juice")).fill("35")
    acidity = page.get_by_role("article", name=labels.ACIDITY)
    expect(acidity).to_contain_text(labels.SHARPER)
    # L locks the pour that the hand is on: here the lime, so that only the others can move.
    page.get_by_role("button", name=labels.LOCK.format("Lime juice")).focus()
    page.keyboard.press("l")
    expect(page.get_by_role("button", name=labels.LOCK.format("Lime juice"))).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("b")
    left = page.get_by_role("region", name=labels.WHAT_IS_LEFT)
    moves = page.get_by_role("region", name=labels.OPTIONS)
    expect(moves).not_to_contain_text("lime juice")
    page.keyboard.press("3")
    expect(moves).to_contain_text("lime juice")
    expect(left).to_contain_text(labels.AS_SWEET_AS_SHARP_AS_STRONG)
    expect(page.get_by_role("region", name=labels.WHAT_EACH_DID)).to_contain_text(labels.LESS.format("lime juice"))
    page.keyboard.press("t")
    expect(acidity).not_to_contain_text(labels.SHARPER)
    page.keyboard.press("Enter")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Lime juice"))).to_have_value("22.5")
    page.keyboard.press("Control+z")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Lime juice"))).to_have_value("35")

    # With everything locked there is nothing to search, and that is a sentence.
    page.keyboard.press("b")
    for key in "1234":
        page.keyboard.press(key)
    expect(page.get_by_role("alert")).to_have_text(labels.NO_POUR_IS_FREE_TO_MOVE_FREE_ONE_OR_LET_A_CO)


def test_the_ways_are_walked_by_keys_the_second_is_taken_and_undone(page, server):
    page.goto(f"{server.url}/bench/3")
    gin, lemon = page.get_by_label(labels.AMOUNT_OF.format("London dry gin")), page.get_by_label(labels.AMOUNT_OF.format("Lemon juice"))
    expect(gin).to_have_value("45")
    page.keyboard.press("b")
    ways = page.get_by_role("radiogroup", name=labels.WAYS_TO_TAKE_IT).get_by_role("radio")
    expect(ways).to_have_count(3)
    expect(ways.nth(0)).to_be_checked()
    # The liqueur that the riff is about stays in the first, which pours less lemon.
    expect(ways.nth(0)).to_contain_text(labels.N_5_ML_LEMON_JUICE)
    expect(ways.nth(0)).not_to_contain_text(labels.SEA_BUCKTHORN)
    landed = page.get_by_test_id("ghost-point").bounding_box()
    page.keyboard.press("ArrowDown")
    expect(ways.nth(1)).to_be_checked()
    expect(ways.nth(1)).to_contain_text(labels.MOVES_THE_ONLY.format("London dry gin"))
    expect(ways.nth(1)).to_contain_text(labels.COSTS_IN_CHARACTER)
    # The field is drawn after the list.
    until(lambda: page.get_by_test_id("ghost-point").bounding_box() != landed)
    page.keyboard.press("ArrowRight")
    expect(ways.nth(2)).to_be_checked()
    page.keyboard.press("ArrowLeft")
    # Tried on, the arrows try the next way on.
    acidity = page.get_by_role("article", name=labels.ACIDITY)
    page.keyboard.press("t")
    expect(acidity).to_contain_text(labels.A_TOUCH_SHARPER)
    page.keyboard.press("ArrowUp")
    expect(acidity).to_contain_text(labels.AS_SHARP_TO_THE_TONGUE)
    page.keyboard.press("ArrowDown")
    expect(acidity).to_contain_text(labels.A_TOUCH_SHARPER)
    page.keyboard.press("Enter")
    expect(gin).to_have_value("55")
    expect(lemon).to_have_value("22.5")
    page.keyboard.press("Control+z")
    expect(gin).to_have_value("45")


@pytest.mark.deep
def test_the_ways_are_walked_by_touch_on_a_phone(browser, server):
    context = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True)
    page = context.new_page()
    page.goto(f"{server.url}/bench/3")
    page.get_by_role("button", name=labels.REBALANCE).tap()
    ways = page.get_by_role("radiogroup", name=labels.WAYS_TO_TAKE_IT).get_by_role("radio")
    ways.nth(1).tap()
    expect(ways.nth(1)).to_be_checked()
    page.get_by_role("button", name=re.compile(labels.TAKE_IT_ALONG)).tap()
    expect(page.get_by_label(labels.AMOUNT_OF.format("London dry gin"))).to_have_value("55")
    page.get_by_role("button", name=labels.UNDO, exact=True).tap()
    expect(page.get_by_label(labels.AMOUNT_OF.format("London dry gin"))).to_have_value("45")
    context.close()


@pytest.mark.deep
def test_the_row_in_the_hand_has_ways_of_its_own(page, server):
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    walk_to(page, "Fruit cup liqueur")
    ways = page.get_by_role("region", name=labels.WAYS_TO_TAKE_IT).get_by_role("radio")
    expect(ways.nth(1)).to_be_visible()
    page.keyboard.press("ArrowRight")
    expect(ways.nth(1)).to_be_checked()
    expect(ways.nth(1)).to_have_text(re.compile(labels.MOVES_THE_ONLY_2))
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Fruit cup liqueur")))).to_be_visible()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Fruit cup liqueur"))).to_have_value("30")
    expect(page.get_by_label(labels.AMOUNT_OF.format("London dry gin"))).to_have_value("45")


def test_a_base_is_split_and_both_parts_stand_among_the_pours(page, server):
    board_of(page, server.url, 2, "Apple brandy")
    page.get_by_role("group", name=labels.HOW_MUCH_OF_IT).get_by_role("button", name=labels.HALF).click()
    expect(candidates(page).first).to_contain_text(labels.HALF_AND_HALF_WITH.format("Apple brandy"))
    # Rows may still move while the search goes on: the one that is chosen stays chosen.
    candidates(page).first.click()
    name = page.get_by_role("option", selected=True).filter(has_text="half and half").inner_text().split(",")[0]
    page.get_by_role("button", name=labels.USE_THIS, exact=False).filter(has_text=labels.ENTER).click()
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Apple brandy")))).to_be_visible()
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format(name)))).to_be_visible()


def test_the_board_is_ordered_and_filtered_and_others_may_join(page, server):
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    orders = {}
    for order in (labels.BALANCE, labels.AROMA, labels.BOTH):
        page.get_by_role("group", name=labels.IN_ORDER_OF).get_by_role("button", name=order).click()
        orders[order] = candidates(page).first.inner_text().split("\n")[0]
    assert len(set(orders.values())) > 1
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    page.get_by_role("checkbox", name=labels.WITHOUT_ALCOHOL).check()
    page.locator("summary").filter(has_text=labels.LEFT_OUT).click()
    expect(page.get_by_role("listitem").filter(has_text="Quince liqueur")).to_contain_text(labels.IT_HAS_ALCOHOL)
    page.get_by_role("checkbox", name=labels.WITHOUT_ALCOHOL).uncheck()
    hand = page.get_by_role("group", name=labels.STOCK)
    hand.get_by_role("button", name=labels.AT_HAND_FIRST).click()
    expect(candidates(page).first).to_contain_text(re.compile(labels.AT_HAND_LOW))
    assert candidates(page).count() > 10
    hand.get_by_role("button", name=labels.ONLY_AT_HAND).click()
    expect(candidates(page)).to_have_count(3)
    page.get_by_label(labels.AT_MOST).fill("1")
    page.get_by_label(labels.AT_MOST).press("Enter")
    expect(page.get_by_text(labels.NOTHING_AT_HAND_CAN_DO_THIS_JOB)).to_be_visible()
    page.get_by_label(labels.AT_MOST).fill("")
    page.get_by_label(labels.AT_MOST).press("Enter")
    page.get_by_role("group", name=labels.STOCK).get_by_role("button", name=labels.ALL_INGREDIENTS).click()
    expect(candidates(page).first).to_be_visible()
    page.get_by_label(labels.OF_THE_KIND).select_option("aromatised")
    expect(candidates(page).first).to_contain_text(re.compile(labels.VV_ERMOUTH_QQ_UINQUINA_AA_PERITIF))
    page.get_by_label(labels.OF_THE_KIND).select_option("")
    # The mouse over a row shows where it leads without choosing it.
    chosen = page.get_by_role("option", selected=True).last.inner_text()
    candidates(page).nth(3).hover()
    expect(page.get_by_role("region", name=labels.BALANCE)).to_contain_text(
        candidates(page).nth(3).locator("p").first.inner_text().split(" ·")[0][:12]
    )
    assert page.get_by_role("option", selected=True).last.inner_text() == chosen
    page.get_by_role("checkbox", name=re.compile(labels.OTHERS_MAY_JOIN)).check()
    page.get_by_label(labels.SWAP_IT).select_option("hold_acid")
    expect(candidates(page).filter(has_text=labels.IT_CANT_HOLD_THE_ACIDITY_ALONE).first).to_be_visible()


def test_a_bottle_comes_from_its_label_to_the_shelf_and_on_to_the_board(page, server):
    page.goto(f"{server.url}/shelf")
    expect(page.get_by_role("region", name=labels.IN_STOCK, exact=True)).to_contain_text("London dry gin")
    page.get_by_role("button", name=labels.ADD_A_BOTTLE).click()
    bottle = page.get_by_role("dialog", name=labels.BOTTLE_FROM_LABEL)
    bottle.get_by_label(labels.NAME, exact=True).fill("Medlar liqueur")
    bottle.get_by_role("combobox", name=labels.KIND, exact=True).select_option("liqueur")
    bottle.get_by_label(labels.STRENGTH).fill("36")
    bottle.get_by_role("button", name=labels.PROOF).click()
    bottle.get_by_label(labels.OR_ITS_WORD_FOR_IT).select_option("sweet")
    bottle.get_by_label(labels.MOST_LIKE).select_option(label="Quince liqueur")
    bottle.get_by_label(labels.PRICE_OF_A_LITRE).fill("28")
    bottle.get_by_role("button", name=labels.ADD_TO_STOCK).click()
    expect(page.get_by_role("status")).to_contain_text(labels.MEDLAR_LIQUEUR_IS_ON_THE_SHELF)
    expect(page.get_by_role("region", name=labels.IN_STOCK, exact=True)).to_contain_text(labels.LIQUEUR_18_PERCENT_24_G_SUGAR)
    expect(page.get_by_label("Price per litre of Medlar liqueur")).to_have_value("28")
    for name in ("Quince liqueur", "Dry curaçao", "Elderflower liqueur"):
        page.get_by_role("group", name=labels.HOW_STANDS.format(name)).get_by_role("button", name=labels.OUT).click()

    # One that was misread is added and taken out again.
    page.get_by_role("button", name=labels.ADD_A_BOTTLE).click()
    bottle.get_by_label(labels.NAME, exact=True).fill("Misread")
    bottle.get_by_role("button", name=labels.ADD_TO_STOCK).click()
    page.get_by_role("button", name=labels.REMOVE_MISREAD).click()
    expect(page.get_by_role("button", name=labels.REMOVE_MISREAD)).to_have_count(0)

    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    page.get_by_role("button", name=labels.ONLY_AT_HAND).click()
    # The quince liqueur is out on the shelf, and a bottle of it is open.
    expect(candidates(page)).to_have_count(2)
    expect(candidates(page).filter(has_text=labels.MEDLAR_LIQUEUR_AT_HAND)).to_have_count(1)
    expect(candidates(page).filter(has_text=labels.QUINCE_LIQUEUR_OPEN)).to_have_count(1)


@pytest.mark.deep
def test_what_a_swap_goes_for_is_chosen_once_and_remembered(page, server):
    board_of(page, server.url, 4, "Dry curaçao")
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    page.get_by_label(labels.BRING_IT_TO).select_option("typed")
    page.get_by_label(labels.SWEETNESS_G_100_ML).fill("12")
    page.get_by_label(labels.SWEETNESS_G_100_ML).press("Enter")
    row = candidates(page).filter(has_text=re.compile(labels.TRIPLE_SEC))
    expect(row).to_contain_text(re.compile(labels.DD_RIER))
    page.get_by_role("group", name=labels.STEPS_OF_THE_JIGGER).get_by_role("button", name="¼ oz").click()
    page.get_by_role("group", name=labels.IN_ORDER_OF).get_by_role("button", name=labels.BALANCE).click()
    page.reload()
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Dry curaçao"))).click()
    expect(page.get_by_role("button", name=labels.BALANCE)).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    expect(page.get_by_label(labels.BRING_IT_TO)).to_have_value("typed")
    expect(page.get_by_label(labels.SWEETNESS_G_100_ML)).to_have_value("12")
    page.get_by_label(labels.BRING_IT_TO).select_option("home")
    expect(candidates(page).first).to_be_visible()


@pytest.mark.deep
def test_a_tried_on_swap_is_not_saved_and_a_reload_finds_the_draft_as_it_was(page, server):
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    before = page.request.get(f"{server.url}/api/drinks/3").json()["draft"]
    page.keyboard.press("t")
    expect(page.get_by_role("region", name=labels.BALANCE)).to_contain_text(labels.TRYING_ON_2)
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("region", name=labels.BALANCE)).to_contain_text(labels.TRYING_ON_2)
    page.reload()
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Sea-buckthorn liqueur")))).to_be_visible()
    assert page.request.get(f"{server.url}/api/drinks/3").json()["draft"] == before


@pytest.mark.deep
def test_a_lock_is_undone_like_any_change(page, server):
    page.goto(f"{server.url}/bench/1")
    lock = page.get_by_role("button", name=labels.LOCK.format("London dry gin"))
    expect(lock).to_have_attribute("aria-pressed", "false")
    lock.click()
    expect(lock).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Control+z")
    expect(lock).to_have_attribute("aria-pressed", "false")


@pytest.mark.deep
def test_a_larder_of_hundreds_comes_part_by_part_and_ends_whole(page, server):
    shipped = catalogue()["orange-liqueur-dry"]
    with closing(database.connect(server.data)) as conn, database.transaction(conn):
        for number in range(540):
            ingredients.put(conn, replace(shipped, slug=f"cask-{number}", name=f"Cask liqueur {number}", origin="house"))
    parts = []
    page.on("response", lambda answer: parts.append(answer) if "/swaps/stream" in answer.url else None)
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    page.get_by_role("searchbox", name=labels.SEARCH_SWAPS).fill("cask")
    expect(candidates(page)).to_have_count(540)
    expect(page.get_by_role("progressbar")).to_have_count(0)
    # The body of a stream isn't kept by the browser: the same question, asked once more, comes in as many parts.
    asked = parts[-1].request
    again = page.request.post(asked.url, data=asked.post_data_json, headers={"origin": server.url})
    assert len([line for line in again.text().splitlines() if line]) > 2
