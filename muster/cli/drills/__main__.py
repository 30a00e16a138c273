"""``crisp drill kill|load|full [N]``."""

from __future__ import annotations

import sys

from muster.cli.drills import full, kill, load
from muster.cli.launch.steps import Stop, say

DRILLS = {"kill": kill.drill, "load": load.drill, "full": full.drill}


def main(words: list[str]) -> int:
    """Hold a drill; 1 where something was lost."""
    name, *rest = words
    try:
        return DRILLS[name](*(int(one) for one in rest[:1]))
    except ValueError:
        say(f"crisp drill {name}: '{rest[0]}' is no number")
        return 2
    except Stop as stop:
        say(f"crisp: {stop}")
        return 1


sys.exit(main(sys.argv[1:]))
