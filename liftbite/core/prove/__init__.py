"""A build held against its own numbers on the road: what a logger wrote, what it shows, and what the fault may be.

- `road_log`    a logger's file read: time, engine speed, road or shaft speed, throttle
- `drive`       gears found, and where engine and wheels part: starts, shifts, slip
- `gearing`     engine over road, gear by gear
- `driven`      torque, heat and margin of what slipped, by the job's own figures
- `logger`      a simulated logger: it drives the job's vehicle, healthy or with a fault
- `faults`      causes of a complaint, ranked by what is known, and the test that separates most
- `causes`      what causes there are, what they show and close into, and the tests that tell them apart
- `complaints`  what a customer complains of, and which findings of the bench explain it
- `cards`       first start, first metres, road test, look again; noises that are not the clutch
- `fluids`      fluids and oils: class, how much, level again, when due
- `ahead`       when it is measured again, when its floater wants shims
- `learned`     what a shop's own jobs teach
- `bleeding`    ways to bleed the hydraulics, and what a stroke moves
- `hand_over`   what an owner is told, and the dates to come
- `statements`  what is said when a job is proved: bled, tried, heard, looked into, handed over
- `running_in`  how far a new clutch is bedded in, and what may be asked of it
"""
