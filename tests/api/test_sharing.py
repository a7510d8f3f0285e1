"""The door to the network: nothing without the code, codes can't be tried fast, a device can be forgotten, a guest writes nothing."""

import re
import sqlite3
from contextlib import closing
from http import HTTPStatus

import pytest
from starlette.testclient import TestClient
from support.notebook_spec import ORCHARD

from oenomel.api.app import create_app
from oenomel.api.middleware.security import Guard
from oenomel.api.pairing import FORGOTTEN_AFTER, FREE_TRIES, FREE_TRIES_OF_ALL, LONGEST_WAIT, Sharing, Tries
from oenomel.store import backups, database

NEW = {"name": "Orchard Sour", "spec": ORCHARD, "trial_name": "First"}
HERE, PHONE = "192.168.7.2", "192.168.7.31"


class Clock:
    now = 1000.0

    def __call__(self):
        return self.now


@pytest.fixture
def clock():
    return Clock()


@pytest.fixture
def house(tmp_path, clock):
    """An open house, and how somebody at an address sees it."""
    database.prepare(tmp_path / "bar.db")
    sharing = Sharing(tmp_path / "bar.db", frozenset({"bar.local"}), (HERE,), 8000, tries=Tries(clock))
    app = create_app(tmp_path / "bar.db", sharing=sharing)

    def seen_from(address, host=f"{HERE}:8000"):
        # The address to which one comes is the server's, whatever it is called by.
        client = TestClient(app, base_url=f"http://{HERE}:8000", client=(address, 50_000), follow_redirects=False)
        client.headers["host"] = host
        return client

    return sharing, seen_from


def paired(house, code, address=PHONE):
    client = house[1](address)
    assert client.post("/pair", data={"code": code, "name": "The phone beside the shaker"}).status_code == HTTPStatus.SEE_OTHER
    return client


def test_without_the_code_there_is_nothing_but_the_page(house):
    phone = house[1](PHONE)
    for path in ("/", "/book", "/bench/1", "/early.js", "/index.html", "/assets/index.js", "/.git/config"):
        answer = phone.get(path)
        assert answer.status_code == HTTPStatus.UNAUTHORIZED, path
        assert "Connect this device" in answer.text
        assert "root" not in answer.text
    for method, path in (
        ("GET", "/api/health"),
        ("GET", "/api/openapi.json"),
        ("GET", "/api"),
        ("POST", "/api/drinks"),
        ("GET", "/api/sharing"),
    ):
        answer = phone.request(method, path)
        assert (answer.status_code, answer.json()["code"]) == (HTTPStatus.UNAUTHORIZED, "not-paired")
    assert phone.get("/pair.css").status_code == HTTPStatus.OK


def test_with_the_code_a_phone_works_and_stays_in(house):
    sharing, seen_from = house
    phone = paired(house, f"{sharing.code[:4]} {sharing.code[4:]}")
    cookie = phone.cookies.jar.__iter__().__next__()
    assert cookie.has_nonstandard_attr("HttpOnly")
    assert cookie.get_nonstandard_attr("SameSite") == "strict"
    assert (
        phone.post("/api/drinks", json={"name": "Orchard Sour", "spec": ORCHARD, "trial_name": "First"}).status_code == HTTPStatus.CREATED
    )
    assert phone.get("/api/health").json()["may_write"] is True
    assert seen_from("127.0.0.1", "127.0.0.1:8000").get("/api/drinks").status_code == HTTPStatus.OK


def test_a_guest_may_look_and_try_and_writes_nothing(house):
    guest = paired(house, house[0].looking_code)
    assert guest.get("/api/health").json()["may_write"] is False
    assert guest.post("/api/predict", json=ORCHARD).status_code == HTTPStatus.OK
    refused = guest.post("/api/drinks", json=NEW)
    assert (refused.status_code, refused.json()["code"]) == (HTTPStatus.FORBIDDEN, "only-looking")
    assert guest.get("/api/sharing").json()["ways"] == []
    assert guest.delete("/api/sharing/devices/1").status_code == HTTPStatus.FORBIDDEN
    assert guest.get("/api/health").status_code == HTTPStatus.OK


