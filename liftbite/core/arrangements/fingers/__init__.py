"""What speed does to the fingers.

- `counted`      The fingers are thrown by speed: their mass off the plane of the pivots adds to the clamp or takes
  from it.
- `left_aside`   What speed does to the fingers is left aside.
"""
