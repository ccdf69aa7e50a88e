"""`lofty device`: a stand-in for an instrument, to try the page without one."""

import argparse
import sys

from lofty_press.devices.stand_in import TROUBLES, GaugeStandIn, Jaws, Trouble

HELP = """Enter presses its button. A number and Enter puts something of so many mm between the jaws first. \
garbage, half, silence or unplug lets it misbehave. Ctrl-D puts it away."""


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("device", choices=["gauge"], help="a thickness gauge that sends a line of text")
    parser.add_argument("--port", type=int, default=0, help="port on 127.0.0.1 (otherwise a free one)")
    parser.add_argument("--thickness", type=float, default=3.0, help="what lies between its jaws [mm]")
    parser.add_argument("--zero", type=float, default=0.0, help="what it shows with its jaws closed [mm]")
    parser.add_argument("--noise", type=float, default=0.005, help="standard deviation of its readings [mm]")
    parser.add_argument("--slips", type=float, default=0.0, help="share of readings with the jaws askew")
    parser.add_argument("--unit", choices=["mm", "in"], default="mm", help="what it sends")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Serve it until its input ends."""
    try:
        gauge = GaugeStandIn(Jaws(arguments.zero, arguments.noise, arguments.slips, arguments.unit), port=arguments.port)
    except OSError as error:
        print(f"lofty: port {arguments.port} cannot be had: {error.strerror}. Leave --port out and a free one is taken.", file=sys.stderr)
        return 1
    print(f"The gauge is at {gauge.address}\n{HELP}", flush=True)
    thickness = arguments.thickness
    try:
        for line in sys.stdin:
            word = line.strip().replace(",", ".")
            trouble: Trouble | None = next((known for known in TROUBLES if known == word), None)
            if word and trouble is None:
                try:
                    thickness = float(word)
                except ValueError:
                    print(HELP, flush=True)
                    continue
            gauge.press(thickness, trouble)
    finally:
        gauge.close()
    return 0
