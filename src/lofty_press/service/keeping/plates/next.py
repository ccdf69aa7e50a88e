"""The next run on a plate as a document."""

from lofty_press.core.mechanics.plates import NextRun, Proposal
from lofty_press.core.sandwich.stack import Sandwich, StackView
from lofty_press.documents.answers.feed import PlacingDocument, told
from lofty_press.documents.answers.plate_words import state_sentences
from lofty_press.service.keeping.plates.models import NextRunDocument, OptionDocument, StateDocument


def describe_next(found: NextRun, sandwich: Sandwich) -> NextRunDocument:
    """The next run as a document."""
    return NextRunDocument(
        layer=found.plate.id,
        item_id=sandwich.items[found.mark.item].shelf_id or "",
        name=found.plate.name,
        face=found.face,
        scar_mm=round(found.mark.depth, 4),
        as_it_lies=state_of(found.as_it_lies),
        options=[
            OptionDocument(
                placing=PlacingDocument(x_mm=o.placing.x, y_mm=o.placing.y, turn_deg=o.placing.turn),
                turned_over=o.turned_over,
                after=state_of(o.proposal),
                suggestion=told(o.suggestion, StackView(sandwich)),
            )
            for o in found.options
        ],
        says=state_sentences(found),
    )


def state_of(proposal: Proposal) -> StateDocument:
    return StateDocument(worst=round(proposal.worst, 3), bow_mm=round(proposal.bow, 3))
