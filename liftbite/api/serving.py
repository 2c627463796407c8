"""The server in use, and the same one on a thread, for whoever needs an address for a while.

- `server_of`   the server of a shop
- `port_of`     where it listens
- `serving`     a shop served while a block runs
"""

from __future__ import annotations

import threading
from collections.abc import Iterator
from contextlib import contextmanager

from flask import Flask
from waitress import wasyncore
from waitress.server import MultiSocketServer, TcpWSGIServer, create_server

#: Gauges that wait for a reading hold half of them at most; the rest is for what builders do.
THREADS = 16
#: Largest request, larger than any dyno file; a larger one is refused before it is read [bytes].
MOST_BODY = 6 * 1024 * 1024
#: Largest archive of a shop or log of a drive, which only their own views take [bytes].
MOST_LARGE = 48 * 1024 * 1024
#: Connections at once, and how long one may say nothing [s].
CONNECTIONS, QUIET = 1000, 30
#: How long a request under way may take when a block ends [s].
_PATIENCE = 10
#: How long the sockets may be quiet before the thread looks whether it is to end [s].
_LOOK = 0.2


def server_of(app: Flask, host: str, port: int) -> TcpWSGIServer | MultiSocketServer:
    """The server of a shop, not yet running.

    Raises
    ------
    OSError : the address is taken or not this machine's
    """
    found: TcpWSGIServer | MultiSocketServer = create_server(
        app,
        host=host,
        port=port,
        threads=THREADS,
        max_request_body_size=MOST_LARGE,
        connection_limit=CONNECTIONS,
        channel_timeout=QUIET,
        cleanup_interval=10,
        ident="Lift Bite",
    )
    return found


def port_of(server: TcpWSGIServer | MultiSocketServer) -> int:
    """The port a server listens at; a name such as localhost may stand for several addresses, at the same port."""
    if isinstance(server, MultiSocketServer):
        return int(server.effective_listen[0][1])
    return int(server.effective_port)


@contextmanager
def serving(app: Flask) -> Iterator[str]:
    """Serves a shop on a free port of this machine while the block runs; its address.

    What is under way is finished first; then the thread that watches the sockets closes them, and nobody else.
    """
    server = server_of(app, "127.0.0.1", 0)
    assert isinstance(server, TcpWSGIServer)
    ended = threading.Event()

    def watch() -> None:
        while not ended.is_set():
            wasyncore.loop(timeout=_LOOK, map=server._map, count=1)
        wasyncore.close_all(server._map, ignore_all=True)

    thread = threading.Thread(target=watch, daemon=True)
    thread.start()
    try:
        yield f"http://127.0.0.1:{port_of(server)}"
    finally:
        app.extensions["liftbite.gauges"].close_all()  # what waits for a reading is answered
        server.task_dispatcher.shutdown(timeout=_PATIENCE)
        ended.set()
        thread.join(_PATIENCE)
        app.extensions["liftbite.refresher"].stop()
        app.extensions["liftbite.sessions"].kw["bind"].dispose()
