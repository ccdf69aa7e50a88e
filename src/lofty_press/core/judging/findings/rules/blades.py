"""What blades do to the sheet, and to whatever else they meet."""

from collections.abc import Iterable

from lofty_press.core.basics.words import ALMOST, LIKELY, NOTHING, in_ten, number, say, share, size, thickness
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.judging.findings.near_limit import part_of
from lofty_press.core.judging.findings.rules.fit import thicker
from lofty_press.core.mechanics.effects import PINCHED, SILICONE_TEAR, is_soft
from lofty_press.core.sandwich.stack import DIES, PADS, Add, Exchange, Move, Remove, SetPasses, Suggestion, TurnOver

CUT_EFFECTS = ("cut", "cut and emboss", "stencil")


def blade_looks_away(e: Evidence) -> Iterable[Finding]:
    """The blade must point at the sheet, except where the blunt side is wanted."""
    die, sheet, kind = e.view.die, e.view.sheet, e.view.sandwich.effect.kind
    if die is None or sheet is None or e.blade is not None or kind in ("metal", "emboss in die"):
        return
    fix = Suggestion(say("Turn the die over"), (TurnOver(layer=die.id),))
    yield Finding(
        "blade-looks-away",
        "stop",
        say("The blade points away from the sheet."),
        say("It would cut into {met} instead.", met=e.orientation.blade_meets or NOTHING),
        die.id,
        fix,
    )


def blade_to_metal(e: Evidence) -> Iterable[Finding]:
    """Sheet metal is pressed with the die's blunt side, unless it is to be cut."""
    if e.view.sandwich.effect.traits.only_cuts:
        return
    stock = e.view.sheet.item.stock if e.view.sheet is not None else None
    metal = e.view.sandwich.effect.kind == "metal" or (stock is not None and stock.finish == "sheet metal")
    if metal and e.view.die is not None and e.blade is not None:
        fix = Suggestion(say("Turn the die over"), (TurnOver(layer=e.view.die.id),))
        yield Finding(
            "blade-to-metal",
            "stop",
            say("The blade faces the metal."),
            say("It tears the metal and dulls the blade. The blunt side gives the relief."),
            e.view.die.id,
            fix,
        )


def mat_where_cut(e: Evidence) -> Iterable[Finding]:
    """A soft layer behind the sheet gives way before the blade is through."""
    blade = e.blade
    if blade is None or e.view.sandwich.effect.kind not in CUT_EFFECTS or blade.backing != "soft" or blade.behind is None:
        return
    why = say(
        ("Behind the sheet, {behind} compresses. When the die's body touches the card, the blade has {part} of the load that cuts it."),
        behind=blade.behind.name,
        part=part_of(blade.bottom_load, blade.cut_load),
    )
    fix = Suggestion(say("Take out {behind}", behind=blade.behind.name), (Remove(layer=blade.behind.id),))
    yield Finding("mat-where-cut", "stop", say("This presses a line; it won't cut."), why, blade.behind.id, fix)


def no_mat_where_line(e: Evidence) -> Iterable[Finding]:
    """Without a mat, or with one too thin, a line becomes a cut."""
    blade, v = e.blade, e.verdict
    if blade is None or e.view.sandwich.effect.kind != "line" or v is None:
        return
    load = blade.line_load(v.pressure)
    if blade.backing == "hard" and blade.behind is not None:
        at = blade.behind.index if blade.behind.index > blade.die.index else blade.behind.index + 1
        spacers = spacers_out(e)
        label = say("Rubber mat instead of the spacer") if spacers else say("Put a rubber mat behind the sheet")
        fix = Suggestion(label, (Add(kind="rubber mat", at=at), *spacers))
        why = say(
            "Pressed lightly against {behind}, the blade leaves a line. A little more and it cuts. A rubber mat keeps it a line.",
            behind=blade.behind.name,
        )
        cuts = v.good.parts["too hard"]
        if cuts >= ALMOST:
            yield Finding("no-mat-where-line", "stop", say("This cuts; a line needs a mat."), why, blade.behind.id, fix, ("too hard",))
        elif cuts >= LIKELY:
            what = say("Likely to cut ({chance}): use a mat.", chance=in_ten(cuts))
            yield Finding("no-mat-where-line", "stop", what, why, blade.behind.id, fix, ("too hard",))
        elif v.zone not in ("slack", "refuses"):
            what = say("Without a mat it may cut ({chance}).", chance=in_ten(cuts))
            yield Finding("no-mat-where-line", "warn", what, why, blade.behind.id, fix)
    elif blade.backing == "soft" and load > blade.score_load and blade.bottom_load > blade.score_load and blade.behind is not None:
        why = say(
            "{behind} is too thin or too hard: the blade presses {more} harder than it can before it starts to cut.",
            behind=blade.behind.name,
            more=share(load / blade.score_load - 1.0),
        )
        yield Finding(
            "mat-too-thin",
            "warn",
            say("The line comes out partly cut."),
            why,
            blade.behind.id,
        )


