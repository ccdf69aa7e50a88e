"""Writing an archive, a part at a time."""

import hashlib
import json
import zipfile
from datetime import UTC, datetime
from pathlib import Path
from types import TracebackType
from typing import Any, Self

from lofty_press.documents.files.archive.manifest import FORMAT, MANIFEST, VERSION
from lofty_press.documents.files.archive.relief import relief_parts
from lofty_press.documents.files.shapes import SHAPE


class ArchiveWriter:
    """An archive in the making; the manifest is written when it is closed well."""

    def __init__(self, path: Path) -> None:
        self.zip = zipfile.ZipFile(path, "w", zipfile.ZIP_DEFLATED, compresslevel=5)
        self.files: dict[str, dict[str, Any]] = {}

    def __enter__(self) -> Self:
        return self

    def __exit__(self, kind: type[BaseException] | None, error: BaseException | None, trace: TracebackType | None) -> None:
        if kind is None:
            self._close()
        else:
            self.zip.close()

    def put(self, name: str, body: bytes) -> None:
        """Add a file."""
        how = zipfile.ZIP_STORED if name.endswith(".jpg") else zipfile.ZIP_DEFLATED
        self.zip.writestr(zipfile.ZipInfo(name, date_time=(1980, 1, 1, 0, 0, 0)), body, compress_type=how)
        self.files[name] = {"sha256": hashlib.sha256(body).hexdigest(), "bytes": len(body)}

    def put_json(self, name: str, content: Any) -> None:
        """Add a JSON file."""
        self.put(name, json.dumps(content, ensure_ascii=False, indent=1).encode())

    def put_relief(self, key: str, name: str, packed: bytes) -> None:
        """Add a relief: heights as TIFF, what belongs to them as JSON, its blade also as SVG."""
        for ending, body in relief_parts(name, packed).items():
            self.put(f"reliefs/{key}.{ending}", body)

    def _close(self) -> None:
        made = datetime.now(UTC).isoformat(timespec="seconds")
        content = {"format": FORMAT, "version": VERSION, "shape": SHAPE, "made_at": made, "files": self.files}
        self.zip.writestr(MANIFEST, json.dumps(content, indent=1), compress_type=zipfile.ZIP_DEFLATED)
        self.zip.close()
