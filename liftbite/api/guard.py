"""What every request has to pass and every response carries: Host header, origin, security headers."""

from __future__ import annotations

import ipaddress
from urllib.parse import urlsplit

from flask import Flask, Response, request
from werkzeug.exceptions import BadRequest, Forbidden

HEADERS = {
    "Content-Security-Policy": (
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data: blob:; "
        "connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
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


def _is_loopback(host: str) -> bool:
    if host in _LOCAL:
        return True
    try:
        return ipaddress.ip_address(host).is_loopback
    except ValueError:
        return False


def protect(app: Flask, allowed_hosts: frozenset[str]) -> None:
    """Refuses foreign Host headers (DNS rebinding) and cross-origin writes, and sets the headers."""

    @app.before_request
    def check_host() -> None:
        try:
            host = _host(request.headers.get("Host", ""))
            origin = _host(urlsplit(request.headers.get("Origin", "")).netloc)
        except ValueError:
            raise BadRequest("The Host or Origin header cannot be read.") from None
        if not _is_loopback(host) and host not in allowed_hosts:
            raise BadRequest("This address is not one Lift Bite answers to; name it in LIFTBITE_HOSTS to allow it.")
        if request.method not in {"GET", "HEAD", "OPTIONS"} and request.headers.get("Origin") and origin != host:
            raise Forbidden("A change has to come from Lift Bite's own pages.")

    @app.after_request
    def set_headers(response: Response) -> Response:
        for name, value in HEADERS.items():
            response.headers.setdefault(name, value)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
