"""How often it goes through."""

from collections.abc import Iterable

from lofty_press.core.findings.finding import Evidence, Finding, Fix
from lofty_press.core.stack.edits import SetPasses
from lofty_press.core.stack.item import DEEP_FOLDERS


def more_passes_for_deep(e: Evidence) -> Iterable[Finding]:
    """Two schools: one pass, or three and more."""
    tool, passes = e.view.tool, e.view.sandwich.passes
    if tool is not None and tool.kind in DEEP_FOLDERS and passes == 1 and e.verdict is not None and e.verdict.zone in ("faint", "right"):
        why = "One pass is quick and leaves the sheet softer; three (to and fro counts as two) bring up more of the depth, each adding less than the one before."
        yield Finding(
            "three-passes", "advise", "Three passes deepen a deep folder.", why, tool.id, Fix("Three passes", (SetPasses(passes=3),))
        )


def needless_passes(e: Evidence) -> Iterable[Finding]:
    """A plain folder is done after one."""
    tool, passes = e.view.tool, e.view.sandwich.passes
    if tool is not None and tool.kind == "plain folder" and passes > 1 and e.verdict is not None and e.verdict.zone in ("right", "hard"):
        fix = Fix("One pass", (SetPasses(passes=1),))
        yield Finding(
            "needless-passes",
            "advise",
            "One pass is enough for a plain folder.",
            "Each further pass can shift the sheet and give a double image.",
            tool.id,
            fix,
        )
    elif e.view.sandwich.effect.kind in ("cut", "stencil") and passes > 2:
        yield Finding(
            "needless-passes",
            "advise",
            "A third pass is never needed for a cut.",
            "If two do not cut it, it wants a shim or a clear die.",
            None,
            Fix("Two passes", (SetPasses(passes=2),)),
        )


def moved_between_passes(e: Evidence) -> Iterable[Finding]:
    """A double image comes from a die that moved."""
    tool = e.view.tool
    if tool is not None and e.view.sandwich.passes > 1 and tool.layer.half is None:
        why = "Low-tack tape at the edges, outside the pattern; move die and card as one. Tape under pressure leaves its mark."
        yield Finding("hold-it-still", "care", "Hold die and sheet together between passes.", why, tool.id)


RULES = (more_passes_for_deep, needless_passes, moved_between_passes)
