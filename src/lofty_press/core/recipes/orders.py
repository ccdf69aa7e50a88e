"""What comes before what, and why: sequences of runs and waits as data."""

from dataclasses import dataclass

from lofty_press.core.words import Message, say


@dataclass(frozen=True, slots=True, kw_only=True)
class Order:
    """A sequence that matters.

    `first` and `then` say what is done in which order, `why` what goes wrong the other way round. `runs` names the effects of runs through
    the press in that order; `flattens` is True where the other way round presses the relief flat, which can be computed. `after_s` is the
    shortest time between the two [s], 0 where it does not matter.
    """

    key: str
    first: Message
    then: Message
    why: Message
    runs: tuple[str, ...] = ()
    flattens: bool = False
    after_s: float = 0.0


ORDERS: dict[str, Order] = {
    order.key: order
    for order in (
        Order(
            key="cut-then-emboss",
            first=say("Cut the shape"),
            then=say("lay the piece back into the folder and emboss it"),
            why=say(
                "Cutting an embossed sheet presses it between flat plates and takes part of the relief out again. The cut piece finds its place in the folder by the relief, and low-tack tape holds it."
            ),
            runs=("cut-thin", "plain-relief"),
            flattens=True,
        ),
        Order(
            key="cut-then-rim",
            first=say("Cut the shape"),
            then=say("leave it in the die (or lay it into the partner die) and press the rim over a mat"),
            why=say("The die holds the piece where it cut it: the rim runs even all round. Pressed first, the cut would flatten it."),
            runs=("cut-thin", "rim-in-die"),
            flattens=True,
        ),
        Order(
            key="emboss-then-detail",
            first=say("Emboss and cut with the folder's own die"),
            then=say("change to the finer die in the same folder and cut the detail"),
            why=say(
                "The sheet stays in the folder, so the second die meets the relief exactly; taken out, it never lies quite the same again."
            ),
            runs=("relief-and-cut", "relief-and-cut"),
        ),
        Order(
            key="motif-then-words",
            first=say("Press the motif"),
            then=say("press the words in a second run"),
            why=say(
                "A motif takes a thick mat and gives a soft edge, words a firm one. Words first would be pressed soft again by the thick mat."
            ),
            runs=("motif-card", "motif-card"),
        ),
        Order(
            key="ink-first",
            first=say("Ink the half or the plate"),
            then=say("lay the sheet in and press within a minute or two"),
            why=say("Ink dries on plastic faster than on paper, and dye ink at once; a dry film prints nothing."),
        ),
        Order(
            key="powder-at-once",
            first=say("Press the inked die"),
            then=say("pour the powder straight after"),
            why=say("Powder holds on wet ink only."),
        ),
        Order(
            key="dry-before-glue",
            first=say("Let ink and damp sheets dry"),
            then=say("glue, stack or fold"),
            why=say("Damp sheets cockle under glue, and wet ink prints on its neighbour."),
            after_s=900,
        ),
        Order(
            key="emboss-then-paint",
            first=say("Emboss, and let a damp sheet dry"),
            then=say("paint or touch the ridges with colour"),
            why=say("Water in the paint would raise pressed fibres while they are still damp; a dry furrow holds the wash."),
            after_s=600,
        ),
        Order(
            key="emboss-then-sand",
            first=say("Emboss, and let the sheet dry"),
            then=say("sand the ridges to the core"),
            why=say("Damp fibres roll up under sandpaper; and a sanded face cracks where it is pressed again."),
            after_s=600,
        ),
    )
}
