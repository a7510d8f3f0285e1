"""The command line: most of it within this process, a process of its own only where that is what is tested."""

import io
import json
import socket
import subprocess
import sys
from pathlib import Path

import pytest

from oenomel.cli import COMMANDS, main
from oenomel.store import database

EXAMPLE = Path(__file__).parent / "support" / "glasshouse-sour.json"


def process(*arguments: str, home: Path, said: str | None = None) -> subprocess.CompletedProcess[str]:
    """The command in a process of its own, as a shell runs it."""
    environment = {"HOME": str(home), "XDG_DATA_HOME": str(home / "data"), "PATH": "/usr/bin:/bin"}
    return subprocess.run(
        [sys.executable, "-m", "oenomel", *arguments], capture_output=True, text=True, input=said, env=environment, timeout=60
    )


@pytest.fixture
def run(monkeypatch, capsys):
    """The command within this process, with a home of its own: what it prints, and its exit code."""

    def run(*arguments: str, home: Path, said: str | None = None) -> subprocess.CompletedProcess[str]:
        monkeypatch.setenv("HOME", str(home))
        monkeypatch.setenv("XDG_DATA_HOME", str(home / "data"))
        if said is not None:
            monkeypatch.setattr(sys, "stdin", io.TextIOWrapper(io.BytesIO(said.encode())))
        capsys.readouterr()
        try:
            code = main(arguments)
        except SystemExit as refused:
            code = int(refused.code or 0)
        printed = capsys.readouterr()
        return subprocess.CompletedProcess(arguments, code, printed.out, printed.err)

    return run


IMPORTED = "import sys; from oenomel.cli import main\ntry: main({arguments})\nfinally: print(*sys.modules, file=sys.stderr)"


@pytest.mark.parametrize(
    ("arguments", "without"),
    [
        (["--version"], {"numpy", "sqlite3", "pydantic", "oenomel.core", "oenomel.store", "tomllib"}),
        (["find", "triple sec"], {"pydantic", "fastapi", "jinja2", "oenomel.interchange", "oenomel.core.swaps", "oenomel.carrying"}),
        (["predict", str(EXAMPLE)], {"fastapi", "jinja2", "oenomel.core.originals", "oenomel.core.service", "oenomel.carrying"}),
    ],
)
def test_a_command_imports_what_it_needs_and_no_more(arguments, without, tmp_path):
    code = IMPORTED.format(arguments=arguments)
    environment = {"HOME": str(tmp_path), "XDG_DATA_HOME": str(tmp_path), "PATH": "/usr/bin:/bin"}
    done = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, env=environment, check=True)
    assert not without & set(done.stderr.split())
    assert done.stdout


def test_the_command_runs_as_a_process_of_its_own_and_reads_a_pipe(tmp_path):
    done = process("read", "-", home=tmp_path, said="60 ml gin\n22.5 ml lemon juice\n22.5 ml simple syrup")
    assert (done.returncode, done.stderr) == (0, "")
    assert len(json.loads(done.stdout)["spec"]["pours"]) == 3
    refused = process("predict", str(tmp_path / "none.json"), home=tmp_path)
    assert (refused.returncode, refused.stdout, len(refused.stderr.splitlines())) == (2, "", 1)


def test_every_command_has_help_that_names_its_options(run, tmp_path):
    for command in COMMANDS:
        shown = run(command, "--help", home=tmp_path)
        assert shown.returncode == 0
        assert shown.stdout.startswith(f"usage: oenomel {command}")
        assert "--data" in shown.stdout or "spec" in shown.stdout


