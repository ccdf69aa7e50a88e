"""Why a judgement says what it says, as JSON."""

from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.explain import About, Bar, Link, explain
from lofty_press.core.sandwich.stack import Supply, nothing_on_the_shelf
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.suggestion import SuggestionDocument, describe_suggestion
from lofty_press.documents.answers.words import QuantityDocument, Words, wired


class BarDocument(Document):
    """A part of a drawing: its name, how much, and the layer that it belongs to."""

    name: Words
    much: QuantityDocument
    layer: str | None


class LinkDocument(Document):
    """A step: what it comes to, why, its equation and where that comes from; `bars` are drawn, held `against` others; `tries` are small changes at it."""

    key: str
    says: Words
    why: Words
    equation: str
    source: Words
    bars: list[BarDocument]
    against: list[BarDocument]
    tries: list[SuggestionDocument]


class ExplanationDocument(Document):
    """A chain from measures to what follows."""

    about: About
    links: list[LinkDocument]


def explained(assessment: Assessment, about: About, supply: Supply = nothing_on_the_shelf) -> ExplanationDocument:
    """The chain of a verdict or a figure.

    Raises
    ------
    InvalidInput
        As `explain`.
    """
    return ExplanationDocument(about=about, links=[describe(link, assessment, supply) for link in explain(assessment, about)])


def describe(link: Link, assessment: Assessment, supply: Supply) -> LinkDocument:
    """One link."""
    tries = (describe_suggestion(each, assessment.sandwich, supply) for each in link.tries)
    return LinkDocument(
        key=link.key,
        says=link.says,
        why=link.why,
        equation=link.equation,
        source=link.source,
        bars=[bar_document(bar) for bar in link.bars],
        against=[bar_document(bar) for bar in link.against],
        tries=[each for each in tries if each is not None],
    )


def bar_document(bar: Bar) -> BarDocument:
    """One bar."""
    name = bar.name if isinstance(bar.name, Message) else say("{name}", name=bar.name)
    much = wired(bar.much)
    assert isinstance(much, QuantityDocument)
    return BarDocument(name=name, much=much, layer=bar.layer)
