"""The shop's records in one SQLite file: jobs and the append-only ledger of each.

- `models`   typed tables
- `database` opens the file, looks at it first, migrates it, and begins each write
- `jobs`     reads and appends; a write that was made against an older revision is refused
- `kept`     lines of the job list worked out before, searched and sorted
- `rules`    which version of the rules worked a line out
- `measurements`   the bench's record
- `parts`    the shelf
- `shop`     what the shop says of itself
- `learned`  what its jobs hold that teaches something
- `backups`  copies of the file, out and back
"""
