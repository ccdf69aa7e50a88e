"""What each link says. Every figure is the judgement's own."""

import math

import numpy as np

from lofty_press.core.basics.trade import FRESH_MIST
from lofty_press.core.basics.words import Message, chance, force, likelihood, number, pressure, say, share, term, thickness, together
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.explain.link import Bar, Link
from lofty_press.core.judging.verdict import ZONES, crack_chance
from lofty_press.core.sandwich.stack import Add, Placed, Remove, Set, StackView, Suggestion

COARSE = 0.3  # from here a share says less than a factor


def stack(a: Assessment) -> Link | None:
    """What the layers add up to."""
    view = StackView(a.sandwich)
    if not view.layers:
        return None
    bars = tuple(Bar(p.name, thickness(p.thickness), p.id) for p in view.layers if p.thickness > 0.0)
    return Link(
        "stack",
        say("The pile is {height} at its thickest.", height=thickness(a.free_height)),
        say("The layers add up. A folder's halves nest by the height of their relief."),
        "h = Σ tᵢ − z",
        say("Geometry, with thicknesses from the shelf or from what runs have taught."),
        bars,
        (Bar(say("opening"), thickness(view.press.opening.mm)),),
        (*shims(view), *a_layer_less(view)),
    )


def shims(view: StackView) -> tuple[Suggestion, ...]:
    """A sheet of paper more."""
    shim = next((p for p in view.layers if p.layer.role == "shim"), None)
    more = Add(kind="sheet", at=view.above_base, count=1, role="shim") if shim is None else Set(layer=shim.id, count=shim.layer.count + 1)
    return (Suggestion(say("One paper shim more"), (more,)),)


def a_layer_less(view: StackView) -> tuple[Suggestion, ...]:
    """A shim or spacer taken out, if there is one."""
    found: Placed | None = next((p for p in view.layers if p.layer.role == "shim" or p.kind == "spacer"), None)
    if found is None:
        return ()
    count = found.layer.count
    return (
        Suggestion(say("Without {placed}", placed=found.name), (Remove(layer=found.id),))
        if count == 1
        else Suggestion(say("One {placed} fewer", placed=found.name), (Set(layer=found.id, count=count - 1),)),
    )


def opening(a: Assessment) -> Link | None:
    """How far the pile stands over the opening."""
    if not a.sandwich.layers:
        return None
    gap = a.sandwich.press.opening
    over = a.nip.interference
    says = (
        say("The rollers are {gap} apart. The pile is {over} thicker than that.", gap=thickness(gap.mm), over=thickness(over))
        if over > 0.0
        else say("The rollers are {gap} apart, with {air} of air left.", gap=thickness(gap.mm), air=thickness(-over))
    )
    return Link(
        "opening",
        says,
        say(
            "Only what is thicker than the opening gets squeezed; the rest just fills it. Rollers pull in a step of up to {bite}.",
            bite=thickness(a.nip.bites_up_to),
        ),
        "δ = h − g,   δ ≤ μ² R",
        say("Rolling bite condition; the opening is known to {spread}.", spread=thickness(gap.sd_mm)),
        (Bar(say("over the opening"), thickness(max(over, 0.0))),),
        (Bar(say("pulled in up to"), thickness(a.nip.bites_up_to)),),
    )


def give(a: Assessment) -> Link | None:
    """Who gives way: press and pile, where the rollers press most."""
    if a.nip.interference <= 0.0 or not a.nip.bites:
        return None
    nip = a.nip
    at = int(np.argmax(nip.force))
    row = nip.field.row_of[at]
    free = float(nip.field.columns.free[row].max()) - a.sandwich.press.opening.mm
    frame, pile = float(nip.give[at]), float(nip.rows.compression[row].max())
    rollers = max(free - frame - pile, 0.0)
    return Link(
        "give",
        say("The frame opens by {frame}, the pile is squeezed by {pile}.", frame=thickness(frame), pile=thickness(pile)),
        say(
            "Both carry the same force, so the softer one moves more. Mats move most. Folder halves stay open until they're "
            "closed. A pile with these is forgiving."
        ),
        "δ = F/k + u(F)",
        say(
            "Balance of forces under two rollers on a layered pile (contact of layered elastic strips); force within {off_by}.",
            off_by=share(nip.force_off_by),
        ),
        (
            Bar(say("frame opens"), thickness(frame)),
            Bar(say("rollers bend and tilt"), thickness(rollers)),
            Bar(say("pile squeezed"), thickness(pile)),
        ),
        (
            Bar(say("over the opening, its halves open"), thickness(free))
            if nip.field.opens
            else Bar(say("over the opening"), thickness(free)),
        ),
    )


