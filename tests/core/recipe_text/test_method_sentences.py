"""How it is made, out of single sentences."""

import pytest

from oenomel.core.recipe_text.method_sentences import MethodRead, after_sentence


@pytest.mark.parametrize(
    ("sentence", "told"),
    [
        ("Shake with three ice cubes for 10 seconds, double strain.", {"ice_pieces": 3, "method_ice": "cubes", "seconds": (10, 10)}),
        ("Shake with 2 large cubes until cold.", {"ice_pieces": 2, "method_ice": "large", "seconds": None}),
        ("Shake with ice cubes for 12 seconds.", {"ice_pieces": None, "seconds": (12, 12)}),
        ("Reverse dry shake for 8 seconds.", {"dry_shake_last": True, "dry_shake_seconds": 8}),
        ("Express a lemon peel over the drink and discard.", {"garnish": ("lemon peel, expressed and thrown away",)}),
    ],
)
def test_a_sentence_tells_pieces_of_ice_the_reverse_shake_and_what_is_thrown_away(sentence, told):
    made = after_sentence(sentence, MethodRead())
    assert {name: getattr(made, name) for name in told} == told
