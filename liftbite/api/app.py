"""The application factory."""

from __future__ import annotations

import mimetypes
import os
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from flask import Response, request, send_from_directory
from flask.json.provider import DefaultJSONProvider
from flask_openapi3 import Info, OpenAPI
from sqlalchemy import text
from sqlalchemy.orm import Session, sessionmaker
from werkzeug.exceptions import NotFound

from liftbite import __version__
from liftbite.api import problems
from liftbite.api.account import views as account
from liftbite.api.brief import views as curves
from liftbite.api.choose import views as workbench
from liftbite.api.common import current_state, heed_state, heed_tags
from liftbite.api.document import document
from liftbite.api.find import views as finding
from liftbite.api.fit import views as fit
from liftbite.api.guard import protect
from liftbite.api.jobs import models as m
from liftbite.api.jobs import models_catalogue as mc
from liftbite.api.jobs import views as jobs
from liftbite.api.jobs.catalogue import catalogue_out
from liftbite.api.jobs.lines import Refresher
from liftbite.api.measure import files as bench_files
from liftbite.api.measure import views as measure
from liftbite.api.photos import views as photos
from liftbite.api.prove import views as prove
from liftbite.api.record import views as record
from liftbite.api.serving import MOST_BODY
from liftbite.api.sheet import views as sheet
from liftbite.api.shelf import views as shelf
from liftbite.api.turns import heed_turns
from liftbite.api.upkeep import archive, learned, shop
from liftbite.api.upkeep import views as upkeep
from liftbite.api.upkeep.transfers import Transfers
from liftbite.core.errors import UnreadableFile
from liftbite.core.parts.stock import generic_parts
from liftbite.files.job import JobFile
from liftbite.files.json_text import read_json
from liftbite.gauges.gauge import Gauges
from liftbite.store.backups import Keeper
from liftbite.store.database import open_database, writing
from liftbite.store.parts import stock
from liftbite.whole import runs

_PACKAGE = Path(__file__).resolve().parents[1]
#: The built web: beside the package's modules where it was installed, in the checkout otherwise.
WEB = _PACKAGE / "web" if (_PACKAGE / "web" / "index.html").is_file() else _PACKAGE.parent / "web" / "dist"


def create_app(
    data: Path,
    *,
    web: Path = WEB,
    hosts: frozenset[str] = frozenset(),
    testing: bool = False,
    open_to_network: bool = False,
) -> OpenAPI:
    """The application on the SQLite file at `data`.

    Parameters
    ----------
    data : the shop's file, made and migrated if need be
    web : folder of the built web application
    hosts : names it answers to besides this machine's own
    testing : True to check every response against its model
    open_to_network : True to answer under any name, because every machine of the network is trusted

    Raises
    ------
    UnusableShop : the file cannot be used
    """
    app = OpenAPI(
        "liftbite",
        info=Info(title="Lift Bite", version=__version__, description="Does this clutch hold, and by how much?"),
        static_folder=None,
        doc_ui=False,
        security_schemes={},
        validation_error_status=422,
        validation_error_model=problems.Problem,
        validation_error_callback=problems.invalid,
        validate_response=testing,
    )
    app.config["MAX_CONTENT_LENGTH"] = MOST_BODY
    app.json = _Json(app)
    sessions = open_database(data)
    app.extensions["liftbite.sessions"] = sessions
    app.register_api(jobs.api)
    app.register_api(curves.api)
    app.register_api(workbench.api)
    app.register_api(shelf.api)
    app.register_api(finding.api)
    app.register_api(measure.api)
    app.register_api(bench_files.api)
    app.register_api(fit.api)
    app.register_api(learned.api)
    app.register_api(account.api)
    app.register_api(sheet.api)
    app.register_api(prove.api)
    app.register_api(photos.api)
    app.register_api(record.api)
    app.register_api(upkeep.api)
    app.register_api(archive.api)
    app.register_api(shop.api)
    app.extensions["liftbite.runs"] = runs.Runs()
    app.extensions["liftbite.gauges"] = Gauges()
    app.extensions["liftbite.transfers"] = Transfers(data, sessions)
    with writing(sessions) as session:
        stock(session, generic_parts(), datetime.now(UTC))
    _add_catalogue(app, sessions)
    problems.register(app)
    app.extensions["liftbite.keeper"] = Keeper(data)
    app.extensions["liftbite.refresher"] = Refresher(sessions)
    app.extensions["liftbite.open"] = open_to_network
    protect(app, hosts, open_to_network=open_to_network)
    heed_state(app)
    heed_tags(app)
    heed_turns(app)
    shop.heed_units(app)
    _add_web(app, web)
    return app