def force_(a: Assessment) -> Link | None:
    """Force between the rollers."""
    if a.nip.peak_force <= 0.0 or not a.nip.bites:
        return None
    return Link(
        "force",
        say("The rollers press with {most} at most.", most=force(a.nip.peak_force)),
        say("Wider and stiffer layers push back more. A narrow piece turned lengthwise needs less."),
        "F = ∬ p dx dy",
        say("Integral of the pressure over the nip; within {off_by}.", off_by=share(a.nip.force_off_by)),
    )


def handle(a: Assessment) -> Link | None:
    """Force at the handle."""
    if a.nip.peak_handle <= 0.0 or not a.nip.bites:
        return None
    drive = a.sandwich.press.drive
    steady, climb = float(a.nip.turning.steady.max(initial=0.0)), float(a.nip.turning.climb.max(initial=0.0))
    return Link(
        "handle",
        say("The handle takes {handle}; it's good for {limit}.", handle=force(a.nip.peak_handle), limit=force(drive.limit_n)),
        say("You crank against soft layers and bearings, and uphill wherever more of the pile enters. Straight edges cost most."),
        "P = (M + dE/dx · R) / (i · r)",
        say("Energy balance over the feed; losses of rubber and bearings known to about a third."),
        (Bar(say("against losses"), force(steady)), Bar(say("climbing edges"), force(climb))),
        (Bar(say("good for"), force(drive.limit_n)),),
    )


def pressure_(a: Assessment) -> Link | None:
    """What the work feels."""
    if a.verdict is None or not a.nip.bites:
        return None
    need = a.verdict.need
    return Link(
        "pressure",
        say("That's {mean} at the work, {within}.", mean=pressure(a.verdict.pressure), within=give_or_take(a.within)),
        say("The same force on less area presses harder: raised parts, and blades most of all."),
        "p = F / A",
        say(
            (
                "Mean over where tool and sheet overlap, or a blade's load over its length. The solver is within {off_by}; "
                "thicknesses, frame and layers add more doubt."
            ),
            off_by=share(a.nip.off_by),
        ),
        (Bar(say("at the work"), pressure(a.verdict.pressure)),),
        (Bar(say("right from"), pressure(need.right)), Bar(say("too hard from"), pressure(need.hard))),
    )


def give_or_take(within: float) -> Message:
    """How well a figure is known, by the standard deviation of its logarithm. [1]"""
    if within < COARSE:
        return say("give or take {share}", share=share(within))
    return say("give or take a factor of {factor}", factor=number(math.exp(within), 1))


def need(a: Assessment) -> Link | None:
    """What the effect needs."""
    if a.verdict is None:
        return None
    need = a.verdict.need
    upper = need.hard < 1e6
    says = (
        say("It's right from {right} to {hard}: {why}.", right=pressure(need.right), hard=pressure(need.hard), why=need.why)
        if upper
        else say("It's right from {right}: {why}.", right=pressure(need.right), why=need.why)
    )
    return Link(
        "need",
        says,
        say("What the stock resists with decides it: stiffness, thickness, moisture. Mist lowers it, a heavier card raises it."),
        "p_right = min { p : z(p) ≥ 0.9 z_max }",
        say("From how the sheet forms on this relief, or from its cutting strength. Stocks vary by about {spread}.", spread=share(0.15)),
        tries=mists(StackView(a.sandwich)),
    )


def mists(view: StackView) -> tuple[Suggestion, ...]:
    """Mist it, or press it dry."""
    sheet = view.sheet
    if sheet is None or sheet.item.stock is None or sheet.item.stock.mist is None:
        return ()
    if sheet.layer.mist_age_s is None:
        return (Suggestion(say("Mist it"), (Set(layer=sheet.id, mist_age_s=FRESH_MIST.value, mist_face="back"),)),)
    return (Suggestion(say("Press it dry"), (Set(layer=sheet.id, dry=True),)),)


def whole(a: Assessment) -> Link | None:
    """How much of the work that holds for; only where it does not hold for all."""
    if a.verdict is None or not a.verdict.shares.parts:
        return None
    shares = a.verdict.shares
    bars = tuple(Bar(term(part.lack), share(part.share)) for part in shares.parts)
    return Link(
        "whole",
        say("{right} of the work gets that.", right=share(shares.right)),
        say("A mean hides its parts. Plates bend over edges, a small sheet leaves the tool bare, crowded blades share the load."),
        "A_right / A",
        say("The pressure map, compared with the need spot by spot."),
        (Bar(say("right"), share(shares.right)), *bars),
    )


