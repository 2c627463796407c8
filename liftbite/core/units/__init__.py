"""Workshop notation: what a builder types to SI, and SI to what he reads.

- `constants`   Constants of units, by name, in SI.
- `fasteners`   How a workshop writes threads, classes of bolts and tightening: `M10 x 1.25`, `7/16-20`, `10.9`, `19.8
  lb-ft + 120°`.
- `kinds`       What can be typed: kinds of quantities, the units each is typed and shown in, and how units are
  spelled.
- `preference`  In which units sentences are written: both, or one system alone.
- `read`        Workshop notation in; `liftbite.core.units.show` shows it again.
- `scales`      What the units of the tables are worth in SI, so that a start need not wait for Pint.
- `sentence`    Values as a sentence has them, in the units preferred where it is written.
- `show`        Workshop notation out: the one number formatter.
"""
