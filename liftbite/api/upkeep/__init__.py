"""The shop's file: its backups, who may reach it, and what the shop says of itself.

- `models`, `views`   copies of the file
- `archive`, `transfers`   everything in one archive, out and in, with how far it is
- `learned`           what the shop's own jobs teach
- `shop`              the units the shop prefers, in force for every request
"""
