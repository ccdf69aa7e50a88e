"""Fixes that help: of what the findings of a sandwich propose, what makes it better once it is carried out and judged."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.findings import SEVERITIES, Finding
from lofty_press.core.sandwich.stack import Supply, apply_edits, resolved

HELPS = 0.01
"""Chance of a good sheet that a fix has to bring; as much less is worse. [1]"""


@dataclass(frozen=True)
class Offer:
    """A finding whose fix helps, and the judgement of the sandwich after it."""

    finding: Finding
    after: Assessment


def offers(assessment: Assessment, supply: Supply, *, most: int = 8) -> tuple[Offer, ...]:
    """Carry out each finding's fix by itself, judge the result, and keep what is better.

    Parameters
    ----------
    assessment : Assessment
    supply : callable
        What of a kind is on the shelf.
    most : int
        Fixes that are tried, the gravest first.
    """
    found = []
    for finding in [one for one in assessment.findings if one.fix is not None][:most]:
        assert finding.fix is not None
        try:
            after = assessment.again(apply_edits(assessment.sandwich, resolved(assessment.sandwich, finding.fix.edits, supply)))
        except (InvalidInput, NoBalance):
            continue  # what cannot be judged is no promise
        if helps(assessment, finding, after):
            found.append(Offer(finding, after))
    return tuple(found)


def headline(assessment: Assessment) -> float:
    """The chance of a good sheet; none where something is wrong whatever the sheet may be. [1]"""
    return 0.0 if assessment.good is None else assessment.good.chance


def helps(before: Assessment, finding: Finding, after: Assessment) -> bool:
    """True for a fix after which a good sheet is likelier; or as likely, and its finding is settled without one as grave coming up."""
    gained = headline(after) - headline(before)
    if finding.severity == "advise" and after.good is None and after.verdict is not None:
        return False  # a nicety, beside something that is wrong
    return gained >= HELPS or (gained > -HELPS and settles(before, finding, after))


def settles(before: Assessment, finding: Finding, after: Assessment) -> bool:
    """True if a finding is gone, and nothing as grave has come up."""
    known = {(one.code, one.layer) for one in before.findings}
    left = {(one.code, one.layer) for one in after.findings}
    as_grave = [
        one for one in after.findings if SEVERITIES.index(one.severity) <= SEVERITIES.index(finding.severity) and one.severity != "care"
    ]
    return (finding.code, finding.layer) not in left and all((one.code, one.layer) in known for one in as_grave)
