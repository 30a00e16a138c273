"""Compiling the hot loop, so that other threads run meanwhile.

The functions stay plain Python: NUMBA_DISABLE_JIT=1 runs them so.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar, cast

import numba

from muster.core.plan.kernel.fields import named

Function = TypeVar("Function", bound=Callable[..., object])


def compiled(function: Function) -> Function:
    """The function, compiled at its first call and kept on disk."""
    return cast(Function, numba.njit(cache=True, nogil=True)(named(function)))
