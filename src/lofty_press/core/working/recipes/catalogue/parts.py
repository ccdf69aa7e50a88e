"""Places that recur in many sandwiches."""

from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.effect import Slot, Task

BED = Slot(part=say("carries everything"), kinds=("bed",))
SPACER = Slot(part=say("brings a thin pile up to the opening"), kinds=("spacer",), least=0)
SECOND_SPACER = Slot(part=say("a second spacer, for a loose press"), kinds=("spacer",), least=0)
SECOND_PLATE = Slot(part=say("one more plate below, for a wide opening"), kinds=("hard plate", "soft plate"), least=0)
LOWER_PLATE = Slot(part=say("lower plate"), kinds=("hard plate",))
UPPER_PLATE = Slot(part=say("upper plate, closes the pile evenly"), kinds=("hard plate",))
SPARE_PLATE = Slot(part=say("makes up the height"), kinds=("hard plate", "soft plate"), least=0)
SHEET = Slot(part=say("the sheet"), kinds=("sheet",), role="sheet")
SHIMS = Slot(part=say("shims, closing what is left of the opening"), kinds=("sheet",), role="shim", least=0, most=8)
FEW_SHIMS = Slot(part=say("shims, closing what is left of the opening"), kinds=("sheet",), role="shim", least=0, most=4)

GLOSSY = Slot(
    part=say("glossy paper behind the metal, gloss to it"), kinds=("sheet",), role="backing", finishes=("glossy",), least=0, wanted="always"
)
WAXED = Slot(
    part=say("waxed paper, frees the piece from a tight die"),
    kinds=("sheet",),
    role="backing",
    finishes=("waxed",),
    least=0,
    wanted="tight",
)

CLEAR_DIE = Task(text=say("Push leftover pieces out of the die through the holes at its back."))
LOW_TACK = Task(
    text=say("Hold die and card together with low-tack removable tape, at the edges and outside the pattern."),
    care=say("Peel it slowly after and wipe what it leaves on die and plates. Residue grips the next sheet."),
)
MARK_TOP = Task(text=say("Mark the die's top edge with a T in permanent marker, so it goes back the same way. Renew it as it wears off."))
WASH_INK = Task(text=say("Wash the ink off tool and hands; dried ink prints in the next sheet."), only="inked")
