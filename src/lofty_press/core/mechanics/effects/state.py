"""The worked sheet as it enters the nip."""

from lofty_press.core.sandwich.stack import StackView
from lofty_press.core.sandwich.stock import WorkingSheet, working_sheet


def state_of_sheet(view: StackView) -> WorkingSheet | None:
    """Strength of the worked sheet as it enters the nip."""
    sheet = view.sheet
    if sheet is None or sheet.item.stock is None:
        return None
    return working_sheet(sheet.item.stock, sheet.layer.mist_age_s, passes=view.sandwich.passes)
