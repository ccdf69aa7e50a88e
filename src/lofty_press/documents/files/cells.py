"""Texts in the cells of a table: what a spreadsheet would run as a formula is written so that it stays a text."""

RUN = ("=", "+", "-", "@", "\t", "\r")
MARK = "'"  # before a text, as spreadsheets take it


SEPARATORS = ",;\t"


def separator_of(text: str) -> str:
    """What separates the cells of a table: what its first line has most of."""
    head = text.split("\n", 1)[0]
    return max(SEPARATORS, key=head.count)


def written(text: str) -> str:
    """A text as a cell.

    Examples
    --------
    >>> written("=1+1"), written("two shims")
    ("'=1+1", 'two shims')
    """
    return MARK + text if text.startswith((*RUN, MARK)) else text


def read(cell: str) -> str:
    """`written` undone."""
    return cell[1:] if cell.startswith(MARK) and cell[1:].startswith((*RUN, MARK)) else cell
