"""The account."""
