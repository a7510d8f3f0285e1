"""The real interface in a real browser: whole journeys, by role and text."""

import json
import re

import pytest
from playwright.sync_api import Locator, Page, expect


def figures(page: Page) -> dict[str, str]:
    return {axis: page.get_by_test_id(f"{axis}-now").inner_text() for axis in ("sugar", "acid", "abv")}


def candidates(page: Page) -> Locator:
    return page.get_by_role("listbox", name="Candidates").get_by_role("option")


def saved(page: Page) -> None:
    expect(page.get_by_text("· draft saved")).to_be_visible()


def start_sour(page: Page, url: str, name: str) -> None:
    page.goto(f"{url}/book")
    page.get_by_role("button", name="Sour", exact=True).click()
    page.get_by_label("8 : 3 : 3, modern").check()
    page.get_by_role("textbox", name="Name").fill(name)
    page.get_by_role("button", name="Put it on the bench").click()
    expect(page.get_by_role("heading", name=name)).to_be_visible()
    expect(page.get_by_test_id("sugar-now")).to_have_text("8.9")


def test_a_riff_from_a_school_to_a_kept_trial_survives_a_power_cut(page, server):
    start_sour(page, server.url, "Lantern Sour")
    sweetness = page.get_by_role("article", name="Sweetness")
    expect(sweetness).to_contain_text("As the parent")
    assert figures(page) == {"sugar": "8.9", "acid": "0.85", "abv": "15.0"}

    expect(page.get_by_text("Nothing is moved yet.")).to_be_visible()

    # Type an amount: three quarters become a whole ounce.
    page.get_by_label("Amount of Simple syrup 1:1").fill("1 oz")
    expect(sweetness).to_contain_text("Sweeter")
    page.get_by_label("Amount of Simple syrup 1:1").press("Enter")
    expect(sweetness).to_contain_text("from 8.9")
    expect(page.get_by_text("Nothing is moved yet.")).to_have_count(0)
    expect(page.get_by_role("article", name="Strength")).to_contain_text("As strong, to the tongue")

    # Swap the syrup, measure for measure; its landing is drawn before it is taken.
    page.get_by_role("button", name=re.compile("^Simple syrup 1:1 .*Choose another")).click()
    page.get_by_role("button", name="How").click()
    page.get_by_label("Swap it").select_option("pour")
    page.keyboard.press("/")
    page.get_by_role("searchbox", name="Search the board").fill("rich syrup")
    expect(candidates(page).first).to_contain_text("Rich syrup 2:1")
    expect(page.get_by_test_id("ghost-point")).to_be_visible()
    page.keyboard.press("Enter")
    expect(sweetness).to_contain_text("Clearly sweeter")
    expect(page.get_by_text("Rich syrup 2:1: plain sweetness, body.")).to_be_visible()

    # Keep it, with a name and a reason; the draft lies saved, so keeping has nothing left to save before.
    saved(page)
    page.get_by_role("button", name="Keep as trial").click()
    expect(page.get_by_role("textbox", name="Name")).to_have_value("Rich syrup 2:1 for simple syrup 1:1")
    page.get_by_label("Why it was changed").fill("A rounder one for the cold evening.")
    page.get_by_role("button", name="Keep it").click()
    trials = page.get_by_role("navigation", name="Trials")
    expect(trials).to_contain_text("2. Rich syrup 2:1 for simple syrup 1:1")
    expect(trials).to_contain_text("A rounder one for the cold evening.")
    expect(sweetness).to_contain_text("As the parent")

    # Go on riffing (keeping must not have put autosave to sleep), and cut the power as soon as the draft says that it is saved.
    page.get_by_role("button", name="Less Rich syrup 2:1").click()
    expect(page.get_by_label("Amount of Rich syrup 2:1")).to_have_value("27.5")
    saved(page)
    last = figures(page)
    server.kill()
    server.start()
    page.goto(server.url)
    expect(page.get_by_role("heading", name="Lantern Sour")).to_be_visible()
    expect(page.get_by_label("Amount of Rich syrup 2:1")).to_have_value("27.5")
    page.get_by_role("tab", name="Trials").click()
    expect(page.get_by_role("navigation", name="Trials")).to_contain_text("2. Rich syrup 2:1")
    expect(page.get_by_test_id("sugar-now")).to_have_text(last["sugar"])


def test_a_kept_trial_opens_as_made_by_its_own_address_and_the_back_button_returns(page, server):
    page.goto(f"{server.url}/bench/1")
    bench = figures(page)
    page.get_by_role("tab", name="Trials").click()
    page.get_by_role("link", name="1. As first poured").click()
    expect(page).to_have_url(re.compile(r"/bench/1/trials/1$"))
    expect(page.get_by_text("The first of its line").first).to_be_visible()
    expect(page.get_by_label("Amount of Lemon juice")).to_have_count(0)
    assert figures(page) != bench
    page.go_back()
    expect(page).to_have_url(re.compile(r"/bench/1$"))
    expect(page.get_by_test_id("sugar-now")).to_have_text(bench["sugar"])

    # Riffing from it replaces nothing that is not kept, so it asks nothing.
    page.goto(f"{server.url}/bench/1/trials/1")
    page.get_by_role("button", name="Riff from here").click()
    expect(page).to_have_url(re.compile(r"/bench/1$"))
    expect(page.get_by_label("Amount of Lemon juice")).to_have_value("22.5")
    expect(page.get_by_label("a riff on")).to_have_value("1")

    # On the drink with a draft it asks first.
    page.goto(f"{server.url}/bench/3/trials/1")
    page.get_by_role("button", name="Riff from here").click()
    expect(page.get_by_role("alert")).to_contain_text("not kept as a trial yet")
    page.get_by_role("link", name="Look at it first").click()
    expect(page.get_by_label("Amount of Sea-buckthorn liqueur")).to_be_visible()


