"""Each test gets its own database file."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

import pytest
from hypothesis import settings

if TYPE_CHECKING:  # tests of the core load no interface
    from flask.testing import FlaskClient
    from flask_openapi3 import OpenAPI

# time is measured by `make bench`, never by a test; the same examples every time, so that a failure comes back
settings.register_profile("steady", deadline=None, derandomize=True)
settings.load_profile("steady")


@pytest.fixture(scope="session")
def new_shop(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The file of a shop that has just begun, made once and copied for every test."""
    from liftbite.api.app import create_app

    file = tmp_path_factory.mktemp("new") / "shop.sqlite"
    app = create_app(file)
    app.extensions["liftbite.sessions"].kw["bind"].dispose()
    return file


@pytest.fixture(scope="session")
def demo_shop(tmp_path_factory: pytest.TempPathFactory, new_shop: Path) -> Path:
    """The file of the demo shop, filled once and copied for every test."""
    from liftbite.api.app import create_app
    from liftbite.demo import load
    from liftbite.store.database import writing

    file = tmp_path_factory.mktemp("demo") / "shop.sqlite"
    shutil.copy(new_shop, file)
    sessions = create_app(file).extensions["liftbite.sessions"]
    with writing(sessions) as session:
        load(session)
    sessions.kw["bind"].dispose()
    return file


@pytest.fixture
def app(tmp_path: Path, new_shop: Path) -> Iterator[OpenAPI]:
    """The application on an empty file, every response checked against its model."""
    from liftbite.api.app import create_app

    shutil.copy(new_shop, tmp_path / "shop.sqlite")
    found = create_app(tmp_path / "shop.sqlite", web=tmp_path / "web", testing=True)
    yield found
    found.extensions["liftbite.refresher"].stop()
    found.extensions["liftbite.sessions"].kw["bind"].dispose()


@pytest.fixture
def client(app: OpenAPI) -> FlaskClient:
    return app.test_client()
