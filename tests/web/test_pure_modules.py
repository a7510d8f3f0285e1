"""Modules of the front end that need no page: numbers, amounts, undo, scales, the family tree, what the browser keeps."""

import json
from itertools import pairwise

import pytest


@pytest.mark.parametrize(
    ("text", "unit", "number"),
    [
        ("12.5", "", 12.5), ("12,5", "", 12.5), (".5", "", 0.5), ("1/2", "", 0.5), ("1 1/2", "", 1.5), (" 1  3/4 ", "", 1.75),
        ("-3", "", -3), ("−3", "", -3), ("40 %", "%", 40), ("40%", "%", 40), ("15 ML", "ml", 15),
        ("1,234", "", None), ("1/0", "", None), ("1e3", "", None), ("0x10", "", None), ("Infinity", "", None), ("12.5.1", "", None),
        ("", "", None), ("half", "", None), ("40 %", "", None), ("3 ml of gin", "ml", None), ("1 2", "", None),
    ],
)  # fmt: skip
def test_a_number_is_read_as_it_is_written_or_not_at_all(js, text, unit, number):
    assert js("numbers", "m.parseNumber(text, unit)", text=text, unit=unit) == number


@pytest.mark.parametrize(
    ("amount", "unit", "direction", "times", "jigger", "reached"),
    [
        (20, "ml", 1, 1, 2.5, 22.5), (20, "ml", -1, 1, 2.5, 17.5), (21, "ml", 1, 1, 2.5, 22.5), (21, "ml", -1, 1, 2.5, 20),
        (22.5, "ml", 1, 4, 2.5, 30), (20, "ml", 1, 1, 7.5, 22.5), (1, "ml", -1, 1, 2.5, 0), (0, "ml", -1, 1, 2.5, 0),
        (0.75, "oz", 1, 1, 2.5, 1), (2 / 3, "oz", -1, 1, 2.5, 0.5), (2, "dash", 1, 1, 2.5, 3), (2, "cl", 1, 1, 2.5, 2.25),
        (0.1 + 0.2, "part", 1, 1, 2.5, 0.5),
    ],
)  # fmt: skip
def test_an_amount_steps_to_the_next_mark_and_never_below_nothing(js, amount, unit, direction, times, jigger, reached):
    step = "m.nextAmount(amount, unit, direction, times, jigger)"
    assert js("format", step, amount=amount, unit=unit, direction=direction, times=times, jigger=jigger) == reached


@pytest.mark.parametrize(
    ("amount", "unit", "shown", "text"),
    [
        (22.5, "ml", "ml", "22.5 ml"), (22.5, "ml", "oz", "¾ oz"), (45, "ml", "oz", "1½ oz"), (20, "ml", "oz", "⅔ oz"),
        (27, "ml", "oz", "scant 1 oz"), (5, "ml", "oz", "1 barspoon"), (2.5, "ml", "oz", "½ barspoon"), (10, "ml", "oz", "⅓ oz"),
        (0.75, "oz", "ml", "22.5 ml"), (3, "cl", "oz", "1 oz"), (2, "dash", "oz", "2 dashes"), (1, "leaf", "ml", "1 leaf"),
        (6, "leaf", "oz", "6 leaves"), (0, "ml", "oz", "0 oz"),
    ],
)  # fmt: skip
def test_an_amount_is_shown_on_the_marks_of_a_jigger(js, amount, unit, shown, text):
    shown_amount = "(({ text, word }) => `${text} ${word}`)(m.shownAmount(amount, unit, shown, 30))"
    assert js("format", shown_amount, amount=amount, unit=unit, shown=shown) == text


