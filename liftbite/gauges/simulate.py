"""A gauge that is not there: sends readings of a caliper, a swept dial or a depth gauge, as the real one would.

- `caliper`, `dial_sweep`, `depths`, `read_values`   the readings
- `wrench`   the pulls of a torque wrench, and what goes wrong with them
- `Simulator`   a server that sends them line by line, with drop-outs
"""

from __future__ import annotations

import contextlib
import random
import socket
import threading
from collections.abc import Iterable, Iterator
from itertools import cycle, islice
from math import cos, radians

from liftbite.core.errors import UnreadableEntry
from liftbite.core.units.read import read
from liftbite.gauges.protocol import write_line, write_pull


def caliper(around: float, noise: float, seed: int = 1) -> Iterator[bytes]:
    """Readings round one value [mm], spread by `noise` [mm], without end.

    >>> next(caliper(2.83, 0.0))
    b'2.83 mm\\n'
    """
    chance = random.Random(seed)
    while True:
        yield write_line(chance.gauss(around, noise), "mm", 2)


def dial_sweep(
    off: float, towards: float, count: int = 8, *, inside: bool = True, noise: float = 0.0, seed: int = 1
) -> Iterator[bytes]:
    """A dial swept clockwise round a bore that lies `off` [mm] towards an angle [°]: every angle, and the first again.

    Plus when pressed in: from inside the wall is nearest on the far side, so the reading there is highest.

    >>> [line.decode().split()[0] for line in dial_sweep(0.1, 90.0, 4)]
    ['0.000', '-0.100', '0.000', '0.100', '0.000']
    """
    chance = random.Random(seed)
    first = cos(radians(-towards))
    for i in [*range(count), 0]:
        wall = off * (cos(radians(i * 360 / count - towards)) - first) + chance.gauss(0.0, noise)
        yield write_line((-wall if inside else wall) + 0.0, "mm", 3).replace(b"-0.000", b"0.000")


def depths(values: Iterable[tuple[float, str]], noise: float = 0.0, seed: int = 1) -> Iterator[bytes]:
    """Readings of a depth gauge in the order given, each with its unit.

    >>> list(depths([(3.219, "in"), (63.5, "mm")]))
    [b'3.219 in\\n', b'63.50 mm\\n']
    """
    chance = random.Random(seed)
    for value, unit in values:
        step = noise / 25.4 if unit == "in" else noise
        yield write_line(chance.gauss(value, step), unit, 3 if unit == "in" else 2)


#: What can be wrong with how a simulated wrench is used.
FAULTS = ("", "low", "double")


def wrench(
    torque: float, bolts: int, angle: float = 0.0, fault: str = "", *, noise: float = 0.01, seed: int = 1
) -> Iterator[bytes]:
    """Pulls of a torque wrench on every bolt in turn [N·m], [°]: to its torque, then by its angle where it has one.

    "low" lets go of the third bolt too early and pulls it again; "double" pulls the second bolt twice, which turns no
    further the second time.

    >>> [line.decode().split()[2] for line in wrench(95.0, 3, fault="double", noise=0.0)]
    ['35', '35', '1', '35']
    """
    chance = random.Random(seed)
    for turned in (35.0, angle) if angle else (35.0,):
        for bolt in range(1, bolts + 1):
            share = chance.gauss(1.0, noise)
            if fault == "low" and bolt == 3:
                yield write_pull(torque * 0.8, turned * 0.7)
            yield write_pull(torque * share * (1 if turned == 35.0 else 1.4), turned)
            if fault == "double" and bolt == 2:
                yield write_pull(torque * share * 1.01, 1.0)


def read_values(typed: str) -> list[tuple[float, str]]:
    """Readings as typed, separated by commas; bare ones in mm.

    Raises
    ------
    UnreadableEntry : one is no length

    >>> read_values("3.219 in, 63.5")
    [(3.219, 'in'), (63.5, 'mm')]
    """
    found = [read(part, "m", "mm") for part in typed.split(",") if part.strip()]
    if not found:
        raise UnreadableEntry('Say what the depth gauge reads: --values "3.219 in, 63.5 mm".')
    return [(r.number, r.unit) for r in found]


class Simulator:
    """A gauge behind a TCP port of this machine.

    Parameters
    ----------
    lines : what it sends
    every : seconds between readings; 0 sends as fast as they are taken off
    port : TCP port, 0 for any that is free
    drop_after : readings after which the connection breaks off for `drop_for` seconds or until `plug_in`; 0 for never
    again : True to begin anew when the readings are spent
    by_hand : True to send only on `press`
    """

    def __init__(
        self,
        lines: Iterable[bytes],
        *,
        every: float = 1.0,
        port: int = 0,
        drop_after: int = 0,
        drop_for: float = 1.0,
        again: bool = False,
        by_hand: bool = False,
    ) -> None:
        self._lines = cycle(list(islice(iter(lines), 100_000))) if again else iter(lines)
        self.every, self.drop_after, self.drop_for = every, drop_after, drop_for
        self.sent = 0
        self._press = threading.Semaphore(0)
        self.by_hand = by_hand
        self._server = self._bind(port)
        self._server.listen()
        self._port = int(self._server.getsockname()[1])
        self._stop, self._plugged = threading.Event(), threading.Event()
        self._thread = threading.Thread(target=self._run, daemon=True)

    @property
    def url(self) -> str:
        """The address to read it at."""
        return f"socket://127.0.0.1:{self._port}"

    def start(self) -> Simulator:
        """Begins to listen."""
        self._thread.start()
        return self

    @property
    def running(self) -> bool:
        """True until it is stopped."""
        return not self._stop.is_set()

    def press(self) -> None:
        """Sends the next reading, as the button on the gauge would; for `by_hand`."""
        self._press.release()

    def plug_in(self) -> None:
        """Plugs it in again, before `drop_for` has passed."""
        self._plugged.set()

    def stop(self) -> None:
        """Unplugs it for good."""
        self._stop.set()
        self._plugged.set()
        self._press.release()
        self._thread.join(timeout=2)
        self._server.close()

    @staticmethod
    def _bind(port: int) -> socket.socket:
        server = socket.socket()
        server.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        server.settimeout(0.2)
        try:
            server.bind(("127.0.0.1", port))
        except OSError:
            server.close()
            raise
        return server

    def _run(self) -> None:
        while not self._stop.is_set():
            with contextlib.suppress(TimeoutError):
                there, _ = self._server.accept()
                with there:
                    self._send(there)
                if not self._stop.is_set():  # unplugged: nothing listens for a while, but nobody else gets the port
                    self._server.close()
                    self._server = self._bind(self._port)
                    self._plugged.wait(self.drop_for)
                    self._plugged.clear()
                    self._server.listen()

    def _send(self, there: socket.socket) -> None:
        with contextlib.suppress(OSError):
            there.sendall(b"# lift bite simulated gauge\n")
            since = 0
            while not self._stop.is_set():
                if self.by_hand:
                    self._press.acquire()
                    if self._stop.is_set():
                        return
                line = next(self._lines, None)
                if line is None:
                    self._stop.wait(0.2)
                    continue
                there.sendall(line)
                self.sent += 1
                since += 1
                if self.drop_after and since >= self.drop_after:
                    return
                if self.every:
                    self._stop.wait(self.every)
