"""A typed amount, and its drink."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.core.spec import Unit
from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.spec_file import SpecFile

__all__ = ["AmountRequest", "TypedEntry"]


class TypedEntry(Entry):
    """A text such as "3/4 oz", "half a lime" or "top to the line", typed for a pour of a spec, by index; ``unit`` is used where none
    is typed.
    """

    text: Annotated[Plain, Field(max_length=60)]
    unit: Unit = "ml"
    pour: Annotated[int, Field(ge=0, le=59)]


class AmountRequest(TypedEntry):
    """A typed amount, with the spec it belongs to."""

    spec: SpecFile
