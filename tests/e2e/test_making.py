"""How a drink is made and served at the bench: steps to tick, schools, ice."""

import json
import re

from playwright.sync_api import expect
from support import labels
from support.bench_page import amount, ready


def test_the_method_is_ticked_timed_and_tells_what_is_forgotten(page, full_house):
    page.clock.install()
    ready(page, full_house)
    steps = page.get_by_role("list", name=labels.STEPS)
    words = [each.split("\n")[0] for each in steps.get_by_role("listitem").all_inner_texts()]
    shaken = next(index for index, each in enumerate(words) if each.startswith("Shake for"))
    assert not any("Soda" in each for each in words[:shaken])
    assert words[-2:] == ["Express the lemon zest over the drink.", "Tell the guest: stir the aged rum in, or drink through it."]
    for index in range(shaken):
        steps.get_by_role("checkbox").nth(index).check()
    page.get_by_role("button", name=labels.START_THE_TIMER_12_SECONDS).click()
    page.clock.run_for(5_000)
    expect(page.get_by_role("button", name=labels.STOP_THE_TIMER)).to_contain_text("5 s")
    page.clock.run_for(8_000)
    expect(page.get_by_role("status").filter(has_text=labels.N_12_SECONDS_UNTIL_THE_TIN_FROSTS)).to_have_count(1)

    # What was really poured: the figures follow, and what is written stays until it is written so.
    strength = page.get_by_test_id("abv-now")
    before = strength.inner_text()
    gin = next(index for index, each in enumerate(words) if "London dry gin" in each)
    steps.get_by_role("button", name=re.compile(labels.POURED_OTHERWISE_POUR_OF_LONDON_DRY_GIN)).click()
    steps.get_by_role("listitem").nth(gin).get_by_role("textbox").fill("45")
    page.keyboard.press("Enter")
    expect(strength).not_to_have_text(before)
    expect(page.get_by_text(re.compile(labels.REALLY_POURED_45_ML_FOR_30_ML.format("London dry gin")))).to_be_visible()
    expect(amount(page, "London dry gin")).to_have_value("30")
    page.reload()
    expect(page.get_by_text(labels.REALLY_POURED_45_ML.format("London dry gin"))).to_be_visible()
    page.get_by_role("button", name=labels.WRITE_IT_SO).click()
    expect(amount(page, "London dry gin")).to_have_value("45")

    # Finished, but the top-up is forgotten; D ticks the next step.
    page.get_by_role("button", name=labels.FINISHED).click()
    forgotten = page.get_by_role("alert").filter(has_text=labels.NOT_TICKED)
    expect(forgotten).to_contain_text(labels.TOP_SLOWLY_WITH)
    expect(forgotten).to_contain_text(labels.EXPRESS_THE_OVER_THE_DRINK.format("lemon zest"))
    forgotten.get_by_role("button", name=labels.GO_BACK_TO_STEPS).click()
    ticked = steps.get_by_role("checkbox", checked=True)
    count = ticked.count()
    page.keyboard.press("d")
    expect(ticked).to_have_count(count + 1)
    while page.get_by_text(f"{len(words)} of {len(words)}").count() == 0:
        page.keyboard.press("d")
    page.get_by_role("button", name=labels.FINISHED).click()
    expect(page.get_by_text(labels.IS_MADE_TASTE_IT_FIRST)).to_be_visible()
    expect(ticked).to_have_count(0)