def test_a_device_that_is_forgotten_finds_the_door_closed(house, golden):
    phone, other = paired(house, house[0].code), paired(house, house[0].code, "192.168.7.40")
    told = other.get("/api/sharing").json()
    assert [(each["name"], each["here"]) for each in told["devices"]] == [
        ("The phone beside the shaker", True),
        ("The phone beside the shaker", False),
    ]
    golden(told["words"])
    assert other.delete(f"/api/sharing/devices/{told['devices'][1]['id']}").status_code == HTTPStatus.NO_CONTENT
    assert phone.get("/api/health").status_code == HTTPStatus.UNAUTHORIZED
    assert other.get("/api/health").status_code == HTTPStatus.OK


def test_a_cookie_that_is_forged_or_of_another_house_lets_nobody_in(house, tmp_path):
    phone = paired(house, house[0].code)
    secret, signature = phone.cookies["oenomel-device"].rsplit(".", 1)
    # Not the last letter: two of its bits are no part of the signature.
    forged = f"{secret}.{'A' if signature[0] != 'A' else 'B'}{signature[1:]}"
    database.prepare(tmp_path / "other.db")
    stolen = Sharing(tmp_path / "other.db").signer.dumps("anything")
    for value in ("", "x", forged, stolen, house[0].signer.dumps({"no": "secret"})):
        stranger = house[1]("192.168.7.66")
        assert stranger.get("/api/health", headers={"cookie": f"oenomel-device={value}"}).status_code == HTTPStatus.UNAUTHORIZED


def test_wrong_codes_slow_down_and_the_right_one_waits_as_well(house, clock):
    sharing, seen_from = house
    stranger = seen_from("192.168.7.66")
    wrong = "0" * 8 if sharing.code != "0" * 8 else "1" * 8
    answers = [stranger.post("/pair", data={"code": wrong}) for _ in range(3)]
    assert [answer.status_code for answer in answers] == [HTTPStatus.FORBIDDEN] * 3
    assert "Wrong code" in answers[0].text
    too_early = stranger.post("/pair", data={"code": sharing.code})
    assert too_early.status_code == HTTPStatus.TOO_MANY_REQUESTS
    assert int(too_early.headers["retry-after"]) >= 1
    assert re.search("Wait .* then try again", too_early.text)
    # Somebody else isn't held up by it.
    paired(house, sharing.code)
    clock.now += LONGEST_WAIT
    assert stranger.post("/pair", data={"code": sharing.code}).status_code == HTTPStatus.SEE_OTHER


def test_so_many_addresses_that_try_hold_each_other_up(clock):
    tries = Tries(clock)
    waits = []
    for number in range(3 * FREE_TRIES_OF_ALL):
        waits.append(tries.seconds_to_wait(f"10.0.{number}.1"))
        tries.begun(f"10.0.{number}.1")
    assert waits[:FREE_TRIES_OF_ALL] == [0.0] * FREE_TRIES_OF_ALL
    assert waits[-1] == LONGEST_WAIT
    # A hundred million codes, one a minute: nobody gets through in a night.
    clock.now += 2 * FORGOTTEN_AFTER * 3 * FREE_TRIES_OF_ALL
    tries.begun("10.0.9.1")
    assert tries.seconds_to_wait("10.0.9.9") == 0.0  # with time they are forgotten, and a new phone comes in
    for number in range(3 * FREE_TRIES_OF_ALL):
        tries.begun(f"10.0.{number}.1")
    tries.reset()
    assert tries.seconds_to_wait("10.0.1.1") == 0.0


def test_a_code_counts_before_it_is_looked_at_so_that_many_at_once_are_no_way_round(house):
    sharing, seen_from = house
    wrong = "0" * 8 if sharing.code != "0" * 8 else "1" * 8
    looked_at = []

    def let_in(code, name):
        looked_at.append(code)
        # While this one is looked at, many others arrive.
        assert sharing.tries.seconds_to_wait("192.168.7.66") >= (0 if len(looked_at) <= FREE_TRIES else 1)

    sharing.let_in = let_in
    stranger = seen_from("192.168.7.66")
    answers = [stranger.post("/pair", data={"code": wrong}).status_code for _ in range(FREE_TRIES + 20)]
    assert answers.count(HTTPStatus.FORBIDDEN) == len(looked_at) <= FREE_TRIES + 1


def test_wrong_codes_are_forgotten_by_a_press_in_the_settings(house):
    sharing, seen_from = house
    for number in range(3 * FREE_TRIES_OF_ALL):
        sharing.tries.begun(f"10.0.{number}.1")
    here = seen_from("127.0.0.1")
    assert here.get("/api/sharing").json()["waits_s"] > 0
    assert seen_from(PHONE).post("/pair", data={"code": sharing.code}).status_code == HTTPStatus.TOO_MANY_REQUESTS
    assert here.post("/api/sharing/tries/forget").status_code == HTTPStatus.NO_CONTENT
    assert here.get("/api/sharing").json()["waits_s"] == 0
    paired(house, sharing.code)


