"""Named SQL statements, read from the `queries.sql` beside a repository."""

import re
from functools import cache
from pathlib import Path

NAME = re.compile(r"^-- name: (\w+)$", re.MULTILINE)


@cache
def load_queries(folder: Path) -> dict[str, str]:
    """Statements of `folder/queries.sql` by name; each begins with a line `-- name: <name>`."""
    parts = NAME.split((folder / "queries.sql").read_text())
    return {name: text.strip() for name, text in zip(parts[1::2], parts[2::2], strict=True)}
