"""Modules that supply a quantity with one option of a choice, and leave it an input with another.

A folder a choice, named as the choice is; `liftbite.core.job.choices` says which option brings which module.

- `adjuster`             Whether the cover takes up wear by itself.
- `air`                  Whether the engine's figures are those of the day.
- `bearing`              What the release bearing does at rest.
- `capacity_model`       How the pressure spreads over the facing.
- `clamp_source`         Where the clamp load comes from.
- `cover_action`         Whether the bearing pushes or pulls the fingers, and the geometry that goes with it.
- `curve_reference`      Where the engine's figures were taken.
- `curve_source`         What the engine's curve comes from.
- `drilling`             Which way a hole is drilled that takes an unbalance away.
- `facing_material`      How friction goes with temperature.
- `facing_pair`          Whether both sides of a disc carry the same facing.
- `fingers`              What speed does to the fingers.
- `floater_stop`         What stops the floater plate of a twin as the clutch is released.
- `heat_before`          How hot the clutch is before the first start.
- `hub`                  What the hub adds to the friction.
- `inertia_source`       What the flywheel's inertia is worked out from.
- `layout`               Car or motorcycle: the stack, and what turns with the engine.
- `pedal_spring`         What springs do at the pedal itself, beside the clutch.
- `primary_source`       What the primary ratio comes from.
- `release`              The chain from pedal or lever to the plate; options share modules.
- `ring_gear`            What the ring gear pulls at the flywheel's rim.
- `spring_lengths`       Whether every coil spring's own length is known.
- `spring_rate_source`   What the rate of a coil spring comes from.
- `stage_plan`           What is planned for the engine.
- `start`                How much torque the driver lets the clutch carry in a start.
- `throttle`             What the driver does with the throttle while the pedal comes up.
- `unbalance_source`     What the residual unbalance is worked out from.
"""
