"""What a pile that is being put together commonly takes next; common practice, no published source."""

from lofty_press.core.sandwich.stack.kinds import BASES, DEEP_FOLDERS, MATS, PADS, ItemKind
from lofty_press.core.sandwich.stack.view import StackView


def kinds_next(view: StackView) -> tuple[ItemKind, ...]:
    """Kinds of things, what is needed first before what is possible."""
    layers, traits = view.layers, view.sandwich.effect.traits
    if not layers:
        return BASES
    if not any(tool.kind in traits.tools for tool in view.tools):
        return (*traits.tools, "hard plate", "spacer")
    if view.sheet is None:
        return ("sheet",)
    if traits.mat and not view.mats:
        return (*MATS, "hard plate")
    if layers[-1].kind not in PADS:
        deep = view.tool is not None and view.tool.kind in DEEP_FOLDERS
        return ("deep plate", "hard plate") if deep else ("hard plate", "soft plate")
    return ("sheet", *MATS)
