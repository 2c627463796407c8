"""The account of a job over the wire, which the papers are made from.

- `models`     its shape
- `present`    from the account
- `views`      as JSON
"""
