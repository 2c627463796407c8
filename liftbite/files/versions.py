"""Files of before: what names and fields of earlier versions are called now.

- `RENAMED`       quantity or choice as earlier files have it -> as it is called now
- `newest_job`    the fields of a job file of any version, as the newest has them

Version 1 of the job file said `takings`, `struck` and `sums` for series, withdrawn and renewals. Version 2 had no
builds: the flywheel that came out went by names of its own. Version 4 knew the seals as one part, the fork with its
pivot, and parts by their English names. Version 5 had kinds and options of the record in words; its lines are read
under names of before as they are (`job.record_before`).
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

RENAMED: Mapping[str, str] = {
    "wheel_strength": "flywheel_strength",
    "old_wheel_source": "old_flywheel_source",
}
_OF_FLYWHEEL = (
    "flywheel_inertia",
    "flywheel_mass",
    "flywheel_diameter",
    "gyration_share",
    "wire_radius",
    "wire_length",
    "swing_period",
    "ring_outer_diameters",
    "ring_inner_diameters",
    "ring_thicknesses",
    "ring_densities",
    "ring_masses",
    "ring_gyrations",
)
#: The flywheel that came out had names of its own until version 3; since then it is entered as found.
_FOUND: Mapping[str, str] = {f"old_{n}": n for n in _OF_FLYWHEEL} | {"old_flywheel_source": "inertia_source"}
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
    {'version': 6, 'revisions': [], 'bench': {'renewals': []}}
    """
    found = _of_2(raw) if raw.get("version") == 1 else dict(raw)
    found = _of_3(found) if found.get("version") == 2 else found
    found = found | {"version": 4} if found.get("version") == 3 else found
    found = _of_4(found) if found.get("version") == 4 else found
    return found | {"version": 6} if found.get("version") == 5 else found


#: Fate of a version before 5 -> the fates of now; the pivot went with its fork when that was renewed.
FATES_OF_4: Mapping[str, tuple[str, ...]] = {
    "seals_fate": ("rear_seal_fate", "input_seal_fate"),
    "bolts_fate": ("flywheel_bolts_fate",),
    "fork_fate": ("fork_fate", "pivot_fate"),
}
#: What those of now may be.
_FATES_OF_SMALL = (None, "stays", "renewed")


def _of_4(raw: Mapping[str, Any]) -> dict[str, Any]:
    """A file of version 4 with the fates of now."""
    found = dict(raw) | {"version": 5}
    if isinstance(raw.get("revisions"), list):
        found["revisions"] = [_fates_now(r) for r in raw["revisions"]]
    return found


def _fates_now(revision: Any) -> Any:
    if not _entries(revision):
        return revision
    return revision | {"entries": [each for entry in revision["entries"] for each in _fate_now(entry)]}


def _fate_now(entry: Any) -> list[Any]:
    name = entry.get("quantity") if isinstance(entry, dict) else None
    if not isinstance(name, str) or name not in FATES_OF_4:
        return [entry]
    return [
        entry | {"quantity": now} for now in FATES_OF_4[name] if now == name or entry.get("typed") in _FATES_OF_SMALL
    ]


def _of_3(raw: Mapping[str, Any]) -> dict[str, Any]:
    """A file of version 2 with its builds: where a flywheel came out, another goes in."""
    found = dict(raw) | {"version": 3}
    if not isinstance(raw.get("revisions"), list):
        return found
    revisions = [_each(r, "entries", _of_build) for r in raw["revisions"]]
    told = {e.get("quantity"): e.get("typed") for r in revisions for e in _entries(r) if e.get("build") == "found"}
    if any(typed is not None for typed in told.values()):
        fate = {"quantity": "flywheel_fate", "typed": "renewed"}
        revisions = [revisions[0] | {"entries": [*_entries(revisions[0]), fate]}, *revisions[1:]]
    return found | {"revisions": revisions}


def _entries(revision: Any) -> list[dict[str, Any]]:
    entries = revision.get("entries") if isinstance(revision, dict) else None
    return [e for e in entries if isinstance(e, dict)] if isinstance(entries, list) else []


def _of_build(entry: Any) -> Any:
    name = entry.get("quantity") if isinstance(entry, dict) else None
    if not isinstance(name, str) or name not in _FOUND:
        return entry
    return entry | {"quantity": _FOUND[name], "build": "found"}


def _of_2(raw: Mapping[str, Any]) -> dict[str, Any]:
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
