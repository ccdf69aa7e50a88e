"""The application as a siege starts it: `python -m lofty_press.siege FOLDER`."""

import sys
from pathlib import Path

from lofty_press.siege.target import run_target

if __name__ == "__main__":
    run_target(Path(sys.argv[1]))
