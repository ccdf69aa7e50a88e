"""Practice as it travels over HTTP."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Count
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.core.teaching.practice import Answer
from lofty_press.documents.answers.practice import MOST_TRIES, DrillDocument, SpotDocument, Which
from lofty_press.documents.files.class_files import DrillFile


class Answering(BaseModel):
    """An answer: a choice, the pile that was built, an order or a place; the how manieth try it is, whether the hint was read, and whether it is given
    up."""

    model_config = ConfigDict(extra="forbid")

    choice: Annotated[str, Field(max_length=40)] | None = None
    built: Sandwich | None = None
    order: Annotated[list[Annotated[str, Field(max_length=40)]], Field(max_length=40)] = []
    laid: SpotDocument | None = None
    tries: Annotated[Count, Field(ge=1, le=MOST_TRIES)] = 1
    hints: Annotated[Count, Field(ge=0, le=1)] = 0
    gives_up: bool = False

    def read(self) -> Answer:
        """As the computation has it."""
        return Answer(self.choice, self.built, tuple(self.order), None if self.laid is None else self.laid.read())


class Attempt(Answering):
    """An answer to a drill."""

    which: Which


class GivenAttempt(Answering):
    """An answer to a teacher's drill."""

    file: DrillFile


class GivenDrill(BaseModel):
    """A teacher's drill out of its file, and as it is asked."""

    file: DrillFile
    drill: DrillDocument
