"""Swaps in the real interface: the whole journey by keyboard alone and by touch alone, bringing back, locks, the shelf."""

import re
from contextlib import closing
from dataclasses import replace

import pytest
from playwright.sync_api import Locator, Page, expect

from oenomel.core.larder.larder_files import catalogue
from oenomel.store import database, ingredients


def saved(page: Page) -> None:
    expect(page.get_by_text("· draft saved")).to_be_visible()


def candidates(page: Page) -> Locator:
    return page.get_by_role("listbox", name="Candidates").get_by_role("option")


def board_of(page: Page, url: str, drink: int, pour: str) -> None:
    page.goto(f"{url}/bench/{drink}")
    page.get_by_role("button", name=re.compile(f"^{pour} .*Choose another")).click()
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
    sweetness = page.get_by_role("article", name="Sweetness")
    expect(sweetness).to_contain_text("As the parent")
    liqueur = page.get_by_role("button", name=re.compile("^Dry curaçao .*Choose another"))
    for _ in range(40):
        if liqueur.evaluate("it => it === document.activeElement"):
            break
        page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Instead of Dry curaçao")).to_be_visible()
    expect(page.get_by_role("listbox", name="Candidates")).to_be_focused()

    # Walk: the ghost and the figures that would be follow the row.
    walk_to(page, "Triple sec")
    expect(page.get_by_test_id("ghost-point")).to_be_visible()
    expect(sweetness).to_contain_text("would be")
    row = candidates(page).filter(has_text=re.compile("^Triple sec"))
    expect(row).to_contain_text(re.compile(r"[Ss]weeter.*; wants"))

    # A sweeter liqueur wants less of the syrup. Lock that with one key: what is wanted changes, and no longer touches it.
    wanted = re.compile("wants.*rhubarb syrup")
    expect(row).to_contain_text(wanted)
    page.keyboard.press("3")
    expect(page.get_by_role("button", name=re.compile("^Rhubarb syrup.*locked"))).to_have_attribute("aria-pressed", "true")
    expect(row).not_to_contain_text(wanted)
    page.keyboard.press("3")
    expect(row).to_contain_text(wanted)

    # Try it on: the figures are the drink's now, and nothing is saved. Escape takes it off.
    walk_to(page, "Triple sec")
    page.keyboard.press("t")
    expect(page.get_by_role("region", name="Where it stands")).to_contain_text("trying on Triple sec")
    expect(page.get_by_role("button", name="Undo")).to_be_enabled()
    page.keyboard.press("Escape")
    expect(page.get_by_role("region", name="Where it stands")).to_contain_text("the ring")

    # Take it, take it back, take it again, and keep it.
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile("^Triple sec .*Choose another"))).to_be_visible()
    expect(page.get_by_label("Amount of Rhubarb syrup")).not_to_have_value("12.5")
    page.keyboard.press("Control+z")
    expect(liqueur).to_be_visible()
    expect(page.get_by_label("Amount of Rhubarb syrup")).to_have_value("12.5")
    page.keyboard.press("Control+y")
    expect(page.get_by_role("button", name=re.compile("^Triple sec .*Choose another"))).to_be_visible()
    saved(page)
    page.keyboard.press("k")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("navigation", name="Trials")).to_contain_text(re.compile("3. .*triple sec", re.IGNORECASE))


@pytest.fixture
def touch(browser, server):
    """A tablet that knows fingers only."""
    context = browser.new_context(viewport={"width": 820, "height": 1180}, has_touch=True, reduced_motion="reduce")
    page = context.new_page()
    yield page
    context.close()


def test_the_same_journey_by_touch_alone(touch, server):
    page = touch
    page.goto(f"{server.url}/bench/2")
    page.get_by_role("button", name=re.compile("^Lemon juice .*Choose another")).tap()
    row = candidates(page).filter(has_text="Acid-adjusted orange juice")
    row.first.scroll_into_view_if_needed()
    row.first.tap()
    expect(row.first).to_have_attribute("aria-selected", "true")
    page.get_by_role("button", name=re.compile("^Apple brandy .*free to move")).tap()
    expect(page.get_by_role("button", name=re.compile("^Apple brandy .*locked"))).to_be_visible()
    page.get_by_role("button", name="Try it on").tap()
    expect(page.get_by_role("region", name="Where it stands")).to_contain_text("trying on Acid-adjusted")
    page.get_by_role("button", name="Take it off again").tap()
    page.get_by_role("button", name="Take it", exact=False).filter(has_text="Take it").last.tap()
    taken = page.get_by_role("button", name=re.compile("^Acid-adjusted orange juice .*Choose another"))
    expect(taken).to_be_visible()
    saved(page)
    page.get_by_role("button", name="Undo").tap()
    expect(page.get_by_role("button", name=re.compile("^Lemon juice .*Choose another"))).to_be_visible()
    page.get_by_role("button", name="Redo").tap()
    expect(taken).to_be_visible()
    page.get_by_role("button", name="Keep as trial").tap()
    page.get_by_role("button", name="Keep it").tap()
    expect(page.get_by_role("navigation", name="Trials")).to_contain_text("3. ")


