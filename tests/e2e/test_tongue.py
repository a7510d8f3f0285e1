"""The tongue: a blind triangle by two people on one tablet, exercises by the keyboard, a week's plan, and whose words are told."""

import re

import pytest
from playwright.sync_api import expect

pytestmark = pytest.mark.slow

TABLET = {"width": 820, "height": 1180}


def test_two_people_taste_blind_on_one_tablet_that_goes_from_hand_to_hand(page, server, violations):
    page.set_viewport_size(TABLET)
    page.goto(f"{server.url}/tongue")
    expect(page.get_by_text("Three glasses, two are alike")).to_be_visible()
    assert violations() == []
    form = page.get_by_role("form", name="Triangles")
    form.get_by_label("Who tastes").fill("Ada, Wren")
    form.get_by_text("Bottles and measure").click()
    expect(form.get_by_role("combobox", name="Sour")).to_have_value("lemon-juice")
    form.get_by_role("button", name="What goes in the jugs").click()
    jugs = page.get_by_role("region", name="Two jugs")
    expect(jugs).to_contain_text("hold enough for 12 triangles of 20 ml a glass")
    expect(jugs.get_by_role("listitem")).to_have_count(6)
    assert violations() == []
    page.get_by_role("button", name="Mixed: the first triangle").click()

    for taster in ("Ada", "Wren"):
        expect(page.get_by_role("heading", name=f"{taster}, triangle 1 of 6")).to_be_visible()
        # The key stays covered until the pourer asks for it, and is covered again before the taster looks.
        expect(page.get_by_text("of LESS")).to_have_count(0)
        page.get_by_role("button", name="I pour: show me the key").click()
        key = page.get_by_role("region", name="For the pourer")
        expect(key.get_by_role("listitem")).to_have_count(2)
        odd = int(re.search(r"Glass (\d)", key.inner_text()).group(1))
        assert violations() == []
        page.get_by_role("button", name="Poured: hide the key").click()
        expect(page.get_by_role("heading", name=f"{taster}: two are alike. Which one stands alone?")).to_be_visible()
        expect(page.get_by_text("of LESS")).to_have_count(0)
        assert page.get_by_text("of MORE").count() == 0
        expect(page.get_by_role("button", name="If nothing stands out, guess")).to_be_disabled()
        # One finds it by the key of the tablet's keyboard, the other taps beside.
        if taster == "Ada":
            page.keyboard.press(str(odd))
            said = odd
        else:
            said = odd % 3 + 1
            page.get_by_text(str(said), exact=True).click()
        assert violations() == []
        page.get_by_role("button", name=f"Glass {said} stands alone").click()
        expect(page.get_by_role("status")).to_contain_text(f"Glass {odd} stood alone.")
        so_far = page.get_by_role("region", name="So far")
        expect(so_far).to_contain_text("Ada: 1 of 1 found, 5 to go.")
        assert violations() == []
        page.get_by_role("button", name="Next:").click()
    # Nothing of it is lost when the lid is closed: it goes on where it was.
    expect(page.get_by_role("heading", name="Ada, triangle 2 of 6")).to_be_visible()
    page.goto(f"{server.url}/tongue?taster=Ada")
    expect(page.get_by_role("article", name="sweetness")).to_contain_text("A first idea. It counts from 6 triangles on; 5 to go.")
    page.get_by_role("link", name="Go on with it").click()
    expect(page.get_by_role("heading", name="Ada, triangle 2 of 6")).to_be_visible()


