"""What people expect of any tool: keys, names, themes, a server that goes away, a second window."""

import re

import pytest
from playwright.sync_api import Page, expect
from support import labels
from support.depth import spread


def saved(page: Page) -> None:
    expect(page.get_by_role("status").filter(has_text=labels.DRAFT)).to_have_text(labels.DRAFT_SAVED)


def test_the_whole_riff_goes_by_keyboard_alone(page, server):
    page.goto(f"{server.url}/bench/4")
    strength = page.get_by_role("article", name=labels.STRENGTH)
    expect(strength).to_contain_text(labels.NO_CHANGE)
    # Tab to the first amount: the steppers beside it are for fingers and stand out of the way.
    for _ in range(40):
        page.keyboard.press("Tab")
        if page.evaluate("document.activeElement.dataset.amount") is not None:
            break
    expect(page.get_by_label(labels.AMOUNT_OF.format("Tequila blanco"))).to_be_focused()
    page.keyboard.press("Shift+ArrowUp")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Tequila blanco"))).to_have_value("50")
    expect(strength).to_contain_text("from")
    page.keyboard.press("Control+z")
    expect(strength).to_contain_text(labels.NO_CHANGE)
    page.keyboard.press("Control+y")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Tequila blanco"))).to_have_value("50")

    # A adds a pour, Escape goes back, K keeps; none of them while something is typed.
    page.keyboard.press("a")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Tequila blanco"))).to_have_value("50a")
    page.keyboard.press("Escape")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Tequila blanco"))).to_have_value("50")
    page.keyboard.press("Tab")
    page.keyboard.press("a")
    search = page.get_by_role("combobox", name=labels.SEARCH_INGREDIENTS)
    expect(search).to_be_focused()
    page.keyboard.type("bitters")
    expect(page.get_by_role("listbox").get_by_role("option", selected=True)).to_contain_text(labels.AROMATIC_BITTERS_BITTERS)
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("listbox").get_by_role("option", selected=True)).not_to_contain_text("Aromatic bitters")
    page.keyboard.press("Escape")
    expect(search).to_have_count(0)
    page.keyboard.press("k")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.get_by_role("navigation", name=labels.TRIALS, exact=True)).to_contain_text(labels.N_3_MORE_TEQUILA_BLANCO)
    expect(strength).to_contain_text(labels.NO_CHANGE)


def test_the_keys_are_listed_under_the_question_mark(page, server):
    page.goto(f"{server.url}/bench/1")
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    page.keyboard.press("?")
    keys = page.get_by_role("dialog", name=labels.KEYS)
    expect(keys).to_contain_text(labels.KEEP_AS_TRIAL)
    page.keyboard.press("k")
    expect(page.get_by_role("heading", name=labels.SAVE_TRIAL)).to_have_count(0)
    page.keyboard.press("Escape")
    expect(keys).not_to_be_visible()


@pytest.mark.deep
def test_bitters_join_by_the_dash_and_an_edge_seasons_no_liquid(page, server):
    page.goto(f"{server.url}/bench/1")
    before = page.get_by_test_id("sugar-now").inner_text()
    for slot, words, amount in (("Accent", "orange bitters", "2"), (labels.GARNISH, "lemon zest", "15")):
        page.get_by_label(labels.INGREDIENTS).get_by_role("button", name=labels.ADD_INGREDIENT).click()
        page.get_by_role("group", name=labels.AS_WHAT).get_by_role("button", name=slot, exact=True).click()
        page.get_by_role("combobox", name=labels.SEARCH_INGREDIENTS).fill(words)
        page.keyboard.press("Enter")
        expect(page.get_by_label(labels.AMOUNT_OF.format(words.capitalize()))).to_have_value(amount)
    expect(page.get_by_text(labels.DASHES).first).to_be_visible()
    expect(page.get_by_role("region", name=labels.GARNISH)).to_contain_text(labels.NEW_IN_THIS_DRINK)
    assert page.get_by_test_id("sugar-now").inner_text() == before


