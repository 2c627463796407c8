"""The account of a job over the wire, which the papers are made from.

- `models`     its shape
- `papers`     what the papers of a job say
- `present`    from the account
- `views`      as JSON
"""
