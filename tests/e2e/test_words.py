"""The trade's own words in the browser: amounts as they are typed, ingredients by any word, a recipe that is pasted."""

import json
import re
from urllib.request import urlopen

import pytest
from playwright.sync_api import expect
from support import labels
from support.bench_page import amount, ready
from support.depth import DEPTH, spread

SYRUP = "Simple syrup 1:1"
OLD = (22.5, "ml")

# What is typed in the syrup of a sour where millilitres are shown, and what it has to leave: amount and unit as it is kept, or the old one.
GOOD = """
three-quarters of an ounce = 0.75 oz | an ounce and a half = 1.5 oz | 22 and a half = 22.5 ml | 22 and a half ml = 22.5 ml
about 20 ml = 20 ml | about 20 = 20 ml | exactly 30 ml = 30 ml | 30 mils = 30 ml | 30mls = 30 ml | 3 cl = 3 cl | 2,5 cl = 2.5 cl
1 oz = 1 oz | 1½ oz = 1.5 oz | 1 1/2 oz = 1.5 oz | ¾ oz = 0.75 oz | half an ounce = 0.5 oz | a quarter of an ounce = 0.25 oz
one ounce = 1 oz | twenty ml = 20 ml | 17.5 = 17.5 ml | 17,5 = 17.5 ml | two barspoons = 2 barspoon | a barspoon = 1 barspoon
scant barspoon = 0.8 barspoon | 1 tbsp = 1 tbsp | 2 teaspoons = 2 tsp | a generous ounce = 1.2 oz | just under an ounce = 0.9 oz
6 or 7 = 6.5 ml | 15 to 20 ml = 17.5 ml | 15-20 = 17.5 ml | two to three dashes = 2.5 dash | a couple of dashes = 2 dash
10 drops = 10 drop | a touch = 6.5 ml | 1 oz of syrup = 1 oz | 20 g = 20 g | half the rum = 30 ml | same as the lime = 22.5 ml
twice the lime = 45 ml
"""
BAD = """
plenty | a bit more | twenty two and | 22 and | 1,000 ml | 3/0 | 1//2 | two pints | half the moon | 20 ml or 2 oz | 30 40 | 5 to 3 ml
1 oz of gin bottles | a wineglass | 12 o'clock | twice | 30 ml heavy | one lemon and two limes | -5 | 60 ml <b>x</b> | to taste | a jigger
"""
PHRASES = [tuple(part.strip() for part in each.split(" = ")) for row in GOOD.strip().splitlines() for each in row.split(" | ")]
PHRASES += [(each.strip(), "") for row in BAD.strip().splitlines() for each in row.split(" | ")]


def kept(server, drink):
    with urlopen(f"{server.url}/api/drinks/{drink}") as answer:
        detail = json.load(answer)
    pour = (detail["draft"] or detail["trials"][-1])["spec"]["pours"][2]
    return float(pour["amount"]), pour["unit"]


