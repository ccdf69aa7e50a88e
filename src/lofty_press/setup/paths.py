"""Where the project keeps what it makes."""

from pathlib import Path

ROOT = Path(__file__).resolve().parents[3]
STATE = ROOT / ".lofty"
WEB = ROOT / "web"
DIST = WEB / "dist"
DOCS = ROOT / "docs"
TABLES = STATE / "tables"
