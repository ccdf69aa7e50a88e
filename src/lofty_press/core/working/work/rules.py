"""What comes before what, and why: the order of work as data, read by every place that speaks of it."""

from dataclasses import dataclass

from lofty_press.core.basics.words import Message, say
from lofty_press.core.working.work.works import WORKS, WorkKey


@dataclass(frozen=True, kw_only=True)
class Rule:
    """Of one piece, `first` is done before `then`, and why.

    Parameters
    ----------
    key : str
    first, then : WorkKey
    why : Message
        What goes wrong the other way round.
    within : float or None
        How soon after it, piece by piece; None if it may wait. [s]
    must : bool
        The other way round there is nothing to do any more, or it undoes what was done; where it is false, somebody may have reasons to do
        it the other way round, and is told what that costs.
    says_first, says_then : Message or None
        The two in the words of whoever does them; else their titles.
    runs : tuple of str
        Effects that are pressed in this order, where two runs through the press make it.
    flattens : bool
        The other way round presses the relief flat, which can be computed.
    """

    key: str
    first: WorkKey
    then: WorkKey
    why: Message
    within: float | None = None
    must: bool = False
    says_first: Message | None = None
    says_then: Message | None = None
    runs: tuple[str, ...] = ()
    flattens: bool = False

    @property
    def first_words(self) -> Message:
        """What is done first."""
        return self.says_first or WORKS[self.first].title

    @property
    def then_words(self) -> Message:
        """What is done after it."""
        return self.says_then or WORKS[self.then].title


SQUEEZED = say("Pressing a layered piece again squeezes its glue and its foam.")
BETWEEN_ROLLERS = say("The sheet has to go between the rollers first.")
FROM_AN_EDGE = say("You measure a score from a trimmed edge.")
FLAT_FIRST = say("A folded card goes through double, and both halves get marked.")
TRIMMED = say("Trim a layer before it goes on another.")
STILL_SOFT = say("Handled before it's dry or cool, it loses the pattern.")
STILL_DAMP = say("Damp fibers lift under a brush or sandpaper, and a damp sheet cockles under glue.")

