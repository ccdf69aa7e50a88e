"""A fingerprint of code: what it made before is kept under it, and forgotten once the code is another."""

import hashlib
from functools import cache
from pathlib import Path

from lofty_press import core

CORE = Path(core.__file__).parent


@cache
def fingerprint_of(*makers: str) -> str:
    """16 hexadecimal digits that tell these files and folders of the core from any other's; of all of it if none is named.

    Raises
    ------
    FileNotFoundError
        If a name has no code: its changes would go unseen.
    """
    digest = hashlib.sha256()
    for maker in makers or ("",):
        files = [CORE / maker] if maker.endswith(".py") else sorted((CORE / maker).rglob("*.py"))
        if not files:
            raise FileNotFoundError(CORE / maker)
        for file in files:
            digest.update(file.read_bytes())
    return digest.hexdigest()[:16]
