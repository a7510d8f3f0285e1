"""The bench as a place to work: the pours, the field, the palette, and a whole afternoon at it."""

import random
import re
from contextlib import suppress

import pytest
from playwright.sync_api import Error, expect
from support.bench_page import amount, article, in_sight, ready


def test_a_whole_afternoon(page, server):
    # A daisy from a school.
    page.goto(f"{server.url}/book")
    page.get_by_role("group", name="Family").get_by_role("button", name="Daisy").click()
    page.get_by_role("radio", name="2 : 1 : 1", exact=True).check()
    page.get_by_role("textbox", name="Name").fill("Potting Bench Daisy")
    page.get_by_role("button", name="Put it on the bench").click()
    expect(page.get_by_role("heading", name="Potting Bench Daisy")).to_be_visible()
    strength = article(page, "Strength")
    expect(strength).to_contain_text("As the parent")

    # Lock the citrus, and swap the liqueur pour for pour.
    page.get_by_role("button", name="Lock Lime juice").click()
    page.get_by_role("button", name=re.compile("^Triple sec .*Choose another")).click()
    page.get_by_role("button", name="How").click()
    page.get_by_label("Swap it").select_option("pour")
    page.get_by_role("searchbox", name="Search the board").fill("dry")
    row = page.get_by_role("option", name=re.compile("^Dry curaçao ·"))
    row.click()
    page.get_by_role("button", name="Take it", exact=False).last.click()
    one_breath = page.get_by_role("note", name="The riff in one breath")
    expect(one_breath).to_contain_text("Dry curaçao for triple sec")
    expect(one_breath).to_contain_text("drier")

    # Bring it back: the citrus stays as it is.
    page.keyboard.press("b")
    expect(page.get_by_role("button", name=re.compile("^Lime juice.*locked"))).to_be_visible()
    expect(page.get_by_role("region", name="What to pour")).to_contain_text("ml")
    expect(page.get_by_role("region", name="What to pour")).not_to_contain_text("Lime juice")
    page.keyboard.press("Enter")
    expect(amount(page, "Lime juice")).to_have_value("30")
    expect(one_breath).not_to_contain_text("clearly")

    # Size it to a smaller glass: the balance stays.
    sugar = page.get_by_test_id("sugar-now").inner_text()
    page.get_by_label("Glass", exact=True).select_option("tiny cup")
    expect(page.get_by_test_id("fill")).to_contain_text("too much: it runs over")
    page.get_by_role("button", name="Size it to the glass").click()
    expect(page.get_by_test_id("fill")).to_contain_text(re.compile("line"))
    assert float(page.get_by_test_id("sugar-now").inner_text()) == pytest.approx(float(sugar), abs=0.3)

    # Tick the method to its end, and keep it.
    steps = page.get_by_role("list", name="Steps").get_by_role("checkbox")
    expect(steps.first).to_be_visible()
    for index in range(steps.count()):
        steps.nth(index).check()
    page.get_by_role("button", name="Finished").click()
    expect(page.get_by_role("status").filter(has_text="is made. Taste it first.")).to_be_visible()
    page.get_by_role("region", name="Making").get_by_role("button", name="Keep as trial").click()
    page.get_by_label("Why it was changed").fill("The sweet bottle was empty.")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("navigation", name="Trials")).to_contain_text("The sweet bottle was empty.")
    expect(strength).to_contain_text("As the parent")
    made = [amount(page, "White rum").input_value(), page.get_by_test_id("abv-now").inner_text()]

    # Undo to the parent, and all the way back again.
    undo, redo = page.get_by_role("button", name="Undo"), page.get_by_role("button", name="Redo")
    while undo.is_enabled():
        undo.click()
    expect(amount(page, "Triple sec")).to_have_value("30")
    expect(page.get_by_test_id("fill")).not_to_contain_text("too much")
    while redo.is_enabled():
        redo.click()
    expect(amount(page, "White rum")).to_have_value(made[0])
    expect(page.get_by_test_id("abv-now")).to_have_text(made[1])
    expect(page.get_by_label("Glass", exact=True)).to_have_value("tiny cup")


