"""Start the server, print its address once it listens, and say who has access."""

from __future__ import annotations

import errno
import os
import socket
import sys
import threading
from datetime import datetime
from pathlib import Path
from typing import Final

import uvicorn

from oenomel.api.app import create_app
from oenomel.api.connections import PatientProtocol, raise_open_files
from oenomel.api.pairing import NOT_ENCRYPTED, Sharing, address_of, is_loopback, own_addresses, pairing_address, qr_code
from oenomel.core.spec import parse_measure
from oenomel.errors import CannotListen, OenomelError, SpecError
from oenomel.store import backups

__all__ = ["check_invited", "serve"]

SWITCH_SECONDS: Final = 0.0005
"""Longest time that a search thread keeps the interpreter, [s], and a key press has to wait."""

EVERYWHERE: Final = frozenset({"0.0.0.0", "::", ""})
_WHY: Final = {
    errno.EADDRINUSE: "another program uses it: choose another --port, or stop that program",
    errno.EACCES: "this port needs administrator rights: choose 1024 or higher",
    errno.EADDRNOTAVAIL: "this machine has no such address",
}


def check_invited(host: str, share: bool) -> None:
    """Raise SpecError where the server would be open to the network without having been told to be."""
    if not is_loopback(host) and not share:
        raise SpecError("--host", f"{host} is open to the network: add --share, so that devices need a code")


def serve(data: Path, host: str, port: int, *, demo: bool, share: bool, names: frozenset[str]) -> int:
    """Serve until interrupted; returns the exit code.

    Raises
    ------
    StoreError, CannotListen
    """
    addresses = tuple(own_addresses()) if host in EVERYWHERE else (host,)
    sharing = Sharing(data, frozenset(map(str.casefold, names)), addresses, port) if share else None
    own_name = frozenset({host.casefold(), f"[{host}]"}) if is_loopback(host) else frozenset[str]()
    app = create_app(data, demo, sharing, own_name)
    with _listening(host, port) as listener:
        _keep_a_copy(data)
        _announce(data, host, port, sharing)
        sys.setswitchinterval(SWITCH_SECONDS)
        raise_open_files()
        # Building the grammar of measures takes a seventh of a second; the first key press shouldn't wait for it.
        threading.Thread(target=parse_measure, args=("1 oz",), daemon=True).start()
        config = uvicorn.Config(app, log_level="warning", server_header=False, proxy_headers=False, http=PatientProtocol)
        uvicorn.Server(config).run(sockets=[listener])
    return 0


def _listening(host: str, port: int) -> socket.socket:
    try:
        family = socket.getaddrinfo(host or None, port, type=socket.SOCK_STREAM, flags=socket.AI_PASSIVE)[0][0]
        # Declared as TCP, or asyncio wouldn't send small answers at once: each would wait 40 ms for an acknowledgement.
        listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
        try:
            listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            if family == socket.AF_INET6 and host in EVERYWHERE:
                # "All addresses" includes IPv4, by which phones are told to connect.
                listener.setsockopt(socket.IPPROTO_IPV6, socket.IPV6_V6ONLY, 0)
            listener.bind((host, port))
            listener.listen(256)
        except BaseException:
            listener.close()
            raise
        return listener
    except OSError as error:
        why = "no such page" if isinstance(error, socket.gaierror) else _WHY.get(error.errno or 0, error.strerror)
        raise CannotListen(host, port, str(why)) from error


def _keep_a_copy(data: Path) -> None:
    """Make the day's copy; where that fails, print a warning and start nevertheless."""
    try:
        kept = backups.keep_of_today(data, datetime.now().astimezone().date())
    except OenomelError as error:
        print(f"No copy made today: {error}", file=sys.stderr)
    else:
        if kept is not None:
            print(f"Today's copy: {kept}.", flush=True)


def _announce(data: Path, host: str, port: int, sharing: Sharing | None) -> None:
    shown = "127.0.0.1" if host in EVERYWHERE else host
    print(f"Oenomel is open at {address_of(shown, port)} with {data}", flush=True)
    if sharing is None:
        return
    if not sharing.addresses:
        print("This machine has no network. Connect it and start again.", flush=True)
        return
    if "JOURNAL_STREAM" in os.environ:
        # The output of a service goes to a journal that others can read.
        print("To connect a phone, open Settings there. Only this machine shows the code.", flush=True)
        print(NOT_ENCRYPTED, flush=True)
        return
    here = sharing.addresses[0]
    print(f"To connect a phone, point its camera here, or open {address_of(here, port)} and enter {_spaced(sharing.code)}:")
    qr_code(pairing_address(here, port, sharing.code)).terminal(compact=True)
    print(f"View only: {_spaced(sharing.looking_code)}")
    print(NOT_ENCRYPTED, flush=True)


def _spaced(code: str) -> str:
    return f"{code[:4]} {code[4:]}"
