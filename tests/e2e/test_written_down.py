"""How it is made, written down at the bench and carried along: garnish, ice, steps, files; by mouse and by keyboard."""

import json
import re
from pathlib import Path

from playwright.sync_api import expect
from support.bench_page import ready


def bench(page, server, drink):
    ready(page, f"{server.url}/bench/{drink}")


def test_a_garnish_is_written_with_its_reason_and_stands_on_the_card(page, server, violations):
    bench(page, server, 9)
    page.keyboard.press("n")
    dialog = page.get_by_role("dialog", name="Garnish")
    suggested = dialog.get_by_role("region", name="What would suit it").get_by_role("button")
    expect(suggested.first).to_contain_text("echoes the")
    name = suggested.first.inner_text().split("\n")[0]
    suggested.first.click()
    expect(dialog.get_by_label("What").first).to_have_value(re.compile(name, re.IGNORECASE))
    dialog.get_by_role("button", name="In your own words").click()
    second = dialog.get_by_role("group", name="Garnish 2")
    second.get_by_label("What").fill("rhubarb ribbon")
    second.get_by_label("Why").fill("echoes the syrup")
    second.get_by_label("How").fill("inside the glass")
    second.get_by_label("None at hand").fill("cucumber ribbon")
    assert violations() == []
    dialog.get_by_role("button", name="Close").click()
    expect(page.get_by_role("region", name="Garnish")).to_contain_text("rhubarb ribbon, inside the glass")
    steps = page.get_by_role("list", name="Steps")
    expect(steps).to_contain_text("Cut the rhubarb ribbon.")
    expect(page.get_by_text("· draft saved")).to_be_visible()
    page.goto(f"{server.url}/card/9")
    expect(page.get_by_role("article")).to_contain_text("inside the glass; echoes the syrup; none at hand: cucumber ribbon")
    # One press back undoes a whole word of it.
    bench(page, server, 9)
    expect(page.get_by_role("region", name="Garnish")).to_contain_text("rhubarb ribbon")


def test_three_cubes_give_less_water_and_say_by_what(page, server):
    bench(page, server, 6)
    water = page.get_by_text(re.compile("^The ice gives"))
    before = int(re.search(r"(\d+) ml", water.inner_text())[1])
    page.keyboard.press("m")
    dialog = page.get_by_role("dialog", name="How it is made")
    dialog.get_by_role("button", name="3 pieces").click()
    dialog.get_by_label("A piece weighs, g").fill("25")
    page.keyboard.press("Tab")
    dialog.get_by_label("or typed, or a range").fill("8-10")
    page.keyboard.press("Enter")
    dialog.get_by_label("It is ready when").fill("the tin is almost too cold")
    dialog.get_by_role("button", name="after it").click()
    dialog.get_by_role("button", name="Close").click()
    told = page.get_by_text(re.compile("^3 pieces of ice give"))
    expect(told).to_contain_text("by heat balance")
    assert int(re.search(r"give (\d+) ml", told.inner_text())[1]) < before
    steps = page.get_by_role("list", name="Steps")
    expect(steps).to_contain_text("Put three cubes of 25 g each into the tin.")
    expect(steps).to_contain_text("Shake for 8 to 10 seconds.")
    expect(steps).to_contain_text("Shake again without ice for 10 seconds.")
    expect(page.get_by_role("button", name=re.compile("^Shaken 8–10 s with 3 cubes"))).to_be_visible()


def test_seconds_that_are_none_are_refused_with_what_to_write(page, server):
    bench(page, server, 1)
    page.keyboard.press("m")
    dialog = page.get_by_role("dialog", name="How it is made")
    dialog.get_by_label("or typed, or a range").fill("a while")
    page.keyboard.press("Enter")
    expect(dialog.get_by_role("alert")).to_contain_text("Write 12, or a range like 8–10.")


def test_steps_are_told_otherwise_moved_left_out_and_added_by_keyboard(page, server, violations):
    bench(page, server, 1)
    page.keyboard.press("e")
    dialog = page.get_by_role("dialog", name="The steps of this drink")
    lines = dialog.get_by_role("list", name="Steps to change").get_by_role("textbox")
    expect(lines.first).to_have_value("Chill the coupe.")
    count = lines.count()
    lines.first.fill("Take a coupe out of the freezer")
    page.keyboard.press("Enter")
    expect(lines.first).to_have_value("Take a coupe out of the freezer.")
    second = lines.nth(1).input_value()
    lines.nth(1).focus()
    page.keyboard.press("Alt+ArrowUp")
    expect(lines.first).to_have_value(second)
    dialog.get_by_label("A step of your own").fill("Wipe the foot of the glass")
    dialog.get_by_label("When").select_option(label="at the very end")
    dialog.get_by_label("A step of your own").press("Enter")
    expect(lines).to_have_count(count + 1)
    expect(lines.last).to_have_value("Wipe the foot of the glass.")
    assert violations() == []
    dialog.get_by_role("button", name="Leave step 3 out").click()
    expect(lines).to_have_count(count)
    dialog.get_by_role("button", name="Close").click()
    steps = page.get_by_role("list", name="Steps").get_by_role("listitem")
    expect(steps.last).to_contain_text("Wipe the foot of the glass.")
    expect(steps.nth(1)).to_contain_text("Take a coupe out of the freezer.")
    page.get_by_role("button", name="Change steps").click()
    dialog.get_by_role("button", name="As they follow from the drink").click()
    expect(lines.first).to_have_value("Chill the coupe.")
    expect(lines).to_have_count(count)


