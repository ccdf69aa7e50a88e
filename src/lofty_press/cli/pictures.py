"""`lofty pictures`: computes the pictures by which effects are chosen, from the press room's own reliefs."""

import argparse
from dataclasses import replace

from lofty_press.demo.effects import SHOWN, example_of, shimmed
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.documents.pictures.effect_picture import effect_picture
from lofty_press.documents.pictures.shipped_pictures import PICTURES


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("--only", nargs="+", choices=tuple(SHOWN), metavar="EFFECT", default=tuple(SHOWN), help="some effects only")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Write one file an effect."""
    PICTURES.mkdir(exist_ok=True)
    for key in arguments.only:
        example = example_of(key)
        if example is None:
            print(f"{key}: nothing on the press room's shelf gives it")
            return 1
        if example.sandwich.effect.traits.blade:
            example = replace(example, sandwich=shimmed(example.sandwich))
        (PICTURES / f"{key}.webp").write_bytes(effect_picture(example, demo_relief))
        print(f"{key}: {example.sandwich.name}")
    return 0
