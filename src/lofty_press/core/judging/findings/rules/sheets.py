"""What the pressing does to the sheet itself."""

from collections.abc import Iterable

from lofty_press.core.basics.trade import FRESH_MIST
from lofty_press.core.basics.words import ALMOST, NOTHING, Message, in_ten, number, say, seconds, share, size, together
from lofty_press.core.judging.findings.claims import Claim
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.judging.findings.near_limit import near_limit
from lofty_press.core.judging.findings.states import no_worse
from lofty_press.core.judging.verdict import BREAKS, PLAIN_PAPER, crack_chance
from lofty_press.core.mechanics.forming import FormingSummary, summary_at
from lofty_press.core.sandwich.stack import CLEAR_PLATES, DEEP_FOLDERS, FOLDERS, TOOLS, Add, Placed, Set, Suggestion
from lofty_press.core.sandwich.stock import WorkingSheet, working_sheet

RISK = 0.75  # of the strain at break; strength scatters by about 15 %, so one sheet in twenty cracks from here
TEARS = 1.0  # of what the paper bears
MOST_OF_ONE = 12  # equal sheets that one layer holds
KEEPS_LITTLE = 0.4  # of the tool's depth, under which people call a relief faint; common practice, no published source
BUCKLES = 1.0
NARROW = 5.0  # mm of a strip along the hinge that people trim off or leave; common practice, no published source
THIN_PAPER = 0.18  # mm; thinner than card: it rips where card only cracks
SHEDS = say("Its face sheds water; drops only leave spots.")
SHEDS_WATER = ("foil", "mirror", "metallic", "glitter", "film")


def misting(e: Evidence) -> Suggestion | None:
    sheet = e.view.sheet
    if sheet is None or sheet.item.stock is None or sheet.item.stock.mist is None or sheet.layer.mist_age_s is not None:
        return None
    return Suggestion(say("Mist it lightly"), (Set(layer=sheet.id, mist_age_s=FRESH_MIST.value, mist_face="back"),))


def estimates(e: Evidence, one: WorkingSheet, other: WorkingSheet) -> tuple[FormingSummary, FormingSummary] | None:
    """What would become of the sheet in two states, under the pressure that it has."""
    if e.verdict is None:
        return None
    first, second = (summary_at(e.view, e.closing.in_state(e.view, state), e.verdict.pressure) for state in (one, other))
    return None if first is None or second is None else (first, second)


def misting_against_cracks(e: Evidence) -> Suggestion | None:
    """A light mist, where the damp sheet bears more of what it is stretched to than the dry one."""
    stock = e.view.sheet.item.stock if e.view.sheet is not None else None
    if stock is None:
        return None
    passes = e.view.sandwich.passes
    both = estimates(e, working_sheet(stock, None, passes=passes), working_sheet(stock, FRESH_MIST.value, passes=passes))
    if both is None or (both[1].crack or 0.0) >= (both[0].crack or 0.0):
        return None
    return misting(e)


def cracks_or_tears(e: Evidence) -> Iterable[Finding]:
    """Stretched past what the stock bears."""
    v, sheet, tool, forming = e.verdict, e.view.sheet, e.view.tool, e.forming
    if v is None or sheet is None or tool is None or forming is None or v.zone in ("slack", "refuses"):
        return
    rips = sheet.thickness < THIN_PAPER and (forming.tear or 0.0) >= TEARS
    index = max(forming.crack or 0.0, forming.tear or 0.0) if rips else forming.crack or 0.0
    likely = v.good.breaks if v.zone == "right" else crack_chance(forming)
    if index < RISK and (v.zone != "right" or v.good.likely_to_break is None):
        return
    told = say("Where it's stretched most it's {near} ({how_known}).", near=near_limit(index), how_known=how_known(forming))
    fewer = one_motif_layer(e, tool) if tool.kind == "motif" and tool.layer.count > 1 else None
    damp = misting_against_cracks(e)
    if rips:
        lower = say("An envelope takes one motif layer.") if tool.kind == "motif" else say("Use a lower relief or a tougher card.")
        yield Finding("tears", "stop", say("This paper rips: the relief is too high."), together(told, lower), sheet.id, fewer or damp)
    elif likely >= BREAKS:
        softer = say("Mist it, or use a softer card or a lower relief.") if damp else say("Use a softer card or a lower relief.")
        yield breaking(likely, together(told, softer), sheet.id, fewer or damp)
    else:
        why = together(told, say("A light mist makes it safe.")) if damp else told
        yield Finding("crack-risk", "warn", say("The ridges come close to cracking."), why, sheet.id, damp or fewer)


