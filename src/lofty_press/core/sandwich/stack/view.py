"""A sandwich made ready for reasoning: items looked up, thicknesses and faces worked out, parts found by their job."""

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Literal

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.materials import MATERIALS, Confined, Material, Young
from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.sandwich.stack.kinds import BASES, DIES, FOLDERS, MATS, PADS, TOOLS, ItemKind
from lofty_press.core.sandwich.stack.press import Press
from lofty_press.core.sandwich.stack.sandwich import Layer, Sandwich
from lofty_press.core.sandwich.stack.shape import Bounds, Polygon, placed_bounds, placed_polygon
from lofty_press.core.sandwich.stack.stiffness import confined_of, young_of

Side = Literal["up", "down"]


@dataclass(frozen=True)
class Placed:
    """A layer in its place; `index` counts from the bottom."""

    index: int
    layer: Layer
    item: Item

    @property
    def id(self) -> str:
        return self.layer.id

    @property
    def kind(self) -> ItemKind:
        return self.item.kind

    @property
    def name(self) -> str:
        return self.item.name

    @cached_property
    def polygon(self) -> Polygon:
        """Outline on the bed. [mm]"""
        return placed_polygon(self.item, self.layer.x_mm, self.layer.y_mm, self.layer.rotation_deg)

    @cached_property
    def bounds(self) -> Bounds:
        """Room that the outline takes on the bed. [mm]"""
        return placed_bounds(self.item, self.layer.x_mm, self.layer.y_mm, self.layer.rotation_deg)

    @property
    def material(self) -> Material:
        return MATERIALS[self.item.material]

    @property
    def share(self) -> float:
        """How many of the item's thicknesses lie here: a folder's half is half of it."""
        return 0.5 if self.layer.half else float(self.layer.count)

    @property
    def thickness(self) -> float:
        """Thickness of the whole layer. [mm]"""
        return self.share * self.item.thickness.mm

    @property
    def young(self) -> Young:
        """Young's modulus through the thickness."""
        return young_of(self.item)

    @property
    def confined(self) -> Confined:
        """Modulus through the thickness of a wide layer, which cannot spread sideways."""
        return confined_of(self.item)

    @property
    def bending_stiffness(self) -> float:
        """Plate stiffness E t^3 / 12 (1 - nu^2). [N mm]"""
        nu = self.material.poisson
        modulus = self.young if self.item.stock is None else self.item.stock.modulus
        return modulus * self.thickness**3 / (12.0 * (1.0 - nu**2))

    @property
    def active_side(self) -> Side | None:
        """Where the blade or relief points; None for layers without one."""
        if self.layer.half is not None:
            return None
        if self.item.blade is None and self.item.relief is None:
            return None
        return "down" if self.layer.turned else "up"

    @property
    def is_sheet(self) -> bool:
        return self.kind == "sheet" and self.layer.role in ("sheet", None)


@dataclass(frozen=True)
class StackView:
    """A checked sandwich with its layers placed."""

    sandwich: Sandwich

    @property
    def above_base(self) -> int:
        """Place of the first layer above a bed or platform, where shims go."""
        return 1 if self.sandwich.layers and self.layers[0].kind in BASES else 0

    @cached_property
    def press(self) -> Press:
        """The press as it stands: with its bed folded back or lowered where nothing rides on a bed and it can be."""
        press = self.sandwich.press
        if not press.lowered_by_mm or not self.layers or any(p.kind in BASES for p in self.layers):
            return press
        return replace(press, opening=replace(press.opening, mm=press.opening.mm + press.lowered_by_mm))

    @cached_property
    def layers(self) -> tuple[Placed, ...]:
        """The layers from the bottom up, each with what lies there.

        Raises
        ------
        InvalidInput
            If one names nothing that the sandwich holds.
        """
        items = self.sandwich.items
        for i, layer in enumerate(self.sandwich.layers):
            if layer.item not in items:
                raise InvalidInput(f"layers.{i}.item", layer.item, say("must be a key of items"))
        return tuple(Placed(i, layer, items[layer.item]) for i, layer in enumerate(self.sandwich.layers))

    @cached_property
    def sheet(self) -> Placed | None:
        """The sheet being worked: the first one whose role says so."""
        return next((p for p in self.layers if p.is_sheet), None)

    @cached_property
    def tools(self) -> tuple[Placed, ...]:
        """Tools in the stack, a folder once, by its lower half."""
        seen: set[str] = set()
        found = []
        for placed in self.layers:
            if placed.kind in TOOLS and not (placed.layer.half and placed.layer.item in seen):
                seen.add(placed.layer.item)
                found.append(placed)
        return tuple(found)

    @cached_property
    def tool(self) -> Placed | None:
        """The tool that does the wanted work: the one nearest to the sheet, a blade before a relief when cutting."""
        if not self.tools:
            return None
        sheet = self.sheet
        wants_blade = self.sandwich.effect.traits.blade
        reach = {p.id: abs(p.index - sheet.index) if sheet else 0 for p in self.tools}
        return min(self.tools, key=lambda p: (wants_blade and p.item.blade is None, p.item.relief is None and not wants_blade, reach[p.id]))

    @cached_property
    def folder_halves(self) -> tuple[Placed, Placed] | None:
        """Lower and upper half of the first folder."""
        halves = [p for p in self.layers if p.kind in FOLDERS]
        return (halves[0], halves[1]) if len(halves) >= 2 else None

    @property
    def pads(self) -> tuple[Placed, ...]:
        """Plates that press: everything flat and rigid but the bed, platforms, spacers and frames."""
        return tuple(p for p in self.layers if p.kind in PADS)

    @property
    def mats(self) -> tuple[Placed, ...]:
        return tuple(p for p in self.layers if p.kind in MATS)

    @cached_property
    def die(self) -> Placed | None:
        return next((p for p in self.tools if p.kind in DIES), None)

    def in_folder(self, placed: Placed) -> bool:
        halves = self.folder_halves
        return halves is not None and halves[0].index < placed.index < halves[1].index

    def neighbours(self, placed: Placed, side: Side) -> tuple[Placed, ...]:
        """Layers beyond one on a side, nearest first."""
        if side == "up":
            return self.layers[placed.index + 1 :]
        return tuple(reversed(self.layers[: placed.index]))
