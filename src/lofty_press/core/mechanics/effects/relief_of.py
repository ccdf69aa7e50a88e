"""The relief that a tool presses into a sheet."""

from lofty_press.core.sandwich.stack import Placed, Relief

DIE_RELIEF_SPAN = 2.5  # mm; wider than this a rim no longer reads as a line; common practice, no published source


def effective_relief(tool: Placed, effect: str) -> Relief | None:
    """The relief that the sheet is pressed into; a cut die's rim counts as one."""
    if tool.item.relief is not None:
        if tool.kind == "motif":
            relief = tool.item.relief
            return Relief(
                height_mm=tool.thickness, sd_mm=tool.item.thickness.sd_mm, span_mm=relief.span_mm, raised_share=relief.raised_share
            )
        return tool.item.relief
    if tool.item.blade is not None and effect in ("emboss in die", "metal"):
        return Relief(height_mm=tool.item.blade.height_mm, span_mm=DIE_RELIEF_SPAN, raised_share=0.2)
    return None
