"""Judgements as they travel over HTTP."""

from pydantic import BaseModel

from lofty_press.documents.suggestion import Outcome


class Mended(BaseModel):
    """What a finding's fix would lead to."""

    code: str
    layer: str | None
    outcome: Outcome
