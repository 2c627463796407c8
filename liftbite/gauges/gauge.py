"""Reads a gauge's data port in a thread of its own; nothing that came in is lost, and an unplugged gauge says so.

- `Event`    what came in, numbered
- `Gauge`    one port being read
- `Gauges`   the ports being read, shared by every tab
"""

from __future__ import annotations

import threading
import time
from collections import deque
from dataclasses import dataclass
from typing import Literal

import serial

from liftbite.core.errors import UnreadableEntry
from liftbite.gauges.protocol import check_port, parse_message

#: Seconds between looks at the port, and between tries to find it again.
LOOK, RETRY = 0.04, 0.5
KEPT = 20_000
#: Ports read at once.
MOST_PORTS = 16
#: A port nobody has asked about for this long is let go [s].
IDLE = 60.0


EventKind = Literal["value", "said", "odd", "lost", "back"]


@dataclass(frozen=True, slots=True)
class Event:
    """Something that came in: kind "value", "said", "odd", "lost" or "back", with its text."""

    number: int
    kind: EventKind
    text: str


class Gauge:
    """One port being read until `stop`.

    Attributes
    ----------
    port : device name or `socket://host:port`
    turn : held while a value is taken in, so that each goes where the one before it has not gone
    """

    def __init__(self, port: str) -> None:
        self.port = check_port(port)
        self.turn = threading.Lock()
        self._events: deque[Event] = deque(maxlen=KEPT)
        # Numbers go on from the clock [ms]: one given before a restart is never given again, and always lower.
        self._count = int(time.time() * 1000)
        self._unheard: int | None = self._count
        self._claimed: set[int] = set()
        self._news = threading.Condition()
        self._open = False
        self._stop = threading.Event()
        self.asked_at = time.monotonic()
        self._thread = threading.Thread(target=self._run, name=f"gauge {self.port}", daemon=True)
        self._thread.start()

    @property
    def connected(self) -> bool:
        """True while the port is open."""
        return self._open

    @property
    def newest(self) -> int:
        """Number of the newest event."""
        return self._count

    def join(self) -> int:
        """What a new listener counts on from: the first hears all since the port was opened, later ones from now."""
        with self._news:
            begin, self._unheard = self._unheard, None
            return self._count if begin is None else begin

    def after(self, number: int, wait: float = 0.0) -> list[Event]:
        """Events with a number above `number`, oldest first; waits up to `wait` seconds for one."""
        self.asked_at = time.monotonic()
        with self._news:
            if self._count <= number and wait > 0:
                self._news.wait_for(lambda: self._count > number or self._stop.is_set(), wait)
            return [e for e in self._events if e.number > number] if self._count > number else []

    def value(self, number: int) -> Event | None:
        """A value that nobody has claimed yet, or None."""
        with self._news:
            found = next((e for e in self._events if e.number == number and e.kind == "value"), None)
            return None if number in self._claimed else found

    def claim(self, number: int) -> Event | None:
        """A value, for whoever asks first; None where another tab has taken it, or it is no value."""
        with self._news:
            found = next((e for e in self._events if e.number == number and e.kind == "value"), None)
            if found is None or number in self._claimed:
                return None
            self._claimed.add(number)
            return found

    def stop(self) -> None:
        """Lets the port go."""
        self._stop.set()
        with self._news:
            self._news.notify_all()
        self._thread.join(timeout=2)

    def _tell(self, kind: EventKind, text: str) -> None:
        with self._news:
            self._count += 1
            self._events.append(Event(self._count, kind, text))
            self._news.notify_all()

    def _run(self) -> None:
        lost = False
        while not self._stop.is_set():
            try:
                port = _opened(self.port)
            except (serial.SerialException, OSError, ValueError) as error:
                if not lost:
                    self._tell("lost", f"The gauge at {self.port} does not answer: {_reason(error)}.")
                lost = True
                self._stop.wait(RETRY)
                continue
            self._open = True
            self._tell("back", f"The gauge at {self.port} is connected.")
            lost = self._read(port)
            self._open = False

    def _read(self, port: serial.SerialBase) -> bool:
        """Reads until the port goes or we stop; True where it went."""
        rest = b""
        try:
            while not self._stop.is_set():
                # no more than is there: a lost port takes a longer read along
                rest += port.read(max(port.in_waiting, 1))
                *lines, rest = rest.split(b"\n")
                for raw in lines:
                    line = parse_message(raw)
                    if line is not None:
                        self._tell(line.kind, line.text)
                if len(rest) > 4096:  # a device that never ends its lines
                    self._tell("odd", rest[:40].decode("utf-8", errors="replace"))
                    rest = b""
            return False
        except (serial.SerialException, OSError) as error:
            self._open = False  # before it is told, so that whoever is told does not find it open
            left = rest.decode("utf-8", errors="replace").strip()
            cut = f" A reading was cut off ({left}) and not taken." if left else ""
            self._tell("lost", f"The gauge at {self.port} is gone: {_reason(error)}. What it sent is kept.{cut}")
            return True
        finally:
            _close(port)


def _opened(port: str) -> serial.SerialBase:
    """An open port. Opening a socket would throw away what the gauge has already sent; it is kept."""
    found = serial.serial_for_url(port, baudrate=9600, timeout=LOOK, do_not_open=True)
    if port.startswith("socket://"):
        found.reset_input_buffer = lambda: None
    found.open()
    return found


def _close(port: serial.SerialBase) -> None:
    """Closes a port; of one that is gone the library leaves the socket open."""
    there = getattr(port, "_socket", None)
    port.close()
    if there is not None:
        there.close()


def _reason(error: Exception) -> str:
    text = str(error).lower()
    if "refused" in text:
        return "nothing listens there"
    if "no such file" in text or "could not open port" in text:
        return "no such device"
    if "disconnected" in text or "reset" in text or "reports readiness" in text:
        return "unplugged"
    return "the port failed"


class Gauges:
    """The ports being read."""

    def __init__(self) -> None:
        self._open: dict[str, Gauge] = {}
        self._lock = threading.Lock()

    def at(self, port: str) -> Gauge:
        """The gauge at a port, opened where it is not yet; ports nobody asks about are let go.

        Raises
        ------
        UnreadableEntry : no such address, or too many are open
        """
        port = check_port(port)
        with self._lock:
            for name, gauge in list(self._open.items()):
                if name != port and time.monotonic() - gauge.asked_at > IDLE:
                    self._open.pop(name).stop()
            if port not in self._open and len(self._open) >= MOST_PORTS:
                raise UnreadableEntry(f"{MOST_PORTS} gauges are being read already; let one go first.")
            if port not in self._open:
                self._open[port] = Gauge(port)
            return self._open[port]

    def close(self, port: str) -> None:
        """Lets a port go."""
        with self._lock:
            gauge = self._open.pop(port, None)
        if gauge is not None:
            gauge.stop()

    def close_all(self) -> None:
        """Lets every port go."""
        for port in list(self._open):
            self.close(port)
