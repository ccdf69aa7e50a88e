"""The figures of a pressed sheet as they leave the core: in JSON, each with what it means and what would improve it."""

from dataclasses import asdict
from typing import Any

from lofty_press.core.basics.words import Message, area, beside, number, say, share, size, term, thickness
from lofty_press.core.judging.findings import near_limit
from lofty_press.core.mechanics.forming import Figures, Impression, Worst
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.words import Words

Place = tuple[float, float] | None
"""A place on the bed, along and across [mm]."""


class InkDocument(Document):
    """Which face took ink, share of the sheet covered, share of the inked parts that printed, whether words read backwards."""

    face: str
    coverage: float
    share: float
    mirrored: bool | None


class BlankDocument(Document):
    """Parts of the sheet without relief, by cause [mm2]."""

    hinge_mm2: float
    uncovered_mm2: float
    window_mm2: float
    other_mm2: float


class SolverDocument(Document):
    """How the figures were come by: grid, steps on the finest grid, relative residual, time."""

    grid: tuple[int, int]
    spacing_mm: float
    iterations: int
    inner_iterations: int
    residual: float
    converged: bool
    seconds: float


class FigureDocument(Document):
    """One figure for a person: what it is called, its value in words, what it means, what would improve it, and whether it is fine."""

    name: Words
    value: Words
    meaning: Words
    improve: Words
    grade: str


class ImpressionFigures(Document):
    """All figures of one pressed sheet; None where the question does not arise. An index is 1 where the stock is expected to give way;
    `cut` is the length of blade in each state [mm]."""

    depth_kept_mm: float | None
    tool_depth_mm: float | None
    retained_share: float | None
    edge_width_mm: float | None
    crack_index: float
    tear_index: float
    buckle_index: float
    crack_at_mm: Place
    tear_at_mm: Place
    buckle_at_mm: Place
    blank_share: float | None
    blank: BlankDocument
    cut: dict[str, float]
    cut_n_per_mm: float
    ink: InkDocument | None
    dent_mm: float
    stand_in: bool
    solver: SolverDocument
    words: list[FigureDocument]


def describe_figures(found: Impression, figures: Figures, seconds: float) -> ImpressionFigures:
    """Figures as a document; `seconds` is what the computation took."""
    grids = found.formed.grids if found.formed else ()
    nx, ny = found.loaded.panel.shape
    solver = SolverDocument(
        grid=(nx, ny),
        spacing_mm=round(found.spacing, 4),
        iterations=grids[-1].outer if grids else 0,
        inner_iterations=sum(g.inner for g in grids),
        residual=float(f"{found.formed.residual:.3g}") if found.formed else 0.0,
        converged=found.converged,
        seconds=round(seconds, 3),
    )
    rounded: dict[str, Any] = {"blank": BlankDocument(**{f"{k}_mm2": round(v, 1) for k, v in asdict(figures.blank).items()})}
    return ImpressionFigures(
        depth_kept_mm=digits(figures.depth, 4),
        tool_depth_mm=digits(figures.tool_depth, 4),
        retained_share=digits(figures.retained_share, 4),
        edge_width_mm=digits(figures.edge_width, 3),
        crack_index=round(figures.crack.value, 3),
        tear_index=round(figures.tear.value, 3),
        buckle_index=round(figures.buckle.value, 3),
        crack_at_mm=place_of(figures.crack),
        tear_at_mm=place_of(figures.tear),
        buckle_at_mm=place_of(figures.buckle),
        blank_share=digits(figures.blank_share, 4),
        cut={state: round(length, 1) for state, length in figures.cut.items()},
        cut_n_per_mm=round(figures.cut_load, 2),
        ink=describe_ink(found),
        dent_mm=round(figures.dent, 4),
        stand_in=found.loaded.lower.stand_in or found.loaded.upper.stand_in,
        solver=solver,
        words=in_words(figures, found.ink.mirrored),
        **rounded,
    )


def digits(value: float | None, places: int) -> float | None:
    return None if value is None else round(value, places)


def place_of(worst: Worst) -> Place:
    return None if worst.place is None else (round(worst.place[0], 1), round(worst.place[1], 1))


