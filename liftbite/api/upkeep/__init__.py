"""The shop's file: its backups, and who may reach it."""
