"""Writes the run card of a sandwich from its data alone."""

from dataclasses import replace

from lofty_press.core.basics.words import (
    NOTHING,
    Message,
    angle,
    force,
    listed,
    named,
    number,
    ruled,
    say,
    spelled,
    term,
    thickness,
    together,
)
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.findings import TRAITS, Stage
from lofty_press.core.judging.orientation import InkLanding
from lofty_press.core.judging.verdict import Margin, Zone, no_room
from lofty_press.core.sandwich.stack import DIES, FOLDERS, KIND_TRAITS, MATS, Placed, StackView
from lofty_press.core.working.recipes import Effect, Task, Way, origin_of
from lofty_press.core.working.steps.card import Card, Step, Wait
from lofty_press.core.working.steps.words import facing, how_many, lying, measures
from lofty_press.core.working.work import RULES_BY_KEY, WORKS

LOOSE = (*DIES, "motif", *(kind for kind, traits in KIND_TRAITS.items() if traits.window))
"""What slides in an open pile when the rollers bite."""
DRIES_IN = WORKS["dry flat"].begin  # s until misted card is dry enough to glue


def write_card(assessment: Assessment, *, second_turn: float | None = None) -> Card:
    """Write a run card.

    Parameters
    ----------
    assessment : Assessment
        The sandwich, judged.
    second_turn : float or None
        By how much die and card are turned for the second pass of a cut, if that was worked out (`feed.second_pass`). [degree]

    Returns
    -------
    Card
        Steps in the order in which they are done. With `stops` it is a card of what would be done if those were mended.
    """
    view = StackView(assessment.sandwich)
    origin = origin_of(assessment.sandwich)
    own = () if origin is None else asked(view, origin, (*origin[0].prepare, *origin[1].prepare))
    last = () if origin is None else asked(view, origin, (*origin[1].finish, *origin[0].finish))
    steps = [
        *prepare(view, assessment, own),
        *build(view),
        feed(view, assessment),
        *turns(view, assessment, second_turn),
        *look(view, assessment, () if origin is None else origin[0].look),
        *finish(view, last),
    ]
    stops = tuple(together(f.what, f.why) for f in assessment.findings if f.severity == "stop")
    title = named(assessment.sandwich.name)
    subtitle = say("{effect}, {way:small}", effect=origin[0].title, way=origin[1].title) if origin else assessment.sentence
    orders = () if origin is None else tuple(order_words(key) for key in origin[0].orders)
    return Card(
        title=title,
        subtitle=say("{subtitle}. On {press}.", subtitle=subtitle, press=view.press.name),
        stops=stops,
        steps=cared_for(steps, assessment),
        orders=orders,
    )


def asked(view: StackView, origin: tuple[Effect, Way], tasks: tuple[Task, ...]) -> tuple[Task, ...]:
    """Of a recipe's tasks those that this pile, misted or dry, inked or not, asks for; ink that belongs to the recipe may not be chosen yet."""
    effect, way = origin
    inked = any(placed.layer.ink is not None for placed in view.layers) or (not effect.bare and any(slot.inked for slot in way.slots))
    return tuple(task for task in tasks if task.asked(damp=is_damp(view), inked=inked))


def is_damp(view: StackView) -> bool:
    """True if the sheet is misted."""
    return view.sheet is not None and view.sheet.layer.mist_age_s is not None


def order_words(key: str) -> Message:
    """A rule of work as a sentence."""
    rule = RULES_BY_KEY[key]
    return say("{first}, {then}. {why}", first=rule.first_words, then=rule.then_words, why=rule.why)


