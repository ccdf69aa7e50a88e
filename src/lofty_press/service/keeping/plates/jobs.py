"""What a run leaves on plates, and where the next one goes, as workers work it out."""

from dataclasses import dataclass

from lofty_press.core.judging.assess import assess
from lofty_press.core.mechanics.feed import setting_of, two_passes
from lofty_press.core.mechanics.forming import FormingSummary, full_nip
from lofty_press.core.mechanics.plates import History, Mark, Pattern, marks_of, next_run, pattern_of
from lofty_press.core.sandwich.stack import Item, Sandwich
from lofty_press.service.keeping.plates.next import describe_next
from lofty_press.service.work.tools import Tools


@dataclass(frozen=True)
class LeftMark:
    """A mark with what it takes to note it: the plate, and the blade's pattern and die."""

    plate: Item
    mark: Mark
    pattern: Pattern
    die: str


def marks_left(tools: Tools, sandwich: Sandwich, passes: int, formed: FormingSummary | None) -> list[LeftMark]:
    """What a run leaves on plates that are on the shelf.

    A second pass of a cut is taken as the feed advises it: turned where that cuts more, else in the first one's scars, where it leaves
    nothing new.
    """
    setting = setting_of(sandwich, tools.library, full_nip(formed))
    both = two_passes(sandwich, setting) if passes > 1 else None
    laid = [sandwich] if both is None or both.second is None else [sandwich, both.second.sandwich]
    found = []
    for lying in laid:
        for mark in marks_of(lying, setting):
            plate = lying.items[mark.item]
            die = lying.items[next(layer.item for layer in lying.layers if layer.id == mark.die)]
            if plate.shelf_id is not None:
                found.append(LeftMark(plate, mark, pattern_of(die, tools.library), die.name))
    return found


def next_on_plates(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, histories: dict[str, History]) -> bytes:
    """Where the next run goes, as JSON."""
    assessment = assess(sandwich, tools.library, formed)
    margin = assessment.verdict.margin.thinner_mm if assessment.verdict else None
    found = next_run(sandwich, setting_of(sandwich, tools.library, full_nip(formed)), histories, margin=margin)
    return b"null" if found is None else describe_next(found, sandwich).model_dump_json().encode()
