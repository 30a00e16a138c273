"""``crisp drill kill``: parts of the program are killed while benches tick; no tick is lost."""

from __future__ import annotations

import os
import random
import signal
import statistics
import threading
import time
from contextlib import suppress
from dataclasses import dataclass, field

from muster.cli.drills.bench import Bench
from muster.cli.drills.stage import Stage, told

PARTS = ("web", "computing", "worker", "database", "launcher")
BENCHES = 6
SLOW_S = 15.0
PAUSE_S = (0.2, 1.5)
"""Between two kills, once it answers again."""


@dataclass
class Outcome:
    """What became of it; ``back_s``: by part, seconds until it answered again."""

    back_s: dict[str, list[float]] = field(default_factory=dict)
    acknowledged: int = 0
    lost: int = 0
    doubled: int = 0

    def all_back_s(self) -> list[float]:
        """Of every kill."""
        return [seconds for row in self.back_s.values() for seconds in row]


def kill(stage: Stage, kills: int, seed: int = 1) -> Outcome:
    """So many kills (SIGKILL), each part in turn in an order by chance, while benches tick."""
    benches = [Bench(stage.address) for _ in range(BENCHES)]
    outcome, over = Outcome(), threading.Event()

    def work(bench: Bench) -> None:
        while not over.is_set():
            bench.tick()
            bench.address = stage.address
            bench.send(5)
            bench.look(5)
            time.sleep(0.1)

    threads = [threading.Thread(target=work, args=(bench,)) for bench in benches]
    for thread in threads:
        thread.start()
    chance = random.Random(seed)
    try:
        for number in range(kills):
            if number % len(PARTS) == 0:
                order = chance.sample(PARTS, len(PARTS))
            part = order[number % len(PARTS)]
            time.sleep(chance.uniform(*PAUSE_S))
            seconds = _killed(stage, part, chance)
            outcome.back_s.setdefault(part, []).append(seconds)
            if seconds > SLOW_S:
                told(f"{part}, kill {number + 1}: back after {seconds:.1f} s")
    finally:
        over.set()
        for thread in threads:
            thread.join()
    stage.back_after()
    for bench in benches:
        bench.address = stage.address
        until = time.monotonic() + 60
        while not bench.send() and time.monotonic() < until:
            time.sleep(0.1)
        if bench.waiting:
            told(f"{len(bench.waiting)} ticks were not taken: {'; '.join(sorted(bench.told))}")
        lost, doubled = bench.lost_and_doubled()
        outcome.lost += lost + len(bench.waiting)
        outcome.doubled += doubled
        outcome.acknowledged += len(bench.acknowledged)
    return outcome


def _killed(stage: Stage, part: str, chance: random.Random) -> float:
    """Seconds from the kill until server and database answer, and the part is there again."""
    pids = stage.whole(PARTS)[part]
    begun = time.monotonic()
    with suppress(ProcessLookupError):
        os.kill(chance.choice(pids), signal.SIGKILL)
    if part == "launcher":
        assert stage.launcher is not None
        stage.launcher.wait()
        stage.start()
        return time.monotonic() - begun
    until = time.monotonic() + 60
    while time.monotonic() < until:
        there = stage.processes().get(part, [])
        if len(there) >= len(pids) and set(there) != set(pids) and stage.answers():
            break
        time.sleep(0.02)
    return time.monotonic() - begun


def drill(kills: int = 200) -> int:
    """Print what became of it; 1 where a tick was lost or doubled."""
    with Stage() as stage:
        outcome = kill(stage, kills)
    for part, seconds in outcome.back_s.items():
        told(f"{part}: {len(seconds)} kills, back after {statistics.median(seconds):.1f} s at the "
             f"median, {max(seconds):.1f} s at most")  # fmt: skip
    told(f"all: back after {statistics.median(outcome.all_back_s()):.1f} s at the median")
    told(f"{outcome.acknowledged} ticks acknowledged, {outcome.lost} lost, "
         f"{outcome.doubled} doubled")  # fmt: skip
    return int(bool(outcome.lost or outcome.doubled))
