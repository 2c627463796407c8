"""The shop's records in one SQLite file: jobs and the append-only ledger of each.

- `models`   typed tables
- `database` opens the file, migrates it
- `jobs`     reads and appends; a write that was made against an older revision is refused
"""
