"""Named fields of flat arrays: what is written by name is what lies in the array."""

from __future__ import annotations

import numpy as np
import pytest

from muster.core.plan.kernel.fields import (
    Column,
    Structure,
    column,
    copy_of,
    lay_out,
    named,
    scalar,
    set_scalar,
    structure,
)


@structure
class Bench(Structure):
    """Two scalars and two columns."""

    now: int
    many: int
    wet: Column
    owner: Column


def made() -> Bench:
    columns = {"wet": np.array([3, 4, 5]), "owner": np.array([7])}
    return lay_out(Bench, {"now": 10, "many": 3}, columns)


def tick(bench: Bench, other: Bench, index: int) -> int:
    bench.now += 1
    bench.wet[index + other.owner[0] - 7] = bench.wet[index] * 2
    return bench.now + other.many


def misspelt(bench: Bench) -> int:
    return bench.nowadays  # type: ignore[attr-defined]


def without_an_index(bench: Bench) -> int:
    return len(bench.wet)  # type: ignore[arg-type]


def indexed(bench: Bench) -> int:
    return bench.now[0]  # type: ignore[index]


def test_a_function_reads_and_writes_fields_by_name() -> None:
    bench, other = made(), made()
    assert named(tick)(bench, other, 1) == 11 + 3
    assert column(bench, Bench, "wet", 3).tolist() == [3, 8, 5]
    assert scalar(bench, Bench, "now") == 11
    assert scalar(other, Bench, "now") == 10


def test_columns_are_views_and_a_copy_stands_by_itself() -> None:
    bench = made()
    other = copy_of(bench)
    column(bench, Bench, "owner", 1)[:] = 9
    set_scalar(bench, Bench, "many", 4)
    assert (column(other, Bench, "owner", 1)[0], scalar(other, Bench, "many")) == (7, 3)
    assert (column(bench, Bench, "owner", 1)[0], scalar(bench, Bench, "many")) == (9, 4)


@pytest.mark.parametrize(
    ("function", "error", "words"),
    [
        (misspelt, AttributeError, "no field 'nowadays'"),
        (without_an_index, TypeError, "'wet' needs an index"),
        (indexed, TypeError, "'now' cannot be indexed"),
    ],
)
def test_a_slip_is_refused_before_anything_is_compiled(function, error, words: str) -> None:
    with pytest.raises(error, match=words):
        named(function)


def test_scalars_come_first() -> None:
    with pytest.raises(TypeError, match="scalars must come before"):

        @structure
        class _Wrong(Structure):
            wet: Column
            now: int


def test_a_function_without_structures_does_what_it_did() -> None:
    assert (named(made)() == made()).all()
