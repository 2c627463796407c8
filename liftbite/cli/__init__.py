"""The command line: serve the shop, and work a job file out without a server.

- `main`         the group, `serve`, `demo`, `gauge`, `compute`, and what prints documents
- `commands`     `explain`, `stroke`, `life`, `launch`, `find`
- `papers`       `sheet`, `plan`, `card`
- `proving`      `drive`, `log`, `fault`, `handover`
- `quantities`   the page of every quantity
"""

from liftbite.cli.main import main

__all__ = ["main"]
