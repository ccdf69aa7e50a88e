"""Which face of the sheet ends up raised, where blades point, and whether words read: worked out from the stack."""

from dataclasses import dataclass
from typing import Literal

from lofty_press.core.basics.words import Message, named, say
from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.sandwich.stack import Placed, StackView

Face = Literal["front", "back"]


@dataclass(frozen=True)
class InkLanding:
    """Face that takes the ink, always where it ends up sunk, and whether that is the pattern or the ground around it."""

    face: Face
    part: Literal["pattern", "ground"]


@dataclass(frozen=True)
class Orientation:
    """How the sheet comes out: the face that stands up, which look the front has, whether words read from the front, what the
    blade points at, and which part of the front takes ink. Each None where the question does not arise."""

    raised_face: Face | None
    front_look: Literal["raised", "sunk"] | None
    words_from_front: bool | None
    blade_points: Literal["up", "down"] | None
    blade_meets: Message | None
    ink_lands: InkLanding | None


def other(face: Face) -> Face:
    return "back" if face == "front" else "front"


def upper_face(sheet: Placed) -> Face:
    """The face of the sheet that looks up as it lies in the stack."""
    return "back" if sheet.layer.turned else "front"


def raised_face(view: StackView) -> Face | None:
    """The face that stands up after pressing.

    A folder's raised half pushes through from its side; so does a one-sided relief with a mat behind the sheet. Type
    pressed in by a letterpress plate, and a blade's line, are sunk on the side they are pressed from: they stand up on the other.
    All of them come to the same: the face away from what pushes stands up.
    """
    sheet, tool = view.sheet, view.tool
    if sheet is None or tool is None:
        return None
    if tool.layer.half is not None:
        pushes_from_below = tool.layer.half == "raised"
    elif tool.item.relief is None and view.sandwich.effect.traits.only_cuts:
        return None
    else:
        pushes_from_below = tool.index < sheet.index
    upper = upper_face(sheet)
    return upper if pushes_from_below else other(upper)


def orientation_of(view: StackView, blade: BladeContact | None) -> Orientation:
    """Work all of it out."""
    raised = raised_face(view)
    front_look: Literal["raised", "sunk"] | None = None if raised is None else "raised" if raised == "front" else "sunk"
    tool, sheet = view.tool, view.sheet
    words = None
    if tool is not None and tool.item.relief is not None and tool.item.relief.words_read and front_look:
        words = tool.item.relief.words_read == front_look
    points: Literal["up", "down"] | None = None
    meets = None
    die = view.die
    if die is not None:
        points = "down" if die.active_side == "down" else "up"
        met = view.neighbours(die, points)
        meets = named(met[0].name) if met else say("the roller")
        if blade is not None and blade.behind is not None and sheet is not None and met and met[0].id == sheet.id:
            meets = say("{sheet}, then {behind}", sheet=sheet.name, behind=blade.behind.name)
    return Orientation(raised, front_look, words, points, meets, ink_landing(view))


def ink_landing(view: StackView) -> InkLanding | None:
    """Where ink on a tool's raised parts lands.

    Whatever touches a face with its raised parts pushes that face in, so ink colours what ends up sunk on the face that it
    touches. On a raised half those parts are the pattern, on a sunk half the ground around it.
    """
    sheet = view.sheet
    inked = next((p for p in view.layers if p.layer.ink is not None), None)
    if sheet is None or inked is None:
        return None
    face = upper_face(sheet) if inked.index > sheet.index else other(upper_face(sheet))
    return InkLanding(face, "ground" if inked.layer.half == "sunk" else "pattern")
