"""Whether everything that is said of a pile is one opinion, and whether what is offered helps: a law over piles of every sort."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from lofty_press.bench.figure import Figure
from lofty_press.bench.piles import piles
from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import ALMOST, LIKELY, Message, Quantity
from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.judging.findings import Claim, clashes
from lofty_press.core.judging.offers import HELPS, Offer, headline, helps, offers
from lofty_press.core.judging.verdict import Verdict, no_room
from lofty_press.core.mechanics.forming import FormingSummary, press
from lofty_press.core.mechanics.forming.rolled import roll
from lofty_press.core.sandwich.stack import Sandwich, StackView, Supply, apply_edits, nothing_on_the_shelf, resolved
from lofty_press.core.working.steps import write_card
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.documents.kept.impression_record import record, summary_of

COUNT = 3000
IN_FULL = 40  # of them, whose sheet is computed in full besides
COARSE = 0.8  # mm
FILLS = ("sheet", "spacer", "hard plate", "soft plate")
"""Kinds that are put in and taken out for their thickness alone."""
NOTICED = 0.03  # mm; thinner than any paper


@dataclass(frozen=True)
class Fault:
    """Something said of a pile that does not hold: which law, and what."""

    law: str
    what: str


def said_of(judged: Assessment) -> Iterator[tuple[str, Claim]]:
    """Every claim over a pile, with where it is said: the sentence, the findings, the margin, the run card and the fixes."""
    yield from ((f"sentence: {judged.sentence}", claim) for claim in judged.judgement.claims)
    for finding in judged.findings:
        yield from ((f"{finding.code}: {finding.what}", claim) for claim in finding.claims)
    if judged.verdict is not None:
        yield from margin_claims(judged.verdict)
        yield from ((f"card: {step.text}", claim) for step in write_card(judged).steps for claim in step.claims)


def margin_claims(verdict: Verdict) -> Iterator[tuple[str, Claim]]:
    """What the line of margins says."""
    if verdict.zone != "refuses" and no_room(verdict.margin):
        yield f"margin: one more is {verdict.margin.more_is}", "not one sheet more"


def pressed_in_full(pile: Sandwich) -> FormingSummary | None:
    """What the full computation finds of a pile's sheet, as the Bench has it once it is through, on a coarse grid; None where it does not come to an end.

    Raises
    ------
    InvalidInput, NoBalance
        If there is nothing to press.
    """
    found = press(pile, demo_relief, finest=COARSE, exact=roll(pile, demo_relief).exact)
    if not found.converged:
        return None
    kept = record(found, 0.0)
    return summary_of(kept.figures, kept.fields)


def faults_of(pile: Sandwich, supply: Supply = nothing_on_the_shelf, formed: FormingSummary | None = None) -> Iterator[Fault]:
    """What does not hold of all that is said of a pile; `formed` is what the full computation of its sheet found."""
    judged = assess(pile, demo_relief, formed=formed)
    offered = offers(judged, supply)
    claims = [
        *said_of(judged),
        *((f"fix: {one.finding.fix.label}", claim) for one in offered if one.finding.fix for claim in asked_by(pile, one.after.sandwich)),
    ]
    for (where, one), (there, other) in clashes(claims):
        yield Fault("contradiction", f"{where} ({one}) / {there} ({other})")
    chance = headline(judged)
    if "right" in judged.judgement.claims and chance < LIKELY:
        yield Fault("contradiction", f"{judged.sentence} / a good sheet: {chance:.2f}")
    if chance >= ALMOST and "right" not in judged.judgement.claims:
        yield Fault("contradiction", f"{judged.sentence} / a good sheet: {chance:.2f}")
    for offer in offered:
        yield from faults_of_offer(judged, offer, supply)


def faults_of_offer(judged: Assessment, offer: Offer, supply: Supply) -> Iterator[Fault]:
    """What does not hold of a fix: judged again from its edits, by its own words."""
    fix = offer.finding.fix
    assert fix is not None
    edits = resolved(judged.sandwich, fix.edits, supply)
    after = assess(apply_edits(judged.sandwich, edits), demo_relief)
    if headline(after) < headline(judged) - HELPS or not helps(judged, offer.finding, after):
        yield Fault("fix", f"{fix.label}: {headline(judged):.2f} to {headline(after):.2f}")
    done = difference(judged.sandwich, after.sandwich)
    if not all(DOES.get(part.template, never)(part, done) for part in parts_of(fix.label)):
        yield Fault("fix", f"{fix.label}: {done}")


def asked_by(before: Sandwich, after: Sandwich) -> Iterator[Claim]:
    """What a change of a pile claims to be wanted."""
    if after.passes != before.passes:
        yield "wants more passes" if after.passes > before.passes else "wants fewer passes"
    done = difference(before, after)
    one_way = len(done.counts) + len(set(done.added)) + len(done.taken) == 1  # else one thing makes up for another
    fills = all(before.items[layer.item].kind in FILLS for layer in before.layers if before.items[layer.item].name in done.taken)
    if one_way and fills and done.set <= {"count"} and set(done.added) <= {"sheet", "spacer"} and not done.moved:
        thicker = height_of(after) - height_of(before)
        if abs(thicker) > NOTICED:
            yield "wants thickness" if thicker > 0 else "wants less"
    ages = {layer.id: layer.mist_age_s for layer in before.layers}
    for layer in after.layers:
        if layer.id in ages and (layer.mist_age_s is None) != (ages[layer.id] is None):
            yield "wants dry" if layer.mist_age_s is None else "wants damp"


def height_of(pile: Sandwich) -> float:
    """Thickness of all that lies in a pile. [mm]"""
    return sum(placed.thickness * (0.5 if placed.layer.half else 1.0) for placed in StackView(pile).layers)


@dataclass(frozen=True)
class Difference:
    """What is otherwise in a pile than in another: `added` things by their kinds and `taken` ones by their names, fields `set` of layers that stayed, those
    whose place in the pile `moved`, and whether passes or effect are others."""

    added: tuple[str, ...]
    taken: tuple[str, ...]
    set: frozenset[str]
    counts: tuple[int, ...]
    moved: bool
    passes: int | None
    effect: bool


LAYER_FIELDS = ("x_mm", "y_mm", "rotation_deg", "turned", "mist_age_s", "mist_face", "ink", "count", "role", "half")


def difference(before: Sandwich, after: Sandwich) -> Difference:
    """What a fix did to a pile."""
    old, new = ({layer.id: layer for layer in pile.layers} for pile in (before, after))
    swapped = [key for key in old if key in new and old[key].item != new[key].item]
    came = [key for key in new if key not in old] + swapped
    stayed = [key for key in old if key in new and key not in swapped]
    changed = {(name, key) for key in stayed for name in LAYER_FIELDS if getattr(old[key], name) != getattr(new[key], name)}
    return Difference(
        added=tuple(after.items[new[key].item].kind for key in came for _ in range(new[key].count)),
        taken=tuple(before.items[old[key].item].name for key in (*(k for k in old if k not in new), *swapped)),
        set=frozenset(name for name, _ in changed),
        counts=tuple(new[key].count for name, key in changed if name == "count"),
        moved=[k for k in old if k in stayed] != [k for k in new if k in stayed],
        passes=after.passes if after.passes != before.passes else None,
        effect=after.effect != before.effect,
    )


Does = Callable[[Message, Difference], bool]


def never(_: Message, __: Difference) -> bool:
    """A label of which nobody has written down what it does."""
    return False


def parts_of(label: Message) -> tuple[Message, ...]:
    """The single things that a label names."""
    parts = [value for value in label.values.values() if isinstance(value, Message)]
    return tuple(part for each in parts for part in parts_of(each)) if label.template in CHAINED else (label,)


CHAINED = ("{first}, {second}",)


def sets(*fields: str) -> Does:
    """Sets fields of layers, and does nothing else."""
    return lambda _, done: (
        bool(done.set) and done.set <= set(fields) and not (done.added or done.taken or done.moved or done.passes or done.effect)
    )


def goes(count: int) -> Does:
    return lambda _, done: done.passes == count and not (done.added or done.taken or done.moved or done.set or done.effect)


def takes(label: Message, done: Difference) -> bool:
    """Takes out what its label names, whatever else of the same label goes."""
    names = [str(value) for value in label.values.values()]
    return all(name in done.taken for name in names) and not (done.added or done.moved or done.passes or done.effect)


def takes_any(_: Message, done: Difference) -> bool:
    return bool(done.taken) and not (done.added or done.set or done.passes or done.effect)


def number_in(label: Message, hole: str) -> int:
    """A whole number that a label names."""
    value = label.values[hole]
    assert isinstance(value, Quantity)
    return int(value.value)


def leaves(label: Message, done: Difference) -> bool:
    """Leaves so many of a layer."""
    return number_in(label, "left") in done.counts and not (done.added or done.passes or done.effect)


def puts(kind: str, *, taking: int = 0) -> Does:
    """Puts one thing of a kind in, and takes so many out at most."""
    return lambda _, done: (
        done.added == (kind,) and len(done.taken) <= taking and not (done.set or done.moved or done.passes or done.effect)
    )


def puts_named(label: Message, done: Difference) -> bool:
    return done.added == (str(label.values["kind"]),) and not (done.taken or done.set or done.passes)


def shims(label: Message, done: Difference) -> bool:
    """Adds as many shims as it says, of a layer that is there or of paper."""
    count = number_in(label, "count") if "count" in label.values else 1
    fresh = bool(done.added) and set(done.added) == {"sheet"} and len(done.added) == count
    return (fresh or (done.set == {"count"} and not done.added)) and not (done.taken or done.moved or done.passes)


def moves(_: Message, done: Difference) -> bool:
    return done.moved and not (done.added or done.taken or done.set or done.passes or done.effect)


def fewer_motifs(_: Message, done: Difference) -> bool:
    return "count" in done.set and 1 in done.counts and not done.taken and not done.passes


DOES: dict[str, Does] = {
    "One pass": goes(1),
    "Two passes": goes(2),
    "Three passes": goes(3),
    "Mist it lightly": sets("mist_age_s", "mist_face"),
    "Mist again": sets("mist_age_s"),
    "Mist the back": sets("mist_face"),
    "Leave it dry": sets("mist_age_s", "mist_face"),
    "Leave the ink off": sets("ink"),
    "Turn the die over": sets("turned"),
    "Turn the sheet over": sets("turned"),
    "Turn it by 90°": sets("rotation_deg"),
    "Turn it by 15°": sets("rotation_deg", "x_mm", "y_mm"),
    "Move it to the middle": sets("x_mm", "y_mm"),
    "Square it up": sets("x_mm", "y_mm"),
    "Lay it on the tool": sets("x_mm", "y_mm"),
    "Lay it on the whole tool": sets("x_mm", "y_mm"),
    "Put it over the whole work": sets("x_mm", "y_mm"),
    "Shift it {blank} off the hinge": sets("x_mm"),
    "Lay the sheet on the tool": moves,
    "Put it into the folder": moves,
    "Put it under the plates": moves,
    "Put {mat} behind the sheet": moves,
    "Make it {effect}": lambda _, done: done.effect and not (done.added or done.taken or done.set or done.moved),
    "Run it without the bed": takes_any,
    "Take out the extra plate": takes_any,
    "Take out {placed}": takes,
    "Leave {left} of {placed}": leaves,
    "Add {count} of {shim}": shims,
    "Add {count} paper shims": shims,
    "Add one paper shim": shims,
    "One motif layer and {sheets} shims": fewer_motifs,
    "One motif layer, {count} of {shim}": fewer_motifs,
    "Put a spacer in": puts("spacer"),
    "Put a bed under it": puts("bed"),
    "Put a hard plate on top": puts("hard plate"),
    "Put a hard plate below": puts("hard plate"),
    "Put the deep plate on top": puts("deep plate"),
    "One deep plate on top": lambda label, done: puts("deep plate", taking=9)(label, done) or moves(label, done),
    "One deep plate instead of both": puts("deep plate", taking=9),
    "Use a deep plate instead": puts("deep plate", taking=1),
    "Use a soft plate instead": puts("soft plate", taking=1),
    "Use a hard plate instead": puts("hard plate", taking=1),
    "Put a rubber mat behind the sheet": puts("rubber mat"),
    "Rubber mat instead of the spacer": puts("rubber mat", taking=1),
    "Put a {kind} behind it": puts_named,
}
"""What each label says is done to a pile."""
DOES |= dict.fromkeys(("Take out {extra}", "Take out {thickest}", "Take out {two}", "Take out {behind}"), takes)


def measure(names: set[str]) -> list[Figure]:
    """The laws over all piles."""
    if not {"contradictions", "fixes_that_help"} & names:
        return []
    faults: list[Fault] = []
    for number, pile in enumerate(piles(COUNT)):
        try:
            faults += faults_of(pile)
            if number % (COUNT // IN_FULL) == 0:
                faults += faults_of(pile, formed=pressed_in_full(pile))
        except (InvalidInput, NoBalance):
            continue  # a refusal says one thing
    contradictions = sum(fault.law == "contradiction" for fault in faults)
    fixes = sum(fault.law == "fix" for fault in faults)
    return [
        Figure("contradictions", float(contradictions), "1", 0.0),
        Figure("fixes_that_help", 1.0 - fixes / COUNT, "1", 1.0, at_least=True),
    ]
