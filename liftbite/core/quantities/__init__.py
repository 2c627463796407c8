"""The quantities every job shares, whatever is picked, and the plain formulas they use.

- `alignment`      Alignment: how far housing and flywheel face run out, against what is allowed. Readings of the
  bench.
- `balance`        True: balance of what is balanced together.
- `capacity`       Bite: does it hold the torque?
- `disc`           The disc's own strength: its damper, and the speed a missed shift spins it to.
- `disc_spring`    Conical disc springs: the plain formulas the diaphragm modules use.
- `driveline`      The rest of the torque chain: what breaks when the clutch does not slip. The clutch is also a fuse.
- `engine`         Engine output: the curve the clutch has to hold.
- `face`           One friction face: its friction, its pressure, the heat it takes and how hot it gets.
- `floater`        The floater plate of a twin: whether both discs get room.
- `flywheel`       True: does it run true? Speed, strength and inertia of what turns with the engine.
- `heat`           Heat: does it survive the way it is used? Temperature of a start, and of several in a row.
- `heat_nodes`     Where a car's clutch keeps its heat: flywheel, pressure plate, floaters, cover, the air in the
  housing.
- `joint`          The joint of flywheel and crank: its bolts, and the torque it carries by friction.
- `launch`         Starts: one or thousands at once, and none twice.
- `launch_case`    A start: what it is integrated from, and what came of it.
- `launch_run`     The integration of a start: engine, gearbox side and vehicle; driver, pedal, fading friction,
  tyres, road, stall.
- `pedal_return`   Whether the pedal comes back where an assist spring helps it down.
- `release`        Lift: does it let go? From the plate back to the bearing; the chain from there to the pedal is an
  arrangement.
- `start`          Heat: one start, from what the driver wants to the heat it makes.
- `start_loads`    Heat: what a start works against, seen from the clutch shaft.
- `strength`       True: does the flywheel hold together? Its burst speed, the stress and yield at its bore, its rim.
- `thermal`        A handful of masses that take heat, give it to each other and to what is around them.
- `torque_curve`   An engine's torque over speed, and what is read off it.
- `wear`           Wear of the facings by the heat of starts, and how long they last.
"""
