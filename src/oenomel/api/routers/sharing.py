"""Paired devices, and how to pair another one."""

from __future__ import annotations

from http import HTTPStatus

from fastapi import Request, Response

from oenomel.api.deps import Connection, only_looks
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.api.middleware.device_auth import DEVICE
from oenomel.api.pairing import NOT_ENCRYPTED, Sharing, address_of, is_loopback, pairing_address, qr_code
from oenomel.errors import OnlyLooking
from oenomel.schemas.base import Report, RowId
from oenomel.services import pairing as cases
from oenomel.services.pairing import DeviceRecord

router = idempotent_router("sharing")


class WayIn(Report):
    """One way to pair a device: the address, the code, a picture of both, and whether the device may write."""

    address: str
    code: str
    picture: str
    may_write: bool


class PairedDeviceReport(Report):
    """A paired device; ``here`` is true for the one that asks."""

    id: int
    name: str
    may_write: bool
    paired_at: str
    here: bool


class Elsewhere(Report):
    """Another address of this machine, and when the bar was opened there last."""

    address: str
    last_at: str


class OpenedReport(Report):
    """Other addresses of this machine at which the bar was opened in the last month."""

    elsewhere: list[Elsewhere]


class SharingReport(Report):
    """State of sharing: whether the network has access, how to pair a device, the paired devices, a note, and ``waits_s``, the seconds
    without codes after many wrong ones.
    """

    shared: bool
    words: str
    ways: list[WayIn]
    devices: list[PairedDeviceReport]
    waits_s: float = 0.0


@router.get("/sharing", responses={422: PROBLEMS["bad"][422]})
def get_sharing(request: Request, conn: Connection) -> SharingReport:
    """Return how to pair a phone, and which devices are paired. A device that only reads sees neither."""
    sharing: Sharing | None = request.app.state.sharing
    if only_looks(request):
        return SharingReport(shared=True, words="This device is view only.", ways=[], devices=[])
    here = request.scope.get(DEVICE)
    let_in = [
        PairedDeviceReport(**_device_fields(device), here=here is not None and here.id == device.id) for device in cases.list_devices(conn)
    ]
    if sharing is None:
        words = "Only this machine is connected. To connect a phone, start Oenomel with --host 0.0.0.0 --share."
        return SharingReport(shared=False, words=words, ways=[], devices=let_in)
    ways = [
        WayIn(address=address_of(address, sharing.port), code=code, picture=_picture(address, sharing, code), may_write=may)
        for code, may in ((sharing.code, True), (sharing.looking_code, False))
        for address in sharing.addresses[:1]
    ]
    return SharingReport(shared=True, words=NOT_ENCRYPTED, ways=ways, devices=let_in, waits_s=sharing.tries.seconds_to_wait(""))


@router.delete("/sharing/devices/{device_id}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def forget_device(device_id: RowId, request: Request, conn: Connection) -> Response:
    """Remove a device: its next request is refused."""
    if only_looks(request):
        raise OnlyLooking
    cases.forget_device(conn, request.app.state.data, device_id)
    return Response(status_code=HTTPStatus.NO_CONTENT)


@router.post("/sharing/tries/forget", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def forget_wrong_codes(request: Request) -> Response:
    """Forget the wrong codes, so that the next phone needn't wait."""
    if only_looks(request):
        raise OnlyLooking
    sharing: Sharing | None = request.app.state.sharing
    if sharing is not None:
        sharing.tries.reset()
    return Response(status_code=HTTPStatus.NO_CONTENT)


@router.post("/opened", responses=PROBLEMS["write"])
def note_opened(request: Request, conn: Connection) -> OpenedReport:
    """Save at which address of this machine the bar was opened, and return the others: drafts that a browser couldn't save there are
    kept under that address.
    """
    host = request.headers.get("host", "")
    if not is_loopback(host.rpartition(":")[0] if not host.endswith("]") else host) or only_looks(request):
        return OpenedReport(elsewhere=[])
    origin = f"{request.url.scheme}://{host}"[:200]
    return OpenedReport(elsewhere=[Elsewhere(address=address, last_at=at) for address, at in cases.note_opened(conn, origin)])


def _device_fields(device: DeviceRecord) -> dict[str, object]:
    return {"id": device.id, "name": device.name, "may_write": device.may_write, "paired_at": device.paired_at}


def _picture(address: str, sharing: Sharing, code: str) -> str:
    picture = qr_code(pairing_address(address, sharing.port, code))
    # Dark on light in both themes: cameras don't read the reverse.
    return picture.svg_data_uri(scale=6, border=3, dark="#23252e", light="#ffffff")
