"""What the residual unbalance is worked out from.

- `register`   The residual unbalance from how far the assembly sits off its register.
- `vectors`    The residual unbalance as the vector sum of what the parts bring.
"""
