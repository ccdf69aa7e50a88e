"""The run card as JSON and as plain text."""

import textwrap

from lofty_press.core.basics.words import NOTHING, Message, Unit, number, say
from lofty_press.core.judging.findings import Stage
from lofty_press.core.sandwich.stack import Sandwich, Supply, nothing_on_the_shelf
from lofty_press.core.teaching.coach import SIGHT_OF
from lofty_press.core.working.steps import STAGES, Card, Response, Seen, Step
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.rescue import RescueDocument, rescued
from lofty_press.documents.answers.suggestion import SuggestionDocument, describe_suggestion
from lofty_press.documents.answers.words import Words

STAGE_TITLES: dict[Stage, Message] = {
    "prepare": say("Prepare"),
    "build": say("Build, from the bottom up"),
    "feed": say("Feed"),
    "press": say("Press"),
    "look": say("Look"),
    "finish": say("Finish"),
}
BEFORE_AND_AFTER = say("Before and after")
TEXT_WIDTH = 78


class WaitDocument(Document):
    """A time to wait [s], and what for."""

    seconds: float
    what: str


class StepDocument(Document):
    """One thing to do; `layer` is what it lays, `turn` the number of the pass that it is."""

    stage: Stage
    text: Words
    detail: Words
    layer: str | None
    turn: int | None
    wait: WaitDocument | None
    care: list[Words]


class CardDocument(Document):
    """A run card."""

    title: Words
    subtitle: Words
    stops: list[Words]
    steps: list[StepDocument]
    orders: list[Words]


class AdviceDocument(Document):
    """One remedy, and why."""

    suggestion: SuggestionDocument
    why: Words


class ResponseDocument(Document):
    """What to do about something seen at the press."""

    at_once: Words
    meaning: Words
    advice: list[AdviceDocument]
    rescues: list[RescueDocument]


def describe_card(card: Card) -> CardDocument:
    """A card as a document."""
    return CardDocument(
        title=card.title,
        subtitle=card.subtitle,
        stops=list(card.stops),
        steps=[describe_step(step) for step in card.steps],
        orders=list(card.orders),
    )


def describe_step(step: Step) -> StepDocument:
    """A step as a document."""
    wait = None if step.wait is None else WaitDocument(seconds=step.wait.seconds, what=step.wait.what)
    return StepDocument(
        stage=step.stage, text=step.text, detail=step.detail, layer=step.layer, turn=step.turn, wait=wait, care=list(step.care)
    )


def describe_response(response: Response, sandwich: Sandwich, seen: Seen, supply: Supply) -> ResponseDocument:
    """A response as a document, with what the sheet is still good for."""
    told = [(describe_suggestion(a.suggestion, sandwich, nothing_on_the_shelf, a.after), a.why) for a in response.advice]
    advice = [AdviceDocument(suggestion=suggestion, why=why) for suggestion, why in told if suggestion is not None]
    return ResponseDocument(
        at_once=response.at_once, meaning=response.meaning, advice=advice, rescues=rescued(sandwich, SIGHT_OF.get(seen), supply)
    )


def wait_words(time: float) -> Message:
    """A time to wait [s] as people say it.

    Examples
    --------
    >>> wait_words(45), wait_words(600)
    ('Wait 45 seconds.', 'Wait 10 minutes.')
    """
    if time < 90:
        return say("Wait {time} seconds.", time=number(time, 0))
    return say("Wait {time} minutes.", time=number(time / 60, 0))


def card_text(card: Card, unit: Unit = "mm") -> str:
    """A card as plain text in the reader's unit, for printing or sending."""
    lines = [card.title, "=" * len(card.title), *textwrap.wrap(card.subtitle.in_words(unit), TEXT_WIDTH)]
    for stop in card.stops:
        lines += ["", *textwrap.wrap(say("DON'T RUN IT LIKE THIS: {stop}", stop=stop).in_words(unit), TEXT_WIDTH)]
    count = 0
    for stage in STAGES:
        steps = [step for step in card.steps if step.stage == stage]
        if steps:
            lines += ["", STAGE_TITLES[stage].in_words(unit)]
        for step in steps:
            count += 1
            lines += textwrap.wrap(f"{count:2d}. {step.text.in_words(unit)}", TEXT_WIDTH, subsequent_indent="    ")
            more = [
                step.detail,
                wait_words(step.wait.seconds) if step.wait else NOTHING,
                *(say("Take care: {care}", care=c) for c in step.care),
            ]
            for words in filter(None, more):
                lines += textwrap.wrap(words.in_words(unit), TEXT_WIDTH, initial_indent="    ", subsequent_indent="    ")
    if card.orders:
        lines += ["", BEFORE_AND_AFTER.in_words(unit)]
        for order in card.orders:
            lines += textwrap.wrap(f"- {order.in_words(unit)}", TEXT_WIDTH, subsequent_indent="  ")
    return "\n".join(lines) + "\n"