def test_an_edge_is_halved_and_wetted_and_one_line_tells_what_it_adds(page, server):
    bench(page, server, 3)
    page.get_by_role("button", name="More about Caster sugar").click()
    dialog = page.get_by_role("dialog", name="Caster sugar")
    dialog.get_by_role("button", name="the whole edge").click()
    dialog.get_by_label("Wetted with").fill("honey")
    dialog.get_by_role("button", name="Close").click()
    expect(page.get_by_text("With the edge a sip takes about 0.4 g of sugar along")).to_be_visible()
    expect(page.get_by_role("list", name="Steps")).to_contain_text("Wet the edge of the coupe with honey.")


def test_a_house_is_saved_changed_and_taken_in_with_what_differs_side_by_side(page, server, tmp_path, violations):
    page.goto(f"{server.url}/book")
    page.get_by_role("button", name="Take the house along").click()
    dialog = page.get_by_role("dialog", name="Take the house along")
    with page.expect_download() as saved:
        dialog.get_by_role("button", name=re.compile("^Everything")).click()
    expect(dialog.get_by_role("status")).to_have_text("Saved as house.json.")
    told = json.loads(Path(saved.value.path()).read_text(encoding="utf-8"))
    drink = told["drinks"][0]
    tart = json.loads(json.dumps(drink["trials"][-1]))
    tart["spec"]["pours"][1]["amount"] = 40
    drink["trials"].append({"name": "Less verjus", "spec": tart["spec"]})
    told["drinks"].append({**drink, "id": "new-one", "name": "From elsewhere", "trials": drink["trials"][:1]})
    changed = tmp_path / "changed.json"
    changed.write_text(json.dumps(told), encoding="utf-8")
    dialog.get_by_role("button", name="Close").click()

    page.get_by_role("link", name="Take files in").click()
    page.get_by_label("Choose files").set_input_files(changed)
    expect(page.get_by_role("status")).to_have_text("1 new, 30 the same, 1 that differ.")
    item = page.get_by_role("listitem").filter(has_text="Hedge Gate Sour")
    expect(item.get_by_role("row", name=re.compile("^verjus 45 ml 40 ml"))).to_be_visible()
    assert violations() == []
    item.get_by_role("button", name="Add what is missing here").click()
    page.get_by_role("button", name="Take it in").click()
    expect(page.get_by_role("status")).to_contain_text("Taken in.")
    page.get_by_role("link", name="To the book").click()
    expect(page.get_by_role("link", name=re.compile("From elsewhere"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("Hedge Gate Sour"))).to_contain_text("Less verjus")

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
    expect(page.get_by_role("button", name="Nothing to take in")).to_be_disabled()


def test_settings_tell_where_the_house_lives_and_copy_it(page, server):
    page.goto(f"{server.url}/book")
    expect(page.get_by_role("heading", name="The book")).to_be_visible()
    page.keyboard.press(",")
    dialog = page.get_by_role("dialog", name="Settings")
    expect(dialog).to_contain_text(str(server.data))
    expect(dialog).to_contain_text("1 copy kept")
    dialog.get_by_role("button", name="Make a copy now").click()
    expect(dialog).to_contain_text("A copy was made.")
    expect(dialog).to_contain_text("2 copies kept")
    assert len(list(server.data.with_name("demo-copies").iterdir())) == 2


def test_a_minute_without_the_server_loses_no_garnish_and_no_step(page, server):
    bench(page, server, 1)
    page.keyboard.press("n")
    dialog = page.get_by_role("dialog", name="Garnish")
    expect(dialog.get_by_role("region", name="What would suit it")).to_be_visible()
    server.kill()
    dialog.get_by_label("Why").fill("its resin is kin to the gin")
    dialog.get_by_role("button", name="In your own words").click()
    dialog.get_by_role("group", name="Garnish 2").get_by_label("What").fill("hedge flower")
    dialog.get_by_role("button", name="Close").click()
    page.keyboard.press("m")
    method = page.get_by_role("dialog", name="How it is made")
    method.get_by_label("It is ready when").fill("the tin sings")
    method.get_by_role("button", name="Close").click()
    expect(page.get_by_text("not saved yet, trying")).to_be_visible()
    # It goes on for longer than any one try: what is written stays in the browser, and is told.
    page.wait_for_timeout(4_000)
    expect(page.get_by_role("status").filter(has_text="no answer, trying")).to_be_visible()
    expect(page.get_by_role("region", name="Garnish")).to_contain_text("hedge flower")
    server.start()
    expect(page.get_by_text("· draft saved")).to_be_visible()
    expect(page.get_by_role("list", name="Steps")).to_contain_text("Garnish with a hedge flower.")
    draft = page.request.get(f"{server.url}/api/drinks/1").json()["draft"]["spec"]
    assert [(each["what"], each["why"]) for each in draft["serve"]["garnish"]] == [
        ("bay leaf", "its resin is kin to the gin"),
        ("hedge flower", ""),
    ]
    assert draft["method"]["sign"] == "the tin sings"
