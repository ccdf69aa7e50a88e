"""Judging, as workers do it."""

from collections.abc import Sequence

from pydantic import TypeAdapter

from lofty_press.core.assess import assess, preview_fixes
from lofty_press.core.forming import FormingSummary
from lofty_press.core.stack import Edit, Sandwich, apply_edits
from lofty_press.documents.assessment import describe
from lofty_press.documents.sandwich_file import SANDWICH
from lofty_press.service.assessment.models import Mended
from lofty_press.service.work.tools import Tools

MENDED = TypeAdapter(list[Mended])


def judge(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, with_map: bool) -> bytes:
    """The assessment as JSON."""
    return describe(assess(sandwich, tools.library, formed), with_map=with_map).model_dump_json().encode()


def preview(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None) -> bytes:
    """What every proposed fix would lead to, as JSON."""
    previews = preview_fixes(assess(sandwich, tools.library, formed), tools.supply)
    return MENDED.dump_json(
        [
            Mended(
                code=p.code,
                layer=p.layer,
                label=p.label,
                zone=p.after.verdict.zone if p.after.verdict else None,
                sentence=p.after.sentence,
                pressure_mpa=p.after.verdict.pressure if p.after.verdict else None,
                interference_mm=p.after.nip.interference,
                stops=sum(f.severity == "stop" for f in p.after.findings),
                calls=sum(f.severity != "care" for f in p.after.findings),
            )
            for p in previews
        ]
    )


def edit(tools: Tools, sandwich: Sandwich, edits: Sequence[Edit]) -> bytes:
    """The edited sandwich as JSON."""
    return SANDWICH.dump_json(apply_edits(sandwich, edits, tools.supply))
