"""Written lists, as workers read them."""

from lofty_press.core.sandwich.stack import Item
from lofty_press.core.working.setout import Line, read_list
from lofty_press.documents.files.things_file import list_in
from lofty_press.service.computing.setout.models import MOST_TEXT, ListAnswer, ListLine, ListRequest
from lofty_press.service.work.tools import Tools


def lines_of(_: Tools, text: str) -> bytes:
    """What a list comes to, part by part, as JSON."""
    lines = read_list(text)
    return ListAnswer(lines=[told(line) for line in lines], things=sum(len(line.items) for line in lines)).model_dump_json().encode()


def things_of(_: Tools, text: str) -> list[Item]:
    """Everything in a list that could be read."""
    return [item for line in read_list(text) for item in line.items]


def text_of(_: Tools, data: bytes) -> bytes:
    """The list in a file, as text, a table or JSON."""
    return ListRequest(text=list_in(data)[:MOST_TEXT]).model_dump_json().encode()


def told(line: Line) -> ListLine:
    """A part of a list as it is answered."""
    first = line.items[0] if line.items else None
    return ListLine(
        number=line.number,
        text=line.text,
        count=len(line.items),
        kind=None if first is None else first.kind,
        first=first,
        problem=line.problem,
        notes=list(line.notes),
        asked=line.asked,
        choices=list(line.choices),
    )
