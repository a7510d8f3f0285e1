"""The notebook in the browser: from a tasting to the next trial, palates, measuring, the tree, other people's specs."""

import re

import pytest
from playwright.sync_api import Page, expect
from support.bench_page import amount, ready

MEDLAR = 7
DAISY = 3


def say(page: Page, axis: str, words: str) -> None:
    """One press on the sheet: the place is the label around its radio, as a thumb finds it."""
    page.get_by_role("radio", name=f"{axis}: {words}", exact=True).locator("xpath=..").click()


def fill_sheet(page: Page, verdict: dict[str, str], score: int) -> None:
    for axis, words in verdict.items():
        say(page, axis, words)
    page.get_by_role("radio", name=f"Score {score}", exact=True).locator("xpath=..").click()


def keep(page: Page, reason: str) -> None:
    page.get_by_role("button", name="Keep as trial").click()
    page.get_by_label("Why it was changed").fill(reason)
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("dialog")).to_have_count(0)


SHARP = {"Sweetness": "right", "Sharpness": "clearly too sharp", "Strength": "right", "Body": "a touch thin"}
RIGHT = {"Sweetness": "right", "Sharpness": "right", "Strength": "right", "Body": "right"}


def test_two_trials_a_blind_tasting_the_proposal_the_third_trial_and_the_tree(page, server):
    # A drink of one trial; the second is sharper.
    page.goto(f"{server.url}/book")
    page.get_by_label("Name", exact=True).fill("Gate Lodge Sour")
    page.get_by_role("button", name="Put it on the bench").click()
    expect(page.get_by_test_id("sugar-now")).to_be_visible()
    amount(page, "Lemon juice").fill("40")
    amount(page, "Lemon juice").press("Enter")
    expect(page.get_by_role("article", name="Acidity")).to_contain_text("from")
    keep(page, "Sharper, for the heat.")

    # Both, blind, by two tasters: the key for the pourer, four glasses, nothing named until the last is scored.
    page.get_by_role("link", name="Side by side").click()
    expect(page.get_by_role("region", name="Side by side")).to_contain_text("sharper")
    page.get_by_role("link", name="Taste them").click()
    expect(page.get_by_role("checkbox", name="Blind")).to_be_checked()
    page.get_by_label("Who tastes").fill("Odile, Tam")
    page.get_by_role("button", name="Start with 4 glasses").click()
    key = page.get_by_role("region", name="For the pourer")
    poured = {
        taster: re.findall(r"glass (\w) is trial (\d)", key.locator("p", has_text=f"{taster}:").inner_text()) for taster in ("Odile", "Tam")
    }
    page.get_by_role("button", name="Poured: hide the key").click()
    for taster, glasses in poured.items():
        for letter, trial in glasses:
            expect(page.get_by_role("heading", name=f"{taster}, glass {letter}")).to_be_visible()
            assert not re.search(r"[Tt]rial \d", page.get_by_role("region", name="Sheet").inner_text())
            fill_sheet(page, SHARP if trial == "2" else RIGHT, 5 if trial == "2" else 8)
            page.get_by_role("button", name=re.compile("Next glass|Done: reveal")).click()
    revealed = page.get_by_role("region", name="Revealed")
    expect(revealed.get_by_role("heading", name=re.compile("Trial 2"))).to_be_visible()
    expect(revealed.get_by_text("clearly too sharp, a touch thin")).to_have_count(2)
    expect(revealed.get_by_text("right, 8 of 10")).to_have_count(2)

    # What to try next: the first proposal, with its reasons, is one press from the bench.
    page.get_by_role("link", name="What to try next").click()
    following = page.get_by_role("region", name="What to try next")
    first = following.get_by_role("listitem").filter(has=page.get_by_role("heading", name=re.compile("^Answer it"))).first
    expect(first).to_contain_text("Lemon juice")
    first.get_by_text("Why", exact=True).click()
    expect(first).to_contain_text("Said of it: clearly too sharp, a touch thin.")
    first.get_by_role("button", name=re.compile("Lay it on the bench")).click()
    expect(page).to_have_url(re.compile(r"/bench/\d+$"))
    expect(page.get_by_role("banner")).to_contain_text("trial 2")
    assert float(amount(page, "Lemon juice").input_value()) < 40
    keep(page, "What the sheets asked for.")

    # The tree: three trials, one line, and each branch says what changed.
    page.get_by_role("button", name="Rooms").click()
    page.get_by_role("link", name="Tree").click()
    third = page.get_by_role("button", name=re.compile("Gate Lodge Sour, trial 3"))
    expect(third).to_have_accessible_name(re.compile("less lemon juice|Less lemon juice"))
    expect(page.get_by_role("button", name=re.compile("Gate Lodge Sour, trial 2.*tasted"))).to_be_visible()
    third.click()
    page.get_by_role("region", name="Chosen").get_by_role("link", name="Open").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Gate Lodge Sour")


