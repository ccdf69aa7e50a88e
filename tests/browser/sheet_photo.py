"""The computed sheet on a dark table, to stand for a photo where only the page is tested; what a ray tracer rendered is read in `tests/core/imaging/sightread`."""

import cv2
import numpy as np


def sheet_photo(http, sandwich, *, blank_from=None):
    """A photo as a browser takes it; `blank_from` is the share of its length from which its pattern is gone."""
    pressed = http.post("/api/impressions", json=sandwich).json()
    picture = http.get(f"/api/impressions/{pressed['key']}/files/png", params={"azimuth": 200, "altitude": 30}).content
    shown = cv2.imdecode(np.frombuffer(picture, np.uint8), cv2.IMREAD_UNCHANGED)
    rows, columns = (np.flatnonzero((shown[..., 3] > 0).any(axis=axis)) for axis in (1, 0))
    sheet = shown[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1, :3].copy()
    if blank_from is not None:
        start = int(blank_from * len(sheet))
        sheet[start:] = np.median(sheet.reshape(-1, 3), axis=0)
    large = cv2.resize(sheet, None, fx=6, fy=6, interpolation=cv2.INTER_CUBIC)
    table = cv2.copyMakeBorder(large, 90, 90, 90, 90, cv2.BORDER_CONSTANT, value=(25, 30, 38))
    return {"name": "it.jpg", "mimeType": "image/jpeg", "buffer": cv2.imencode(".jpg", table)[1].tobytes()}
