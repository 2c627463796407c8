"""Files of before: what names and fields of earlier versions are called now.

- `RENAMED`       quantity or choice as earlier files have it -> as it is called now
- `newest_job`    the fields of a job file of any version, as the newest has them

Version 1 of the job file said `takings`, `struck` and `sums` for series, withdrawn and renewals.
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

RENAMED: Mapping[str, str] = {
    "wheel_strength": "flywheel_strength",
    "old_wheel_source": "old_flywheel_source",
}
_BENCH_OF_1 = {"takings": "series", "sums": "renewals"}
_READING_OF_1 = {"struck": "withdrawn"}


def name_now(name: str) -> str:
    """What a quantity or choice of an earlier version is called now.

    >>> name_now("wheel_strength"), name_now("redline")
    ('flywheel_strength', 'redline')
    """
    return RENAMED.get(name, name)


def newest_job(raw: Mapping[str, Any]) -> dict[str, Any]:
    """The fields of a job file, as the newest version has them; what does not have the shape of one is left as it is.

    >>> newest_job({"version": 1, "revisions": [], "bench": {"sums": []}})
    {'version': 2, 'revisions': [], 'bench': {'renewals': []}}
    """
    if raw.get("version") != 1:
        return dict(raw)
    found = dict(raw) | {"version": 2}
    if isinstance(raw.get("revisions"), list):
        found["revisions"] = [_each(r, "entries", _entry) for r in raw["revisions"]]
    if isinstance(raw.get("bench"), dict):
        bench = _renamed(raw["bench"], _BENCH_OF_1)
        found["bench"] = _each(bench, "series", _series)
    return found


def _renamed(fields: Any, names: Mapping[str, str]) -> Any:
    return {names.get(k, k): v for k, v in fields.items()} if isinstance(fields, dict) else fields


def _each(holder: Any, key: str, change: Any) -> Any:
    """The same with every item of its list `key` changed."""
    if not isinstance(holder, dict) or not isinstance(holder.get(key), list):
        return holder
    return holder | {key: [change(item) for item in holder[key]]}


def _series(series: Any) -> Any:
    """Readings taken together; where a floater's shims sit is one of the things that are asked."""
    if isinstance(series, dict) and "shims" in series:
        series = {k: v for k, v in series.items() if k != "shims"} | {"asked": {"shims": series["shims"]}}
    return _each(series, "readings", lambda r: _renamed(r, _READING_OF_1))


def _entry(entry: Any) -> Any:
    """An entry, its quantity named as now; what a part of the shelf brought is named so too."""
    if not isinstance(entry, dict):
        return entry
    found = dict(entry)
    if isinstance(entry.get("quantity"), str):
        found["quantity"] = name_now(entry["quantity"])
    file = entry.get("file")
    if isinstance(file, dict) and isinstance(file.get("values"), dict):
        found["file"] = file | {"values": _renamed(file["values"], RENAMED)}
    return found
