"""A house carried out and into another data file: nothing lost, nothing doubled, no trial changed, all of it or none."""

import json
import random
import shutil
from contextlib import closing
from pathlib import Path

import pytest
from support.depth import KILLS
from support.killed import killed, run

from oenomel import cli
from oenomel.core.larder.gaps import set_right
from oenomel.formats.recipe_writer import FORMATS
from oenomel.schemas.requests.originals_requests import WishEntry
from oenomel.schemas.spec_file import parse_spec
from oenomel.services.import_export.folder import export_house
from oenomel.store import database, drinks, ingredients, menu_entries, originals, preparations, tastings


@pytest.fixture(scope="module")
def exported(demo_file, tmp_path_factory):
    folder = tmp_path_factory.mktemp("exported") / "house"
    with closing(database.open_read_only(demo_file)) as conn:
        assert export_house(conn, folder) == 11
    return folder


@pytest.fixture
def bar(tmp_path, empty_file):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    return tmp_path / "bar.db"


@pytest.fixture
def house(tmp_path, demo_file):
    shutil.copyfile(demo_file, tmp_path / "house.db")
    return tmp_path / "house.db"


def oenomel(capsys, *arguments):
    code = cli.main([str(each) for each in arguments])
    told = capsys.readouterr()
    return code, told.out, told.err


def files_of(folder):
    return {str(each.relative_to(folder)): each.read_bytes() for each in sorted(folder.rglob("*")) if each.is_file()}


def contents(path):
    with closing(database.open_read_only(path)) as conn:
        tables = [row["name"] for row in conn.execute("SELECT name FROM sqlite_master WHERE type = 'table' AND sql LIKE '%STRICT%'")]
        # Tokens and devices belong to a file, and revisions count the saves of a window.
        kept = [each for each in tables if each not in ("larder_state", "device_key", "migration", "answered_write", "draft")]
        return {each: [tuple(row) for row in conn.execute(f"SELECT * FROM {each}")] for each in kept}


def test_exported_imported_and_exported_again_it_is_the_same_to_the_byte(exported, bar, tmp_path, capsys):
    code, out, _ = oenomel(capsys, "import", exported / "house.json", "--data", bar)
    assert code == 0
    assert "10 drink" not in out
    assert out.endswith("31 new, 0 same, 0 differs.\n")
    assert oenomel(capsys, "export", tmp_path / "again", "--data", bar)[0] == 0
    assert files_of(tmp_path / "again") == files_of(exported)


def test_nothing_of_the_house_is_lost_in_its_file(demo_file, exported, bar, capsys):
    oenomel(capsys, "import", exported / "house.json", "--data", bar)
    before, after = contents(demo_file), contents(bar)
    assert before.keys() == after.keys()
    for table, rows in before.items():
        assert len(after[table]) == len(rows), table
    notebook = ("tasting", "measurement", "water_measure", "trial_parent", "trial_mark", "shelf", "ingredient_value")
    # A preparation is known by what it makes; its number is the file's own.
    stock = ("lot", "lot_reading", "par", "good_price", "on_the_list", "house_setting", "batch", "batch_log", "evening", "evening_tick")
    assert sorted(row[1:] for row in after["preparation"]) == sorted(row[1:] for row in before["preparation"])
    for table in (*notebook, *stock):
        assert sorted(map(repr, after[table])) == sorted(map(repr, before[table])), table


def test_the_same_file_twice_doubles_nothing(exported, bar, capsys):
    oenomel(capsys, "import", exported, "--data", bar)
    before = contents(bar)
    code, out, _ = oenomel(capsys, "import", exported, "--data", bar)
    assert (code, out.splitlines()[-1]) == (0, "0 new, 31 same, 0 differs.")
    assert contents(bar) == before


@pytest.mark.parametrize("wanted", FORMATS)
def test_every_drink_of_the_demo_is_the_same_in_every_open_format(exported, house, tmp_path, capsys, wanted):
    ending = {"json": "json", "csv": "csv", "markdown": "md", "jsonld": "jsonld"}[wanted]
    shutil.copytree(exported / "drinks", tmp_path / "some", ignore=lambda _, names: [n for n in names if not n.endswith(f".{ending}")])
    code, out, error = oenomel(capsys, "import", tmp_path / "some", "--data", house)
    assert (code, error) == (0, "")
    assert out.splitlines()[-1] == "0 new, 11 same, 0 differs."


