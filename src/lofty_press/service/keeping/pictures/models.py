"""What is answered about pictures."""

from pydantic import BaseModel


class KeptPicture(BaseModel):
    """The key under which a picture is kept."""

    id: str
