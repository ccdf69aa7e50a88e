"""The statements of runs."""

from pathlib import Path

from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)
