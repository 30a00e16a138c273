"""What is known by name, however it is spelt: a paint typed in small letters is the same paint."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, MutableMapping
from typing import TypeVar

from muster.core.vocabulary import name_key

V = TypeVar("V")


class ByName(MutableMapping[str, V]):
    """A mapping in which two spellings of one name are one key; it shows the first of them."""

    def __init__(self, rows: Mapping[str, V] | Iterable[tuple[str, V]] = ()) -> None:
        self._rows: dict[str, tuple[str, V]] = {}
        self.update(rows)

    def __getitem__(self, name: str) -> V:
        return self._rows[name_key(name)][1]

    def __setitem__(self, name: str, value: V) -> None:
        key = name_key(name)
        spelt, _ = self._rows.get(key, (name, value))
        self._rows[key] = (spelt, value)

    def __delitem__(self, name: str) -> None:
        del self._rows[name_key(name)]

    def __iter__(self) -> Iterator[str]:
        return (name for name, _ in self._rows.values())

    def __len__(self) -> int:
        return len(self._rows)
