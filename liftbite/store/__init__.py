"""The shop's records in one SQLite file: jobs and the append-only ledger of each.

- `models`   typed tables
- `database` opens the file, looks at it first, migrates it, and begins each write
- `jobs`     reads and appends; a write that was made against an older revision is refused
- `state`    which shop a file holds, and in which of its states
- `read_back`   what was written, read as a job's file would carry it, before it counts
- `turns`    writes one after the other, in the order they come
- `job_lines` lines of the job list worked out before, searched and sorted
- `rules`    which version of the rules worked a line out
- `measurements`   the bench's record
- `instruments`   the shop's instruments
- `filed`    all of a job's bench, out to a file and in from one
- `carry`    jobs and whole shops carried out as files, and in
- `parts`    the shelf
- `vehicles` vehicles something is kept of, and those of almost the same name
- `people`   people of the shop, each known whatever the spelling
- `shop`     what the shop says of itself
- `learned`  what its jobs hold that teaches something
- `tables`   versions of the tables, and the way from one to the next
- `copies`   copies kept beside the file, and what is wrong with one
- `backups`  a copy of the file, out and back
"""
