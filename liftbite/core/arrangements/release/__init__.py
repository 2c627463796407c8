"""The chain from pedal or lever to the plate; options share modules.

- `cable`              Release by cable: pedal or lever, cable, fork or arm. The cable stretches with the force in it.
- `concentric_slave`   A concentric slave: its piston is a ring round the input shaft and carries the release bearing.
- `cover_levers`       The bearing works the plate through fingers or levers of the cover.
- `hydraulics`         Release by fluid: pedal or lever, master cylinder, line, slave. The slave itself is another
  module.
- `no_fork`            There is no fork: slave or cable arm act in line with the bearing or the lifter.
- `slave_on_fork`      A slave cylinder that works a fork.
- `straight_lifter`    A lifter rod that works the plate directly, as in a motorcycle.
"""
