"""When everything is done: hands, presses, heat and rack over an afternoon."""

from lofty_press.core.working.plan.schedule.shop import SET_UP, PressPlace, Shop
from lofty_press.core.working.plan.schedule.solve import Aim, schedule
from lofty_press.core.working.plan.schedule.timetable import Slot, Timetable, faults

__all__ = ["SET_UP", "Aim", "PressPlace", "Shop", "Slot", "Timetable", "faults", "schedule"]
