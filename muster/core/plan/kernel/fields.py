"""Named fields of one flat array, that cost nothing once they are compiled.

A structure is a class whose annotations name its fields: scalars (``int``), then columns. Functions
take arrays under its name, and read ``state.now`` and ``state.task_worked[t]``; before they are
compiled, ``named`` writes that as ``state[0]`` and ``state[state[10] + t]``.
"""

from __future__ import annotations

import ast
import copy
from collections.abc import Callable, Mapping
from functools import cache
from pathlib import Path
from types import FunctionType
from typing import TYPE_CHECKING, TypeVar, cast

import numba
import numpy as np
import numpy.typing as npt

Ints = npt.NDArray[np.int64]
Function = TypeVar("Function", bound=Callable[..., object])
Kind = TypeVar("Kind", bound="Structure")
Made = TypeVar("Made", bound="type[Structure]")

if TYPE_CHECKING:

    class Column:
        """Numbers by index."""

        def __getitem__(self, index: int) -> int: ...
        def __setitem__(self, index: int, value: int) -> None: ...

    class Structure(Ints):
        """One flat array with named fields."""
else:
    Column = np.ndarray

    class Structure:
        """One flat array with named fields."""


STRUCTURES: dict[str, type[Structure]] = {}
OFFSETS: dict[type[Structure], dict[str, int]] = {}
SCALARS: dict[type[Structure], tuple[str, ...]] = {}


def structure(made: Made) -> Made:
    """Register a class as a structure: scalars come first.

    Raises TypeError where a column stands before a scalar.
    """
    names = list(made.__annotations__)
    scalars = tuple(name for name in names if made.__annotations__[name] == "int")
    if tuple(names[: len(scalars)]) != scalars:
        raise TypeError(f"{made.__name__}: its scalars must come before its columns")
    STRUCTURES[made.__name__] = made
    OFFSETS[made] = {name: index for index, name in enumerate(names)}
    SCALARS[made] = scalars
    return made


def lay_out(made: type[Kind], scalars: Mapping[str, int], columns: Mapping[str, Ints]) -> Kind:
    """One flat array: the scalars, where each column begins, then the columns.

    Raises KeyError where a field is missing.
    """
    offsets = OFFSETS[made]
    sizes = [len(columns[name]) for name in offsets if name not in SCALARS[made]]
    flat = np.zeros(len(offsets) + sum(sizes), np.int64)
    at = len(offsets)
    for name, offset in offsets.items():
        if name in SCALARS[made]:
            flat[offset] = scalars[name]
            continue
        flat[offset] = at
        flat[at : at + len(columns[name])] = columns[name]
        at += len(columns[name])
    return cast(Kind, flat)


def copy_of(flat: Kind) -> Kind:
    """A copy that can be changed by itself."""
    return flat.copy()


def column(flat: Ints, made: type[Structure], name: str, size: int) -> Ints:
    """A view of a column's first ``size`` numbers."""
    at = int(flat[OFFSETS[made][name]])
    return flat[at : at + size]


def scalar(flat: Ints, made: type[Structure], name: str) -> int:
    """A scalar's value."""
    return int(flat[OFFSETS[made][name]])


def set_scalar(flat: Ints, made: type[Structure], name: str, value: int) -> None:
    """Set a scalar."""
    flat[OFFSETS[made][name]] = value


def named(function: Function) -> Function:
    """The function with the fields of its structures written as look-ups in flat arrays.

    Raises AttributeError for a field that a structure lacks, TypeError for a column that is used
    without an index.
    """
    structures = {
        name: STRUCTURES[kind]
        for name, kind in function.__annotations__.items()
        if name != "return" and isinstance(kind, str) and kind in STRUCTURES
    }
    plain = cast(FunctionType, function)
    file = plain.__code__.co_filename
    definition = copy.deepcopy(_functions_in(file)[plain.__name__])
    definition.decorator_list = []
    _Fields(structures, definition.name).visit(definition)
    _Casts(plain).visit(definition)
    plain.__globals__.update(CASTS)
    # Lines stay those of the source, for tracebacks and for the compiler's store on disk.
    tree = ast.fix_missing_locations(ast.Module([definition], []))
    made: dict[str, object] = {}
    exec(compile(tree, file, "exec"), plain.__globals__, made)
    result = cast(FunctionType, made[definition.name])
    result.__module__, result.__doc__ = plain.__module__, plain.__doc__
    return cast(Function, result)


