"""What the hub adds to the friction.

- `plain`   A hub without ramps: the clutch carries what its friction carries.
- `ramps`   An assist and slipper hub: ramps press the pack when the engine drives, and open it when the wheel does.
"""
