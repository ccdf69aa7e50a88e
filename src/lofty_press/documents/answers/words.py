"""Texts on the wire: the template and what fills it, so that the reader's side puts them into words."""

from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field, GetCoreSchemaHandler
from pydantic_core import core_schema

from lofty_press.core.basics.words import KindKey, Message, Quantity, Unit, Value


class QuantityDocument(BaseModel):
    """A figure in a text, in its kind's stored unit (lengths in mm), with the decimals that a metric reader gets if not the kind's own."""

    model_config = ConfigDict(extra="forbid", title="Quantity")

    value: float
    kind: KindKey
    digits: int | None = None


class MessageDocument(BaseModel):
    """A text: the template in English, which is its key in every catalogue, and what fills its holes: names, figures, other texts."""

    model_config = ConfigDict(extra="forbid", title="Message")

    say: str
    fill: "dict[str, str | QuantityDocument | MessageDocument]" = Field(default_factory=dict)


def on_the_wire(message: Message) -> MessageDocument:
    """A text as a document."""
    return MessageDocument(say=message.template, fill={hole: wired(value) for hole, value in message.values.items()})


def wired(value: Value) -> str | QuantityDocument | MessageDocument:
    """What fills a hole, as a document."""
    if isinstance(value, Quantity):
        return QuantityDocument(value=round(float(value.value), 6), kind=value.kind, digits=value.digits)
    return on_the_wire(value) if isinstance(value, Message) else value


def off_the_wire(document: MessageDocument) -> Message:
    """A document as a text again."""
    return Message(document.say, {hole: unwired(value) for hole, value in document.fill.items()})


def unwired(value: str | QuantityDocument | MessageDocument) -> Value:
    """What fills a hole, from its document."""
    if isinstance(value, QuantityDocument):
        return Quantity(value.value, value.kind, value.digits)
    return off_the_wire(value) if isinstance(value, MessageDocument) else value


class _AsMessage:
    """Lets a `Message` be a field: kept as it is, read and written as a document; a bare `str` is no text and is refused."""

    @classmethod
    def __get_pydantic_core_schema__(cls, source: Any, handler: GetCoreSchemaHandler) -> core_schema.CoreSchema:
        document = handler.generate_schema(MessageDocument)

        def read(value: Any, of_document: core_schema.ValidatorFunctionWrapHandler) -> Message:
            return value if isinstance(value, Message) else off_the_wire(of_document(value))

        return core_schema.no_info_wrap_validator_function(
            read,
            document,
            serialization=core_schema.plain_serializer_function_ser_schema(on_the_wire, return_schema=document),
        )


Words = Annotated[Message, _AsMessage]


def read_out(content: Any, unit: Unit = "mm") -> Any:
    """JSON-like content with every text in it put into words for a reader, for the command line and whoever wants plain JSON."""
    if isinstance(content, dict):
        if isinstance(content.get("say"), str) and content.keys() <= {"say", "fill"}:
            return off_the_wire(MessageDocument.model_validate(content)).in_words(unit)
        return {key: read_out(value, unit) for key, value in content.items()}
    return [read_out(value, unit) for value in content] if isinstance(content, list) else content
