"""Everything that can be practised. A new skill is one entry here."""

from lofty_press.core.teaching.practice.drill import Skill
from lofty_press.core.teaching.practice.skills.build import MIST, PILE, PRESS
from lofty_press.core.teaching.practice.skills.flap import FLAP
from lofty_press.core.teaching.practice.skills.order import ORDER
from lofty_press.core.teaching.practice.skills.read import READ
from lofty_press.core.teaching.practice.skills.spot import SPOT
from lofty_press.core.teaching.practice.skills.worn import WORN

SKILLS: dict[str, Skill] = {skill.key: skill for skill in (READ, PILE, PRESS, MIST, FLAP, WORN, ORDER, SPOT)}
