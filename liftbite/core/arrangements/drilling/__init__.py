"""Which way a hole is drilled that takes an unbalance away.

- `axial`    A hole drilled into the face, in line with the crank.
- `radial`   A hole drilled into the rim, towards the crank.
"""
