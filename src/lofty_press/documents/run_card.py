"""The run card as JSON and as plain text."""

import textwrap

from lofty_press.core.findings import Stage
from lofty_press.core.stack import Sandwich, nothing_on_the_shelf
from lofty_press.core.steps import STAGES, Card, Response, Step
from lofty_press.documents.assessment import Document
from lofty_press.documents.suggestion import SuggestionDocument, describe_suggestion

STAGE_TITLES: dict[Stage, str] = {
    "prepare": "Prepare",
    "build": "Build, from the bottom up",
    "feed": "Feed",
    "press": "Press",
    "look": "Look",
    "finish": "Finish",
}
TEXT_WIDTH = 78


class WaitDocument(Document):
    """A time to wait [s], and what for."""

    seconds: float
    what: str


class StepDocument(Document):
    """One thing to do; `layer` is what it lays, `turn` the number of the pass that it is."""

    stage: Stage
    text: str
    detail: str
    layer: str | None
    turn: int | None
    wait: WaitDocument | None
    care: list[str]


class CardDocument(Document):
    """A run card."""

    title: str
    subtitle: str
    stops: list[str]
    steps: list[StepDocument]
    orders: list[str]


class AdviceDocument(Document):
    """One remedy, and why."""

    suggestion: SuggestionDocument
    why: str


class ResponseDocument(Document):
    """What to do about something seen at the press."""

    at_once: str
    meaning: str
    advice: list[AdviceDocument]


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


def describe_response(response: Response, sandwich: Sandwich) -> ResponseDocument:
    """A response as a document."""
    told = [(describe_suggestion(a.suggestion, sandwich, nothing_on_the_shelf, a.after), a.why) for a in response.advice]
    advice = [AdviceDocument(suggestion=suggestion, why=why) for suggestion, why in told if suggestion is not None]
    return ResponseDocument(at_once=response.at_once, meaning=response.meaning, advice=advice)


def wait_words(seconds: float) -> str:
    """A time to wait as people say it.

    Examples
    --------
    >>> wait_words(45), wait_words(600)
    ('45 seconds', '10 minutes')
    """
    return f"{seconds:.0f} seconds" if seconds < 90 else f"{seconds / 60:.0f} minutes"


def card_text(card: Card) -> str:
    """A card as plain text, for printing or sending."""
    lines = [card.title, "=" * len(card.title), *textwrap.wrap(card.subtitle, TEXT_WIDTH)]
    for stop in card.stops:
        lines += ["", *textwrap.wrap(f"DO NOT RUN IT LIKE THIS: {stop}", TEXT_WIDTH)]
    number = 0
    for stage in STAGES:
        steps = [step for step in card.steps if step.stage == stage]
        if steps:
            lines += ["", STAGE_TITLES[stage]]
        for step in steps:
            number += 1
            lines += textwrap.wrap(f"{number:2d}. {step.text}", TEXT_WIDTH, subsequent_indent="    ")
            more = [step.detail, f"Wait {wait_words(step.wait.seconds)}." if step.wait else "", *(f"Take care: {c}" for c in step.care)]
            for words in filter(None, more):
                lines += textwrap.wrap(words, TEXT_WIDTH, initial_indent="    ", subsequent_indent="    ")
    if card.orders:
        lines += ["", "Before and after"]
        for order in card.orders:
            lines += textwrap.wrap(f"- {order}", TEXT_WIDTH, subsequent_indent="  ")
    return "\n".join(lines) + "\n"