class _Json(DefaultJSONProvider):
    """JSON of requests, read as that of files is."""

    sort_keys = False

    def loads(self, s: str | bytes, **_: Any) -> Any:
        """What a request says; a fault is a `ValueError`, which is answered as one of the request."""
        try:
            return read_json(s)
        except UnreadableFile as error:
            raise ValueError(str(error)) from None


def app_from_environment() -> OpenAPI:
    """The application as LIFTBITE_DATA and LIFTBITE_HOSTS say."""
    return create_app(data_path(), hosts=hosts_from_environment())


def data_path(default: str = "") -> Path:
    """The shop's file: LIFTBITE_DATA, else the default given, else the user's data folder."""
    home = Path(os.environ.get("XDG_DATA_HOME") or Path.home() / ".local" / "share")
    return Path(os.environ.get("LIFTBITE_DATA") or default or home / "lift-bite" / "shop.sqlite").expanduser()


def hosts_from_environment() -> frozenset[str]:
    """Names listed in LIFTBITE_HOSTS, separated by commas."""
    return frozenset(h.strip().lower() for h in os.environ.get("LIFTBITE_HOSTS", "").split(",") if h.strip())


def _add_catalogue(app: OpenAPI, sessions: sessionmaker[Session]) -> None:
    @app.get("/api/catalogue", responses={"200": mc.CatalogueOut})
    def catalogue() -> tuple[dict[str, Any], int]:
        """Every field and choice there is."""
        return catalogue_out().model_dump(), 200

    @app.get("/api/job-file.schema.json", responses={"200": None})
    def job_file_schema() -> tuple[dict[str, Any], int]:
        """JSON Schema of the job file."""
        return JobFile.model_json_schema(), 200

    @app.get("/healthz", responses={"200": m.HealthOut})
    def health() -> tuple[dict[str, Any], int]:
        """That the application answers and its file can be read."""
        with sessions() as session:
            session.execute(text("SELECT 1 FROM job LIMIT 1"))
        return m.HealthOut(status="ok", version=__version__).model_dump(), 200

    @app.get("/api/openapi.json", doc_ui=False)
    def openapi_document() -> tuple[dict[str, Any], int]:
        """This document."""
        return document(app), 200


def _add_web(app: OpenAPI, web: Path) -> None:
    mimetypes.add_type("font/woff2", ".woff2")

    def asset(name: str = "") -> Response:
        if name.startswith("api/"):
            raise NotFound("There is nothing at this address.")
        if name and _is_built(web, name):
            return _file(web, name)
        if name.startswith("assets/") or "." in name.rsplit("/", 1)[-1]:
            raise NotFound("There is nothing at this address.")
        return _page(web)

    app.add_url_rule("/", "root", asset)
    app.add_url_rule("/<path:name>", "asset", asset)


def _is_built(web: Path, name: str) -> bool:
    try:
        return (web / name).is_file()
    except (OSError, ValueError):  # longer than any name, or with characters no file has
        return False


def _page(web: Path) -> Response:
    """The page itself, as the answer to every address of the application."""
    if not (web / "index.html").is_file():
        raise NotFound("The web pages are not built yet: run “make build”.")
    text = (web / "index.html").read_text("utf-8")
    # the page shows figures in the shop's units from its first moment on, and knows which state of the shop it is of
    told = f'<html data-units="{shop.preferred()}" data-state="{current_state()}" '
    response = Response(text.replace("<html ", told, 1), mimetype="text/html")
    response.headers["Cache-Control"] = "no-cache"
    return response


def _file(web: Path, name: str) -> Response:
    """A built file, compressed where the browser takes it; hashed names never change."""
    packed = (web / f"{name}.gz").is_file() and "gzip" in request.headers.get("Accept-Encoding", "")
    response = send_from_directory(web, f"{name}.gz" if packed else name)
    if packed:
        response.headers["Content-Encoding"] = "gzip"
        response.headers["Content-Type"] = mimetypes.guess_type(name)[0] or "application/octet-stream"
        response.headers["Vary"] = "Accept-Encoding"
    if name.startswith("assets/"):
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
    return response
