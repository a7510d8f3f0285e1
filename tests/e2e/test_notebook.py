"""The notebook in the browser: from a tasting to the next trial, palates, measuring, the tree, other people's specs."""

import re

import pytest
from playwright.sync_api import Page, expect
from support import labels
from support.bench_page import amount, ready

MEDLAR = 7
DAISY = 3


def say(page: Page, axis: str, words: str) -> None:
    """One press on the sheet: the place is the label around its radio, as a thumb finds it."""
    page.get_by_role("radio", name=f"{axis}: {words}", exact=True).locator("xpath=..").click()


def fill_sheet(page: Page, verdict: dict[str, str], score: int) -> None:
    for axis, words in verdict.items():
        say(page, axis, words)
    page.get_by_role("radio", name=labels.SCORE.format(score), exact=True).locator("xpath=..").click()


def keep(page: Page, reason: str) -> None:
    page.get_by_role("button", name=labels.SAVE_TRIAL).click()
    page.get_by_label(labels.WHY_IT_WAS_CHANGED).fill(reason)
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("dialog")).to_have_count(0)


SHARP = {"Sweetness": "right", "Acidity": "clearly too sharp", "Strength": "right", "Body": "a touch too thin"}
RIGHT = {"Sweetness": "right", "Acidity": "right", "Strength": "right", "Body": "right"}


def test_two_trials_a_blind_tasting_the_proposal_the_third_trial_and_the_tree(page, server):
    # A drink of one trial; the second is sharper.
    page.goto(f"{server.url}/book")
    page.get_by_label(labels.NAME, exact=True).fill("Gate Lodge Sour")
    page.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    amount(page, "Lemon juice").fill("40")
    amount(page, "Lemon juice").press("Enter")
    expect(page.get_by_role("article", name=labels.ACIDITY)).to_contain_text("from")
    keep(page, "Sharper, for the heat.")

    # Both, blind, by two tasters: the key for the pourer, four glasses, nothing named until the last is scored.
    page.get_by_role("link", name=labels.COMPARE).click()
    expect(page.get_by_role("region", name=labels.SIDE_BY_SIDE)).to_contain_text(labels.SHARPER_2)
    page.get_by_role("link", name=labels.TASTE_THEM).click()
    expect(page.get_by_role("checkbox", name=labels.BLIND)).to_be_checked()
    page.get_by_label(labels.TASTER, exact=True).fill("Odile, Tam")
    page.get_by_role("button", name=labels.START_WITH_4_GLASSES).click()
    key = page.get_by_role("region", name=labels.FOR_THE_POURER)
    poured = {
        taster: re.findall(r"glass (\w) is trial (\d)", key.locator("p", has_text=f"{taster}:").inner_text()) for taster in ("Odile", "Tam")
    }
    page.get_by_role("button", name=labels.POURED_HIDE_THE_KEY).click()
    for taster, glasses in poured.items():
        for letter, trial in glasses:
            expect(page.get_by_role("heading", name=labels.GLASS_2.format(taster, letter))).to_be_visible()
            assert not re.search(r"[Tt]rial \d", page.get_by_role("region", name=labels.SHEET).inner_text())
            fill_sheet(page, SHARP if trial == "2" else RIGHT, 5 if trial == "2" else 8)
            page.get_by_role("button", name=re.compile(labels.NEXT_GLASS_DONE_REVEAL)).click()
    revealed = page.get_by_role("region", name=labels.REVEALED)
    expect(revealed.get_by_role("heading", name=re.compile(labels.TRIAL_2))).to_be_visible()
    expect(revealed.get_by_text(labels.CLEARLY_TOO_SHARP_A_TOUCH_THIN)).to_have_count(2)
    expect(revealed.get_by_text(labels.RIGHT_8_OF_10)).to_have_count(2)

    # What to try next: the first proposal, with its reasons, is one press from the bench.
    page.get_by_role("link", name=labels.WHAT_TO_TRY_NEXT).click()
    following = page.get_by_role("region", name=labels.WHAT_TO_TRY_NEXT)
    first = following.get_by_role("listitem").filter(has=page.get_by_role("heading", name=re.compile(labels.ANSWER_IT))).first
    expect(first).to_contain_text("Lemon juice")
    first.get_by_text(labels.WHY, exact=True).click()
    expect(first).to_contain_text(labels.SAID_OF_IT_CLEARLY_TOO_SHARP_A_TOUCH_THIN)
    first.get_by_role("button", name=re.compile(labels.OPEN_ON_BENCH)).click()
    expect(page).to_have_url(re.compile(r"/bench/\d+$"))
    expect(page.get_by_role("banner")).to_contain_text(labels.TRIAL_2_2)
    assert float(amount(page, "Lemon juice").input_value()) < 40
    keep(page, "What the sheets asked for.")

    # The tree: three trials, one line, and each branch says what changed.
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.RECIPES).click()
    page.get_by_role("link", name=labels.FAMILY_TREE).click()
    third = page.get_by_role("button", name=re.compile(labels.GATE_LODGE_SOUR_TRIAL_3))
    expect(third).to_have_accessible_name(re.compile(labels.LESS_LESS_LEMON_JUICE.format("lemon juice")))
    expect(page.get_by_role("button", name=re.compile(labels.GATE_LODGE_SOUR_TRIAL_2_TASTED))).to_be_visible()
    third.click()
    page.get_by_role("region", name=labels.CHOSEN).get_by_role("link", name=labels.OPEN).click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Gate Lodge Sour")


