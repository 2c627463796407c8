"""What every request has to pass and every response carries: Host header, origin, security headers."""

from __future__ import annotations

import ipaddress
import socket
from urllib.parse import urlsplit

from flask import Flask, Response, request
from werkzeug.exceptions import BadRequest, Forbidden

HEADERS = {
    "Content-Security-Policy": (
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data: blob:; "
        "connect-src 'self'; frame-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; "
        "frame-ancestors 'none'"
    ),
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Permissions-Policy": "camera=(), microphone=(), geolocation=()",
}
_LOCAL = {"localhost"}


def _host(authority: str) -> str:
    return (urlsplit(f"//{authority}").hostname or "").lower()


def is_loopback(host: str) -> bool:
    """True for a name or address of this machine alone."""
    if host in _LOCAL:
        return True
    try:
        return ipaddress.ip_address(host).is_loopback
    except ValueError:
        return False


def _whole(scheme: str, authority: str) -> tuple[str, str, int]:
    """Scheme, host and port of an origin; the port of its scheme where none is named."""
    parts = urlsplit(f"{scheme}://{authority}")
    return scheme, (parts.hostname or "").lower(), parts.port or {"http": 80, "https": 443}.get(scheme, 0)


def _is_own(origin: str) -> bool:
    """True where an Origin header names the very scheme, host and port that were asked."""
    if not origin or origin == "null":
        return not origin
    parts = urlsplit(origin)
    return _whole(parts.scheme, parts.netloc) == _whole(request.scheme, request.headers.get("Host", ""))


def _is_address(host: str) -> bool:
    """True for a bare address, which nobody can make point elsewhere."""
    try:
        ipaddress.ip_address(host)
    except ValueError:
        return False
    return True


def protect(app: Flask, allowed_hosts: frozenset[str], *, open_to_network: bool = False) -> None:
    """Refuses what does not come from Lift Bite's own pages, and sets the headers of every answer.

    A foreign Host header is refused (a name that was made to point here), and so is every request to the interface that
    a page of another origin sends: by its Origin, which has to name the very scheme, host and port, and by what the
    browser says of it in Sec-Fetch-Site. A program without a browser says neither, and is let through.
    """

    own_name = socket.gethostname().lower()
    allowed = allowed_hosts | ({own_name, f"{own_name}.local"} if open_to_network else set())

    @app.before_request
    def check_host() -> None:
        try:
            host = _host(request.headers.get("Host", ""))
            own = _is_own(request.headers.get("Origin", ""))
        except ValueError:
            raise BadRequest("The Host or Origin header cannot be read.") from None
        named = is_loopback(host) or host in allowed or (open_to_network and _is_address(host))
        if not named:
            raise BadRequest("This address is not one Lift Bite answers to; name it in LIFTBITE_HOSTS to allow it.")
        if request.path.startswith("/api/"):
            site = request.headers.get("Sec-Fetch-Site", "none")
            opened = request.method == "GET" and request.headers.get("Sec-Fetch-Mode") == "navigate"
            if not own or (site not in {"same-origin", "none"} and not opened):
                raise Forbidden("This has to come from Lift Bite's own pages.")

    @app.after_request
    def set_headers(response: Response) -> Response:
        for name, value in HEADERS.items():
            response.headers.setdefault(name, value)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
