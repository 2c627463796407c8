"""The brief: a dynamometer file looked at before it becomes a curve."""
