"""Whether the bearing pushes or pulls the fingers, and the geometry that goes with it.

- `pull`   A pulled cover: the fulcrum ring lies outside the plate seat, and the bearing pulls the fingers to the
  gearbox.
- `push`   A pushed cover: the fulcrum ring lies inside the plate seat, and the bearing pushes the fingers to the
  flywheel.
"""
