"""The bench as a place to work: the pours, the field, the palette, and a whole afternoon at it."""

import random
import re
from contextlib import suppress

import pytest
from playwright.sync_api import Error, expect
from support import labels
from support.bench_page import amount, article, in_sight, ready
from support.depth import spread


@pytest.mark.deep
def test_a_whole_afternoon(page, server):
    # A daisy from a school.
    page.goto(f"{server.url}/book")
    page.get_by_role("group", name=labels.FAMILY).get_by_role("button", name=labels.DAISY).click()
    page.get_by_role("radio", name="2 : 1 : 1", exact=True).check()
    page.get_by_role("textbox", name=labels.NAME).fill("Potting Bench Daisy")
    page.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
    expect(page.get_by_role("heading", name=labels.DAISY_2.format("Potting Bench"))).to_be_visible()
    strength = article(page, labels.STRENGTH)
    expect(strength).to_contain_text(labels.NO_CHANGE)

    # Lock the citrus, and swap the liqueur pour for pour.
    page.get_by_role("button", name=labels.LOCK.format("Lime juice")).click()
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Triple sec"))).click()
    page.get_by_role("button", name=labels.SEARCH_SETTINGS).click()
    page.get_by_label(labels.SWAP_IT).select_option("pour")
    page.get_by_role("searchbox", name=labels.SEARCH_SWAPS).fill("dry")
    row = page.get_by_role("option", name=re.compile(labels.DRY_CURA_AO))
    row.click()
    page.get_by_role("button", name=labels.USE_THIS, exact=False).last.click()
    one_breath = page.get_by_role("note", name=labels.SUMMARY)
    expect(one_breath).to_contain_text(labels.DRY_CURA_AO_FOR_TRIPLE_SEC)
    expect(one_breath).to_contain_text(labels.DRIER)

    # Bring it back: the citrus stays as it is.
    page.keyboard.press("b")
    expect(page.get_by_role("button", name=re.compile(labels.LOCKED.format("Lime juice")))).to_be_visible()
    expect(page.get_by_role("region", name=labels.OPTIONS)).to_contain_text("ml")
    expect(page.get_by_role("region", name=labels.OPTIONS)).not_to_contain_text("Lime juice")
    page.keyboard.press("Enter")
    expect(amount(page, "Lime juice")).to_have_value("30")
    expect(one_breath).not_to_contain_text(labels.CLEARLY)

    # Size it to a smaller glass: the balance stays.
    sugar = page.get_by_test_id("sugar-now").inner_text()
    page.get_by_label(labels.GLASS, exact=True).select_option("tiny cup")
    expect(page.get_by_test_id("fill")).to_contain_text(labels.TOO_MUCH_IT_RUNS_OVER)
    page.get_by_role("button", name=labels.SIZE_IT_TO_THE_GLASS).click()
    expect(page.get_by_test_id("fill")).to_contain_text(re.compile("line"))
    assert float(page.get_by_test_id("sugar-now").inner_text()) == pytest.approx(float(sugar), abs=0.3)

    # Tick the method to its end, and keep it.
    steps = page.get_by_role("list", name=labels.STEPS).get_by_role("checkbox")
    expect(steps.first).to_be_visible()
    for index in range(steps.count()):
        steps.nth(index).check()
    page.get_by_role("button", name=labels.FINISHED).click()
    expect(page.get_by_role("status").filter(has_text=labels.IS_MADE_TASTE_IT_FIRST)).to_be_visible()
    page.get_by_role("region", name=labels.MAKING).get_by_role("button", name=labels.SAVE_TRIAL).click()
    page.get_by_label(labels.WHY_IT_WAS_CHANGED).fill("The sweet bottle was empty.")
    page.get_by_role("button", name=labels.SAVE, exact=True).click()
    expect(page.get_by_role("navigation", name=labels.TRIALS, exact=True)).to_contain_text("The sweet bottle was empty.")
    expect(strength).to_contain_text(labels.NO_CHANGE)
    made = [amount(page, "White rum").input_value(), page.get_by_test_id("abv-now").inner_text()]

    # Undo to the parent, and all the way back again.
    undo, redo = page.get_by_role("button", name=labels.UNDO, exact=True), page.get_by_role("button", name=labels.REDO)
    while undo.is_enabled():
        undo.click()
    expect(amount(page, "Triple sec")).to_have_value("30")
    expect(page.get_by_test_id("fill")).not_to_contain_text(labels.TOO_MUCH)
    while redo.is_enabled():
        redo.click()
    expect(amount(page, "White rum")).to_have_value(made[0])
    expect(page.get_by_test_id("abv-now")).to_have_text(made[1])
    expect(page.get_by_label(labels.GLASS, exact=True)).to_have_value("tiny cup")


