"""Parts on the shelf, what has to fit, and the search through all of them.

- `beside`         Alternatives for one part of a job, side by side: what each would do, and which meets what is
  asked.
- `combinations`   All combinations of parts that bring the same options: which limit each misses first, and what the
  others come to.
- `cylinders`      Stocked bores of master and slave, every pair of them: which frees the clutch at an effort a driver
  can live with.
- `finder`         All combinations of a shelf of parts against a brief: which hold, which are worth a look, what
  excludes the rest.
- `front`          Rows no other row beats in everything, out of millions that come piece by piece.
- `instructions`   Instructions for the flywheel's bolts, side by side: the same bolts, each with its owner, torque,
  angle and finish.
- `mismatch`       Parts that do not go together. Each mismatch is a stop, with a sentence and the way out.
- `shelf`          Parts on the shelf: what each kind may bring, and what it does when it is taken into a job.
- `slots`          The kinds of parts a shelf holds.
- `stock`          Generic parts every shop begins with: nominal cylinder bores, facing materials, bolts, fluids.
"""