@pytest.mark.deep
def test_a_tasting_under_way_outlasts_a_reload_and_a_server_that_went_away(page, server):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=4")
    page.get_by_role("checkbox", name=labels.BLIND).set_checked(False)
    page.get_by_label(labels.TASTER, exact=True).fill("Wren")
    page.get_by_role("button", name=labels.START).click()
    fill_sheet(page, SHARP, 7)
    page.get_by_label(labels.NOSE).fill("qui")
    page.get_by_role("button", name=labels.QUINCE, exact=True).click()
    expect(page.get_by_label(labels.NOSE)).to_have_value("quince, ")
    page.reload()
    expect(page.get_by_role("radio", name=labels.SHARPNESS_CLEARLY_TOO_SHARP)).to_be_checked()
    expect(page.get_by_label(labels.NOSE)).to_have_value("quince, ")
    assert page.evaluate("document.documentElement.scrollWidth <= innerWidth"), "the sheet is wider than the phone"
    server.kill()
    page.get_by_role("button", name=labels.KEEP_THE_SHEET).click()
    expect(page.get_by_role("alert")).to_contain_text(labels.NOTES_STAY_UNTIL_SENT)
    server.start()
    revealed = page.get_by_role("region", name=labels.REVEALED)
    expect(revealed).to_contain_text(labels.CLEARLY_TOO_SHARP_A_TOUCH_THIN_7_OF_10)
    revealed.get_by_role("button", name=labels.TAKE_BACK_WRENS_SHEET_OF_TRIAL_4).click()
    expect(revealed.get_by_role("heading", name=labels.TAKEN_BACK)).to_be_visible()


def test_a_tasting_is_not_thrown_away_by_one_press(page, server):
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=4")
    page.get_by_label(labels.TASTER, exact=True).fill("Wren")
    page.get_by_role("button", name=labels.START).click()
    say(page, labels.ACIDITY, "right")
    page.get_by_role("button", name=labels.STOP).click()
    expect(page.get_by_role("alert")).to_contain_text(labels.ISNT_KEPT_YET)
    page.get_by_role("button", name=labels.GO_ON_TASTING).click()
    expect(page.get_by_role("radio", name=labels.SHARPNESS_RIGHT)).to_be_checked()
    page.get_by_role("button", name=labels.STOP).click()
    page.get_by_role("button", name=labels.THROW_IT_AWAY).click()
    expect(page.get_by_role("form", name=labels.START_A_TASTING)).to_be_visible()


def test_the_sheet_goes_by_keys_alone(page, server):
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=1")
    page.get_by_role("checkbox", name=labels.BLIND).set_checked(False)
    page.get_by_label(labels.TASTER, exact=True).fill("Wren")
    page.get_by_label(labels.TASTER, exact=True).press("Enter")
    page.get_by_role("radio", name=labels.SWEETNESS_FAR_NOT_SWEET_ENOUGH).focus()
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    expect(page.get_by_role("radio", name=labels.SWEETNESS_A_TOUCH_TOO_SWEET)).to_be_checked()
    expect(page.get_by_role("region", name=labels.SHEET)).to_contain_text(labels.A_TOUCH_TOO_SWEET)


