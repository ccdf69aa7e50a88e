"""What is wrong or worth a word, and the sentence over it."""

from lofty_press.core.judging.findings.claims import Claim, clashes, exclude
from lofty_press.core.judging.findings.codes import TRAITS, Stage
from lofty_press.core.judging.findings.finding import SEVERITIES, Evidence, Finding, Severity
from lofty_press.core.judging.findings.near_limit import near_limit
from lofty_press.core.judging.findings.rules import RULES
from lofty_press.core.judging.findings.rules.fit import most_squeeze
from lofty_press.core.judging.findings.rules.placement import LONG_EDGE
from lofty_press.core.judging.findings.sentence import Judgement, judgement_for, likely_to_break

__all__ = [
    "LONG_EDGE",
    "RULES",
    "SEVERITIES",
    "TRAITS",
    "Claim",
    "Evidence",
    "Finding",
    "Judgement",
    "Severity",
    "Stage",
    "clashes",
    "exclude",
    "judgement_for",
    "likely_to_break",
    "most_squeeze",
    "near_limit",
]
