"""What a command does on a machine that lacks something, or where something is in its way."""

import importlib.metadata
import json
import os
import signal
import subprocess
import sys
import threading
import time
from pathlib import Path

import httpx
import pytest

from lofty_press.bench.figure import Figure, timed
from lofty_press.cli import bench
from lofty_press.runtime.mariadb import MariaServer
from lofty_press.service.db.queries import load_queries
from lofty_press.setup import bootstrap, debian, frontend
from lofty_press.setup.paths import ROOT


def lofty(*arguments, **more):
    return subprocess.run([str(ROOT / "lofty"), *arguments], capture_output=True, text=True, timeout=120, **more)


def test_what_is_there_is_not_installed_again(monkeypatch):
    monkeypatch.setattr(debian, "install_debian", lambda *_: pytest.fail("nothing is missing"))
    debian.ensure(debian.MARIADB, debian.CHROMIUM)


def test_without_apt_it_says_exactly_what_to_install(monkeypatch, capsys):
    monkeypatch.setattr(debian, "find_program", lambda _: None)
    monkeypatch.setattr(debian.shutil, "which", lambda _: None)
    with pytest.raises(SystemExit):
        debian.ensure(debian.MARIADB, debian.CHROMIUM)
    assert "sudo apt-get install --no-install-recommends mariadb-server chromium" in capsys.readouterr().err


def test_a_user_without_sudo_is_told_what_to_ask_for(monkeypatch, capsys):
    monkeypatch.setattr(debian, "find_program", lambda _: None)
    monkeypatch.setattr(debian.os, "geteuid", lambda: 1000)
    monkeypatch.setattr(debian.shutil, "which", lambda name: "/usr/bin/apt-get" if name == "apt-get" else None)
    with pytest.raises(SystemExit):
        debian.ensure(debian.MARIADB)
    assert "sudo apt-get install" in capsys.readouterr().err


def test_a_failing_package_tool_ends_with_its_own_words(monkeypatch, capsys):
    failed = subprocess.CompletedProcess([], 100, stdout="", stderr="E: Unable to locate package")
    monkeypatch.setattr(debian.subprocess, "run", lambda *_, **__: failed)
    with pytest.raises(SystemExit):
        debian.install_debian(["sudo"], ["mariadb-server"], "install by hand: ...")
    assert "Unable to locate package" in capsys.readouterr().err


@pytest.mark.parametrize(("said", "version"), [("v20.20.2", (20, 20)), ("v24.1.0", (24, 1)), ("nonsense", (0, 0))])
def test_nodes_version_is_read_from_what_it_says(monkeypatch, said, version):
    monkeypatch.setattr(frontend.subprocess, "run", lambda *_, **__: subprocess.CompletedProcess([], 0, stdout=said + "\n"))
    assert frontend.node_version("node") == version


def test_too_old_a_node_is_replaced_by_one_of_our_own(monkeypatch, capsys):
    calls = []
    monkeypatch.setattr(frontend, "node_version", lambda _: (18, 19))
    monkeypatch.setattr(frontend.subprocess, "run", lambda command, **_: calls.append(command) or subprocess.CompletedProcess(command, 0))
    assert Path(frontend.npm_program()).parent == Path(sys.executable).parent
    assert str(ROOT / "requirements" / "node.txt") in calls[0]
    assert "20.19" in capsys.readouterr().err


def test_the_page_is_built_again_only_when_its_sources_changed(monkeypatch, tmp_path):
    built = []

    def build(*arguments):
        built.append(arguments)
        (tmp_path / "dist.new").mkdir()
        (tmp_path / "dist.new" / "index.html").write_text("page")

    monkeypatch.setattr(frontend, "STATE", tmp_path)
    monkeypatch.setattr(frontend, "DIST", tmp_path / "dist")
    monkeypatch.setattr(frontend, "ensure_packages", lambda: None)
    monkeypatch.setattr(frontend, "run_npm", build)
    for digest in ("a", "a", "b"):
        monkeypatch.setattr(frontend, "source_digest", lambda digest=digest: digest)
        frontend.ensure_page()
    assert len(built) == 2
    assert (tmp_path / "dist" / "index.html").exists()