@pytest.mark.deep
def test_two_windows_keep_the_same_draft_the_second_is_told_and_both_are_seen(page, server, context):
    ready(page, f"{server.url}/bench/{DAISY}")
    other = context.new_page()
    ready(other, f"{server.url}/bench/{DAISY}")
    amount(page, "Lemon juice").fill("20")
    amount(page, "Lemon juice").press("Enter")
    keep(page, "Mine.")
    other.get_by_role("button", name=labels.SAVE_TRIAL).click()
    other.get_by_label(labels.NAME, exact=True).fill("Theirs")
    other.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(other.get_by_role("alert")).to_contain_text(labels.ANOTHER_WINDOW)
    other.get_by_role("button", name=labels.KEEP_MINE_AS_A_TRIAL_OF_ITS_OWN).click()
    expect(other.get_by_role("region", name=labels.SIDE_BY_SIDE)).to_be_visible()
    expect(other.get_by_role("columnheader", name=re.compile(labels.TRIAL_3))).to_be_visible()
    expect(other.get_by_role("columnheader", name=re.compile(labels.TRIAL_4_THEIRS))).to_be_visible()
    page.reload()
    expect(amount(page, "Lemon juice")).to_have_value("20")


def test_what_was_really_poured_by_whom_and_of_which_lots_is_kept_with_the_trial(page, server):
    ready(page, f"{server.url}/bench/{DAISY}")
    page.evaluate(
        """() => localStorage.setItem('oenomel.making.3',
             JSON.stringify({ ticked: [], poured: { 'lemon-juice mixed sour': { amount: 24, unit: 'ml' } } }))"""
    )
    page.get_by_role("button", name=labels.SAVE_TRIAL).click()
    page.get_by_label(labels.MADE_BY).fill("Wren")
    page.get_by_role("dialog").get_by_role("button", name=labels.FINE).click()
    page.get_by_role("dialog").get_by_text(labels.TODAYS_BOTTLES_AND_SQUEEZES).click()
    page.get_by_role("dialog").get_by_label("Lemon juice").fill("pressed at noon")
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.goto(f"{server.url}/trials/{DAISY}?show=1&show=3")
    expect(page.get_by_role("region", name=labels.TRIALS, exact=True)).to_contain_text(labels.MADE_BY_WREN)
    expect(page.get_by_role("region", name=labels.SIDE_BY_SIDE)).to_contain_text(labels.PRESSED_AT_NOON_3)


def test_measured_by_one_tap_refused_where_it_can_not_be_and_used_by_the_next_forecast(page, server):
    page.goto(f"{server.url}/trials/{MEDLAR}?show=3&show=4")
    measured = page.get_by_role("region", name=labels.MEASURED)
    expect(measured).to_contain_text(labels.TITRATED_ACID_AS_CITRIC_AS_SERVED)
    measured.get_by_role("button", name=labels.AFTER_THE_ICE).click()
    measured.get_by_role("button", name=labels.VOLUME).click()
    measured.get_by_label("Reading, ml").fill("900")
    measured.get_by_role("button", name=labels.SAVE).click()
    expect(measured.get_by_role("alert")).to_contain_text(labels.WITH_ALL_300_G_OF_THE_ICE)
    for point in ("before the ice", "after the ice"):
        measured.get_by_role("button", name=point).click()
        measured.get_by_role("button", name=labels.WEIGHT, exact=True).click()
        expect(measured.get_by_label("Reading, g")).to_have_value("")
        for _ in range(5):
            measured.get_by_role("button", name=labels.READ_THE_SCALE).click()
            expect(measured.get_by_role("button", name=labels.READ_THE_SCALE)).to_be_enabled()
            if measured.get_by_label("Reading, g").input_value():
                break
        measured.get_by_role("button", name=labels.SAVE).click()
        expect(measured.get_by_role("listitem").filter(has_text=f"Weight, {point}")).to_be_visible()
    expect(measured).to_contain_text(labels.BY_1_MEASUREMENT_THE_FORECASTS_USE_IT)
    measured.get_by_role("button", name=labels.REFRACTOMETER).click()
    expect(measured).to_contain_text(labels.READS_ALCOHOL_AS_SUGAR)
    page.goto(f"{server.url}/bench/{MEDLAR}")
    page.get_by_role("tab", name=re.compile(labels.NOTES)).click()
    expect(page.get_by_role("tabpanel")).to_contain_text(labels.ONE_MEASUREMENT_OF_YOUR_OWN)


