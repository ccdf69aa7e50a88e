"""At the press something is not as it should be: what to do, worked out for this very sandwich."""

from dataclasses import dataclass, replace
from typing import Literal

from lofty_press.core.assess import Assessment
from lofty_press.core.recipes import crack_chance
from lofty_press.core.stack import DIES, Set, SetPasses, StackView, Supply
from lofty_press.core.steps.remedies import (
    Advice,
    another_stock,
    by_hand,
    fewer_layers,
    gentler,
    misted,
    pressure_of,
    taking_out,
    thicker,
    tried,
    wetter,
    zone_of,
)
from lofty_press.core.words import NOTHING, Message, force, number, say, thickness, together

Seen = Literal["too hard", "nothing", "cracked", "moved", "not cut"]
MOST_ADVICE = 3


@dataclass(frozen=True, slots=True)
class Response:
    """What to do at once, what the program makes of it, and the remedies, best first."""

    at_once: Message
    meaning: Message
    advice: tuple[Advice, ...]


def respond(sandwich_assessment: Assessment, seen: Seen, supply: Supply) -> Response:
    """What to do about something seen at the press.

    Parameters
    ----------
    sandwich_assessment : Assessment
        The sandwich as it went in, judged.
    seen : {"too hard", "nothing", "cracked", "moved", "not cut"}
    supply : callable
        Lists what of a kind is on the shelf.
    """
    a = sandwich_assessment
    makers = {"too hard": too_hard, "nothing": nothing, "cracked": cracked, "moved": moved, "not cut": not_cut}
    return makers[seen](a, supply)


def too_hard(a: Assessment, supply: Supply) -> Response:
    """Less into the pile: of what can come out, first what leaves the most certain to be right, if the pile is thicker than was thought."""
    view, meaning = StackView(a.sandwich), NOTHING
    if a.verdict is not None and a.verdict.zone not in ("hard", "refuses"):
        meaning = say(
            "By its figures this pile should turn ({peak_handle} at the handle). So it is thicker, or the rollers closer, than is written down: measure the pile before the next try.",
            peak_handle=force(a.nip.peak_handle),
        )
    elif a.nip.bites:
        meaning = say("The figures agree: about {peak_handle} at the handle.", peak_handle=force(a.nip.peak_handle))
    else:
        meaning = say(
            "The figures agree: {interference} over the opening, and these rollers draw in {bites_up_to}.",
            interference=thickness(a.nip.interference),
            bites_up_to=thickness(a.nip.bites_up_to),
        )
    options = [tried(a, supply, *option) for option in taking_out(view)]
    working = [o for o in options if zone_of(o.after) in ("faint", "right", "hard")]
    ranked = sorted(
        working or options,
        key=lambda o: (
            ("right", "faint", "hard").index(zone_of(o.after)) if zone_of(o.after) in ("right", "faint", "hard") else 9,
            -pressure_of(o),
        ),
    )
    bowed = say("A leftover piece, a folded mat or a bowed plate stands higher than its figures.")
    check = by_hand(say("Look for what lies double, crooked or bowed."), bowed)
    return Response(say("Stop. Do not force it. Turn back, and take the pile out."), meaning, (*ranked[: MOST_ADVICE - 1], check))


def nothing(a: Assessment, supply: Supply) -> Response:
    """More into the pile."""
    if zone_of(a) in ("slack", "faint"):
        meaning = say("The figures agree: {sentence}", sentence=a.sentence)
    else:
        meaning = say(
            "By its figures this pile should mark. So it is thinner, or the rollers further apart, than is written down. Add one step at a time."
        )
    options = thicker(a, supply)
    passes = a.sandwich.passes
    if passes < 6:
        options.append(
            tried(
                a,
                supply,
                say("Send it through once more."),
                say("Each further pass adds less than the one before."),
                SetPasses(passes=passes + 1),
            )
        )
    damp = misted(a, supply)
    if damp is not None and not a.sandwich.effect.traits.only_cuts:
        options.append(damp)
    return Response(
        say("Take the pile out and open it; a sheet that did not move can go through again."), meaning, tuple(options[:MOST_ADVICE])
    )


def not_cut(a: Assessment, supply: Supply) -> Response:
    """A second pass with die and card moved as one, then shims."""
    options = []
    if a.sandwich.passes < 2:
        why = say("Die and card turned together by a quarter, as one: where blades crowd they get the load one after the other.")
        options.append(tried(a, supply, say("Send it through a second time."), why, SetPasses(passes=2)))
    options += thicker(a, supply)
    threads = say("Push leftover pieces out of the die, and turn the plate over: a scar or a bow leaves threads uncut.")
    options.append(by_hand(say("Clear the die and turn the plate."), threads))
    options.sort(key=lambda o: o.after is not None and zone_of(o.after) != "right")
    return Response(
        say("Leave the card in the die while you look: it can go through again as it is."), a.sentence, tuple(options[:MOST_ADVICE])
    )


def cracked(a: Assessment, supply: Supply) -> Response:
    """Mist, less relief, fewer passes, less pressure: by how seldom the sheet cracks then, as long as it still works."""
    view = StackView(a.sandwich)
    options = [
        o for o in (misted(a, supply), wetter(a, supply), *fewer_layers(a, view, supply), *gentler(a, view, supply)) if o is not None
    ]
    before = crack_chance(a.again(a.sandwich).forming)  # an estimate like those of the remedies, so that they compare
    better = [
        o for o in options if o.after is not None and crack_chance(o.after.forming) < before and zone_of(o.after) in ("right", "faint")
    ]
    better.sort(key=lambda o: (zone_of(o.after) != "right", crack_chance(o.after.forming) if o.after else 1.0))
    told = [
        replace(
            o,
            why=together(
                o.why,
                say("Cracks in about {chance} in 100 then.", chance=number(100 * crack_chance(o.after.forming if o.after else None), 0)),
            ),
        )
        for o in better
    ]
    if len(told) < MOST_ADVICE:
        told.append(another_stock(a, supply))
    index = a.forming.crack if a.forming else None
    meaning = (
        say("By its figures this stock is stretched to {index} of what it bears.", index=number(index, 2))
        if index
        else say("The figures see no strain here; the stock may be drier or more brittle than is written down.")
    )
    return Response(say("Keep the cracked sheet as the scrap for the next try."), meaning, tuple(told[:MOST_ADVICE]))


def moved(a: Assessment, supply: Supply) -> Response:
    """Square it up, tape it, and give it fewer chances to move."""
    view, options = StackView(a.sandwich), []
    tool, sheet = view.tool, view.sheet
    tape = say("Low-tack removable tape at two edges, outside the pattern; tape under pressure leaves its mark.")
    options.append(by_hand(say("Tape sheet and tool together at the edges."), tape))
    if tool is not None and tool.kind in DIES and a.sandwich.passes > 1:
        options.append(by_hand(say("Lift die and card as one between passes."), say("A die that shifts on the card prints twice.")))
    if tool is not None and tool.layer.half and a.sandwich.passes > 1:
        once = tried(
            a, supply, say("Send it through once only."), say("What goes through once cannot shift between passes."), SetPasses(passes=1)
        )
        if zone_of(once.after) == "right":
            options.insert(0, once)
    if sheet is not None and sheet.layer.mist_age_s == 0.0:
        options.append(
            tried(a, supply, say("Wait half a minute after misting."), say("A wet sheet slides."), Set(layer=sheet.id, mist_age_s=30.0))
        )
    meaning = say("A double image comes from passes that did not lie alike; the sheet can seldom be saved.")
    return Response(say("Do not send it through again to mend it."), meaning, tuple(options[:MOST_ADVICE]))
