"""What people expect of any tool: keys, names, themes, a server that goes away, a second window."""

import re

import pytest
from playwright.sync_api import Page, expect


def saved(page: Page) -> None:
    expect(page.get_by_role("status").filter(has_text="draft")).to_have_text("· draft saved")


def test_the_whole_riff_goes_by_keyboard_alone(page, server):
    page.goto(f"{server.url}/bench/4")
    strength = page.get_by_role("article", name="Strength")
    expect(strength).to_contain_text("As the parent")
    # Tab to the first amount: the steppers beside it are for fingers and stand out of the way.
    for _ in range(40):
        page.keyboard.press("Tab")
        if page.evaluate("document.activeElement.dataset.amount") is not None:
            break
    expect(page.get_by_label("Amount of Tequila blanco")).to_be_focused()
    page.keyboard.press("Shift+ArrowUp")
    expect(page.get_by_label("Amount of Tequila blanco")).to_have_value("50")
    expect(strength).to_contain_text("from")
    page.keyboard.press("Control+z")
    expect(strength).to_contain_text("As the parent")
    page.keyboard.press("Control+y")
    expect(page.get_by_label("Amount of Tequila blanco")).to_have_value("50")

    # A adds a pour, Escape goes back, K keeps; none of them while something is typed.
    page.keyboard.press("a")
    expect(page.get_by_label("Amount of Tequila blanco")).to_have_value("50a")
    page.keyboard.press("Escape")
    expect(page.get_by_label("Amount of Tequila blanco")).to_have_value("50")
    page.keyboard.press("Tab")
    page.keyboard.press("a")
    search = page.get_by_role("combobox", name="Search the larder")
    expect(search).to_be_focused()
    page.keyboard.type("bitters")
    expect(page.get_by_role("listbox").get_by_role("option", selected=True)).to_contain_text("Aromatic bitters · bitters")
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("listbox").get_by_role("option", selected=True)).not_to_contain_text("Aromatic bitters")
    page.keyboard.press("Escape")
    expect(search).to_have_count(0)
    page.keyboard.press("k")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.get_by_role("navigation", name="Trials")).to_contain_text("3. More tequila blanco")
    expect(strength).to_contain_text("As the parent")


def test_the_keys_are_listed_under_the_question_mark(page, server):
    page.goto(f"{server.url}/bench/1")
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    page.keyboard.press("?")
    keys = page.get_by_role("dialog", name="Keys")
    expect(keys).to_contain_text("keep as trial")
    page.keyboard.press("k")
    expect(page.get_by_role("heading", name="Keep as trial")).to_have_count(0)
    page.keyboard.press("Escape")
    expect(keys).not_to_be_visible()


def test_bitters_join_by_the_dash_and_an_edge_seasons_no_liquid(page, server):
    page.goto(f"{server.url}/bench/1")
    before = page.get_by_test_id("sugar-now").inner_text()
    for slot, words, amount in (("Accent", "orange bitters", "2"), ("Garnish", "lemon zest", "15")):
        page.get_by_label("Pours").get_by_role("button", name="Add a pour").click()
        page.get_by_role("group", name="As what").get_by_role("button", name=slot, exact=True).click()
        page.get_by_role("combobox", name="Search the larder").fill(words)
        page.keyboard.press("Enter")
        expect(page.get_by_label(f"Amount of {words.capitalize()}")).to_have_value(amount)
    expect(page.get_by_text("dashes").first).to_be_visible()
    expect(page.get_by_role("region", name="Garnish")).to_contain_text("new in this drink")
    assert page.get_by_test_id("sugar-now").inner_text() == before


def test_units_theme_and_the_last_drink_are_remembered(page, server):
    page.goto(f"{server.url}/bench/6")
    page.get_by_role("button", name="oz").click()
    page.get_by_role("button", name="Dim theme").click()
    expect(page.locator("html")).to_have_attribute("data-theme", "late")
    page.goto(server.url)
    expect(page).to_have_url(re.compile("/bench/6$"))
    expect(page.locator("html")).to_have_attribute("data-theme", "late")
    expect(page.get_by_role("button", name="oz")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_label("Amount of Aged rum")).to_have_value("1½")
    # The same schools are told in ounces in the book.
    page.get_by_role("link", name="Book", exact=True).click()
    expect(page.get_by_text("2 oz white rum")).to_be_visible()


