"""Assemble the application: FastAPI under /api, and the built front end."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager, closing
from http import HTTPStatus
from pathlib import Path
from typing import Final

from fastapi import APIRouter, Depends, FastAPI, Request
from starlette.types import ASGIApp

from oenomel import __version__
from oenomel.api.deps import only_looks
from oenomel.api.errors import PROBLEMS, add_error_handlers
from oenomel.api.middleware.body_limit import LARGEST_BODY
from oenomel.api.middleware.compression import CompressForDevices
from oenomel.api.middleware.device_auth import DeviceAuth
from oenomel.api.middleware.security import FrontEnd, Guard
from oenomel.api.pairing import Sharing
from oenomel.api.query_parameters import only_known_parameters
from oenomel.api.routers import (
    batches,
    bench,
    cards,
    devices,
    drinks,
    event,
    families,
    family_tree,
    forecast,
    import_export,
    ingredients,
    larder,
    lots,
    menu,
    method,
    originals,
    preparations,
    recipes,
    rules,
    sensory,
    shelf,
    swaps,
    tastings,
    trials,
    unreadable,
)
from oenomel.api.routers import demo as demo_router
from oenomel.api.routers import sharing as sharing_router
from oenomel.api.search_queue import SearchQueue
from oenomel.devices.bench_set import BenchSet
from oenomel.schemas.base import Report
from oenomel.store import database

__all__ = ["create_api", "create_app", "start_anew"]

BUILT: Final = Path(__file__).parent / "static"
OWN_NAMES: Final = frozenset({"127.0.0.1", "localhost", "[::1]"})


class Health(Report):
    """State of the server: its version, whether it serves the demo, and whether the device that asks may write."""

    status: str
    version: str
    demo: bool
    may_write: bool


def create_api(data: Path, demo: bool = False) -> FastAPI:
    """Create the API over a data file, which is created or migrated first.

    Raises
    ------
    StoreError
    """
    database.prepare(data)

    @asynccontextmanager
    async def open_throughout(_: FastAPI) -> AsyncIterator[None]:
        # The last connection to close folds the write-ahead log back into the file, which takes milliseconds. While the
        # server runs, this one is open, so that no request is the last.
        with closing(database.connect(api.state.data)) as conn:
            conn.execute("SELECT 1 FROM drink").fetchone()
            api.state.free_connections = []
            yield
            free, api.state.free_connections = api.state.free_connections, None
            for connection in free:
                connection.close()

    api = FastAPI(
        lifespan=open_throughout,
        title="Oenomel",
        version=__version__,
        openapi_url="/api/openapi.json",
        docs_url=None,
        redoc_url=None,
        separate_input_output_schemas=False,
        max_body_size=LARGEST_BODY,
        generate_unique_id_function=lambda route: route.name,
        dependencies=[Depends(only_known_parameters)],
        responses={HTTPStatus.UNPROCESSABLE_ENTITY: PROBLEMS["bad"][HTTPStatus.UNPROCESSABLE_ENTITY]},
    )
    start_anew(api, data)
    add_error_handlers(api)

    health = APIRouter(tags=["health"])

    @health.get("/health")
    def get_health(request: Request) -> Health:
        """Check whether the server is up."""
        return Health(status="ok", version=__version__, demo=demo, may_write=not only_looks(request))

    # The real book can't be emptied: the route that resets exists only while the demo is served.
    only_in_the_demo = (demo_router.router,) if demo else ()
    routers = (
        rules,
        bench,
        forecast,
        method,
        swaps,
        originals,
        recipes,
        ingredients,
        larder,
        shelf,
        lots,
        preparations,
        menu,
        batches,
        event,
        families,
        drinks,
        trials,
        tastings,
        sensory,
        devices,
        family_tree,
        cards,
        import_export,
        unreadable,
        sharing_router,
    )
    for router in (health, *(module.router for module in routers), *only_in_the_demo):
        api.include_router(router, prefix="/api")
    return api


def start_anew(api: FastAPI, data: Path) -> None:
    """Open the API over a data file for the first request, or after the file was replaced."""
    api.state.data = data
    api.state.free_connections = None
    api.state.data_identity = None
    api.state.sharing = None
    api.state.bench_set = BenchSet()
    api.state.searches = SearchQueue()


def create_app(data: Path, demo: bool = False, sharing: Sharing | None = None, names: frozenset[str] = frozenset()) -> ASGIApp:
    """Create the whole product as one ASGI application, for this machine and, where it is shared, for the paired devices.

    ``names`` are further host names that are accepted from this machine.
    """
    api = create_api(data, demo)
    api.state.sharing = sharing
    app: ASGIApp = FrontEnd(api, BUILT)
    if sharing is not None:
        app = CompressForDevices(DeviceAuth(app, sharing, BUILT))
        names |= sharing.names
    return Guard(app, OWN_NAMES | names, own_addresses=sharing is not None)