@pytest.mark.parametrize(
    ("sentence", "in_ounces"),
    [
        ("Pour 22.5 ml instead of 15 ml.", "Pour ¾ oz instead of ½ oz."),
        ("Use 15 to 30 ml of syrup.", "Use ½ oz to 1 oz of syrup."),
        ("7.9 g/100 ml, a bottle of 500 ml, 2 g per 100 ml", "7.9 g/100 ml, a bottle of 500 ml, 2 g per 100 ml"),
        ("The drink is 120 ml.", "The drink is 4 oz."),
        ("Fine. 27 ml would do.", "Fine. Scant 1 oz would do."),
    ],
)
def test_only_volumes_of_a_sentence_change_to_ounces(js, sentence, in_ounces):
    assert js("format", "m.withVolumes(sentence, 'oz', 30)", sentence=sentence) == in_ounces
    assert js("format", "m.withVolumes(sentence, 'ml', 30)", sentence=sentence) == sentence


@pytest.mark.parametrize(
    ("steps", "present", "past", "future"),
    [
        ("", 0, [], []),
        ("c1 c2 c3", 3, [0, 1, 2], []),
        ("c1 c2 u", 1, [0], [2]),
        ("c1 c2 c3 u2", 1, [0], [2, 3]),
        ("c1 c2 u u r", 1, [0], [2]),
        ("c1 c2 u r r", 2, [0, 1], []),
        ("c1 u u u", 0, [], [1]),
        ("c1 c2 u5", 2, [0, 1], []),
        ("c1 c2 u0", 2, [0, 1], []),
        ("c1 c2 u c9", 9, [0, 1], []),
        ("c1 c2 u a7", 7, [0], [2]),
    ],
)
def test_undo_goes_back_step_by_step_and_redo_forth(js, steps, present, past, future):
    walk = """steps.split(' ').filter(Boolean).reduce((now, step) => {
      const [what, n] = [step[0], Number(step.slice(1))];
      if (what === 'c') return m.changed(now, n);
      if (what === 'a') return m.amended(now, n);
      return what === 'u' ? m.undone(now, step.length > 1 ? n : 1) : m.redone(now);
    }, m.newHistory(0))"""
    history = js("history", walk, steps=steps)
    assert (history["present"], history["past"], history["future"]) == (present, past, future)


@pytest.mark.parametrize(
    ("changes", "past"),
    [
        ([("gin", 0), ("gin", 500), ("gin", 1600)], [0]),
        ([("gin", 0), ("lime", 100)], [0, 1]),
        ([("gin", 0), ("gin", 1300)], [0, 1]),
        ([("", 0), ("", 1)], [0, 1]),
    ],
)
def test_keystrokes_in_one_field_are_one_step_back(js, changes, past):
    walk = "changes.reduce((now, [what, at], n) => m.changed(now, n + 1, what, at), m.newHistory(0)).past"
    assert js("history", walk, changes=changes) == past


def test_the_longest_history_loses_its_oldest_steps(js):
    walk = "Array.from({ length: 250 }).reduce((now, _, n) => m.changed(now, n + 1), m.newHistory(0)).past"
    past = js("history", walk)
    assert (len(past), past[0], past[-1]) == (200, 50, 249)


def test_equal_steps_are_equal_distances_and_a_place_has_its_level(js):
    scale = "(s => [s(2) - s(1), s(4) - s(2), s(1), s.levelAt(s(3)), s.domain, s.range])(m.stepScale([1, 4], [0, 200], 0.1, 1))"
    first, second, start, level, domain, ends = js("scales", scale)
    assert first == pytest.approx(second)
    assert (start, level, domain, ends) == (0, pytest.approx(3), [1, 4], [0, 200])


@pytest.mark.parametrize(
    ("levels", "ticks"),
    [([4, 12], [4, 5, 6, 7, 8, 10, 12]), ([0.4, 1.2], [0.4, 0.5, 0.6, 0.7, 0.8, 1, 1.2]), ([0, 1], [0.1, 0.2, 0.3, 0.4, 0.6, 0.8])],
)
def test_ticks_are_round_levels_that_do_not_crowd(js, levels, ticks):
    found = js("scales", "m.roundTicks(m.stepScale(levels, [0, 300], 0.1), 30)", levels=levels)
    assert found == ticks
    places = js("scales", "(s => ticks.map(s))(m.stepScale(levels, [0, 300], 0.1))", levels=levels, ticks=found)
    assert min(after - before for before, after in pairwise(places)) >= 30


