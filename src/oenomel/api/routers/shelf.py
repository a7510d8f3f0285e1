"""The shelf, and ingredients added from their label."""

from __future__ import annotations

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.larder import Shelved
from oenomel.schemas.routes.ingredients_models import IngredientDetail
from oenomel.schemas.routes.shelf_models import LabelEntry, ShelfStateEntry
from oenomel.services import shelf as cases

router = idempotent_router("shelf")


@router.get("/shelf")
def list_shelf(conn: Connection) -> list[Shelved]:
    """Return what is on the shelf."""
    return cases.list_shelf(conn)


@router.put("/shelf/{slug}", status_code=204, responses=PROBLEMS["write"])
def put_on_shelf(slug: str, body: ShelfStateEntry, conn: Connection) -> None:
    """Mark an ingredient as in stock, low or out, with its price; or take it off."""
    cases.put_on_shelf(conn, slug, body)


@router.post("/bottles", status_code=201, responses=PROBLEMS["write"])
def add_bottle(body: LabelEntry, conn: Connection) -> IngredientDetail:
    """Add a bottle from its label: what the label doesn't tell is estimated from its kind, or from what it is like."""
    return cases.add_bottle(conn, body)


@router.delete("/bottles/{slug}", status_code=204, responses=PROBLEMS["write"])
def remove_bottle(slug: str, conn: Connection) -> None:
    """Take a bottle that the bar has added out of the larder again, as long as no drink pours it."""
    cases.remove_bottle(conn, slug)


@router.get("/sweetness-classes")
def list_sweetness_classes() -> dict[str, list[str]]:
    """Words on a label that tell how sweet it is, by kind."""
    return cases.list_sweetness_classes()
