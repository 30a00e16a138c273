"""Build: what to leave apart, and what must come before what."""