def node(drink, number):
    return {"id": 10 * drink + number, "drink_id": drink, "number": number, "drink": f"Drink {drink}", "family": "sour"}


TREE = {
    "nodes": [node(1, 1), node(1, 2), node(1, 3), node(2, 1), node(3, 1)],
    # The second trial of drink 1 has two children; drink 3 descends from drink 1.
    "branches": [{"parent": 11, "child": 12}, {"parent": 11, "child": 13}, {"parent": 12, "child": 31}],
}


@pytest.mark.parametrize("narrow", [False, True])
def test_the_tree_has_a_lane_a_drink_and_no_two_trials_on_one_spot(js, narrow):
    layout = js(
        "treeLayout", "(({ placed, ...rest }) => ({ ...rest, placed: [...placed.values()] }))(m.treeLayout(tree, narrow))",
        tree=TREE, narrow=narrow,
    )  # fmt: skip
    assert [lane["drinkId"] for lane in layout["lanes"]] == [1, 3, 2], "a drink stands below those it descends from"
    at = {placed["node"]["id"]: (placed["x"], placed["y"]) for placed in layout["placed"]}
    assert len(set(at.values())) == len(TREE["nodes"])
    assert at[12][0] == at[13][0] > at[11][0], "one making further is one column further"
    assert at[13][1] > at[12][1] == at[11][1], "the children of one parent stand below each other"
    assert max(x for x, _ in at.values()) < layout["width"]
    assert max(y for _, y in at.values()) < layout["height"]


def test_the_trail_has_the_moves_and_not_what_moved_nothing(js):
    walk = """(() => {
      const level = (sugar) => ({ sugar, acid: 0.8, abv: 15 });
      const draft = (spec) => ({ spec, parentTrialId: 1, locks: {} });
      const [a, b, locked, c] = [{}, {}, {}, {}];
      m.remember(a, level(8)); m.remember(b, level(9)); m.remember(locked, level(9)); m.remember(c, level(7));
      return m.trailOf([draft(a), draft(b), draft(locked), draft({})], draft(c)).map(({ back, served }) => [back, served.sugar]);
    })()"""
    # Of the two drafts with the same figures the later one is the move; one that was never looked at has no point.
    assert js("trail", walk) == [[4, 8], [2, 9]]


@pytest.mark.parametrize(
    ("storage", "shown", "grid"),
    [
        ({}, "ml", 2.5),
        ({"shown": "oz", "aim": {"grid": 5}}, "oz", 5),
        ({"state": {"value": {"shown": "oz", "aim": {"grid": 5}}}, "version": 1}, "oz", 5),
        ({"shown": 4, "aim": "x", "board": None, "supposed": [], "devices": "none"}, "ml", 2.5),
        ([1, 2, 3], "ml", 2.5),
        ("junk", "ml", 2.5),
        ({"state": "junk", "version": 1}, "ml", 2.5),
    ],
)
def test_settings_are_read_old_and_new_and_junk_is_dropped(js, storage, shown, grid):
    change = "m.changeSettings({}), JSON.parse(kept.get('oenomel.settings')).state.value"
    read = js("settings", change, storage={"oenomel.settings": json.dumps(storage)})
    assert (read["shown"], read["aim"]["grid"]) == (shown, grid)
    assert (read["supposed"], read["devices"], read["board"]["mode"]) == ({}, {}, "rebalance")


TEXTS = "m.persisted('list', ['usual'], (kept) => Array.isArray(kept) && kept.every((one) => typeof one === 'string') ? kept : null)"


@pytest.mark.parametrize(
    ("stored", "value"),
    [
        (None, ["usual"]), ('["a"]', ["a"]), ('{"state": {"value": ["b"]}, "version": 1}', ["b"]), ("{", ["usual"]), ("[1]", ["usual"]),
        ('{"state": {"value": 7}, "version": 1}', ["usual"]), ('{"state": {"value": ["c"]}, "version": 99}', ["c"]),
    ],
)  # fmt: skip
def test_what_a_browser_keeps_is_taken_only_in_its_shape(js, stored, value):
    storage = {} if stored is None else {"list": stored}
    assert js("persisted", f"{TEXTS}.getState().value", storage=storage) == value


