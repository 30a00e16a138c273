"""Compiling the hot loop, so that other threads run meanwhile.

The functions stay plain Python: NUMBA_DISABLE_JIT=1 runs them so.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar, cast

import numba

from muster.core.plan.kernel.fields import named

Function = TypeVar("Function", bound=Callable[..., object])


def compiled(function: Function) -> Function:
    """The function, compiled at its first call and kept on disk."""
    return cast(Function, numba.njit(cache=True, nogil=True)(named(function)))


def inlined(function: Function) -> Function:
    """The function, compiled into each that calls it: for what is split for readers alone."""
    return cast(Function, numba.njit(nogil=True, inline="always")(named(function)))


TYPES = {
    "Frame": numba.int64[::1], "State": numba.int64[::1], "Ints": numba.int64[::1],
    "Floats": numba.float64[::1], "int": numba.int64, "float": numba.float64,
    "bool": numba.boolean,
}  # fmt: skip


def compile_now(function: Callable[..., object]) -> None:
    """Compile a function for the types that its annotations name, and keep it on disk."""
    dispatcher = cast(Any, function)
    if not hasattr(dispatcher, "py_func"):
        return
    named_types = dispatcher.py_func.__annotations__.items()
    dispatcher.compile(tuple(TYPES[kind] for name, kind in named_types if name != "return"))