def test_a_fine_tongue_is_told_everything_in_its_own_words(page, server, violations):
    def post(path, **body):
        return page.request.post(f"{server.url}/api/{path}", data=body).json()

    sitting = post("sittings", matter="sugar", tasters=["Ada"], rounds=12)
    while sitting["next"]:
        triangle = post(f"sittings/{sitting['id']}/triangles")
        key = page.request.get(f"{server.url}/api/triangles/{triangle['id']}/key").json()
        sitting = post(f"triangles/{triangle['id']}/answer", glass=key["odd"])
    page.goto(f"{server.url}/tongue?taster=Ada")
    own = page.get_by_role("article", name="sweetness")
    expect(own).to_contain_text("Surely finer than the usual tongue.")
    expect(own).to_contain_text("The usual tongue tells 8.0 from 9.4 g of sugar in 100 ml.")
    own.get_by_text("12 of 12 triangles found").click()
    expect(own.get_by_role("img", name="The step of sweetness over time")).to_be_visible()
    assert violations() == []
    page.get_by_role("button", name="Tell everything for Ada").click()
    expect(page.get_by_role("button", name="In use: switch it off")).to_be_visible()
    # On the bench a barspoon of syrup is another word to her, and the page says for whom it speaks.
    page.goto(f"{server.url}/bench/9")
    page.locator("[data-amount]").nth(2).press("ArrowUp")
    breath = page.get_by_role("note", name="The riff in one breath")
    expect(breath).to_contain_text("Told for Ada’s tongue.")
    # To a guest the same step is hardly to be told; her words speak of her.
    expect(breath).to_contain_text(re.compile("Ada might taste it|Ada would"))
    assert violations() == []


def test_an_exercise_is_done_by_the_keyboard_alone(page, server, violations):
    page.goto(f"{server.url}/tongue?taster=Wren")
    page.get_by_role("button", name="Begin it for Wren").press("Enter")
    plan = page.get_by_role("region", name="A week’s plan")
    expect(plan.get_by_role("listitem").first).to_contain_text("guess the swap 0 of 3")
    page.get_by_role("button", name="Guess the swap").press("Enter")
    question = page.get_by_role("form", name="Exercise")
    expect(question.get_by_role("radio").first).to_be_focused()
    assert violations() == []
    groups = question.get_by_role("group").count()
    for _ in range(groups):
        page.keyboard.press("Space")
        page.keyboard.press("ArrowDown")
        page.keyboard.press("Tab")
    expect(question.get_by_role("radio", checked=True)).to_have_count(groups)
    page.keyboard.press("Enter")
    expect(question.get_by_role("status")).to_contain_text(re.compile("Right|Partly right|Not this time"))
    assert violations() == []
    address = page.url
    page.get_by_role("button", name="Another one").press("Enter")
    expect(page).not_to_have_url(address)
    expect(question.get_by_role("status")).to_have_count(0)
    # Back is the room that one came from, not the exercise before.
    page.get_by_role("link", name="Enough").press("Enter")
    expect(page.get_by_role("button", name="Guess the swap")).to_contain_text("1 done")
    expect(plan.get_by_role("listitem").first).to_contain_text("guess the swap 1 of 3")
    page.get_by_role("button", name="Put the plan away").press("Enter")
    expect(page.get_by_role("button", name="Begin it for Wren")).to_be_visible()


def test_alone_one_shuffles_and_a_sitting_with_the_wrong_bottle_is_taken_back(page, server):
    page.goto(f"{server.url}/tongue?taster=Tam")
    page.get_by_role("button", name="I’m alone").click()
    page.get_by_role("button", name="Acidity").click()
    page.get_by_role("button", name="What goes in the jugs").click()
    page.get_by_role("button", name="Mixed: the first triangle").click()
    sitting = page.url
    page.get_by_role("button", name="What I pour").click()
    told = page.get_by_role("region", name="For the pourer")
    # Which of three places it gets is chance: no number is told.
    expect(told).to_contain_text("Two glasses")
    expect(told).to_contain_text("One glass")
    expect(told).not_to_contain_text("Glass 1")
    page.get_by_role("button", name="Poured and shuffled").click()
    page.get_by_role("button", name="No, not this time").click()
    expect(page.get_by_role("status")).to_contain_text("Not found this time.")
    page.get_by_role("button", name="Enough for today").click()
    expect(page.get_by_role("article", name="acidity")).to_contain_text("A first idea")
    page.goto(sitting)
    page.get_by_role("button", name="Take it back").click()
    page.get_by_role("button", name="Yes, forget this sitting").click()
    expect(page.get_by_role("article", name="acidity")).to_contain_text("Nothing is known yet")
