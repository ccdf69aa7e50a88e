"""The larger half of the program, read while the database comes up: the application with what comes with it, and the demo world."""

from fastapi import FastAPI

from lofty_press.demo.load import load_demo
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.service.app import create_app
from lofty_press.service.settings import Settings

__all__ = ["built_app", "load_demo"]


def built_app(settings: Settings) -> FastAPI:
    """The application with the reliefs and the piles that come with the program."""
    return create_app(settings, demo_relief, tuple(SANDWICHES.values()))
