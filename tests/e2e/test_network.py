"""A phone that is let in from the network, works, and is forgotten again."""

import json
from urllib.request import urlopen

import pytest
from playwright.sync_api import expect
from support import labels
from support.app_server import AppServer
from support.bench_page import amount

from oenomel.api.pairing import own_addresses

PHONE = {
    "viewport": {"width": 390, "height": 844},
    "user_agent": "Mozilla/5.0 (Linux; Android 16; Phone) Mobile",
    "has_touch": True,
    "reduced_motion": "reduce",
}


@pytest.fixture(params=own_addresses()[:1])
def shared(request, tmp_path):
    """A house that is open to the network, and its address there; a machine in no network has none to be seen from."""
    server = AppServer(tmp_path / "demo.db", share=True)
    server.start()
    host = f"[{request.param}]" if ":" in request.param else request.param
    yield server, f"http://{host}:{server.port}"
    server.kill()


def ways(server):
    with urlopen(f"{server.url}/api/sharing") as answer:
        return json.load(answer)["ways"]


def test_a_phone_is_let_in_by_its_code_works_and_is_forgotten(shared, browser):
    server, network = shared
    works, _ = ways(server)
    phone = browser.new_context(**PHONE).new_page()
    phone.goto(f"{network}/bench/1")
    expect(phone.get_by_role("heading", name=labels.LET_THIS_DEVICE_IN)).to_be_visible()
    phone.get_by_label(labels.CODE).fill("00000000" if works["code"] != "00000000" else "11111111")
    phone.get_by_role("button", name=labels.LET_IT_IN).click()
    expect(phone.get_by_role("alert")).to_contain_text(labels.THAT_ISNT_THE_CODE)
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390
    # What its camera opens has the code in it already: one press.
    phone.goto(f"{network}/pair?code={works['code']}")
    expect(phone.get_by_label(labels.WHAT_THIS_DEVICE_IS_CALLED_HERE)).to_have_value("Android phone")
    phone.get_by_role("button", name=labels.LET_IT_IN).click()
    phone.get_by_role("button", name=labels.MORE_OF.format("London dry gin")).click()
    expect(phone.get_by_text(labels.DRAFT_SAVED)).to_be_visible()

    bar = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
    bar.goto(f"{server.url}/book")
    bar.get_by_role("button", name=labels.SETTINGS).click()
    settings = bar.get_by_role("dialog")
    expect(settings.get_by_role("img")).to_have_count(2)
    expect(settings.get_by_text(labels.ISNT_ENCRYPTED)).to_be_visible()
    expect(settings.get_by_role("list", name=labels.DEVICES_THAT_WERE_LET_IN)).to_contain_text(labels.ANDROID_PHONE_WORKS)
    settings.get_by_role("button", name=labels.FORGET_ANDROID_PHONE).click()
    expect(settings.get_by_role("list", name=labels.DEVICES_THAT_WERE_LET_IN)).to_have_count(0)
    phone.get_by_role("button", name=labels.MORE_OF.format("London dry gin")).click()
    expect(phone.get_by_role("heading", name=labels.LET_THIS_DEVICE_IN)).to_be_visible()


def test_a_guest_looks_and_tries_and_is_told_that_nothing_is_written_down(shared, browser):
    server, network = shared
    _, looks = ways(server)
    guest = browser.new_context(**PHONE).new_page()
    guest.goto(f"{network}/pair?code={looks['code']}")
    guest.get_by_role("button", name=labels.LET_IT_IN).click()
    figure = guest.get_by_test_id("abv-now")
    expect(figure).to_be_visible()
    before = figure.inner_text()
    guest.goto(f"{network}/bench/1")
    expect(guest.get_by_test_id("abv-now")).to_be_visible()
    before = guest.get_by_test_id("abv-now").inner_text()
    for _ in range(3):
        guest.get_by_role("button", name=labels.MORE_OF.format("London dry gin")).click()
    expect(guest.get_by_role("alert")).to_contain_text(labels.THIS_DEVICE_MAY_LOOK_AND_TRY)
    expect(guest.get_by_test_id("abv-now")).not_to_have_text(before)
    expect(amount(guest, "London dry gin")).to_have_value("67.5")
    with urlopen(f"{server.url}/api/drinks/1") as answer:
        assert json.load(answer)["draft"] is None
