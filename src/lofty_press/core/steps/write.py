"""Writes the run card of a sandwich from its data alone."""

from dataclasses import replace

from lofty_press.core.assess import Assessment
from lofty_press.core.findings import TRAITS, Stage
from lofty_press.core.orientation import InkLanding
from lofty_press.core.recipes import ORDERS, Task, origin_of
from lofty_press.core.stack import DIES, FOLDERS, MATS, Placed, StackView
from lofty_press.core.steps.card import Card, Step, Wait, WaitFor
from lofty_press.core.steps.words import Unit, facing, how_many, length, lying, size, thickness
from lofty_press.core.units import in_words

DRIES_IN = 600.0  # s until misted card is dry enough to glue; common practice, no published source


def write_card(assessment: Assessment, *, unit: Unit = "mm", second_turn: float | None = None) -> Card:
    """Write a run card.

    Parameters
    ----------
    assessment : Assessment
        The sandwich, judged.
    unit : {"mm", "in"}
        How lengths are written.
    second_turn : float or None
        By how much die and card are turned for the second pass of a cut, if that was worked out (`feed.second_pass`). [degree]

    Returns
    -------
    Card
        Steps in the order in which they are done. With `stops` it is a card of what would be done if those were mended.
    """
    view = StackView(assessment.sandwich)
    origin = origin_of(assessment.sandwich)
    own = () if origin is None else (*origin[0].prepare, *origin[1].prepare)
    last = () if origin is None else (*origin[1].finish, *origin[0].finish)
    steps = [
        *prepare(view, assessment, own, unit),
        *build(view, unit),
        feed(view, assessment),
        *turns(view, assessment, second_turn),
        *look(view, assessment, () if origin is None else origin[0].look),
        *finish(view, last),
    ]
    stops = tuple(f"{f.what} {f.why}" for f in assessment.findings if f.severity == "stop")
    title = assessment.sandwich.name
    subtitle = f"{origin[0].title}, {origin[1].title[0].lower()}{origin[1].title[1:]}" if origin else assessment.sentence
    orders = () if origin is None else tuple(order_words(key) for key in origin[0].orders)
    return Card(title=title, subtitle=f"{subtitle}. On {view.press.name}.", stops=stops, steps=cared_for(steps, assessment), orders=orders)


def order_words(key: str) -> str:
    """An order as a sentence."""
    order = ORDERS[key]
    return f"{order.first}, {order.then}. {order.why}"


def cared_for(steps: list[Step], assessment: Assessment) -> tuple[Step, ...]:
    """The steps with the cautions of the assessment, each where it belongs."""
    notes: dict[int, list[str]] = {}
    for finding in assessment.findings:
        if finding.severity != "care":
            continue
        stage = TRAITS[finding.code].stage
        at = next((n for n, s in enumerate(steps) if stage is None and s.layer is not None and s.layer == finding.layer), None)
        if at is None and finding.code == "mind-the-mist":
            at = next((n for n, s in enumerate(steps) if s.wait is not None and s.wait.what == "mist"), None)
        if at is None:
            at = next((n for n, s in enumerate(steps) if s.stage == (stage or "build")), None)
        if at is not None:
            notes.setdefault(at, []).append(f"{finding.what} {finding.why}")
    return tuple(replace(step, care=(*step.care, *notes[n])) if n in notes else step for n, step in enumerate(steps))


def task_step(stage: Stage, task: Task) -> Step:
    """A task of an effect as a step."""
    named: dict[str, WaitFor] = {"drying": "drying", "heat": "heat", "soaking": "soaking"}
    wait = Wait(seconds=task.wait_s, what=named[task.wait_for or "drying"]) if task.wait_s else None
    return Step(stage=stage, text=task.text, wait=wait, care=(task.care,) if task.care else ())


