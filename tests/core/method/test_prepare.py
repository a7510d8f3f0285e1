"""Steps before mixing: glass, rim, cutting and juicing, the egg, the rinse (common practice)."""

from support.drinks import SOUR, drink, served

from oenomel.core.method.steps import making_steps
from oenomel.core.spec.technique import Edge, Garnish, Serve


def test_zest_and_edge_come_before_the_fruit_is_juiced_and_the_edge_before_any_ice(golden):
    # Common practice: afterwards there is nothing left to cut, and a wet glass melts the edge.
    made = drink(*SOUR, ("caster-sugar", 1, "rim"))
    serve = Serve("large rocks glass", "cubes", (Garnish("lemon zest"), Garnish("lime wheel")), edge=Edge(half=True))
    steps = making_steps(served(made, serve))
    keys = [step.key for step in steps]
    zest, wheel, wet, rim, pressed, ice = (
        keys.index(key)
        for key in ("cut: lemon zest", "cut: lime wheel", "wet: caster-sugar", "edge: caster-sugar", "press: lemon", "serving ice")
    )
    assert rim == wet + 1
    assert max(zest, rim) < pressed < ice
    assert wheel < ice
    golden([step.words for step in steps])
