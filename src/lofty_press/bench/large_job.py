"""A job of many different pieces, as large as anybody plans, by a seed."""

import random
from typing import Any


def large_job(pieces: int, seed: int) -> dict[str, Any]:
    """A job file of one card base and tags of all sizes, out of two stocks."""
    chance = random.Random(seed)
    tags = [
        {
            "key": f"tag-{n}",
            "name": f"Tag {n}",
            "kind": "tag",
            "size": f"{chance.randint(12, 60)} x {chance.randint(12, 80)}",
            "stock": chance.choice(["white", "kraft"]),
            "works": ["trim", "glue"],
        }
        for n in range(1, pieces)
    ]
    base = {
        "key": "base",
        "name": "Base",
        "kind": "base",
        "size": "us-a2",
        "fold": "side",
        "stock": "white",
        "works": ["trim", "score", "fold"],
    }
    stocks = [
        {"key": key, "name": key, "thickness_mm": 0.33, "grammage_gsm": 250, "sheets": [{"size": "216 x 280"}]}
        for key in ("white", "kraft")
    ]
    return {
        "format": "lofty-press-job",
        "version": 1,
        "name": "Large",
        "unit": "mm",
        "count": 5,
        "pieces": [base, *tags],
        "stocks": stocks,
    }