def test_a_drink_gets_another_name_and_the_book_tells_it(page, server):
    page.goto(f"{server.url}/bench/2")
    page.get_by_role("button", name="Rename the drink").click()
    page.get_by_label("Name of the drink").fill("Fern House Sour")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Fern House Sour")).to_be_visible()
    expect(page).to_have_title("Fern House Sour · Oenomel")
    page.get_by_role("link", name="Book", exact=True).click()
    expect(page.get_by_role("link", name=re.compile("Fern House Sour"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Walled Garden Daisy"))).to_contain_text("on the bench")


def test_another_parent_can_be_held_against_it(page, server):
    page.goto(f"{server.url}/bench/5")
    sweetness = page.get_by_role("article", name="Sweetness")
    expect(sweetness).to_contain_text("As the parent")
    page.get_by_label("a riff on").select_option(label="trial 1, As first poured")
    expect(page.get_by_role("article", name="Strength")).to_contain_text("Clearly stronger")
    saved(page)
    page.reload()
    expect(page.get_by_role("article", name="Strength")).to_contain_text("Clearly stronger")
    expect(page.get_by_test_id("parent-point")).to_be_visible()


def test_taking_the_other_window_s_draft_leaves_this_one_s_aside(page, server, context):
    page.goto(f"{server.url}/bench/1")
    other = context.new_page()
    other.goto(f"{server.url}/bench/1")
    other.get_by_role("button", name="More London dry gin").click()
    saved(other)
    other.close()
    page.get_by_role("button", name="Less London dry gin").click()
    page.get_by_role("button", name="Take the other").click()
    expect(page.get_by_label("Amount of London dry gin")).to_have_value("62.5")
    saved(page)


def test_leaving_at_once_still_saves(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name="More London dry gin").click()
    page.get_by_role("link", name="Book", exact=True).click()
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_contain_text("on the bench")
    page.get_by_role("link", name=re.compile("Hedge Gate Sour")).click()
    expect(page.get_by_label("Amount of London dry gin")).to_have_value("62.5")


def test_danger_is_told_before_what_is_good_to_know(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name=re.compile("^Hedgerow honey syrup .*Choose another")).click()
    # It isn't offered for the tin, and the reason stands beside it; who knows better takes it all the same.
    page.get_by_role("searchbox", name="Search the board").fill("soda")
    page.locator("summary").filter(has_text="Left out").click()
    expect(page.get_by_role("listitem").filter(has_text="Soda water")).to_contain_text("never goes in a closed shaker")
    page.get_by_role("button", name="Take anyway: Soda water").click()
    danger = page.get_by_role("list", name="What to mend")
    expect(danger.get_by_role("listitem").first).to_contain_text("a closed tin bursts")
    expect(danger.get_by_label("error")).to_be_visible()
    # What is no fault of the drink waits folded, and counted.
    expect(page.get_by_text("Labels of your bottles decide")).to_have_count(0)
    expect(page.get_by_role("tab", name=re.compile(r"Notes \d"))).to_be_visible()
    page.get_by_role("tab", name="Notes").click()
    expect(page.get_by_role("region", name="Good to know").get_by_text("Labels of your bottles decide")).to_be_visible()

    # The mend is one press, and undone like any other change.
    danger.get_by_role("button", name="Put Soda water on top").click()
    expect(page.get_by_role("region", name="On top")).to_contain_text("Soda water")
    expect(page.get_by_text("a closed tin bursts")).to_have_count(0)
    page.keyboard.press("Control+z")
    expect(page.get_by_text("a closed tin bursts")).to_be_visible()


@pytest.mark.parametrize(("axis", "figure"), [("sweetness", "sugar"), ("acidity", "acid"), ("strength", "abv")])
def test_each_figure_answers_why_down_to_the_source(page, server, axis, figure):
    page.goto(f"{server.url}/bench/3")
    card = page.get_by_role("article", name=axis.capitalize())
    expect(card).to_contain_text("give or take")
    expect(card).to_contain_text(re.compile(r"explains \d+\s%"))
    shown = page.get_by_test_id(f"{figure}-now").inner_text()
    page.get_by_role("button", name=f"Why this {axis}").click()
    dialog = page.get_by_role("dialog", name=re.compile(axis.capitalize()))
    pours = dialog.get_by_role("region", name="What each pour gives").get_by_role("listitem")
    pours.first.wait_for()
    given = [float(text.split()[-1]) for text in pours.locator("summary").all_inner_texts()]
    assert sum(given) == pytest.approx(float(shown), abs=0.06)
    pours.locator("summary").first.click()
    expect(pours.first).to_contain_text("÷")
    expect(pours.first).to_contain_text(re.compile("±|Regulation|invented", re.IGNORECASE))
    expect(dialog.get_by_role("region", name="How sure")).to_contain_text("Four times out of five it lies between")
    expect(dialog.get_by_role("region", name="Which change did what")).to_contain_text("sea-buckthorn liqueur for quince liqueur")
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_twenty_minutes_follow_the_ice_of_the_serve(page, server):
    page.goto(f"{server.url}/bench/3")
    page.get_by_role("button", name="served up").click()
    dialog = page.get_by_role("dialog", name="How it is served")
    minutes = dialog.get_by_role("region", name="Twenty minutes")
    expect(minutes).to_contain_text("Nothing melts: it warms from −7 °C")
    strengths: dict[str, float] = {}
    last = minutes.get_by_role("row").last
    for ice in ("On a large cube", "On cubes", "On crushed ice"):
        before = last.inner_text() if strengths else ""
        dialog.get_by_role("button", name=ice).click()
        expect(minutes.get_by_test_id("course-abv")).to_be_visible()
        # The curves come a moment after the figures.
        expect(last).not_to_have_text(before, use_inner_text=True)
        strengths[ice] = float(last.get_by_role("cell").nth(2).inner_text())
    assert strengths["On a large cube"] > strengths["On cubes"] > strengths["On crushed ice"]
    dialog.get_by_role("button", name="Close").click()
    # Each choice is a step of its own, however quickly they follow.
    undo = page.get_by_role("button", name="Undo")
    for ice in ("on cubes", "on a large cube", "served up"):
        undo.click()
        expect(page.get_by_role("button", name=ice)).to_be_visible()


def test_school_of_dilution_is_chosen_and_told_on_every_drink(page, server):
    page.goto(f"{server.url}/bench/3")
    expect(page.get_by_text("The ice gives 54 ml, by the curve.")).to_be_visible()
    strength = page.get_by_test_id("abv-now")
    before = float(strength.inner_text())
    page.get_by_role("button", name=re.compile("^Shaken 12 s")).click()
    made = page.get_by_role("dialog", name="How it is made")
    made.get_by_role("button", name="Water from the ice").click()
    dialog = page.get_by_role("dialog", name="Water from the ice")
    dialog.get_by_label("Heat balance").check()
    dialog.get_by_role("group", name="The ice is").get_by_role("button", name="from the freezer").click()
    dialog.get_by_role("button", name="Close").click()
    made.get_by_role("button", name="Close").click()
    expect(page.get_by_text("by heat balance.")).to_be_visible()
    expect(strength).not_to_have_text(str(before))
    assert float(strength.inner_text()) > before
    page.goto(f"{server.url}/bench/2")
    expect(page.get_by_text("by heat balance.")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Shaken 12 s")).click()
    made.get_by_role("button", name="Water from the ice").click()
    dialog.get_by_role("button", name="As usual").click()
    dialog.get_by_role("button", name="Close").click()
    made.get_by_role("button", name="Close").click()
    expect(page.get_by_text("by the curve.")).to_be_visible()


def test_published_ranges_are_an_overlay_and_a_trial_can_count_as_home(page, server):
    page.goto(f"{server.url}/bench/3/trials/2")
    expect(page.get_by_test_id("published")).to_have_count(0)
    page.get_by_role("button", name="Published").click()
    expect(page.get_by_test_id("published")).to_have_count(1)
    outline = page.get_by_test_id("home").get_attribute("d")
    counts = page.get_by_role("button", name="Count as home")
    counts.click()
    expect(page.get_by_role("button", name="Counts as home")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_test_id("home")).not_to_have_attribute("d", outline or "")


@pytest.mark.parametrize("view", ["/bench/3", "/bench/3/trials/1"])
def test_the_field_is_told_as_a_table_too(page, server, view):
    page.goto(server.url + view)
    table = page.get_by_role("table", name="Where the drink stands")
    expect(table.get_by_role("row")).to_have_count(3)
    shown = page.get_by_test_id("sugar-now").inner_text()
    expect(table.get_by_role("row", name=re.compile("^Now"))).to_contain_text(f"{shown}, between")
    expect(page.get_by_role("img", name=re.compile(f"Now {shown} g sugar"))).to_be_visible()


def test_search_that_finds_nothing_says_what_to_try(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name="Add a pour").click()
    page.get_by_role("group", name="As what").get_by_role("button", name="Base", exact=True).click()
    search = page.get_by_role("combobox", name="Search the larder")
    search.fill("prosekko rosado x")
    expect(page.get_by_text("Nothing in the larder is called “prosekko rosado x”.")).to_be_visible()
    search.fill("")
    expect(page.get_by_role("group", name="For the base slot")).to_contain_text("White rum")
    expect(page.get_by_role("group", name="Elsewhere in the larder")).to_contain_text("Soda water")
    page.get_by_role("button", name="Back to the pours").click()
    page.get_by_role("button", name=re.compile("^London dry gin .*Choose another")).click()
    # What nobody knows is added from its label, and stands on the board by its name.
    page.get_by_role("searchbox", name="Search the board").fill("Glasshouse spirit")
    expect(page.get_by_text("Nothing on this board is called “Glasshouse spirit”.")).to_be_visible()
    page.get_by_role("button", name="Add it from its label").click()
    bottle = page.get_by_role("dialog", name="A bottle from its label")
    expect(bottle.get_by_label("Name", exact=True)).to_have_value("Glasshouse spirit")
    bottle.get_by_role("textbox", name="Strength").fill("forty")
    bottle.get_by_role("button", name="Put it on the shelf").click()
    expect(bottle.get_by_role("alert")).to_contain_text("“forty” is no number")
    bottle.get_by_role("textbox", name="Strength").fill("43 %")
    bottle.get_by_role("button", name="Put it on the shelf").click()
    expect(page.get_by_role("option").filter(has_text="Glasshouse spirit").first).to_be_visible()


def test_the_demo_is_marked_and_is_put_back_when_asked_twice(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name="More London dry gin").click()
    saved(page)
    page.get_by_role("link", name="Book", exact=True).click()
    notice = page.get_by_role("complementary", name="Demo")
    expect(notice).to_contain_text("invented")
    sour = page.get_by_role("link", name=re.compile("Hedge Gate Sour"))
    expect(sour).to_contain_text("on the bench")
    notice.get_by_role("button", name="Put it back as it was").click()
    notice.get_by_role("button", name="Put it back").click()
    expect(sour).not_to_contain_text("on the bench")


def test_a_pour_goes_in_at_another_time_and_only_the_tin_is_diluted(page, server):
    page.goto(f"{server.url}/bench/5")
    page.get_by_role("button", name="More about Lemon-verbena syrup").click()
    page.get_by_label("Goes in").select_option(label="On top")
    page.keyboard.press("Escape")
    expect(page.get_by_role("region", name="On top")).to_contain_text("Lemon-verbena syrup")
    expect(page.get_by_role("article", name="Sweetness")).to_contain_text("from 6.1")
    page.keyboard.press("Control+z")
    expect(page.get_by_role("region", name="In the tin")).to_contain_text("Lemon-verbena syrup")
