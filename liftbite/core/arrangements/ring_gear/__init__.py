"""What the ring gear pulls at the flywheel's rim.

- `counted`      The ring gear's mass hangs at the rim and pulls the flywheel apart with it.
- `left_aside`   The ring gear is left aside.
"""