def test_what_is_no_amount_is_told_at_the_field_and_the_last_good_figures_stay(page, server):
    page.goto(f"{server.url}/bench/1")
    before = figures(page)
    field = page.get_by_label("Amount of London dry gin")
    field.fill("3/0")
    expect(page.get_by_role("alert")).to_contain_text('"3/0" is not an amount; write it like 22.5, 3/4 oz')
    expect(field).to_have_attribute("aria-invalid", "true")
    assert figures(page) == before
    field.fill("11 cups of it")
    field.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("is not an amount")
    expect(field).to_have_value("11 cups of it")
    assert figures(page) == before
    field.press("Escape")
    expect(page.get_by_role("alert")).to_have_count(0)
    assert figures(page) == before
    field.fill("400 oz")
    expect(page.get_by_role("alert")).to_contain_text("outside 0 to 10000")
    assert figures(page) == before
    field.press("Escape")
    expect(field).to_have_value("60")


def test_amounts_by_stepper_arrow_keys_and_dashes_follow_the_switch_of_units_and_undo(page, server):
    page.goto(f"{server.url}/bench/2")
    syrup, bitters = page.get_by_label("Amount of Bay syrup"), page.get_by_label("Amount of Aromatic bitters")
    expect(syrup).to_have_value("22.5")
    page.get_by_role("button", name="More Bay syrup").click()
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
    expect(page.get_by_label("Amount of Lemon juice")).to_have_value("¾")
    expect(bitters).to_have_value("4")
    page.get_by_label("Amount of Lemon juice").press("ArrowUp")
    expect(page.get_by_label("Amount of Lemon juice")).to_have_value("1")
    page.get_by_role("button", name="ml").click()
    expect(page.get_by_label("Amount of Lemon juice")).to_have_value("30")

    undo, redo = page.get_by_role("button", name="Undo"), page.get_by_role("button", name="Redo")
    while undo.is_enabled():
        undo.click()
    expect(page.get_by_text("As the parent").first).to_be_visible()
    assert [syrup.input_value(), bitters.input_value()] == ["22.5", "2"]
    while redo.is_enabled():
        redo.click()
    assert [syrup.input_value(), bitters.input_value()] == ["20", "4"]


def test_pours_are_added_where_they_belong_and_taken_out(page, server):
    page.goto(f"{server.url}/bench/1")
    page.get_by_label("Pours").get_by_role("button", name="Add a pour").click()
    page.get_by_role("group", name="As what").get_by_role("button", name="Lengthener").click()
    page.get_by_role("combobox", name="Search the larder").fill("soda")
    page.get_by_role("option", name=re.compile("Soda water")).click()
    on_top = page.get_by_role("region", name="On top")
    expect(on_top).to_contain_text("Soda water")
    expect(page.get_by_role("article", name="Strength")).to_contain_text("weaker")
    page.get_by_role("button", name=re.compile("^Soda water .*Choose another")).click()
    page.get_by_role("button", name="How").click()
    page.get_by_role("button", name="More about Soda water").click()
    page.get_by_role("dialog", name="Soda water").get_by_role("button", name="Take it out").click()
    expect(on_top).to_have_count(0)
    expect(page.get_by_role("article", name="Strength")).to_contain_text("As the parent")
    page.get_by_role("button", name=re.compile("^Shaken 12 s")).click()
    dialog = page.get_by_role("dialog", name="How it is made")
    dialog.get_by_role("group", name="Seconds", exact=True).get_by_role("button", name="30").click()
    dialog.get_by_role("button", name="Close").click()
    expect(page.get_by_text("The ice gives")).to_be_visible()
    expect(page.get_by_role("article", name="Strength")).to_contain_text("from")


def test_a_draft_changed_in_another_window_is_told_and_neither_is_lost(page, server, context):
    page.goto(f"{server.url}/bench/1")
    other = context.new_page()
    other.goto(f"{server.url}/bench/1")
    other.get_by_role("button", name="More Hedgerow honey syrup").click()
    saved(other)
    page.get_by_role("button", name="Less Hedgerow honey syrup").click()
    expect(page.get_by_role("alert")).to_contain_text("changed in another window")
    page.get_by_role("button", name="Keep what is here").click()
    expect(page.get_by_role("alert")).to_have_count(0)
    page.reload()
    expect(page.get_by_label("Amount of Hedgerow honey syrup")).to_have_value("10")
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
    more = page.get_by_role("button", name="More Hedgerow honey syrup")
    more.click()
    page.wait_for_timeout(100)
    more.click()
    expect(page.get_by_label("Amount of Hedgerow honey syrup")).to_have_value("17.5")
    expect(page.get_by_role("article", name="Sweetness")).to_contain_text("Sweeter")
    latest = figures(page)
    held[0].continue_()
    page.wait_for_timeout(200)
    assert figures(page) == latest