def test_predict_prints_the_figures_of_the_example_and_makes_no_data_file(tmp_path, run):
    done = run("predict", str(EXAMPLE), home=tmp_path)
    assert (done.returncode, done.stderr) == (0, "")
    forecast = json.loads(done.stdout)
    # The figures printed in the format's own example.
    expected = {"volume_ml": 159.5, "abv": 15.04, "sugar": 8.90, "acid": 0.85, "sugar_acid_ratio": 10.5}
    expected |= {"alcohol_g": 18.9, "energy_kcal": 193, "titratable_acid": 0.834}
    for name, value in expected.items():
        assert forecast["served"][name] == pytest.approx(value, rel=0.005), name
    assert forecast["dilution"]["ratio"] == pytest.approx(0.519, abs=0.0005)
    assert forecast["undiluted"]["sugar"] == pytest.approx(13.52, abs=0.005)
    assert not (tmp_path / "data").exists()
    second = json.loads(run("predict", str(EXAMPLE), "--dilution", "heat balance", home=tmp_path).stdout)
    assert second["dilution"]["model"] == "heat balance"
    assert second["dilution"]["water_ml"] == pytest.approx(forecast["dilution"]["water_ml"], rel=0.1)


@pytest.mark.parametrize(
    "content",
    [
        EXAMPLE.read_text().replace('"3/4"', '"3/0"'),
        EXAMPLE.read_text().replace('"white-rum"', '"white-rhum"'),
        "{",
        b"\xff\xfe",
        None,
        "x" * 1_000_001,
    ],
    ids=["amount", "slug", "json", "bytes", "missing", "large"],
)
def test_bad_input_is_one_sentence_and_exit_two(tmp_path, content, golden, run):
    path = tmp_path / "spec.json"
    if content is not None:
        path.write_bytes(content if isinstance(content, bytes) else content.encode())
    done = run("predict", str(path), home=tmp_path)
    assert (done.returncode, done.stdout) == (2, "")
    golden(done.stderr)
    assert len(done.stderr.strip().splitlines()) == 1


@pytest.mark.parametrize(
    "content",
    [
        EXAMPLE.read_text().replace('"3/4"', r'"\ud800"'),
        EXAMPLE.read_text().replace("Glasshouse", r"\u0000"),
    ],
)
def test_what_can_t_be_written_is_refused_all_the_same(tmp_path, content, golden, run):
    (tmp_path / "spec.json").write_text(content)
    done = run("predict", str(tmp_path / "spec.json"), home=tmp_path)
    assert (done.returncode, done.stdout) == (2, "")
    golden(done.stderr)


def test_a_file_that_never_ends_is_too_large(tmp_path, golden, run):
    done = run("predict", "/dev/zero", home=tmp_path)
    golden((done.returncode, done.stderr))


def test_serving_says_what_is_wrong_in_one_sentence_before_it_says_that_it_is_open(tmp_path, golden, run):
    (tmp_path / "letter.txt").write_text("Dear all, " * 200)
    with socket.create_server(("127.0.0.1", 0)) as taken:
        port = str(taken.getsockname()[1])
        for arguments in (
            ("--port", port),
            ("--host", "0.0.0.0"),
            ("--host", "192.0.2.77", "--share"),
            ("--data", str(tmp_path / "letter.txt")),
            ("--data", str(tmp_path)),
            ("--data", str(tmp_path / "not" / "mounted.db")),
        ):
            done = run("serve", *arguments, home=tmp_path)
            assert (done.returncode, done.stdout) == (2, ""), arguments
            golden(done.stderr.replace(port, "PORT"))
            assert len(done.stderr.splitlines()) == 1


def test_predict_uses_the_larder_of_a_data_file(tmp_path, run):
    database.prepare(tmp_path / "bar.db")
    assert run("predict", str(EXAMPLE), "--data", str(tmp_path / "bar.db"), home=tmp_path).returncode == 0
    missing = run("predict", str(EXAMPLE), "--data", str(tmp_path / "none.db"), home=tmp_path)
    assert (missing.returncode, (tmp_path / "none.db").exists()) == (2, False)


def test_wrong_options_are_told(tmp_path, golden, run):
    golden(run("serve", "--reset", home=tmp_path).stderr)
    golden(run("serve", "--port", "99999", home=tmp_path).stderr)


