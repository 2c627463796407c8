"""A reading as a line: value, unit, newline. ASCII or UTF-8, `\\n` or `\\r\\n`; docs/gauge.md describes it.

- `Message`, `parse_message`   a line that came in
- `write_line`, `write_pull`   a line to send
- `check_port`           the addresses that are read
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Literal

from liftbite.core.errors import UnreadableEntry

MOST = 120
_NUMBER = r"\d{1,9}(?:[.,]\d{1,9})?"
_VALUE = re.compile(rf"^([+\-−]?{_NUMBER})\s*(mm|in|thou|[µμu]m|cm|m|kg|g|lb|s|°|deg)$")
#: A torque, and how far the bolt turned where the wrench measures that.
_PULL = re.compile(rf"^({_NUMBER})\s*(N·m|N\.m|Nm|lb-ft|lbft|lb-in|lbin)(?:\s+({_NUMBER})\s*(?:°|deg))?$")
_TORQUES = {"N.m": "N·m", "Nm": "N·m", "lbft": "lb-ft", "lbin": "lb-in"}


@dataclass(frozen=True, slots=True)
class Message:
    """A line: "value" with what it says as one would type it, "said" for a remark, "odd" for what is no reading."""

    kind: Literal["value", "said", "odd"]
    text: str


def parse_message(raw: bytes) -> Message | None:
    """What a line says; None for an empty one.

    >>> parse_message(b"+12.30 mm\\r\\n"), parse_message(b"# caliper\\n"), parse_message(b"12.3\\n")
    (Message(kind='value', text='12.30 mm'), Message(kind='said', text='caliper'), Message(kind='odd', text='12.3'))
    """
    text = raw.decode("utf-8", errors="replace").strip()
    if not text or len(text) > 4 * MOST:
        return Message("odd", text[:MOST]) if text else None
    if text.startswith("#"):
        return Message("said", text[1:].strip()[:MOST])
    if pull := _PULL.match(text):
        turned = f" {pull[3]} °" if pull[3] else ""
        return Message("value", f"{pull[1]} {_TORQUES.get(pull[2], pull[2])}{turned}")
    match = _VALUE.match(text)
    if match is None:
        return Message("odd", text[:MOST])
    number = match[1].replace("−", "-").removeprefix("+")
    return Message("value", f"{number} {match[2]}")


def write_pull(torque: float, angle: float | None) -> bytes:
    """A pull of a torque wrench as a line [N·m], [°].

    >>> write_pull(94.63, 37.6)
    b'94.6 Nm 38 deg\\n'
    """
    return (f"{torque:.1f} Nm" + ("" if angle is None else f" {angle:.0f} deg") + "\n").encode()


def write_line(value: float, unit: str, decimals: int) -> bytes:
    """A reading as a line.

    >>> write_line(12.3, "mm", 2)
    b'12.30 mm\\n'
    """
    return f"{value:.{decimals}f} {unit}\n".encode()


def check_port(port: str) -> str:
    """A port as it may be opened: a serial device by a name such devices have, or `socket://host:port`.

    Raises
    ------
    UnreadableEntry : any other address

    >>> check_port("socket://127.0.0.1:8765"), check_port(" /dev/ttyUSB0 ")
    ('socket://127.0.0.1:8765', '/dev/ttyUSB0')
    """
    port = port.strip()
    if re.fullmatch(r"socket://[A-Za-z0-9.\-\[\]:]+:\d{1,5}", port) and int(port.rsplit(":", 1)[1]) <= 65_535:
        return port
    if (
        re.fullmatch(
            r"(/dev/(tty(USB|ACM|S|AMA|O)\d{1,3}|serial/by-id/[A-Za-z0-9._:+\-]{1,100}|cu\.[A-Za-z0-9._\-]{1,60})|COM\d{1,3})",
            port,
        )
        and ".." not in port
    ):
        return port
    raise UnreadableEntry(
        f"Data port: “{port}” is neither a serial device (/dev/ttyUSB0, COM3) nor socket://host:port."
    )
