"""Tools: what it takes to get them out and put them away. Common practice, no source."""

from __future__ import annotations

from muster.core.plan.problem import Tool

TOOLS: dict[str, Tool] = {
    "airbrush": Tool(setup_s=300, cleanup_s=480, open_families=1),
    "brush": Tool(setup_s=60, cleanup_s=120, open_families=3),
    "spray can": Tool(setup_s=180, cleanup_s=120, open_families=1),
    "sponge": Tool(setup_s=30, cleanup_s=60, open_families=1),
}

UNKNOWN = Tool(setup_s=60, cleanup_s=60, open_families=1)
"""For a tool that the user names and we do not know."""
