"""All that can be looked at of a shop, so that two shops can be compared view by view.

- `looks_at_job`, `looks_at_shop`   every view, paper and export, by its address; any that does not answer is a failure
- `alike`   what two shops say, without the numbers a shop gives by itself
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from typing import Any

from flask.testing import FlaskClient

#: What is asked by GET of a job; PDFs are set from the same HTML.
_PAGES = (
    "",
    "?build=found",
    "/plan",
    "/prove",
    "/measure",
    "/measure?build=planned",
    "/measure/history",
    "/history",
    "/effects",
    "/effects?build=planned",
    "/photos",
    "/shelf?slot=disc",
    "/file",
    "/raw",
    "/readings.csv",
    "/parts.csv",
    "/plan/file",
    "/calendar.ics",
    "/sheet.html",
    "/sheet.html?appendix=true",
    "/handover.html",
    "/handover.html?owner=true",
    "/archive.zip",
)
#: What is asked by POST and changes nothing.
_ASKED = ("/section", "/flywheel", "/against", "/next", "/launch")
#: Of the shop.
_SHOP = (
    "/api/jobs",
    "/api/jobs?archived=true",
    "/api/shelf?most=200",
    "/api/shelf?archived=true",
    "/api/shelf.csv",
    "/api/shop",
    "/api/shop/learned",
    "/api/measure/history",
)
#: Numbers a shop gives by itself, and moments of looking.
_OWN = {"id", "job", "change", "version", "versions", "series", "number", "request", "newest", "limit_version", "waits"}


def looks_at_job(client: FlaskClient, job: int) -> dict[str, Any]:
    """Address -> what it answers: JSON as it is, else its text."""
    found: dict[str, Any] = {}
    for page in _PAGES:
        answer = client.get(f"/api/jobs/{job}{page}")
        assert answer.status_code == 200, f"GET {page}: {answer.status_code} {answer.text[:400]}"
        if page not in {"/raw", "/archive.zip"}:
            found[page] = answer.get_json() if answer.is_json else answer.text
    for page in _ASKED:
        answer = client.post(f"/api/jobs/{job}{page}", json={"entries": []})
        assert answer.status_code in {200, 422}, f"POST {page}: {answer.status_code} {answer.text[:400]}"
        found[page] = answer.get_json()
    return found


def looks_at_shop(client: FlaskClient) -> dict[str, Any]:
    """The same of the shop as a whole, its jobs among it, by their identity."""
    found: dict[str, Any] = {}
    for page in _SHOP:
        answer = client.get(page)
        assert answer.status_code == 200, f"GET {page}: {answer.status_code} {answer.text[:400]}"
        found[page] = answer.get_json() if answer.is_json else answer.text
    for line in (*found["/api/jobs"]["jobs"], *found["/api/jobs?archived=true"]["jobs"]):
        looks = looks_at_job(client, line["id"])
        found[looks["/file"]["job"]] = looks
    return found


def alike(found: Any) -> Any:
    """What is said, without the numbers of the shop that says it."""
    if isinstance(found, dict):
        return {key: alike(value) for key, value in found.items() if key not in _OWN and "version" not in key}
    if isinstance(found, list):
        return [alike(each) for each in found]
    if isinstance(found, str):
        return re.sub(r"/api/jobs/\d+/|DTSTAMP[^\r\n]*|DTSTAMP;[^\r\n]*", "", found)
    return found


def differing(one: Any, other: Any, at: str = "") -> Iterable[str]:
    """Where two differ, in words."""
    if isinstance(one, dict) and isinstance(other, dict):
        for key in one.keys() | other.keys():
            if key not in one or key not in other:
                yield f"{at}/{key}: only in one"
            else:
                yield from differing(one[key], other[key], f"{at}/{key}")
    elif isinstance(one, list) and isinstance(other, list) and len(one) == len(other):
        for n, (a, b) in enumerate(zip(one, other, strict=True)):
            yield from differing(a, b, f"{at}/{n}")
    elif one != other:
        yield f"{at}: {str(one)[:300]!r} and {str(other)[:300]!r}"