CASTS = {"_int": numba.int64, "_float": numba.float64, "_bool": numba.boolean}

MARKS = {"compiled", "inlined"}


@cache
def _functions_in(file: str) -> dict[str, ast.FunctionDef]:
    """The functions of a file by name; each file is read once."""
    nodes = ast.parse(Path(file).read_text()).body
    return {node.name: node for node in nodes if isinstance(node, ast.FunctionDef)}


def _kinds_of(node: ast.FunctionDef) -> tuple[str, ...] | None:
    """The kinds of a compiled function's arguments; None where it is none."""
    if not any(isinstance(mark, ast.Name) and mark.id in MARKS for mark in node.decorator_list):
        return None
    return tuple(ast.unparse(arg.annotation) for arg in node.args.args if arg.annotation)


class _Casts(ast.NodeTransformer):
    """Arguments of compiled functions as values of their declared kind.

    Else a constant is a type of its own to the compiler, and each function is compiled once for
    every constant that it is called with.
    """

    def __init__(self, function: FunctionType) -> None:
        self.known = function.__globals__
        self.beside = _functions_in(function.__code__.co_filename)

    def visit_Call(self, node: ast.Call) -> ast.AST:
        self.generic_visit(node)
        name = node.func.id if isinstance(node.func, ast.Name) else ""
        called = getattr(self.known.get(name), "py_func", None)
        kinds = _kinds_of(self.beside[name]) if name in self.beside else None
        if called is not None:
            kinds = tuple(kind for key, kind in called.__annotations__.items() if key != "return")
        if kinds is None:
            return node
        node.args = [
            ast.copy_location(ast.Call(ast.Name(f"_{kind}", ast.Load()), [arg], []), arg)
            if f"_{kind}" in CASTS
            else arg
            for arg, kind in zip(node.args, kinds, strict=True)
        ]
        return node


class _Fields(ast.NodeTransformer):
    """``array.scalar`` and ``array.column[index]`` as look-ups."""

    def __init__(self, structures: Mapping[str, type[Structure]], function: str) -> None:
        self.structures, self.function = structures, function

    def _offset(self, node: ast.expr) -> tuple[ast.Name, str, int] | None:
        """The array, field and offset that an attribute names; None for any other node."""
        if not isinstance(node, ast.Attribute) or not isinstance(node.value, ast.Name):
            return None
        made = self.structures.get(node.value.id)
        if made is None:
            return None
        if node.attr not in OFFSETS[made]:
            raise AttributeError(f"{self.function}: {made.__name__} has no field '{node.attr}'")
        return node.value, node.attr, OFFSETS[made][node.attr]

    def visit_Subscript(self, node: ast.Subscript) -> ast.AST:
        found = self._offset(node.value)
        if found is None:
            return self.generic_visit(node)
        array, name, offset = found
        if name in SCALARS[self.structures[array.id]] or isinstance(node.slice, ast.Slice):
            raise TypeError(f"{self.function}: '{name}' cannot be indexed like that")
        begins = ast.Subscript(ast.Name(array.id, ast.Load()), ast.Constant(offset), ast.Load())
        index = ast.BinOp(begins, ast.Add(), cast(ast.expr, self.visit(node.slice)))
        return ast.copy_location(
            ast.Subscript(ast.Name(array.id, ast.Load()), index, node.ctx), node
        )

    def visit_Attribute(self, node: ast.Attribute) -> ast.AST:
        found = self._offset(node)
        if found is None:
            return self.generic_visit(node)
        array, name, offset = found
        if name not in SCALARS[self.structures[array.id]]:
            raise TypeError(f"{self.function}: the column '{name}' needs an index")
        return ast.copy_location(
            ast.Subscript(ast.Name(array.id, ast.Load()), ast.Constant(offset), node.ctx), node
        )
