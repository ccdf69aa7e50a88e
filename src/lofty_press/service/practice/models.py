"""Practice as it travels over HTTP."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.quantities import Count
from lofty_press.core.stack import Sandwich
from lofty_press.documents.practice import MOST_TRIES, Which


class Attempt(BaseModel):
    """An answer to a drill: a choice, or the pile that was built; the how manieth try it is, whether the hint was read, and whether it is given up."""

    model_config = ConfigDict(extra="forbid")

    which: Which
    choice: Annotated[str, Field(max_length=40)] | None = None
    built: Sandwich | None = None
    tries: Annotated[Count, Field(ge=1, le=MOST_TRIES)] = 1
    hints: Annotated[Count, Field(ge=0, le=1)] = 0
    gives_up: bool = False