def test_bring_it_back_moves_what_is_free_and_says_what_cannot_be_reached(page, server):
    page.goto(f"{server.url}/bench/4")
    page.get_by_label("Amount of Lime juice").fill("35")
    acidity = page.get_by_role("article", name="Acidity")
    expect(acidity).to_contain_text("Sharper")
    # L locks the pour that the hand is on: here the lime, so that only the others can move.
    page.get_by_role("button", name="Lock Lime juice").focus()
    page.keyboard.press("l")
    expect(page.get_by_role("button", name="Lock Lime juice")).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("b")
    left = page.get_by_role("region", name="What is left")
    moves = page.get_by_role("region", name="What to pour")
    expect(moves).not_to_contain_text("lime juice")
    page.keyboard.press("3")
    expect(moves).to_contain_text("lime juice")
    expect(left).to_contain_text("As sweet, as sharp, as strong")
    expect(page.get_by_role("region", name="What each did")).to_contain_text("less lime juice")
    page.keyboard.press("t")
    expect(acidity).not_to_contain_text("Sharper")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Amount of Lime juice")).to_have_value("22.5")
    page.keyboard.press("Control+z")
    expect(page.get_by_label("Amount of Lime juice")).to_have_value("35")

    # With everything locked there is nothing to search, and that is a sentence.
    page.keyboard.press("b")
    for key in "1234":
        page.keyboard.press(key)
    expect(page.get_by_role("alert")).to_have_text("No pour is free to move: free one, or let a corrector join.")


def test_the_ways_are_walked_by_keys_the_second_is_taken_and_undone(page, server):
    page.goto(f"{server.url}/bench/3")
    gin, lemon = page.get_by_label("Amount of London dry gin"), page.get_by_label("Amount of Lemon juice")
    expect(gin).to_have_value("45")
    page.keyboard.press("b")
    ways = page.get_by_role("radiogroup", name="Ways to bring it there").get_by_role("radio")
    expect(ways).to_have_count(3)
    expect(ways.nth(0)).to_be_checked()
    # The liqueur that the riff is about stays in the first, which pours less lemon.
    expect(ways.nth(0)).to_contain_text("− 5 ml lemon juice")
    expect(ways.nth(0)).not_to_contain_text("sea-buckthorn")
    landed = page.get_by_test_id("ghost-point").bounding_box()
    page.keyboard.press("ArrowDown")
    expect(ways.nth(1)).to_be_checked()
    expect(ways.nth(1)).to_contain_text("Moves the London dry gin only")
    expect(ways.nth(1)).to_contain_text("Costs in character")
    assert page.get_by_test_id("ghost-point").bounding_box() != landed
    page.keyboard.press("ArrowRight")
    expect(ways.nth(2)).to_be_checked()
    page.keyboard.press("ArrowLeft")
    # Tried on, the arrows try the next way on.
    acidity = page.get_by_role("article", name="Acidity")
    page.keyboard.press("t")
    expect(acidity).to_contain_text("A touch sharper")
    page.keyboard.press("ArrowUp")
    expect(acidity).to_contain_text("As sharp, to the tongue")
    page.keyboard.press("ArrowDown")
    expect(acidity).to_contain_text("A touch sharper")
    page.keyboard.press("Enter")
    expect(gin).to_have_value("55")
    expect(lemon).to_have_value("22.5")
    page.keyboard.press("Control+z")
    expect(gin).to_have_value("45")


def test_the_ways_are_walked_by_touch_on_a_phone(browser, server):
    context = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True)
    page = context.new_page()
    page.goto(f"{server.url}/bench/3")
    page.get_by_role("button", name="Bring it back").tap()
    ways = page.get_by_role("radiogroup", name="Ways to bring it there").get_by_role("radio")
    ways.nth(1).tap()
    expect(ways.nth(1)).to_be_checked()
    page.get_by_role("button", name=re.compile("^Take it(?! along)")).tap()
    expect(page.get_by_label("Amount of London dry gin")).to_have_value("55")
    page.get_by_role("button", name="Undo").tap()
    expect(page.get_by_label("Amount of London dry gin")).to_have_value("45")
    context.close()


