"""What there is to pour: ingredients with their composition, its sources and spreads, aromas, and what a bottle's label tells."""

from oenomel.core.larder.aroma import aromas_between, kinship, likeness
from oenomel.core.larder.bottle import Label, abv_of_proof, bottle_from, slug_for, sweetness_classes
from oenomel.core.larder.composition import ACID_COLUMNS, ACIDS, COLUMN, PROPERTIES, SOLID_KINDS, SUGAR_COLUMNS, SUGARS, Composition, blend
from oenomel.core.larder.ingredient import ALLERGENS, SLOTS, Foam, Ingredient, Kind, SlotName, SourcedValue
from oenomel.core.larder.larder_files import Larder, aromas, catalogue, composition_from_values, read_ingredients
from oenomel.core.larder.search import Findable, Found, Index, Tier, stems
from oenomel.core.larder.sentences import capital, listed, with_article
from oenomel.core.larder.shelf import SHELF_STATES, ShelfState, Shelved
from oenomel.core.larder.solutions import (
    ETHANOL_G_PER_ML,
    SOLIDS_ML_PER_G,
    WATER_G_PER_ML,
    freezing_point_c,
    heat_capacity_j_per_k,
    water_g,
)

__all__ = [
    "ACIDS", "ACID_COLUMNS", "ALLERGENS", "COLUMN", "ETHANOL_G_PER_ML", "PROPERTIES", "SHELF_STATES", "SLOTS", "SOLIDS_ML_PER_G",
    "SOLID_KINDS", "SUGARS", "SUGAR_COLUMNS", "WATER_G_PER_ML", "Composition", "Findable", "Foam", "Found", "Index", "Ingredient", "Kind",
    "Label", "Larder", "ShelfState", "Shelved", "SlotName", "SourcedValue", "Tier", "abv_of_proof", "aromas", "aromas_between",
    "blend", "bottle_from", "capital", "catalogue", "composition_from_values", "freezing_point_c", "heat_capacity_j_per_k",
    "kinship", "likeness", "listed", "read_ingredients", "slug_for", "stems", "sweetness_classes", "water_g", "with_article",
]  # fmt: skip
