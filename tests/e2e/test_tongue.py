"""The tongue: a blind triangle by two people on one tablet, exercises by the keyboard, a week's plan, and whose words are told."""

import re

import pytest
from playwright.sync_api import expect
from support import labels

TABLET = {"width": 820, "height": 1180}


def test_two_people_taste_blind_on_one_tablet_that_goes_from_hand_to_hand(page, server, violations):
    page.set_viewport_size(TABLET)
    page.goto(f"{server.url}/tongue")
    expect(page.get_by_text(labels.THREE_GLASSES_TWO_ARE_ALIKE)).to_be_visible()
    assert violations() == []
    form = page.get_by_role("form", name=labels.TRIANGLES)
    form.get_by_label(labels.TASTER, exact=True).fill("Ada, Wren")
    form.get_by_text(labels.BOTTLES_AND_MEASURE).click()
    expect(form.get_by_role("combobox", name=labels.SOUR)).to_have_value("lemon-juice")
    form.get_by_role("button", name=labels.WHAT_GOES_IN_THE_JUGS).click()
    jugs = page.get_by_role("region", name=labels.TWO_JUGS)
    expect(jugs).to_contain_text(labels.HOLD_ENOUGH_FOR_12_TRIANGLES_OF_20_ML_A_GLAS)
    expect(jugs.get_by_role("listitem")).to_have_count(6)
    assert violations() == []
    page.get_by_role("button", name=labels.MIXED_THE_FIRST_TRIANGLE).click()

    for taster in ("Ada", "Wren"):
        expect(page.get_by_role("heading", name=labels.TRIANGLE_1_OF_6.format(taster))).to_be_visible()
        # The key stays covered until the pourer asks for it, and is covered again before the taster looks.
        expect(page.get_by_text(labels.OF_LESS)).to_have_count(0)
        page.get_by_role("button", name=labels.I_POUR_SHOW_ME_THE_KEY).click()
        key = page.get_by_role("region", name=labels.FOR_THE_POURER)
        expect(key.get_by_role("listitem")).to_have_count(2)
        odd = int(re.search(r"Glass (\d)", key.inner_text()).group(1))
        assert violations() == []
        page.get_by_role("button", name=labels.POURED_HIDE_THE_KEY).click()
        expect(page.get_by_role("heading", name=labels.TWO_ARE_ALIKE_WHICH_ONE_STANDS_ALONE.format(taster))).to_be_visible()
        expect(page.get_by_text(labels.OF_LESS)).to_have_count(0)
        assert page.get_by_text(labels.OF_MORE).count() == 0
        expect(page.get_by_role("button", name=labels.IF_NOTHING_STANDS_OUT_GUESS)).to_be_disabled()
        # One finds it by the key of the tablet's keyboard, the other taps beside.
        if taster == "Ada":
            page.keyboard.press(str(odd))
            said = odd
        else:
            said = odd % 3 + 1
            page.get_by_text(str(said), exact=True).click()
        assert violations() == []
        page.get_by_role("button", name=labels.GLASS_STANDS_ALONE.format(said)).click()
        expect(page.get_by_role("status")).to_contain_text(labels.GLASS_STOOD_ALONE.format(odd))
        so_far = page.get_by_role("region", name=labels.SO_FAR)
        expect(so_far).to_contain_text(labels.ADA_1_OF_1_FOUND_5_TO_GO)
        assert violations() == []
        page.get_by_role("button", name=labels.NEXT).click()
    # Nothing of it is lost when the lid is closed: it goes on where it was.
    expect(page.get_by_role("heading", name=labels.ADA_TRIANGLE_2_OF_6)).to_be_visible()
    page.goto(f"{server.url}/tongue?taster=Ada")
    expect(page.get_by_role("article", name=labels.SWEETNESS_2)).to_contain_text(labels.A_FIRST_IDEA_IT_COUNTS_FROM_6_TRIANGLES_ON_5)
    page.get_by_role("link", name=labels.GO_ON_WITH_IT).click()
    expect(page.get_by_role("heading", name=labels.ADA_TRIANGLE_2_OF_6)).to_be_visible()