@pytest.mark.parametrize("theme", spread(["lamplight", "late"], 1))
def test_nothing_scrolls_on_a_laptop_and_the_figures_stay_in_sight_elsewhere(page, full_house, theme):
    page.add_init_script(f"localStorage.setItem('oenomel.theme', '{theme}')")
    ready(page, full_house)
    overflow = page.evaluate(
        """(() => {
          const list = document.querySelector('section[aria-label="Ingredients"] .overflow-y-auto');
          const page = document.documentElement;
          const cut = [...document.querySelectorAll('section[aria-label="Changes"], section[aria-label="The glass"]')];
          return [page.scrollHeight - innerHeight, page.scrollWidth - innerWidth, list.scrollHeight - list.clientHeight,
            ...cut.map((each) => each.getBoundingClientRect().bottom - innerHeight)];
        })()"""
    )
    assert max(overflow) <= 0, overflow
    for width, height in ((820, 1180), (390, 844)):
        page.set_viewport_size({"width": width, "height": height})
        last = amount(page, "Caster sugar")
        last.scroll_into_view_if_needed()
        last.click()
        last.press("ArrowUp")
        assert in_sight(page), (width, height)


@pytest.mark.deep
def test_sixty_held_arrow_steps_neither_lag_nor_end_on_a_stale_figure(page, server):
    ready(page, f"{server.url}/bench/1")
    order, held = random.Random(5), []
    page.route("**/api/compare", lambda route: held.append(route))

    def answer_some(leave: int) -> None:
        # Held back, and answered out of order: the later may well come first. What the page gave up already can't be answered.
        while len(held) > leave:
            with suppress(Error):
                held.pop(order.randrange(len(held))).continue_()

    gin = amount(page, "London dry gin")
    gin.focus()
    shown = []
    for _ in range(60):
        page.keyboard.press("ArrowUp")
        shown.append(gin.input_value())
        answer_some(leave=4)
    # The amount follows the hand at once, whatever the answers do.
    assert shown == [f"{60 + 2.5 * step:g}" for step in range(1, 61)]
    page.wait_for_timeout(300)
    answer_some(leave=0)
    strength = page.get_by_test_id("abv-now")
    page.wait_for_timeout(600)
    last = strength.inner_text()
    page.unroute_all()
    expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()
    page.reload()
    expect(strength).to_have_text(last)


def test_amounts_are_typed_as_they_are_said(page, full_house):
    ready(page, full_house)
    lemon = amount(page, "Lemon juice")
    lemon.fill("half a lime")
    lemon.press("Enter")
    expect(page.get_by_role("region", name=labels.IN_THE_TIN)).to_contain_text(labels.HALF_A_LIME)
    expect(lemon).to_have_value("11.25")

    # "A jigger" is asked; a slip of unit is told at its pour at once, with what mends it.
    gin = amount(page, "London dry gin")
    gin.fill("a jigger")
    page.get_by_role("group", name=labels.WHICH_IS_MEANT).get_by_role("button", name="45 ml").click()
    expect(gin).to_have_value("45")
    # What follows it does so.
    expect(amount(page, "Apple brandy")).to_have_value("22.5")
    lemon.fill("22.5 oz")
    lemon.press("Enter")
    slip = page.get_by_role("list", name=labels.WHAT_TO_MEND)
    expect(slip).to_contain_text(labels.LOOKS_LIKE_A_SLIP_BETWEEN_TWO_MEASURES)
    slip.get_by_role("button", name=labels.MAKE_IT_22_5_ML).click()
    expect(slip.get_by_text(labels.SLIP_BETWEEN)).to_have_count(0)
    expect(lemon).to_have_value("22.5")

    # "As much as", "top to the line", and a range whose ends are drawn.
    liqueur = amount(page, "Quince liqueur")
    liqueur.fill("as much as the lemon")
    liqueur.press("Enter")
    lemon.press("ArrowUp")
    expect(liqueur).to_have_value("25")
    soda = amount(page, "Soda water")
    soda.fill("top to the line")
    expect(page.get_by_test_id("fill")).to_contain_text(labels.TO_THE_LINE)
    soda.press("Enter")
    expect(page.get_by_test_id("range")).to_have_count(1)
    liqueur.fill("5-20")
    expect(page.get_by_test_id("range")).to_have_count(2)
    # All of that is kept, and reads the same.
    liqueur.press("Enter")
    expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()
    page.reload()
    expect(soda).not_to_have_value("45")
    expect(page.get_by_role("region", name=labels.IN_THE_TIN)).to_contain_text(labels.HALF_OF_LONDON_DRY_GIN)
    expect(page.get_by_test_id("range")).to_have_count(2)


