"""Where the clamp load comes from.

- `coils`       The clamp load comes from coil springs; as the pack wears every spring gets longer, as it lifts,
  shorter.
- `diaphragm`   The clamp load comes from a diaphragm spring: a conical ring with fingers, levered between plate seat
  and fulcrum.
- `figure`      The clamp load is the cover maker's figure, or one measured in a press; how it moves with wear is not
  known.
"""
