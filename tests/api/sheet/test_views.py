"""The sheet over HTTP: everything decided stands on it, in one HTML and as PDF."""

from __future__ import annotations

import html
import io
import re

from flask.testing import FlaskClient
from pypdf import PdfReader

from tests.api.jobs.test_views import begin
from tests.jobs import FULL


def words_of(client: FlaskClient, address: str) -> str:
    text = re.sub(r"<(style|svg)[\s\S]*?</\1>|<[^>]+>", " ", client.get(address).get_data(as_text=True))
    return " ".join(html.unescape(text).split())


def test_the_sheet_says_what_the_job_says(client: FlaskClient) -> None:
    job = begin(
        client, {**FULL, "job_name": "Tarlow <twin> & co", "notes": "Line one\nline two", "customer": "R. Tolland"}
    )
    words = words_of(client, f"/api/jobs/{job['id']}/sheet.html")
    assert "Tarlow <twin> & co" in words
    assert "R. Tolland" in words
    assert "line two" in words
    assert len(job["verdicts"]) == 4
    for verdict in job["verdicts"]:
        assert " ".join(verdict["sentence"].split()) in words
    assert "Workings of what decides" not in words
    assert all(a["label"] in words for a in job["assumptions"])


def test_an_appendix_has_every_figure_entered_and_how_it_was_judged(client: FlaskClient) -> None:
    job = begin(client, FULL)
    words = words_of(client, f"/api/jobs/{job['id']}/sheet.html?appendix=true")
    for field in job["fields"]:
        if field["mark"] == "entered" and field["name"] not in {"job_name", "vehicle", "measured_curve"}:
            assert field["typeset"] in words, field["name"]
    assert "m_bite = T_cap / T_c" in words
    inch = words_of(client, f"/api/jobs/{job['id']}/sheet.html?appendix=true&units=inch")
    assert "lb-ft" in inch


def test_the_pdf_carries_its_name_and_its_pages(client: FlaskClient) -> None:
    job = begin(client)
    answer = client.get(f"/api/jobs/{job['id']}/sheet.pdf?appendix=true")
    pages = PdfReader(io.BytesIO(answer.data)).pages
    assert len(pages) > 1
    width, height = (float(side) / 72 * 25.4 for side in pages[0].mediabox.upper_right)
    assert (round(width), round(height)) == (210, 297)
    for number, page in enumerate(pages, start=1):
        text = page.extract_text()
        assert f"page {number} of {len(pages)}" in text
        assert job["name"] in text


def test_a_sheet_may_stand_in_our_own_pages_and_runs_nothing(client: FlaskClient) -> None:
    job = begin(client)
    headers = client.get(f"/api/jobs/{job['id']}/sheet.html").headers
    assert headers["X-Frame-Options"] == "SAMEORIGIN"
    assert "script-src" not in headers["Content-Security-Policy"]
    assert "default-src 'none'" in headers["Content-Security-Policy"]
    assert client.get("/api/jobs/99/sheet.html").status_code == 404
