"""`lofty device`: a stand-in for an instrument, to try the page without one."""

import argparse
import sys
from pathlib import Path

from lofty_press.core.basics.air import Air
from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import say
from lofty_press.devices import read_air
from lofty_press.devices.motor_stand_in import MotorStandIn, Passage
from lofty_press.devices.sensor_stand_in import SensorStandIn
from lofty_press.devices.stand_in import TROUBLES, GaugeStandIn, Jaws, Trouble

GAUGE = """Enter presses its button. A number and Enter puts something of so many mm between the jaws first. \
garbage, half, silence or unplug lets it misbehave. Ctrl-D puts it away."""
MOTOR = """It feeds when the page tells it to. garbage, half, silence or unplug lets it misbehave while it feeds, Enter alone makes it well again. \
Ctrl-D puts it away."""

SENSOR = """Two numbers and Enter change the air: degrees C and per cent, as 19 30. garbage, half, silence or unplug lets it misbehave, Enter alone makes \
it well again. Ctrl-D puts it away."""


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument(
        "device", choices=["gauge", "motor", "sensor"], help="a thickness gauge, a motor press or a room sensor; all speak in lines of text"
    )
    parser.add_argument("--port", type=int, default=0, help="port on 127.0.0.1 (otherwise a free one)")
    parser.add_argument("--thickness", type=float, default=3.0, help="gauge: what lies between its jaws [mm]")
    parser.add_argument("--zero", type=float, default=0.0, help="gauge: what it shows with its jaws closed [mm]")
    parser.add_argument("--noise", type=float, default=0.005, help="gauge: standard deviation of its readings [mm]")
    parser.add_argument("--slips", type=float, default=0.0, help="gauge: share of readings with the jaws askew")
    parser.add_argument("--unit", choices=["mm", "in"], default="mm", help="gauge: what it sends")
    parser.add_argument(
        "--sandwich", type=Path, help="motor: a sandwich file, for what it feeds (otherwise something that needs half of what it can)"
    )
    parser.add_argument("--thicker", type=float, default=0.0, help="motor: how much thicker the pile really is than that file says [mm]")
    parser.add_argument("--temperature", type=float, default=21.0, help="sensor: of the air [degrees C]")
    parser.add_argument("--humidity", type=float, default=48.0, help="sensor: of the air [%%]")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Serve it until its input ends."""
    try:
        return {"gauge": serve_gauge, "motor": serve_motor, "sensor": serve_sensor}[arguments.device](arguments)
    except OSError as error:
        print(f"lofty: port {arguments.port} cannot be had: {error.strerror}. Leave --port out and a free one is taken.", file=sys.stderr)
        return 1
    except (InvalidInput, NoBalance) as error:
        print(f"lofty: {arguments.sandwich} cannot be fed: {error}", file=sys.stderr)
        return 2


def serve_gauge(arguments: argparse.Namespace) -> int:
    """A gauge, button and all."""
    gauge = GaugeStandIn(Jaws(arguments.zero, arguments.noise, arguments.slips, arguments.unit), port=arguments.port)
    print(f"The gauge is at {gauge.address}\n{GAUGE}", flush=True)
    thickness = arguments.thickness
    try:
        for line in sys.stdin:
            word = line.strip().replace(",", ".")
            trouble = trouble_in(word)
            if word and trouble is None:
                try:
                    thickness = float(word)
                except ValueError:
                    print(GAUGE, flush=True)
                    continue
            gauge.press(thickness, trouble)
    finally:
        gauge.close()
    return 0


def serve_motor(arguments: argparse.Namespace) -> int:
    """A motor press, with what it feeds."""
    motor = MotorStandIn(fed(arguments), port=arguments.port)
    print(f"The motor press is at {motor.address}\n{MOTOR}", flush=True)
    try:
        for line in sys.stdin:
            motor.trouble = trouble_in(line.strip())
    finally:
        motor.close()
    return 0


def serve_sensor(arguments: argparse.Namespace) -> int:
    """A room sensor."""
    sensor = SensorStandIn(Air(arguments.temperature, arguments.humidity / 100.0), port=arguments.port)
    print(f"The room sensor is at {sensor.address}\n{SENSOR}", flush=True)
    try:
        for line in sys.stdin:
            found = read_air(line)
            sensor.trouble = trouble_in(line.strip())
            if isinstance(found, Air):
                sensor.air = found
            sensor.say()
    finally:
        sensor.close()
    return 0


def fed(arguments: argparse.Namespace) -> Passage:
    """What the motor feeds."""
    if arguments.sandwich is None:
        return Passage(bump, 260.0)
    from lofty_press.demo.reliefs.library import with_own
    from lofty_press.devices.passage import passage_of  # here, since a gauge needs none of what it loads
    from lofty_press.documents.files.sandwich_file import read_sandwich_file

    try:
        content = read_sandwich_file(arguments.sandwich.read_bytes())
    except OSError as error:
        raise InvalidInput("sandwich", arguments.sandwich.name, say("can't be read ({reason})", reason=error.strerror or "?")) from error
    return passage_of(content.sandwich, with_own(content.reliefs), thicker=arguments.thicker)


def bump(position: float) -> float:
    """Something that needs half of what the motor can, for a while."""
    return 0.5 if 60.0 < position < 200.0 else 0.05


def trouble_in(word: str) -> Trouble | None:
    """How it is to misbehave."""
    return next((known for known in TROUBLES if known == word), None)
