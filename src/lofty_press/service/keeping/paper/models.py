"""Sheets that are owned, as they travel over HTTP."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Count
from lofty_press.core.working.plan import RulerUnit
from lofty_press.documents.answers.plan.job_file import StockFile


class PaperWrite(BaseModel):
    """A stock and all sheets of it that there are; `unit` of sizes that have none beside them."""

    model_config = ConfigDict(extra="forbid")

    stock: StockFile
    unit: RulerUnit = "mm"


class PaperChange(PaperWrite):
    """Its new state, and the version that it was based on."""

    version: Annotated[Count, Field(ge=1)]


class PaperRecord(BaseModel):
    """A stock that is kept, its sizes with their unit."""

    stock: StockFile
    id: str
    version: int


class PaperList(BaseModel):
    """All stocks, by name."""

    paper: list[PaperRecord]
