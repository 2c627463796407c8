"""Parts on the shelf, what has to fit, and the search through all of them.

- `finder`     All combinations of a shelf of parts against a brief: which hold, which are worth a look, what excludes
  the rest.
- `mismatch`   Parts that do not go together. Each mismatch is a stop, with a sentence and the way out.
- `shelf`      Parts on the shelf: what each kind may bring, and what it does when it is taken into a job.
- `slots`      What has to fit before anything is ordered, and the slots of the shelf that bring it.
- `stock`      Generic parts every shop begins with: nominal cylinder bores, facing materials, bolts, fluids.
"""
