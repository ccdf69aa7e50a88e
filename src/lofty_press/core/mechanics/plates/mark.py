"""What a run leaves on the plate that its blade meets."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from lofty_press.core.mechanics.effects import BladeContact, blade_contact
from lofty_press.core.mechanics.feed import Setting, one_pass, placing_of
from lofty_press.core.mechanics.nip import blades_of
from lofty_press.core.sandwich.outline import blade_lines, walk
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import BASES, DIES, PADS, FloatArray, Item, Placed, Sandwich, StackView

Face = Literal["face", "back"]
FACES: tuple[Face, Face] = ("face", "back")
SCARRED_KINDS = (*PADS, "spacer", *BASES)


@dataclass(frozen=True)
class Pattern:
    """Where a blade runs in its die, as seen from its blade: places (n, 2) and the length that each stands for. [mm]"""

    places: FloatArray
    weight: float


@dataclass(frozen=True, kw_only=True)
class Mark:
    """What one die left in one pass on one face of one plate.

    Parameters
    ----------
    die, layer, item : str
        The die's and the plate's layer in the sandwich, and the plate's key in the sandwich's items.
    face : {"face", "back"}
        Which of its faces: the one that is up while the plate is not turned over, or the other.
    x, y, turn : float
        Where the die lay in the plate's own coordinates, seen from that face, and how it was turned. A blade looks away from whoever looks
        at the face that it meets, so its pattern is seen mirrored there. [mm, mm, degree]
    depth : float
        Mean depth of the scars. [mm]
    load : float
        Mean load on the blade. [N/mm]
    pressure : float
        Highest pressure at the work. [MPa]
    """

    die: str
    layer: str
    item: str
    face: Face
    x: float
    y: float
    turn: float
    depth: float
    load: float
    pressure: float


def pattern_of(die: Item, library: Library) -> Pattern:
    """A die's pattern."""
    assert die.blade is not None
    places = walk(blade_lines(die, library)[0])[::2]
    return Pattern(places, die.blade.length_mm / len(places))


def marks_of(sandwich: Sandwich, setting: Setting) -> tuple[Mark, ...]:
    """What one pass of a sandwich leaves, die by die.

    Returns
    -------
    tuple of Mark
        Empty where no blade reaches a plate: under a mat, inside a folder, or too lightly pressed to get through the sheet.

    Notes
    -----
    A 90 degree edge that carries q beyond what it takes to cut the sheet sinks (q - q_cut) / (2 H) into a plate of indentation hardness
    H, until the die's body lies on the sheet. The same mechanics as `effects.blade`.
    """
    view = StackView(sandwich)
    blade, lying = blade_contact(view), placing_of(view)
    if blade is None or lying is None or blade.backing != "hard" or blade.die.kind not in DIES or blade.behind is None:
        return ()
    if blade.behind.kind not in SCARRED_KINDS:
        return ()
    plate = blade.behind
    done = one_pass(sandwich, lying, setting)
    depth = scar_depths(done.load, blade)
    face = face_met(plate, blade.die)
    found = []
    for die, part in blades_of(view, blade, setting.library).of:
        if not depth[part].any():
            continue
        x, y, turn = seen_from(plate, die)
        found.append(
            Mark(
                die=die.id,
                layer=plate.id,
                item=plate.layer.item,
                face=face,
                x=x,
                y=y,
                turn=turn,
                depth=float(depth[part].mean()),
                load=float(done.load[part].mean()),
                pressure=float(done.trace.nip.pressure.max()),
            )
        )
    return tuple(found)


def scar_depths(load: FloatArray, blade: BladeContact) -> FloatArray:
    """How deep a blade sinks into the plate behind the sheet under line loads (n,). [mm]"""
    assert blade.behind is not None
    sunk = (load - blade.cut_load) / (2.0 * blade.behind.material.hardness)
    return np.asarray(np.clip(sunk, 0.0, blade.scar_travel))


def face_met(plate: Placed, die: Placed) -> Face:
    """The face of a plate that looks at a die."""
    looks_up = die.index > plate.index
    return "face" if looks_up != plate.layer.turned else "back"


def seen_from(plate: Placed, die: Placed) -> tuple[float, float, float]:
    """Where a die lies in a plate's coordinates seen from the face that meets it: along, across [mm], turn [degree]."""
    turn = die.layer.rotation_deg - plate.layer.rotation_deg
    return (*place_on(plate, die, die.layer.x_mm, die.layer.y_mm), -turn if die.index < plate.index else turn)


def place_on(plate: Placed, die: Placed, x: float, y: float) -> tuple[float, float]:
    """A place of the bed in a plate's coordinates, seen from the face that meets a die: from below, across is mirrored. [mm]"""
    turn = np.deg2rad(-plate.layer.rotation_deg)
    dx, dy = x - plate.layer.x_mm, y - plate.layer.y_mm
    along = float(np.cos(turn) * dx - np.sin(turn) * dy)
    across = float(np.sin(turn) * dx + np.cos(turn) * dy)
    return along, -across if die.index < plate.index else across
