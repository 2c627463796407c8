"""Figures of this machine: `make bench`. Prints what was measured beside what is aimed at; judges nothing."""