def test_a_tasting_under_way_outlasts_a_reload_and_a_server_that_went_away(page, server):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=4")
    page.get_by_role("checkbox", name="Blind").set_checked(False)
    page.get_by_label("Who tastes").fill("Wren")
    page.get_by_role("button", name="Start").click()
    fill_sheet(page, SHARP, 7)
    page.get_by_label("Nose").fill("qui")
    page.get_by_role("button", name="quince", exact=True).click()
    expect(page.get_by_label("Nose")).to_have_value("quince, ")
    page.reload()
    expect(page.get_by_role("radio", name="Sharpness: clearly too sharp")).to_be_checked()
    expect(page.get_by_label("Nose")).to_have_value("quince, ")
    assert page.evaluate("document.documentElement.scrollWidth <= innerWidth"), "the sheet is wider than the phone"
    server.kill()
    page.get_by_role("button", name="Keep the sheet").click()
    expect(page.get_by_role("alert")).to_contain_text("Nothing is lost")
    server.start()
    revealed = page.get_by_role("region", name="Revealed")
    expect(revealed).to_contain_text("clearly too sharp, a touch thin, 7 of 10")
    revealed.get_by_role("button", name="Take back Wren’s sheet of trial 4").click()
    expect(revealed.get_by_role("heading", name="Taken back")).to_be_visible()


def test_a_tasting_is_not_thrown_away_by_one_press(page, server):
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=4")
    page.get_by_label("Who tastes").fill("Wren")
    page.get_by_role("button", name="Start").click()
    say(page, "Sharpness", "right")
    page.get_by_role("button", name="Stop").click()
    expect(page.get_by_role("alert")).to_contain_text("isn’t kept yet")
    page.get_by_role("button", name="Go on tasting").click()
    expect(page.get_by_role("radio", name="Sharpness: right")).to_be_checked()
    page.get_by_role("button", name="Stop").click()
    page.get_by_role("button", name="Throw it away").click()
    expect(page.get_by_role("form", name="Start a tasting")).to_be_visible()


def test_the_sheet_goes_by_keys_alone(page, server):
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=1")
    page.get_by_role("checkbox", name="Blind").set_checked(False)
    page.get_by_label("Who tastes").fill("Wren")
    page.get_by_label("Who tastes").press("Enter")
    page.get_by_role("radio", name="Sweetness: far not sweet enough").focus()
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    expect(page.get_by_role("radio", name="Sweetness: a touch too sweet")).to_be_checked()
    expect(page.get_by_role("region", name="Sheet")).to_contain_text("a touch too sweet")


def test_two_windows_keep_the_same_draft_the_second_is_told_and_both_are_seen(page, server, context):
    ready(page, f"{server.url}/bench/{DAISY}")
    other = context.new_page()
    ready(other, f"{server.url}/bench/{DAISY}")
    amount(page, "Lemon juice").fill("20")
    amount(page, "Lemon juice").press("Enter")
    keep(page, "Mine.")
    other.get_by_role("button", name="Keep as trial").click()
    other.get_by_label("Name", exact=True).fill("Theirs")
    other.get_by_role("button", name="Keep it").click()
    expect(other.get_by_role("alert")).to_contain_text("another window")
    other.get_by_role("button", name="Keep mine as a trial of its own").click()
    expect(other.get_by_role("region", name="Side by side")).to_be_visible()
    expect(other.get_by_role("columnheader", name=re.compile("Trial 3"))).to_be_visible()
    expect(other.get_by_role("columnheader", name=re.compile("Trial 4.*Theirs"))).to_be_visible()
    page.reload()
    expect(amount(page, "Lemon juice")).to_have_value("20")


