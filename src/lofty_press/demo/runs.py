"""What the press room has run before, for its logbook."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta

from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.core.working.steps import Outcome
from lofty_press.service.db.connection import Connection
from lofty_press.service.keeping.runs.models import Effort, RunBody, RunWrite
from lofty_press.service.keeping.runs.taking import keep, row_of


@dataclass(frozen=True)
class Past:
    """One run: of which sandwich, how many days ago, at which hour, what came out, and what was otherwise: passes, and how long before the sheet was misted, None for dry
    (as the sandwich has it if it is not said)."""

    sandwich: str
    days: int
    hour: float
    result: Outcome
    effort: Effort = "easy"
    note: str = ""
    tags: tuple[str, ...] = ()
    passes: int | None = None
    mist: float | None = -1.0


PAST = (
    Past("two-plates", 41, 13.5, "too hard", "hard", "It would not go in. One plate too many over the folder.", ("programme",), mist=None),
    Past("programme-cover", 41, 13.9, "cracked", "firm", "Dry. The card split at the rim of the sheave.", ("programme",), mist=None),
    Past("programme-cover", 41, 14.4, "right", "firm", "Misted, three passes. This is how we do it.", ("programme", "for the record")),
    Past("ticket-sleeve", 28, 10.2, "right", "easy", "", ("tickets",)),
    Past("arch-cut", 20, 15.1, "not cut", "easy", "Threads at the left foot of the arch.", ("labels",)),
    Past("arch-cut", 20, 15.3, "right", "easy", "A second pass, die and card turned as one.", ("labels",), passes=2),
    Past("timetable-print", 9, 11.0, "right", "light", "The cotton takes the ink best.", ("timetable", "for the record")),
    Past("copper-plaque", 3, 16.6, "right", "firm", "", ("plaques",)),
    Past("ticket-sleeve", 1, 14.2, "faint", "light", "On the last sheets, with the plate that bows.", ("tickets",)),
)


def load_runs(connection: Connection, sandwiches: dict[str, tuple[str, Sandwich]]) -> None:
    """Keep those runs; `sandwiches` are the kept ones with their ids, by the demo's keys."""
    today = datetime.now(UTC).replace(hour=0, minute=0, second=0, microsecond=0)
    rows = []
    for past in PAST:
        key, sandwich = sandwiches[past.sandwich]
        body = RunBody(
            sandwich=as_it_was(sandwich, past), result=past.result, effort=past.effort, note=past.note, tags=list(past.tags), turns=1
        )
        write = RunWrite(sandwich_id=key, state="finished", body=body)
        moment = today - timedelta(days=past.days) + timedelta(hours=past.hour)
        rows.append(row_of("demo", {**write.model_dump(mode="json"), "created_at": moment.isoformat()}))
    keep(connection, rows)


def as_it_was(sandwich: Sandwich, past: Past) -> Sandwich:
    """A sandwich with what was otherwise."""
    layers = tuple(
        replace(layer, mist_age_s=past.mist) if layer.role == "sheet" and past.mist != -1.0 else layer for layer in sandwich.layers
    )
    return replace(sandwich, layers=layers, passes=past.passes or sandwich.passes)