def test_the_row_in_the_hand_has_ways_of_its_own(page, server):
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    walk_to(page, "Fruit cup liqueur")
    ways = page.get_by_role("region", name="Ways to take it").get_by_role("radio")
    expect(ways.nth(1)).to_be_visible()
    page.keyboard.press("ArrowRight")
    expect(ways.nth(1)).to_be_checked()
    expect(ways.nth(1)).to_have_text(re.compile("^Moves the .* only$"))
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile("^Fruit cup liqueur .*Choose another"))).to_be_visible()
    expect(page.get_by_label("Amount of Fruit cup liqueur")).to_have_value("30")
    expect(page.get_by_label("Amount of London dry gin")).to_have_value("45")


def test_a_base_is_split_and_both_parts_stand_among_the_pours(page, server):
    board_of(page, server.url, 2, "Apple brandy")
    page.get_by_role("group", name="How much of it").get_by_role("button", name="Half").click()
    expect(candidates(page).first).to_contain_text("half and half with Apple brandy")
    # Rows may still move while the search goes on: the one that is chosen stays chosen.
    candidates(page).first.click()
    name = page.get_by_role("option", selected=True).filter(has_text="half and half").inner_text().split(",")[0]
    page.get_by_role("button", name="Take it", exact=False).filter(has_text="Enter").click()
    expect(page.get_by_role("button", name=re.compile("^Apple brandy .*Choose another"))).to_be_visible()
    expect(page.get_by_role("button", name=re.compile(f"^{name} .*Choose another"))).to_be_visible()


def test_the_board_is_ordered_and_filtered_and_others_may_join(page, server):
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    orders = {}
    for order in ("Balance", "Aroma", "Both"):
        page.get_by_role("group", name="In order of").get_by_role("button", name=order).click()
        orders[order] = candidates(page).first.inner_text().split("\n")[0]
    assert len(set(orders.values())) > 1
    page.get_by_role("button", name="How").click()
    page.get_by_role("checkbox", name="Without alcohol").check()
    page.locator("summary").filter(has_text="Left out").click()
    expect(page.get_by_role("listitem").filter(has_text="Quince liqueur")).to_contain_text("It has alcohol.")
    page.get_by_role("checkbox", name="Without alcohol").uncheck()
    hand = page.get_by_role("group", name="What is at hand")
    hand.get_by_role("button", name="At hand first").click()
    expect(candidates(page).first).to_contain_text(re.compile("· (at hand|low)"))
    assert candidates(page).count() > 10
    hand.get_by_role("button", name="Only at hand").click()
    expect(candidates(page)).to_have_count(3)
    page.get_by_label("At most").fill("1")
    page.get_by_label("At most").press("Enter")
    expect(page.get_by_text("Nothing at hand can do this job.")).to_be_visible()
    page.get_by_label("At most").fill("")
    page.get_by_label("At most").press("Enter")
    page.get_by_role("group", name="What is at hand").get_by_role("button", name="The whole larder").click()
    expect(candidates(page).first).to_be_visible()
    page.get_by_label("Of the kind").select_option("aromatised")
    expect(candidates(page).first).to_contain_text(re.compile("[Vv]ermouth|[Qq]uinquina|[Aa]peritif"))
    page.get_by_label("Of the kind").select_option("")
    # The mouse over a row shows where it leads without choosing it.
    chosen = page.get_by_role("option", selected=True).last.inner_text()
    candidates(page).nth(3).hover()
    expect(page.get_by_role("region", name="Where it stands")).to_contain_text(
        candidates(page).nth(3).locator("p").first.inner_text().split(" ·")[0][:12]
    )
    assert page.get_by_role("option", selected=True).last.inner_text() == chosen
    page.get_by_role("checkbox", name=re.compile("Others may join")).check()
    page.get_by_label("Swap it").select_option("hold_acid")
    expect(candidates(page).filter(has_text="It can't hold the acidity alone").first).to_be_visible()