def test_an_optional_pour_is_left_out_by_one_key_and_tells_what_it_takes_with_it(page, full_house):
    ready(page, full_house)
    egg = page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Pasteurised egg white")))
    volume = page.get_by_test_id("served-volume").inner_text()
    egg.focus()
    page.keyboard.press("o")
    without = page.get_by_role("status", name=labels.WITHOUT.format("Pasteurised egg white"))
    expect(without).to_contain_text(re.compile(labels.ML_LESS_ML_OF_IT_FROM_THE_ICE))
    expect(page.get_by_test_id("served-volume")).not_to_have_text(volume)
    page.keyboard.press("o")
    expect(without).to_have_count(0)
    expect(page.get_by_test_id("served-volume")).to_have_text(volume)
    page.get_by_role("button", name=labels.LEAVE_OUT.format("Pasteurised egg white")).click()
    without.get_by_role("button", name=labels.LEAVE_IT_OUT).click()
    expect(egg).to_have_count(0)
    # The rum still follows the gin, and the steps no longer know the egg.
    expect(page.get_by_role("list", name=labels.STEPS)).not_to_contain_text("Egg white")
    page.keyboard.press("Control+z")
    expect(egg).to_be_visible()


def test_pours_are_moved_doubled_and_told_otherwise(page, full_house):
    ready(page, full_house)
    tin = page.get_by_role("region", name=labels.IN_THE_TIN)
    names = tin.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER_2))
    page.get_by_role("button", name=labels.MORE_ABOUT.format("London dry gin")).click()
    dialog = page.get_by_role("dialog", name="London dry gin")
    dialog.get_by_role("button", name=labels.DOWN).click()
    dialog.get_by_role("button", name=labels.DOWN).click()
    dialog.get_by_role("button", name=labels.CLOSE).click()
    expect(names.nth(2)).to_contain_text("London dry gin")
    # What followed it still does, wherever it stands.
    amount(page, "London dry gin").fill("40")
    expect(amount(page, "Apple brandy")).to_have_value("20")
    amount(page, "London dry gin").press("Enter")
    page.get_by_role("button", name=labels.MORE_ABOUT.format("Heavy cream")).focus()
    page.keyboard.press("Enter")
    dialog = page.get_by_role("dialog", name="Heavy cream")
    dialog.get_by_label(labels.GOES_IN).select_option(label="Floated")
    dialog.get_by_label(labels.OPTIONAL).check()
    dialog.get_by_role("button", name=labels.DOUBLE_IT).click()
    expect(page.get_by_role("region", name=labels.ON_TOP).get_by_role("button", name=re.compile(labels.HEAVY_CREAM))).to_have_count(2)
    page.get_by_role("button", name=labels.MORE_ABOUT.format("Simple syrup 1:1")).click()
    dialog = page.get_by_role("dialog", name="Simple syrup 1:1")
    # A range says where it should settle: as the parent has it, where nothing else was changed for it.
    expect(dialog).to_contain_text(re.compile(labels.NEAREST_TO_ITS_PARENT_AT_ML))
    dialog.get_by_label("to, ml").fill("12.5")
    dialog.get_by_label("to, ml").press("Enter")
    expect(dialog).to_contain_text(labels.NEAREST_TO_ITS_PARENT_AT_12_5_ML)
    dialog.get_by_role("button", name=labels.USE_THIS).click()
    expect(amount(page, "Simple syrup 1:1")).to_have_value("12.5")
    dialog.get_by_label(labels.AMOUNT, exact=True).select_option("1")
    dialog.get_by_label(labels.WHICH_POUR).select_option(label="Lemon juice")
    dialog.get_by_role("button", name=labels.CLOSE).click()
    expect(tin).to_contain_text(labels.AS_MUCH_AS.format("Lemon juice"))
    expect(amount(page, "Simple syrup 1:1")).to_have_value("22.5")


