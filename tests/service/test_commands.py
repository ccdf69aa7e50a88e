"""Commands install and load no more than they need."""

import argparse
import subprocess
import sys
import time

import httpx
import pytest

from lofty_press.cli import dev, tests
from lofty_press.cli.__main__ import COMMANDS, COMPUTING, main
from lofty_press.runtime.door import KEY_FILE, Door, write_private
from lofty_press.setup import debian, frontend


@pytest.fixture
def installed(monkeypatch):
    """What would be installed for a run of tests."""
    asked = []
    monkeypatch.setattr(debian, "ensure", lambda *programs: asked.extend(programs))
    monkeypatch.setattr(frontend, "ensure_page", lambda: asked.append("page"))
    monkeypatch.setattr(tests.subprocess, "run", lambda *_, **__: subprocess.CompletedProcess([], 0))
    monkeypatch.setattr(tests, "in_rows", lambda *_: 0)
    return asked


@pytest.mark.parametrize(
    ("words", "needs"),
    [
        ((), {debian.MARIADB, debian.CHROMIUM, "page"}),
        (("-x",), {debian.MARIADB, debian.CHROMIUM, "page"}),
        (("tests/core",), set()),
        (("tests/core/mechanics/nip/test_nip.py::test_anything", "-x"), set()),
        (("tests/page", "src/lofty_press/core"), set()),
        (("tests/core", "tests/service/test_feed.py"), {debian.MARIADB, "page"}),
        (("tests/browser",), {debian.MARIADB, debian.CHROMIUM, "page"}),
        (("tests",), {debian.MARIADB, debian.CHROMIUM, "page"}),
    ],
)
def test_tests_of_a_path_install_only_what_they_need(installed, words, needs):
    assert tests.run(argparse.Namespace(siege=False, arguments=list(words))) == 0
    assert set(installed) == needs


@pytest.mark.parametrize(
    ("codes", "told"), [((0, 0, 0), 0), ((1, 0, 0), 1), ((0, 0, 2), 2), ((5, 0, 5), 0), ((5, 5, 5), 5), ((5, 1, 0), 1)]
)
def test_every_test_stands_in_one_row_and_a_failure_in_any_is_told(monkeypatch, capfd, codes, told):
    """Codes are pytest's: 0 all passed, 1 some failed, 2 called off, 5 none chosen."""
    script = (
        f"import sys; print(*sys.argv[1:]); sys.exit({codes}[2 if 'tests/core' in sys.argv else 1 if 'tests/service' in sys.argv else 0])"
    )
    monkeypatch.setattr(tests, "PYTEST", (sys.executable, "-c", script))
    assert tests.in_rows("-x") == told
    rows = [line.split() for line in capfd.readouterr().out.splitlines()]
    folders = {f"tests/{path.name}" for path in (tests.ROOT / "tests").iterdir() if any(path.glob("**/test_*.py"))}
    assert sorted(word for row in rows for word in row if word.startswith("tests/")) == sorted(folders)
    assert len(rows) == len(tests.ROWS) == 4
    assert all("-x" in row for row in rows)


def test_help_loads_neither_the_computation_nor_the_service():
    told = "import sys, lofty_press.cli.__main__ as m; sys.argv = ['lofty', '--help']\ntry: m.main()\nexcept SystemExit: pass\n"
    found = subprocess.run([sys.executable, "-c", told + "print(sorted(sys.modules))"], capture_output=True, text=True, check=True).stdout
    assert all(name in found for name in COMMANDS)
    assert not any(f"'{heavy}'" in found for heavy in ("numpy", "numba", "fastapi", "pydantic", "lofty_press.core"))


def test_every_command_can_be_asked_for_its_help(monkeypatch, capsys):
    assert set(COMPUTING) <= set(COMMANDS)
    for name in COMMANDS:
        monkeypatch.setattr(sys, "argv", ["lofty", name, "--help"])
        with pytest.raises(SystemExit) as ended:
            main()
        assert ended.value.code == 0
        assert f"lofty {name}" in capsys.readouterr().out


def test_a_key_that_was_laid_down_lets_in_again_after_a_new_start(tmp_path):
    with Door.opened(tmp_path, 1) as one, Door.opened(tmp_path, 1) as other:
        assert one.key != other.key
    write_private(tmp_path / KEY_FILE, "the same")
    with Door.opened(tmp_path, 1) as one:
        assert one.key == "the same"


def test_a_change_of_the_code_is_seen(tmp_path):
    assert dev.newest(tmp_path) == 0
    (tmp_path / "one.py").write_text("1")
    seen = dev.newest(tmp_path)
    time.sleep(0.02)
    (tmp_path / "one.py").write_text("2")
    assert dev.newest(tmp_path) > seen


def test_the_page_under_development_talks_to_the_service_as_its_own(running, tmp_path):
    """Host, Origin and key are checked as always; the development server hands requests on in the service's name."""
    frontend.ensure_packages()
    port = 5199
    page = dev.begin_page(port, running.door.port)
    try:
        base = f"http://127.0.0.1:{port}"
        deadline = time.monotonic() + 90
        while True:
            try:
                html = httpx.get(base, timeout=5).text
                break
            except httpx.TransportError:
                assert time.monotonic() < deadline
                time.sleep(0.2)
        assert "/src/main.tsx" in html
        with httpx.Client(base_url=base, headers={"origin": base}) as browser:
            assert browser.get("/api/sandwiches").status_code == 403
            assert browser.get(f"/enter?key={running.door.key}").status_code == 303
            assert browser.get("/api/sandwiches").json()["total"] > 0
    finally:
        dev.end(page)