def test_a_bottle_comes_from_its_label_to_the_shelf_and_on_to_the_board(page, server):
    page.goto(f"{server.url}/shelf")
    expect(page.get_by_role("region", name="On the shelf", exact=True)).to_contain_text("London dry gin")
    page.get_by_role("button", name="Add a bottle").click()
    bottle = page.get_by_role("dialog", name="A bottle from its label")
    bottle.get_by_label("Name", exact=True).fill("Medlar liqueur")
    bottle.get_by_role("combobox", name="Kind", exact=True).select_option("liqueur")
    bottle.get_by_label("Strength").fill("36")
    bottle.get_by_role("button", name="proof").click()
    bottle.get_by_label("or its word for it").select_option("sweet")
    bottle.get_by_label("Most like").select_option(label="Quince liqueur")
    bottle.get_by_label("Price of a litre").fill("28")
    bottle.get_by_role("button", name="Put it on the shelf").click()
    expect(page.get_by_role("status")).to_contain_text("Medlar liqueur is on the shelf.")
    expect(page.get_by_role("region", name="On the shelf", exact=True)).to_contain_text("Liqueur, 18 %, 24 g sugar")
    expect(page.get_by_label("Price of a litre of Medlar liqueur")).to_have_value("28")
    for name in ("Quince liqueur", "Dry curaçao", "Elderflower liqueur"):
        page.get_by_role("group", name=f"How {name} stands").get_by_role("button", name="Out").click()

    # One that was misread is added and taken out again.
    page.get_by_role("button", name="Add a bottle").click()
    bottle.get_by_label("Name", exact=True).fill("Misread")
    bottle.get_by_role("button", name="Put it on the shelf").click()
    page.get_by_role("button", name="Remove Misread").click()
    expect(page.get_by_role("button", name="Remove Misread")).to_have_count(0)

    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    page.get_by_role("button", name="How").click()
    page.get_by_role("button", name="Only at hand").click()
    expect(candidates(page)).to_have_count(1)
    expect(candidates(page)).to_contain_text("Medlar liqueur · at hand")


def test_what_a_swap_goes_for_is_chosen_once_and_remembered(page, server):
    board_of(page, server.url, 4, "Dry curaçao")
    page.get_by_role("button", name="How").click()
    page.get_by_label("Bring it to").select_option("typed")
    page.get_by_label("Sweetness, g / 100 ml").fill("12")
    page.get_by_label("Sweetness, g / 100 ml").press("Enter")
    row = candidates(page).filter(has_text=re.compile("^Triple sec"))
    expect(row).to_contain_text(re.compile("[Dd]rier"))
    page.get_by_role("group", name="Steps of the jigger").get_by_role("button", name="¼ oz").click()
    page.get_by_role("group", name="In order of").get_by_role("button", name="Balance").click()
    page.reload()
    page.get_by_role("button", name=re.compile("^Dry curaçao .*Choose another")).click()
    expect(page.get_by_role("button", name="Balance")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="How").click()
    expect(page.get_by_label("Bring it to")).to_have_value("typed")
    expect(page.get_by_label("Sweetness, g / 100 ml")).to_have_value("12")
    page.get_by_label("Bring it to").select_option("home")
    expect(candidates(page).first).to_be_visible()


def test_a_tried_on_swap_is_not_saved_and_a_reload_finds_the_draft_as_it_was(page, server):
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    before = page.request.get(f"{server.url}/api/drinks/3").json()["draft"]
    page.keyboard.press("t")
    expect(page.get_by_role("region", name="Where it stands")).to_contain_text("trying on")
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("region", name="Where it stands")).to_contain_text("trying on")
    page.reload()
    expect(page.get_by_role("button", name=re.compile("^Sea-buckthorn liqueur .*Choose another"))).to_be_visible()
    assert page.request.get(f"{server.url}/api/drinks/3").json()["draft"] == before


def test_a_lock_is_undone_like_any_change(page, server):
    page.goto(f"{server.url}/bench/1")
    lock = page.get_by_role("button", name="Lock London dry gin")
    expect(lock).to_have_attribute("aria-pressed", "false")
    lock.click()
    expect(lock).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Control+z")
    expect(lock).to_have_attribute("aria-pressed", "false")


def test_a_larder_of_hundreds_comes_part_by_part_and_ends_whole(page, server):
    shipped = catalogue()["orange-liqueur-dry"]
    with closing(database.connect(server.data)) as conn, database.transaction(conn):
        for number in range(540):
            ingredients.put(conn, replace(shipped, slug=f"cask-{number}", name=f"Cask liqueur {number}", origin="house"))
    parts = []
    page.on("response", lambda answer: parts.append(answer) if "/swaps/stream" in answer.url else None)
    board_of(page, server.url, 3, "Sea-buckthorn liqueur")
    page.get_by_role("searchbox", name="Search the board").fill("cask")
    expect(candidates(page)).to_have_count(540)
    expect(page.get_by_role("progressbar")).to_have_count(0)
    # The body of a stream isn't kept by the browser: the same question, asked once more, comes in as many parts.
    asked = parts[-1].request
    again = page.request.post(asked.url, data=asked.post_data_json, headers={"origin": server.url})
    assert len([line for line in again.text().splitlines() if line]) > 2
