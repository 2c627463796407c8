"""What the release bearing does at rest.

- `free`    The release bearing does not press on the fingers at rest.
- `rides`   The release bearing rides on the fingers with a preload.
"""
