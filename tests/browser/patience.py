"""How long the tests wait for the page, in ms: a busy machine is no failure, and how fast it is stands in the bench."""

import re

PATIENCE = 40_000
COMPUTED = 180_000  # for a full sheet, which nobody waits for and which stands back behind everything else

RIGHT = re.compile("Firm, and right|Likely right|May come out uneven|Cuts clean|Likely to cut clean")
"""What the Bench says of a pile whose pressure is right. The demo's sleeve stands between the second and the third: which of them is said depends on whether
its sheet was computed in full before, by this test or another."""
