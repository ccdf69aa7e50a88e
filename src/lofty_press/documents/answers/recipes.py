"""Recipes as they leave the core: what was found, why, what is missing; for the page and for the command line."""

from dataclasses import replace
from typing import Literal

from pydantic import Field

from lofty_press.core.judging.assess import Certainty
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Item, ItemKind, Press, Sandwich
from lofty_press.core.working.recipes import (
    Cost,
    Effect,
    Found,
    Miss,
    Nearly,
    Result,
    Shelf,
    Wish,
    compared_with,
    nearly,
    search,
    weigh,
    weigh_all,
    what_is_missing,
    why_before,
    why_it_works,
)
from lofty_press.core.working.work import RULES_BY_KEY
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.good import GoodDocument, describe_good
from lofty_press.documents.answers.words import Words


class OrderDocument(Document):
    """What comes before what around a run, and why."""

    key: str
    first: Words
    then: Words
    why: Words
    runs: list[str]
    flattens: bool


class WayDocument(Document):
    """A school: how it builds the effect, and what that gains."""

    key: str
    title: Words
    gains: Words
    passes: list[int]


class EffectDocument(Document):
    """An effect to wish for."""

    key: str
    title: Words
    says: Words
    tools: list[ItemKind]
    parts: list[ItemKind]
    looks: list[Literal["raised", "sunk"]]
    inks: list[str]
    finishes: list[str]
    cored: bool
    sheet_under_mm: float | None
    mist: bool = Field(description="The sheet may be misted for it.")
    bare: bool = Field(description="It is done without ink as well.")
    ways: list[WayDocument]
    orders: list[OrderDocument]


class CostDocument(Document):
    """What speaks against a sandwich, in spoiled sheets a sheet; `wrong` and `cracked` are chances, the rest is bother valued in them."""

    total: float
    wrong: float
    cracked: float
    flat: float
    effort: float
    wear: float
    layers: float
    passes: float
    mist: float
    feed: float
    warnings: float


class FoundDocument(Document):
    """A sandwich that works: why, and why it stands before the next one."""

    way: str
    way_title: Words
    gains: Words
    tool: str
    tool_name: str
    passes: int
    misted: bool
    feed: str
    sentence: Words
    good: GoodDocument | None
    pressure_mpa: float
    handle_n: float
    crack_index: float | None
    retained_share: float | None
    works: list[Words]
    before_next: Words | None
    warnings: list[Words]
    cost: CostDocument
    sandwich: Sandwich


class NearlyDocument(Document):
    """One part that is not on the shelf and with which it works; its thickness may lie in the given range [mm]."""

    part: Item
    source: Literal["bought", "made"]
    how: Words
    thinnest_mm: float
    thickest_mm: float
    best: FoundDocument


class MissDocument(Document):
    """The pile that comes nearest where nothing works, and what does not hold."""

    sandwich: Sandwich
    sentence: Words
    why_not: list[Words]


class RecipesDocument(Document):
    """The answer to a wish: sandwiches best first; where there are none, what is missing and what would change that."""

    effect: EffectDocument
    found: list[FoundDocument]
    missing: list[Words]
    nearly: list[NearlyDocument]
    closest: MissDocument | None
    choices: int = Field(description="How many piles there were to choose from.")


def describe_effect(effect: Effect) -> EffectDocument:
    """An effect as a document."""
    kinds = dict.fromkeys(kind for way in effect.ways for slot in way.slots if slot.is_tool for kind in slot.kinds)
    parts = dict.fromkeys(
        kind for way in effect.ways for slot in way.slots if not slot.is_tool and slot.role is None for kind in slot.kinds if kind != "bed"
    )
    orders = [RULES_BY_KEY[key] for key in effect.orders]
    return EffectDocument(
        key=effect.key,
        title=effect.title,
        says=effect.says,
        tools=list(kinds),
        parts=list(parts),
        looks=list(effect.looks),
        inks=list(effect.inks),
        finishes=list(effect.finishes),
        cored=effect.cored,
        sheet_under_mm=effect.sheet_under_mm,
        mist=any(True in way.mist for way in effect.ways),
        bare=effect.bare,
        ways=[WayDocument(key=w.key, title=w.title, gains=w.gains, passes=list(w.passes)) for w in effect.ways],
        orders=[
            OrderDocument(key=o.key, first=o.first_words, then=o.then_words, why=o.why, runs=list(o.runs), flattens=o.flattens)
            for o in orders
        ],
    )


