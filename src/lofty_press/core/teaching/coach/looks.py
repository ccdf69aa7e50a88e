"""Looks that tell causes apart, by what they cost: one look may settle several."""

from dataclasses import dataclass

from lofty_press.core.basics.words import Message, say


@dataclass(frozen=True)
class Look:
    """Something to look at: `title` says what to do, `costs` how long it takes [s]; common practice, no published source."""

    title: Message
    costs: float


LOOKS: dict[str, Look] = {
    "calls": Look(say("Read the findings of this pile: do they say what you see?"), 5.0),
    "layers": Look(say("Count the layers you took apart and compare them with the pile."), 20.0),
    "turn over": Look(say("Turn the sheet over: does it look right from the other side?"), 5.0),
    "lay on": Look(say("Lay the sheet on the tool again: does one reach past the other's edges?"), 10.0),
    "corners": Look(say("Measure from two corners to the pattern: do the distances differ?"), 20.0),
    "marks": Look(say("Look at plate and mat: which one has a fresh mark of the tool?"), 15.0),
    "caliper": Look(say("Put a caliper on four sheets together and divide."), 60.0),
    "back": Look(say("Feel the back of the sheet, and look for dull spots under a low lamp."), 10.0),
    "corner": Look(say("Bend a corner sharply: does it break there too?"), 15.0),
    "die": Look(say("Look through the die against the light."), 10.0),
    "flat": Look(say("Lay the plate on a flat table: does it rock, or does light show under it?"), 30.0),
    "turn plate": Look(say("Turn the plate and press a scrap: do the lines turn with it?"), 60.0),
    "plate there": Look(say("Look at the plate where the sheet isn't cut: does an older cut of the same die run there?"), 20.0),
    "one sheet": Look(say("Put one sheet of paper under the pile and press a scrap: does it come out better?"), 90.0),
    "crank": Look(say("Crank a pile you know: is it harder than on other days?"), 90.0),
    "ridges": Look(say("Hold the ridges against the light: do the highest ones shine?"), 10.0),
    "rim": Look(say("Look at the rim of the ink: is it darker, and a little raised?"), 10.0),
    "halves": Look(say("Look at the folder: which half carries ink?"), 5.0),
    "touch": Look(say("Touch the plate: does ink come off?"), 5.0),
    "order": Look(say("Think back: was it cut, or pressed again between plates, after it was embossed?"), 5.0),
    "passes": Look(say("Think back: how many times did it go through?"), 5.0),
    "sizes": Look(say("Put the dies side by side: does one overlap another's rim?"), 10.0),
    "image": Look(say("Compare the two images: are both complete, and the same distance apart everywhere?"), 10.0),
    "mark": Look(say("Hold the mark against mat, folder and tape: which one is as wide?"), 15.0),
    "where held": Look(say("Are the specks where you held it?"), 5.0),
    "brown": Look(say("Does it bend toward the heated side, or is it brown there?"), 5.0),
    "bite": Look(say("Think back: did it jump where the tool began, or later?"), 5.0),
}
"""Every look by its key."""
