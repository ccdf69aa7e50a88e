"""The documentation names places that are there."""

import re
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
PAGES = [ROOT / "README.md", ROOT / "CONTRIBUTING.md", *sorted((ROOT / "docs").glob("*.md"))]
TOPS = "core|documents|service|demo|siege|devices|cli|runtime|web/src|tests|src/lofty_press|docs"
PLACE = re.compile(rf"`((?:{TOPS})/[\w./-]+)`")
LINK = re.compile(r"\]\(([\w./-]+)\)")


def places(page: Path) -> set[str]:
    return set(PLACE.findall(page.read_text()))


def is_there(place: str) -> bool:
    return any((ROOT / above / place.rstrip("/")).exists() for above in (".", "src/lofty_press"))


@pytest.mark.parametrize("page", PAGES, ids=lambda page: page.name)
def test_every_place_and_link_is_there(page):
    assert [place for place in sorted(places(page)) if not is_there(place)] == []
    assert [link for link in LINK.findall(page.read_text()) if not (page.parent / link).exists()] == []


def test_the_list_of_changes_and_the_rooms_name_enough_to_find_them():
    assert len(places(ROOT / "CONTRIBUTING.md")) > 40
    assert len(places(ROOT / "docs" / "architecture.md")) > 40