def test_one_table_and_one_text_hold_many_drinks(exported, house, tmp_path, capsys):
    joined = tmp_path / "all.md"
    joined.write_text("\n".join(each.read_text() for each in sorted((exported / "drinks").glob("*.md"))))
    graph = tmp_path / "all.jsonld"
    graph.write_text(json.dumps({"@graph": [json.loads(each.read_text()) for each in sorted((exported / "drinks").glob("*.jsonld"))]}))
    for file in (exported / "drinks.csv", joined, graph):
        assert oenomel(capsys, "import", file, "--data", house)[1].endswith("0 new, 11 same, 0 differs.\n")


def changed(exported, tmp_path, change):
    told = json.loads((exported / "house.json").read_text())
    change(told)
    path = tmp_path / "changed.json"
    path.write_text(json.dumps(told))
    return path


def less_lemon(told):
    drink = next(each for each in told["drinks"] if each["id"] == "hedge-gate-sour")
    drink["trials"].append({"name": "Less lemon", "spec": {**drink["trials"][0]["spec"], "form": "short"}, "parent": 2})
    drink["trials"][0]["sheets"].append({"taster": "Ines", "sugar": 1, "tasted_at": "2026-11-01T10:00:00+00:00"})


def test_what_differs_is_told_and_left_unless_chosen_and_no_trial_is_ever_changed(exported, house, tmp_path, capsys, golden):
    file = changed(exported, tmp_path, less_lemon)
    before = contents(house)
    code, out, _ = oenomel(capsys, "import", file, "--data", house)
    assert code == 0
    golden(out)
    assert contents(house) == before
    golden(oenomel(capsys, "import", file, "--look", "--differs", "add", "--data", house)[1])
    assert contents(house) == before
    oenomel(capsys, "import", file, "--differs", "add", "--data", house)
    with closing(database.open_read_only(house)) as conn:
        trials = drinks.trials(conn, 1)
        assert [trial.name for trial in trials][-1] == "Less lemon"
        assert trials[-1].parent_trial_id == trials[1].id
        assert [sheet.taster for sheet in tastings.of_drink(conn, 1)].count("Ines") == 1
    after = contents(house)
    assert set(map(repr, before["trial"])) < set(map(repr, after["trial"]))
    assert oenomel(capsys, "import", file, "--differs", "add", "--data", house)[1].endswith("31 same, 0 differs.\n")


def test_beside_it_becomes_a_drink_of_its_own_and_a_bottle_is_taken_only_when_told_to(exported, house, tmp_path, capsys):
    def both(told):
        less_lemon(told)
        told["ingredients"][0]["name"] = "Bay syrup, stronger"

    file = changed(exported, tmp_path, both)
    slug = json.loads(file.read_text())["ingredients"][0]["slug"]
    oenomel(capsys, "import", file, "--differs", "beside", "--data", house)
    with closing(database.open_read_only(house)) as conn:
        assert "Hedge Gate Sour (2)" in [name for _, name in drinks.names(conn)]
        assert ingredients.get(conn, slug).name == "Bay syrup"
    oenomel(capsys, "import", file, "--differs", "take", "--data", house)
    with closing(database.open_read_only(house)) as conn:
        assert ingredients.get(conn, slug).name == "Bay syrup, stronger"


def bare(told):
    for drink in told["drinks"]:
        for part in ("draft", "brief", "gathered"):
            drink.pop(part, None)


def test_what_lies_on_the_bench_a_brief_and_others_specs_come_where_there_is_none(exported, bar, tmp_path, capsys, golden):
    oenomel(capsys, "import", changed(exported, tmp_path, bare), "--data", bar)
    _, out, _ = oenomel(capsys, "import", exported / "house.json", "--data", bar)
    golden(out)
    assert "Medlar Walk Sour: " in out
    golden(out)
    oenomel(capsys, "import", exported / "house.json", "--differs", "add", "--data", bar)
    assert oenomel(capsys, "import", exported / "house.json", "--data", bar)[1].endswith("0 new, 31 same, 0 differs.\n")


def unknown_bottle(told):
    told["drinks"][-1]["trials"][-1]["spec"]["pours"][0]["ingredient"] = "unobtainium"


def strange_parent(told):
    told["drinks"][-1]["trials"][-1]["parent"] = 9


