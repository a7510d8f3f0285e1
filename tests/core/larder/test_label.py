"""An ingredient described from its label: stated values, and the rest estimated from its kind, with a wider spread."""

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient import GUESSED_FROM_CLASS
from oenomel.core.larder.label import Label, bottle_from, sweetness_classes
from oenomel.errors import DomainError, OutOfRange

LABELS = (
    (Label("House gin", "spirit", abv=43.0), (43.0, 0.0, 0.0), ("base",)),
    (Label("Orchard liqueur", "liqueur", abv=18, sweetness="dry"), (18.0, 14.0, 0.0), ("liqueur", "sweet")),
    (Label("Festive", "sparkling", abv=11.5, sweetness="medium dry"), (11.5, 4.1, 0.6), ("lengthener",)),
    (Label("Plain", "aromatised", abv=16, sugar=12.5, acid=0.4), (16, 12.5, 0.4), ("liqueur", "accent")),
)


@pytest.mark.parametrize(("label", "axes", "slots"), LABELS)
def test_a_bottle_has_what_its_label_tells_and_the_rest_from_its_kind(
    label: Label, axes: tuple[float, float, float], slots: tuple[str, ...]
):
    bottle = bottle_from(label, catalogue().values())
    assert bottle.composition.axes == pytest.approx(axes, abs=0.05)
    assert bottle.slots[: len(slots)] == slots
    assert bottle.origin == "house"
    assert {value.source_kind for value in bottle.values.values()} <= {"label", "estimate", *GUESSED_FROM_CLASS}


def test_what_a_label_does_not_tell_is_less_sure_than_what_it_tells(golden):
    told = bottle_from(Label("Headline", "liqueur", abv=20, sugar=25), catalogue().values())
    classed = bottle_from(Label("Classed", "liqueur", abv=20, sweetness="sweet"), catalogue().values())
    untold = bottle_from(Label("Untold", "liqueur", abv=20), catalogue().values())
    spreads = [each.composition.relative_sd("sugars") for each in (told, classed, untold)]
    assert spreads[0] < spreads[1] < spreads[2]
    assert spreads[2] >= 0.25
    golden(untold.values["sucrose"].why)


def test_a_bottle_that_is_like_another_takes_its_kinds_of_sugar_its_smell_and_its_colour():
    like = catalogue()["blackcurrant-creme"]
    bottle = bottle_from(Label("Bramble crème", "liqueur", abv=16, sugar=42, like=like), catalogue().values())
    assert bottle.aroma == like.aroma
    assert bottle.absorbance == like.absorbance
    assert bottle.slots == like.slots
    assert bottle.composition.sugar == pytest.approx(42)
    assert bottle.composition.acid == pytest.approx(like.composition.acid)


def test_labels_that_cannot_be_are_refused(golden):
    for label, error in (
        (Label("  ", "spirit"), DomainError),
        (Label("Odd", "spirit", abv=130), OutOfRange),
        (Label("Odd", "spirit", sweetness="brut"), DomainError),
        (Label("Odd", "liqueur", abv=90, sugar=80), DomainError),
    ):
        with golden.raises(error):
            bottle_from(label, catalogue().values())
    assert all(low <= high for classes in sweetness_classes().values() for low, high, _ in classes.values())
