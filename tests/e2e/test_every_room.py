"""A walk through every room: accessible in both themes, whole at three widths, with the same way out of each, and quick to open."""

import re

import pytest
from playwright.sync_api import expect
from support import labels
from support.bench_page import settled

ROOMS = (
    "/bench/3", "/bench/3/trials/1", "/recipes", "/service", "/ideas", "/ideas/pairings", "/service/batches", "/service/event-plan",
    "/ingredients", "/ingredients/all/rhubarb-syrup", "/ingredients/open", "/ingredients/open/1", "/ingredients/prep",
    "/ingredients/prep/rhubarb-syrup", "/ingredients/stock", "/recipes/family-tree", "/tasting", "/tasting/next", "/tasting/palates",
    "/tasting/training?taster=Odile", "/ingredients/open/12", "/ingredients/open/12/label", "/ingredients/all/lime-juice",
    "/service/batches/2", "/service/batch/9?service=ice&serves=12&container=750", "/ideas/menu",
    "/trials/7?show=1&show=2&show=3&show=4", "/trials/10", "/taste/7?trial=1", "/specs/7", "/specs/1", "/paste",
    "/card/3", "/recipes/menu-sheet", "/recipes/import", "/bench/5/trials/2", "/tasting/palates?taster=Tam",
)  # fmt: skip
SIZES = PHONE, TABLET, LAPTOP = (390, 844), (820, 1180), (1280, 800)


def at_its_head(page) -> None:
    expect(page.get_by_role("heading", level=1).first).to_be_visible()
    settled(page)


@pytest.mark.parametrize("half", [0, 1])
def test_every_room_is_accessible_whole_at_three_widths_and_has_the_same_way_out(page, server, violations, half):
    broken, wide, places = {}, [], {size: set() for size in SIZES}
    for room in ROOMS[half::2]:
        for width, height in SIZES:
            page.set_viewport_size({"width": width, "height": height})
            if (width, height) == PHONE:
                page.goto(f"{server.url}{room}")
                at_its_head(page)
            service = page.get_by_role("navigation", name=labels.PLACES).get_by_role("link", name=labels.SERVICE)
            expect(service).to_be_visible()
            settled(page)
            if page.evaluate("document.documentElement.scrollWidth > innerWidth"):
                wide.append((room, width))
            box = service.bounding_box()
            assert box["height"] >= 44
            places[width, height].add(round(box["y"]))
        found = violations()
        page.evaluate("document.documentElement.dataset.theme = 'late'")
        # The other theme changes colours and nothing else.
        found += violations(["color-contrast"])
        if found:
            broken[room] = found
        if room.startswith("/bench/"):
            assert page.evaluate("document.documentElement.scrollHeight <= innerHeight"), room
    assert broken == {}
    assert wide == []
    for size, at in places.items():
        # On a phone at the thumb, else in the rail: in every place at the same height.
        assert max(at) == min(at), (size, at)
        assert (min(at) > size[1] - 90) is (size == PHONE)


def test_places_are_reached_by_the_keyboard_and_by_a_thumb(page, server):
    page.goto(f"{server.url}/recipes")
    places = page.get_by_role("navigation", name=labels.PLACES)
    expect(places.get_by_role("link")).to_have_text(list(labels.SIX_PLACES))
    places.get_by_role("link", name=labels.SERVICE).press("Enter")
    tabs = page.get_by_role("navigation", name=labels.SERVICE)
    tabs.get_by_role("link", name=labels.EVENT_PLAN).press("Enter")
    # The open tab is the page's heading and its title.
    expect(page.get_by_role("heading", name=labels.EVENT_PLAN, level=1)).to_be_visible()
    expect(page).to_have_title(re.compile(labels.EVENT_PLAN))
    page.set_viewport_size({"width": 390, "height": 844})
    expect(places.get_by_role("link")).to_have_text(["Bench", "Recipes", "Ingredients", "Service"])
    more = places.get_by_role("button", name=labels.MORE)
    more.click()
    page.keyboard.press("Escape")
    expect(more).to_be_focused()
    more.click()
    page.get_by_role("link", name=labels.TASTING).click()
    page.get_by_role("link", name=labels.TRAINING).click()
    expect(page.get_by_role("heading", name=labels.TRAINING, level=1)).to_be_visible()
    # The last thing on a page can be scrolled clear of the bar.
    page.evaluate("scrollTo(0, document.documentElement.scrollHeight)")
    bar = places.bounding_box()
    last = page.locator("main").bounding_box()
    assert last["y"] + last["height"] <= bar["y"] + 1


