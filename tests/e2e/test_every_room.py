"""A walk through every room: accessible in both themes, whole at three widths, with the same way out of each, and quick to open."""

import re

import pytest
from playwright.sync_api import expect

pytestmark = pytest.mark.slow

ROOMS = (
    "/bench/3", "/bench/3/trials/1", "/book", "/today", "/originals", "/originals/kinship", "/batches", "/batch/9", "/tonight", "/larder",
    "/larder/rhubarb-syrup", "/lots", "/lots/1", "/stillroom", "/stillroom/rhubarb-syrup", "/shelf", "/tree", "/palates",
    "/tongue?taster=Odile", "/trials/7", "/taste/7", "/specs/7", "/paste", "/card/3", "/list", "/import",
)  # fmt: skip
PHONE, TABLET, LAPTOP = (390, 844), (820, 1180), (1280, 800)


@pytest.mark.parametrize("theme", ["lamplight", "late"])
def test_every_room_is_accessible_and_has_its_name_at_its_head(page, server, violations, theme):
    page.add_init_script(f"localStorage.setItem('oenomel.theme', '{theme}')")
    broken = {}
    for room in ROOMS:
        page.goto(f"{server.url}{room}")
        expect(page.get_by_role("heading", level=1).first).to_be_visible()
        page.wait_for_load_state("networkidle")
        found = violations()
        if found:
            broken[room] = found
    assert broken == {}


@pytest.mark.parametrize("size", [PHONE, TABLET, LAPTOP])
def test_no_room_is_wider_than_its_screen_and_each_has_the_same_way_out(page, server, size):
    width, height = size
    page.set_viewport_size({"width": width, "height": height})
    wide, places = [], set()
    for room in ROOMS:
        page.goto(f"{server.url}{room}")
        way_out = page.get_by_role("navigation", name="Rooms")
        expect(way_out.get_by_role("link", name="Book")).to_be_visible()
        expect(page.get_by_role("heading", level=1).first).to_be_visible()
        if page.evaluate("document.documentElement.scrollWidth > innerWidth"):
            wide.append(room)
        box = way_out.get_by_role("link", name="Today").bounding_box()
        assert box["height"] >= 44
        places.add(round(box["y"]))
    assert wide == []
    # On a phone at the thumb, else at the head: in every room at the same height.
    assert max(places) - min(places) <= 10, places
    assert (min(places) > height - 90) is (size == PHONE)


def test_rooms_are_reached_by_the_keyboard_and_by_a_thumb(page, server):
    page.goto(f"{server.url}/book")
    rooms = page.get_by_role("navigation", name="Rooms").get_by_role("button", name="Rooms")
    rooms.press("Enter")
    serve = page.get_by_role("region", name="Serve")
    expect(serve.get_by_role("link", name=re.compile("Tonight"))).to_be_visible()
    page.keyboard.press("Escape")
    expect(serve).to_have_count(0)
    expect(rooms).to_be_focused()
    page.set_viewport_size({"width": 390, "height": 844})
    rooms.click()
    page.get_by_role("link", name=re.compile("^Tongue")).click()
    expect(page.get_by_role("heading", name="Tongue", level=1)).to_be_visible()
    # The last thing on a page can be scrolled clear of the bar.
    page.evaluate("scrollTo(0, document.documentElement.scrollHeight)")
    bar = page.get_by_role("navigation", name="Rooms").bounding_box()
    last = page.locator("main").bounding_box()
    assert last["y"] + last["height"] <= bar["y"] + 1


def test_the_bench_opens_within_a_second(page, server):
    times = []
    for _ in range(3):
        page.goto("about:blank")
        page.goto(f"{server.url}/bench/3")
        page.locator("[data-amount]").first.wait_for()
        times.append(page.evaluate("performance.now()"))
    assert min(times) <= 1000


def test_few_pours_are_told_large_and_in_ounces_thirds_have_their_sign(page, server):
    def size(bench):
        page.goto(f"{server.url}{bench}")
        return page.locator("[data-amount]").first.evaluate("field => parseFloat(getComputedStyle(field).fontSize)")

    # Five pours leave no room for it, four do; on a tablet the hand is near.
    assert size("/bench/9") > size("/bench/3")
    page.goto(f"{server.url}/bench/9")
    page.get_by_role("group", name="Volumes in").get_by_role("button", name="oz").click()
    expect(page.get_by_role("textbox", name="Amount of Soda water")).to_have_value("1⅔")
    expect(page.get_by_role("textbox", name="Amount of White rum")).to_have_value("1½")


def test_a_beginner_is_told_what_the_soft_region_is_until_something_moves(page, server):
    page.goto(f"{server.url}/bench/9")
    breath = page.get_by_role("note", name="The riff in one breath")
    expect(breath).to_contain_text("The soft region is the home of the fizz: where known ones stand.")
    page.get_by_role("button", name="More Rhubarb syrup").click()
    expect(breath).not_to_contain_text("soft region")
    expect(breath).to_contain_text("More rhubarb syrup")


def test_on_a_phone_trials_are_compared_before_they_are_listed(page, server):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/trials/7?show=1&show=2")
    table, cards, brief = (page.get_by_role("region", name=name, exact=True) for name in ("Side by side", "Trials", "Brief"))
    expect(table).to_be_visible()
    top = [each.bounding_box()["y"] for each in (table, cards, brief)]
    assert top == sorted(top)


def test_the_shelf_tells_what_stands_on_it_and_the_rest_when_it_is_sought(page, server):
    page.goto(f"{server.url}/shelf")
    rest = page.get_by_role("region", name="In the larder, not on the shelf")
    expect(page.get_by_role("region", name="On the shelf").get_by_role("listitem")).to_have_count(26)
    expect(rest.get_by_role("listitem")).to_have_count(0)
    page.get_by_role("searchbox", name="Search my shelf").fill("mezcal")
    expect(rest.get_by_role("listitem").first).to_contain_text("Mezcal")
    page.get_by_role("searchbox", name="Search my shelf").fill("")
    rest.get_by_role("button", name="Show them all").click()
    expect(rest.get_by_role("listitem").nth(300)).to_be_attached()


def test_a_button_that_waits_says_for_what(page, server):
    page.goto(f"{server.url}/taste/7")
    expect(page.get_by_role("button", name="Who tastes?")).to_be_disabled()
    page.get_by_label("Who tastes").fill("Ada")
    expect(page.get_by_role("button", name="Start")).to_be_enabled()
    for box in page.get_by_role("checkbox", checked=True).all():
        box.uncheck()
    expect(page.get_by_role("button", name="Which trials?")).to_be_disabled()
    page.goto(f"{server.url}/tongue")
    page.get_by_role("form", name="Triangles").get_by_label("Who tastes").fill("")
    expect(page.get_by_role("button", name="Who tastes?")).to_be_disabled()
