"""The core's rooms are entered by their front doors: what others may use stands in `__all__`, and nobody reaches past it."""

import ast
from importlib import import_module
from pathlib import Path

import pytest

SOURCE = Path(__file__).parents[2] / "src" / "lofty_press"
CORE = SOURCE / "core"
ROOMS = sorted(str(door.parent.relative_to(CORE)).replace("/", ".") for door in CORE.glob("*/*/__init__.py"))
STOREYS = {room.split(".")[0] for room in ROOMS}
MOST_ARGUMENTS = 7


def modules():
    """Every module with its tree; measurements may look inside."""
    return [(path, ast.parse(path.read_text())) for path in SOURCE.rglob("*.py") if "bench" not in path.parts]


@pytest.mark.parametrize("room", ROOMS)
def test_what_stands_at_the_door_is_there(room):
    door = import_module(f"lofty_press.core.{room}")
    assert door.__doc__
    assert all(hasattr(door, name) for name in door.__all__)


def test_every_storey_says_what_is_in_it():
    assert len(STOREYS) > 4
    assert {folder.name for folder in CORE.iterdir() if folder.is_dir() and folder.name != "__pycache__"} == STOREYS
    assert all(import_module(f"lofty_press.core.{storey}").__doc__ for storey in STOREYS)


def test_nobody_reaches_past_a_door():
    past = []
    for path, tree in modules():
        own = ".".join(path.relative_to(CORE).parts[:2]) if path.is_relative_to(CORE) else None
        for node in ast.walk(tree):
            if isinstance(node, ast.ImportFrom) and (node.module or "").startswith("lofty_press.core."):
                storey, *rest = node.module.split(".")[2:]
                room = ".".join((storey, *rest[:1]))
                if room in ROOMS and room != own and rest[1:]:
                    past.append(f"{path.name}: {node.module}")
    assert past == []


def test_no_function_takes_more_than_seven():
    long = []
    for path, tree in modules():
        for node in ast.walk(tree):
            if isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef):
                names = [a.arg for a in (*node.args.posonlyargs, *node.args.args, *node.args.kwonlyargs) if a.arg not in ("self", "cls")]
                if len(names) > MOST_ARGUMENTS:
                    long.append(f"{path.name}: {node.name}")
    assert long == []