def zone(a: Assessment) -> Link | None:
    """The verdict."""
    if a.verdict is None:
        return None
    v = a.verdict
    chances = [(zone, v.chances[zone]) for zone in ZONES if v.chances[zone] >= 0.005]
    return Link(
        "zone",
        say("Most likely: {zone}.", zone=term(v.zone)),
        say("How well we know every thickness decides how sure that is."),
        "P(zone) = Φ((b₂ − δ)/σ) − Φ((b₁ − δ)/σ)",
        say("The pile's thickness and the stock's strength vary normally; standard deviation {spread}.", spread=thickness(v.spread)),
        tuple(Bar(term(zone), chance(much)) for zone, much in chances),
    )


def good(a: Assessment) -> Link | None:
    """The one chance of a good sheet, and what it is spoiled by."""
    if a.verdict is None:
        return None
    if a.good is None:
        return Link("good", a.sentence, say("That comes first, however well it's pressed."), "P(good) = 0", say("From the findings."))
    found = a.good
    parts = sorted(found.parts, key=lambda spoil: -found.parts[spoil])
    return Link(
        "good",
        say("A good sheet: {likelihood}.", likelihood=likelihood(found.chance)),
        say(
            "It has to feed, press right everywhere, and not crack, tear or buckle. All that can spoil it is listed here and adds "
            "up to one."
        ),
        "P(good) = ∫ P(right | δ) (1 − Φ(ln c(δ) / σ)) p(δ) dδ",
        say("One average over the unknown thickness, since pressing harder also stretches more. c is stretch over what the sheet takes."),
        (
            Bar(say("good"), chance(found.chance)),
            *(Bar(term(spoil), chance(found.parts[spoil])) for spoil in parts if found.parts[spoil] >= 0.005),
        ),
    )


def spread(a: Assessment) -> Link | None:
    """What is not known, and what to measure."""
    if a.verdict is None:
        return None
    v = a.verdict
    says = say("The pile's thickness is known to {spread}.", spread=thickness(v.spread))
    if v.measure:
        says = together(says, say("Measure {name} first: it helps most.", name=v.measure[0].name))
    view = StackView(a.sandwich)
    bars = [Bar(p.name, thickness(p.item.thickness.sd_mm), p.id) for p in view.layers if p.item.thickness.sd_mm > 0.0]
    return Link(
        "spread",
        says,
        say("Every thickness adds doubt. We know a pile that works better than its parts."),
        "σ² = Σ σᵢ² + σ_g²",
        say("Sum of variances. Where runs taught something, their joint belief with what goes together."),
        (*bars, Bar(say("opening"), thickness(view.press.opening.sd_mm))),
    )


def relief(a: Assessment) -> Link | None:
    """What the sheet keeps of the tool's depth."""
    if a.forming is None or a.forming.retained_share is None:
        return None
    return Link(
        "relief",
        say("The sheet keeps {kept} of the tool's depth.", kept=share(a.forming.retained_share)),
        say("The pressure pushes it into the relief, and part of that springs back."),
        "z = z_pressed − z_spring",
        basis(a),
        (Bar(say("saved"), share(a.forming.retained_share)),),
        (Bar(say("the tool's depth"), share(1.0)),),
    )


def stretch(a: Assessment) -> Link | None:
    """How far that stretches it."""
    sheet = StackView(a.sandwich).sheet
    if a.forming is None or a.forming.crack is None or sheet is None or sheet.item.stock is None:
        return None
    bears = sheet.item.stock.break_strain
    return Link(
        "stretch",
        say("At its worst spot it's stretched to {much} of what the stock takes.", much=share(a.forming.crack)),
        say("Steep walls and narrow ridges stretch most; the stock breaks at a strain of {bears} dry.", bears=share(bears)),
        "ε_max / ε_break",
        basis(a),
        (Bar(say("stretched"), share(a.forming.crack)),),
        (Bar(say("breaks"), share(1.0)),),
        mists(StackView(a.sandwich)),
    )


def crack(a: Assessment) -> Link | None:
    """How likely it cracks."""
    if a.forming is None or a.forming.crack is None:
        return None
    likely = crack_chance(a.forming)
    return Link(
        "crack",
        say("So {chance} sheets crack.", chance=chance(likely)),
        say(
            "Sheets of a pack differ, and we know the stretch only to a factor of {off_by}.",
            off_by=number(a.forming.off_by, 1),
        ),
        "P = Φ(ln(ε_max/ε_break) / σ)",
        say("Log-normal scatter of strength, about {spread} within a pack; order of magnitude.", spread=share(0.15)),
    )


def basis(a: Assessment) -> Message:
    """Which computation it comes from."""
    assert a.forming is not None
    if a.forming.estimate:
        return say("Estimated on a piece of the relief; Pressed sheet computes it in full.")
    return say("Full computation of the sheet on its relief.")
