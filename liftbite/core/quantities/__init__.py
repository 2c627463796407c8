"""The quantities every job shares, whatever is picked, and the plain formulas they use.

- `alignment`      Alignment: how far housing and flywheel face run out, against what is allowed. Readings of the
  bench.
- `balance`        True: balance of what is balanced together.
- `capacity`       Bite: does it hold the torque?
- `disc_spring`    Conical disc springs: the plain formulas the diaphragm modules use.
- `driveline`      The rest of the torque chain: what breaks when the clutch does not slip. The clutch is also a fuse.
- `engine`         Engine output: the curve the clutch has to hold.
- `flywheel`       True: does it run true? Speed, strength and inertia of what turns with the engine.
- `heat`           Heat: does it survive the way it is used? Temperature of a start, and of several in a row.
- `launch`         Starts: one or thousands at once, and none twice.
- `launch_case`    A start: what it is integrated from, and what came of it.
- `launch_run`     The integration of a start: engine, gearbox side and vehicle; driver, pedal, fading friction, tyres,
  road, stall.
- `release`        Lift: does it let go? From the plate back to the bearing; the chain from there to the pedal is an
  arrangement.
- `start`          Heat: one start, from what the driver wants to the heat it makes.
- `torque_curve`   An engine's torque over speed, and what is read off it.
- `wear`           Wear of the facings by the heat of starts, and how long they last.
"""
