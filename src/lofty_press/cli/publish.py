"""`lofty publish`: renews the published descriptions and examples that are made from the code."""

import argparse
import json
from pathlib import Path

from lofty_press.demo.jobs import JOBS
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.sandwiches import SANDWICHES, SHELF
from lofty_press.demo.shelf import INKS
from lofty_press.demo.tables import write_tables
from lofty_press.documents.answers.plan.job_file import job_schema, write_job
from lofty_press.documents.answers.traits import (
    hatching_for_the_page,
    kinds_for_the_page,
    plan_for_the_page,
    things_for_the_page,
    traits_for_the_page,
)
from lofty_press.documents.files.sandwich_file import sandwich_schema, write_sandwich
from lofty_press.documents.files.shelf_file import ShelfFile, shelf_schema, write_shelf_file
from lofty_press.documents.kept.kept_tables import SHIPPED, shipped_tables
from lofty_press.documents.texts.catalogue import catalogue, notes
from lofty_press.service.app import create_app
from lofty_press.service.db.migrate import freeze_new
from lofty_press.service.settings import DatabaseSettings, Settings
from lofty_press.setup import frontend
from lofty_press.setup.paths import DOCS, WEB


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.set_defaults(run=run)


def described() -> dict[Path, str]:
    """Contents of the published descriptions as the code has them now."""
    app = create_app(Settings(database=DatabaseSettings("", 0, "", "", ""), port=0, key=""))
    return {
        DOCS / "openapi.json": json.dumps(app.openapi(), indent=1, sort_keys=True) + "\n",
        DOCS / "words.en.json": json.dumps(catalogue(WEB / "src"), ensure_ascii=False, indent=0) + "\n",
        DOCS / "words.notes.json": json.dumps(notes(WEB / "src"), ensure_ascii=False, indent=0) + "\n",
        DOCS / "sandwich.schema.json": json.dumps(sandwich_schema(), indent=1, sort_keys=True) + "\n",
        DOCS / "shelf.schema.json": json.dumps(shelf_schema(), indent=1, sort_keys=True) + "\n",
        DOCS / "job.schema.json": json.dumps(job_schema(), indent=1, sort_keys=True) + "\n",
        WEB / "src" / "sandwich" / "traits.gen.ts": traits_for_the_page(),
        WEB / "src" / "places" / "shelf" / "things.gen.ts": things_for_the_page(),
        WEB / "src" / "places" / "plan" / "works.gen.ts": plan_for_the_page(),
        WEB / "src" / "sandwich" / "hatching.gen.ts": hatching_for_the_page(),
        WEB / "src" / "words" / "kinds.gen.ts": kinds_for_the_page(),
        DOCS / "examples" / "press-room.shelf.json": write_shelf_file(ShelfFile(presses=PRESSES, items=SHELF, inks=INKS)),
        **{DOCS / "examples" / f"{key}.job.json": write_job(job) for key, job in JOBS.items()},
        **{DOCS / "examples" / f"{key}.lofty.json": write_sandwich(sandwich) for key, sandwich in SANDWICHES.items()},
    }


def run(_: argparse.Namespace) -> int:
    """Write them."""
    for path, text in described().items():
        path.parent.mkdir(exist_ok=True)
        path.write_text(text)
    freeze_new()
    if not shipped_tables(SHIPPED):
        print(f"{write_tables()} tables of forming made anew")
    frontend.ensure_packages()
    frontend.run_npm("run", "types")
    return 0
