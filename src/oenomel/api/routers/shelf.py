"""The shelf, and new ingredients from their label."""

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
    """List what is on the shelf."""
    return cases.list_shelf(conn)


@router.put("/shelf/{slug}", status_code=204, responses=PROBLEMS["write"])
def put_on_shelf(slug: str, body: ShelfStateEntry, conn: Connection) -> None:
    """Mark an ingredient as in stock, low or out, with its price; or take it off the shelf."""
    cases.put_on_shelf(conn, slug, body)


@router.post("/bottles", status_code=201, responses=PROBLEMS["write"])
def add_bottle(body: LabelEntry, conn: Connection) -> IngredientDetail:
    """Add an ingredient from its label; values that the label doesn't state are estimated from its kind, or from a similar one."""
    return cases.add_bottle(conn, body)


@router.delete("/bottles/{slug}", status_code=204, responses=PROBLEMS["write"])
def remove_bottle(slug: str, conn: Connection) -> None:
    """Delete an ingredient that the bar added, as long as no drink pours it."""
    cases.remove_bottle(conn, slug)


@router.get("/sweetness-classes")
def list_sweetness_classes() -> dict[str, list[str]]:
    """List the words for sweetness on a label, by kind."""
    return cases.list_sweetness_classes()