def describe_ink(found: Impression) -> InkDocument | None:
    """Where the ink went; None without ink."""
    ink = found.ink
    field = ink.upper if ink.upper is not None else ink.lower
    if field is None:
        return None
    face_up = not found.loaded.sheet.layer.turned
    face = "front" if (ink.upper is not None) == face_up else "back"
    inside = float(found.loaded.panel.cover.sum())
    return InkDocument(
        face=face, coverage=round(float(field.sum()) / inside, 4), share=round(ink.transfer or 0.0, 3), mirrored=ink.mirrored
    )


def in_words(f: Figures, mirrored: bool | None) -> list[FigureDocument]:
    """Each figure that applies, as a colleague would put it."""
    rows: list[FigureDocument] = []

    def row(name: Message, value: Message, meaning: Message, improve: Message, grade: str = "fine") -> None:
        rows.append(FigureDocument(name=name, value=value, meaning=meaning, improve=improve, grade=grade))

    if f.depth is not None:
        weak = f.retained_share is not None and f.retained_share < 0.5
        meaning = say("How far the relief rises over what's around it after release, and its share of the tool's own.")
        row(
            say("depth kept"),
            beside(thickness(f.depth), None if f.retained_share is None else share(f.retained_share)),
            meaning,
            say("A light mist, more pressure or more passes keep more."),
            "watch" if weak else "fine",
        )
    if f.edge_width is not None:
        row(
            say("edge width"),
            say("{edge_width}", edge_width=size(f.edge_width)),
            say("From a tenth to nine tenths of the height on the steepest edges. Smaller is crisper."),
            say("Thinner or softer stock, a firmer mat or more pressure."),
        )
    if f.depth is not None and f.retained_share is not None:
        cure = say("Mist it, use softer stock or a lower relief, or make fewer passes.")
        row(
            say("cracking"),
            near_limit(f.crack.value),
            say(
                "Stretched (a coated face bent, too) to {index} of what the stock can take. From 1 it cracks.",
                index=number(f.crack.value, 2),
            ),
            cure,
            grade_of(f.crack.value),
        )
        row(
            say("tearing"),
            near_limit(f.tear.value),
            say(
                "Along {run} it's stretched to {index} of what tears it. From 1 thin paper rips.",
                run=size(2.0),
                index=number(f.tear.value, 2),
            ),
            say("One motif layer less, or stronger stock."),
            grade_of(f.tear.value),
        )
        row(
            say("waves"),
            near_limit(f.buckle.value),
            say("A bare part is too long by {index} of what still stays flat. From 1 it goes wavy.", index=number(f.buckle.value, 2)),
            say("Mist it, feed it at an angle, or grade the mask's edge."),
            grade_of(f.buckle.value),
        )
    if f.blank_share is not None:
        causes = [(f.blank.hinge, say("in the hinge")), (f.blank.uncovered, say("beyond the tool")), (f.blank.window, say("not pressed"))]
        most = max(causes, key=lambda cause: cause[0])
        row(
            say("without relief"),
            say("{share}, {area} {where}", share=share(f.blank_share), area=area(most[0]), where=most[1])
            if most[0] > 100
            else say("{share}", share=share(f.blank_share)),
            say("Part of the sheet that stays flat, by cause. Plain parts of the tool count too."),
            say("Move the sheet off the hinge, or use a larger tool."),
        )
    if f.cut:
        total = max(sum(f.cut.values()), 1e-9)
        through = f.cut.get("cut", 0.0) / total
        grade = "fine" if through > 0.98 or f.cut.get("part cut", 0.0) + f.cut.get("cut", 0.0) < 0.02 * total else "watch"
        present = [state for state in ("cut", "part cut", "line", "untouched", "beside the sheet") if f.cut.get(state, 0.0) >= 1.0]
        text = beside(*(say("{length} {state}", length=size(f.cut[state]), state=term(state)) for state in present)) or say("nothing")
        row(
            say("along the blade"),
            text,
            say("Each half millimeter of blade, by how hard it presses."),
            say("A shim or a second pass cuts more. A mat cuts less."),
            grade,
        )
    if f.ink is not None:
        row(
            say("ink taken"),
            say("{ink}, words backwards", ink=share(f.ink)) if mirrored else say("{ink}", ink=share(f.ink)),
            say("Share of the inked parts that touch the sheet hard enough to print."),
            say("More pressure, or a softer backing."),
            "watch" if f.ink < 0.9 else "fine",
        )
    return rows


def grade_of(index: float) -> str:
    return "bad" if index >= 1.0 else "watch" if index >= 0.7 else "fine"