def breaking(likely: float, why: Message, sheet: str, fix: Suggestion | None) -> Finding:
    """A sheet that cracks, as often as it does."""
    if likely >= ALMOST:
        return Finding("cracks", "warn", say("The sheet will crack on the ridges."), why, sheet, fix)
    what = say("About {chance} sheets crack on the ridges.", chance=in_ten(likely))
    if likely >= 0.5:
        return Finding("cracks", "warn", what, why, sheet, fix)
    return Finding("crack-risk", "warn", what, why, sheet, fix, ("may break",))


def how_known(forming: FormingSummary) -> Message:
    return say("a quick estimate") if forming.estimate else say("computed over the whole sheet")


def keeps_little(e: Evidence) -> Iterable[Finding]:
    """The pressure is there, and the sheet springs back all the same."""
    v, sheet, forming = e.verdict, e.view.sheet, e.forming
    if v is None or sheet is None or forming is None or forming.retained_share is None or v.zone not in ("right", "faint"):
        return
    if forming.retained_share < KEEPS_LITTLE:
        why = say(
            "After release {retained_share} of the tool's depth is left ({how_known}). Mist, more passes or softer stock keep more.",
            retained_share=share(forming.retained_share),
            how_known=how_known(forming),
        )
        yield Finding("keeps-little", "warn", say("Most of the relief springs back."), why, sheet.id, misting(e))


def one_motif_layer(e: Evidence, tool: Placed) -> Suggestion:
    """One layer of a motif, and shims in place of the others so that it is pressed as before."""
    freed = (tool.layer.count - 1) * tool.item.thickness.mm
    single = Set(layer=tool.id, count=1)
    shim = next((p for p in e.view.layers if p.layer.role == "shim"), None)
    if shim is not None and round(freed / shim.item.thickness.mm) >= 1:
        count = min(shim.layer.count + round(freed / shim.item.thickness.mm), MOST_OF_ONE)
        return Suggestion(say("One motif layer, {count} of {shim}", count=count, shim=shim.name), (single, Set(layer=shim.id, count=count)))
    sheets = round(freed / PLAIN_PAPER.thickness)
    return Suggestion(
        say("One motif layer and {sheets} shims", sheets=sheets),
        (single, Add(kind="sheet", at=e.view.above_base, count=min(sheets, MOST_OF_ONE), role="shim")),
    )


def in_the_hinge(e: Evidence) -> Iterable[Finding]:
    """A folder has no relief along its hinge."""
    sheet, tool = e.view.sheet, e.view.tool
    if (
        sheet is None
        or tool is None
        or tool.kind not in FOLDERS
        or tool.item.relief is None
        or tool.layer.rotation_deg % 360 not in (0, 180)
    ):
        return
    margin = tool.item.relief.hinge_margin_mm
    low, _, high, _ = sheet.bounds
    half = tool.item.length_mm / 2
    away = tool.layer.rotation_deg % 360 == 180
    blank = high - (tool.layer.x_mm + half - margin) if away else (tool.layer.x_mm - half + margin) - low
    if margin > 0 and blank > 0.5 and e.verdict is not None and e.verdict.zone != "slack":
        shift = -blank if away else blank
        fix = Suggestion(say("Shift it {blank} off the hinge", blank=size(blank)), (Set(layer=sheet.id, x_mm=sheet.layer.x_mm + shift),))
        room = (tool.layer.x_mm - half if away else tool.layer.x_mm + half) - (low if away else high)
        fits = abs(room) >= blank
        why = say("The card reaches into the hinge margin, where {tool} has no pattern.", tool=tool.name)
        wide = blank > NARROW
        says: tuple[Claim, ...] = ("uneven",) if wide else ()
        what = say("A strip of {blank} stays flat.", blank=size(blank))
        yield Finding("in-the-hinge", "warn" if wide else "advise", what, why, sheet.id, fix if fits else None, says)


def coated_face_misted(e: Evidence) -> Iterable[Finding]:
    """Coatings shed water."""
    sheet = e.view.sheet
    if sheet is None or sheet.item.stock is None or sheet.layer.mist_age_s is None:
        return
    stock = sheet.item.stock
    if stock.mist is None:
        fix = Suggestion(say("Leave it dry"), (Set(layer=sheet.id, dry=True),))
        yield Finding(
            "mist-does-nothing",
            "advise",
            say("Mist does nothing for {sheet}.", sheet=sheet.name),
            say("It's soaked through already.") if stock.sets is not None and stock.sets.by == "drying" else SHEDS,
            sheet.id,
            fix,
        )
    elif sheet.layer.mist_face == "front" and (stock.coating in ("front", "both") or stock.finish in SHEDS_WATER):
        fix = Suggestion(say("Mist the back"), (Set(layer=sheet.id, mist_face="back"),))
        yield Finding(
            "coated-face-misted",
            "warn",
            say("The coated face sheds the mist."),
            say("Drops stay on it and leave marks. Mist the back instead."),
            sheet.id,
            fix,
        )