def test_a_palate_is_looked_at_explained_switched_on_and_reset(page, server):
    page.goto(f"{server.url}/palates")
    page.get_by_role("button", name="Tam", exact=True).click()
    palate = page.get_by_role("region", name=labels.TAMS_PALATE)
    expect(palate).to_contain_text(labels.N_11_SHEETS)
    palate.get_by_text(labels.WHAT_IT_WAS_LEARNT_FROM).click()
    expect(palate.get_by_role("listitem").first).to_contain_text(labels.TOO)
    palate.get_by_role("button", name=re.compile(labels.USE_IT_FOR_PROPOSALS)).click()
    page.goto(f"{server.url}/trials/{MEDLAR}?show=1&show=2")
    expect(page.get_by_role("region", name=labels.WHAT_TO_TRY_NEXT)).to_contain_text(labels.BY_TAMS_PALATE_TOO)
    page.goto(f"{server.url}/palates?taster=Tam")
    page.get_by_role("button", name=labels.IN_USE_SWITCH_IT_OFF).click()
    page.get_by_role("button", name=labels.LEARN_IT_ANEW).click()
    expect(page.get_by_role("status")).to_contain_text(labels.THIS_CANT_BE_TAKEN_BACK)
    page.get_by_role("button", name=labels.YES_FORGET_WHAT_WAS_LEARNT).click()
    expect(page.get_by_role("main")).to_contain_text(labels.NOTHING_IS_KNOWN_OF_TAMS_PALATE_YET)


def test_from_the_tree_two_are_crossed_and_one_is_riffed_from(page, server):
    page.goto(f"{server.url}/tree")
    page.get_by_role("button", name=re.compile(labels.TRIAL_1.format("Hedge Gate Sour"))).click()
    page.get_by_role("button", name=re.compile(labels.TRIAL_2_3.format("Forcing Shed Daisy"))).click()
    page.get_by_role("button", name=labels.CROSS_THEM, exact=True).click()
    expect(page.get_by_role("heading", level=1)).to_contain_text(labels.HEDGE_GATE_SOUR_FORCING_SHED_DAISY)
    page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.RECIPES).click()
    page.get_by_role("link", name=labels.FAMILY_TREE).click()
    child = page.get_by_role("button", name=re.compile(labels.HEDGE_GATE_SOUR_TRIAL_1.format("Forcing Shed Daisy")))
    child.click()
    page.get_by_role("button", name=labels.RIFF_AS_A_NEW_DRINK).click()
    expect(page.get_by_role("heading", level=1)).to_contain_text(labels.A_RIFF_ON_2.format("Hedge Gate Sour"))
    page.goto(f"{server.url}/tree?family=fizz")
    expect(page.get_by_role("button", name=re.compile(labels.HEDGE_GATE_SOUR))).to_have_count(0)


@pytest.mark.deep
def test_trials_are_marked_and_put_away_and_nothing_is_lost(page, server):
    page.goto(f"{server.url}/trials/{MEDLAR}")
    page.get_by_label(labels.WHAT_BECAME_OF_TRIAL_2, exact=True).click()
    page.get_by_role("menuitem", name=labels.PUT_AWAY_OUT_OF_VIEW).click()
    trials = page.get_by_role("region", name=labels.TRIALS, exact=True)
    expect(trials.get_by_text(labels.N_2_A_THIRD_LESS_LEMON)).to_have_count(0)
    page.get_by_role("button", name=labels.SHOW_WHAT_WAS_PUT_AWAY).click()
    expect(trials).to_contain_text(labels.N_2_A_THIRD_LESS_LEMON)
    page.get_by_role("region", name=labels.BRIEF).get_by_role("button", name=labels.CHANGE).click()
    page.get_by_label(labels.AT_MOST_SO_STRONG_PERCENT_ABV).fill("12")
    page.get_by_role("region", name=labels.BRIEF).get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text(labels.TURN_THEM_ROUND)
    page.get_by_label(labels.AT_LEAST_SO_STRONG_PERCENT_ABV).fill("8")
    page.get_by_role("region", name=labels.BRIEF).get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("region", name=labels.BRIEF)).to_contain_text(labels.ASKED_FOR_8_TO_12_PERCENT)


