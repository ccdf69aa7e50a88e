"""Whether this version of the program can read the parts of an archive: what it cannot is kept as it was stored, and said."""

from collections.abc import Callable, Mapping
from typing import Any

from lofty_press.core.basics.words import Message, named
from lofty_press.documents.answers.plan.job_file import JOB, STOCK
from lofty_press.documents.answers.practice import DONE
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.documents.files.shapes import current, stored_text
from lofty_press.service.db.versioned import readable
from lofty_press.service.http.errors import StoredUnreadable
from lofty_press.service.keeping.archive.models import Kind
from lofty_press.service.keeping.runs.models import RunBody
from lofty_press.service.keeping.shelf.repository import entry_of

Values = Mapping[str, Any]
READERS: dict[Kind, Callable[[Values], object]] = {
    "sandwiches": lambda row: SANDWICH.validate_python(current("sandwich", row["body"], row["shape"])),
    "jobs": lambda row: JOB.validate_python(current("job", row["body"], row["shape"])),
    "paper": lambda row: STOCK.validate_python(current("paper", row["body"], row["shape"])),
    "practice": lambda row: DONE.validate_python(current("drill", row["body"], row["shape"])),
    "runs": lambda row: RunBody.model_validate(current("run", row["body"], row["shape"])),
}


def why_unreadable(kind: Kind, key: str, row: Values) -> Message | None:
    """Why a part cannot be read; None if it can."""
    if kind == "shelf":
        return entry_of({**row, "id": key, "body": stored_text(row["body"])}).unreadable
    try:
        with readable(row["name"]):
            READERS[kind](row)
    except StoredUnreadable as error:
        return error.reason
    except RecursionError:
        return named("it is nested too deep")
    return None
