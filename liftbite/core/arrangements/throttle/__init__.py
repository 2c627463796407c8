"""What the driver does with the throttle while the pedal comes up.

- `held`         The throttle is held open from the start.
- `with_pedal`   The throttle follows what the clutch takes.
"""