def test_rebalance_prints_pours_and_j_and_names_what_it_cannot_find(tmp_path, golden, run):
    target = tmp_path / "target.json"
    target.write_text('{"sugar": 8.0, "acid": 0.85, "abv": 15.0, "volume_ml": 150}')
    done = run("rebalance", str(EXAMPLE), "--target", str(target), home=tmp_path)
    assert (done.returncode, done.stderr) == (0, "")
    answer = json.loads(done.stdout)
    assert [pour["amount"] for pour in answer["pours"]] == [60, 22.5, 20]
    assert answer["J"] == pytest.approx(sum(answer["parts"].values()))
    # 2.5 of 22.5 ml of plain syrup, at a tenth of its measure (docs/model/rebalance.md).
    assert answer["parts"]["character"] == pytest.approx(0.1 * 2.5 / 22.5)
    assert answer["ways"][0]["pours"] == answer["pours"]
    bare = run("rebalance", str(EXAMPLE), "--target", str(target), "--without-character", home=tmp_path)
    assert json.loads(bare.stdout)["parts"]["character"] == 0
    chosen = run("rebalance", str(EXAMPLE), "--target", str(EXAMPLE), "--free", "white-rum", home=tmp_path)
    assert json.loads(chosen.stdout)["J"] == pytest.approx(0, abs=1e-9)
    for options in (
        ["--free", "quince"],
        ["--grid", "0"],
        ["--free", ""],
    ):
        refused = run("rebalance", str(EXAMPLE), "--target", str(target), *options, home=tmp_path)
        assert refused.returncode == 2
        golden(refused.stderr)
    target.write_text('{"sugr": 8}')
    golden(run("rebalance", str(EXAMPLE), "--target", str(target), home=tmp_path).stderr)


SYRUP = {
    "format": "oenomel/preparation",
    "version": 1,
    "name": "Two to one",
    "kind": "syrup",
    "lines": [{"what": "sugar", "amount": 2, "unit": "cup"}, {"what": "water", "amount": 1, "unit": "cup"}],
}


def test_prepare_prints_what_a_preparation_comes_to_and_refuses_by_the_place(tmp_path, golden, run):
    done = run("prepare", "-", home=tmp_path, said=json.dumps(SYRUP))
    assert (done.returncode, done.stderr) == (0, "")
    told = json.loads(done.stdout)
    assert told["brix"] == pytest.approx(62.8, abs=0.05)  # docs/model/batch.md: by the cup
    assert told["composition"]["sugars"]["sucrose"] == pytest.approx(told["brix"] * told["density"], rel=1e-6)
    assert set(told["composition"]["spread"]["sugars"]) >= {"sucrose"}
    assert (told["keeps_days"], round(told["yield_g"])) == (60, 637)
    assert told["cautions"]
    assert told["why"]
    inline = {"name": "Pressed quince", "composition": {"sugars": {"fructose": 9}, "acids": {"malic": 1.1}, "density": 1.04}}
    mine = {**SYRUP, "lines": [{"what": inline, "amount": 500, "unit": "g"}, *SYRUP["lines"][:1]]}
    assert json.loads(run("prepare", "-", home=tmp_path, said=json.dumps(mine)).stdout)["composition"]["acids"]["malic"] > 0.5
    wrong = {**SYRUP, "lines": [{"what": "moonberries", "amount": 1, "unit": "cup"}]}
    refused = run("prepare", "-", home=tmp_path, said=json.dumps(wrong))
    assert refused.returncode == 2
    golden(refused.stderr)
    assert run("prepare", "-", home=tmp_path, said="{").returncode == 2


def test_find_prints_what_the_trade_means_best_first(tmp_path, run):
    done = run("find", "triple", "sec", home=tmp_path)
    assert (done.returncode, done.stderr) == (0, "")
    first, *_ = json.loads(done.stdout)
    assert first["slug"] == "orange-liqueur-sweet"
    assert first["name"]
    nothing = run("find", "blorp", home=tmp_path)
    assert json.loads(nothing.stdout) == []
    assert nothing.stderr.strip().endswith(".")
    assert "blorp" in nothing.stderr


