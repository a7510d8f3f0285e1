"""Ingredients: composition with sources and spreads, aromas, and values from a bottle's label."""

from oenomel.core.larder.alcohol import is_non_alcoholic
from oenomel.core.larder.catalogue_loader import Larder, aromas, catalogue, composition_from_values
from oenomel.core.larder.composition import ACIDS, SUGAR_COLUMNS, SUGARS, Composition
from oenomel.core.larder.fruit import FRUIT
from oenomel.core.larder.ingredient import Ingredient, Kind, SlotName, SourcedValue
from oenomel.core.larder.ingredient_search import Findable, Index, Tier, known_by, stems
from oenomel.core.larder.label import slug_for
from oenomel.core.larder.shelf import Shelved
from oenomel.core.larder.shelf_life import is_past_shelf_life
from oenomel.core.larder.solutions import ETHANOL_G_PER_ML, SOLIDS_ML_PER_G, WATER_G_PER_ML

__all__ = [
    "ACIDS",
    "ETHANOL_G_PER_ML",
    "FRUIT",
    "SOLIDS_ML_PER_G",
    "SUGARS",
    "SUGAR_COLUMNS",
    "WATER_G_PER_ML",
    "Composition",
    "Findable",
    "Index",
    "Ingredient",
    "Kind",
    "Larder",
    "Shelved",
    "SlotName",
    "SourcedValue",
    "Tier",
    "aromas",
    "catalogue",
    "composition_from_values",
    "is_non_alcoholic",
    "is_past_shelf_life",
    "known_by",
    "slug_for",
    "stems",
]
