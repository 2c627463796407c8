"""What stops the floater plate of a twin as the clutch is released.

- `stands`   The floater of a twin stops at stands on the flywheel, set by shims.
- `straps`   The floater of a twin is kept half way by straps.
"""