@pytest.mark.parametrize("theme", ["lamplight", "late"])
def test_nothing_scrolls_on_a_laptop_and_the_figures_stay_in_sight_elsewhere(page, full_house, theme):
    page.add_init_script(f"localStorage.setItem('oenomel.theme', '{theme}')")
    ready(page, full_house)
    overflow = page.evaluate(
        """(() => {
          const list = document.querySelector('section[aria-label="Pours"] .overflow-y-auto');
          const page = document.documentElement;
          const cut = [...document.querySelectorAll('section[aria-label="What changed"], section[aria-label="The glass"]')];
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
    expect(page.get_by_text("· draft saved")).to_be_visible()
    page.reload()
    expect(strength).to_have_text(last)


def test_amounts_are_typed_as_they_are_said(page, full_house):
    ready(page, full_house)
    lemon = amount(page, "Lemon juice")
    lemon.fill("half a lime")
    lemon.press("Enter")
    expect(page.get_by_role("region", name="In the tin")).to_contain_text("“half a lime”")
    expect(lemon).to_have_value("11.25")

    # "A jigger" is asked; a slip of unit is told at its pour at once, with what mends it.
    gin = amount(page, "London dry gin")
    gin.fill("a jigger")
    page.get_by_role("group", name="Which is meant").get_by_role("button", name="45 ml").click()
    expect(gin).to_have_value("45")
    # What follows it does so.
    expect(amount(page, "Apple brandy")).to_have_value("22.5")
    lemon.fill("22.5 oz")
    lemon.press("Enter")
    slip = page.get_by_role("list", name="What to mend")
    expect(slip).to_contain_text("looks like a slip between two measures")
    slip.get_by_role("button", name="Make it 22.5 ml").click()
    expect(slip.get_by_text("slip between")).to_have_count(0)
    expect(lemon).to_have_value("22.5")

    # "As much as", "top to the line", and a range whose ends are drawn.
    liqueur = amount(page, "Quince liqueur")
    liqueur.fill("as much as the lemon")
    liqueur.press("Enter")
    lemon.press("ArrowUp")
    expect(liqueur).to_have_value("25")
    soda = amount(page, "Soda water")
    soda.fill("top to the line")
    expect(page.get_by_test_id("fill")).to_contain_text("To the line")
    soda.press("Enter")
    expect(page.get_by_test_id("range")).to_have_count(1)
    liqueur.fill("5-20")
    expect(page.get_by_test_id("range")).to_have_count(2)
    # All of that is kept, and reads the same.
    liqueur.press("Enter")
    expect(page.get_by_text("· draft saved")).to_be_visible()
    page.reload()
    expect(soda).not_to_have_value("45")
    expect(page.get_by_role("region", name="In the tin")).to_contain_text("½ of London dry gin")
    expect(page.get_by_test_id("range")).to_have_count(2)


def test_an_optional_pour_is_left_out_by_one_key_and_tells_what_it_takes_with_it(page, full_house):
    ready(page, full_house)
    egg = page.get_by_role("button", name=re.compile("^Pasteurised egg white .*Choose another"))
    volume = page.get_by_test_id("served-volume").inner_text()
    egg.focus()
    page.keyboard.press("o")
    without = page.get_by_role("status", name="Without Pasteurised egg white")
    expect(without).to_contain_text(re.compile(r"\d+ ml less, \d+ ml of it water from the ice"))
    expect(page.get_by_test_id("served-volume")).not_to_have_text(volume)
    page.keyboard.press("o")
    expect(without).to_have_count(0)
    expect(page.get_by_test_id("served-volume")).to_have_text(volume)
    page.get_by_role("button", name="Leave out Pasteurised egg white").click()
    without.get_by_role("button", name="Leave it out").click()
    expect(egg).to_have_count(0)
    # The rum still follows the gin, and the steps no longer know the egg.
    expect(page.get_by_role("list", name="Steps")).not_to_contain_text("Egg white")
    page.keyboard.press("Control+z")
    expect(egg).to_be_visible()


def test_pours_are_moved_doubled_and_told_otherwise(page, full_house):
    ready(page, full_house)
    tin = page.get_by_role("region", name="In the tin")
    names = tin.get_by_role("button", name=re.compile("Choose another"))
    page.get_by_role("button", name="More about London dry gin").click()
    dialog = page.get_by_role("dialog", name="London dry gin")
    dialog.get_by_role("button", name="Down").click()
    dialog.get_by_role("button", name="Down").click()
    dialog.get_by_role("button", name="Close").click()
    expect(names.nth(2)).to_contain_text("London dry gin")
    # What followed it still does, wherever it stands.
    amount(page, "London dry gin").fill("40")
    expect(amount(page, "Apple brandy")).to_have_value("20")
    amount(page, "London dry gin").press("Enter")
    page.get_by_role("button", name="More about Heavy cream").focus()
    page.keyboard.press("Enter")
    dialog = page.get_by_role("dialog", name="Heavy cream")
    dialog.get_by_label("Goes in").select_option(label="Floated")
    dialog.get_by_label("Optional").check()
    dialog.get_by_role("button", name="Double it").click()
    expect(page.get_by_role("region", name="On top").get_by_role("button", name=re.compile("^Heavy cream"))).to_have_count(2)
    page.get_by_role("button", name="More about Simple syrup 1:1").click()
    dialog = page.get_by_role("dialog", name="Simple syrup 1:1")
    # A range says where it should settle: as the parent has it, where nothing else was changed for it.
    expect(dialog).to_contain_text(re.compile(r"nearest to its parent at [\d.]+ ml"))
    dialog.get_by_label("to, ml").fill("12.5")
    dialog.get_by_label("to, ml").press("Enter")
    expect(dialog).to_contain_text("nearest to its parent at 12.5 ml")
    dialog.get_by_role("button", name="Settle there").click()
    expect(amount(page, "Simple syrup 1:1")).to_have_value("12.5")
    dialog.get_by_label("How much of it").select_option("1")
    dialog.get_by_label("Which pour").select_option(label="Lemon juice")
    dialog.get_by_role("button", name="Close").click()
    expect(tin).to_contain_text("as much as Lemon juice")
    expect(amount(page, "Simple syrup 1:1")).to_have_value("22.5")


def test_the_drink_is_dragged_to_where_it_is_wished_and_the_trail_leads_back(page, server):
    ready(page, f"{server.url}/bench/3")
    dot = page.get_by_role("button", name=re.compile("^The drink: drag it"))
    box = dot.bounding_box()
    page.mouse.move(box["x"] + 20, box["y"] + 20)
    page.mouse.down()
    page.mouse.move(box["x"] - 30, box["y"] + 60, steps=5)
    page.mouse.up()
    bubble = page.get_by_role("group", name="Bring it there")
    expect(bubble).to_contain_text(re.compile(r"To \d\.\d g sweet and \d\.\d\d g sharp"))
    bubble.get_by_role("button", name="No").click()

    # The same by keys; nearer to the parent, softer.
    before = float(page.get_by_test_id("acid-now").inner_text())
    dot.focus()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    expect(page.get_by_test_id("wish")).to_be_visible()
    page.keyboard.press("Enter")
    heading = page.get_by_role("heading", name=re.compile("Bring it to"))
    wished = float(re.search(r"([\d.]+) g sharp", heading.inner_text())[1])
    assert wished == pytest.approx(before / 1.22, abs=0.02)
    page.get_by_role("button", name=re.compile("^Take it(?! along)")).click()
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
    page.get_by_role("button", name=re.compile("^Step back 2 moves")).click()
    expect(page.get_by_test_id("acid-now")).to_have_text(softer)
    expect(points).to_have_count(1)
    page.get_by_role("button", name="Redo").click()
    page.get_by_role("button", name="Redo").click()
    expect(amount(page, "London dry gin")).to_have_value("60")


def test_anything_is_done_from_the_palette(page, server):
    ready(page, f"{server.url}/bench/3")

    def do(words: str) -> None:
        page.keyboard.press("Control+k")
        # The hand goes on typing.
        expect(page.get_by_role("combobox", name="Do anything")).to_be_focused()
        page.get_by_role("combobox", name="Do anything").fill(words)
        expect(page.get_by_role("option").first).to_be_visible()
        page.keyboard.press("Enter")

    do("lock lemon")
    expect(page.get_by_role("button", name="Lock Lemon juice")).to_have_attribute("aria-pressed", "true")
    do("crushed")
    expect(page.get_by_role("button", name="on crushed ice")).to_be_visible()
    do("flute")
    expect(page.get_by_label("Glass", exact=True)).to_have_value("flute")
    do("undo everything")
    expect(page.get_by_label("Glass", exact=True)).to_have_value("coupe")
    # Also while an amount is typed, and out of any page.
    amount(page, "London dry gin").focus()
    do("ounces")
    expect(amount(page, "London dry gin")).to_have_value("1½")
    do("settings")
    settings = page.get_by_role("dialog", name="Settings")
    settings.get_by_role("button", name="UK, 8 g").click()
    settings.get_by_role("button", name="29.57 ml, US fluid").click()
    settings.get_by_role("button", name="5 ml", exact=True).click()
    settings.get_by_role("button", name="millilitres").click()
    settings.get_by_role("button", name="Close").click()
    expect(page.get_by_role("region", name="The glass")).to_contain_text("UK standard drinks")
    amount(page, "London dry gin").press("ArrowUp")
    expect(amount(page, "London dry gin")).to_have_value("50")
    do("bench: bay window")
    expect(page.get_by_role("heading", name="Bay Window Sour")).to_be_visible()
    page.keyboard.press("Control+k")
    page.get_by_role("combobox", name="Do anything").fill("zzzz")
    expect(page.get_by_text("Nothing is called so.")).to_be_visible()
    page.keyboard.press("Escape")
    do("the book")
    expect(page.get_by_role("heading", name="The book")).to_be_visible()
    # The ounce is the new drinks'.
    page.get_by_role("button", name="oz").click()
    page.get_by_role("button", name="Put it on the bench").click()
    expect(amount(page, "White rum")).to_have_value("2.03")


def test_the_first_move_of_the_demo_is_a_riff_half_done(page, server):
    page.goto(server.url)
    tour = page.get_by_role("complementary", name="One thing to try")
    expect(tour).to_contain_text("sea buckthorn went in for it")
    expect(page.get_by_role("note", name="The riff in one breath")).to_contain_text("Sharper")
    tour.get_by_role("button", name="Show what would mend it").click()
    expect(page.get_by_role("region", name="What to pour")).to_contain_text("ml")
    page.keyboard.press("Enter")
    expect(tour).to_contain_text("That is a riff")
    tour.get_by_role("button", name="Don’t show this again").click()
    expect(tour).to_have_count(0)
    page.reload()
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    expect(tour).to_have_count(0)


def test_the_book_is_searched_as_one_types(page, server):
    page.goto(f"{server.url}/book")
    search = page.get_by_role("searchbox", name="Search the book")
    search.fill("quince")
    expect(page.get_by_role("link", name=re.compile("Walled Garden Daisy"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Bay Window Sour"))).to_have_count(0)
    search.fill("aquafaba table of four")
    expect(page.get_by_role("link", name=re.compile("Bay Window Sour"))).to_be_visible()
    search.fill("parsnip")
    expect(page.get_by_role("status")).to_contain_text("No drink of the book has “parsnip”")


def test_the_bench_is_worked_by_keys_alone(page, server):
    ready(page, f"{server.url}/bench/2")
    for key, dialog in (("m", "How it is made"), ("s", "How it is served"), (",", "Settings"), ("k", "Keep as trial 3")):
        page.keyboard.press(key)
        expect(page.get_by_role("dialog", name=dialog)).to_be_visible()
        # An open dialog keeps every other key to itself.
        page.keyboard.press("b")
        page.keyboard.press("Escape")
        expect(page.get_by_role("dialog", name=dialog)).not_to_be_visible()
    expect(page.get_by_role("heading", name=re.compile("^Bring it back"))).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Aquafaba .*Choose another")).focus()
    page.keyboard.press(".")
    page.get_by_role("dialog", name="Aquafaba").get_by_label("Optional").check()
    page.keyboard.press("Escape")
    page.get_by_role("button", name=re.compile("^Aquafaba .*Choose another")).focus()
    page.keyboard.press("o")
    expect(page.get_by_role("status", name="Without Aquafaba")).to_be_visible()
    page.keyboard.press("o")
    page.keyboard.press("g")
    expect(page.get_by_role("button", name="Undo")).to_be_enabled()
    tabs = page.get_by_role("tablist", name="Making, notes and trials")
    tabs.get_by_role("tab", name="Method").focus()
    page.keyboard.press("ArrowRight")
    expect(tabs.get_by_role("tab", name="Notes")).to_have_attribute("aria-selected", "true")
    page.keyboard.press("d")
    expect(page.get_by_role("list", name="Steps").get_by_role("checkbox", checked=True)).to_have_count(1)


def test_on_a_phone_a_wet_hand_changes_a_pour_and_reads_what_it_does(page, server):
    page.set_viewport_size({"width": 390, "height": 844})
    ready(page, f"{server.url}/bench/3")
    before = page.get_by_test_id("sugar-now").inner_text()
    more = page.get_by_role("button", name="More Simple syrup 1:1", exact=True)
    size = more.bounding_box()
    assert min(size["width"], size["height"]) >= 34
    more.click()
    expect(page.get_by_test_id("sugar-now")).not_to_have_text(before)
    assert in_sight(page)
