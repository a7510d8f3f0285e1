"""The application: FastAPI under /api, the built front end beside it."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager, closing
from http import HTTPStatus
from pathlib import Path

from fastapi import APIRouter, Depends, FastAPI
from starlette.types import ASGIApp

from oenomel import __version__
from oenomel.api.errors import PROBLEMS, add_error_handlers
from oenomel.api.reading.parameters import only_known_parameters
from oenomel.api.routers import demo as demo_router
from oenomel.api.routers import drinks, families, forecast, ingredients, making, measuring, notebook, rules, shelf, swaps, tastings, tree
from oenomel.api.searching import Turns
from oenomel.api.serving import FrontEnd, Guard
from oenomel.instruments.bench_set import BenchSet
from oenomel.interchange.models import Report
from oenomel.store import database

__all__ = ["create_api", "create_app"]


class Health(Report):
    """That the server is up, which version it is, and whether it shows the demo."""

    status: str
    version: str
    demo: bool


def create_api(data: Path, demo: bool = False) -> FastAPI:
    """The HTTP interface over a data file, which is made or migrated first.

    Raises
    ------
    StoreError
    """
    database.prepare(data)

    @asynccontextmanager
    async def open_throughout(_: FastAPI) -> AsyncIterator[None]:
        # The last connection to close folds the write-ahead log back into the file, which takes milliseconds. While the
        # server runs, this one is open, so that no request is the last.
        with closing(database.connect(data)) as conn:
            conn.execute("SELECT 1 FROM drink").fetchone()
            api.state.free_connections = []
            yield
            free, api.state.free_connections = api.state.free_connections, None
            for each in free:
                each.close()

    api = FastAPI(
        lifespan=open_throughout,
        title="Oenomel",
        version=__version__,
        openapi_url="/api/openapi.json",
        docs_url=None,
        redoc_url=None,
        separate_input_output_schemas=False,
        generate_unique_id_function=lambda route: route.name,
        dependencies=[Depends(only_known_parameters)],
        responses={HTTPStatus.UNPROCESSABLE_ENTITY: PROBLEMS["bad"][HTTPStatus.UNPROCESSABLE_ENTITY]},
    )
    api.state.data = data
    api.state.free_connections = None
    api.state.data_identity = None
    api.state.bench_set = BenchSet()
    api.state.searches = Turns()
    add_error_handlers(api)

    health = APIRouter(tags=["health"])

    @health.get("/health")
    def get_health() -> Health:
        """Whether the server is up."""
        return Health(status="ok", version=__version__, demo=demo)

    # Nobody's own book can be emptied: the way to put the demo back is there only while the demo is served.
    only_in_the_demo = (demo_router.router,) if demo else ()
    rooms = (rules, forecast, making, swaps, ingredients, shelf, families, drinks, notebook, tastings, measuring, tree)
    for router in (health, *(room.router for room in rooms), *only_in_the_demo):
        api.include_router(router, prefix="/api")
    return api


def create_app(data: Path, demo: bool = False, hosts: frozenset[str] | None = frozenset({"127.0.0.1", "localhost", "[::1]"})) -> ASGIApp:
    """The whole product as one ASGI application; ``hosts`` None accepts any name it is called by."""
    return Guard(FrontEnd(create_api(data, demo), Path(__file__).parent / "static"), hosts)
