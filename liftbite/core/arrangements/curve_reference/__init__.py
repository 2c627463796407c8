"""Where the engine's figures were taken.

- `crank`   The present curve was taken at the crank: it is used as it is.
- `wheel`   The present curve was taken at the wheel: it is referred to the crank.
"""
