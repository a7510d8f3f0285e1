"""The real interface in a real browser: whole journeys, by role and text."""

import json
import re

from playwright.sync_api import Locator, Page, expect
from support import labels
from support.bench_page import settled


def figures(page: Page) -> dict[str, str]:
    return {axis: page.get_by_test_id(f"{axis}-now").inner_text() for axis in ("sugar", "acid", "abv")}


def candidates(page: Page) -> Locator:
    return page.get_by_role("listbox", name=labels.CANDIDATES).get_by_role("option")


def saved(page: Page) -> None:
    expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()


def start_sour(page: Page, url: str, name: str) -> None:
    page.goto(f"{url}/book")
    page.get_by_role("button", name=labels.SOUR, exact=True).click()
    page.get_by_label(labels.N_8_3_3_MODERN).check()
    page.get_by_role("textbox", name=labels.NAME).fill(name)
    page.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
    expect(page.get_by_role("heading", name=name)).to_be_visible()
    expect(page.get_by_test_id("sugar-now")).to_have_text("8.9")


def test_a_riff_from_a_school_to_a_kept_trial_survives_a_power_cut(page, server):
    start_sour(page, server.url, "Lantern Sour")
    sweetness = page.get_by_role("article", name=labels.SWEETNESS)
    expect(sweetness).to_contain_text(labels.NO_CHANGE)
    assert figures(page) == {"sugar": "8.9", "acid": "0.85", "abv": "15.0"}

    expect(page.get_by_text(labels.NOTHING_IS_MOVED_YET)).to_be_visible()

    # Type an amount: three quarters become a whole ounce.
    page.get_by_label(labels.AMOUNT_OF.format("Simple syrup 1:1")).fill("1 oz")
    expect(sweetness).to_contain_text(labels.SWEETER)
    page.get_by_label(labels.AMOUNT_OF.format("Simple syrup 1:1")).press("Enter")
    expect(sweetness).to_contain_text(labels.FROM_8_9)
    expect(page.get_by_text(labels.NOTHING_IS_MOVED_YET)).to_have_count(0)
    expect(page.get_by_role("article", name=labels.STRENGTH)).to_contain_text(labels.AS_STRONG_TO_THE_TONGUE)

    # Swap the syrup, measure for measure; its landing is drawn before it is taken.
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Simple syrup 1:1"))).click()
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    page.get_by_label(labels.SWAP_IT).select_option("pour")
    page.keyboard.press("/")
    page.get_by_role("searchbox", name=labels.SEARCH_SWAPS).fill("rich syrup")
    expect(candidates(page).first).to_contain_text("Rich syrup 2:1")
    expect(page.get_by_test_id("ghost-point")).to_be_visible()
    page.keyboard.press("Enter")
    expect(sweetness).to_contain_text(labels.CLEARLY_SWEETER)
    expect(page.get_by_text(labels.RICH_SYRUP_2_1_PLAIN_SWEETNESS_BODY)).to_be_visible()

    # Keep it, with a name and a reason; the draft lies saved, so keeping has nothing left to save before.
    saved(page)
    page.get_by_role("button", name=labels.SAVE_TRIAL).click()
    expect(page.get_by_role("textbox", name=labels.NAME)).to_have_value("Rich syrup 2:1 for simple syrup 1:1")
    page.get_by_label(labels.WHY_IT_WAS_CHANGED).fill("A rounder one for the cold evening.")
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    trials = page.get_by_role("navigation", name=labels.TRIALS, exact=True)
    expect(trials).to_contain_text(labels.N_2_FOR_SIMPLE_SYRUP_1_1.format("Rich syrup 2:1"))
    expect(trials).to_contain_text("A rounder one for the cold evening.")
    expect(sweetness).to_contain_text(labels.NO_CHANGE)

    # Go on riffing (keeping must not have put autosave to sleep), and cut the power as soon as the draft says that it is saved.
    page.get_by_role("button", name=labels.LESS_OF.format("Rich syrup 2:1")).click()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Rich syrup 2:1"))).to_have_value("27.5")
    saved(page)
    last = figures(page)
    server.kill()
    server.start()
    page.goto(server.url)
    expect(page.get_by_role("heading", name=labels.LANTERN_SOUR)).to_be_visible()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Rich syrup 2:1"))).to_have_value("27.5")
    page.get_by_role("tab", name=labels.TRIALS).click()
    expect(page.get_by_role("navigation", name=labels.TRIALS, exact=True)).to_contain_text(labels.N_2_RICH_SYRUP_2_1)
    expect(page.get_by_test_id("sugar-now")).to_have_text(last["sugar"])