def mist_has_gone(e: Evidence) -> Iterable[Finding]:
    """It dries while you work."""
    sheet, state = e.view.sheet, e.sheet_state
    if sheet is None or state is None or sheet.layer.mist_age_s is None or sheet.item.stock is None or sheet.item.stock.mist is None:
        return
    if state.dampness < 0.4 and no_worse(e, mist_age_s=FRESH_MIST.value, passes=e.view.sandwich.passes):
        fix = Suggestion(say("Mist again"), (Set(layer=sheet.id, mist_age_s=FRESH_MIST.value),))
        why = say(
            "{mist_age_s} after misting, about {dampness} of the softening is left.",
            mist_age_s=seconds(sheet.layer.mist_age_s),
            dampness=share(state.dampness),
        )
        yield Finding("mist-has-gone", "advise", say("The mist has mostly dried."), why, sheet.id, fix)


def buckles_at_a_mask(e: Evidence) -> Iterable[Finding]:
    """Where pressure stops sharply, a dry sheet buckles: computed, or as people say while it is not."""
    sheet, forming = e.view.sheet, e.forming
    masked = next(
        (p for p in e.view.layers if p.kind in ("pressure mask", "frame") or (p.item.windows and not p.is_sheet and p.kind not in TOOLS)),
        None,
    )
    if sheet is None or masked is None:
        return
    if forming is not None and forming.buckle is not None:
        if forming.buckle >= BUCKLES:
            why = say(
                (
                    "At {masked} the pressed part pulls in. The bare part is then too long to stay flat, {buckle} times over "
                    "(computed over the whole sheet). Damp, it stretches instead. Feeding at an angle helps too."
                ),
                masked=masked.name,
                buckle=number(forming.buckle, 1),
            )
            yield Finding("buckles", "warn", say("It buckles around the window."), why, sheet.id, misting(e))
    elif sheet.layer.mist_age_s is None and misting(e) is not None:
        why = say(
            (
                "At the edge of {masked} the pressed part pulls and the bare part doesn't follow. Damp, it stretches. Feeding at an "
                "angle helps too."
            ),
            masked=masked.name,
        )
        yield Finding("dry-at-a-mask", "warn", say("Dry stock buckles around the window."), why, sheet.id, misting(e))


def deep_and_dry(e: Evidence) -> Iterable[Finding]:
    """Deep relief keeps more when damp."""
    sheet, tool = e.view.sheet, e.view.tool
    if sheet is None or tool is None or tool.kind not in DEEP_FOLDERS or sheet.layer.mist_age_s is not None or misting(e) is None:
        return
    if (
        e.verdict is None
        or e.verdict.zone in ("slack", "refuses")
        or not no_worse(e, mist_age_s=FRESH_MIST.value, passes=e.view.sandwich.passes)
    ):
        return
    cracks = say("It also cracks less.") if misting_against_cracks(e) is not None else NOTHING
    why = together(
        say(
            "A light mist on the wrong side softens the fibers: light, not soaked. Some press dry on purpose, for a crisper edge on soft stock."
        ),
        cracks,
    )
    yield Finding("deep-and-dry", "advise", say("A deep relief comes up better damp."), why, sheet.id, misting(e))


def scars_under_foil(e: Evidence) -> Iterable[Finding]:
    """Old cuts print into shiny stock wherever nothing covers them."""
    sheet = e.view.sheet
    if sheet is None or sheet.item.stock is None or not sheet.item.stock.shows_scars:
        return
    for side in ("up", "down"):
        beside = e.view.neighbours(sheet, side)
        if beside and beside[0].kind in CLEAR_PLATES and beside[0].item.scarred != "no":
            clean = beside[0].item.scarred == "one face"
            how = (
                say("Turn its clean face to the sheet, or trim the sheet to the die.")
                if clean
                else say("Trim the sheet to the die, or use a clean plate.")
            )
            yield Finding(
                "scars-under-foil",
                "warn",
                say("Old cuts in {beside} will print.", beside=beside[0].name),
                say("Its scars press into the shiny face wherever the die doesn't cover it. {how}", how=how),
                beside[0].id,
            )


RULES = (cracks_or_tears, keeps_little, in_the_hinge, coated_face_misted, mist_has_gone, buckles_at_a_mask, deep_and_dry, scars_under_foil)
