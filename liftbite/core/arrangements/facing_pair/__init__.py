"""Whether both sides of a disc carry the same facing.

- `alike`    Both sides of every disc carry the same facing.
- `differ`   The two sides of every disc differ: in facing, radii or how much of the ring is faced.
"""