def test_other_peoples_specs_have_a_middle_to_start_from(page, server):
    page.goto(f"{server.url}/specs/{MEDLAR}")
    cloud = page.get_by_role("region", name=labels.THE_CLOUD)
    expect(cloud).to_contain_text(labels.ONE_OF_THEM_STANDS_APART)
    # Somebody's recipe is pasted as it is.
    page.get_by_role("link", name=labels.PASTE_A_RECIPE).click()
    recipe = page.get_by_label(labels.THE_RECIPE_AS_YOU_HAVE_IT, exact=True)
    recipe.fill("not a recipe")
    expect(page.get_by_role("alert")).to_contain_text(labels.NO_LINE_OF_THIS_TELLS_HOW_MUCH_OF_WHAT)
    recipe.fill("The ferryman\n2 oz rye\n¾ oz lemon juice\n¾ oz simple syrup\nShake.")
    page.get_by_role("button", name=labels.PUT_IT_AMONG_OTHERS_SPECS_OF.format("Medlar Walk Sour")).click()
    expect(cloud).to_contain_text(labels.N_5_SPECS)
    page.get_by_role("button", name=labels.TAKE_OUT_THE_FERRYMAN).click()
    expect(cloud).to_contain_text(labels.N_4_SPECS)
    page.get_by_label(labels.FROM_WHERE).fill("Wren")
    page.get_by_role("button", name=labels.TAKE_IT_AS_IT_LIES_ON_THE_BENCH).click()
    expect(cloud).to_contain_text(labels.N_5_SPECS)
    page.get_by_role("button", name=labels.TAKE_OUT_WREN).click()
    expect(cloud).to_contain_text(labels.N_4_SPECS)
    page.get_by_role("button", name=labels.START_IN_THE_MIDDLE).click()
    expect(amount(page, "Rye whiskey")).to_have_value("55")


def test_the_book_is_sought_by_taster_score_and_what_is_at_hand(page, server):
    page.goto(f"{server.url}/book")
    drinks = page.get_by_role("main").get_by_role("listitem")
    expect(drinks).to_have_count(11)
    page.get_by_label(labels.TASTED_BY).select_option("Wren")
    page.get_by_label(labels.SCORED).select_option("8 or more")
    expect(drinks).to_have_count(1)
    expect(drinks).to_contain_text("Long Border Fizz")
    page.get_by_label(labels.TASTED_BY).select_option("anyone")
    page.get_by_label(labels.SCORED).select_option("any")
    page.get_by_label(labels.ALL_OF_IT_AT_HAND).check()
    expect(drinks).not_to_have_count(11)
    page.get_by_role("searchbox", name=labels.SEARCH_RECIPES).fill("nothing of the kind")
    expect(page.get_by_role("status")).to_contain_text(labels.TRY_ONE_WORD_OF_IT)


@pytest.mark.deep
def test_a_bottle_is_tasted_alone_and_its_aroma_amended(page, server):
    page.goto(f"{server.url}/shelf")
    page.get_by_role("button", name=labels.TASTE_ALONE.format("Quince liqueur")).click()
    page.get_by_role("dialog").get_by_label("Taster", exact=True).fill("Tam")
    page.get_by_label(labels.NOSE).fill("more almond than quince")
    page.get_by_role("button", name=labels.QUINCE_LOUD).click()
    page.get_by_label(labels.ANOTHER_WORD_OF_THE_AROMA_LIST).fill("van")
    page.get_by_role("button", name=labels.VANILLA, exact=True).click()
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.get_by_role("button", name=labels.TASTE_ALONE.format("Quince liqueur")).click()
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_role("button", name=labels.VANILLA_FAINT)).to_be_visible()
    expect(dialog.get_by_role("button", name=re.compile(labels.QUINCE_2))).to_have_count(0)


