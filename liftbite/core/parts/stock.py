"""Generic parts every shop begins with: nominal cylinder bores, facing materials, bolts, fluids.

Bores are nominal [practice], materials and fluids typical [memory], bolts after ISO 898-1 [standard]. No maker's part
is among them.
"""

from __future__ import annotations

from collections.abc import Iterator

from liftbite.core.job.materials import MATERIALS
from liftbite.core.parts.shelf import ShelfPart

_INCH_BORES = ("5/8", "0.700", "11/16", "3/4", "13/16", "7/8", "15/16", "1")
_METRIC_BORES = ("14", "16", "18", "19", "20", "22")
_NOMINAL = "nominal bore, common practice, no source"
#: thread, pitch [mm]
_THREADS = ((8, "1.25"), (9, "1"), (10, "1"), (10, "1.25"), (11, "1.25"), (12, "1.25"), (12, "1.5"))
#: class -> proof strength [MPa], ISO 898-1
_CLASSES = {"8.8": 600, "10.9": 830, "12.9": 970}
#: fluid -> boiling points fresh and old [°C]
_FLUIDS = {"DOT 3": (205, 140), "DOT 4": (230, 155), "DOT 5.1": (260, 180)}


def _cylinders() -> Iterator[ShelfPart]:
    for size in (*(f"{b} in" for b in _INCH_BORES), *(f"{b} mm" for b in _METRIC_BORES)):
        yield ShelfPart("master", f"Master {size}", {"master_diameter": size}, source=_NOMINAL)
        yield ShelfPart("slave", f"Slave {size}", {"slave_diameter": size}, source=_NOMINAL)


def _materials() -> Iterator[ShelfPart]:
    for m in MATERIALS.values():
        yield ShelfPart(
            "material",
            m.label,
            {"facing_material": m.name},
            source="typical of handbook tables, from memory",
            notes=m.character,
        )


def _bolts() -> Iterator[ShelfPart]:
    for size, pitch in _THREADS:
        for grade, proof in _CLASSES.items():
            yield ShelfPart(
                "bolts",
                f"M{size} × {pitch}, {grade}",
                {"bolt_diameter": f"{size} mm", "bolt_pitch": f"{pitch} mm", "bolt_proof_strength": f"{proof} MPa"},
                source="ISO 898-1, proof strength by class",
            )


def _fluids() -> Iterator[ShelfPart]:
    for name, (fresh, old) in _FLUIDS.items():
        yield ShelfPart(
            "fluid",
            f"Brake fluid {name}",
            {"fluid_dry_boiling": f"{fresh} °C", "fluid_wet_boiling": f"{old} °C"},
            source="FMVSS 116, minimum boiling points, from memory",
            notes="Use what the reservoir's cap names.",
        )


def generic_parts() -> list[ShelfPart]:
    """The generic parts, by kind."""
    return [*_cylinders(), *_materials(), *_bolts(), *_fluids()]