def test_units_theme_and_the_last_drink_are_remembered(page, server):
    page.goto(f"{server.url}/bench/6")
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    page.get_by_role("button", name="oz").click()
    page.get_by_role("button", name=labels.DIM_THEME).click()
    expect(page.locator("html")).to_have_attribute("data-theme", "late")
    page.goto(server.url)
    expect(page).to_have_url(re.compile("/bench/6$"))
    expect(page.locator("html")).to_have_attribute("data-theme", "late")
    expect(page.get_by_role("button", name="oz")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Aged rum"))).to_have_value("1½")
    # The same schools are told in ounces in the book.
    page.get_by_role("link", name=labels.RECIPES, exact=True).click()
    expect(page.get_by_text(labels.N_2_OZ_WHITE_RUM)).to_be_visible()


def test_a_drink_gets_another_name_and_the_book_tells_it(page, server):
    page.goto(f"{server.url}/bench/2")
    page.get_by_role("button", name=labels.RENAME_THE_DRINK).click()
    page.get_by_label(labels.NAME_OF_THE_DRINK).fill("Fern House Sour")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Fern House Sour")).to_be_visible()
    expect(page).to_have_title(labels.FERN_HOUSE_SOUR_OENOMEL)
    page.get_by_role("link", name=labels.RECIPES, exact=True).click()
    expect(page.get_by_role("link", name=re.compile("Fern House Sour"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Walled Garden Daisy"))).to_contain_text(labels.ON_THE_BENCH)


@pytest.mark.deep
def test_another_parent_can_be_held_against_it(page, server):
    page.goto(f"{server.url}/bench/5")
    sweetness = page.get_by_role("article", name=labels.SWEETNESS)
    expect(sweetness).to_contain_text(labels.NO_CHANGE)
    page.get_by_label(labels.A_RIFF_ON).select_option(label="trial 1, As first poured")
    expect(page.get_by_role("article", name=labels.STRENGTH)).to_contain_text(labels.CLEARLY_STRONGER)
    saved(page)
    page.reload()
    expect(page.get_by_role("article", name=labels.STRENGTH)).to_contain_text(labels.CLEARLY_STRONGER)
    expect(page.get_by_test_id("parent-point")).to_be_visible()


@pytest.mark.deep
def test_taking_the_other_window_s_draft_leaves_this_one_s_aside(page, server, context):
    page.goto(f"{server.url}/bench/1")
    other = context.new_page()
    other.goto(f"{server.url}/bench/1")
    other.get_by_role("button", name=labels.MORE_OF.format("London dry gin")).click()
    saved(other)
    other.close()
    page.get_by_role("button", name=labels.LESS_OF.format("London dry gin")).click()
    page.get_by_role("button", name=labels.TAKE_THE_OTHER).click()
    expect(page.get_by_label(labels.AMOUNT_OF.format("London dry gin"))).to_have_value("62.5")
    saved(page)


def test_leaving_at_once_still_saves(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name=labels.MORE_OF.format("London dry gin")).click()
    page.get_by_role("link", name=labels.RECIPES, exact=True).click()
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_contain_text(labels.ON_THE_BENCH)
    page.get_by_role("link", name=re.compile("Hedge Gate Sour")).click()
    expect(page.get_by_label(labels.AMOUNT_OF.format("London dry gin"))).to_have_value("62.5")


def test_danger_is_told_before_what_is_good_to_know(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Hedgerow honey syrup"))).click()
    # It isn't offered for the tin, and the reason stands beside it; who knows better takes it all the same.
    page.get_by_role("searchbox", name=labels.SEARCH_SWAPS).fill("soda")
    page.locator("summary").filter(has_text=labels.LEFT_OUT).click()
    expect(page.get_by_role("listitem").filter(has_text="Soda water")).to_contain_text(labels.NEVER_GOES_IN_A_CLOSED_SHAKER)
    page.get_by_role("button", name=labels.TAKE_ANYWAY.format("Soda water")).click()
    danger = page.get_by_role("list", name=labels.WHAT_TO_MEND)
    expect(danger.get_by_role("listitem").first).to_contain_text(labels.A_CLOSED_TIN_BURSTS)
    expect(danger.get_by_label(labels.ERROR)).to_be_visible()
    # What is no fault of the drink waits folded, and counted.
    expect(page.get_by_text(labels.LABELS_OF_YOUR_BOTTLES_DECIDE)).to_have_count(0)
    expect(page.get_by_role("tab", name=re.compile(labels.NOTES_2))).to_be_visible()
    page.get_by_role("tab", name=labels.NOTES).click()
    expect(page.get_by_role("region", name=labels.GOOD_TO_KNOW).get_by_text(labels.LABELS_OF_YOUR_BOTTLES_DECIDE)).to_be_visible()

    # The mend is one press, and undone like any other change.
    danger.get_by_role("button", name=labels.PUT_ON_TOP.format("soda water")).click()
    expect(page.get_by_role("region", name=labels.ON_TOP)).to_contain_text("Soda water")
    expect(page.get_by_text(labels.A_CLOSED_TIN_BURSTS)).to_have_count(0)
    page.keyboard.press("Control+z")
    expect(page.get_by_text(labels.A_CLOSED_TIN_BURSTS)).to_be_visible()


@pytest.mark.parametrize(("axis", "figure"), spread([("sweetness", "sugar"), ("acidity", "acid"), ("strength", "abv")], 1))
def test_each_figure_answers_why_down_to_the_source(page, server, axis, figure):
    page.goto(f"{server.url}/bench/3")
    shown = page.get_by_test_id(f"{figure}-now").inner_text()
    page.get_by_role("button", name=labels.WHY_THIS.format(axis)).click()
    dialog = page.get_by_role("dialog", name=re.compile(axis.capitalize()))
    pours = dialog.get_by_role("region", name=labels.WHAT_EACH_POUR_GIVES).get_by_role("listitem")
    pours.first.wait_for()
    given = [float(text.split()[-1]) for text in pours.locator("summary").all_inner_texts()]
    assert sum(given) == pytest.approx(float(shown), abs=0.06)
    pours.locator("summary").first.click()
    expect(pours.first).to_contain_text("÷")
    expect(pours.first).to_contain_text(re.compile(labels.PLUS_MINUS_REGULATION_INVENTED, re.IGNORECASE))
    expect(dialog.get_by_role("region", name=labels.HOW_SURE)).to_contain_text(re.compile(labels.HOW_SURE_IN_FIGURES))
    expect(dialog.get_by_role("region", name=labels.WHAT_EACH_DID)).to_contain_text(labels.SEA_BUCKTHORN_LIQUEUR_FOR_QUINCE_LIQUEUR)
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)


@pytest.mark.deep
def test_twenty_minutes_follow_the_ice_of_the_serve(page, server):
    page.goto(f"{server.url}/bench/3")
    page.get_by_role("button", name=labels.SERVED_UP).click()
    dialog = page.get_by_role("dialog", name=labels.SERVE_SETTINGS)
    minutes = dialog.get_by_role("region", name=labels.TWENTY_MINUTES)
    expect(minutes).to_contain_text(labels.NOTHING_MELTS_IT_WARMS_FROM_7_C)
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
    dialog.get_by_role("button", name=labels.CLOSE).click()
    # Each choice is a step of its own, however quickly they follow.
    undo = page.get_by_role("button", name=labels.UNDO, exact=True)
    for ice in ("on cubes", "on a large cube", "served up"):
        undo.click()
        expect(page.get_by_role("button", name=ice)).to_be_visible()


def test_school_of_dilution_is_chosen_and_told_on_every_drink(page, server):
    page.goto(f"{server.url}/bench/3")
    page.get_by_role("tab", name=labels.NOTES).click()
    expect(page.get_by_text(labels.THE_ICE_GIVES_54_ML_BY_THE_CURVE)).to_be_visible()
    page.get_by_role("tab", name=labels.MAKING).click()
    strength = page.get_by_test_id("abv-now")
    before = float(strength.inner_text())
    page.get_by_role("button", name=re.compile(labels.SHAKEN_12_S)).click()
    made = page.get_by_role("dialog", name=labels.MAKING, exact=True)
    made.get_by_role("button", name=labels.DILUTION).click()
    dialog = page.get_by_role("dialog", name=labels.DILUTION)
    dialog.get_by_label(labels.HEAT_BALANCE).check()
    dialog.get_by_role("group", name=labels.THE_ICE_IS).get_by_role("button", name=labels.FROM_THE_FREEZER).click()
    dialog.get_by_role("button", name=labels.CLOSE).click()
    made.get_by_role("button", name=labels.CLOSE).click()
    page.get_by_role("tab", name=labels.NOTES).click()
    expect(page.get_by_text(labels.BY_HEAT_BALANCE)).to_be_visible()
    expect(strength).not_to_have_text(str(before))
    assert float(strength.inner_text()) > before
    page.goto(f"{server.url}/bench/2")
    page.get_by_role("tab", name=labels.NOTES).click()
    expect(page.get_by_text(labels.BY_HEAT_BALANCE)).to_be_visible()
    page.get_by_role("tab", name=labels.MAKING).click()
    page.get_by_role("button", name=re.compile(labels.SHAKEN_12_S)).click()
    made.get_by_role("button", name=labels.DILUTION).click()
    dialog.get_by_role("button", name=labels.AS_USUAL).click()
    dialog.get_by_role("button", name=labels.CLOSE).click()
    made.get_by_role("button", name=labels.CLOSE).click()
    page.get_by_role("tab", name=labels.NOTES).click()
    expect(page.get_by_text(labels.BY_THE_CURVE)).to_be_visible()


def test_published_ranges_are_an_overlay_and_a_trial_can_count_as_home(page, server):
    page.goto(f"{server.url}/bench/3/trials/2")
    expect(page.get_by_test_id("published")).to_have_count(0)
    page.get_by_role("button", name=labels.PUBLISHED).click()
    expect(page.get_by_test_id("published")).to_have_count(1)
    outline = page.get_by_test_id("typical").get_attribute("d")
    counts = page.get_by_role("button", name=labels.COUNT_AS_HOME)
    counts.click()
    expect(page.get_by_role("button", name=labels.COUNTS_AS_HOME)).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_test_id("typical")).not_to_have_attribute("d", outline or "")


@pytest.mark.parametrize("view", ["/bench/3", "/bench/3/trials/1"])
def test_the_field_is_told_as_a_table_too(page, server, view):
    page.goto(server.url + view)
    table = page.get_by_role("table", name=labels.WHERE_THE_DRINK_STANDS)
    expect(table.get_by_role("row")).to_have_count(3)
    shown = page.get_by_test_id("sugar-now").inner_text()
    expect(table.get_by_role("row", name=re.compile(labels.NOW))).to_contain_text(labels.BETWEEN.format(shown))
    expect(page.get_by_role("img", name=re.compile(labels.NOW_G_SUGAR.format(shown)))).to_be_visible()


@pytest.mark.deep
def test_search_that_finds_nothing_says_what_to_try(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name=labels.ADD_INGREDIENT).click()
    page.get_by_role("group", name=labels.AS_WHAT).get_by_role("button", name=labels.BASE, exact=True).click()
    search = page.get_by_role("combobox", name=labels.SEARCH_INGREDIENTS)
    search.fill("prosekko rosado x")
    expect(page.get_by_text(labels.NOTHING_IN_THE_LARDER_IS_CALLED_PROSEKKO_ROS)).to_be_visible()
    search.fill("")
    expect(page.get_by_role("group", name=labels.FOR_THE_BASE_SLOT)).to_contain_text("White rum")
    expect(page.get_by_role("group", name=labels.ELSEWHERE_IN_THE_LARDER)).to_contain_text("Soda water")
    page.get_by_role("button", name=labels.BACK_TO_INGREDIENTS).click()
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("London dry gin"))).click()
    # What nobody knows is added from its label, and stands on the board by its name.
    page.get_by_role("searchbox", name=labels.SEARCH_SWAPS).fill("Glasshouse spirit")
    expect(page.get_by_text(labels.NOTHING_ON_THIS_BOARD_IS_CALLED_GLASSHOUSE_S)).to_be_visible()
    page.get_by_role("button", name=labels.ADD_IT_FROM_ITS_LABEL).click()
    bottle = page.get_by_role("dialog", name=labels.BOTTLE_FROM_LABEL)
    expect(bottle.get_by_label(labels.NAME, exact=True)).to_have_value("Glasshouse spirit")
    bottle.get_by_role("textbox", name=labels.STRENGTH).fill("forty")
    bottle.get_by_role("button", name=labels.ADD_TO_STOCK).click()
    expect(bottle.get_by_role("alert")).to_contain_text(labels.FORTY_IS_NO_NUMBER)
    bottle.get_by_role("textbox", name=labels.STRENGTH).fill("43 %")
    bottle.get_by_role("button", name=labels.ADD_TO_STOCK).click()
    expect(page.get_by_role("option").filter(has_text="Glasshouse spirit").first).to_be_visible()


def test_the_demo_is_marked_and_is_put_back_when_asked_twice(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_role("button", name=labels.MORE_OF.format("London dry gin")).click()
    saved(page)
    page.get_by_role("link", name=labels.RECIPES, exact=True).click()
    notice = page.get_by_role("complementary", name=labels.DEMO)
    expect(notice).to_contain_text(labels.INVENTED)
    sour = page.get_by_role("link", name=re.compile("Hedge Gate Sour"))
    expect(sour).to_contain_text(labels.ON_THE_BENCH)
    notice.get_by_role("button", name=labels.PUT_IT_BACK_AS_IT_WAS).click()
    notice.get_by_role("button", name=labels.AS_USUAL).click()
    expect(sour).not_to_contain_text(labels.ON_THE_BENCH)


def test_a_pour_goes_in_at_another_time_and_only_the_tin_is_diluted(page, server):
    page.goto(f"{server.url}/bench/5")
    page.get_by_role("button", name=labels.MORE_ABOUT.format("Lemon-verbena syrup")).click()
    page.get_by_label(labels.GOES_IN).select_option(label="On top")
    page.keyboard.press("Escape")
    expect(page.get_by_role("region", name=labels.ON_TOP)).to_contain_text("Lemon-verbena syrup")
    expect(page.get_by_role("article", name=labels.SWEETNESS)).to_contain_text(labels.FROM_6_1)
    page.keyboard.press("Control+z")
    expect(page.get_by_role("region", name=labels.IN_THE_TIN)).to_contain_text("Lemon-verbena syrup")
