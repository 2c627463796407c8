"""Car or motorcycle: the stack, and what turns with the engine.

- `dry_discs`                A dry car clutch: discs between flywheel, floater plates and pressure plate, at crank
  speed.
- `engine_on_clutch`         A car: crank, flywheel and cover turn with the clutch.
- `engine_through_primary`   A motorcycle: the crank turns faster than the clutch, so its inertia counts by the ratio
  squared.
- `pack_nodes`               Where a wet pack keeps its heat: the plain plates, basket with hub, and the oil.
- `pack_trueness`            What of a pack has to be true: its plain plates flat, its push rod straight. Readings of
  the bench.
- `wet_pack`                 A wet motorcycle clutch: friction plates and plain plates in a basket.
"""
