"""A short siege of each sort, always with the same seed: what held in the long ones holds here."""

import json

import pytest

from lofty_press.bench.figure import Figure
from lofty_press.cli import siege
from lofty_press.siege import archive, disk, growth, hostile, kills, requests, slow, soak
from lofty_press.siege.scope import Report, Scope

SHORT = {
    "kills": (kills, 4, 40.0),
    "disk": (disk, 1, 30.0),
    "hostile": (hostile, 16, 20.0),
    "requests": (requests, 100, 25.0),
    "soak": (soak, None, 5.0),
}
SPEED = ("hostile_slowest_s", "recover_p95_s", "restart_p95_s", "full_disk_recover_s", "soak_growth_mb", "hostile_files_peak_mb", "stop_s")
"""Figures of speed and size, which are measured in the long run and not asserted here."""


@pytest.mark.siege
@pytest.mark.parametrize("name", SHORT)
def test_it_holds_for_a_short_time(tmp_path, name):
    module, rounds, seconds = SHORT[name]
    report = module.measure(tmp_path / "ground", Scope(1926, seconds, rounds))
    broken = [(figure.name, figure.value) for figure in report.figures if not figure.kept and figure.name not in SPEED]
    assert broken == [], report.counts
    assert report.counts


def test_figures_come_in_the_form_of_the_bench(monkeypatch, capsys):
    seen = []

    def measured(folder, scope):
        seen.append((folder.name, scope.seed, scope.seconds))
        return Report([Figure("lost_acknowledged", 0, "1", 0)], {"kills": 3})

    monkeypatch.setattr(siege.debian, "ensure", lambda *_: None)
    monkeypatch.setattr(siege.frontend, "ensure_page", lambda: None)
    for module in (archive, growth, slow):
        monkeypatch.setattr(module, "measure", measured)

    class Arguments:
        only, minutes, seed, json = ["archive", "growth", "slow"], 3.0, 5, True

    assert siege.run(Arguments()) == 0
    found = json.loads(capsys.readouterr().out)
    assert found["figures"][0] == {"name": "lost_acknowledged", "value": 0, "unit": "1", "limit": 0, "at_least": False}
    assert seen == [("ground", 5, 60.0)] * 3