@pytest.mark.parametrize("theme", ["lamplight", "late"])
def test_nothing_of_a_tasting_breaks_a_rule_of_accessibility(page, server, theme, violations):
    page.add_init_script(f"localStorage.setItem('oenomel.theme', '{theme}')")
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=3&trial=4")
    page.get_by_label(labels.TASTER, exact=True).fill("Tam")
    assert violations() == [], "who tastes"
    page.get_by_role("button", name=re.compile(labels.START_2)).click()
    page.get_by_role("button", name=labels.POURED_HIDE_THE_KEY).click()
    say(page, labels.ACIDITY, "a touch too sharp")
    assert violations() == [], "sheet"
    page.goto(f"{server.url}/shelf")
    page.get_by_role("button", name=labels.TASTE_ALONE.format("Quince liqueur")).click()
    page.get_by_role("button", name=labels.QUINCE_LOUD).wait_for()
    assert violations() == [], "part"


@pytest.mark.deep
def test_a_tree_of_sixty_trials_stays_readable(page, server):
    for family in range(6):
        spec = page.request.get(f"{server.url}/api/drinks/{1 + family}").json()["trials"][0]["spec"]
        made = page.request.post(f"{server.url}/api/drinks", data={"name": f"Bed {family + 1}", "spec": spec, "trial_name": "First"}).json()
        first = made["trials"][0]["id"]
        for number in range(6):
            body = {"name": f"Row {number}", "parent_trial_id": first, "spec": spec, "revision": 0, "beside": True}
            page.request.post(f"{server.url}/api/drinks/{made['id']}/trials", data=body)
    page.goto(f"{server.url}/tree")
    nodes = page.get_by_role("region", name=labels.FAMILY_TREE).get_by_role("button")
    expect(nodes.nth(59)).to_be_attached()
    boxes = nodes.evaluate_all("all => all.map((each) => each.getBoundingClientRect().toJSON())")
    assert len(boxes) > 60
    assert all(box["width"] >= 200 and box["height"] >= 60 for box in boxes)
    overlapping = [
        (one, other)
        for place, one in enumerate(boxes)
        for other in boxes[place + 1 :]
        if one["left"] < other["right"] and other["left"] < one["right"] and one["top"] < other["bottom"] and other["top"] < one["bottom"]
    ]
    assert overlapping == []
    # Six children of one parent stand below each other, and the last can be chosen.
    page.get_by_role("button", name=re.compile(labels.BED_6_TRIAL_7)).click()
    expect(page.get_by_role("region", name=labels.CHOSEN)).to_contain_text(labels.BED_6_TRIAL_7_2)


def test_empty_rooms_teach_what_to_do_in_them(page, server):
    spec = page.request.get(f"{server.url}/api/drinks/1").json()["trials"][0]["spec"]
    made = page.request.post(f"{server.url}/api/drinks", data={"name": "New Bed", "spec": spec, "trial_name": "First"}).json()
    page.goto(f"{server.url}/trials/{made['id']}")
    main = page.get_by_role("main")
    expect(main).to_contain_text(labels.ONE_TRIAL_SO_FAR)
    expect(main).to_contain_text(labels.TRIAL_1_WASNT_TASTED_YET)
    expect(main).to_contain_text(labels.FOR_WHOM_FOR_WHEN_HOW_STRONG_WHAT_TO_AVOID)
    expect(main).to_contain_text(labels.WEIGH_IT_BEFORE_AND_AFTER_THE_ICE_ONCE_OR_TW)
    page.goto(f"{server.url}/specs/{made['id']}")
    expect(main).to_contain_text(labels.FROM_TWO_SPECS_ON_THERE_IS_A_MIDDLE_TO_START)
    page.goto(f"{server.url}/palates?taster=Nobody")
    expect(main).to_contain_text(labels.NOTHING_IS_KNOWN_OF_NOBODYS_PALATE_YET)
    page.goto(f"{server.url}/taste/999")
    expect(page.get_by_role("alert")).to_contain_text(labels.THERE_IS_NO_DRINK_999)


