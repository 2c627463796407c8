"""Workshop notation: what a builder types to SI, and SI to what he reads.

- `read`   Workshop notation in; `liftbite.core.units.show` shows it again.
- `show`   Workshop notation out: the one number formatter.
"""