def test_what_is_set_is_kept_with_its_version_and_the_usual_leaves_no_trace(js):
    put = f"((store) => {{ m.setPersisted(store, (now) => [...now, 'more']); return kept.get('list'); }})({TEXTS})"
    assert json.loads(js("persisted", put, storage={})) == {"state": {"value": ["usual", "more"]}, "version": 1}
    back = """((usual) => {
      const store = m.persisted('list', usual, () => null);
      m.setPersisted(store, ['x']);
      m.setPersisted(store, usual);
      return kept.has('list');
    })(['usual'])"""
    assert js("persisted", back, storage={}) is False


@pytest.mark.parametrize(
    ("one", "other", "same"),
    [
        ({"a": 1, "b": [1, 2]}, {"b": [1, 2], "a": 1}, True),
        ({"a": [1, 2]}, {"a": [2, 1]}, False),
        ({"a": None}, {}, False),
        ({"a": "1"}, {"a": 1}, False),
    ],
)
def test_a_question_has_one_name_whatever_the_order_of_its_keys(js, one, other, same):
    assert js("queryHash", "m.queryHash(one) === m.queryHash(other)", one=one, other=other) is same


@pytest.mark.parametrize(
    ("address", "changed"),
    [(None, {}), ("{", {}), ("[1]", {}), ('{"family": "fizz", "count": "many", "abv": [10, 12], "nonsense": 1}',
      {"family": "fizz", "abv": [10, 12]})],
)  # fmt: skip
def test_criteria_of_an_address_are_taken_only_in_their_shape(js, address, changed):
    assert js("criteria", "m.fromAddress(address)", address=address) == js("criteria", "m.ANYTHING") | changed
    assert json.loads(js("criteria", "m.toAddress(m.fromAddress(address))", address=address)) == changed


def test_a_blind_flight_gives_each_taster_all_glasses_in_an_order_of_his_own(js):
    pour = "m.pourFlight(trials.map((id) => ({ id })), ['Ada', 'Bo'], true, () => 0.5)"
    glasses = js("flight", pour, trials=[1, 2, 3])["glasses"]
    assert [glass["sheet"]["taster"] for glass in glasses] == ["Ada"] * 3 + ["Bo"] * 3
    assert [sorted(glass["trialId"] for glass in glasses[at : at + 3]) for at in (0, 3)] == [[1, 2, 3], [1, 2, 3]]
    assert [glass["letter"] for glass in glasses[:3]] == ["A", "B", "C"]


POURS = [{"ingredient": name, "slot": "base", "stage": "mixed", "relative": None} for name in ("gin", "lime", "syrup")]
FOLLOWING = [*POURS[:2], {**POURS[2], "relative": {"to": 1, "times": 1}}]


@pytest.mark.parametrize(
    ("edit", "names", "follows"),
    [
        ("m.withoutPour(spec, 0)", ["lime", "syrup"], 0),
        ("m.withoutPour(spec, 1)", ["gin", "syrup"], None),
        ("m.movedPour(spec, 1, 0)", ["lime", "gin", "syrup"], 0),
        ("m.movedPour(spec, 2, 0)", ["syrup", "gin", "lime"], 2),
        ("m.withDouble(spec, 0)", ["gin", "gin", "lime", "syrup"], 2),
    ],
)
def test_a_pour_follows_the_same_pour_after_the_others_moved(js, edit, names, follows):
    pours = js("draft", f"{edit}.pours", spec={"pours": FOLLOWING})
    assert [pour["ingredient"] for pour in pours] == names
    relative = next(pour["relative"] for pour in pours if pour["ingredient"] == "syrup")
    assert (relative and relative["to"]) == follows
