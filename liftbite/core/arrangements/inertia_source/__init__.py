"""What the flywheel's inertia is worked out from.

- `parts`    The inertia of the flywheel as a sum of parts, each by its weight and its radius of gyration.
- `rings`    The inertia of the flywheel as a sum of rings: ring gear, friction insert, web.
- `swing`    The inertia of the flywheel from a swing on three wires (trifilar pendulum).
- `weight`   The inertia of the flywheel from the scale.
"""
