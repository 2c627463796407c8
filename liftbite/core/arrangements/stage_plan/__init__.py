"""What is planned for the engine.

- `crank_file`   The planned stage has a curve of its own, taken at the crank.
- `none`         No further tuning is planned.
- `scaled`       The planned stage is the present curve times a factor.
- `wheel_file`   The planned stage has a curve of its own, taken at the wheel.
"""
