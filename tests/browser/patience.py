"""How long the tests wait for the page, in ms: a busy machine is no failure, and how fast it is stands in the bench."""

import re

PATIENCE = 40_000
COMPUTED = 180_000  # for a full sheet, which nobody waits for and which stands back behind everything else

RIGHT = re.compile("Firm, and right|Likely right|Cuts clean|Likely to cut clean")
"""What the Bench says of a pile that is likely to come out right, or all but certain to."""
