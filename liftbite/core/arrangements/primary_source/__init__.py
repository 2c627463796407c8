"""What the primary ratio comes from.

- `teeth`   The primary ratio comes from the teeth of the gears.
"""