def describe_found(found: Found, following: Found | None) -> FoundDocument:
    """A sandwich that works, as a document."""
    assessment, pile = found.assessment, found.pile
    forming = assessment.forming
    return FoundDocument(
        way=pile.way.key,
        way_title=pile.way.title,
        gains=pile.way.gains,
        tool=pile.tool.key,
        tool_name=pile.tool.item.name,
        passes=pile.passes,
        misted=pile.misted,
        feed=pile.feed,
        sentence=assessment.sentence,
        good=describe_good(assessment),
        pressure_mpa=round(assessment.verdict.pressure if assessment.verdict else 0.0, 3),
        handle_n=round(assessment.nip.peak_handle, 1),
        crack_index=None if forming is None or forming.crack is None else round(forming.crack, 3),
        retained_share=None if forming is None or forming.retained_share is None else round(forming.retained_share, 3),
        works=list(why_it_works(found)),
        before_next=None if following is None else why_before(found, following),
        warnings=[f.what for f in assessment.findings if f.severity == "warn"],
        cost=describe_cost(found.cost),
        sandwich=found.sandwich,
    )


def describe_cost(cost: Cost) -> CostDocument:
    """The parts of a cost, rounded."""
    parts = {name: round(float(getattr(cost, name)), 5) for name in CostDocument.model_fields if name != "total"}
    return CostDocument(total=round(cost.total, 5), **parts)


def describe_all(found: tuple[Found, ...]) -> list[FoundDocument]:
    """Sandwiches best first, each with why it stands before the next."""
    return [describe_found(one, compared_with(found, place)) for place, one in enumerate(found)]


def describe_nearly(near: Nearly) -> NearlyDocument:
    """A part to get."""
    return NearlyDocument(
        part=near.part,
        source=near.source,
        how=near.how,
        thinnest_mm=round(near.thinnest_mm, 2),
        thickest_mm=round(near.thickest_mm, 2),
        best=describe_found(near.best, None),
    )


def describe_miss(miss: Miss) -> MissDocument:
    """The nearest pile that does not work."""
    return MissDocument(sandwich=miss.sandwich, sentence=miss.assessment.sentence, why_not=list(miss.why_not))


def describe_result(
    result: Result, wish: Wish, shelf: Shelf, press: Press, library: Library = no_library, certainty: Certainty | None = None
) -> RecipesDocument:
    """What the search found; where it found nothing, or not every way, also what stands in the way.

    With `certainty` all of it is as sure, and in that order, as everything known together makes it.
    """
    lacking = len({f.pile.way.key for f in result.found}) < len(result.effect.ways)
    near = nearly(wish, shelf, press, result.effect, library) if not result.found else ()
    if certainty is not None:
        result = weigh_all(result, library, certainty)
        near = tuple(replace(n, best=weigh(n.best, library, certainty)) for n in near)
    return RecipesDocument(
        effect=describe_effect(result.effect),
        found=describe_all(result.found),
        missing=list(what_is_missing(wish, shelf, press, result.effect)) if lacking else [],
        nearly=[describe_nearly(n) for n in near],
        closest=describe_miss(result.closest) if result.closest else None,
        choices=result.choices,
    )


def answer_wish(
    wish: Wish, shelf: Shelf, press: Press, library: Library = no_library, certainty: Certainty | None = None
) -> RecipesDocument:
    """Search, and describe what came of it."""
    return describe_result(search(wish, shelf, press, library), wish, shelf, press, library, certainty)
