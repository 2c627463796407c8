"""Lift Bite: clutch, flywheel and release hydraulics sized against engine output."""

__version__ = "0.1.0"
