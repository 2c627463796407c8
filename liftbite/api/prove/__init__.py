"""Prove: a drive read, the fault found, bedding-in, and what is handed over.

- `models`     what goes over the wire
- `present`    a drive, the ranking of causes and bedding-in as they are shown
- `start`      bleeding, fluids, cards of the first start and the road, and what lies ahead, as they are shown
- `archive`    all of a job as files of an archive
- `calendar`   the dates to come
- `views`      what is asked and said
"""
