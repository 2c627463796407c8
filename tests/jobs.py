"""Jobs the tests are about, typed as a builder would type them."""

from __future__ import annotations

from liftbite.core.curve import TorqueCurve
from liftbite.core.ledger import Entry, Revision, curve_entry, read_entry
from liftbite.core.setup import Setup, set_up

CAR = {
    "layout": "dry_car",
    "job_name": "Test coupé",
    "curve_source": "peaks",
    "curve_reference": "crank",
    "peak_torque": "400 N·m",
    "peak_torque_speed": "3800 rpm",
    "peak_power": "220 kW",
    "peak_power_speed": "6200 rpm",
    "use": "tuned",
    "disc_count": "1",
    "outer_diameter": "240 mm",
    "inner_diameter": "160 mm",
    "facing_material": "organic",
    "cover_clamp": "9 kN",
}

MOTORCYCLE = {
    "layout": "wet_motorcycle",
    "job_name": "Test twin",
    "curve_source": "peaks",
    "curve_reference": "crank",
    "peak_torque": "90 N·m",
    "peak_torque_speed": "7000 rpm",
    "peak_power": "80 kW",
    "peak_power_speed": "9500 rpm",
    "use": "track",
    "primary_source": "teeth",
    "basket_gear_teeth": "70",
    "crank_gear_teeth": "40",
    "friction_plate_count": "7",
    "outer_diameter": "140 mm",
    "inner_diameter": "110 mm",
    "facing_material": "paper",
    "spring_count": "6",
    "spring_rate": "25 N/mm",
    "spring_free_length": "45 mm",
    "spring_installed_length": "30 mm",
}


def entries(typed: dict[str, str], **changes: str | None) -> dict[str, Entry]:
    """Entries of what was typed, with some changed or (None) left out."""
    merged = {**typed, **changes}
    return {name: read_entry(name, text) for name, text in merged.items() if text is not None}


def with_curve(typed: dict[str, str], curve: TorqueCurve, **changes: str | None) -> dict[str, Entry]:
    """The same with a measured curve in place of the two peaks."""
    found = entries(typed, curve_source="file", **changes)
    return found | {"measured_curve": curve_entry("measured_curve", "run.csv", curve)}


def setup_of(typed: dict[str, str], **changes: str | None) -> Setup:
    return set_up(entries(typed, **changes))


def ledger_of(typed: dict[str, str]) -> list[Revision]:
    """The entries as a ledger of one revision."""
    return [Revision(1, "start", "2026-03-02T08:30:00.000000Z", tuple(entries(typed).values()))]
