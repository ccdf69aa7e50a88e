"""What each route does itself, in the one process that everybody shares, with what is sent to it; everything else is done by a worker within a budget.

A route that takes a body has its line here, or the application does not start. The service's process may read small documents, and large ones that a worker
has found to be right; it may keep bytes and hand them on. It parses, walks and matches nothing else that grows with what was sent.
"""

from dataclasses import dataclass
from typing import Literal

Way = Literal["reads", "hands on", "streams"]
"""Reads a document (`bodies.py`: a large one when a worker has checked it); hands the bytes on to a worker unread; writes them to a file for one, unread."""


@dataclass(frozen=True)
class OwnWork:
    """What a route does with a body, and the largest that it takes. [bytes]"""

    way: Way
    most: int


DOCUMENT = OwnWork("reads", 2_000_000)
"""A usual sandwich is under 200 kB, one with several outlines of 4 000 points under 1 MB."""
WORD = OwnWork("reads", 20_000)
LIST = OwnWork("reads", 300_000)
"""Text as people write it: a list of things, a class's results."""
FILE = OwnWork("hands on", 24_500_000)
PHOTO = OwnWork("hands on", 12_000_000)
LIST_FILE = OwnWork("hands on", 2_000_000)
SERIES = OwnWork("streams", 200_000_000)
"""Photos of one tool: up to seventeen of some ten megabytes."""
EVERYTHING = OwnWork("streams", 400_000_000)
"""All that somebody owns."""

OWN_WORK: dict[str, OwnWork] = {
    "addToShelf": DOCUMENT,
    "answerDrill": DOCUMENT,
    "answerGivenDrill": DOCUMENT,
    "assess": DOCUMENT,
    "beginJob": WORD,
    "changeJob": DOCUMENT,
    "changePaper": DOCUMENT,
    "changeRun": DOCUMENT,
    "changeSandwich": DOCUMENT,
    "changeShelfEntry": DOCUMENT,
    "chooseGauge": WORD,
    "chooseMotor": WORD,
    "chooseSensor": WORD,
    "coach": DOCUMENT,
    "coachPicture": DOCUMENT,
    "cuttingFile": DOCUMENT,
    "depthOfTool": DOCUMENT,
    "envelopeForJob": DOCUMENT,
    "explainVerdict": DOCUMENT,
    "feed": DOCUMENT,
    "feedTemplate": DOCUMENT,
    "flap": DOCUMENT,
    "flapTemplate": DOCUMENT,
    "importRuns": FILE,
    "importSandwich": FILE,
    "importShelf": FILE,
    "keepPaper": DOCUMENT,
    "keepPicture": FILE,
    "keepRunPhoto": PHOTO,
    "keepSetting": WORD,
    "listInFile": LIST_FILE,
    "lookAtArchive": EVERYTHING,
    "lying": DOCUMENT,
    "makeDrill": WORD,
    "makeJob": DOCUMENT,
    "makeSandwich": DOCUMENT,
    "measureBow": WORD,
    "nextRun": DOCUMENT,
    "nextTrial": DOCUMENT,
    "orderLoss": DOCUMENT,
    "orderMotor": WORD,
    "planJob": DOCUMENT,
    "pressSheet": DOCUMENT,
    "listFixes": DOCUMENT,
    "putJobAway": WORD,
    "readGivenDrill": FILE,
    "readList": LIST,
    "readRelief": FILE,
    "readSheetPhoto": FILE,
    "readResults": LIST_FILE,
    "resizePiece": DOCUMENT,
    "restore": EVERYTHING,
    "runCard": DOCUMENT,
    "runCardPdf": DOCUMENT,
    "runCardText": DOCUMENT,
    "reliefInPhotos": SERIES,
    "shapeOfTool": DOCUMENT,
    "toolsInPhoto": FILE,
    "searchRecipes": DOCUMENT,
    "setOut": LIST,
    "sizesOfJob": DOCUMENT,
    "startRun": DOCUMENT,
    "teachingSheet": DOCUMENT,
    "together": DOCUMENT,
    "transferSandwich": DOCUMENT,
    "trouble": DOCUMENT,
    "writeGivenDrill": DOCUMENT,
    "writeResults": LIST,
    "zeroGauge": WORD,
}
