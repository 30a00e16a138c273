"""The HTTP API: one file a room. Each handler parses, calls one function, answers."""
