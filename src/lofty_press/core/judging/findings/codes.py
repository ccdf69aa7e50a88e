"""Every code that a finding may have, and what other parts of the program make of it."""

from dataclasses import dataclass
from typing import Literal

Stage = Literal["prepare", "build", "feed", "press", "look", "finish"]
"""Stages of the work at the press."""


@dataclass(frozen=True)
class CallTraits:
    """A stop that `speaks_first` is the sentence over the pile, before its pressure is; so is what `spoils` the sheet however well it is pressed. What is
    `costed` counts among the costs of a recipe by its own figure and not as a warning besides; a caution belongs to a `stage` of the work, or to its layer's step if there is none."""

    speaks_first: bool = False
    spoils: bool = False
    costed: bool = False
    stage: Stage | None = None


TRAITS: dict[str, CallTraits] = {
    "bed-missing": CallTraits(),
    "bed-under-steel-rule": CallTraits(),
    "blade-looks-away": CallTraits(speaks_first=True),
    "blade-meets-tool": CallTraits(speaks_first=True),
    "blade-to-metal": CallTraits(speaks_first=True),
    "blade-too-low": CallTraits(speaks_first=True),
    "buckles": CallTraits(costed=True),
    "card-behind-the-blade": CallTraits(),
    "coated-face-misted": CallTraits(),
    "crack-risk": CallTraits(costed=True),
    "cracks": CallTraits(costed=True),
    "cut-in-places": CallTraits(costed=True),
    "deep-and-dry": CallTraits(costed=True),
    "deep-plate-better": CallTraits(),
    "deep-plate-missing": CallTraits(),
    "dry-at-a-mask": CallTraits(),
    "faint": CallTraits(costed=True),
    "fingers-clear": CallTraits(stage="feed"),
    "flip-the-plate": CallTraits(stage="finish"),
    "front-comes-out-wrong": CallTraits(spoils=True),
    "halves-held-apart": CallTraits(speaks_first=True),
    "handle-heavy": CallTraits(costed=True),
    "handle-too-heavy": CallTraits(),
    "heat-and-powder": CallTraits(stage="finish"),
    "hold-until-set": CallTraits(stage="finish"),
    "hold-it-still": CallTraits(stage="press"),
    "in-the-hinge": CallTraits(spoils=True),
    "ink-lands": CallTraits(),
    "ink-meets-no-sheet": CallTraits(spoils=True),
    "ink-on-blade": CallTraits(),
    "intricate-die": CallTraits(),
    "keeps-little": CallTraits(costed=True),
    "letterpress-two-pads": CallTraits(),
    "long-straight-edge": CallTraits(costed=True),
    "lower-plate-missing": CallTraits(),
    "mat-squeezed-flat": CallTraits(),
    "mat-too-thin": CallTraits(),
    "mat-where-cut": CallTraits(speaks_first=True),
    "measure": CallTraits(),
    "metal-edges": CallTraits(stage="prepare"),
    "mind-the-mist": CallTraits(stage="prepare"),
    "mist-does-nothing": CallTraits(),
    "mist-has-gone": CallTraits(),
    "motor-overloaded": CallTraits(),
    "needless-passes": CallTraits(),
    "no-mat-where-line": CallTraits(speaks_first=True),
    "not-everywhere": CallTraits(costed=True),
    "nothing-gives-way": CallTraits(speaks_first=True),
    "off-centre": CallTraits(),
    "outside-the-press": CallTraits(),
    "part-cut": CallTraits(costed=True),
    "plate-bowed": CallTraits(costed=True),
    "platform-missing": CallTraits(),
    "powder-ink-on-plate": CallTraits(),
    "pressed-too-hard": CallTraits(costed=True),
    "relief-away": CallTraits(),
    "scars-under-foil": CallTraits(),
    "sharp-edges": CallTraits(),
    "sheet-apart": CallTraits(speaks_first=True),
    "sheet-missing": CallTraits(),
    "sheet-off-the-tool": CallTraits(speaks_first=True),
    "silicone-cut": CallTraits(speaks_first=True),
    "single-frame": CallTraits(),
    "slack": CallTraits(costed=True),
    "soft-plate-as-anvil": CallTraits(),
    "sticks-out": CallTraits(),
    "tears": CallTraits(speaks_first=True, costed=True),
    "three-passes": CallTraits(),
    "too-thick-to-feed": CallTraits(),
    "tool-missing": CallTraits(),
    "tool-unfit": CallTraits(),
    "tools-overlap": CallTraits(),
    "top-plate-missing": CallTraits(),
    "try-one": CallTraits(),
    "two-pads-on-deep-folder": CallTraits(),
    "wash-ink-off": CallTraits(stage="finish"),
    "wider-than-press": CallTraits(speaks_first=True),
    "words-mirrored": CallTraits(spoils=True),
    "wrong-ink": CallTraits(),
}
