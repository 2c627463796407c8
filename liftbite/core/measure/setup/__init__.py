"""The calculations of the set-up, a file each; every file registers its own.

- `fitting`       Sums of the bench that stand beside the graph: bearing cushion and spacers, a cut flywheel, a taller
  bearing, the port, stocked cylinders, and what another flywheel changes.
- `proofs`        The sums of the set-up that a job's readings allow: each with everything it stands on. Lengths in
  metres.
- `proofs_said`   What the sums of the set-up come to, in a sentence, and how, line by line.
- `proving`       Proving a set-up from measured depths, gaps and shims, before the gearbox goes in. Lengths in
  metres.
"""
