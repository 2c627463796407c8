"""Instruments with a data port: the line protocol, the reader, and a simulated stand-in that speaks the real thing.

- `protocol`   a reading as a line: value, unit, newline
- `gauge`      reads a serial device or a `socket://` address and loses nothing when it is unplugged
- `simulate`   a caliper, a dial swept round a bore, a depth gauge, with noise and drop-outs
"""
