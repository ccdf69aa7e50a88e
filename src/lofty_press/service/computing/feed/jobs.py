"""How a sandwich lies, and drawings of it, as workers work them out."""

from typing import Literal, get_args

from pydantic import TypeAdapter

from lofty_press.core.basics.words import Unit
from lofty_press.core.mechanics.alignment import FlapPlace, flap_outline, place_in_flap, upright
from lofty_press.core.mechanics.feed import First, Words, examine, look_at
from lofty_press.core.mechanics.forming import FormingSummary, full_nip
from lofty_press.core.sandwich.outline import goes_with
from lofty_press.core.sandwich.stack import DieKind, Item, Sandwich, StackView, check_item, check_sandwich, item_polygon
from lofty_press.documents.answers.feed import describe_feed, describe_lying, ring_of
from lofty_press.documents.printed.template import Template, bed_template, flap_template, template_svg
from lofty_press.service.computing.feed.models import FlapDocument, FlapRequest
from lofty_press.service.work.tools import Tools

Kind = Literal["svg", "pdf"]
ITEMS = TypeAdapter(list[Item])


def lying(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None) -> bytes:
    """How it lies, as JSON."""
    return describe_lying(look_at(sandwich, tools.library, full_nip(formed))).model_dump_json().encode()


def feed(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, first: First, words: Words) -> bytes:
    """How it lies and would lie better, as JSON."""
    return describe_feed(examine(sandwich, tools.library, full_nip(formed), first=first, words=words)).model_dump_json().encode()


def together(tools: Tools, sandwich: Sandwich) -> bytes:
    """Dies of the shelf that go with the one in a sandwich, as JSON."""
    check_sandwich(sandwich)
    kinds: tuple[DieKind, ...] = get_args(DieKind)
    dies = [die for kind in kinds for die in tools.supply(kind)]
    return ITEMS.dump_json(list(goes_with(StackView(sandwich), dies)))


def template(tools: Tools, sandwich: Sandwich, kind: Kind, unit: Unit) -> bytes:
    """A template of the bed."""
    return drawn(bed_template(look_at(sandwich, tools.library)), kind, unit)


def flap(_: Tools, request: FlapRequest) -> bytes:
    """Where a motif sits, as JSON."""
    place = placed(request)
    found = FlapDocument(from_fold_mm=place.from_fold, room_mm=place.room, flap_mm=ring_of(place.flap), motif_mm=ring_of(place.motif))
    return found.model_dump_json().encode()


def flap_drawing(_: Tools, request: FlapRequest, kind: Kind, unit: Unit) -> bytes:
    """A template of a flap."""
    return drawn(flap_template(placed(request)), kind, unit)


def placed(request: FlapRequest) -> FlapPlace:
    check_item("motif", request.motif)
    outline = flap_outline(request.shape, request.width_mm, request.depth_mm, request.tip_width_mm)
    return place_in_flap(outline, upright(item_polygon(request.motif)))


def drawn(drawing: Template, kind: Kind, unit: Unit) -> bytes:
    if kind == "svg":
        return template_svg(drawing, unit).encode()
    from lofty_press.documents.printed.template_pdf import template_pdf  # here, since only workers need what it loads

    return template_pdf(drawing, unit)
