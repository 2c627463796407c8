"""Workshop notation: what a builder types to SI, and SI to what he reads.

- `constants`   Constants of units, by name, in SI.
- `read`        Workshop notation in; `liftbite.core.units.show` shows it again.
- `show`        Workshop notation out: the one number formatter.
"""
