"""What there is to pour: ingredients with their composition, its sources and spreads, aromas, and what a bottle's label tells."""

from oenomel.core.larder.aroma import aromas_between, kinship, likeness
from oenomel.core.larder.bottle import Label, abv_of_proof, bottle_from, slug_for, sweetness_classes
from oenomel.core.larder.completeness import gaps_of, set_right
from oenomel.core.larder.composition import (
    ACID_COLUMNS,
    ACIDS,
    COLUMN,
    EQUIVALENT_WEIGHTS,
    LIQUID_SOLIDS_LIMIT,
    PROPERTIES,
    SOLID_KINDS,
    SUGAR_COLUMNS,
    SUGARS,
    Composition,
    blend,
    density_of,
)
from oenomel.core.larder.fruit import (
    FRUIT,
    FruitNeed,
    FruitToBuy,
    Pressing,
    fruit_of,
    fruit_to_buy,
    garnish_of_fruit,
    piece_yield,
)
from oenomel.core.larder.ingredient import ALLERGENS, KINDS, LABELS, SLOTS, Foam, Ingredient, Kind, SlotName, SourcedValue
from oenomel.core.larder.larder_files import Larder, aromas, catalogue, composition_from_values, read_ingredients
from oenomel.core.larder.lots import (
    READABLE,
    Beside,
    Lot,
    LotReading,
    ReadingName,
    hours_words,
    is_past_its_day,
    lasts_h,
    lot_of,
    old_lot_words,
)
from oenomel.core.larder.search import Findable, Found, Index, Tier, known_by, stems
from oenomel.core.larder.sentences import capital, listed, with_article
from oenomel.core.larder.shelf import SHELF_STATES, ShelfState, Shelved
from oenomel.core.larder.solutions import (
    BRIX_PER_ABV,
    ETHANOL_G_PER_ML,
    SOLIDS_ML_PER_G,
    WATER_G_PER_ML,
    freezing_point_c,
    heat_capacity_j_per_k,
    water_g,
)
from oenomel.core.larder.titration import SAMPLE_ML, lye_ml_for, titrated_acid, titration_recipe

__all__ = [
    "ACIDS", "ACID_COLUMNS", "ALLERGENS", "BRIX_PER_ABV", "COLUMN", "EQUIVALENT_WEIGHTS", "ETHANOL_G_PER_ML", "FRUIT", "KINDS", "LABELS",
    "LIQUID_SOLIDS_LIMIT", "PROPERTIES", "READABLE", "SAMPLE_ML", "SHELF_STATES", "SLOTS", "SOLIDS_ML_PER_G", "SOLID_KINDS", "SUGARS",
    "SUGAR_COLUMNS", "WATER_G_PER_ML", "Beside", "Composition", "Findable", "Foam", "Found", "FruitNeed", "FruitToBuy", "Index",
    "Ingredient", "Kind", "Label", "Larder", "Lot", "LotReading", "Pressing", "ReadingName", "ShelfState", "Shelved", "SlotName",
    "SourcedValue", "Tier", "abv_of_proof", "aromas", "aromas_between", "blend", "bottle_from", "capital", "catalogue",
    "composition_from_values", "density_of", "freezing_point_c", "fruit_of", "fruit_to_buy", "gaps_of", "garnish_of_fruit",
    "heat_capacity_j_per_k", "hours_words", "is_past_its_day", "kinship", "known_by", "lasts_h", "likeness", "listed", "lot_of",
    "lye_ml_for", "old_lot_words", "piece_yield", "read_ingredients", "set_right", "slug_for", "stems", "sweetness_classes",
    "titrated_acid", "titration_recipe", "water_g", "with_article",
]  # fmt: skip
