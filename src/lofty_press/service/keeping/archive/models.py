"""What comes of an archive, as it travels over HTTP."""

from typing import Literal

from pydantic import BaseModel

from lofty_press.documents.answers.words import Words

Kind = Literal["shelf", "sandwiches", "jobs", "paper", "practice", "runs", "photos", "pictures", "reliefs", "plates", "settings"]
Choice = Literal["keep", "take"]
MOST_NAMED = 200


class Clash(BaseModel):
    """Something that is both here and in the archive, and not the same."""

    kind: Kind
    id: str
    name: str


class Unreadable(BaseModel):
    """Something in an archive that this version of the program cannot read, and why."""

    kind: Kind
    id: str
    name: str
    why: Words


class ArchiveAnswer(BaseModel):
    """What an archive holds beside what is here: parts that are new, those that are the same, and those that differ (the first of them
    named), and those that this version cannot read (the first of them named): they are kept as they were stored. `taken` says whether it was taken in, and `choice` what was done about those that differ."""

    made_at: str
    new: dict[Kind, int]
    same: dict[Kind, int]
    clashes: list[Clash]
    clashing: int
    unreadable: list[Unreadable]
    unread: int
    taken: bool
    choice: Choice
