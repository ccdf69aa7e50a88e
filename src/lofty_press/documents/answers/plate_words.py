"""The state of a plate in sentences."""

from lofty_press.core.basics.words import Message, number, say, share, size, term, together
from lofty_press.core.mechanics.plates import BOW_SEEN, CROSSED_SEEN, NextRun

DULL_SEEN = 0.02  # of the blade
PRINT_SEEN = 0.01  # of what lies bare


def state_sentences(found: NextRun) -> list[Message]:
    """What to know of a plate before the next run, the gravest first; empty for one that is as good as new."""
    said, name = [], found.plate.name
    if found.dull > DULL_SEEN:
        said.append(
            say(
                (
                    "{dull} of the blade is over spots where {name} is worn deeper than this pile can spare: it won't cut there. Move "
                    "it, or add a shim."
                ),
                dull=share(found.dull),
                name=name,
            )
        )
    clean = found.clean
    if clean is not None and clean.printed > PRINT_SEEN:
        x, y = clean.place
        better = (
            say(
                "With its middle {along} along and {across} across from the plate's, only {cleanest} is.",
                along=size(x),
                across=size(y),
                cleanest=share(clean.cleanest),
            )
            if clean.cleanest < 0.5 * clean.printed
            else say("No spot on this face is clean enough. Turn the plate over, trim the sheet to the die, or put a card between.")
        )
        said.append(together(say("Scars would print on {printed} of the bare area.", printed=share(clean.printed)), better))
    if abs(found.as_it_lies.bow) > BOW_SEEN:
        hollow = term("back") if found.as_it_lies.bow > 0 else term("face")
        said.append(
            say(
                "{name} is bowed by about {bow}, hollow on its {hollow}. Using the other face bends it back.",
                name=name,
                bow=size(abs(found.as_it_lies.bow)),
                hollow=hollow,
            )
        )
    if found.as_it_lies.worst > CROSSED_SEEN:
        said.append(say("The worst spot under the blade would have been cut over {worst} times.", worst=number(found.as_it_lies.worst, 1)))
    return said
