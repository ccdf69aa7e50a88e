"""How a field is asked for in a form: plain data beside the field, as its limits are."""

from dataclasses import dataclass
from typing import Any

from lofty_press.core.basics.words.kinds import KindKey
from lofty_press.core.basics.words.message import NOTHING, Message


@dataclass(frozen=True)
class Asked:
    """What a field is called, what kind of figure it is, and what helps to answer.

    `rare` fields are figures that hardly anybody knows: they stay folded away with what is believed of them. `apart` fields have a place of
    their own (a name, an outline from a file) and are in no form.
    """

    label: Message = NOTHING
    kind: KindKey | None = None
    help: Message = NOTHING
    rare: bool = False
    apart: bool = False

    def __get_pydantic_json_schema__(self, schema: Any, handler: Any) -> Any:
        """Lay it beside the limits in the field's JSON Schema."""
        told: dict[str, Any] = {"label": self.label.template, "kind": self.kind, "help": self.help.template, "rare": self.rare}
        return {**handler(schema), "x-asked": {"apart": True} if self.apart else told}


APART = Asked(apart=True)
