"""Pairing of devices: codes, device cookies, and a limit on how fast codes can be tried."""

from __future__ import annotations

import ipaddress
import secrets
import time
from collections import OrderedDict
from collections.abc import Callable
from contextlib import closing
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from functools import cached_property
from hmac import compare_digest
from pathlib import Path
from typing import Final

import ifaddr
import segno
from itsdangerous import BadSignature, URLSafeSerializer

from oenomel.moments import is_moment, moment_of
from oenomel.store import database, paired_devices
from oenomel.store.database import transaction
from oenomel.store.paired_devices import DeviceRecord
from oenomel.store.undo_copies import forgotten_file

__all__ = ["KEPT", "NOT_ENCRYPTED", "Sharing", "Tries", "address_of", "is_loopback", "own_addresses", "pairing_address", "qr_code"]

DIGITS: Final = 8

NOT_ENCRYPTED: Final = "The connection isn't encrypted. Connect only in a network that you trust."

KEPT: Final = timedelta(days=90)
"""How long a device stays paired."""

FREE_TRIES: Final = 3
FORGOTTEN_AFTER: Final = 20.0
"""Wrong codes without a wait, and seconds after which one is forgotten."""

LONGEST_WAIT: Final = 60.0
FREE_TRIES_OF_ALL: Final = 30
ADDRESSES: Final = 1000
"""Longest wait in seconds, wrong codes of all senders without a wait, and the number of senders that are remembered."""


def is_loopback(host: str) -> bool:
    """Check whether an address is this machine's own, however it is written: 127.0.0.2, ::1, LOCALHOST.

    >>> is_loopback("127.0.0.2"), is_loopback("LOCALHOST"), is_loopback("::ffff:127.0.0.1"), is_loopback("192.168.1.4")
    (True, True, True, False)
    """
    try:
        address = ipaddress.ip_address(host.strip("[]").partition("%")[0])
    except ValueError:
        return host.casefold().rstrip(".") == "localhost"
    mapped = address.ipv4_mapped if isinstance(address, ipaddress.IPv6Address) else None
    return (mapped or address).is_loopback


def own_addresses() -> list[str]:
    """Return the addresses by which other machines can reach this one, IPv4 first."""
    addresses = [str(ip.ip) if ip.is_IPv4 else ip.ip[0] for adapter in ifaddr.get_adapters() for ip in adapter.ips]
    others = [ip for ip in addresses if not is_loopback(ip) and not ipaddress.ip_address(ip).is_link_local]
    return sorted(others, key=lambda ip: ":" in ip)


def address_of(host: str, port: int) -> str:
    """Return the web address of a server.

    >>> address_of("::1", 8000)
    'http://[::1]:8000'
    """
    return f"http://{f'[{host}]' if ':' in host else host}:{port}"


def pairing_address(host: str, port: int, code: str) -> str:
    """Return the web address at which a code lets a device in."""
    return f"{address_of(host, port)}/pair?code={code}"


def qr_code(address: str) -> segno.QRCode:
    """Return a QR code of an address as a picture."""
    return segno.make(address, error="m", micro=False)


class Tries:
    """Limit on guessing codes: after a few free tries each wrong one doubles the wait, for its sender and later for everybody. One
    wrong code is forgotten every few seconds.

    ``wrong`` holds for each sender the number of wrong codes, the time of the last, and the end of the wait; ``of_all`` the same for
    all together.
    """

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self.clock = clock
        self.wrong: OrderedDict[str, tuple[float, float, float]] = OrderedDict()
        self.of_all = (0.0, clock(), 0.0)

    def seconds_to_wait(self, who: str) -> float:
        """Return how many seconds must pass before the next code is looked at."""
        _, _, until = self.wrong.get(who, (0.0, 0.0, 0.0))
        return max(0.0, until - self.clock(), self.of_all[2] - self.clock())

    def begun(self, who: str) -> None:
        """Count a code as wrong until it proves right, so that many sent at once can't get around the limit."""
        now = self.clock()
        times = _fallen(*self.wrong.pop(who, (0.0, now, 0.0))[:2], now) + 1
        self.wrong[who] = times, now, now + _wait(times - FREE_TRIES)
        while len(self.wrong) > ADDRESSES:
            self.wrong.popitem(last=False)
        every = _fallen(*self.of_all[:2], now) + 1
        self.of_all = every, now, now + _wait(every - FREE_TRIES_OF_ALL)

    def succeeded(self, who: str) -> None:
        """Take back the last count: the code was right."""
        self.wrong.pop(who, None)
        times, since, _ = self.of_all
        self.of_all = max(0.0, times - 1), since, 0.0

    def reset(self) -> None:
        """Forget all wrong codes; for somebody at this machine."""
        self.wrong.clear()
        self.of_all = (0.0, self.clock(), 0.0)


def _wait(beyond: float) -> float:
    return 0.0 if beyond < 0 else min(LONGEST_WAIT, 2.0 ** min(int(beyond), 10))


def _fallen(times: float, since: float, now: float) -> float:
    return max(0.0, times - (now - since) / FORGOTTEN_AFTER)


def _is_over(device: DeviceRecord) -> bool:
    """Check whether a device was paired so long ago that it needs a code again."""
    age = datetime.now(UTC) - moment_of(device.paired_at) if is_moment(device.paired_at) else KEPT
    return age >= KEPT


def _code() -> str:
    return "".join(secrets.choice("0123456789") for _ in range(DIGITS))


@dataclass
class Sharing:
    """Access from the network: the codes of this run, and the paired devices.

    ``names`` are host names that are accepted besides its own addresses.
    """

    data: Path
    names: frozenset[str] = frozenset()
    addresses: tuple[str, ...] = ()
    port: int = 8000
    code: str = field(default_factory=_code)
    looking_code: str = field(default_factory=_code)
    tries: Tries = field(default_factory=Tries)

    @cached_property
    def signer(self) -> URLSafeSerializer:
        """Signer of device cookies; its key is stored in the data file."""
        with closing(database.connect(self.data)) as conn:
            return URLSafeSerializer(paired_devices.signing_key(conn), salt="device")

    def device_showing(self, cookie: str) -> DeviceRecord | None:
        """Return the device of a cookie; None where it is forged or the device was removed."""
        try:
            secret = self.signer.loads(cookie)
        except BadSignature:
            return None
        if not isinstance(secret, str) or paired_devices.digest_of(secret) in self.forgotten:
            return None
        with closing(database.connect(self.data)) as conn:
            device = paired_devices.that_shows(conn, secret)
        return None if device is None or _is_over(device) else device

    @property
    def forgotten(self) -> frozenset[str]:
        """Digests of removed devices' cookies, stored beside the data file so that restoring an older copy lets none back in."""
        try:
            return frozenset(forgotten_file(self.data).read_text(encoding="ascii").split())
        except FileNotFoundError:
            return frozenset()

    def let_in(self, code: str, name: str) -> str | None:
        """Return the cookie for a new device that sent a right code; None where the code is wrong."""
        typed = "".join(char for char in code if char.isdigit())
        works, looks = (compare_digest(typed.encode(), known.encode()) for known in (self.code, self.looking_code))
        if not works and not looks:
            return None
        with closing(database.connect(self.data)) as conn, transaction(conn):
            _, secret = paired_devices.add(conn, name, may_write=works)
        cookie = self.signer.dumps(secret)
        return cookie if isinstance(cookie, str) else cookie.decode()
