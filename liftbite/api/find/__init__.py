"""The finder: a search that runs beside the requests."""
