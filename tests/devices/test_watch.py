"""Listening by several at once, and to what is gone as soon as it is there."""

import contextlib
import gc
import select
import socket
import struct
import threading
import warnings
from concurrent.futures import ThreadPoolExecutor

import pytest
from serial.urlhandler import protocol_socket
from tests.devices.test_gauge import until

from lofty_press.core.basics.air import Air
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.devices import Watch, open_port, read, read_air, socket_port
from lofty_press.devices.sensor_stand_in import SensorStandIn
from lofty_press.devices.stand_in import GaugeStandIn, Jaws
from lofty_press.service.devices.plugged import Plugged


def listeners(name):
    return [thread for thread in threading.enumerate() if thread.name == name and thread.is_alive()]


def test_of_many_who_choose_at_once_one_is_heard_and_no_listener_is_left():
    gauges = [GaugeStandIn(Jaws()) for _ in range(3)]
    watch = Watch(read, name="crowded")
    with ThreadPoolExecutor(12) as choosers:
        list(choosers.map(lambda n: watch.listen(gauges[n % 3].address), range(36)))
    assert len(listeners("crowded")) == 1
    chosen = next(gauge for gauge in gauges if gauge.address == watch.address)
    until(lambda: chosen.connected and watch.state == "listening")
    chosen.press(2.0)
    until(lambda: watch.after(0))
    watch.close()
    assert (listeners("crowded"), watch.state, watch.address) == ([], "off", None)
    for gauge in gauges:
        gauge.close()


def test_a_socket_whose_other_end_is_gone_is_closed_all_the_same():
    """What the serial library leaves open when its shutting down fails is said by Python when it is thrown away."""
    server = socket.create_server(("127.0.0.1", 0))
    address = f"socket://127.0.0.1:{server.getsockname()[1]}"

    def hang_up():
        for _ in range(3):
            line, _ = server.accept()
            line.setsockopt(socket.SOL_SOCKET, socket.SO_LINGER, struct.pack("ii", 1, 0))
            line.close()  # at once, and not in good order

    thread = threading.Thread(target=hang_up)
    thread.start()
    with warnings.catch_warnings(record=True) as told:
        warnings.simplefilter("always")
        for _ in range(3):
            with contextlib.suppress(OSError), open_port(address) as port:
                until(lambda port=port: not port.read(1))
        thread.join(5)
        gc.collect()
    server.close()
    assert [str(each.message) for each in told if each.category is ResourceWarning] == []


def test_what_an_instrument_says_as_soon_as_it_is_plugged_in_is_heard_however_slow_the_opening_is(monkeypatch):
    def slow(port):
        assert select.select([port._socket], [], [], 5.0)[0]  # the sensor has spoken before the port is open

    monkeypatch.setattr(protocol_socket.Serial, "_update_rts_state", slow)
    sensor = SensorStandIn(Air(20.0, 0.5), seconds=600.0)
    watch = Watch(read_air, name="slow")
    watch.listen(sensor.address)
    until(lambda: watch.after(0))
    watch.close()
    sensor.close()


class NoDatabase:
    """Keeps one setting, and says when somebody asks for a second connection while it holds one."""

    def __init__(self):
        self.kept, self.held = "", False

    @contextlib.contextmanager
    def reading(self):
        assert not self.held
        self.held = True
        try:
            yield self
        finally:
            self.held = False

    writing = reading

    @contextlib.contextmanager
    def cursor(self):
        yield self

    def execute(self, query, values=None):
        if values is not None:
            self.kept = values["body"]

    def fetchall(self):
        return [{"name": "gauge", "body": self.kept}] if self.kept else []


def test_the_first_choice_may_ask_for_itself_and_waits_for_nobody():
    gauge = Plugged(NoDatabase(), "gauge", Watch(read), own_ports=(8417, 3306))

    def answer():
        gauge.begin()
        return gauge.watch.address

    done = []
    thread = threading.Thread(target=lambda: done.append(gauge.choose("loop://", answer)), daemon=True)
    thread.start()
    thread.join(10)
    assert done == ["loop://"]
    gauge.close()


def test_a_port_of_this_program_is_no_instrument():
    database = NoDatabase()
    gauge = Plugged(database, "gauge", Watch(read), own_ports=(8417, 3306))
    for port in (8417, 3306):
        with pytest.raises(InvalidInput, match="port of Lofty Press itself"):
            gauge.choose(f"socket://127.0.0.1:{port}", lambda: None)
    assert database.kept == ""
    database.kept = '"socket://localhost:3306"'  # kept by an older version: heard no more
    gauge.begin()
    assert gauge.watch.state == "off"
    assert [socket_port(address) for address in ("socket://localhost:99", "loop://", "COM3")] == [99, None, None]


def test_where_the_choice_cannot_be_answered_the_one_before_is_heard_on():
    gauge = Plugged(NoDatabase(), "gauge", Watch(read))
    gauge.choose("loop://", lambda: None)
    with pytest.raises(ZeroDivisionError):
        gauge.choose(None, lambda: 1 / 0)
    assert gauge.watch.address == "loop://"
    gauge.close()