def test_the_drink_is_dragged_to_where_it_is_wished_and_the_trail_leads_back(page, server):
    ready(page, f"{server.url}/bench/3")
    dot = page.get_by_role("button", name=re.compile(labels.THE_DRINK_DRAG_IT))
    box = dot.bounding_box()
    page.mouse.move(box["x"] + 20, box["y"] + 20)
    page.mouse.down()
    page.mouse.move(box["x"] - 30, box["y"] + 60, steps=5)
    page.mouse.up()
    bubble = page.get_by_role("group", name=labels.BRING_IT_THERE)
    expect(bubble).to_contain_text(re.compile(labels.TO_G_SWEET_AND_G_SHARP))
    bubble.get_by_role("button", name=labels.CANCEL).click()

    # The same by keys; nearer to the parent, softer.
    before = float(page.get_by_test_id("acid-now").inner_text())
    dot.focus()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    expect(page.get_by_test_id("wish")).to_be_visible()
    page.keyboard.press("Enter")
    heading = page.get_by_role("heading", name=re.compile(labels.REBALANCE_TO))
    wished = float(re.search(r"([\d.]+) g acid", heading.inner_text())[1])
    assert wished == pytest.approx(before / 1.22, abs=0.02)
    page.get_by_role("button", name=re.compile(labels.TAKE_IT_ALONG)).click()
    expect(heading).to_have_count(0)
    # The figures follow the press by an answer of the server.
    expect(page.get_by_test_id("acid-now")).not_to_have_text(f"{before:.2f}")
    assert float(page.get_by_test_id("acid-now").inner_text()) == pytest.approx(wished, rel=0.1)

    # Two moves more, and one press on the trail goes back over both.
    softer = page.get_by_test_id("acid-now").inner_text()
    points = page.get_by_test_id("trail-point")
    sweet, strong = page.get_by_test_id("sugar-now"), page.get_by_test_id("abv-now")
    brought = sweet.inner_text()
    amount(page, "Simple syrup 1:1").fill("25")
    amount(page, "Simple syrup 1:1").press("Enter")
    expect(sweet).not_to_have_text(brought)
    expect(points).to_have_count(2)
    syrupy = strong.inner_text()
    amount(page, "London dry gin").fill("60")
    amount(page, "London dry gin").press("Enter")
    expect(strong).not_to_have_text(syrupy)
    expect(points).to_have_count(3)
    page.get_by_role("button", name=re.compile(labels.STEP_BACK_2_MOVES)).click()
    expect(page.get_by_test_id("acid-now")).to_have_text(softer)
    expect(points).to_have_count(1)
    page.get_by_role("button", name=labels.REDO).click()
    page.get_by_role("button", name=labels.REDO).click()
    expect(amount(page, "London dry gin")).to_have_value("60")


def test_anything_is_done_from_the_palette(page, server):
    ready(page, f"{server.url}/bench/3")

    def do(words: str) -> None:
        page.keyboard.press("Control+k")
        # The hand goes on typing.
        expect(page.get_by_role("combobox", name=labels.COMMANDS)).to_be_focused()
        page.get_by_role("combobox", name=labels.COMMANDS).fill(words)
        expect(page.get_by_role("dialog").get_by_role("option").first).to_be_visible()
        page.keyboard.press("Enter")

    do("lock lemon")
    expect(page.get_by_role("button", name=labels.LOCK.format("Lemon juice"))).to_have_attribute("aria-pressed", "true")
    do("crushed")
    expect(page.get_by_role("button", name=labels.ON_CRUSHED_ICE)).to_be_visible()
    do("flute")
    expect(page.get_by_label(labels.GLASS, exact=True)).to_have_value("flute")
    do("reset to")
    expect(page.get_by_label(labels.GLASS, exact=True)).to_have_value("coupe")
    # Also while an amount is typed, and out of any page.
    amount(page, "London dry gin").focus()
    do("ounces")
    expect(amount(page, "London dry gin")).to_have_value("1½")
    do("settings")
    settings = page.get_by_role("dialog", name=labels.SETTINGS)
    settings.get_by_role("button", name="UK, 8 g").click()
    settings.get_by_role("button", name=labels.N_29_57_ML_US_FLUID).click()
    settings.get_by_role("button", name="5 ml", exact=True).click()
    settings.get_by_role("button", name=labels.MILLILITRES).click()
    settings.get_by_role("button", name=labels.CLOSE).click()
    expect(page.get_by_role("region", name=labels.THE_GLASS)).to_contain_text(labels.UK_STANDARD_DRINKS)
    amount(page, "London dry gin").press("ArrowUp")
    expect(amount(page, "London dry gin")).to_have_value("50")
    do("bench: bay window")
    expect(page.get_by_role("heading", name="Bay Window Sour")).to_be_visible()
    page.keyboard.press("Control+k")
    page.get_by_role("combobox", name=labels.COMMANDS).fill("zzzz")
    expect(page.get_by_text(labels.NOTHING_IS_CALLED_SO)).to_be_visible()
    page.keyboard.press("Escape")
    do("recipes")
    expect(page.get_by_role("heading", name=labels.RECIPES_LIST)).to_be_visible()
    # The ounce is the new drinks'.
    page.get_by_role("button", name="oz").click()
    page.get_by_role("button", name=labels.OPEN_ON_BENCH).click()
    expect(amount(page, "White rum")).to_have_value("heavy 2")


