"""What the commands that need no server share: they end quietly on a broken pipe, and a fault of
the program is never taken for a finding."""

from __future__ import annotations

import signal
import sys
import traceback
from collections.abc import Callable

FAULT = 70
"""Exit code of a fault of this program (sysexits.h: EX_SOFTWARE)."""


def run(main: Callable[[], int]) -> int:
    """Run a command's main function."""
    signal.signal(signal.SIGPIPE, signal.SIG_DFL)
    try:
        return main()
    except KeyboardInterrupt:
        return 130
    except Exception:
        traceback.print_exc()
        print("this is a fault of the program, not of your file", file=sys.stderr)
        return FAULT