def cared_for(steps: list[Step], assessment: Assessment) -> tuple[Step, ...]:
    """The steps with the cautions of the assessment, each where it belongs."""
    notes: dict[int, list[Message]] = {}
    held = any(step.stage == "finish" and step.wait is not None and step.wait.what in ("drying", "cooling") for step in steps)
    for finding in assessment.findings:
        if finding.severity != "care" or (finding.code == "hold-until-set" and held):
            continue
        stage = TRAITS[finding.code].stage
        at = next((n for n, s in enumerate(steps) if stage is None and s.layer is not None and s.layer == finding.layer), None)
        if at is None and finding.code == "mind-the-mist":
            at = next((n for n, s in enumerate(steps) if s.wait is not None and s.wait.what == "mist"), None)
        if at is None:
            at = next((n for n, s in enumerate(steps) if s.stage == (stage or "build")), None)
        if at is not None:
            notes.setdefault(at, []).append(together(finding.what, finding.why))
    return tuple(replace(step, care=(*step.care, *notes[n])) if n in notes else step for n, step in enumerate(steps))


def task_step(stage: Stage, task: Task) -> Step:
    """A task of an effect as a step."""
    wait = Wait(seconds=task.wait_s, what=task.wait_for or "drying") if task.wait_s else None
    return Step(stage=stage, text=task.text, wait=wait, care=(task.care,) if task.care else ())


def prepare(view: StackView, assessment: Assessment, own: tuple[Task, ...]) -> list[Step]:
    """Trim, dust, ink."""
    sheet, steps = view.sheet, []
    if assessment.verdict is not None and assessment.verdict.measure:
        names = listed((m.name for m in assessment.verdict.measure), " and ")
        why = say("This pile depends on something we only roughly know. Measuring it or pressing a scrap first saves a good sheet.")
        steps.append(Step(stage="prepare", text=say("Measure {names}, or try it on scrap.", names=names), detail=why))
    if sheet is not None:
        grain = say("Cut it the same way round for a whole batch, so the grain runs alike.")
        steps.append(
            Step(stage="prepare", text=say("Trim {sheet} to {measures}.", sheet=sheet.name, measures=measures(sheet)), detail=grain)
        )
    steps += [task_step("prepare", task) for task in own]
    steps += [ink_step(placed, assessment.orientation.ink_lands) for placed in view.layers if placed.layer.ink is not None]
    return steps


def mist_step(sheet: Placed, age: float) -> Step:
    """Misting the sheet, and how long it waits then. [s]"""
    front = sheet.layer.mist_face == "front"
    mist = say("Mist the front of {sheet}.", sheet=sheet.name) if front else say("Mist the back of {sheet}.", sheet=sheet.name)
    detail = say("Lightly, from an arm's length, until it looks even and doesn't shine. It dries while you work, so go on soon.")
    return Step(stage="build", text=mist, detail=detail, wait=Wait(seconds=age, what="mist"))


def ink_step(placed: Placed, landing: InkLanding | None) -> Step:
    """Inking one layer."""
    ink = placed.layer.ink
    assert ink is not None
    if placed.kind in DIES:
        return Step(
            stage="prepare",
            text=say("Tap {ink} on the edges of {placed}.", ink=ink.name, placed=placed.name),
            detail=say("On the blade's edges only."),
            layer=None,
        )
    part = say("the {half} half of {folder}", half=term(placed.layer.half), folder=placed.name) if placed.layer.half else placed.name
    detail = together(
        say("On the raised parts, with a light brayer, lifted between strokes."),
        say("It colors the {part} on the {face}.", part=term(landing.part), face=term(landing.face)) if landing else NOTHING,
        say("It stays open about {open} minutes.", open=number(ink.open_s / 60, 0)),
    )
    return Step(stage="prepare", text=say("Ink {part} with {ink}.", part=part, ink=ink.name), detail=detail)


def build(view: StackView) -> list[Step]:
    """Every layer from the bottom up; a folder is opened, filled and closed. A sheet is misted right before it goes in, since it dries while you work."""
    steps = []
    for placed in view.layers:
        if placed.is_sheet and placed.layer.mist_age_s is not None and placed is view.sheet:
            steps.append(mist_step(placed, placed.layer.mist_age_s))
        text, detail = laying(view, placed)
        steps.append(Step(stage="build", layer=placed.id, text=text, detail=detail))
    return steps


