"""Parts on the shelf, and what has to fit.

- `mismatch`       Parts that do not go together. Each mismatch is a stop, with a sentence and the way out.
- `shelf`          Parts on the shelf: what each kind may bring, and what it does when it is taken into a job.
- `stock`          Generic parts every shop begins with: nominal cylinder bores, facing materials, bolts, fluids.
"""