def test_a_kept_trial_opens_as_made_by_its_own_address_and_the_back_button_returns(page, server):
    page.goto(f"{server.url}/bench/1")
    bench = figures(page)
    page.get_by_role("tab", name=labels.TRIALS).click()
    page.get_by_role("link", name=labels.N_1_AS_FIRST_POURED).click()
    expect(page).to_have_url(re.compile(r"/bench/1/trials/1$"))
    expect(page.get_by_text(labels.SWEETNESS).first).to_be_visible()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Lemon juice"))).to_have_count(0)
    assert figures(page) != bench
    page.go_back()
    expect(page).to_have_url(re.compile(r"/bench/1$"))
    expect(page.get_by_test_id("sugar-now")).to_have_text(bench["sugar"])

    # Riffing from it replaces nothing that is not kept, so it asks nothing.
    page.goto(f"{server.url}/bench/1/trials/1")
    page.get_by_role("button", name=labels.RIFF_FROM_HERE).click()
    expect(page).to_have_url(re.compile(r"/bench/1$"))
    expect(page.get_by_label(labels.AMOUNT_OF.format("Lemon juice"))).to_have_value("22.5")
    expect(page.get_by_label(labels.A_RIFF_ON)).to_have_value("1")

    # On the drink with a draft it asks first.
    page.goto(f"{server.url}/bench/3/trials/1")
    page.get_by_role("button", name=labels.RIFF_FROM_HERE).click()
    expect(page.get_by_role("alert")).to_contain_text(labels.NOT_KEPT_AS_A_TRIAL_YET)
    page.get_by_role("link", name=labels.LOOK_AT_IT_FIRST).click()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Sea-buckthorn liqueur"))).to_be_visible()


def test_what_is_no_amount_is_told_at_the_field_and_the_last_good_figures_stay(page, server):
    page.goto(f"{server.url}/bench/1")
    before = figures(page)
    field = page.get_by_label(labels.AMOUNT_OF.format("London dry gin"))
    field.fill("3/0")
    expect(page.get_by_role("alert")).to_contain_text(labels.N_3_0_IS_NOT_AN_AMOUNT_WRITE_IT_LIKE_22_5_3_4)
    expect(field).to_have_attribute("aria-invalid", "true")
    assert figures(page) == before
    field.fill("11 cups of it")
    field.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text(labels.IS_NOT_AN_AMOUNT)
    expect(field).to_have_value("11 cups of it")
    assert figures(page) == before
    field.press("Escape")
    expect(page.get_by_role("alert")).to_have_count(0)
    assert figures(page) == before
    field.fill("400 oz")
    expect(page.get_by_role("alert")).to_contain_text(labels.OUTSIDE_0_TO_10000)
    assert figures(page) == before
    field.press("Escape")
    expect(field).to_have_value("60")


def test_amounts_by_stepper_arrow_keys_and_dashes_follow_the_switch_of_units_and_undo(page, server):
    page.goto(f"{server.url}/bench/2")
    syrup, bitters = page.get_by_label(labels.AMOUNT_OF.format("Bay syrup")), page.get_by_label(labels.AMOUNT_OF.format("Aromatic bitters"))
    expect(syrup).to_have_value("22.5")
    page.get_by_role("button", name=labels.MORE_OF.format("Bay syrup")).click()
    expect(syrup).to_have_value("25")
    syrup.press("ArrowDown")
    syrup.press("ArrowDown")
    expect(syrup).to_have_value("20")
    bitters.press("ArrowUp")
    expect(bitters).to_have_value("3")
    bitters.fill("4 dashes")
    bitters.press("Enter")
    expect(bitters).to_have_value("4")

    page.get_by_role("button", name="oz").click()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Lemon juice"))).to_have_value("¾")
    expect(bitters).to_have_value("4")
    page.get_by_label(labels.AMOUNT_OF.format("Lemon juice")).press("ArrowUp")
    expect(page.get_by_label(labels.AMOUNT_OF.format("Lemon juice"))).to_have_value("1")
    page.get_by_role("button", name="ml").click()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Lemon juice"))).to_have_value("30")

    undo, redo = page.get_by_role("button", name=labels.UNDO, exact=True), page.get_by_role("button", name=labels.REDO)
    while undo.is_enabled():
        undo.click()
    expect(page.get_by_text(labels.NO_CHANGE).first).to_be_visible()
    assert [syrup.input_value(), bitters.input_value()] == ["22.5", "2"]
    while redo.is_enabled():
        redo.click()
    assert [syrup.input_value(), bitters.input_value()] == ["20", "4"]


