"""Whether every coil spring's own length is known.

- `each`   Every coil spring's own free length was measured: one tired spring lowers the clamp and tilts it.
"""
