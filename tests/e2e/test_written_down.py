"""How it is made, written down at the bench and carried along: garnish, ice, steps, files; by mouse and by keyboard."""

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import expect
from support import labels
from support.bench_page import ready


def bench(page, server, drink):
    ready(page, f"{server.url}/bench/{drink}")


def test_a_garnish_is_written_with_its_reason_and_stands_on_the_card(page, server, violations):
    bench(page, server, 9)
    page.keyboard.press("n")
    dialog = page.get_by_role("dialog", name=labels.GARNISH)
    suggested = dialog.get_by_role("region", name=labels.WHAT_WOULD_SUIT_IT).get_by_role("button")
    expect(suggested.first).to_contain_text(labels.ECHOES_THE)
    name = suggested.first.inner_text().split("\n")[0]
    suggested.first.click()
    expect(dialog.get_by_label(labels.GARNISH_WHAT).first).to_have_value(re.compile(name, re.IGNORECASE))
    dialog.get_by_role("button", name=labels.IN_YOUR_OWN_WORDS).click()
    second = dialog.get_by_role("group", name=labels.GARNISH_2)
    second.get_by_label(labels.GARNISH_WHAT).fill("rhubarb ribbon")
    second.get_by_label(labels.WHY).fill("echoes the syrup")
    second.get_by_label(labels.GARNISH_HOW).fill("inside the glass")
    second.get_by_label(labels.NONE_AT_HAND).fill("cucumber ribbon")
    assert violations() == []
    dialog.get_by_role("button", name=labels.CLOSE).click()
    expect(page.get_by_role("region", name=labels.GARNISH)).to_contain_text(labels.RHUBARB_RIBBON_INSIDE_THE_GLASS)
    steps = page.get_by_role("list", name=labels.STEPS)
    expect(steps).to_contain_text(labels.CUT_THE_RHUBARB_RIBBON)
    expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()
    page.goto(f"{server.url}/card/9")
    expect(page.get_by_role("article")).to_contain_text(labels.INSIDE_THE_GLASS_ECHOES_THE_SYRUP_NONE_AT_HA)
    # One press back undoes a whole word of it.
    bench(page, server, 9)
    expect(page.get_by_role("region", name=labels.GARNISH)).to_contain_text("rhubarb ribbon")


@pytest.mark.deep
def test_three_cubes_give_less_water_and_say_by_what(page, server):
    bench(page, server, 6)
    water = page.get_by_text(re.compile(labels.THE_ICE_GIVES_2))
    before = int(re.search(r"(\d+) ml", water.inner_text())[1])
    page.keyboard.press("m")
    dialog = page.get_by_role("dialog", name=labels.MAKING, exact=True)
    dialog.get_by_role("button", name=labels.N_3_PIECES).click()
    dialog.get_by_label(labels.A_PIECE_WEIGHS_G).fill("25")
    page.keyboard.press("Tab")
    dialog.get_by_label(labels.OR_TYPED_OR_A_RANGE).fill("8-10")
    page.keyboard.press("Enter")
    dialog.get_by_label(labels.IT_IS_READY_WHEN).fill("the tin is almost too cold")
    dialog.get_by_role("button", name=labels.AFTER_THE_ICE).click()
    dialog.get_by_role("button", name=labels.CLOSE).click()
    told = page.get_by_text(re.compile(labels.N_3_PIECES_OF_ICE_GIVE))
    expect(told).to_contain_text(labels.BY_HEAT_BALANCE_2)
    assert int(re.search(r"give (\d+) ml", told.inner_text())[1]) < before
    steps = page.get_by_role("list", name=labels.STEPS)
    expect(steps).to_contain_text(labels.PUT_THREE_CUBES_OF_25_G_EACH_INTO_THE_TIN)
    expect(steps).to_contain_text(labels.SHAKE_FOR_8_TO_10_SECONDS)
    expect(steps).to_contain_text(labels.SHAKE_AGAIN_WITHOUT_ICE_FOR_10_SECONDS)
    expect(page.get_by_role("button", name=re.compile(labels.SHAKEN_8_10_S_WITH_3_CUBES))).to_be_visible()


def test_seconds_that_are_none_are_refused_with_what_to_write(page, server):
    bench(page, server, 1)
    page.keyboard.press("m")
    dialog = page.get_by_role("dialog", name=labels.MAKING, exact=True)
    dialog.get_by_label(labels.OR_TYPED_OR_A_RANGE).fill("a while")
    page.keyboard.press("Enter")
    expect(dialog.get_by_role("alert")).to_contain_text(labels.WRITE_12_OR_A_RANGE_LIKE_8_10)


