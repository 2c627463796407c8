"""Measuring: from a reading to a verdict, to entries of the job and to the parts list.

- `checks`        What is measured on the bench: every check with its places, its limits and whose they are.
- `effect`        One quantity of the job that readings change, ready to be entered.
- `effects`       What measured values do to the four questions: entries for the job's ledger, with what stood there
  before.
- `explained`     How a verdict of the bench was worked out, line by line, with its figures, its rule and whose it is.
- `instruments`   What a reading is taken with, how far it can be trusted, and what that does to a verdict.
- `judgement`     From readings to a verdict: what decided it, whose limit it was, how much is left.
- `keyed`         What was keyed in, or came from a gauge, as a value of a check.
- `own`           Checks a job adds of its own: a sensor gap, hub to bolts, the roughness of a face.
- `parts_list`    From verdicts to the list of parts to get, with reasons, and what is worth doing while it is open.
- `runout`        A dial swept round a circle: how far off centre, which way, how round, and what dowel puts it right.
- `scope`         What a job is about: which checks are asked for, and which complaint a finding explains.
- `setup`         The calculations of the set-up, a file each: a file with a `CALCULATION` is one, nothing else has to
  know it.
- `sweep`         A sweep of the record: angles from its places, the fit, its verdict and what to do about it.
- `whose`         Whose part a check reads: of a part that is found and planned as two, each has readings of its own.
"""