def impossible(told):
    told["ingredients"][0]["values"].append({"name": "abv", "value": 400, "relative_sd": 0, "source": "s", "source_kind": "label"})


def empty_forecast(told):
    told["drinks"][-1]["trials"][-1]["forecast"] = {"served": 3}


def unknown_key(told):
    told["drinks"][3]["colour"] = "blue"


def newer(told):
    told["version"] = 2


@pytest.mark.parametrize(
    "change",
    [
        unknown_bottle,
        strange_parent,
        impossible,
        empty_forecast,
        unknown_key,
        newer,
    ],
)
def test_a_fault_anywhere_takes_nothing_in(exported, bar, tmp_path, capsys, change, golden):
    before = contents(bar)
    code, out, error = oenomel(capsys, "import", changed(exported, tmp_path, change), "--data", bar)
    assert (code, out) == (2, "")
    golden(error.replace('"', "“", 1).replace('"', "”", 1))
    assert error.count("\n") == 1
    assert contents(bar) == before


def test_what_was_set_right_retired_and_noted_goes_along_and_what_differs_is_told(house, bar, tmp_path, capsys, golden):
    with closing(database.connect(house)) as conn, database.transaction(conn):
        lime = ingredients.get(conn, "lime-juice")
        ingredients.set_right(conn, "lime-juice", set_right(lime, {"acid": 5.2}, "a market of ours").values())
        ingredients.retire(conn, "verjus", gone=True)
        menu_entries.put_par(conn, "lime-juice", 400)
    assert oenomel(capsys, "export", tmp_path / "there", "--data", house)[0] == 0
    assert oenomel(capsys, "import", tmp_path / "there" / "house.json", "--data", bar)[0] == 0
    with closing(database.connect(bar)) as conn:
        assert ingredients.get(conn, "lime-juice").composition.acid == pytest.approx(5.2)
        assert ingredients.retired(conn) == {"verjus"}
        assert menu_entries.pars(conn)["lime-juice"] == 400
        with database.transaction(conn):
            ingredients.set_right(conn, "lime-juice", set_right(lime, {"acid": 6.6}, "another market").values())
            menu_entries.put_currency(conn, "£")
            preparations.remove(conn, "bay-syrup")
    code, out, _ = oenomel(capsys, "import", tmp_path / "there" / "house.json", "--data", bar)
    assert code == 0
    golden(out)
    assert "currency: you have £, the file has €" in out
    assert "new     recipe  Bay syrup" in out
    with closing(database.connect(bar)) as conn:
        assert ingredients.get(conn, "lime-juice").composition.acid == pytest.approx(6.6)
    assert oenomel(capsys, "import", tmp_path / "there" / "house.json", "--data", bar, "--differs", "take")[0] == 0
    with closing(database.connect(bar)) as conn:
        assert ingredients.get(conn, "lime-juice").composition.acid == pytest.approx(5.2)
        assert menu_entries.currency(conn) == "€"


def test_a_preparation_file_is_taken_in_and_adds_what_it_makes(bar, tmp_path, capsys):
    file = {"format": "oenomel/preparation", "version": 1, "name": "Gate syrup", "kind": "syrup"}
    (tmp_path / "gate.json").write_text(
        json.dumps({**file, "lines": [{"what": each, "amount": 2, "unit": "cup"} for each in ("sugar", "water")]})
    )
    code, out, _ = oenomel(capsys, "import", tmp_path / "gate.json", "--data", bar)
    assert (code, out.splitlines()[0][:32]) == (0, "new     recipe  Gate syrup: Not ")
    with closing(database.connect(bar)) as conn:
        assert preparations.get(conn, "gate-syrup").slug == "gate-syrup"
        assert ingredients.get(conn, "gate-syrup").composition.sugar == pytest.approx(55, abs=1)
    assert "same    recipe" in oenomel(capsys, "import", tmp_path / "gate.json", "--data", bar)[1]


def test_files_that_hold_no_drink_are_refused_by_name(exported, bar, tmp_path, capsys, golden):
    (tmp_path / "cut.json").write_bytes((exported / "house.json").read_bytes()[:9000])
    (tmp_path / "letter.txt").write_text("Dear all,\nthe bar is closed.")
    (tmp_path / "doubtful.txt").write_text("60 ml gin\n30 ml unheard-of nectar\nShake.")
    (tmp_path / "picture.json").write_bytes(b"\x89PNG\r\n\x1a\n")
    for name in (
        "cut.json",
        "letter.txt",
        "doubtful.txt",
        "picture.json",
        "gone.json",
    ):
        code, _, error = oenomel(capsys, "import", exported / "house.json", tmp_path / name, "--data", bar)
        assert code == 2
        golden(error)
    assert contents(bar)["drink"] == []