@pytest.mark.deep
def test_steps_are_told_otherwise_moved_left_out_and_added_by_keyboard(page, server, violations):
    bench(page, server, 1)
    page.keyboard.press("e")
    dialog = page.get_by_role("dialog", name=labels.STEPS)
    lines = dialog.get_by_role("list", name=labels.STEPS).get_by_role("textbox")
    expect(lines.first).to_have_value("Chill the coupe.")
    count = lines.count()
    lines.first.fill("Take a coupe out of the freezer")
    page.keyboard.press("Enter")
    expect(lines.first).to_have_value("Take a coupe out of the freezer.")
    second = lines.nth(1).input_value()
    lines.nth(1).focus()
    page.keyboard.press("Alt+ArrowUp")
    expect(lines.first).to_have_value(second)
    dialog.get_by_label(labels.A_STEP_OF_YOUR_OWN).fill("Wipe the foot of the glass")
    dialog.get_by_label(labels.WHEN).select_option(label="at the very end")
    dialog.get_by_label(labels.A_STEP_OF_YOUR_OWN).press("Enter")
    expect(lines).to_have_count(count + 1)
    expect(lines.last).to_have_value("Wipe the foot of the glass.")
    assert violations() == []
    dialog.get_by_role("button", name=labels.LEAVE_STEP_3_OUT).click()
    expect(lines).to_have_count(count)
    dialog.get_by_role("button", name=labels.CLOSE).click()
    steps = page.get_by_role("list", name=labels.STEPS).get_by_role("listitem")
    expect(steps.last).to_contain_text("Wipe the foot of the glass.")
    expect(steps.nth(1)).to_contain_text("Take a coupe out of the freezer.")
    page.get_by_role("button", name=labels.CHANGE_STEPS).click()
    dialog.get_by_role("button", name=labels.AS_THEY_FOLLOW_FROM_THE_DRINK).click()
    expect(lines.first).to_have_value("Chill the coupe.")
    expect(lines).to_have_count(count)


@pytest.mark.deep
def test_an_edge_is_halved_and_wetted_and_one_line_tells_what_it_adds(page, server):
    bench(page, server, 3)
    page.get_by_role("button", name=labels.MORE_ABOUT.format("Caster sugar")).click()
    dialog = page.get_by_role("dialog", name="Caster sugar")
    dialog.get_by_role("button", name=labels.THE_WHOLE_EDGE).click()
    dialog.get_by_label(labels.WETTED_WITH).fill("honey")
    dialog.get_by_role("button", name=labels.CLOSE).click()
    expect(page.get_by_text(labels.WITH_THE_EDGE_A_SIP_TAKES_ABOUT_0_4_G_OF_SUG)).to_be_visible()
    expect(page.get_by_role("list", name=labels.STEPS)).to_contain_text(labels.WET_THE_EDGE_OF_THE_COUPE_WITH.format("honey"))


