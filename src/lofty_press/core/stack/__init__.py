"""The sandwich: layers, press, what lies where, checks, and edits as data."""

from lofty_press.core.stack.check import check_item, check_sandwich
from lofty_press.core.stack.edits import Add, Edit, Exchange, Move, Remove, Set, SetEffect, SetPasses, TurnOver, apply_edits
from lofty_press.core.stack.effect import CUTTING, EFFECT_TITLES, EffectKind
from lofty_press.core.stack.footprint import covered
from lofty_press.core.stack.item import (
    DEEP_FOLDERS,
    DIES,
    FOLDERS,
    MATS,
    PADS,
    PLATES,
    RELIEFS,
    TOOLS,
    Blade,
    DieKind,
    Ink,
    Item,
    ItemKind,
    Relief,
    Thickness,
)
from lofty_press.core.stack.press import Drive, Press
from lofty_press.core.stack.sandwich import FORMAT, Layer, Sandwich, WantedEffect
from lofty_press.core.stack.shape import BoolArray, FloatArray, Polygon, item_polygon, placed_polygon, rings_of
from lofty_press.core.stack.typical import TYPICAL, Supply, typical_item
from lofty_press.core.stack.view import Placed, Side, StackView

__all__ = [
    "CUTTING",
    "DEEP_FOLDERS",
    "DIES",
    "EFFECT_TITLES",
    "FOLDERS",
    "FORMAT",
    "MATS",
    "PADS",
    "PLATES",
    "RELIEFS",
    "TOOLS",
    "TYPICAL",
    "Add",
    "Blade",
    "BoolArray",
    "DieKind",
    "Drive",
    "Edit",
    "EffectKind",
    "Exchange",
    "FloatArray",
    "Ink",
    "Item",
    "ItemKind",
    "Layer",
    "Move",
    "Placed",
    "Polygon",
    "Press",
    "Relief",
    "Remove",
    "Sandwich",
    "Set",
    "SetEffect",
    "SetPasses",
    "Side",
    "StackView",
    "Supply",
    "Thickness",
    "TurnOver",
    "WantedEffect",
    "apply_edits",
    "check_item",
    "check_sandwich",
    "covered",
    "item_polygon",
    "placed_polygon",
    "rings_of",
    "typical_item",
]
