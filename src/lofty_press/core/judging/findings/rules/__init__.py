"""All rules, in one place; the order breaks ties between findings of one severity."""

from lofty_press.core.judging.findings.finding import Rule
from lofty_press.core.judging.findings.rules import (
    blades,
    care,
    completeness,
    faces,
    fit,
    inking,
    meeting,
    passes,
    placement,
    recipe,
    sheets,
    whole,
)

RULES: tuple[Rule, ...] = (
    *completeness.RULES,
    *recipe.RULES,
    *placement.RULES,
    *meeting.RULES,
    *blades.RULES,
    *fit.RULES,
    *whole.RULES,
    *sheets.RULES,
    *faces.RULES,
    *inking.RULES,
    *passes.RULES,
    *care.RULES,
)
