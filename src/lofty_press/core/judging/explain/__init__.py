"""Why: a short chain from measures to a verdict or a figure, each link with its equation and a place to change something."""

from lofty_press.core.judging.explain.chain import ABOUT, About, explain
from lofty_press.core.judging.explain.link import Bar, Link

__all__ = ["ABOUT", "About", "Bar", "Link", "explain"]