def test_what_was_really_poured_by_whom_and_of_which_lots_is_kept_with_the_trial(page, server):
    ready(page, f"{server.url}/bench/{DAISY}")
    page.evaluate(
        """() => localStorage.setItem('oenomel.making.3',
             JSON.stringify({ ticked: [], poured: { 'lemon-juice mixed sour': { amount: 24, unit: 'ml' } } }))"""
    )
    page.get_by_role("button", name="Keep as trial").click()
    page.get_by_label("Made by").fill("Wren")
    page.get_by_role("dialog").get_by_role("button", name="fine").click()
    page.get_by_role("dialog").get_by_text("Today’s bottles and squeezes").click()
    page.get_by_role("dialog").get_by_label("Lemon juice").fill("pressed at noon")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.goto(f"{server.url}/trials/{DAISY}?show=1&show=3")
    expect(page.get_by_role("region", name="Trials", exact=True)).to_contain_text("made by Wren")
    expect(page.get_by_role("region", name="Side by side")).to_contain_text("pressed at noon (3)")


def test_measured_by_one_tap_refused_where_it_can_not_be_and_used_by_the_next_forecast(page, server):
    page.goto(f"{server.url}/trials/{MEDLAR}?show=3&show=4")
    measured = page.get_by_role("region", name="Measured")
    expect(measured).to_contain_text("Titrated acid, as citric, as served")
    measured.get_by_role("button", name="after the ice").click()
    measured.get_by_role("button", name="volume").click()
    measured.get_by_label("Reading, ml").fill("900")
    measured.get_by_role("button", name="Keep the reading").click()
    expect(measured.get_by_role("alert")).to_contain_text("with all 300 g of the ice")
    for point in ("before the ice", "after the ice"):
        measured.get_by_role("button", name=point).click()
        measured.get_by_role("button", name="weight", exact=True).click()
        expect(measured.get_by_label("Reading, g")).to_have_value("")
        for _ in range(5):
            measured.get_by_role("button", name="Read the scale").click()
            expect(measured.get_by_role("button", name="Read the scale")).to_be_enabled()
            if measured.get_by_label("Reading, g").input_value():
                break
        measured.get_by_role("button", name="Keep the reading").click()
        expect(measured.get_by_role("listitem").filter(has_text=f"Weight, {point}")).to_be_visible()
    expect(measured).to_contain_text("by 1 measurement. The forecasts use it.")
    measured.get_by_role("button", name="refractometer").click()
    expect(measured).to_contain_text("reads alcohol as sugar")
    page.goto(f"{server.url}/bench/{MEDLAR}")
    page.get_by_role("tab", name=re.compile("Notes")).click()
    expect(page.get_by_role("tabpanel")).to_contain_text("one measurement of your own")


def test_a_palate_is_looked_at_explained_switched_on_and_reset(page, server):
    page.goto(f"{server.url}/palates")
    page.get_by_role("button", name="Tam", exact=True).click()
    palate = page.get_by_role("region", name="Tam’s palate")
    expect(palate).to_contain_text("11 sheets")
    palate.get_by_text("What it was learnt from").click()
    expect(palate.get_by_role("listitem").first).to_contain_text("too")
    palate.get_by_role("button", name=re.compile("Use it for proposals")).click()
    page.goto(f"{server.url}/trials/{MEDLAR}?show=1&show=2")
    expect(page.get_by_role("region", name="What to try next")).to_contain_text("by Tam’s palate too")
    page.goto(f"{server.url}/palates?taster=Tam")
    page.get_by_role("button", name="In use: switch it off").click()
    page.get_by_role("button", name="Learn it anew").click()
    expect(page.get_by_role("status")).to_contain_text("This can’t be taken back.")
    page.get_by_role("button", name="Yes, forget what was learnt").click()
    expect(page.get_by_role("main")).to_contain_text("Nothing is known of Tam’s palate yet")


