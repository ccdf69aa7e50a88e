"""What the demo press room has to make for its hundredth year."""

from lofty_press.documents.answers.plan.job_file import BorderFile, JobFile, PieceFile, PressFile, RunFile, SheetsFile, ShopFile, StockFile

WHITE = StockFile(
    key="white",
    colour="#fbfaf6",
    name="Summit white card",
    thickness_mm=0.35,
    grammage_gsm=270,
    sheets=[SheetsFile(size="8 1/2 x 11", count=30), SheetsFile(size="4 x 8 1/2", count=3, offcut=True)],
)
GREEN = StockFile(
    key="green", name="Ridge green card", thickness_mm=0.31, grammage_gsm=250, sheets=[SheetsFile(size="8 1/2 x 11")], colour="#6f9a80"
)
KRAFT = StockFile(
    key="kraft",
    name="Carriage kraft",
    thickness_mm=0.3,
    grammage_gsm=216,
    sheets=[SheetsFile(size="8 1/2 x 11", count=40)],
    colour="#b98f5f",
)

COVERS = JobFile(
    format="lofty-press-job",
    version=1,
    name="Sixty programme covers",
    unit="in",
    count=60,
    spare=0.05,
    pieces=[
        PieceFile(
            key="base",
            name="Card base",
            kind="base",
            size="us-a2",
            fold="side",
            stock="kraft",
            works=["trim", "score", "fold", "assemble", "address"],
        ),
        PieceFile(key="layer", name="Green layer", kind="layer", on="base", border="1/8", stock="green", works=["trim", "glue"]),
        PieceFile(
            key="panel",
            name="Sheave panel",
            kind="panel",
            on="layer",
            border=BorderFile(left="1/4", right="1/4", top="1/4", bottom="1 1/4"),
            stock="white",
            relief_mm=0.47,
            runs=[RunFile(effect="deep-relief", pile="Sheave programme cover", mist=True)],
            works=["trim", "glue"],
        ),
        PieceFile(
            key="name",
            name="Name strip",
            kind="tag",
            on="layer",
            border=BorderFile(left="1/2", right="1/2", top="4 1/4", bottom="1/4"),
            stock="white",
            runs=[RunFile(effect="letterpress", pile="Timetable, inked", ink=True)],
            works=["trim", "glue"],
        ),
    ],
    stocks=[WHITE, GREEN, KRAFT],
    shop=ShopFile(presses=[PressFile(name="Midway")], rack=200),
)
"""Sixty covers by Sunday: a kraft base, a green layer, a deep panel with room for a name below it."""

JOBS: dict[str, JobFile] = {"programme-covers": COVERS}