def test_the_pinned_lists_name_versions_and_no_hosts():
    for name in ("base", "dev", "node"):
        lines = [x for x in (ROOT / "requirements" / f"{name}.txt").read_text().splitlines() if x and not x.lstrip().startswith("#")]
        assert lines
        assert all("==" in line or line.startswith("    --hash=sha256:") for line in lines), name
        assert not any("://" in line for line in lines)
    assert "resolved" not in (ROOT / "web" / "package-lock.json").read_text()


def test_developer_commands_are_the_ones_that_need_the_developers_packages():
    shown = lofty("--help").stdout
    for command in (*bootstrap.DEVELOPER_COMMANDS, "demo", "start", "assess"):
        assert command in shown


def test_an_unknown_command_lists_the_known_ones():
    done = lofty("dance")
    assert done.returncode == 2
    assert "assess" in done.stderr


def test_a_second_start_on_the_same_data_is_refused_in_words(running, capsys):
    other = MariaServer(running.database.folder)
    with pytest.raises(SystemExit):
        other.start()
    other.stop()
    assert "already running" in capsys.readouterr().err
    assert running.database.socket.exists()  # what is the other's stays


def test_a_database_that_a_killed_launcher_left_behind_is_taken_over(tmp_path):
    first = MariaServer(tmp_path / "db")
    first.start()
    process, lock = first.process, first.lock
    os.close(lock)  # as if the launcher had been killed and its lock with it
    second = MariaServer(tmp_path / "db")
    second.start()
    assert process.wait(timeout=20) is not None
    assert second.process.poll() is None
    second.stop()
    assert second.process.poll() is not None


def test_ctrl_c_stops_everything_and_a_restart_takes_seconds(tmp_path):
    """The whole command from outside: start, answer, interrupt; then no process of it is left."""
    script = f"from pathlib import Path; from lofty_press.runtime.serve import serve; serve(Path({str(tmp_path / 'own')!r}), demo=True, port=None)"
    environment = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
    for attempt in range(2):
        began = time.monotonic()
        command = [sys.executable, "-c", script]
        with subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=True, env=environment) as process:
            link = next(line.split()[-1] for line in process.stdout if "http://127.0.0.1" in line)
            wait_until_up(link)
            assert attempt == 0 or time.monotonic() - began < 30
            database = int((tmp_path / "own" / "mariadb.pid").read_text())
            process.send_signal(signal.SIGINT)
            assert process.wait(timeout=20) == 0
        assert not Path(f"/proc/{database}").exists()


def wait_until_up(link):
    for _ in range(200):
        try:
            with httpx.Client(base_url=link.partition("/enter")[0]) as client:
                assert client.get(link).status_code == 303
                assert client.get("/api/health").json() == {"status": "up"}
            return
        except httpx.TransportError:
            time.sleep(0.05)
    pytest.fail("the application did not come up")


def test_bench_prints_its_figures_with_names_units_and_limits(capsys, monkeypatch):
    figures = [Figure("assess_core_ms", 3.2, "ms", 5.0), Figure("first_page_script_kb", 500.0, "kB", 400.0)]
    monkeypatch.setattr(bench, "measured", lambda names: [f for f in figures if f.name in names])
    parser_names = bench.NAMES

    class Arguments:
        json = True
        only = parser_names

    assert bench.run(Arguments()) == 1  # one limit is not kept
    assert json.loads(capsys.readouterr().out) == {
        "figures": [
            {"name": "assess_core_ms", "value": 3.2, "unit": "ms", "limit": 5.0, "at_least": False},
            {"name": "first_page_script_kb", "value": 500.0, "unit": "kB", "limit": 400.0, "at_least": False},
        ]
    }
    Arguments.json, Arguments.only = False, ["assess_core_ms"]
    assert bench.run(Arguments()) == 0
    assert "NOT KEPT" not in capsys.readouterr().out


def test_durations_are_measured_after_a_warm_up():
    runs = []
    assert timed(lambda: runs.append(1), times=5, warm=2).shape == (5,)
    assert len(runs) == 7


STATEMENTS = sorted((ROOT / "src" / "lofty_press" / "service").rglob("queries.sql"))


def test_every_noun_that_is_kept_has_its_statements():
    assert len(STATEMENTS) > 10


@pytest.mark.parametrize("file", STATEMENTS, ids=lambda file: file.parent.name)
def test_statements_are_named_and_take_named_parameters_only(file):
    queries = load_queries(file.parent)
    assert queries
    for text in queries.values():
        assert text.endswith(";")
        assert "%s" not in text
        assert "{" not in text


