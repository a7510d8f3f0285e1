"""Label of a batch: name, date, use by, strength, serve, ice, allergens."""

from support.drinks import drink

from oenomel.core.batch.batch import BatchWish, batch_of
from oenomel.core.batch.bottle_label import label_of


def test_a_label_names_how_it_is_served_and_what_must_be_named(golden):
    made = drink(("white-rum", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 20), ("egg-white", 30), ("sparkling-brut", 40, "topped"))
    label = label_of(batch_of(made, BatchWish("shaken", serves=10)))
    assert label.allergens == ("egg", "sulphites")
    assert "raw egg" in label.cautions
    golden(label.serve)
    assert len(label.each) == 2
