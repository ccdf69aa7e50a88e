"""Everything that is known to go wrong. A new cause is one entry in one of these lists."""

from lofty_press.core.teaching.coach.cause import Cause
from lofty_press.core.teaching.coach.causes import finish, pile, plates, sheet

CAUSES: dict[str, Cause] = {cause.key: cause for group in (sheet, pile, plates, finish) for cause in group.CAUSES}
