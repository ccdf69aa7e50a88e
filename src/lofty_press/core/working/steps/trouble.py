"""At the press something is not as it should be: what to do, worked out for this very sandwich."""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from scipy.special import ndtr

from lofty_press.core.basics.words import Message, force, in_ten, likelihood, listed, number, say, thickness, together
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.dialin import Belief, Suspicion, believed_before, keyed, suspicion, thickness_weights
from lofty_press.core.judging.offers import HELPS, headline
from lofty_press.core.sandwich.stack import DIES, Add, Item, Set, SetPasses, StackView, Supply
from lofty_press.core.working.steps.outcomes import Seen, zones_seen
from lofty_press.core.working.steps.remedies import (
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

MOST_ADVICE = 3
ODD = 0.1  # chance of what was seen, under which the pile is looked at before anything is changed
SAME = 0.02  # of a chance; remedies as near to one another count as equals
LEAST_SPREAD = 1e-6  # mm
WORTH = 0.1  # chance of a good sheet under which a remedy is none


@dataclass(frozen=True, slots=True)
class Response:
    """What to do at once, what the program makes of it, and the remedies, best first."""

    at_once: Message
    meaning: Message
    advice: tuple[Advice, ...]


@dataclass(frozen=True, eq=False)
class Scene:
    """What went in, judged, what was `seen` of it, what the shelf supplies, and what was believed of the room before."""

    a: Assessment
    seen: Seen
    supply: Supply
    belief: Belief

    @cached_property
    def view(self) -> StackView:
        return StackView(self.a.sandwich)

    @cached_property
    def suspicion(self) -> Suspicion | None:
        """What it makes one believe; None where the pile's pressure has nothing to do with it."""
        zones = zones_seen(self.a.sandwich.effect.kind, self.seen)
        return None if zones is None else suspicion(keyed(self.a.sandwich), zones, self.belief, self.a.library)

    @cached_property
    def chance(self) -> float:
        """How likely it was, by all that is known. [1]"""
        if self.suspicion is None:
            return 1.0
        if self.seen == "too hard" and self.a.nip.bites:
            return self.too_heavy
        return self.suspicion.chance

    @property
    def too_heavy(self) -> float:
        """Chance that the pile is as much thicker as it must be to turn no longer with ease. [1]"""
        drive, curve = self.a.sandwich.press.drive, self.a.curve
        easy = drive.comfort_n if drive.kind == "hand" else drive.limit_n
        over = curve.handle > easy
        thicker = float(curve.added[int(np.argmax(over))]) if over.any() else curve.refuses_at
        _, spread = self.belief.of(thickness_weights(StackView(keyed(self.a.sandwich))))
        return float(ndtr(-min(thicker, curve.refuses_at) / max(spread, LEAST_SPREAD)))

    @cached_property
    def odd(self) -> bool:
        """True if what is known makes it unlikely."""
        return self.chance < ODD

    def good(self, advice: Advice) -> float:
        """Chance that a remedy leads to a good sheet, after what was seen. [1]"""
        after = advice.after
        if after is None or after.good is None:
            return 0.0
        return self.suspicion.good(keyed(after.sandwich)) if self.suspicion is not None else after.good.chance

    def ranked(self, options: list[Advice]) -> list[Advice]:
        """Remedies that may help, the one first that most likely makes a good sheet; each says how likely."""
        chances = {id(o): self.good(o) for o in options}
        best = sorted((o for o in options if chances[id(o)] >= WORTH), key=lambda o: (-round(chances[id(o)] / SAME), -pressure_of(o)))
        return [
            replace(o, why=together(o.why, say("A good sheet then: {likelihood}.", likelihood=likelihood(chances[id(o)])))) for o in best
        ]

    def likely(self, agrees: Message) -> Message:
        """What the figures say of it: that they agree, or what else explains it."""
        if self.suspicion is None or not self.odd:
            return agrees
        told = (
            say("Rare: {chance} such piles.", chance=in_ten(self.chance))
            if self.chance >= SAME
            else say("That hardly ever happens to such a pile.")
        )
        causes = [cause.words for cause in self.suspicion.causes]
        return (
            together(told, say("If the pile was built right, the most likely cause: {causes}.", causes=listed(causes, " or ")))
            if causes
            else told
        )


def respond(sandwich_assessment: Assessment, seen: Seen, supply: Supply, belief: Belief | None = None) -> Response:
    """What to do about something seen at the press.

    Parameters
    ----------
    sandwich_assessment : Assessment
        The sandwich as it went in, judged.
    seen : {"too hard", "nothing", "cracked", "not cut", "cut", "moved"}
    supply : callable
        Lists what of a kind is on the shelf.
    belief : Belief or None
        What is believed of the room, of a sandwich whose things carry that; each thing's own spread if None.
    """
    a = sandwich_assessment
    itself = keyed(a.sandwich)
    known = belief or believed_before([itself.press], itself.items.values())
    makers = {"too hard": too_hard, "nothing": nothing, "not cut": not_cut, "cut": cut_through}
    if seen in makers:
        return makers[seen](Scene(a, seen, supply, known))
    return cracked(a, supply) if seen == "cracked" else moved(a, supply)


def measuring(scene: Scene) -> list[Advice]:
    """The likeliest cause that a gauge can find."""
    if scene.suspicion is None:
        return []
    names = {f"thing:{key}": item.name for key, item in named_things(scene.a).items()}
    for cause in scene.suspicion.causes:
        why = say("Perhaps {cause}.", cause=cause.words)
        if cause.of in names:
            return [by_hand(say("Put a gauge on {thing}.", thing=names[cause.of]), why)]
        if cause.of.startswith("opening:"):
            return [by_hand(say("Find the opening: put sheets of paper on a pile of plates until the rollers just take hold."), why)]
    return []


def named_things(a: Assessment) -> dict[str, Item]:
    """The things of a sandwich by their keys."""
    return {item.shelf_id: item for item in keyed(a.sandwich).items.values() if item.shelf_id is not None}


def looked_at_first(scene: Scene, options: tuple[Advice, ...], check: Advice) -> tuple[Advice, ...]:
    """The remedies with a look at the pile: before them where what was seen is odd, else after them."""
    kept = (*options, *measuring(scene))[: MOST_ADVICE - 1]
    return (check, *kept) if scene.odd else (*kept, check)


def too_hard(scene: Scene) -> Response:
    """Less into the pile: of what can come out, first what most likely makes a good sheet, now that it is known to be too hard."""
    a = scene.a
    if a.nip.bites:
        agrees = say("Our figures agree: about {peak_handle} at the handle.", peak_handle=force(a.nip.peak_handle))
    else:
        agrees = say(
            "Our figures agree: {interference} over the opening, and these rollers pull in {bites_up_to}.",
            interference=thickness(a.nip.interference),
            bites_up_to=thickness(a.nip.bites_up_to),
        )
    if a.verdict is not None and a.verdict.zone not in ("hard", "refuses"):
        agrees = say(
            (
                "By our figures this pile should turn ({peak_handle} at the handle), but they aren't exact. Measure the pile before "
                "the next try."
            ),
            peak_handle=force(a.nip.peak_handle),
        )
    options = [tried(a, scene.supply, *option) for option in taking_out(scene.view)]
    working = [o for o in options if zone_of(o.after) in ("faint", "right", "hard")]
    bowed = say("A leftover piece, a folded mat or a bowed plate is thicker than our figures.")
    check = by_hand(say("Look for anything doubled, crooked or bowed."), bowed)
    advice = looked_at_first(scene, tuple(scene.ranked(working or options)), check)
    return Response(say("Stop. Don't force it. Turn back, and take the pile out."), scene.likely(agrees), advice)


def nothing(scene: Scene) -> Response:
    """More into the pile."""
    a, supply = scene.a, scene.supply
    if zone_of(a) in ("slack", "faint"):
        agrees = say("Our figures agree: {sentence}", sentence=a.sentence)
    else:
        agrees = say("By our figures this pile should mark, but they aren't exact. Add one step at a time.")
    options = thicker(a, supply)
    passes = a.sandwich.passes
    if passes < 6:
        options.append(
            tried(
                a,
                supply,
                say("Send it through once more."),
                say("Every extra pass adds less than the one before."),
                SetPasses(passes=passes + 1),
            )
        )
    damp = misted(a, supply)
    if damp is not None and not a.sandwich.effect.traits.only_cuts:
        options.append(damp)
    missing = say("A missing plate, a soft mat or a misplaced sheet leaves no mark either.")
    check = by_hand(say("Count the layers against the card, and see that the sheet was on the tool."), missing)
    advice = (check, *options[: MOST_ADVICE - 1]) if scene.odd else tuple([*options, check][:MOST_ADVICE])
    return Response(say("Take the pile out and open it. A sheet that didn't move can go through again."), scene.likely(agrees), advice)


def not_cut(scene: Scene) -> Response:
    """A second pass with die and card moved as one, then shims."""
    a, supply = scene.a, scene.supply
    options = []
    if a.sandwich.passes < 2:
        why = say("Turn die and card together by a quarter. Crowded blades then get the load one after the other.")
        options.append(tried(a, supply, say("Send it through a second time."), why, SetPasses(passes=2)))
    options += thicker(a, supply)
    threads = say("Push leftover pieces out of the die, and turn the plate over: a scar or a bow leaves threads uncut.")
    check = by_hand(say("Clear the die and turn the plate."), threads)
    options.sort(key=lambda o: o.after is not None and zone_of(o.after) != "right")
    advice = (check, *options[: MOST_ADVICE - 1]) if scene.odd else tuple([*options, check][:MOST_ADVICE])
    agrees = say("By our figures this cuts, but they aren't exact.") if zone_of(a) == "right" else a.sentence
    return Response(say("Leave the card in the die while you look: it can go through again as it is."), scene.likely(agrees), advice)


def cut_through(scene: Scene) -> Response:
    """A line that became a cut: less into the pile, or more that gives way behind the sheet."""
    a, view = scene.a, scene.view
    options = [tried(a, scene.supply, *option) for option in taking_out(view)]
    if not view.mats and view.sheet is not None and view.tool is not None:
        at = view.sheet.index + 1 if view.sheet.index > view.tool.index else view.sheet.index
        gives = say("Something soft behind the sheet lets the blade press without cutting.")
        options.append(tried(a, scene.supply, say("Put a rubber mat behind the sheet."), gives, Add(kind="rubber mat", at=at)))
    if a.sandwich.passes > 1:
        deeper = say("Each pass drives the blade a little further.")
        options.append(tried(a, scene.supply, say("Send it through only once."), deeper, SetPasses(passes=1)))
    check = by_hand(
        say("Put the mat on the sheet's side, all of it covered, no scraps between."),
        say("Where the mat is missing the blade meets a hard plate."),
    )
    softer = by_hand(say("Use a thicker or softer mat."), say("It lets the sheet move further before the blade cuts it."))
    ranked = scene.ranked([o for o in options if zone_of(o.after) in ("faint", "right")])
    advice = looked_at_first(scene, (*ranked, softer), check)
    agrees = say("By our figures this stays a line, but they aren't exact.") if zone_of(a) == "right" else a.sentence
    return Response(say("Keep the cut sheet as the scrap for the next try."), scene.likely(agrees), advice)


def cracked(a: Assessment, supply: Supply) -> Response:
    """Mist, less relief, fewer passes, less pressure: what most likely makes a good sheet."""
    view = StackView(a.sandwich)
    options = [
        o for o in (misted(a, supply), wetter(a, supply), *fewer_layers(a, view, supply), *gentler(a, view, supply)) if o is not None
    ]
    before = headline(a.again(a.sandwich))  # an estimate like those of the remedies, so that they compare
    better = [o for o in options if o.after is not None and headline(o.after) > before + HELPS]
    better.sort(key=lambda o: -headline(o.after) if o.after else 0.0)
    told = [
        replace(
            o, why=together(o.why, say("A good sheet then: {likelihood}.", likelihood=likelihood(headline(o.after) if o.after else 0.0)))
        )
        for o in better
    ]
    if len(told) < MOST_ADVICE:
        told.append(another_stock(a, supply))
    index = a.forming.crack if a.forming else None
    meaning = (
        say("By our figures this stock is stretched to {index} of what it can take.", index=number(index, 2))
        if index
        else say("Our figures see no strain here. The stock may be drier or more brittle than you wrote down.")
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
        once = tried(a, supply, say("Send it through only once."), say("One pass can't shift."), SetPasses(passes=1))
        if zone_of(once.after) == "right":
            options.insert(0, once)
    if sheet is not None and sheet.layer.mist_age_s == 0.0:
        options.append(
            tried(a, supply, say("Wait half a minute after misting."), say("A wet sheet slides."), Set(layer=sheet.id, mist_age_s=30.0))
        )
    meaning = say("A double image comes from passes that didn't line up. You can seldom save the sheet.")
    return Response(say("Don't send it through again to fix it."), meaning, tuple(options[:MOST_ADVICE]))
