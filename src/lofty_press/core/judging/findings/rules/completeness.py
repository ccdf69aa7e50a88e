"""Is everything there that the wanted effect takes?"""

from collections.abc import Iterable

from lofty_press.core.basics.words import say
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.sandwich.stack import BASES, EFFECT_TITLES, KIND_TRAITS, Add, SetEffect, Suggestion


def bed_missing(e: Evidence) -> Iterable[Finding]:
    """Everything rides on a bed or a platform, but for a tall die, which makes the bed fold back."""
    if e.view.tool is not None and e.view.tool.kind == "steel-rule die":
        return
    if e.view.layers and not any(p.kind in BASES for p in e.view.layers):
        fix = Suggestion(say("Put a bed under it"), (Add(kind="bed", at=0),))
        yield Finding(
            "bed-missing",
            "stop",
            say("No bed under the sandwich."),
            say("Without a bed the layers go in one by one and shift."),
            fix=fix,
        )


def sheet_missing(e: Evidence) -> Iterable[Finding]:
    """Without a sheet there is nothing to press."""
    if e.view.layers and e.view.sheet is None:
        yield Finding(
            "sheet-missing",
            "stop",
            say("No sheet in the sandwich yet."),
            say("Add the card or paper you want to press. Until then we can't judge it."),
        )


def tool_missing(e: Evidence) -> Iterable[Finding]:
    """Flat plates alone leave no mark."""
    if e.view.layers and not e.view.tools:
        yield Finding(
            "tool-missing",
            "stop",
            say("No folder, die or pattern plate yet."),
            say("Flat layers alone leave no mark."),
        )


def tool_unfit(e: Evidence) -> Iterable[Finding]:
    """The tool there is cannot give the effect wanted."""
    tool = e.view.tool
    blade_faces = e.blade is not None or e.view.die is None
    if tool is not None and e.view.sheet is not None and e.need is None and blade_faces:
        title = EFFECT_TITLES[e.view.sandwich.effect.kind]
        usual = KIND_TRAITS[tool.kind].gives or "emboss"
        fix = (
            None
            if usual == e.view.sandwich.effect.kind
            else Suggestion(say("Make it {effect}", effect=EFFECT_TITLES[usual]), (SetEffect(kind=usual),))
        )
        why = say("Choose another tool, or another effect at the top.")
        yield Finding("tool-unfit", "stop", say("{tool} doesn't give {title}.", tool=tool.name, title=title), why, tool.id, fix)


def relief_away(e: Evidence) -> Iterable[Finding]:
    """A relief that is named and cannot be had is judged by its figures."""
    tool = e.view.tool
    if tool is None:
        return
    relief, blade = tool.item.relief, tool.item.blade
    key = relief.map if relief is not None else blade.map if blade is not None else None
    if key and e.closing.library(key) is None:
        stands_in = say("plain ridges of its height and width are used") if relief is not None else say("a blade along its outline is used")
        yield Finding(
            "relief-away",
            "advise",
            say(
                "The relief of {tool} is missing: {stands_in} instead.",
                tool=tool.name,
                stands_in=stands_in,
            ),
            say("Fine lines or wide plains may come out differently. Add the relief on the shelf again for a better verdict."),
            tool.id,
        )


RULES = (bed_missing, sheet_missing, tool_missing, tool_unfit, relief_away)
