"""The brief: what is read from a dynamometer file before anything is kept.

- `present`, `views`   a mapping proposed, a file read as mapped
"""