@pytest.mark.deep
def test_a_fine_tongue_is_told_everything_in_its_own_words(page, server, violations):
    def post(path, **body):
        return page.request.post(f"{server.url}/api/{path}", data=body).json()

    sitting = post("sittings", matter="sugar", tasters=["Ada"], rounds=12)
    while sitting["next"]:
        triangle = post(f"sittings/{sitting['id']}/triangles")
        key = page.request.get(f"{server.url}/api/triangles/{triangle['id']}/key").json()
        sitting = post(f"triangles/{triangle['id']}/answer", glass=key["odd"])
    page.goto(f"{server.url}/tongue?taster=Ada")
    own = page.get_by_role("article", name=labels.SWEETNESS_2)
    expect(own).to_contain_text(labels.SURELY_FINER_THAN_THE_USUAL_TONGUE)
    expect(own).to_contain_text(labels.THE_USUAL_TONGUE_TELLS_8_0_FROM_9_4_G_OF_SUG)
    own.get_by_text(labels.N_12_OF_12_TRIANGLES_FOUND).click()
    expect(own.get_by_role("img", name=labels.THE_STEP_OF_SWEETNESS_OVER_TIME)).to_be_visible()
    assert violations() == []
    page.get_by_role("button", name=labels.TELL_EVERYTHING_FOR_ADA).click()
    expect(page.get_by_role("button", name=labels.IN_USE_SWITCH_IT_OFF)).to_be_visible()
    # On the bench a barspoon of syrup is another word to her, and the page says for whom it speaks.
    page.goto(f"{server.url}/bench/9")
    page.locator("[data-amount]").nth(2).press("ArrowUp")
    breath = page.get_by_role("note", name=labels.SUMMARY)
    expect(breath).to_contain_text(labels.TOLD_FOR_ADAS_TONGUE)
    # To a guest the same step is hardly to be told; her words speak of her.
    expect(breath).to_contain_text(re.compile(labels.ADA_MIGHT_TASTE_IT_ADA_WOULD))
    assert violations() == []


def test_an_exercise_is_done_by_the_keyboard_alone(page, server, violations):
    page.goto(f"{server.url}/tongue?taster=Wren")
    page.get_by_role("button", name="Start it for Wren").press("Enter")
    plan = page.get_by_role("region", name=labels.A_WEEKS_PLAN)
    expect(plan.get_by_role("listitem").first).to_contain_text(labels.GUESS_THE_SWAP_0_OF_3)
    page.get_by_role("button", name=labels.GUESS_THE_SWAP).press("Enter")
    question = page.get_by_role("form", name=labels.EXERCISE)
    expect(question.get_by_role("radio").first).to_be_focused()
    assert violations() == []
    groups = question.get_by_role("group").count()
    for _ in range(groups):
        page.keyboard.press("Space")
        page.keyboard.press("ArrowDown")
        page.keyboard.press("Tab")
    expect(question.get_by_role("radio", checked=True)).to_have_count(groups)
    page.keyboard.press("Enter")
    expect(question.get_by_role("status")).to_contain_text(re.compile(labels.RIGHT_PARTLY_RIGHT_NOT_THIS_TIME))
    assert violations() == []
    address = page.url
    page.get_by_role("button", name=labels.ANOTHER_ONE).press("Enter")
    expect(page).not_to_have_url(address)
    expect(question.get_by_role("status")).to_have_count(0)
    # Back is the room that one came from, not the exercise before.
    page.get_by_role("link", name=labels.STOP).press("Enter")
    expect(page.get_by_role("button", name=labels.GUESS_THE_SWAP)).to_contain_text(labels.N_1_DONE)
    expect(plan.get_by_role("listitem").first).to_contain_text(labels.GUESS_THE_SWAP_1_OF_3)
    page.get_by_role("button", name=labels.PUT_THE_PLAN_AWAY).press("Enter")
    expect(page.get_by_role("button", name="Start it for Wren")).to_be_visible()


@pytest.mark.deep
def test_alone_one_shuffles_and_a_sitting_with_the_wrong_bottle_is_taken_back(page, server):
    page.goto(f"{server.url}/tongue?taster=Tam")
    page.get_by_role("button", name=labels.IM_ALONE).click()
    page.get_by_role("button", name=labels.ACIDITY).click()
    page.get_by_role("button", name=labels.WHAT_GOES_IN_THE_JUGS).click()
    page.get_by_role("button", name=labels.MIXED_THE_FIRST_TRIANGLE).click()
    sitting = page.url
    page.get_by_role("button", name=labels.WHAT_I_POUR).click()
    told = page.get_by_role("region", name=labels.FOR_THE_POURER)
    # Which of three places it gets is chance: no number is told.
    expect(told).to_contain_text(labels.TWO_GLASSES)
    expect(told).to_contain_text(labels.ONE_GLASS)
    expect(told).not_to_contain_text(labels.GLASS_1)
    page.get_by_role("button", name=labels.POURED_AND_SHUFFLED).click()
    page.get_by_role("button", name=labels.NO_NOT_THIS_TIME).click()
    expect(page.get_by_role("status")).to_contain_text(labels.NOT_FOUND_THIS_TIME)
    page.get_by_role("button", name=labels.ENOUGH_FOR_TODAY).click()
    expect(page.get_by_role("article", name=labels.ACIDITY_2)).to_contain_text(labels.A_FIRST_IDEA)
    page.goto(sitting)
    page.get_by_role("button", name=labels.TAKE_IT_BACK).click()
    page.get_by_role("button", name=labels.YES_FORGET_THIS_SITTING).click()
    expect(page.get_by_role("article", name=labels.ACIDITY_2)).to_contain_text(labels.NOTHING_IS_KNOWN_YET)
