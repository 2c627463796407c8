"""What is asked of a job beyond one evaluation.

- `against`           As found against as planned: every answer, and what a driver feels, side by side and in words.
- `goal_seek`         Asks a result backwards: which clamp load, which friction, which diameter gives the target?
- `life`              Clamp and margin over the wear of the stack, and what ends its life first: facings, clamp or
  bearing.
- `repeated_starts`   Starts side by side and one after the other, each integrated.
- `stint`             A schedule of starts: how hot every mass of the clutch gets, and what is hot first.
- `stroke`            The whole stroke of pedal or lever, point by point, and what stops it.
- `tolerance`         What a margin does when its inputs are not exact: worst case, root sum of squares, Monte Carlo,
  sensitivity.
- `upshift`           A fast upshift, throttle kept open: what slips while the pedal comes up, with a restrictor in
  the line and without.
- `working`           How a number came about: formula, values as typed and in SI, unit and source, down to the
  inputs.
"""