def spacers_out(e: Evidence) -> tuple[Remove, ...]:
    """The mat stands in for the spacer."""
    return tuple(Remove(layer=p.id) for p in e.view.layers if p.kind == "spacer")[:1]


def blade_too_low(e: Evidence) -> Iterable[Finding]:
    """The die's body comes to lie on the sheet before the blade is through it."""
    blade = e.blade
    if blade is None or not blade.too_low or blade.die.item.blade is None or e.view.sandwich.effect.kind not in CUT_EFFECTS:
        return
    height, sheet = thickness(blade.die.item.blade.height_mm), thickness(blade.sheet_thickness)
    if blade.helped_by_passes:
        why = say(
            (
                "The blade is {height} high and the sheet {sheet} thick. The second pass starts in the first cut and reaches what's "
                "left. Move die and board as one. Where it still looks uncut, flex it."
            ),
            height=height,
            sheet=sheet,
        )
        fix = Suggestion(say("Two passes"), (SetPasses(passes=2),))
        yield Finding("blade-too-low", "stop", say("Too thick to cut in one pass."), why, blade.die.id, fix)
        return
    why = say(
        (
            "The blade is {height} high and the sheet {sheet} thick. Several passes cut board up to about three times the blade's "
            "height. Take a thinner sheet or a higher blade."
        ),
        height=height,
        sheet=sheet,
    )
    yield Finding("blade-too-low", "stop", say("Too thick for this blade."), why, blade.die.id)


def part_cut(e: Evidence) -> Iterable[Finding]:
    """Enough to score, not enough to part."""
    blade, v = e.blade, e.verdict
    if blade is None or v is None or blade.backing != "hard" or e.view.sandwich.effect.kind not in CUT_EFFECTS:
        return
    if v.zone == "faint" and not blade.too_low:
        passes = e.view.sandwich.passes
        why = say(
            (
                "The blade has {part} of the load that cuts this stock. Shim it. Send an intricate die through twice, die and card moved "
                "or turned as one."
            ),
            part=part_of(v.pressure, v.need.right),
        )
        enough = v.pressure >= 0.85 * v.need.right
        fix = Suggestion(say("Two passes"), (SetPasses(passes=2),)) if passes == 1 and enough else shim_fix(e)
        what = say("Not cut through.") if v.good.parts["too thin"] >= ALMOST else say("Likely not cut through.")
        yield Finding("part-cut", "warn", what, why, blade.die.id, fix)


def cut_in_places(e: Evidence) -> Iterable[Finding]:
    """On average enough, and yet not everywhere: where blades crowd, each gets less."""
    blade, v, forming = e.blade, e.verdict, e.forming
    if blade is None or v is None or forming is None or forming.cut_share is None or e.view.sandwich.effect.kind not in CUT_EFFECTS:
        return
    blades = e.nip.field.blades
    beside = 0.0 if blades is None else float(blades.weights[~blades.meets].sum())  # that is another call: no pressure cuts there
    whole = 0.0 if blades is None else float(blades.weights.sum())
    uncut = 1.0 - forming.cut_share - (beside / whole if whole else 0.0)
    if v.zone == "right" and blade.backing == "hard" and uncut > v.shares.minded:
        fix = Suggestion(say("Two passes"), (SetPasses(passes=2),)) if e.view.sandwich.passes == 1 else shim_fix(e)
        why = say(
            (
                "{uncut} of blade get too little to cut. The pressed sheet shows where. A second pass with die and card turned as one, or "
                "a shim, reaches them."
            ),
            uncut=size(forming.uncut_mm - beside),
        )
        yield Finding("cut-in-places", "warn", say("{uncut} of the blade won't cut through.", uncut=share(uncut)), why, blade.die.id, fix)


def shim_fix(e: Evidence) -> Suggestion | None:
    return None if e.verdict is None else thicker(e, e.verdict)