def test_few_pours_are_told_large_and_in_ounces_thirds_have_their_sign(page, server):
    def size(bench):
        page.goto(f"{server.url}{bench}")
        return page.locator("[data-amount]").first.evaluate("field => parseFloat(getComputedStyle(field).fontSize)")

    # Five pours leave no room for it, four do; on a tablet the hand is near.
    assert size("/bench/9") > size("/bench/3")
    page.goto(f"{server.url}/bench/9")
    page.get_by_role("group", name=labels.VOLUMES_IN).get_by_role("button", name="oz").click()
    expect(page.get_by_role("textbox", name=labels.AMOUNT_OF.format("Soda water"))).to_have_value("1⅔")
    expect(page.get_by_role("textbox", name=labels.AMOUNT_OF.format("White rum"))).to_have_value("1½")


def test_where_ounces_are_shown_no_sentence_counts_millilitres(page, server):
    page.goto(f"{server.url}/bench/3")
    page.get_by_role("group", name=labels.VOLUMES_IN).get_by_role("button", name="oz").click()
    for room in ("/bench/3", "/service", "/service/batches", "/service/batches/2", "/ideas", "/ingredients/open", "/tasting/next"):
        page.goto(f"{server.url}{room}")
        at_its_head(page)
        page.wait_for_load_state("networkidle")
        written = page.locator("main").inner_text()
        assert " oz" in written or room == "/tasting/next"
        # Concentrations stay as they are.
        assert re.findall(r"[\d.]+ ml\b(?!/)", re.sub(r"(?:/|per )100 ml", "", written)) == [], room


def test_a_beginner_is_told_what_the_soft_region_is_until_something_moves(page, server):
    page.goto(f"{server.url}/bench/9")
    breath = page.get_by_role("note", name=labels.SUMMARY)
    expect(breath).to_contain_text(labels.THE_SOFT_REGION_IS_THE_HOME_OF_THE_FIZZ_WHER)
    page.get_by_role("button", name=labels.MORE_OF.format("Rhubarb syrup")).click()
    expect(breath).not_to_contain_text(labels.SOFT_REGION)
    expect(breath).to_contain_text(re.compile(labels.DD_RIER.replace("rier", "rier|[Ss]weeter")))


def test_on_a_phone_trials_are_compared_before_they_are_listed(page, server):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.url}/trials/7?show=1&show=2")
    table, cards, brief = (page.get_by_role("region", name=name, exact=True) for name in (labels.SIDE_BY_SIDE, labels.TRIALS, labels.BRIEF))
    expect(table).to_be_visible()
    top = [each.bounding_box()["y"] for each in (table, cards, brief)]
    assert top == sorted(top)


def test_the_shelf_tells_what_stands_on_it_and_the_rest_when_it_is_sought(page, server):
    page.goto(f"{server.url}/shelf")
    rest = page.get_by_role("region", name=labels.IN_THE_LARDER_NOT_ON_THE_SHELF)
    expect(page.get_by_role("region", name=labels.IN_STOCK).get_by_role("listitem")).to_have_count(26)
    expect(rest.get_by_role("listitem")).to_have_count(0)
    page.get_by_role("searchbox", name=labels.SEARCH_MY_SHELF).fill("mezcal")
    expect(rest.get_by_role("listitem").first).to_contain_text("Mezcal")
    page.get_by_role("searchbox", name=labels.SEARCH_MY_SHELF).fill("")
    rest.get_by_role("button", name=labels.SHOW_THEM_ALL).click()
    expect(rest.get_by_role("listitem").nth(300)).to_be_attached()


def test_a_button_that_waits_says_for_what(page, server):
    page.goto(f"{server.url}/taste/7")
    expect(page.get_by_role("button", name=labels.WHO_TASTES)).to_be_disabled()
    page.get_by_label(labels.TASTER, exact=True).fill("Ada")
    expect(page.get_by_role("button", name=labels.START)).to_be_enabled()
    for box in page.get_by_role("checkbox", checked=True).all():
        box.uncheck()
    expect(page.get_by_role("button", name=labels.WHICH_TRIALS)).to_be_disabled()
    page.goto(f"{server.url}/tongue")
    page.get_by_role("form", name=labels.TRIANGLES).get_by_label(labels.TASTER, exact=True).fill("")
    expect(page.get_by_role("button", name=labels.WHO_TASTES)).to_be_disabled()


@pytest.mark.parametrize(
    ("old", "new", "title"),
    [
        ("/book", "/recipes", "Drinks"),
        ("/larder/lime-juice", "/ingredients/all/lime-juice", "All ingredients"),
        ("/lots/12", "/ingredients/open/12", "Lime juice"),
        ("/tongue?taster=Odile", "/tasting/training?taster=Odile", "Training"),
        ("/tonight", "/service/event-plan", "Event plan"),
        ("/originals/list", "/ideas/menu", "A menu"),
    ],
)
def test_an_old_address_leads_on(page, server, old, new, title):
    page.goto(server.url + old)
    expect(page.get_by_role("heading", level=1).first).to_contain_text(title)
    assert page.url == server.url + new
