"""Where the engine's figures were taken.

- `crank`   The present curve was taken at the crank: it is used as it is.
- `hub`     The present curve was taken at the hubs: it is referred to the crank by the ratio that was driven and its
  losses.
- `wheel`   The present curve was taken at the wheel: it is referred to the crank.
"""