def laying(view: StackView, placed: Placed) -> tuple[Message, Message]:
    """Text and detail for laying one layer."""
    halves, half = view.folder_halves, term(placed.layer.half or "")
    if halves is not None and placed.id == halves[0].id:
        detail = together(hinge(placed), say("{where:cap}.", where=lying(placed)))
        return say("Open {folder} on the pile, its {half} half below.", folder=placed.name, half=half), detail
    if halves is not None and placed.id == halves[1].id:
        return say("Close {placed}.", placed=placed.name), say(
            "The {half} half is on top now. Don't let anything shift as it closes.", half=half
        )
    if placed.index == 0:
        return say("Put {how_many} down.", how_many=how_many(placed)), say("Level, clean and square to the rollers.")
    where = lying(placed)
    if placed.is_sheet:
        return say("Put {placed} in{facing}.", placed=placed.name, facing=facing(placed)), sheet_detail(view, placed)
    if placed.layer.role == "shim":
        return say("Add {how_many} as shims.", how_many=how_many(placed)), say(
            "{thickness} together, cut to cover the work, edges flush.", thickness=thickness(placed.thickness)
        )
    if placed.kind in MATS:
        return say("Put {how_many} on.", how_many=how_many(placed)), say(
            "{where:cap}. Flat and flush: a mat that sticks out gets crushed at its edge.", where=where
        )
    return say("Put {how_many} on{facing}.", how_many=how_many(placed), facing=facing(placed)), say("{where:cap}.", where=where)


def sheet_detail(view: StackView, placed: Placed) -> Message:
    """How the sheet is lined up."""
    halves = view.folder_halves
    if halves is not None and view.in_folder(placed):
        relief = halves[0].item.relief
        margin = relief.hinge_margin_mm if relief else 0.0
        return say("Against the folder's edge line, {margin} off the hinge, where there's no pattern.", margin=ruled(margin))
    return say("{where:cap}. Hold it to the tool with low-tack tape at the edges.", where=lying(placed))


def hinge(placed: Placed) -> Message:
    """Where a folder's hinge points."""
    open_first = placed.layer.rotation_deg % 360 == 180
    return say("The open edge goes first, the hinge last.") if open_first else say("The hinge goes first into the rollers.")


def feed(view: StackView, assessment: Assessment) -> Step:
    """Into the rollers."""
    tool, said = view.tool, []
    if tool is not None and tool.kind in FOLDERS:
        open_first = tool.layer.rotation_deg % 360 == 180
        said.append(
            say("Open edge first: the hinge keeps the halves together to the end.")
            if open_first
            else say("Hinge first: the sheet can't creep out, and the first bite is on an even edge.")
        )
    elif tool is not None and tool.layer.rotation_deg % 90:
        said.append(say("The tool is at an angle, so the load comes on bit by bit."))
    mask = next((p for p in view.layers if p.kind == "pressure mask"), None)
    if mask is not None:
        said.append(say("Let the rollers meet a point of the mask first."))
    if any(placed.kind in LOOSE for placed in view.layers):
        said.append(say("If a plate has a tapered edge, feed that edge first: loose layers stay put."))
    said.append(say("Hold it level with both hands until the rollers bite, then let go."))
    return Step(stage="feed", text=say("Slide the pile up to the rollers, square and in the middle."), detail=together(*said))


