"""Puts the built web pages into the wheel, so that what is installed needs no Node."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from hatchling.builders.hooks.plugin.interface import BuildHookInterface


class WebPages(BuildHookInterface[Any]):
    """Adds `web/dist` to a wheel; a checkout that is only linked in serves its own."""

    def initialize(self, version: str, build_data: dict[str, Any]) -> None:
        """Called before the wheel is packed; `version` is "editable" for a checkout that is linked in."""
        if version == "editable":
            return
        built = Path(self.root) / "web" / "dist"
        if not (built / "index.html").is_file():
            raise FileNotFoundError("The web pages are not built yet: run “make wheel”, which builds them first.")
        build_data["force_include"][str(built)] = "liftbite/web"