def test_from_the_tree_two_are_crossed_and_one_is_riffed_from(page, server):
    page.goto(f"{server.url}/tree")
    page.get_by_role("button", name=re.compile("^Hedge Gate Sour, trial 1")).click()
    page.get_by_role("button", name=re.compile("^Forcing Shed Daisy, trial 2")).click()
    page.get_by_role("button", name="Cross them").click()
    expect(page.get_by_role("heading", level=1)).to_contain_text("Hedge Gate Sour × Forcing Shed Daisy")
    page.get_by_role("button", name="Rooms").click()
    page.get_by_role("link", name="Tree").click()
    child = page.get_by_role("button", name=re.compile("^Hedge Gate Sour × Forcing Shed Daisy, trial 1"))
    child.click()
    page.get_by_role("button", name="Riff as a new drink").click()
    expect(page.get_by_role("heading", level=1)).to_contain_text("A riff on Hedge Gate Sour")
    page.goto(f"{server.url}/tree?family=fizz")
    expect(page.get_by_role("button", name=re.compile("^Hedge Gate Sour"))).to_have_count(0)


def test_trials_are_marked_and_put_away_and_nothing_is_lost(page, server):
    page.goto(f"{server.url}/trials/{MEDLAR}")
    page.get_by_label("What became of trial 2", exact=True).click()
    page.get_by_role("button", name="Put away, out of view").click()
    trials = page.get_by_role("region", name="Trials", exact=True)
    expect(trials.get_by_text("2. A third less lemon")).to_have_count(0)
    page.get_by_role("button", name="Show what was put away").click()
    expect(trials).to_contain_text("2. A third less lemon")
    page.get_by_role("region", name="Brief").get_by_role("button", name="Change").click()
    page.get_by_label("At most so strong, % ABV").fill("12")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("alert")).to_contain_text("turn them round")
    page.get_by_label("At least so strong, % ABV").fill("8")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("region", name="Brief")).to_contain_text("asked for 8 to 12 %")


def test_other_peoples_specs_have_a_middle_to_start_from(page, server):
    page.goto(f"{server.url}/specs/{MEDLAR}")
    cloud = page.get_by_role("region", name="The cloud")
    expect(cloud).to_contain_text("One of them stands apart.")
    # Somebody's recipe is pasted as it is.
    page.get_by_role("link", name="Paste a recipe").click()
    recipe = page.get_by_label("The recipe, as you have it")
    recipe.fill("not a recipe")
    expect(page.get_by_role("alert")).to_contain_text("No line of this tells how much of what")
    recipe.fill("The ferryman\n2 oz rye\n¾ oz lemon juice\n¾ oz simple syrup\nShake.")
    page.get_by_role("button", name="Put it among others’ specs of Medlar Walk Sour").click()
    expect(cloud).to_contain_text("5 specs")
    page.get_by_role("button", name="Take out The ferryman").click()
    expect(cloud).to_contain_text("4 specs")
    page.get_by_label("Whose it is").fill("Wren")
    page.get_by_role("button", name="Take it as it lies on the bench").click()
    expect(cloud).to_contain_text("5 specs")
    page.get_by_role("button", name="Take out Wren").click()
    expect(cloud).to_contain_text("4 specs")
    page.get_by_role("button", name="Start in the middle").click()
    expect(amount(page, "Rye whiskey")).to_have_value("55")


def test_the_book_is_sought_by_taster_score_and_what_is_at_hand(page, server):
    page.goto(f"{server.url}/book")
    drinks = page.get_by_role("main").get_by_role("listitem")
    expect(drinks).to_have_count(11)
    page.get_by_label("Tasted by").select_option("Wren")
    page.get_by_label("scored").select_option("8 or more")
    expect(drinks).to_have_count(1)
    expect(drinks).to_contain_text("Long Border Fizz")
    page.get_by_label("Tasted by").select_option("anyone")
    page.get_by_label("scored").select_option("as may be")
    page.get_by_label("all of it at hand").check()
    expect(drinks).not_to_have_count(11)
    page.get_by_role("searchbox", name="Search the book").fill("nothing of the kind")
    expect(page.get_by_role("status")).to_contain_text("Try one word of it")


