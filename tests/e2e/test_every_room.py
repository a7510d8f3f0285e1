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
