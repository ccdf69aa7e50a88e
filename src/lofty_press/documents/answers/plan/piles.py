"""What a plan has to know of a sandwich: its layers that are moved when piles change, and the recipe that it is for."""

from lofty_press.core.sandwich.stack import Sandwich, StackView
from lofty_press.core.working.recipes import origin_of
from lofty_press.documents.answers.plan.job_file import JobFile, PileFile

LONGEST = 120


def pile_of(sandwich: Sandwich) -> PileFile:
    """A sandwich as a plan knows it."""
    view, origin = StackView(sandwich), origin_of(sandwich)
    layers = [placed.name[:LONGEST] for placed in view.layers if placed is not view.sheet for _ in range(placed.layer.count)]
    inked = any(placed.layer.ink is not None for placed in view.layers)
    sheet = view.sheet
    return PileFile(
        name=sandwich.name,
        layers=layers[:60],
        effect=None if origin is None else origin[0].key,
        way=None if origin is None else origin[1].key,
        mist=sheet is not None and sheet.layer.mist_age_s is not None,
        ink=inked,
    )


def piles_named(job: JobFile) -> set[str]:
    """Names of the sandwiches that a job's pieces are pressed in, and of which it tells nothing itself."""
    told = {pile.name for pile in job.piles}
    named = {name for piece in job.pieces for name in (piece.pile, *(run.pile for run in piece.runs)) if name}
    return named - told
