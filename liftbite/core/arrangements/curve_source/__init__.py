"""What the engine's curve comes from.

- `peaks`   The curve is estimated from peak torque and peak power.
"""
