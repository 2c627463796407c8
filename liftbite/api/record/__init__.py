"""Everything that was ever entered, read, ticked or said of a job, by time.

- `models`    What the record is over the wire.
- `present`   The events of a job, newest first.
- `views`     View of the record.
"""