def test_a_trial_that_is_put_away_while_it_is_tasted_keeps_its_sheet(page, server):
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=2")
    page.get_by_label(labels.TASTER, exact=True).fill("Wren")
    page.get_by_role("button", name=labels.START).click()
    fill_sheet(page, RIGHT, 9)
    trials = page.request.get(f"{server.url}/api/drinks/{MEDLAR}/notebook").json()["trials"]
    page.request.put(f"{server.url}/api/drinks/{MEDLAR}/trials/{trials[1]['id']}/mark", data={"mark": "hidden"})
    page.reload()
    expect(page.get_by_role("status")).to_contain_text(labels.TRIAL_2_WAS_PUT_AWAY_IN_THE_MEANTIME)
    page.get_by_role("button", name=labels.KEEP_THE_SHEET).click()
    expect(page.get_by_role("region", name=labels.REVEALED)).to_contain_text(labels.WREN_RIGHT_9_OF_10)
    trials = page.request.get(f"{server.url}/api/drinks/{MEDLAR}/notebook").json()["trials"]
    assert trials[1]["mark"] == "hidden"
    assert trials[1]["sheets"][-1]["taster"] == "Wren"


def test_thin_and_sharp_is_answered_by_strength_by_sweetness_and_by_one_pour(page, server):
    page.goto(f"{server.url}/trials/{MEDLAR}?show=1")
    following = page.get_by_role("region", name=labels.WHAT_TO_TRY_NEXT)
    for title in (labels.ANSWER_IT_WITH_MORE_STRENGTH, labels.ANSWER_IT_WITH_MORE_SWEETNESS_AND_BODY, "Only Lemon juice"):
        expect(following.get_by_role("heading", name=title)).to_be_visible()
    expect(following).to_contain_text(labels.NOT_YET)
    expect(page.get_by_role("main")).to_contain_text(labels.CHOOSE_TWO_TO_FOUR_TRIALS_AND_THEY_ARE_LAID)
    page.get_by_role("checkbox", name=labels.LAY_TRIAL_4_SIDE_BY_SIDE).click()
    expect(page).to_have_url(re.compile("show=1&show=4$"))
    expect(page.get_by_role("columnheader", name=re.compile(labels.TRIAL_4))).to_be_visible()
    page.go_back()
    expect(page).not_to_have_url(re.compile("show=1&show=4$"))


def test_a_crossed_trial_tells_where_each_pour_came_from(page, server):
    page.goto(f"{server.url}/trials/8?show=1&show=2")
    card = page.get_by_role("listitem").filter(has=page.get_by_label(labels.LAY_TRIAL_1_SIDE_BY_SIDE))
    expect(card).to_contain_text(labels.FROM_TRIAL_1_AND_FORCING_SHED_DAISY_TRIAL_2.format("Walled Garden Daisy"))
    card.get_by_text(labels.WHERE_EACH_POUR_CAME_FROM).click()
    expect(card).to_contain_text(labels.N_15_ML_QUINCE_LIQUEUR_TRIAL_1.format("Walled Garden Daisy"))
    expect(card).to_contain_text(labels.N_22_5_ML_LIME_JUICE_TRIAL_2.format("Forcing Shed Daisy"))


@pytest.mark.deep
def test_without_devices_a_reading_is_typed_and_own_measurements_can_be_left_out(page, server):
    page.goto(f"{server.url}/trials/10?show=2&show=3")
    measured = page.get_by_role("region", name=labels.MEASURED)
    expect(measured.get_by_role("button", name=labels.READ_THE_SCALE)).to_be_visible()
    expect(measured).to_contain_text(labels.YOUR_STIR_TAKES_9_PERCENT_LESS_THAN_THE_CURV.format())
    page.get_by_role("button", name=labels.SETTINGS).click()
    dialog = page.get_by_role("dialog", name=labels.SETTINGS)
    dialog.get_by_role("button", name=labels.NONE_TYPED_BY_HAND).click()
    dialog.get_by_role("button", name=labels.ARE_LEFT_OUT).click()
    page.keyboard.press("Escape")
    expect(measured.get_by_role("button", name=labels.READ_THE_SCALE)).to_have_count(0)
    page.goto(f"{server.url}/bench/10")
    page.get_by_role("tab", name=labels.NOTES).click()
    making = page.get_by_role("tabpanel")
    expect(making).to_contain_text(labels.BY_THE_CURVE)
    page.get_by_role("button", name=labels.SETTINGS).click()
    page.get_by_role("dialog", name=labels.SETTINGS).get_by_role("button", name=labels.COUNT, exact=True).click()
    page.keyboard.press("Escape")
    expect(making).to_contain_text(labels.BY_THE_CURVE_AND_3_MEASUREMENTS_OF_YOUR_OWN)
