"""What could go in instead: the search through a shelf, and alternatives for one part side by side.

- `alternatives`   Alternatives for one part of a job, side by side: what each would do, and which meets what is
  asked.
- `beside`         The parts there are alternatives for, by name.
- `candidate_part`  A part of the shelf as the finder takes it.
- `combinations`   All combinations of parts that bring the same options: which limit each misses first, and what the
  others come to.
- `cylinders`      Stocked bores of master and slave, every pair of them: which frees the clutch at an effort a driver
  can live with.
- `finder`         All combinations of a shelf of parts against a brief: which hold, which are worth a look, what
  excludes the rest.
- `front`          Rows no other row beats in everything, out of millions that come piece by piece.
- `instructions`   Instructions for the flywheel's bolts, side by side: the same bolts, each with its owner, torque,
  angle and finish.
"""
