"""What a builder picks, a file a topic, in the order of work; `liftbite.core.job.choices` puts them together.

- `choice`   what a choice and its options are
- `brief`   What the vehicle is, what its engine makes, and what it is for.
- `facing`   Facings, on one side of a disc and on the other, and what they begin at.
- `clamp`   What presses the discs: springs, cover, fingers, bearing; and how the torque follows from it.
- `release`   How it is released: pedal or lever, line or cable, and where a floater stops.
- `flywheel`   The flywheel: inertia, material, balance.
- `start`   The wheels that drive, and how it pulls away.
"""
