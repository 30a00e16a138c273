"""The drills, short: parts of the program are killed, benches tick at once, the disk fills up."""

from __future__ import annotations

import os
import subprocess
from collections.abc import Iterator
from pathlib import Path

import pytest

from muster.cli.drills import full, kill, load
from muster.cli.drills.stage import Stage
from muster.cli.launch.steps import RUN


@pytest.fixture(scope="module")
def stage() -> Iterator[Stage]:
    """The whole program, started by its one command in a folder of its own."""
    with Stage(RUN / "drill-test") as made:
        yield made


def test_each_part_is_killed_once_and_no_tick_is_lost_or_doubled(stage: Stage) -> None:
    outcome = kill.kill(stage, len(kill.PARTS))
    assert set(outcome.back_s) == set(kill.PARTS)
    assert outcome.acknowledged > 20
    assert (outcome.lost, outcome.doubled) == (0, 0)
    assert max(outcome.all_back_s()) < 45


def test_benches_that_tick_at_once_are_all_acknowledged(stage: Stage) -> None:
    [row] = load.load(stage, counts=(4,), seconds=5)
    cells = [cell.strip() for cell in row.strip("|").split("|")]
    assert cells[0] == "4" and cells[5] == "0"
    acknowledged, view = (float(cell.partition(" / ")[0]) for cell in cells[3:5])
    assert 0 < acknowledged < view


def test_a_full_disk_is_said_and_loses_no_tick() -> None:
    if os.geteuid() != 0:
        pytest.skip("a small disk can be made by root only")
    disk = RUN / "drill-test-disk"
    disk.mkdir(exist_ok=True)
    made = subprocess.run(["mount", "-t", "tmpfs", "-o", "size=300m,mode=0711", "tmpfs", str(disk)])
    if made.returncode:
        disk.rmdir()
        pytest.skip("no disk can be mounted here")
    try:
        with Stage(disk / "run") as stage:
            outcome = full.full(stage, disk, benches=1)
    finally:
        subprocess.run(["umount", "-l", str(disk)])
        Path(disk).rmdir()
    assert any("The disk is full" in words for words in outcome.said)
    assert (outcome.lost, outcome.doubled) == (0, 0)
    assert outcome.acknowledged > outcome.before
