"""What the rate of a coil spring comes from.

- `wire`   The rate of a coil spring comes from its wire.
"""