def test_a_bottle_is_tasted_alone_and_its_aroma_amended(page, server):
    page.goto(f"{server.url}/shelf")
    page.get_by_role("button", name="Taste Quince liqueur alone").click()
    page.get_by_label("Who tastes").fill("Tam")
    page.get_by_label("Nose").fill("more almond than quince")
    page.get_by_role("button", name="quince, loud").click()
    page.get_by_label("Another word of the aroma list").fill("van")
    page.get_by_role("button", name="vanilla", exact=True).click()
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.get_by_role("button", name="Taste Quince liqueur alone").click()
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_role("button", name="vanilla, faint")).to_be_visible()
    expect(dialog.get_by_role("button", name=re.compile("^quince,"))).to_have_count(0)


@pytest.mark.parametrize("theme", ["lamplight", "late"])
def test_no_room_of_the_notebook_breaks_a_rule_of_accessibility(page, server, theme, violations):
    page.add_init_script(f"localStorage.setItem('oenomel.theme', '{theme}')")

    for view in (
        f"/trials/{MEDLAR}?show=1&show=2&show=3&show=4",
        "/trials/10",
        "/tree",
        "/palates?taster=Tam",
        f"/specs/{MEDLAR}",
        "/specs/1",
        "/book",
    ):
        page.goto(server.url + view)
        page.get_by_role("heading", level=1).wait_for()
        page.wait_for_load_state("networkidle")
        assert violations() == [], view
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=3&trial=4")
    page.get_by_label("Who tastes").fill("Tam")
    assert violations() == [], "who tastes"
    page.get_by_role("button", name=re.compile("^Start")).click()
    page.get_by_role("button", name="Poured: hide the key").click()
    say(page, "Sharpness", "a touch too sharp")
    assert violations() == [], "sheet"
    page.goto(f"{server.url}/shelf")
    page.get_by_role("button", name="Taste Quince liqueur alone").click()
    page.get_by_role("button", name="quince, loud").wait_for()
    assert violations() == [], "part"


def test_a_tree_of_sixty_trials_stays_readable(page, server):
    for family in range(6):
        spec = page.request.get(f"{server.url}/api/drinks/{1 + family}").json()["trials"][0]["spec"]
        made = page.request.post(f"{server.url}/api/drinks", data={"name": f"Bed {family + 1}", "spec": spec, "trial_name": "First"}).json()
        first = made["trials"][0]["id"]
        for number in range(6):
            body = {"name": f"Row {number}", "parent_trial_id": first, "spec": spec, "revision": 0, "beside": True}
            page.request.post(f"{server.url}/api/drinks/{made['id']}/trials", data=body)
    page.goto(f"{server.url}/tree")
    nodes = page.get_by_role("region", name="The tree").get_by_role("button")
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
    page.get_by_role("button", name=re.compile("^Bed 6, trial 7")).click()
    expect(page.get_by_role("region", name="Chosen")).to_contain_text("Bed 6, trial 7")


@pytest.mark.parametrize("width", [390, 820, 1280])
def test_no_room_of_the_notebook_is_wider_than_its_window(page, server, width):
    page.set_viewport_size({"width": width, "height": 900})
    for view in (
        f"/trials/{MEDLAR}?show=1&show=2&show=3&show=4",
        "/tree",
        "/palates",
        f"/specs/{MEDLAR}",
        f"/taste/{MEDLAR}?trial=1",
        "/book",
    ):
        page.goto(server.url + view)
        page.get_by_role("heading", level=1).wait_for()
        page.wait_for_load_state("networkidle")
        assert page.evaluate("document.documentElement.scrollWidth <= innerWidth"), view


def test_empty_rooms_teach_what_to_do_in_them(page, server):
    spec = page.request.get(f"{server.url}/api/drinks/1").json()["trials"][0]["spec"]
    made = page.request.post(f"{server.url}/api/drinks", data={"name": "New Bed", "spec": spec, "trial_name": "First"}).json()
    page.goto(f"{server.url}/trials/{made['id']}")
    main = page.get_by_role("main")
    expect(main).to_contain_text("One trial so far.")
    expect(main).to_contain_text("Trial 1 wasn’t tasted yet.")
    expect(main).to_contain_text("For whom, for when, how strong, what to avoid")
    expect(main).to_contain_text("Weigh it before and after the ice once or twice")
    page.goto(f"{server.url}/specs/{made['id']}")
    expect(main).to_contain_text("from two specs on there is a middle to start from")
    page.goto(f"{server.url}/palates?taster=Nobody")
    expect(main).to_contain_text("Nothing is known of Nobody’s palate yet.")
    page.goto(f"{server.url}/taste/999")
    expect(page.get_by_role("alert")).to_contain_text("There is no drink 999.")