def test_schools_of_making_change_the_steps_and_bitters_their_place(page, full_house):
    ready(page, full_house)
    steps = page.get_by_role("list", name=labels.STEPS)
    expect(steps.get_by_role("listitem").filter(has_text=labels.THE_TIN).first).to_contain_text("egg white")
    page.keyboard.press("m")
    dialog = page.get_by_role("dialog", name=labels.MAKING, exact=True)
    dialog.get_by_role("button", name=labels.SPIRIT_FIRST).click()
    dialog.get_by_role("group", name=labels.THE_SPARKLING_PART_GOES, exact=True).last.get_by_role(
        "button", name="half and half", exact=True
    ).click()
    dialog.get_by_role("button", name=labels.DRIPPED_ON_TOP).click()
    dialog.get_by_role("group", name=labels.SECONDS, exact=True).get_by_role("button", name="15").click()
    dialog.get_by_role("button", name=labels.CLOSE).click()
    expect(steps.get_by_role("listitem").filter(has_text=labels.INTO_THE_TIN).first).to_contain_text("London dry gin")
    expect(steps).to_contain_text(labels.OF_HALF_OF_IT_INTO_THE_TALL_GLASS.format("soda water"))
    expect(steps).to_contain_text(re.compile(labels.DRIP_OF_ON_THE_FOAM.format("orange bitters")))
    expect(page.get_by_role("region", name=labels.ON_TOP)).to_contain_text("Orange bitters")
    expect(page.get_by_role("button", name=re.compile(labels.SHAKEN_15_S_WITH_CUBES))).to_be_visible()


def test_the_same_drink_is_compared_on_each_ice(page, full_house):
    ready(page, full_house)
    page.keyboard.press("s")
    dialog = page.get_by_role("dialog", name=labels.SERVE_SETTINGS)
    columns = dialog.get_by_role("group", name=labels.SERVED_ON).get_by_role("button")
    expect(columns).to_have_count(4)
    expect(columns.nth(3)).to_contain_text(re.compile(labels.HOME, re.IGNORECASE))
    columns.nth(1).click()
    expect(columns.nth(1)).to_have_attribute("aria-pressed", "true")
    expect(dialog.get_by_test_id("course-abv")).to_be_visible()
    dialog.get_by_role("button", name=labels.CLOSE).click()
    expect(page.get_by_role("list", name=labels.STEPS)).to_contain_text(labels.FILL_THE_TALL_GLASS_WITH_FRESH_CUBES)
    table = page.get_by_role("table", name=re.compile(labels.IN_THE_TALL_GLASS_ON_CUBES))
    expect(table.get_by_role("row")).to_have_count(3)
    expect(page.get_by_test_id("layer")).to_have_count(2)
    expect(page.get_by_test_id("foam")).to_have_count(1)


def test_a_kept_trial_shows_its_glass_and_its_steps_and_takes_no_tick(page, server):
    page.goto(f"{server.url}/bench/2/trials/1")
    page.get_by_role("tab", name=labels.MAKING).click()
    steps = page.get_by_role("list", name=labels.STEPS)
    expect(steps).to_contain_text(labels.SHAKE_WITHOUT_ICE)
    expect(steps.get_by_role("checkbox")).to_have_count(0)
    expect(page.get_by_test_id("foam")).to_have_count(1)
    expect(page.get_by_role("button", name=labels.SIZE_IT_TO_THE_GLASS)).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile(labels.THE_DRINK_DRAG_IT))).to_have_count(0)


def test_topped_to_the_line_with_today_s_ice(page, server, full_house):
    # Cold ice gives less water by the heat balance, and leaves more room on top than was once asked for.
    settings = {"supposed": {"dilution": "heat balance", "ice_c": -18}}
    # Before the page is there: it writes its settings itself.
    page.add_init_script(f"localStorage.setItem('oenomel.settings', '{json.dumps(settings)}')")
    ready(page, full_house)
    soda = amount(page, "Soda water")
    soda.fill("top to the line")
    expect(page.get_by_test_id("fill")).to_contain_text(labels.TO_THE_LINE)
    spec = page.request.get(f"{server.url}/api/drinks/{full_house.rsplit('/', 1)[1]}").json()["trials"][0]["spec"]
    place = next(n for n, pour in enumerate(spec["pours"]) if pour["ingredient"] == "soda-water")
    asked = {"text": "top to the line", "unit": "ml", "pour": place, "spec": spec}
    cold, usual = (
        page.request.post(f"{server.url}/api/amount", params=supposed, data=asked).json()["amount"]
        for supposed in (settings["supposed"], {})
    )
    assert cold > usual + 5
    soda.press("Enter")
    expect(soda).to_have_value(f"{cold:g}")
