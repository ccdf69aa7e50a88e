"""A picture as an address that holds it."""

import base64


def data_address(png: bytes) -> str:
    """A PNG as a data address (RFC 2397)."""
    return f"data:image/png;base64,{base64.b64encode(png).decode()}"