def test_an_export_replaces_only_an_earlier_one(demo_file, tmp_path, capsys, golden):
    (tmp_path / "full").mkdir()
    (tmp_path / "full" / "letter.txt").write_text("Dear all")
    golden(oenomel(capsys, "export", tmp_path / "full", "--data", demo_file)[2])
    golden(oenomel(capsys, "export", tmp_path / "no" / "where", "--data", demo_file)[2])
    for _ in range(2):
        assert oenomel(capsys, "export", tmp_path / "out", "--data", demo_file)[0] == 0
    assert not [each for each in tmp_path.iterdir() if each.name.startswith(".")]


def test_killed_while_a_house_is_taken_in_there_is_all_of_it_or_nothing(exported, empty_file, tmp_path):
    bar, chance, ends = tmp_path / "bar.db", random.Random(7), 0

    def act() -> None:
        cli.main(["import", str(exported / "house.json"), "--data", str(bar)])

    shutil.copyfile(empty_file, bar)
    longest = run(act)
    everything, seen = (11, len(contents(bar)["tasting"])), set()
    for _ in range(KILLS):
        for ending in ("", "-wal", "-shm"):
            (tmp_path / f"bar.db{ending}").unlink(missing_ok=True)
        shutil.copyfile(empty_file, bar)
        ends += killed(act, longest, chance)
        with closing(database.connect(bar)) as conn:
            assert conn.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
            seen.add((len(drinks.names(conn)), conn.execute("SELECT count(*) FROM tasting").fetchone()[0]))
    assert seen <= {(0, 0), everything}
    assert ends > KILLS / 5


def test_an_original_keeps_its_wish_and_the_house_its_kinship_on_another_machine(bar, tmp_path, capsys, golden):
    spec = parse_spec((Path(__file__).parents[1] / "support" / "glasshouse-sour.json").read_text())
    wish = WishEntry(family="sour", must=["mint"], seed=12)
    with closing(database.connect(bar)) as conn, database.transaction(conn):
        drink_id = drinks.add(conn, "Mint Orbit", "sour")
        drinks.keep_trial(conn, drink_id, None, "As it was proposed", "", spec.model_dump_json(exclude_unset=True), "{}", "{}")
        originals.mark(conn, drink_id, wish.model_dump_json())
        originals.put_kinship(conn, "herbal", "citrus", 0.3)
    assert oenomel(capsys, "export", tmp_path / "house", "--data", bar)[0] == 0
    other = tmp_path / "other.db"
    told = json.loads((tmp_path / "house" / "house.json").read_text())
    told["drinks"][0]["trials"][0].pop("forecast")
    (tmp_path / "house.json").write_text(json.dumps(told))
    assert oenomel(capsys, "import", tmp_path / "house.json", "--data", other)[0] == 0
    with closing(database.open_read_only(other)) as conn:
        assert originals.kinship(conn) == {frozenset({"citrus", "herbal"}): 0.3}
        (kept,) = originals.wishes(conn).values()
        assert WishEntry.model_validate_json(kept) == wish
    told["kinship"][0]["value"] = 0.9
    (tmp_path / "house.json").write_text(json.dumps(told))
    golden(oenomel(capsys, "import", tmp_path / "house.json", "--data", other)[1])
    oenomel(capsys, "import", tmp_path / "house.json", "--data", other, "--differs", "take")
    with closing(database.open_read_only(other)) as conn:
        assert originals.kinship(conn) == {frozenset({"citrus", "herbal"}): 0.9}
    for bad in ({"one": "citrus", "other": "music", "value": 0.3}, {"one": "citrus", "other": "herbal", "value": 3}):
        (tmp_path / "bad.json").write_text(json.dumps({"format": "oenomel/house", "version": 1, "kinship": [bad]}))
        code, _, err = oenomel(capsys, "import", tmp_path / "bad.json", "--data", other)
        assert code == 2
        assert "music" in err or "kinship[0].value" in err
