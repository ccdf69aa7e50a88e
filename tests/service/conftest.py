"""An application apart, for tests that keep what nobody else should come across."""

import pytest

from lofty_press.runtime.serve import in_background


@pytest.fixture(scope="session")
def apart(tmp_path_factory):
    """The application with the demo world, on a database that only those share who spoil it."""
    with in_background(tmp_path_factory.mktemp("apart"), demo=True) as application:
        yield application
