"""Tools: what it takes to get them out and put them away. Common practice, no source."""

from __future__ import annotations

TOOLS: dict[str, dict[str, int]] = {
    "airbrush": {"setup_s": 300, "cleanup_s": 480, "open_families": 1},
    "brush": {"setup_s": 60, "cleanup_s": 120, "open_families": 3},
    "spray can": {"setup_s": 180, "cleanup_s": 120, "open_families": 1},
    "sponge": {"setup_s": 30, "cleanup_s": 60, "open_families": 1},
}

UNKNOWN: dict[str, int] = {"setup_s": 60, "cleanup_s": 60, "open_families": 1}
"""For a tool that the user names and we do not know."""
