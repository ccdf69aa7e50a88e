"""Everything that can be practised. A new skill is one entry here."""

from lofty_press.core.practice.drill import Skill
from lofty_press.core.practice.skills.build import MIST, PILE, PRESS
from lofty_press.core.practice.skills.read import READ
from lofty_press.core.practice.skills.spot import SPOT

SKILLS: dict[str, Skill] = {skill.key: skill for skill in (READ, PILE, PRESS, MIST, SPOT)}