def test_a_house_is_saved_changed_and_taken_in_with_what_differs_side_by_side(page, server, tmp_path, violations):
    page.goto(f"{server.url}/book")
    page.get_by_role("button", name=labels.TAKE_THE_HOUSE_ALONG).click()
    dialog = page.get_by_role("dialog", name=labels.TAKE_THE_HOUSE_ALONG)
    with page.expect_download() as saved:
        dialog.get_by_role("button", name=re.compile(labels.EVERYTHING)).click()
    expect(dialog.get_by_role("status")).to_have_text(labels.SAVED_AS_HOUSE_JSON)
    told = json.loads(Path(saved.value.path()).read_text(encoding="utf-8"))
    drink = told["drinks"][0]
    tart = json.loads(json.dumps(drink["trials"][-1]))
    tart["spec"]["pours"][1]["amount"] = 40
    drink["trials"].append({"name": "Less verjus", "spec": tart["spec"]})
    told["drinks"].append({**drink, "id": "new-one", "name": "From elsewhere", "trials": drink["trials"][:1]})
    changed = tmp_path / "changed.json"
    changed.write_text(json.dumps(told), encoding="utf-8")
    dialog.get_by_role("button", name=labels.CLOSE).click()

    page.get_by_role("link", name=labels.IMPORT).click()
    page.get_by_label(labels.CHOOSE_FILES).set_input_files(changed)
    expect(page.get_by_role("status")).to_have_text(labels.N_1_NEW_30_THE_SAME_1_THAT_DIFFER)
    item = page.get_by_role("listitem").filter(has_text="Hedge Gate Sour")
    expect(item.get_by_role("row", name=re.compile(labels.VERJUS_45_ML_40_ML))).to_be_visible()
    assert violations() == []
    item.get_by_role("button", name=labels.ADD_WHAT_IS_MISSING_HERE).click()
    page.get_by_role("button", name=labels.IMPORT, exact=True).click()
    expect(page.get_by_role("status")).to_contain_text(labels.TAKEN_IN)
    page.get_by_role("link", name=labels.TO_THE_BOOK).click()
    expect(page.get_by_role("link", name=re.compile("From elsewhere"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_contain_text(labels.LESS_OF.format("verjus"))

    # The same file again doubles nothing; dropped on the book it comes to the same place.
    page.evaluate(
        """(text) => {
          const data = new DataTransfer();
          data.items.add(new File([text], 'changed.json', { type: 'application/json' }));
          document.querySelector('main').dispatchEvent(new DragEvent('drop', { bubbles: true, dataTransfer: data }));
        }""",
        changed.read_text(encoding="utf-8"),
    )
    expect(page).to_have_url(re.compile("/import$"))
    expect(page.get_by_role("button", name=labels.NOTHING_TO_TAKE_IN)).to_be_disabled()


def test_settings_tell_where_the_house_lives_and_copy_it(page, server):
    page.goto(f"{server.url}/book")
    expect(page.get_by_role("heading", name=labels.RECIPES_LIST)).to_be_visible()
    page.keyboard.press(",")
    dialog = page.get_by_role("dialog", name=labels.SETTINGS)
    expect(dialog).to_contain_text(str(server.data))
    expect(dialog).to_contain_text(labels.N_1_COPY_KEPT)
    dialog.get_by_role("button", name=labels.MAKE_A_COPY_NOW).click()
    expect(dialog).to_contain_text(labels.A_COPY_WAS_MADE)
    expect(dialog).to_contain_text(labels.N_2_COPIES_KEPT)
    assert len(list(server.data.with_name("demo-copies").iterdir())) == 2


@pytest.mark.deep
def test_a_minute_without_the_server_loses_no_garnish_and_no_step(page, server):
    bench(page, server, 1)
    page.keyboard.press("n")
    dialog = page.get_by_role("dialog", name=labels.GARNISH)
    expect(dialog.get_by_role("region", name=labels.WHAT_WOULD_SUIT_IT)).to_be_visible()
    server.kill()
    dialog.get_by_label(labels.WHY).fill("its resin is kin to the gin")
    dialog.get_by_role("button", name=labels.IN_YOUR_OWN_WORDS).click()
    dialog.get_by_role("group", name=labels.GARNISH_2).get_by_label(labels.GARNISH_WHAT).fill("hedge flower")
    dialog.get_by_role("button", name=labels.CLOSE).click()
    page.keyboard.press("m")
    method = page.get_by_role("dialog", name=labels.MAKING, exact=True)
    method.get_by_label(labels.IT_IS_READY_WHEN).fill("the tin sings")
    method.get_by_role("button", name=labels.CLOSE).click()
    expect(page.get_by_text(labels.NOT_SAVED_YET_TRYING)).to_be_visible()
    # It goes on for longer than any one try: what is written stays in the browser, and is told.
    page.wait_for_timeout(4_000)
    expect(page.get_by_role("status").filter(has_text=labels.NO_ANSWER_TRYING)).to_be_visible()
    expect(page.get_by_role("region", name=labels.GARNISH)).to_contain_text("hedge flower")
    server.start()
    expect(page.get_by_text(labels.DRAFT_SAVED)).to_be_visible()
    expect(page.get_by_role("list", name=labels.STEPS)).to_contain_text(labels.GARNISH_WITH_A_HEDGE_FLOWER)
    draft = page.request.get(f"{server.url}/api/drinks/1").json()["draft"]["spec"]
    assert [(each["what"], each["why"]) for each in draft["serve"]["garnish"]] == [
        ("bay leaf", "its resin is kin to the gin"),
        ("hedge flower", ""),
    ]
    assert draft["method"]["sign"] == "the tin sings"