def test_fonts_ship_with_the_app_and_the_empty_book_teaches(page, server):
    page.goto(f"{server.url}/book")
    page.get_by_text("strong, sour, sweet").first.wait_for()
    page.evaluate("document.fonts.ready")
    loaded = page.evaluate("[...document.fonts].filter(f => f.status === 'loaded').map(f => f.family)")
    assert {"Bricolage Grotesque Variable", "Atkinson Hyperlegible Next Variable"} <= {family.strip('"') for family in loaded}
    page.route("**/api/drinks?*", lambda route: route.fulfill(body=json.dumps([]), content_type="application/json"))
    page.goto(server.url)
    expect(page).to_have_url(re.compile("/book$"))
    expect(page.get_by_role("heading", name="A first drink, in three presses")).to_be_visible()
    page.goto(f"{server.url}/bench/999")
    expect(page.get_by_role("alert")).to_contain_text("There is no drink 999.")
    page.goto(f"{server.url}/nowhere/at/all")
    expect(page.get_by_role("heading", name="Nothing on this page")).to_be_visible()


VIEWS = ["/book", "/shelf", "/bench/3", "/bench/5/trials/2"]


@pytest.mark.parametrize("width", [1280, 820, 390])
def test_no_view_scrolls_sideways_and_the_bench_fits_a_laptop(page, server, width):
    page.set_viewport_size({"width": width, "height": 800})
    for view in VIEWS:
        page.goto(server.url + view)
        page.get_by_role("heading", level=1).wait_for()
        page.wait_for_load_state("networkidle")
        across, down = page.evaluate(
            "[document.documentElement.scrollWidth - innerWidth, document.documentElement.scrollHeight - innerHeight]"
        )
        assert across <= 0, view
        assert width < 1280 or view in ("/book", "/shelf") or down <= 0, view


@pytest.mark.parametrize("theme", ["light", "dark"])
def test_no_view_breaks_a_rule_of_accessibility(page, server, theme, violations):
    page.emulate_media(color_scheme=theme)
    page.add_init_script(f"localStorage.setItem('oenomel.theme', '{'late' if theme == 'dark' else 'lamplight'}')")

    for view in VIEWS:
        page.goto(server.url + view)
        page.get_by_role("heading", level=1).wait_for()
        page.wait_for_load_state("networkidle")
        assert violations() == [], view
    page.goto(f"{server.url}/bench/3")
    page.get_by_role("button", name=re.compile("^Lemon juice .*Choose another")).click()
    expect(candidates(page).first).to_be_visible()
    assert violations() == [], "board"
    page.get_by_role("button", name="How").click()
    page.locator("summary").filter(has_text="Left out").click()
    assert violations() == [], "how, and left out"
    page.get_by_role("button", name="Back to the pours").click()
    page.get_by_role("button", name="Add a pour").click()
    expect(candidates(page).first).to_be_visible()
    assert violations() == [], "larder"
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Bring it back").click()
    expect(page.get_by_role("region", name="What to pour")).to_be_visible()
    assert violations() == [], "bring it back"
    page.get_by_role("button", name="Back to the pours").click()
    page.get_by_role("button", name="Keep as trial").click()
    expect(page.get_by_role("dialog")).to_be_visible()
    assert violations() == [], "keep"
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Why this sweetness", exact=True).click()
    expect(page.get_by_role("dialog", name=re.compile("Sweetness"))).to_be_visible()
    page.wait_for_load_state("networkidle")
    assert violations() == [], "why"
    page.keyboard.press("Escape")
    # What opens by a key: settings, keys, the palette, the method, the serves.
    for key, dialog in ((",", "Settings"), ("?", "Keys"), ("Control+k", "Do anything"), ("m", "How it is made"), ("s", "How it is served")):
        page.keyboard.press(key)
        expect(page.get_by_role("dialog", name=dialog)).to_be_visible()
        page.wait_for_load_state("networkidle")
        assert violations() == [], dialog
        page.keyboard.press("Escape")
        expect(page.get_by_role("dialog", name=dialog)).not_to_be_visible()
    page.get_by_role("button", name="More about Lemon juice").click()
    page.get_by_label("How much of it").select_option("0.5")
    assert violations() == [], "pour"
    page.keyboard.press("Escape")
    for tab in ("Notes", "Trials", "Method"):
        page.get_by_role("tab", name=tab).click()
        assert violations() == [], tab
    page.get_by_role("checkbox").first.check()
    page.get_by_role("button", name="Finished").click()
    page.get_by_role("button", name=re.compile("^The drink: drag it")).press("ArrowUp")
    page.get_by_label("Glass", exact=True).select_option("tiny cup")
    assert violations() == [], "making, a wish, an over-filled glass"
