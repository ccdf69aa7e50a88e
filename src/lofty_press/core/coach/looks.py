"""Looks that tell causes apart, by what they cost: one look may settle several."""

from dataclasses import dataclass

from lofty_press.core.words import Message, say


@dataclass(frozen=True)
class Look:
    """Something to look at: `title` says what to do, `costs` how long it takes [s]; common practice, no published source."""

    title: Message
    costs: float


LOOKS: dict[str, Look] = {
    "calls": Look(say("Read the calls of this pile: do they name what you see?"), 5.0),
    "layers": Look(say("Count the layers that you took apart, and compare them with the pile."), 20.0),
    "turn over": Look(say("Turn the sheet over: does it look as it should from the other side?"), 5.0),
    "lay on": Look(say("Lay the sheet on the tool again: does the tool reach over its edges, or the sheet over the tool's?"), 10.0),
    "corners": Look(say("Measure from two corners to the pattern: do the distances differ?"), 20.0),
    "marks": Look(say("Look at plate and mat: which of them has a fresh mark of the tool?"), 15.0),
    "caliper": Look(say("Put a caliper on four sheets together and divide."), 60.0),
    "back": Look(say("Feel the back of the sheet, and look for dull spots under a lamp held low."), 10.0),
    "corner": Look(say("Bend a corner sharply: does it break there too?"), 15.0),
    "die": Look(say("Look through the die against the light."), 10.0),
    "flat": Look(say("Lay the plate on a flat table: does it rock, or light show below it?"), 30.0),
    "turn plate": Look(say("Turn the plate and press a scrap: do the lines come with it?"), 60.0),
    "plate there": Look(say("Look at the plate where it is not cut: does an older cut of the same die run there?"), 20.0),
    "one sheet": Look(say("Lay one sheet of paper under the pile and press a scrap: does it come out better?"), 90.0),
    "crank": Look(say("Turn a pile that you know through: does it go harder than on other days?"), 90.0),
    "ridges": Look(say("Look at the ridges against the light: do the highest ones shine?"), 10.0),
    "rim": Look(say("Look at the rim of the ink: is it darker, and does it stand up?"), 10.0),
    "halves": Look(say("Look at the folder: which half carries ink?"), 5.0),
    "touch": Look(say("Touch the plate: does ink come off?"), 5.0),
    "order": Look(say("Think back: was it cut, or pressed again between plates, after it was embossed?"), 5.0),
    "passes": Look(say("Think back: how often did it go through?"), 5.0),
    "sizes": Look(say("Lay the dies beside one another: does one lie on the rim of another?"), 10.0),
    "image": Look(say("Compare the two images: are both complete, and apart by the same way everywhere?"), 10.0),
    "mark": Look(say("Hold the mark against mat, folder and tape: as wide as which of them?"), 15.0),
    "where held": Look(say("Do the specks lie where it was held?"), 5.0),
    "brown": Look(say("Does it bend towards the side that was heated, or is it brown there?"), 5.0),
    "bite": Look(say("Think back: did it jump where the tool began, or later?"), 5.0),
}
"""Every look by its key."""
