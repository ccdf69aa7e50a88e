"""Ink: the right kind, on a part that prints, still wet."""

from collections.abc import Iterable

from lofty_press.core.basics.words import say, seconds, term
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.sandwich.stack import DIES, FOLDERS, Set, Suggestion


def wrong_ink(e: Evidence) -> Iterable[Finding]:
    """Dye ink dries on plastic before the pass."""
    for placed in e.view.layers:
        ink = placed.layer.ink
        if ink is None or (placed.layer.half == "sunk" and any(p.layer.ink for p in e.view.layers if p.layer.half == "raised")):
            continue
        fix = Suggestion(say("Leave the ink off"), (Set(layer=placed.id, no_ink=True),))
        if ink.type == "dye" and placed.kind in (*FOLDERS, "letterpress plate", "texture plate"):
            why = say(
                "{ink} dries within {open_s} on plastic. Pigment or slow-drying craft ink stays open long enough.",
                ink=ink.name,
                open_s=seconds(ink.open_s),
            )
            yield Finding("wrong-ink", "warn", say("Dye ink dries before the pass."), why, placed.id, fix)
        elif ink.type == "powder base" and placed.kind not in DIES:
            yield Finding(
                "powder-ink-on-plate",
                "advise",
                say("Ink for powder belongs on a die's edges."),
                say("Tap it on the blade edges only; on a whole plate the powder goes everywhere."),
                placed.id,
                fix,
            )
        elif placed.kind in DIES and ink.type != "powder base" and e.view.sandwich.effect.traits.only_cuts:
            yield Finding(
                "ink-on-blade",
                "advise",
                say("Ink on a blade prints a blur."),
                say("Wipe the die before cutting."),
                placed.id,
                fix,
            )


def ink_meets_no_sheet(e: Evidence) -> Iterable[Finding]:
    """An inked face that does not touch the sheet prints on something else."""
    sheet = e.view.sheet
    if sheet is None:
        return
    for placed in e.view.layers:
        if placed.layer.ink is not None and abs(placed.index - sheet.index) > 1:
            between = e.view.layers[placed.index + (1 if sheet.index > placed.index else -1)]
            yield Finding(
                "ink-meets-no-sheet",
                "warn",
                say("The ink goes on {between}.", between=between.name),
                say("Nothing else can be between the inked face and the sheet."),
                placed.id,
            )


def ink_hints(e: Evidence) -> Iterable[Finding]:
    """Where the ink will be seen, and how to keep it clean."""
    landing = e.orientation.ink_lands
    inked = next((p for p in e.view.layers if p.layer.ink is not None), None)
    if landing is None or inked is None:
        return
    why = say(
        (
            "It colors the {part}, which ends up sunk on the {face}. Go light with the brayer, lifted between strokes. Wipe off what's "
            "past the pattern; wash it off after."
        ),
        part=term(landing.part),
        face=landing.face,
    )
    yield Finding("ink-lands", "advise", say("Ink shows on the {face}.", face=landing.face), why, inked.id)


RULES = (wrong_ink, ink_meets_no_sheet, ink_hints)
