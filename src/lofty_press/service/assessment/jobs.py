"""Judging, as workers do it."""

from pydantic import TypeAdapter

from lofty_press.core.assess import assess, preview_fixes
from lofty_press.core.dialin import InRoom
from lofty_press.core.explain import About
from lofty_press.core.forming import FormingSummary
from lofty_press.core.stack import Sandwich
from lofty_press.documents.assessment import describe
from lofty_press.documents.explanation import explained
from lofty_press.documents.suggestion import outcome_of
from lofty_press.service.assessment.models import Mended
from lofty_press.service.work.tools import Tools

MENDED = TypeAdapter(list[Mended])


def judge(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, with_map: bool, certainty: InRoom | None) -> bytes:
    """The assessment as JSON."""
    found = assess(sandwich, tools.library, formed, certainty=certainty)
    return describe(found, tools.supply, with_map=with_map).model_dump_json().encode()


def preview(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None) -> bytes:
    """What every proposed fix would lead to, as JSON."""
    previews = preview_fixes(assess(sandwich, tools.library, formed, certainty=certainty), tools.supply)
    return MENDED.dump_json([Mended(code=p.code, layer=p.layer, outcome=outcome_of(p.after)) for p in previews])


def why(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, about: About, certainty: InRoom | None) -> bytes:
    """The chain of a verdict or a figure, as JSON."""
    found = assess(sandwich, tools.library, formed, certainty=certainty)
    return explained(found, about, tools.supply).model_dump_json().encode()