def test_pours_are_added_where_they_belong_and_taken_out(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_label(labels.INGREDIENTS).get_by_role("button", name=labels.ADD_INGREDIENT).click()
    page.get_by_role("group", name=labels.AS_WHAT).get_by_role("button", name=labels.LENGTHENER).click()
    page.get_by_role("combobox", name=labels.SEARCH_INGREDIENTS).fill("soda")
    page.get_by_role("option", name=re.compile("Soda water")).click()
    on_top = page.get_by_role("region", name=labels.ON_TOP)
    expect(on_top).to_contain_text("Soda water")
    expect(page.get_by_role("article", name=labels.STRENGTH)).to_contain_text(labels.WEAKER)
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Soda water"))).click()
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    page.get_by_role("button", name=labels.MORE_ABOUT.format("Soda water")).click()
    page.get_by_role("dialog", name="Soda water").get_by_role("button", name=labels.TAKE_IT_OUT).click()
    expect(on_top).to_have_count(0)
    expect(page.get_by_role("article", name=labels.STRENGTH)).to_contain_text(labels.NO_CHANGE)
    page.get_by_role("button", name=re.compile(labels.SHAKEN_12_S)).click()
    dialog = page.get_by_role("dialog", name=labels.MAKING, exact=True)
    dialog.get_by_role("group", name=labels.SECONDS, exact=True).get_by_role("button", name="30").click()
    dialog.get_by_role("button", name=labels.CLOSE).click()
    page.get_by_role("tab", name=re.compile(labels.NOTES)).click()
    expect(page.get_by_text(labels.THE_ICE_GIVES)).to_be_visible()
    expect(page.get_by_role("article", name=labels.STRENGTH)).to_contain_text("from")


def test_a_draft_changed_in_another_window_is_told_and_neither_is_lost(page, server, context):
    page.goto(f"{server.url}/bench/1")
    other = context.new_page()
    other.goto(f"{server.url}/bench/1")
    other.get_by_role("button", name=labels.MORE_OF.format("Hedgerow honey syrup")).click()
    saved(other)
    page.get_by_role("button", name=labels.LESS_OF.format("Hedgerow honey syrup")).click()
    expect(page.get_by_role("alert")).to_contain_text(labels.CHANGED_IN_ANOTHER_WINDOW)
    page.get_by_role("button", name=labels.KEEP_WHAT_IS_HERE).click()
    expect(page.get_by_role("alert")).to_have_count(0)
    page.reload()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Hedgerow honey syrup"))).to_have_value("10")
    other.close()


def test_overtaken_answers_are_dropped(page, server):
    page.goto(f"{server.url}/bench/1")
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    held = []

    def delay_the_first(route):
        if not held:
            held.append(route)
        else:
            route.continue_()

    page.route("**/api/compare", delay_the_first)
    more = page.get_by_role("button", name=labels.MORE_OF.format("Hedgerow honey syrup"))
    more.click()
    page.wait_for_timeout(100)
    more.click()
    expect(page.get_by_label(labels.AMOUNT_OF.format("Hedgerow honey syrup"))).to_have_value("17.5")
    expect(page.get_by_role("article", name=labels.SWEETNESS)).to_contain_text(labels.SWEETER)
    latest = figures(page)
    held[0].continue_()
    page.wait_for_timeout(200)
    assert figures(page) == latest


def test_fonts_ship_with_the_app_and_the_empty_book_teaches(page, server):
    page.goto(f"{server.url}/book")
    page.get_by_text(labels.STRONG_SOUR_SWEET).first.wait_for()
    page.evaluate("document.fonts.ready")
    loaded = page.evaluate("[...document.fonts].filter(f => f.status === 'loaded').map(f => f.family)")
    assert {labels.BRICOLAGE_GROTESQUE_VARIABLE, labels.ATKINSON_HYPERLEGIBLE_NEXT_VARIABLE} <= {family.strip('"') for family in loaded}
    page.route("**/api/drinks?*", lambda route: route.fulfill(body=json.dumps([]), content_type="application/json"))
    page.goto(server.url)
    expect(page).to_have_url(re.compile("/recipes$"))
    expect(page.get_by_role("heading", name=labels.A_FIRST_DRINK_IN_THREE_PRESSES)).to_be_visible()
    page.goto(f"{server.url}/bench/999")
    expect(page.get_by_role("alert")).to_contain_text(labels.THERE_IS_NO_DRINK_999)
    page.goto(f"{server.url}/nowhere/at/all")
    expect(page.get_by_role("heading", name=labels.NOTHING_ON_THIS_PAGE)).to_be_visible()


def test_nothing_that_opens_on_the_bench_breaks_a_rule_of_accessibility(page, server, violations):
    def broken() -> list[str]:
        found = violations()
        page.evaluate("document.documentElement.dataset.theme = 'late'")
        found += violations(["color-contrast"])
        page.evaluate("document.documentElement.dataset.theme = 'lamplight'")
        return found

    page.goto(f"{server.url}/bench/3")
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Lemon juice"))).click()
    expect(candidates(page).first).to_be_visible()
    assert broken() == [], "board"
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    page.locator("summary").filter(has_text=labels.LEFT_OUT).click()
    assert broken() == [], "how, and left out"
    page.get_by_role("button", name=labels.BACK_TO_INGREDIENTS).click()
    page.get_by_role("button", name=labels.ADD_INGREDIENT).click()
    expect(candidates(page).first).to_be_visible()
    assert broken() == [], "larder"
    page.keyboard.press("Escape")
    page.get_by_role("button", name=labels.REBALANCE).first.click()
    expect(page.get_by_role("region", name=labels.OPTIONS)).to_be_visible()
    assert broken() == [], "bring it back"
    page.get_by_role("button", name=labels.BACK_TO_INGREDIENTS).click()
    page.get_by_role("button", name=labels.SAVE_TRIAL).click()
    expect(page.get_by_role("dialog")).to_be_visible()
    assert broken() == [], "keep"
    page.keyboard.press("Escape")
    page.get_by_role("button", name=labels.WHY_THIS_SWEETNESS, exact=True).click()
    expect(page.get_by_role("dialog", name=re.compile(labels.SWEETNESS))).to_be_visible()
    settled(page)
    assert broken() == [], "why"
    page.keyboard.press("Escape")
    # What opens by a key: settings, keys, the palette, the method, the serves.
    for key, dialog in (
        (",", labels.SETTINGS),
        ("?", labels.KEYS),
        ("Control+k", labels.COMMANDS),
        ("m", labels.MAKING),
        ("s", labels.SERVE_SETTINGS),
    ):
        page.keyboard.press(key)
        expect(page.get_by_role("dialog", name=dialog)).to_be_visible()
        settled(page)
        assert broken() == [], dialog
        page.keyboard.press("Escape")
        expect(page.get_by_role("dialog", name=dialog)).not_to_be_visible()
    page.get_by_role("button", name=labels.MORE_ABOUT.format("Lemon juice")).click()
    page.get_by_role("combobox", name=labels.AMOUNT, exact=True).select_option("0.5")
    assert broken() == [], "pour"
    page.keyboard.press("Escape")
    for tab in (labels.NOTES, labels.TRIALS, labels.MAKING):
        page.get_by_role("tab", name=tab).click()
        assert broken() == [], tab
    page.get_by_role("checkbox").first.check()
    page.get_by_role("button", name=labels.FINISHED).click()
    page.get_by_role("button", name=re.compile(labels.THE_DRINK_DRAG_IT)).press("ArrowUp")
    page.get_by_label(labels.GLASS, exact=True).select_option("tiny cup")
    assert broken() == [], "making, a wish, an over-filled glass"
