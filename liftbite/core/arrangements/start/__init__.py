"""How much torque the driver lets the clutch carry in a start.

- `by_acceleration`   As much as the acceleration he wants takes: pulling away.
- `by_share`          A share of the engine's torque: standing and dropped starts.
"""