@pytest.mark.parametrize(("delay", "finish"), spread([(20, "Enter"), (90, "Tab"), (150, "a press elsewhere")], 1))
def test_each_phrase_leaves_its_whole_meaning_or_the_old_amount_and_never_a_third_thing(page, server, delay, finish):
    page.goto(f"{server.url}/book")
    page.get_by_text(labels.N_8_3_3_MODERN).click()
    page.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
    field = amount(page, SYRUP)
    expect(field).to_have_value("22.5")
    drink = int(page.url.rsplit("/", 1)[1])
    # A quick hand types a sixth of them, slower ones fewer, to save minutes; all of them in a deep run. What
    # words mean is tried for all of them in tests/core, so what is left to show here is that the field waits for no hand.
    phrases = PHRASES if DEPTH == "deep" else PHRASES[delay // 60 :: 6 if delay == 20 else 16]
    assert len(PHRASES) >= 60
    wrong = {}
    for text, told in phrases:
        field.click()
        field.select_text()
        page.keyboard.type(text, delay=delay)
        if finish == "a press elsewhere":
            page.get_by_role("heading", name=labels.NEW_SOUR).click()
        else:
            page.keyboard.press(finish)
        wanted = (float(told.split()[0]), told.split()[1]) if told else OLD
        if told:
            expect(field).not_to_have_value(text) if text != told.split()[0] else None
        else:
            # It stays with its sentence, or its question, from this moment on.
            said = page.get_by_role("alert").or_(page.get_by_role("group", name=labels.WHICH_IS_MEANT))
            expect(said.first).to_be_visible()
            expect(field).to_have_value(text)
        expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()
        for _ in range(40):
            if (found := kept(server, drink)) == wanted:
                break
            page.wait_for_timeout(50)
        if found != wanted:
            wrong[text] = found
        field.press("Escape")
        field.fill("22.5 ml")
        field.press("Enter")
        expect(field).to_have_value("22.5")
    assert wrong == {}


def test_a_part_is_asked_once_and_counts_for_the_whole_drink(page, server):
    ready(page, f"{server.url}/bench/1")
    gin, lemon = amount(page, "London dry gin"), amount(page, "Verjus")
    gin.fill("2 parts")
    page.get_by_role("group", name=labels.WHICH_IS_MEANT).get_by_role("button", name="30 ml").click()
    expect(gin).to_have_value("2")
    lemon.fill("1 part")
    lemon.press("Enter")
    expect(lemon).to_have_value("1")
    expect(page.get_by_role("group", name=labels.WHICH_IS_MEANT)).to_have_count(0)


RECIPE = """Harvest Gate
1½ oz bourbon
¾ oz Hedge Witch cordial
1 jigger lemon juice
Shake with ice for 10-12 seconds, double strain into a coupe.
Garnish with a lemon twist.
First poured at the harvest supper."""


def test_a_recipe_is_pasted_mended_put_on_the_bench_swapped_by_a_word_and_kept(page, server, violations):
    page.goto(f"{server.url}/book")
    page.get_by_role("link", name=labels.PASTE_A_RECIPE).click()
    page.get_by_label(labels.THE_RECIPE_AS_YOU_HAVE_IT, exact=True).fill(RECIPE)
    read = page.get_by_role("region", name=labels.OUTCOME)
    pours = read.get_by_role("list", name=labels.INGREDIENTS).get_by_role("listitem")
    expect(pours).to_have_count(3)
    expect(read).to_contain_text(labels.SHAKEN_10_12_S_WITH_CUBES)
    expect(read.get_by_role("region", name=labels.NOTES)).to_contain_text("First poured at the harvest supper.")
    put = page.get_by_role("button", name=labels.OPEN_ON_BENCH)
    expect(put).to_be_disabled()
    assert violations() == []

    # One that nobody knows is added from its label, its name filled in; a doubtful amount is one press away.
    unknown = pours.filter(has_text=labels.HEDGE_WITCH)
    expect(unknown).to_contain_text(labels.NOTHING_IN_THE_LARDER_IS_CALLED_HEDGE_WITCH)
    unknown.get_by_role("button", name=labels.ADD_IT_FROM_ITS_LABEL).click()
    bottle = page.get_by_role("dialog", name=labels.BOTTLE_FROM_LABEL)
    expect(bottle.get_by_label(labels.NAME, exact=True)).to_have_value("Hedge Witch cordial")
    bottle.get_by_role("textbox", name=labels.STRENGTH).fill("22")
    bottle.get_by_label(labels.SUGAR_G_100_ML).fill("24")
    bottle.get_by_role("button", name=labels.ADD_TO_STOCK).click()
    expect(read.get_by_text(labels.N_22_5_ML_HEDGE_WITCH_CORDIAL)).to_be_visible()
    pours.filter(has_text=labels.N_1_JIGGER).get_by_role("button", name="30 ml").click()
    expect(read.get_by_text(labels.N_30_ML_LEMON_JUICE)).to_be_visible()
    expect(page.get_by_role("group", name=labels.FAMILY).get_by_role("button", name=labels.DAISY)).to_have_attribute("aria-pressed", "true")
    put.click()

    # On the bench; its base is another by its everyday name.
    expect(page.get_by_role("heading", name=labels.HARVEST_GATE)).to_be_visible()
    page.get_by_role("tab", name=labels.NOTES).click()
    expect(page.get_by_role("textbox", name=labels.NOTES)).to_have_value(re.compile("First poured at the harvest supper."))
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Bourbon"))).click()
    page.get_by_role("searchbox", name=labels.SEARCH_SWAPS).fill("applejack")
    row = page.get_by_role("listbox", name=labels.CANDIDATES).get_by_role("option").first
    expect(row).to_contain_text(labels.APPLE_BRANDY_APPLEJACK)
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Apple brandy")))).to_be_visible()
    expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()
    page.get_by_role("button", name=labels.SAVE_TRIAL).click()
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("navigation", name=labels.TRIALS, exact=True)).to_contain_text("2. ")

    # And out again.
    page.get_by_role("button", name=labels.EXPORT).click()
    with page.expect_download() as saved:
        page.get_by_role("button", name=labels.TABLE).click()
    assert saved.value.suggested_filename == "harvest-gate.csv"


@pytest.mark.deep
def test_what_is_dropped_on_the_book_is_read_and_what_is_no_text_is_refused(page, server):
    page.goto(f"{server.url}/book")
    expect(page.get_by_role("heading", name=labels.RECIPES_LIST)).to_be_visible()
    drop = """([name, type, text]) => {
      const dropped = new DataTransfer();
      dropped.items.add(new File([text], name, { type }));
      document.querySelector('main').dispatchEvent(new DragEvent('drop', { dataTransfer: dropped, bubbles: true, cancelable: true }));
    }"""
    page.evaluate(drop, ["a.png", "image/png", "x"])
    expect(page.get_by_role("alert")).to_contain_text(labels.A_PNG_HOLDS_NO_TEXT)
    page.evaluate(drop, ["gate.csv", "text/csv", "ingredient,amount,unit\nWhite rum,60,ml\nLime juice,22.5,ml\nSimple syrup,22.5,ml\n"])
    expect(page).to_have_url(re.compile("/paste$"))
    expect(page.get_by_role("list", name=labels.INGREDIENTS).get_by_role("listitem")).to_have_count(3)
    # What was pasted outlasts the window.
    page.reload()
    expect(page.get_by_role("list", name=labels.INGREDIENTS).get_by_role("listitem")).to_have_count(3)