def prepare(view: StackView, assessment: Assessment, own: tuple[Task, ...], unit: Unit) -> list[Step]:
    """Trim, dust, ink, mist; the mist last, since it dries while you work."""
    sheet, steps = view.sheet, []
    if assessment.verdict is not None and assessment.verdict.measure:
        names = " and ".join(m.name for m in assessment.verdict.measure)
        why = f"As thicknesses are known now, this pile is {assessment.verdict.sure:.0%} sure. A gauge or a scrap sheet first saves a good one."
        steps.append(Step(stage="prepare", text=f"Measure {names}, or try it on scrap.", detail=why))
    if sheet is not None:
        grain = "Cut it the same way round for a whole batch, so that the grain runs alike."
        steps.append(Step(stage="prepare", text=f"Trim {sheet.name} to {size(sheet, unit)}.", detail=grain))
    steps += [task_step("prepare", task) for task in own]
    steps += [ink_step(placed, assessment.orientation.ink_lands) for placed in view.layers if placed.layer.ink is not None]
    if sheet is not None and sheet.layer.mist_age_s is not None:
        face = "front" if sheet.layer.mist_face == "front" else "back"
        detail = "Light, from an arm's length, until it looks even and does not shine. It dries while you work, so go on soon."
        wait = Wait(seconds=sheet.layer.mist_age_s, what="mist")
        steps.append(Step(stage="prepare", text=f"Mist the {face} of {sheet.name}.", detail=detail, wait=wait))
    return steps


def ink_step(placed: Placed, landing: InkLanding | None) -> Step:
    """Inking one layer."""
    ink = placed.layer.ink
    assert ink is not None
    if placed.kind in DIES:
        return Step(stage="prepare", text=f"Tap {ink.name} on the edges of {placed.name}.", detail="On the blade's edges only.", layer=None)
    part = f"the {placed.layer.half} half of {placed.name}" if placed.layer.half else placed.name
    where = f" It colours the {landing.part} on the {landing.face}." if landing else ""
    detail = f"On the raised parts, with a light brayer, lifted between strokes.{where} It stays open about {ink.open_s / 60:.0f} minutes."
    return Step(stage="prepare", text=f"Ink {part} with {ink.name}.", detail=detail)


def build(view: StackView, unit: Unit) -> list[Step]:
    """Every layer from the bottom up; a folder is opened, filled and closed."""
    steps = []
    for placed in view.layers:
        text, detail = laying(view, placed, unit)
        steps.append(Step(stage="build", layer=placed.id, text=text, detail=detail))
    return steps


def laying(view: StackView, placed: Placed, unit: Unit) -> tuple[str, str]:
    """Text and detail for laying one layer."""
    halves = view.folder_halves
    if halves is not None and placed.id == halves[0].id:
        detail = f"{hinge(placed)} {cap(lying(placed, unit))}."
        return f"Open {placed.name} on the pile, its {placed.layer.half} half below.", detail
    if halves is not None and placed.id == halves[1].id:
        return f"Close {placed.name}.", f"The {placed.layer.half} half now lies on top. Nothing may shift as it closes."
    if placed.index == 0:
        return f"Lay {how_many(placed)} down.", "Level, clean and square to the rollers."
    where = cap(lying(placed, unit))
    if placed.is_sheet:
        return f"Lay {placed.name} in{facing(placed)}.", sheet_detail(view, placed, unit)
    if placed.layer.role == "shim":
        return f"Add {how_many(placed)} as shims.", f"{thickness(placed.thickness, unit)} together, cut to cover the work, flush."
    if placed.kind in MATS:
        return f"Lay {how_many(placed)} on.", f"{where}. Flat and flush: a mat that sticks out is crushed at its edge."
    return f"Lay {how_many(placed)} on{facing(placed)}.", f"{where}."


def sheet_detail(view: StackView, placed: Placed, unit: Unit) -> str:
    """How the sheet is lined up."""
    halves = view.folder_halves
    if halves is not None and view.in_folder(placed):
        relief = halves[0].item.relief
        margin = relief.hinge_margin_mm if relief else 0.0
        return f"Against the folder's edge line, {length(margin, unit)} off the hinge, where there is no pattern."
    return f"{cap(lying(placed, unit))}. Hold it to the tool with low-tack tape at the edges."


def hinge(placed: Placed) -> str:
    """Where a folder's hinge points."""
    open_first = placed.layer.rotation_deg % 360 == 180
    return "The open edge goes first, the hinge last." if open_first else "The hinge goes first into the rollers."


def cap(text: str) -> str:
    return text[:1].upper() + text[1:]


