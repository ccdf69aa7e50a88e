"""The state of a plate in sentences."""

from lofty_press.core.plates import BOW_SEEN, CROSSED_SEEN, NextRun

DULL_SEEN = 0.02  # of the blade
PRINT_SEEN = 0.01  # of what lies bare


def state_sentences(found: NextRun) -> list[str]:
    """What to know of a plate before the next run, the gravest first; empty for one that is as good as new."""
    said, name = [], found.plate.name
    if found.dull > DULL_SEEN:
        said.append(
            f"{found.dull:.0%} of the blade comes down where {name} is worn deeper than this pile has to spare: it will not cut there. Move it, or add a shim."
        )
    clean = found.clean
    if clean is not None and clean.printed > PRINT_SEEN:
        x, y = clean.place
        better = (
            f"With its middle {x:+.0f} mm along and {y:+.0f} mm across from the plate's, only {clean.cleanest:.0%} would."
            if clean.cleanest < 0.5 * clean.printed
            else "No place on this face is clean enough: turn the plate over, trim the sheet to the die, or lay a card between."
        )
        said.append(f"Scars would print on {clean.printed:.0%} of what the die leaves bare. {better}")
    if abs(found.as_it_lies.bow) > BOW_SEEN:
        hollow = "back" if found.as_it_lies.bow > 0 else "face"
        said.append(
            f"{name} is bowed by about {abs(found.as_it_lies.bow):.1f} mm, hollow towards its {hollow}. The other face bends it back."
        )
    if found.as_it_lies.worst > CROSSED_SEEN:
        said.append(f"The worst place under the blade would have been cut over {found.as_it_lies.worst:.1f} times.")
    return said
