"""The clutch as a drawing: outlines in metres and how they move, all from the quantities of the graph.

- `motion`      what moves by how much, over pedal travel and over wear
- `sizes`       the sizes a section is drawn with, those nobody entered told apart
- `car`, `motorcycle`   the half section of either layout
- `outline`     what a drawing is made of
- `glyph`       the glyph of a verdict
- `release`     the chain from pedal or lever to the bearing
- `section`     all of it together

Axes of a half section: x along the shaft from the friction face of the flywheel (or the hub's flange) towards the
gearbox, r from the shaft's axis. A point of an outline names the motion it follows; where it stands is its place at
rest, new, plus that motion.
"""
