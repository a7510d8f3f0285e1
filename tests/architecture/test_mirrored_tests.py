"""A module of the core has its tests beside it: `core/<package>/<module>.py` in `tests/core/<package>/test_<module>.py`."""

from pathlib import Path

import oenomel

CORE = Path(oenomel.__file__).parent / "core"
TESTS = Path(__file__).parents[1] / "core"
TESTED_ELSEWHERE = {
    # What these hold is tried through the module that uses it, or against a source in tests/reference.
    "balance/levels_scalar", "balance/pour_table", "balance/served", "checks/cautions", "checks/clashes", "forecast/explanations",
    "forecast/forecast", "larder/ingredient_search", "larder/shelf", "larder/solutions", "method/step", "originals/criteria",
    "originals/menu_search", "originals/scoring", "originals/search_context", "preparations/goods", "rebalance/alternatives",
    "recipe_text/pour_reader", "recipe_text/read_recipe", "spec/drink", "spec/measures", "spec/technique", "trials/answers",
}  # fmt: skip


def test_every_other_module_has_its_test_where_one_looks_for_it():
    modules = {str(path.relative_to(CORE).with_suffix("")) for path in CORE.rglob("*.py") if path.name != "__init__.py"}
    mirrored = {name for name in modules if (TESTS / name).with_name(f"test_{Path(name).name}.py").exists()}
    assert modules - mirrored == TESTED_ELSEWHERE