def intricate_die(e: Evidence) -> Iterable[Finding]:
    """Much blade shares the load."""
    blade = e.blade
    if blade is not None and blade.intricate and e.view.sandwich.effect.kind in CUT_EFFECTS and e.view.sandwich.passes == 1:
        fix = Suggestion(say("Two passes"), (SetPasses(passes=2),))
        why = say(
            (
                "{density} of blade on each square centimeter share the load. Two passes, the second with die and card moved or turned "
                "together; a third adds nothing. Waxed paper between a tight die and the card frees the piece."
            ),
            density=size(blade.density * 100),
        )
        yield Finding("intricate-die", "advise", say("An intricate die needs two passes."), why, blade.die.id, fix)


def silicone_cut(e: Evidence) -> Iterable[Finding]:
    """A blade pinches a thin silicone sheet against a hard plate, not against a soft one.

    Once the blade has sunk in to its full height, what keeps the silicone from being nipped through is that the plate behind
    dents first: it holds up its indentation hardness times the width of the card folded over the edge, about one thickness.
    Above the silicone's tear strength the silicone is cut.
    """
    blade, v = e.blade, e.verdict
    if blade is None or v is None or blade.behind is None or blade.behind.kind != "silicone sheet" or blade.die.kind not in DIES:
        return
    above = e.view.neighbours(blade.behind, "up" if blade.behind.index > blade.die.index else "down")
    anvil = next((p for p in above if not is_soft(p)), None)
    if anvil is None or blade.die.item.blade is None:
        return
    pinched = blade.die.item.blade.height_mm / blade.behind.thickness
    held = anvil.material.hardness * blade.sheet_thickness
    sunk = v.pressure >= blade.bottoms_at
    if sunk and pinched > PINCHED and held > SILICONE_TEAR:
        fix = (
            Suggestion(say("Use a soft plate instead"), (Exchange(layer=anvil.id, kind="soft plate"),))
            if anvil.kind == "hard plate"
            else None
        )
        why = say(
            ("{anvil} holds the blade up with {times} times the load that tears silicone. A soft plate dents instead and spares it."),
            anvil=anvil.name,
            times=number(held / SILICONE_TEAR, 1),
        )
        yield Finding("silicone-cut", "stop", say("The blade will cut {behind}.", behind=blade.behind.name), why, blade.behind.id, fix)


def soft_plate_as_anvil(e: Evidence) -> Iterable[Finding]:
    """Cutting against a soft plate ruins the plate."""
    blade = e.blade
    if blade is not None and blade.backing == "hard" and blade.behind is not None and blade.behind.kind in ("soft plate", "pressure mask"):
        fix = Suggestion(say("Use a hard plate instead"), (Exchange(layer=blade.behind.id, kind="hard plate"),))
        yield Finding(
            "soft-plate-as-anvil",
            "warn",
            say("The blade runs straight into {behind}.", behind=blade.behind.name),
            say("A few passes cut up a soft plate. Cut against a hard one."),
            blade.behind.id,
            fix,
        )


def card_behind_the_blade(e: Evidence) -> Iterable[Finding]:
    """A shim behind the sheet is cut along with it."""
    blade = e.blade
    if blade is None or blade.behind is None or blade.behind.material.family != "paper" or e.view.sandwich.effect.kind not in CUT_EFFECTS:
        return
    sheet = e.view.sheet
    if blade.behind.layer.role == "backing" and sheet is not None and sheet.item.material not in ("paper", "hard plastic"):
        return  # metal is cut together with the paper that carries it
    fix = Suggestion(say("Put it under the plates"), (Move(layer=blade.behind.id, to=e.view.above_base),))
    why = say("Only a hard plate belongs behind the sheet. Shims work just as well anywhere else in the pile.")
    yield Finding(
        "card-behind-the-blade", "warn", say("The blade goes on into {behind}.", behind=blade.behind.name), why, blade.behind.id, fix
    )


def plate_scars(e: Evidence) -> Iterable[Finding]:
    """Plates take the blade's print."""
    blade = e.blade
    if blade is not None and blade.behind is not None and blade.behind.kind in PADS and e.view.sandwich.effect.kind in CUT_EFFECTS:
        why = say(
            "Turn it over and around each time. Always the same spot scars it deep and bows it. Clear leftover pieces out of the die first."
        )
        yield Finding("flip-the-plate", "care", say("{behind} takes the scars.", behind=blade.behind.name), why, blade.behind.id)


RULES = (
    blade_looks_away,
    blade_to_metal,
    mat_where_cut,
    no_mat_where_line,
    blade_too_low,
    part_cut,
    cut_in_places,
    intricate_die,
    silicone_cut,
    soft_plate_as_anvil,
    card_behind_the_blade,
    plate_scars,
)