RULES: tuple[Rule, ...] = (
    Rule(key="trim-then-cut", first="trim", then="cut", why=BETWEEN_ROLLERS, must=True),
    Rule(key="trim-then-emboss", first="trim", then="emboss", why=BETWEEN_ROLLERS, must=True),
    Rule(key="trim-then-score", first="trim", then="score", why=FROM_AN_EDGE, must=True),
    Rule(key="trim-then-fold", first="trim", then="fold", why=FROM_AN_EDGE, must=True),
    Rule(key="trim-then-stamp", first="trim", then="stamp", why=say("You place the stamp by the trimmed edges.")),
    Rule(key="trim-then-glue", first="trim", then="glue", why=TRIMMED, must=True),
    Rule(key="trim-then-assemble", first="trim", then="assemble", why=TRIMMED, must=True),
    Rule(
        key="trim-then-ink",
        first="trim",
        then="ink",
        why=say("Ink on an edge you trim off is wasted, and a wet sheet smears in the trimmer."),
    ),
    Rule(
        key="ink-first",
        first="ink",
        then="emboss",
        why=say("Ink dries on plastic faster than on paper, and dye ink at once. A dry film prints nothing."),
        within=120,
        must=True,
        says_first=say("Ink the half or the plate"),
        says_then=say("put the sheet in and press within a minute or two"),
    ),
    Rule(
        key="mist-then-emboss",
        first="mist",
        then="emboss",
        why=say("The mist dries while you work. Press before it's gone."),
        within=300,
        must=True,
    ),
    Rule(key="soak-then-emboss", first="soak", then="emboss", why=say("Dry leather takes no pattern."), must=True),
    Rule(key="warm-then-emboss", first="warm", then="emboss", why=say("Foam stiffens as it cools."), within=60, must=True),
    Rule(key="emboss-then-set", first="emboss", then="set", why=say("Outside the closed folder it springs back."), must=True),
    Rule(key="set-then-stamp", first="set", then="stamp", why=STILL_SOFT, must=True),
    Rule(key="set-then-colour", first="set", then="colour", why=STILL_SOFT, must=True),
    Rule(key="set-then-glue", first="set", then="glue", why=STILL_SOFT, must=True),
    Rule(key="set-then-assemble", first="set", then="assemble", why=STILL_SOFT, must=True),
    Rule(
        key="powder-at-once",
        first="emboss",
        then="powder",
        why=say("Powder sticks to wet ink only."),
        within=120,
        must=True,
        says_first=say("Press the inked die"),
        says_then=say("pour the powder straight after"),
    ),
    Rule(key="ink-then-powder", first="ink", then="powder", why=say("Powder sticks to wet ink only."), within=120, must=True),
    Rule(
        key="powder-then-heat",
        first="powder",
        then="heat",
        why=say("Loose powder falls off. Melt it before the piece goes anywhere."),
        must=True,
    ),
    Rule(key="heat-then-cool", first="heat", then="cool", why=say("Melted powder smears until it is cold."), must=True),
    Rule(
        key="cut-then-emboss",
        first="cut",
        then="emboss",
        why=say(
            "Cutting an embossed sheet presses it between flat plates and takes out part of the relief. The relief guides the cut "
            "piece back into the folder, and low-tack tape holds it."
        ),
        says_first=say("Cut the shape"),
        says_then=say("put the piece back into the folder and emboss it"),
        runs=("cut-thin", "plain-relief"),
        flattens=True,
    ),
    Rule(
        key="cut-then-rim",
        first="cut",
        then="emboss",
        why=say("The die holds the piece where it cut it, so the rim is even all round. Pressed first, the cut would flatten it."),
        must=True,
        says_first=say("Cut the shape"),
        says_then=say("leave it in the die (or put it into the partner die) and press the rim over a mat"),
        runs=("cut-thin", "rim-in-die"),
        flattens=True,
    ),
    Rule(
        key="emboss-then-detail",
        first="emboss",
        then="emboss",
        why=say("The sheet stays in the folder, so the second die meets the relief exactly. Once out, it never fits quite the same."),
        says_first=say("Emboss and cut with the folder's own die"),
        says_then=say("change to the finer die in the same folder and cut the detail"),
        runs=("relief-and-cut", "relief-and-cut"),
    ),
    Rule(
        key="motif-then-words",
        first="emboss",
        then="emboss",
        why=say(
            "A motif takes a thick mat and gives a soft edge, words a firm one. Words pressed first would go soft under the thick mat."
        ),
        says_first=say("Press the motif"),
        says_then=say("press the words in a second run"),
        runs=("motif-card", "motif-card"),
    ),
    Rule(
        key="heat-then-emboss",
        first="heat",
        then="emboss",
        why=say("Heat warps card and flattens its relief: set the background before embossing."),
    ),
    Rule(
        key="damp-dries-flat",
        first="emboss",
        then="dry flat",
        why=say("A misted sheet keeps its relief as it dries."),
        must=True,
    ),
    Rule(
        key="emboss-then-paint",
        first="emboss",
        then="colour",
        why=say("Water in the paint raises pressed fibers while they're damp. A dry furrow holds the wash."),
        says_first=say("Emboss, and let a damp sheet dry"),
        says_then=say("paint or touch the ridges with color"),
    ),
    Rule(
        key="emboss-then-sand",
        first="emboss",
        then="sand",
        why=say("Damp fibers roll up under sandpaper, and a sanded face cracks if you press it again."),
        must=True,
        says_first=say("Emboss, and let the sheet dry"),
        says_then=say("sand the ridges to the core"),
    ),
    Rule(key="emboss-then-wax", first="emboss", then="wax", why=say("You need the ridges before you can rub them."), must=True),
    Rule(
        key="emboss-then-stamp",
        first="emboss",
        then="stamp",
        why=say("Stamp after pressing: a spoiled sheet then costs no greeting, and you see where the stamp fits best."),
    ),
    Rule(
        key="stamp-then-colour",
        first="stamp",
        then="colour",
        why=say("The outline shows where the color ends. Stamped over, wet color makes it run."),
    ),
    Rule(key="cut-then-colour", first="cut", then="colour", why=say("Color reaches the edges of a piece you cut out.")),
    Rule(key="sand-then-colour", first="sand", then="colour", why=say("Sanding takes color off again.")),
    Rule(key="dry-before-paint", first="dry flat", then="colour", why=STILL_DAMP),
    Rule(key="dry-before-sand", first="dry flat", then="sand", why=STILL_DAMP, must=True),
    Rule(key="ink-dries", first="ink", then="dry", why=say("Ink needs its time before anything touches it."), must=True),
    Rule(key="stamp-dries", first="stamp", then="dry", why=say("Ink needs its time before anything touches it."), must=True),
    Rule(key="colour-dries", first="colour", then="dry", why=say("Color needs its time before anything touches it."), must=True),
    Rule(key="wax-dries", first="wax", then="dry", why=say("Wax and glaze need their time before anything touches them."), must=True),
    Rule(key="spray-dries", first="spray", then="dry", why=say("Spray needs its time, with air."), must=True),
    Rule(
        key="emboss-then-trim-down",
        first="emboss",
        then="trim down",
        why=say("Cut off the extra you left for the press after pressing."),
        must=True,
    ),
    Rule(key="trim-down-then-score", first="trim down", then="score", why=FROM_AN_EDGE, must=True),
    Rule(key="trim-down-then-glue", first="trim down", then="glue", why=TRIMMED, must=True),
    Rule(key="cut-then-fold", first="cut", then="fold", why=FLAT_FIRST),
    Rule(key="emboss-then-fold", first="emboss", then="fold", why=FLAT_FIRST),
    Rule(key="score-then-fold", first="score", then="fold", why=say("Card cracks where it is folded without a score."), must=True),
    Rule(key="emboss-then-tuck", first="emboss", then="tuck", why=say("The press flattens tucked tabs."), must=True),
    Rule(
        key="score-then-assemble",
        first="score",
        then="assemble",
        why=say("Glued layers get in the way of a score."),
        must=True,
    ),
    Rule(key="cut-then-tuck", first="cut", then="tuck", why=say("Cut the tabs before you tuck them."), must=True),
    Rule(
        key="dry-before-glue",
        first="dry",
        then="glue",
        why=say("Damp sheets cockle under glue, and wet ink prints on the sheet next to it."),
        must=True,
        says_first=say("Let ink and damp sheets dry"),
        says_then=say("glue, stack or fold"),
    ),
    Rule(key="dry-before-fold", first="dry", then="fold", why=say("Wet ink prints on the panel folded against it."), must=True),
    Rule(key="dry-flat-before-glue", first="dry flat", then="glue", why=STILL_DAMP, must=True),
    Rule(key="emboss-then-glue", first="emboss", then="glue", why=SQUEEZED, must=True),
    Rule(key="cut-then-glue", first="cut", then="glue", why=SQUEEZED, must=True),
    Rule(key="heat-then-glue", first="heat", then="glue", why=say("Heat loosens glue and melts foam.")),
    Rule(key="tuck-then-glue", first="tuck", then="glue", why=say("Once it's glued down you can't lift its tabs."), must=True),
    Rule(
        key="glue-then-assemble",
        first="glue",
        then="assemble",
        why=say("Put the pieces together while the glue grabs."),
        must=True,
    ),
    Rule(key="fold-then-assemble", first="fold", then="assemble", why=say("Fold the card before layers stiffen it.")),
    Rule(key="emboss-then-assemble", first="emboss", then="assemble", why=SQUEEZED, must=True),
    Rule(key="cut-then-assemble", first="cut", then="assemble", why=SQUEEZED, must=True),
    Rule(key="heat-then-assemble", first="heat", then="assemble", why=say("Heat loosens glue and melts foam.")),
    Rule(
        key="assemble-then-spray",
        first="assemble",
        then="spray",
        why=say("Glue doesn't stick to spray, and the finished card takes the shimmer as one."),
    ),
    Rule(
        key="assemble-then-address",
        first="assemble",
        then="address",
        why=say("The card goes into its envelope when it's done."),
        must=True,
    ),
    Rule(key="dry-then-address", first="dry", then="address", why=say("Wet ink prints on the envelope."), must=True),
)
"""Order of work; common practice, no published source."""

RULES_BY_KEY: dict[str, Rule] = {rule.key: rule for rule in RULES}
