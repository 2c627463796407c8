"""The inputs of a job, a file a topic, in the order of work; `liftbite.core.job.inputs` puts them together.

- `clutch`    The stack, its facings and the springs that clamp it.
- `engine`    The job itself, what the engine makes, and the primary drive.
- `fits`      What has to fit together, the fluid, and the parts by name.
- `flywheel`  Flywheel, balance and what turns with the engine; runout.
- `joints`    Shaft, splines, damper and the flywheel joint.
- `release`   From the room the discs want to the pedal.
- `sizes`     Wear, and the sizes a section is drawn with.
- `starts`    The vehicle, its starts and their heat.
"""
