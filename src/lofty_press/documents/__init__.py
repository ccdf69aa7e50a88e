"""What leaves the program and comes back: files, answers, pictures."""

import lofty_press.documents.files.schemas  # noqa: F401  # before anything here builds a schema of its own