def feed(view: StackView, assessment: Assessment) -> Step:
    """Into the rollers."""
    tool, said = view.tool, []
    if tool is not None and tool.kind in FOLDERS:
        open_first = tool.layer.rotation_deg % 360 == 180
        said.append(
            "Open edge first: the hinge keeps the halves together to the end."
            if open_first
            else "Hinge first: the sheet cannot creep out, and the first bite is on an even edge."
        )
    elif tool is not None and tool.layer.rotation_deg % 90:
        said.append("The tool lies at an angle, so the load comes on bit by bit.")
    mask = next((p for p in view.layers if p.kind == "pressure mask"), None)
    if mask is not None:
        said.append("Let the rollers meet a point of the mask first.")
    said.append("Hold it level with both hands until the rollers bite, then let go.")
    return Step(stage="feed", text="Slide the pile up to the rollers, square and in the middle.", detail=" ".join(said))


def turns(view: StackView, assessment: Assessment, second_turn: float | None) -> list[Step]:
    """Every pass, and what happens between two of them."""
    passes, steps = view.sandwich.passes, []
    cuts = view.sandwich.effect.traits.only_cuts
    drive = view.press.drive
    expected = (
        f"Expect about {assessment.nip.peak_handle:.0f} N at the handle; up to {drive.comfort_n:.0f} N is easy."
        if drive.kind == "hand"
        else "The motor takes it through; keep your hands away."
    )
    for number in range(1, passes + 1):
        which = f"Pass {number} of {passes}" if passes > 1 else "One pass"
        if number == 1:
            detail = f"Steadily, without stopping. {expected} If it stops, do not force it."
        elif cuts:
            by = "a quarter" if second_turn is None else f"{second_turn:.0f}° against the clock, seen from above"
            detail = f"Turn die and card as one by {by}, or move both elsewhere. A third pass is never needed."
        elif view.sandwich.effect.kind == "metal":
            detail = "Back the other way. Lift a corner after every second pass and look."
        else:
            detail = "Back the other way: to and fro counts as two. Keep the pile closed in between."
        steps.append(Step(stage="press", text=f"{which}: turn it through.", detail=detail, turn=number))
    return steps


def look(view: StackView, assessment: Assessment, own: tuple[str, ...]) -> list[Step]:
    """What to check, on which side."""
    steps = []
    orientation, sheet = assessment.orientation, view.sheet
    if sheet is not None and orientation.front_look is not None:
        lay = "down" if sheet.layer.turned else "up"
        text = f"Look at the front, which lay {lay}: it should have come out {orientation.front_look}."
        steps.append(Step(stage="look", text=text, detail="Compare it with the Impression of this sandwich, under a low lamp."))
    steps += [Step(stage="look", text=text) for text in own]
    margin = assessment.verdict.margin if assessment.verdict else None
    if margin is not None and margin.sheets_more is not None and margin.more_is is not None and margin.thinner_mm is not None:
        sheets = f"{in_words(margin.sheets_more)} more of {margin.shim}"
        text = "If it is faint, add shims one by one."
        steps.append(
            Step(stage="look", text=text, detail=f"With {sheets} it would be {zone_words(margin.more_is)}, by what is known of the pile.")
        )
    return steps


def zone_words(zone: str) -> str:
    """A zone as it is said of a pile."""
    return {"hard": "too much", "refuses": "more than the press takes", "right": "right", "faint": "faint still", "slack": "slack still"}[
        zone
    ]


def finish(view: StackView, own: tuple[Task, ...]) -> list[Step]:
    """What is done once it is out."""
    steps = [task_step("finish", task) for task in own]
    damp = view.sheet is not None and view.sheet.layer.mist_age_s is not None
    if damp and not any(step.wait and step.wait.what == "drying" for step in steps):
        wait = Wait(seconds=DRIES_IN, what="drying")
        steps.insert(0, Step(stage="finish", text="Let the damp sheet dry flat before glue or colour.", wait=wait))
    steps.append(
        Step(
            stage="finish",
            text="Wipe plates and mats, and put them back flat.",
            detail="Lay the plate another way next time: always the same place bows it.",
        )
    )
    return steps