def test_the_first_move_of_the_demo_is_a_riff_half_done(page, server):
    page.goto(server.url)
    tour = page.get_by_role("complementary", name=labels.ONE_THING_TO_TRY)
    expect(tour).to_contain_text(labels.SEA_BUCKTHORN_WENT_IN_FOR_IT)
    expect(page.get_by_role("note", name=labels.SUMMARY)).to_contain_text(labels.SHARPER)
    tour.get_by_role("button", name=labels.REBALANCE).click()
    expect(page.get_by_role("region", name=labels.OPTIONS)).to_contain_text("ml")
    page.keyboard.press("Enter")
    expect(tour).to_contain_text(labels.THAT_IS_A_RIFF)
    tour.get_by_role("button", name=labels.DONT_SHOW_THIS_AGAIN).click()
    expect(tour).to_have_count(0)
    page.reload()
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    expect(tour).to_have_count(0)


def test_the_book_is_searched_as_one_types(page, server):
    page.goto(f"{server.url}/book")
    search = page.get_by_role("searchbox", name=labels.SEARCH_RECIPES)
    search.fill("quince")
    expect(page.get_by_role("link", name=re.compile("Walled Garden Daisy"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Bay Window Sour"))).to_have_count(0)
    search.fill("aquafaba table of four")
    expect(page.get_by_role("link", name=re.compile("Bay Window Sour"))).to_be_visible()
    search.fill("parsnip")
    expect(page.get_by_role("status")).to_contain_text(labels.NO_DRINK_OF_THE_BOOK_HAS_PARSNIP)


def test_the_bench_is_worked_by_keys_alone(page, server):
    ready(page, f"{server.url}/bench/2")
    for key, dialog in (
        ("m", labels.MAKING),
        ("s", labels.SERVE_SETTINGS),
        (",", labels.SETTINGS),
        ("k", labels.SAVE_AS_TRIAL.format(3)),
    ):
        page.keyboard.press(key)
        expect(page.get_by_role("dialog", name=dialog)).to_be_visible()
        # An open dialog keeps every other key to itself.
        page.keyboard.press("b")
        page.keyboard.press("Escape")
        expect(page.get_by_role("dialog", name=dialog)).not_to_be_visible()
    expect(page.get_by_role("heading", name=re.compile(labels.BRING_IT_BACK))).to_have_count(0)
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Aquafaba"))).focus()
    page.keyboard.press(".")
    page.get_by_role("dialog", name="Aquafaba").get_by_label(labels.OPTIONAL).check()
    page.keyboard.press("Escape")
    page.get_by_role("button", name=re.compile(labels.CHOOSE_ANOTHER.format("Aquafaba"))).focus()
    page.keyboard.press("o")
    expect(page.get_by_role("status", name=labels.WITHOUT.format("Aquafaba"))).to_be_visible()
    page.keyboard.press("o")
    page.keyboard.press("g")
    expect(page.get_by_role("button", name=labels.UNDO, exact=True)).to_be_enabled()
    tabs = page.get_by_role("tablist", name=labels.MAKING_NOTES_AND_TRIALS)
    tabs.get_by_role("tab", name=labels.MAKING).focus()
    page.keyboard.press("ArrowRight")
    expect(tabs.get_by_role("tab", name=labels.NOTES)).to_have_attribute("aria-selected", "true")
    page.keyboard.press("d")
    expect(page.get_by_role("list", name=labels.STEPS).get_by_role("checkbox", checked=True)).to_have_count(1)


def test_on_a_phone_a_wet_hand_changes_a_pour_and_reads_what_it_does(page, server):
    page.set_viewport_size({"width": 390, "height": 844})
    ready(page, f"{server.url}/bench/3")
    before = page.get_by_test_id("sugar-now").inner_text()
    more = page.get_by_role("button", name=labels.MORE_OF.format("Simple syrup 1:1"), exact=True)
    size = more.bounding_box()
    assert min(size["width"], size["height"]) >= 34
    more.click()
    expect(page.get_by_test_id("sugar-now")).not_to_have_text(before)
    assert in_sight(page)