def test_output_that_nobody_reads_to_its_end_is_no_fault(tmp_path):
    environment = {"HOME": str(tmp_path), "XDG_DATA_HOME": str(tmp_path / "data"), "PATH": "/usr/bin:/bin"}
    command = [sys.executable, "-m", "oenomel", "find", "syrup"]
    with subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.PIPE, env=environment, text=True) as started:
        assert started.stdout is not None
        assert started.stderr is not None
        started.stdout.close()
        assert started.stderr.read() == ""


def test_a_recipe_is_read_from_a_file_or_a_pipe_and_written_to_be_read_again(tmp_path, run):
    text = "Cold Frame\n60 ml gin\n22.5 ml lemon juice\n20 ml honey syrup\nShake 12 seconds, strain into a coupe."
    done = run("read", "-", home=tmp_path, said=text)
    assert (done.returncode, done.stderr) == (0, "")
    read = json.loads(done.stdout)
    (tmp_path / "spec.json").write_text(json.dumps(read["spec"]))
    for wanted, suffix in (("csv", "csv"), ("markdown", "md")):
        written = run("write", str(tmp_path / "spec.json"), "--as", wanted, home=tmp_path)
        assert (written.returncode, written.stderr) == (0, ""), wanted
        (tmp_path / f"again.{suffix}").write_text(written.stdout)
        again = json.loads(run("read", str(tmp_path / f"again.{suffix}"), home=tmp_path).stdout)
        assert again["spec"] == read["spec"], wanted
    picture = tmp_path / "card.png"
    picture.write_bytes(b"\x89PNG\r\n\x1a\n" + bytes(200))
    refused = run("read", str(picture), home=tmp_path)
    assert (refused.returncode, refused.stdout) == (2, "")
    assert len(refused.stderr.splitlines()) == 1
    assert "no text in it" in refused.stderr


ORIGINALS = ("originals", "--family", "sour", "--count", "5")


def test_originals_are_printed_best_first_and_are_specs_that_predict_reads(tmp_path, run):
    done = run(
        *ORIGINALS, "--seed", "7", "--must", "honey syrup", "--without", "egg,milk", "--abv", "12-18", "--aroma", "floral", home=tmp_path
    )
    assert (done.returncode, done.stderr) == (0, "")
    told = json.loads(done.stdout)
    assert [set(each) for each in told] == [{"spec", "distance_steps", "kinship", "novelty", "nearest", "reasons"}] * 5
    for each in told:
        (tmp_path / "one.json").write_text(json.dumps(each["spec"]))
        forecast = json.loads(run("predict", str(tmp_path / "one.json"), home=tmp_path).stdout)
        assert 12 <= forecast["served"]["abv"] <= 18
        assert forecast["place"]["distance_steps"] == pytest.approx(each["distance_steps"], abs=1e-9)
        assert "honey-syrup" in [pour["ingredient"] for pour in each["spec"]["pours"]]
    assert run(*ORIGINALS, "--seed", "7", home=tmp_path).stdout == run(*ORIGINALS, "--seed", "7", home=tmp_path).stdout
    assert run(*ORIGINALS, "--seed", "7", home=tmp_path).stdout != run(*ORIGINALS, "--seed", "8", home=tmp_path).stdout


@pytest.mark.parametrize(
    "asked",
    [
        ["--seed", "seven"],
        ["--count", "0"],
        ["--abv", "strong"],
        ["--abv", "18-12"],
        ["--abv", "30-40"],
        ["--without", "alcohol", "--abv", "12-18"],
        ["--must", "unicorn"],
        ["--must", "stout"],
        ["--aroma", "delicious"],
        ["--at-hand"],
    ],
)
def test_a_wish_that_cannot_be_ends_with_one_sentence(tmp_path, asked, golden, run):
    done = run(*ORIGINALS, *asked, home=tmp_path)
    assert (done.returncode, done.stdout) == (2, "")
    golden(done.stderr)
    assert done.stderr.count("\n") == 1