def test_a_trial_that_is_put_away_while_it_is_tasted_keeps_its_sheet(page, server):
    page.goto(f"{server.url}/taste/{MEDLAR}?trial=2")
    page.get_by_label("Who tastes").fill("Wren")
    page.get_by_role("button", name="Start").click()
    fill_sheet(page, RIGHT, 9)
    trials = page.request.get(f"{server.url}/api/drinks/{MEDLAR}/notebook").json()["trials"]
    page.request.put(f"{server.url}/api/drinks/{MEDLAR}/trials/{trials[1]['id']}/mark", data={"mark": "hidden"})
    page.reload()
    expect(page.get_by_role("status")).to_contain_text("Trial 2 was put away in the meantime.")
    page.get_by_role("button", name="Keep the sheet").click()
    expect(page.get_by_role("region", name="Revealed")).to_contain_text("Wren: right, 9 of 10")
    trials = page.request.get(f"{server.url}/api/drinks/{MEDLAR}/notebook").json()["trials"]
    assert trials[1]["mark"] == "hidden"
    assert trials[1]["sheets"][-1]["taster"] == "Wren"


def test_thin_and_sharp_is_answered_by_strength_by_sweetness_and_by_one_pour(page, server):
    page.goto(f"{server.url}/trials/{MEDLAR}?show=1")
    following = page.get_by_role("region", name="What to try next")
    for title in ("Answer it, with more strength", "Answer it, with more sweetness and body", "Only Lemon juice"):
        expect(following.get_by_role("heading", name=title)).to_be_visible()
    expect(following).to_contain_text("Not yet.")
    expect(page.get_by_role("main")).to_contain_text("Choose two to four trials, and they are laid side by side.")
    page.get_by_role("checkbox", name="Lay trial 4 side by side").click()
    expect(page).to_have_url(re.compile("show=1&show=4$"))
    expect(page.get_by_role("columnheader", name=re.compile("Trial 4"))).to_be_visible()
    page.go_back()
    expect(page).not_to_have_url(re.compile("show=1&show=4$"))


def test_a_crossed_trial_tells_where_each_pour_came_from(page, server):
    page.goto(f"{server.url}/trials/8?show=1&show=2")
    card = page.get_by_role("listitem").filter(has=page.get_by_label("Lay trial 1 side by side"))
    expect(card).to_contain_text("from Walled Garden Daisy, trial 1 and Forcing Shed Daisy, trial 2")
    card.get_by_text("Where each pour came from").click()
    expect(card).to_contain_text("15 ml Quince liqueur: Walled Garden Daisy, trial 1")
    expect(card).to_contain_text("22.5 ml Lime juice: Forcing Shed Daisy, trial 2")


def test_without_devices_a_reading_is_typed_and_own_measurements_can_be_left_out(page, server):
    page.goto(f"{server.url}/trials/10?show=2&show=3")
    measured = page.get_by_role("region", name="Measured")
    expect(measured.get_by_role("button", name="Read the scale")).to_be_visible()
    expect(measured).to_contain_text("Your stir takes 9 % less water than the curve, give or take 6 %, by 3 measurements.")
    page.get_by_role("button", name="Settings").click()
    dialog = page.get_by_role("dialog", name="Settings")
    dialog.get_by_role("button", name="none: typed by hand").click()
    dialog.get_by_role("button", name="are left out").click()
    page.keyboard.press("Escape")
    expect(measured.get_by_role("button", name="Read the scale")).to_have_count(0)
    page.goto(f"{server.url}/bench/10")
    making = page.get_by_role("tabpanel")
    expect(making).to_contain_text("by the curve.")
    page.get_by_role("button", name="Settings").click()
    page.get_by_role("dialog", name="Settings").get_by_role("button", name="count", exact=True).click()
    page.keyboard.press("Escape")
    expect(making).to_contain_text("by the curve and 3 measurements of your own.")
