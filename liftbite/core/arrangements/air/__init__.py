"""Whether the engine's figures are those of the day.

- `corrected`   The engine figures were corrected to standard air; the clutch feels the actual torque of the densest
  day.
- `measured`    The engine figures are those of the day and stand as they are.
"""
