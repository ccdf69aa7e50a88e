"""The trade's constants: each once, with where it is from."""

import ast
from pathlib import Path

import pytest

import lofty_press.core as core
from lofty_press.core.basics import trade
from lofty_press.core.basics.trade import CONSTANTS, COPY_PAPER, RUBBER_POISSON
from lofty_press.core.judging.verdict import PLAIN_PAPER
from lofty_press.core.sandwich.materials import MATERIALS
from lofty_press.core.sandwich.stack.typical import SHIM
from lofty_press.core.working.setout.stocks import NAMED

ROOT = Path(core.__file__).parent


def figures_in(path):
    """Names that a module gives to a bare number."""
    for node in ast.parse(path.read_text()).body:
        targets = node.targets if isinstance(node, ast.Assign) else [node.target] if isinstance(node, ast.AnnAssign) else []
        if isinstance(getattr(node, "value", None), ast.Constant) and isinstance(node.value.value, int | float):
            yield from (target.id for target in targets if isinstance(target, ast.Name))


def test_no_room_gives_a_constant_of_the_trade_a_second_figure():
    words = {name: set(name.split("_")) for name in CONSTANTS}
    again = [
        (path.relative_to(ROOT), name, known)
        for path in ROOT.rglob("*.py")
        if path.name != Path(trade.__file__).name
        for name in figures_in(path)
        for known, parts in words.items()
        if parts <= set(name.split("_"))
    ]
    assert again == []


@pytest.mark.parametrize("name", list(CONSTANTS))
def test_every_constant_has_a_unit_a_spread_and_a_source(name):
    one = CONSTANTS[name]
    assert one.unit in ("mm", "MPa", "s", "1")
    assert 0.0 < one.sd < one.value
    assert one.source


def test_copy_paper_is_as_thick_wherever_it_lies():
    assert SHIM.mm == PLAIN_PAPER.thickness == NAMED["copy paper"].mm == COPY_PAPER.value
    assert SHIM.sd_mm == NAMED["copy paper"].sd == COPY_PAPER.sd


def test_rubber_hardly_changes_its_volume():
    """K = E / 3 (1 - 2 nu): some thousand times the shear modulus, from memory (handbooks of rubber springs give 1 to 2 GPa for the bulk modulus)."""
    rubber = MATERIALS["rubber"]
    assert rubber.poisson == RUBBER_POISSON.value
    bulk, shear = rubber.modulus / (3 * (1 - 2 * rubber.poisson)), rubber.modulus / (2 * (1 + rubber.poisson))
    assert 1000.0 < bulk < 3000.0
    assert 500.0 < bulk / shear < 3000.0