def test_a_forgotten_device_does_not_come_back_with_an_older_copy(house, tmp_path):
    sharing, seen_from = house
    phone = paired(house, sharing.code)
    assert phone.get("/api/drinks").status_code == HTTPStatus.OK
    backups.back_up(sharing.data, tmp_path / "copy.db")
    here = seen_from("127.0.0.1")
    (device,) = here.get("/api/sharing").json()["devices"]
    assert here.delete(f"/api/sharing/devices/{device['id']}").status_code == HTTPStatus.NO_CONTENT
    backups.restore(sharing.data, tmp_path / "copy.db")
    assert phone.get("/api/drinks").status_code == HTTPStatus.UNAUTHORIZED


def test_a_device_is_let_in_for_a_time(house):
    sharing, _ = house
    phone = paired(house, sharing.code)
    with closing(sqlite3.connect(sharing.data)) as conn:
        conn.execute("UPDATE device SET paired_at = '2020-01-01T00:00:00+00:00'")
        conn.commit()
    assert phone.get("/api/drinks").status_code == HTTPStatus.UNAUTHORIZED


def test_an_address_of_both_kinds_is_its_own(house):
    guard = Guard(None, frozenset(), own_addresses=True)
    for host, came_to in (("192.168.7.3", "::ffff:192.168.7.3"), ("[fe80::1]", "fe80::1%eth0"), (HERE, HERE)):
        assert guard._is_own(host, {"server": (came_to, 8000)}), host
    assert not guard._is_own("evil.example", {"server": ("::ffff:192.168.7.3", 8000)})


@pytest.mark.parametrize(
    ("host", "origin", "status"),
    [
        (f"{HERE}:8000", None, HTTPStatus.OK),
        ("bar.local:8000", None, HTTPStatus.OK),
        ("evil.example", None, HTTPStatus.FORBIDDEN),
        ("192.168.7.3:8000", None, HTTPStatus.FORBIDDEN),
        (f"{HERE}:8000", "http://evil.example", HTTPStatus.FORBIDDEN),
        ("bar.local:8000", "http://bar.local:8000", HTTPStatus.OK),
    ],
)
def test_only_own_addresses_and_names_are_answered(house, host, origin, status):
    phone = paired(house, house[0].code)
    headers = {"host": host, **({"origin": origin} if origin else {})}
    assert phone.post("/api/predict", json=ORCHARD, headers=headers).status_code == status


@pytest.mark.parametrize("address", ["127.0.0.1", "::1", PHONE])
def test_a_name_that_was_rebound_to_this_machine_is_refused(house, address):
    # The browser believes to speak with evil.example, whose name was pointed here in between.
    victim = house[1](address, "evil.example:8000")
    for method in ("GET", "POST"):
        assert victim.request(method, "/api/drinks").status_code == HTTPStatus.FORBIDDEN
        assert victim.request(method, "/pair").status_code == HTTPStatus.FORBIDDEN


def test_with_the_data_file_gone_nobody_is_let_in_and_is_told_why(house, tmp_path, golden):
    phone = paired(house, house[0].code)
    (tmp_path / "bar.db").rename(tmp_path / "away.db")
    answer = phone.get("/api/health")
    assert (answer.status_code, answer.json()["code"]) == (HTTPStatus.SERVICE_UNAVAILABLE, "store")
    golden(answer.json()["detail"])
    assert not (tmp_path / "bar.db").exists()


def test_a_form_that_is_no_code_is_not_read_to_its_end(house):
    assert house[1](PHONE).post("/pair", content=b"code=" + b"1" * 5000).status_code == HTTPStatus.REQUEST_ENTITY_TOO_LARGE


def test_what_a_device_calls_itself_is_shown_as_text(house):
    phone = house[1](PHONE)
    phone.post("/pair", data={"code": house[0].code, "name": "<script>alert(1)</script>\n\x00" + "x" * 300})
    (device,) = phone.get("/api/sharing").json()["devices"]
    assert device["name"].startswith("<script>alert(1)</script>x")
    assert len(device["name"]) == 100
    page = house[1]("192.168.7.9").get('/pair?code="><script>1234')
    assert 'value="1234"' in page.text
    assert "script>" not in page.text
