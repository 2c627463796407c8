"""Jobs: list, open, change, undo, ask backwards, working, files in and out."""
