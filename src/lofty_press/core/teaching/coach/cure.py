"""The cure of a cause: what is changed of the pile, tried before it is told."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import Message, listed
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.sandwich.stack import Edit, StackView, Suggestion, Supply, apply_edits, differences
from lofty_press.core.teaching.coach.cause import Cause
from lofty_press.core.teaching.coach.scene import Scene
from lofty_press.core.teaching.coach.sights import expected

MOST_FIXES = 3
"""Of a pile that are tried."""
BETTER = 0.05
"""By how much likelier right a change has to make a sheet before it is told, and less likely before what the cause names is not. [1]"""


@dataclass(frozen=True)
class Cure:
    """`edits` of the pile as it was meant, none where it is done by hand alone; what they do, made from them, how the pile is judged then, and how likely the next
    sheet is right [1]."""

    edits: tuple[Edit, ...]
    label: Message | None
    after: Assessment | None
    right: float


def cure_of(cause: Cause, scene: Scene, supply: Supply, known: Suggestion | None = None) -> Cure:
    """Look for what makes the next sheet right; `known` is what only this press room knows of it.

    Notes
    -----
    A mistake is not made again, so the pile is tried as it was meant. Where a number is otherwise than believed it stays so: then the pile as it lay is
    tried, with what the cause names, unless that makes it worse, and with what its own judgement suggests where that makes it clearly better.
    """
    stays = cause.teaches == "as meant"
    base = scene.happened[cause.key] if stays else scene.meant
    found = Cure((), None, None, expected(base, scene.meant)["right"])
    if known is not None and (done := try_out(known, base, scene, supply)) is not None:
        return done
    if cause.mend is not None:
        named = try_out(Suggestion(cause.cure, tuple(cause.mend(StackView(scene.meant.sandwich)))), base, scene, supply)
        found = named if named is not None and named.right >= found.right - BETTER else found
    fixes = [finding.fix for finding in base.findings if finding.fix is not None and finding.fix.edits] if stays else []
    for suggestion in fixes[:MOST_FIXES]:
        tried = try_out(suggestion, base, scene, supply)
        if tried is not None and tried.right > found.right + BETTER:
            found = tried
    return found


def try_out(suggestion: Suggestion, base: Assessment, scene: Scene, supply: Supply) -> Cure | None:
    """A change, judged; None where it cannot be carried out."""
    edits = suggestion.in_full(base.sandwich, supply)
    if not edits:
        return None
    try:
        after = base.again(apply_edits(base.sandwich, edits))
    except (InvalidInput, NoBalance):
        return None
    done = listed(differences(base.sandwich, after.sandwich), "; ") or suggestion.label
    return Cure(edits, done, after, expected(after, scene.meant)["right"])
