"""Drills and what came of them, as JSON; never the answer before it was given."""

from datetime import UTC, datetime, timedelta
from typing import Annotated, Literal

from pydantic import Field, TypeAdapter

from lofty_press.core.basics.quantities import Count
from lofty_press.core.basics.words import Message
from lofty_press.core.sandwich.stack import Add, FloatArray, Item, Put, Sandwich, nothing_on_the_shelf, resolved
from lofty_press.core.teaching.practice import FULL, SKILLS, Answered, Drill, Form, Laying, Spot, Standing, Tried, standings
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.words import Words
from lofty_press.documents.pictures.ground_picture import relief_png, shade_png

SkillKey = Literal["read", "plates", "shim", "mist", "flap", "worn", "order", "spot"]
Seed = Annotated[Count, Field(ge=0, le=2**31 - 1)]
Level = Annotated[float, Field(ge=-4, le=4, allow_inf_nan=False)]
MOST_TRIES = 50
BEGIN, DAY = datetime(2000, 1, 1, tzinfo=UTC), timedelta(days=1)
"""What days are counted from, for the core knows no calendar."""


class Which(Document):
    """Which drill: the same three make the same one."""

    skill: SkillKey
    seed: Seed
    level: Level


class ChoiceDocument(Document):
    """An answer that may be given."""

    key: str
    title: Words


Place = Annotated[float, Field(ge=-2000, le=2000, allow_inf_nan=False)]


class SpotDocument(Document):
    """Where a thing was laid: its middle to the right and up [mm], its turn against the clock [degree], and whether it was turned over."""

    x_mm: Place
    y_mm: Place
    turn_deg: Annotated[float, Field(ge=-720, le=720, allow_inf_nan=False)]
    over: bool

    def read(self) -> Spot:
        """As the computation has it."""
        return Spot(self.x_mm, self.y_mm, self.turn_deg, self.over)


class SideDocument(Document):
    """What is seen with one side up: outline of the ground, lines of the thing [mm], and pictures of both over their bounds."""

    title: Words
    ground_mm: list[tuple[float, float]]
    thing_mm: list[list[tuple[float, float]]]
    ground_png: str | None
    thing_png: str | None


class LayingDocument(Document):
    """A thing that is to be laid: both sides, by how much it turns [degree], and where it lies to begin with; `through` says what is seen from the other
    side, mirrored, once it is pressed."""

    sides: Annotated[list[SideDocument], Field(min_length=2, max_length=2)]
    step_deg: float
    begin: SpotDocument
    through: Words | None


class DrillDocument(Document):
    """A drill as it is asked: what to do, the pile that is shown, if it is about one, and the answers that may be given, the things that are to be put in
    order or what is to be laid; `png` is the sheet that is shown with it, `paper` what may be laid under a pile that is built."""

    which: Which | None
    title: Words
    form: Form
    task: Words
    hint: Words
    shown: Sandwich | None
    choices: list[ChoiceDocument]
    steps: list[ChoiceDocument]
    laying: LayingDocument | None
    png: str | None
    paper: Item | None


class Done(Document):
    """A drill that is over: solved or given up, in how many tries and with how many hints, for how many points of how hard a drill [logit]."""

    which: Which
    difficulty: float
    right: bool
    tries: Annotated[Count, Field(ge=1, le=MOST_TRIES)]
    hints: Annotated[Count, Field(ge=0, le=1)]
    points: Annotated[Count, Field(ge=0, le=FULL)]


DONE = TypeAdapter(Done)


class MarkDocument(Document):
    """What came of an answer: what it comes to, such as what is seen of the sheet that was pressed, and once the drill is over why, its right answer and
    its points."""

    right: bool
    over: bool
    says: Words | None
    sentence: Words | None
    png: str | None
    because: Words | None
    answer: str | None
    best: SpotDocument | None
    points: int | None


class SkillDocument(Document):
    """A skill: how good somebody is at it and how well that is known [logit], how many drills were done and solved, and when it is due again."""

    key: SkillKey
    title: Words
    about: Words
    ability: float
    ability_sd: float
    done: int
    solved: int
    level: float
    due: datetime | None


class PracticeDocument(Document):
    """Every skill, those that are due first."""

    skills: list[SkillDocument]


def describe_drill(drill: Drill, which: Which | None, title: Message, png: str | None) -> DrillDocument:
    """A drill as it is asked."""
    return DrillDocument(
        which=which,
        title=title,
        form=drill.form,
        task=drill.task,
        hint=drill.hint,
        shown=drill.shown,
        choices=[ChoiceDocument(key=one.key, title=one.title) for one in drill.choices],
        steps=[] if drill.steps is None else [ChoiceDocument(key=one.key, title=one.title) for one in drill.steps.shown],
        laying=None if drill.laying is None else describe_laying(drill.laying),
        png=png,
        paper=paper_for(drill.shown) if drill.form == "build" and drill.shown is not None else None,
    )


def describe_laying(laying: Laying) -> LayingDocument:
    """What is laid, and on what."""
    return LayingDocument(
        sides=[
            SideDocument(
                title=side.title,
                ground_mm=corners(side.ground),
                thing_mm=[corners(line) for line in side.thing],
                ground_png=None if side.shade is None else shade_png(side.shade),
                thing_png=None if side.heights is None else relief_png(side.heights),
            )
            for side in laying.sides
        ],
        step_deg=laying.step,
        begin=describe_spot(laying.begin),
        through=laying.through,
    )


def describe_spot(spot: Spot) -> SpotDocument:
    """Where a thing lies."""
    return SpotDocument(x_mm=round(spot.x, 1), y_mm=round(spot.y, 1), turn_deg=spot.turn, over=spot.over)


def corners(line: FloatArray) -> list[tuple[float, float]]:
    """Points to a tenth of a millimetre."""
    return [(round(float(x), 1), round(float(y), 1)) for x, y in line]


def paper_for(sandwich: Sandwich) -> Item:
    """A sheet of paper to shim a pile with."""
    wish = Add(kind="sheet", at=0, count=1, role="shim")
    return next(edit.item for edit in resolved(sandwich, (wish,), nothing_on_the_shelf) if isinstance(edit, Put))


def describe_attempt(drill: Drill, found: Answered, *, over: bool, points: int, png: str | None) -> MarkDocument:
    """What came of an answer."""
    return MarkDocument(
        right=found.right,
        over=over,
        says=found.says,
        sentence=found.judged.sentence if found.judged is not None and over else None,
        png=png,
        because=drill.because if over else None,
        answer=drill.answer if over else None,
        best=describe_spot(drill.laying.best) if over and drill.laying is not None else None,
        points=points if over else None,
    )


def practised(done: list[tuple[datetime, Done]]) -> PracticeDocument:
    """How somebody stands who has done some drills, the earliest first."""
    tried: dict[str, list[Tried]] = {}
    for at, each in done:
        tried.setdefault(each.which.skill, []).append(Tried((at - BEGIN) / DAY, each.difficulty, each.points))
    return PracticeDocument(skills=[describe_standing(one) for one in standings(tried)])


def describe_standing(one: Standing) -> SkillDocument:
    """How somebody stands in one skill, with its words."""
    return SkillDocument(
        key=one.skill,  # type: ignore[arg-type]
        title=SKILLS[one.skill].title,
        about=SKILLS[one.skill].about,
        ability=round(one.ability, 3),
        ability_sd=round(one.spread, 3),
        done=one.done,
        solved=one.solved,
        level=round(one.level, 3),
        due=None if one.due is None else BEGIN + one.due * DAY,
    )
