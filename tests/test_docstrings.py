"""Docstrings say what is raised, and say nothing that is not so."""

from __future__ import annotations

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import pytest

ROOT = Path(__file__).resolve().parents[1] / "muster"
FILES = [path for path in sorted(ROOT.rglob("*.py")) if "migrations" not in path.parts]
NAMES = re.compile(r"\b(DomainError|Outdated|Http404|[A-Z][a-z]+Error)\b")
KNOWN = {"SystemExit", "KeyboardInterrupt", "AssertionError", "Stop", "StopIteration"}


def public(path: Path) -> Iterator[ast.FunctionDef]:
    """Public functions of a file, and public methods of its public classes."""
    tree = ast.parse(path.read_text())
    classes = (node for node in tree.body if isinstance(node, ast.ClassDef))
    methods = [node for made in classes if made.name[0] != "_" for node in made.body]
    for node in (*tree.body, *methods):
        if isinstance(node, ast.FunctionDef) and not node.name.startswith("_"):
            yield node


def raised(function: ast.FunctionDef) -> set[str]:
    """What a function raises itself, by name; what it catches at once does not count."""
    caught = {
        name.id
        for handler in ast.walk(function)
        if isinstance(handler, ast.ExceptHandler) and handler.type is not None
        for name in ast.walk(handler.type)
        if isinstance(name, ast.Name)
    }
    found = set()
    for node in ast.walk(function):
        if isinstance(node, ast.Raise) and node.exc is not None:
            made = node.exc.func if isinstance(node.exc, ast.Call) else node.exc
            name = made.attr if isinstance(made, ast.Attribute) else getattr(made, "id", "")
            if name and name[0].isupper():
                found.add(name)
    return found - caught - KNOWN


@pytest.mark.parametrize("path", FILES, ids=lambda path: str(path.relative_to(ROOT)))
def test_what_a_public_function_raises_itself_stands_in_its_docstring(path: Path) -> None:
    for function in public(path):
        said = ast.get_docstring(function) or ""
        if "Raises as" in said:
            continue
        missing = {name for name in raised(function) if name not in said}
        assert not missing, f"{function.name} raises {missing} and does not say so"


def test_what_docstrings_name_is_an_error_that_there_is() -> None:
    known = {"DomainError", "Outdated", "Http404", "ValueError", "KeyError", "TypeError",
             "AttributeError", "ValidationError"}  # fmt: skip
    for path in FILES:
        for function in public(path):
            said = ast.get_docstring(function) or ""
            for sentence in re.findall(r"Raises[^.]*\.", said):
                assert set(NAMES.findall(sentence)) <= known, (path, function.name, sentence)
