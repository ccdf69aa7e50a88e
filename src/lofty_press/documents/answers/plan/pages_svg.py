"""The cut list as a drawing at true scale: every kind of sheet with its pieces and its numbered cuts."""

from html import escape

from lofty_press.documents.answers.plan.plan import PlanDocument, SheetDocument

MARGIN, FOOT = 8.0, 10.0  # mm
TAG = 2.6  # mm; radius of a cut's number


def cut_list_svg(plan: PlanDocument) -> str:
    """All sheets, one below the other, in millimetres."""
    names = {size.key: size.name for size in plan.sizes}
    wide = max((sheet.width_mm for sheet in plan.cut_list.sheets), default=50.0) + 2 * MARGIN
    parts, y = [], MARGIN
    for sheet in plan.cut_list.sheets:
        parts.append(f'<g transform="translate({MARGIN:g} {y:g})">{drawn(sheet, names)}</g>')
        y += sheet.height_mm + FOOT + MARGIN
    body = "\n".join(parts)
    return f"""<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="{wide:g}mm" height="{y:g}mm" viewBox="0 0 {wide:g} {y:g}">
<title>{escape(plan.name)}</title>
<style>.sheet {{ fill: none; stroke: #22302b; stroke-width: 0.4 }} .piece {{ fill: #e8e2d4; stroke: none }} .cut {{ stroke: #1f6f63; stroke-width: 0.3 }} .tag {{ fill: #fbf9f4; stroke: #1f6f63; stroke-width: 0.3 }} text {{ font: 4px sans-serif; text-anchor: middle; fill: #22302b }} .foot {{ text-anchor: start }}</style>
{body}
</svg>
"""


def drawn(sheet: SheetDocument, names: dict[str, str]) -> str:
    """One kind of sheet; its y points up, the drawing's down."""
    high = sheet.height_mm
    parts = []
    for piece in sheet.pieces:
        x, y = piece.x_mm, high - piece.y_mm - piece.height_mm
        parts.append(f'<rect class="piece" x="{x:.3f}" y="{y:.3f}" width="{piece.width_mm:.3f}" height="{piece.height_mm:.3f}"/>')
        label = escape(names.get(piece.key, piece.key))
        parts.append(f'<text x="{x + piece.width_mm / 2:.3f}" y="{y + piece.height_mm / 2:.3f}">{label}</text>')
    for cut in sheet.cuts:
        x1, y1, x2, y2 = cut.x1_mm, high - cut.y1_mm, cut.x2_mm, high - cut.y2_mm
        parts.append(f'<line class="cut" x1="{x1:.3f}" y1="{y1:.3f}" x2="{x2:.3f}" y2="{y2:.3f}"/>')
    for cut in sheet.cuts:
        x, y = (cut.x1_mm + 3 * cut.x2_mm) / 4, high - (cut.y1_mm + 3 * cut.y2_mm) / 4
        parts.append(f'<circle class="tag" cx="{x:.3f}" cy="{y:.3f}" r="{TAG}"/><text x="{x:.3f}" y="{y + 1.4:.3f}">{cut.number}</text>')
    parts.append(f'<rect class="sheet" width="{sheet.width_mm:.3f}" height="{high:.3f}"/>')
    parts.append(f'<text class="foot" x="0" y="{high + 5:.3f}">{sheet.count} x {escape(sheet.stock)}</text>')
    return "".join(parts)