def turns(view: StackView, assessment: Assessment, second_turn: float | None) -> list[Step]:
    """Every pass, and what happens between two of them."""
    passes, steps = view.sandwich.passes, []
    cuts = view.sandwich.effect.traits.only_cuts
    drive = view.press.drive
    expected = (
        say(
            "Expect about {peak_handle} at the handle; up to {comfort} is easy.",
            peak_handle=force(assessment.nip.peak_handle),
            comfort=force(drive.comfort_n),
        )
        if drive.kind == "hand"
        else say("The motor takes it through; keep your hands away.")
    )
    for turn in range(1, passes + 1):
        which = say("Pass {turn} of {passes}", turn=turn, passes=passes) if passes > 1 else say("One pass")
        if turn == 1:
            detail = say("Crank steadily, without stopping. {expected} If it stops, don't force it.", expected=expected)
        elif cuts:
            by = (
                say("a quarter")
                if second_turn is None
                else say("{second_turn} counter-clockwise, seen from above", second_turn=angle(second_turn))
            )
            detail = say("Turn die and card as one by {by}, or move both elsewhere.", by=by)
        elif view.sandwich.effect.kind == "metal":
            detail = say("Back the other way. Lift a corner after every second pass and look.")
        else:
            detail = say("Back the other way: to and fro counts as two. Keep the pile closed in between.")
        steps.append(Step(stage="press", text=say("{which}: crank it through.", which=which), detail=detail, turn=turn))
    return steps


def look(view: StackView, assessment: Assessment, own: tuple[Message, ...]) -> list[Step]:
    """What to check, on which side."""
    steps = []
    orientation, sheet = assessment.orientation, view.sheet
    if sheet is not None and orientation.front_look is not None:
        text = (
            say("Look at the front, which was down: it should have come out {look}.", look=term(orientation.front_look))
            if sheet.layer.turned
            else say("Look at the front, which was up: it should have come out {look}.", look=term(orientation.front_look))
        )
        steps.append(Step(stage="look", text=text, detail=say("Compare it with the pressed sheet of this sandwich, under a low lamp.")))
    steps += [Step(stage="look", text=text) for text in own]
    margin = assessment.verdict.margin if assessment.verdict else None
    fits = assessment.verdict is not None and assessment.verdict.zone in ("faint", "right")
    if fits and margin is not None and margin.sheets_more is not None and margin.more_is is not None:
        steps.append(shims_step(margin, margin.sheets_more, margin.more_is))
    return steps


def shims_step(margin: Margin, more: int, then: Zone) -> Step:
    """What to do about a faint sheet, as far as the pile has room for shims."""
    if no_room(margin):
        text = say("If it is faint, don't add a shim.")
        detail = say("One more sheet of paper would be {zone_words}. Try another pass.", zone_words=zone_words(then))
        return Step(stage="look", text=text, detail=detail, claims=("not one sheet more",))
    if more == 1 and then in ("hard", "refuses"):
        text = say("If it is faint, add paper, not {shim}.", shim=margin.shim)
        detail = say("One more {shim} would be {zone_words}; paper is thinner.", shim=margin.shim, zone_words=zone_words(then))
        return Step(stage="look", text=text, detail=detail, claims=("room for shims",))
    sheets = say("{count} more of {shim}", count=spelled(more), shim=margin.shim)
    detail = say("{sheets:cap} would be {zone_words}, as far as we know the pile.", sheets=sheets, zone_words=zone_words(then))
    return Step(stage="look", text=say("If it is faint, add shims one by one."), detail=detail, claims=("room for shims",))


def zone_words(zone: Zone) -> Message:
    """A zone as it is said of a pile."""
    said: dict[Zone, Message] = {
        "hard": say("too much"),
        "refuses": say("more than the press can take, computed"),
        "right": say("right"),
        "faint": say("still faint"),
        "slack": say("still too loose"),
    }
    return said[zone]


def finish(view: StackView, own: tuple[Task, ...]) -> list[Step]:
    """What is done once it is out."""
    steps = [task_step("finish", task) for task in own]
    if is_damp(view) and not any(step.wait and step.wait.what == "drying" for step in steps):
        wait = Wait(seconds=DRIES_IN, what="drying")
        steps.insert(0, Step(stage="finish", text=say("Let the damp sheet dry flat before glue or color."), wait=wait))
    steps.append(
        Step(
            stage="finish",
            text=say("Wipe plates and mats, and put them back flat."),
            detail=say("Place the plate another way next time: always the same spot bows it."),
        )
    )
    return steps