def test_an_environment_that_was_broken_off_is_made_anew_and_put_in_place_whole(monkeypatch, tmp_path):
    made, installed = [], []

    def make(folder):
        (folder / "bin").mkdir(parents=True)
        (folder / "bin" / "python").write_text("")
        made.append(folder)

    def pip(command, **_):
        installed.append(command[-1])
        return subprocess.CompletedProcess(command, 0)

    monkeypatch.setattr(bootstrap, "make_venv", make)
    monkeypatch.setattr(bootstrap.subprocess, "run", pip)
    place = tmp_path / "venv"
    bootstrap.ensure_environment(("base",), place)
    assert place.is_symlink()
    assert len(made) == 1
    bootstrap.ensure_environment(("base",), place)
    assert len(installed) == 1
    (place / bootstrap.UNFINISHED).touch()  # as if Ctrl-C had come in the middle of another list
    bootstrap.ensure_environment(("base", "dev"), place)
    assert len(made) == 2
    assert place.resolve() == made[1]
    assert not made[0].exists()
    assert bootstrap.is_installed(place, "dev")

    def stop(command, **_):
        raise KeyboardInterrupt

    monkeypatch.setattr(bootstrap.subprocess, "run", stop)
    (place / "installed-base").unlink()
    with pytest.raises(KeyboardInterrupt):
        bootstrap.ensure_environment(("base",), place)
    assert not bootstrap.is_installed(place, "dev")  # it is suspect until it is whole again


def test_only_one_command_sets_up_at_a_time(tmp_path, capsys):
    with bootstrap.alone(tmp_path):
        waiting = threading.Thread(target=lambda: wait_in_line(tmp_path))
        waiting.start()
        time.sleep(0.3)
        assert waiting.is_alive()
    waiting.join(5)
    assert not waiting.is_alive()
    assert "waiting for another lofty" in capsys.readouterr().err


def wait_in_line(folder):
    with bootstrap.alone(folder):
        pass


BASE_ALONE = """
import importlib, sys
from importlib.abc import MetaPathFinder

class Without(MetaPathFinder):
    def find_spec(self, name, path=None, target=None):
        if name.split(".")[0] in BLOCKED:
            raise ModuleNotFoundError(f"{name} is for development")

BLOCKED = set(sys.argv[1:])
sys.meta_path.insert(0, Without())
for name in ("cli.__main__", "runtime.serve", "runtime.parts", "service.work.catalogue"):
    importlib.import_module(f"lofty_press.{name}")
"""


def names_in(file):
    """Distributions that a requirements file pins."""
    pins = (ROOT / "requirements" / file).read_text().splitlines()
    return {pin.split("==")[0].lower().replace("_", "-") for pin in pins if "==" in pin and not pin.startswith(" ")}


def test_whoever_only_uses_it_needs_no_development_packages():
    """All that the commands for users load is among the pinned packages that they install."""
    owners = importlib.metadata.packages_distributions()
    extra = names_in("dev.txt") - names_in("base.txt")
    blocked = [module for module, by in owners.items() if {name.lower().replace("_", "-") for name in by} <= extra]
    assert "pytest" in blocked
    assert "httpx" not in blocked
    done = subprocess.run(
        [sys.executable, "-c", BASE_ALONE, *blocked], capture_output=True, text=True, env={**os.environ, "PYTHONPATH": str(ROOT / "src")}
    )
    assert done.returncode == 0, done.stderr


def test_code_compiled_for_a_record_that_is_gone_is_compiled_anew(tmp_path):
    """The index of compiled code names the records it was compiled for: renamed by an update, it would refuse to load."""
    core, compiled = tmp_path / "core", tmp_path / "core" / "nip" / "__pycache__" / "kernel.balance.py311.nbi"
    compiled.parent.mkdir(parents=True)
    kernel = core / "nip" / "kernel.py"

    def left(source):
        compiled.write_text("index")
        kernel.write_text(source)
        bootstrap.forget_compiled(core, tmp_path)
        return compiled.exists()

    assert not left("class Rows(NamedTuple):\n    x: int\n")
    assert left("class Rows(NamedTuple):\n    x: int\n\n\ndef new() -> None: ...\n")
    assert not left("class Lines(NamedTuple):\n    x: int\n")
