"""``crisp drill full``: the disk fills up while benches tick: it is said, and nothing is lost."""

from __future__ import annotations

import os
import shutil
import subprocess
import time
from contextlib import suppress
from dataclasses import dataclass
from pathlib import Path

from muster.cli.drills.bench import Bench
from muster.cli.drills.stage import Stage, told
from muster.cli.launch.steps import RUN, Stop

DISK_MB = 400
SPARE = 64 * 1024


@dataclass
class Outcome:
    """What became of it; ``said``: what was answered while nothing could be written."""

    said: set[str]
    refused: int
    before: int
    acknowledged: int
    lost: int
    doubled: int
    back_s: float


def full(stage: Stage, disk: Path, benches: int = 3) -> Outcome:
    """Fill the disk under a server at work, tick on, make room, and count."""
    painters = [Bench(stage.address) for _ in range(benches)]
    for bench in painters:
        for _ in range(5):
            bench.tick()
        bench.send()
    before = sum(len(bench.acknowledged) for bench in painters)
    filler = disk / "filler"
    refused, said = 0, set[str]()
    try:
        until = time.monotonic() + 60
        while refused < 5 * benches and time.monotonic() < until:
            _fill(filler)
            for bench in painters:
                for _ in range(20):
                    bench.tick()
                if not bench.send(15):
                    refused += 1
                    said |= bench.told
    finally:
        filler.unlink(missing_ok=True)
    begun = time.monotonic()
    for bench in painters:
        while not bench.send() and time.monotonic() - begun < 120:
            time.sleep(0.1)
    back_s = time.monotonic() - begun
    lost = doubled = 0
    for bench in painters:
        gone, twice = bench.lost_and_doubled()
        lost, doubled = lost + gone + len(bench.waiting), doubled + twice
    acknowledged = sum(len(bench.acknowledged) for bench in painters)
    return Outcome(said, refused, before, acknowledged, lost, doubled, back_s)


def _fill(filler: Path) -> None:
    """Take what room there is."""
    for size in (1 << 20, 1 << 16, 1 << 12):
        # Where there is no room for as much, perhaps there is for less.
        with suppress(OSError), filler.open("ab", buffering=0) as file:
            while file.write(b"0" * size) == size:
                pass


def drill(size_mb: int = DISK_MB) -> int:
    """On a small disk in memory; 1 where a tick was lost or doubled."""
    if os.geteuid() != 0:
        raise Stop("a small disk to fill up can be made by root only: run it as root.")
    disk = RUN / "drill-disk"
    disk.mkdir(exist_ok=True)
    words = ["mount", "-t", "tmpfs", "-o", f"size={size_mb}m,mode=0711", "tmpfs", str(disk)]
    if subprocess.run(words).returncode:
        raise Stop("no small disk could be mounted here: try it on a machine of your own.")
    try:
        with Stage(disk / "run") as stage:
            outcome = full(stage, disk)
    finally:
        subprocess.run(["umount", "-l", str(disk)])
        shutil.rmtree(disk, ignore_errors=True)
    told(f"{outcome.refused} sendings refused while the disk was full; said: "
         f"{'; '.join(sorted(outcome.said))}")  # fmt: skip
    told(f"with room again all was stored after {outcome.back_s:.1f} s")
    told(f"{outcome.acknowledged} ticks acknowledged, {outcome.lost} lost, "
         f"{outcome.doubled} doubled")  # fmt: skip
    return int(bool(outcome.lost or outcome.doubled or not outcome.said))
