"""Walks by keyboard alone, as the ARIA Authoring Practices have them: tabs, radio groups, a menu button, a combobox."""

import re

from playwright.sync_api import expect
from support import labels


def test_tabs_go_round_by_arrows_and_to_their_ends_by_home_and_end(page, server):
    page.goto(f"{server.url}/bench/2")
    tabs = [page.get_by_role("tab", name=re.compile(f"^{name}")) for name in (labels.MAKING, labels.NOTES, labels.TRIALS)]
    tabs[0].focus()
    for key, reached in (("ArrowRight", 1), ("ArrowRight", 2), ("ArrowRight", 0), ("ArrowLeft", 2), ("Home", 0), ("End", 2)):
        page.keyboard.press(key)
        expect(tabs[reached]).to_be_focused()
        expect(tabs[reached]).to_have_attribute("aria-selected", "true")
        expect(page.get_by_role("tabpanel")).to_have_attribute("aria-labelledby", tabs[reached].get_attribute("id"))
    assert [tab.get_attribute("tabindex") for tab in tabs] == ["-1", "-1", "0"], "the Tab key stops at the open one alone"


def test_options_of_a_rebalancing_are_radios_that_arrows_choose(page, server):
    page.goto(f"{server.url}/bench/3")
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    page.keyboard.press("b")
    options = page.get_by_role("radiogroup", name=labels.WAYS_TO_TAKE_IT).get_by_role("radio")
    expect(options.first).to_be_checked()
    options.first.focus()
    page.keyboard.press("ArrowDown")
    expect(options.nth(1)).to_be_checked()
    expect(options.nth(1)).to_be_focused()
    page.keyboard.press("ArrowUp")
    expect(options.first).to_be_checked()


def test_a_menu_opens_by_enter_walks_by_arrows_and_gives_the_focus_back(page, server):
    page.goto(f"{server.url}/trials/3")
    button = page.get_by_role("button", name=labels.WHAT_BECAME_OF_TRIAL_2, exact=True)
    button.focus()
    page.keyboard.press("Enter")
    items = page.get_by_role("menu").get_by_role("menuitem")
    expect(items.first).to_be_focused()
    page.keyboard.press("ArrowDown")
    expect(items.nth(1)).to_be_focused()
    page.keyboard.press("End")
    expect(items.last).to_be_focused()
    page.keyboard.press("Escape")
    expect(page.get_by_role("menu")).to_have_count(0)
    expect(button).to_be_focused()


def test_a_search_with_its_list_is_a_combobox_that_arrows_walk_and_enter_takes_from(page, server):
    page.goto(f"{server.url}/bench/1")
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    page.keyboard.press("a")
    search = page.get_by_role("combobox", name=labels.SEARCH_INGREDIENTS)
    expect(search).to_be_focused()
    expect(search).to_have_attribute("aria-expanded", "true")
    page.keyboard.type("bitters")
    options = page.get_by_role("listbox", name=labels.CANDIDATES).get_by_role("option")
    for key, reached in (("ArrowDown", 1), ("ArrowDown", 2), ("ArrowUp", 1)):
        expect(options.first).to_contain_text("Aromatic bitters")
        page.keyboard.press(key)
        expect(options.nth(reached)).to_have_attribute("aria-selected", "true")
        expect(search).to_have_attribute("aria-activedescendant", options.nth(reached).get_attribute("id"))
        expect(search).to_be_focused()
    name = options.nth(1).inner_text().split(" · ")[0]
    page.keyboard.press("Enter")
    expect(page.get_by_label(labels.AMOUNT_OF.format(name))).to_be_visible()


def test_another_ingredient_for_a_pasted_line_is_chosen_without_a_mouse(page, server):
    page.goto(f"{server.url}/paste")
    page.get_by_role("textbox", name="Recipe", exact=True).fill("2 oz gin\n3/4 oz citrus\n3/4 oz simple syrup")
    search = page.get_by_role("combobox", name=labels.CHOOSE_ANOTHER_2).first
    search.focus()
    page.keyboard.type("bourb")
    expect(page.get_by_role("listbox", name="Search results").get_by_role("option").first).to_have_attribute("aria-selected", "true")
    page.keyboard.press("Escape")
    expect(page.get_by_role("listbox", name="Search results")).to_have_count(0)
    expect(search).to_be_focused()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(page.get_by_role("list", name=labels.INGREDIENTS).get_by_role("listitem").nth(1)).to_contain_text("Bourbon")
