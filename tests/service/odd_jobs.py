"""Computations for workers to be tried with; they are found by name in another process, so they live in a module that is quickly there."""

import os
import time

import numpy as np

from lofty_press.core.basics.errors import InvalidInput


def sleep(_, seconds):
    time.sleep(seconds)
    return "slept"


def spin(_, seconds):
    end = time.monotonic() + seconds
    while time.monotonic() < end:
        pass


def hoard(_, megabytes):
    return float(np.ones(megabytes * 125_000).sum())


def vanish(_):
    os._exit(9)


def refuse(_):
    raise InvalidInput("width_mm", 3, "must be less")


def ask_back(tools, key):
    return tools.library(key)
