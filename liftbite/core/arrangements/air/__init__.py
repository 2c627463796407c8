"""Whether the engine's figures are those of the day.

- `corrected`   The engine figures were corrected to standard air; the clutch feels the actual torque of the densest
  day.
- `known_day`   The engine was measured as it is on a day whose air is known; the clutch feels the densest day
  expected.
- `measured`    The engine figures are those of the day and stand as they are.
- `standard`    What the engine makes in standard air: the figure others quote.
"""
