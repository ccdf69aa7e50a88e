"""Practice: drills against the computation, as hard as somebody is good."""

from lofty_press.core.teaching.practice.ability import NEW, Interval, ability_of, after_answer, next_level, solves
from lofty_press.core.teaching.practice.deal import FULL, SOLVED, Answer, Answered, answered, drill_of, points_for
from lofty_press.core.teaching.practice.drill import Choice, Drill, Form, GivenForm, Skill, Steps, World, world_of
from lofty_press.core.teaching.practice.given import given_drill
from lofty_press.core.teaching.practice.place import Laying, Side, Spot
from lofty_press.core.teaching.practice.skills import SKILLS
from lofty_press.core.teaching.practice.standing import Standing, Tried, standings

__all__ = [
    "FULL",
    "NEW",
    "SKILLS",
    "SOLVED",
    "Answer",
    "Answered",
    "Choice",
    "Drill",
    "Form",
    "GivenForm",
    "Interval",
    "Laying",
    "Side",
    "Skill",
    "Spot",
    "Standing",
    "Steps",
    "Tried",
    "World",
    "ability_of",
    "after_answer",
    "answered",
    "drill_of",
    "given_drill",
    "next_level",
    "points_for",
    "solves",
    "standings",
    "world_of",
]
