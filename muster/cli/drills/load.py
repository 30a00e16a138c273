"""``crisp drill load``: how soon a tick is acknowledged while many benches tick at once."""

from __future__ import annotations

import statistics
import threading
import time
from collections.abc import Sequence

from muster.cli.drills.bench import Bench
from muster.cli.drills.stage import Stage, told

EVERY_S = 2.0
"""Faster than anybody paints: each tick comes sooner than planned, so that every plan mends."""
HEAD = (
    "| benches | models each | ticks a second | acknowledged p50 / p95, ms "
    "| view p50 / p95, ms | errors | memory, MB |"
)


def load(stage: Stage, counts: Sequence[int] = (20, 50, 200), seconds: float = 30) -> list[str]:
    """A row for each number of benches, and one for fifty with ten times the force."""
    rows = [_row(stage, count, 1, seconds) for count in counts]
    if 50 in counts:
        rows.append(_row(stage, 50, 10, seconds))
    return rows


def drill(seconds: float = 30) -> int:
    """Print the table."""
    with Stage() as stage:
        told(HEAD)
        told("| --- | --- | --- | --- | --- | --- | --- |")
        load(stage, seconds=seconds)
    return 0


def _row(stage: Stage, count: int, times: int, seconds: float) -> str:
    benches = [Bench(stage.address, times) for _ in range(count)]
    taken: list[dict[str, list[float]]] = [{"acknowledged": [], "view": []} for _ in benches]
    failed = [0] * count
    until = time.monotonic() + seconds

    def work(number: int) -> None:
        time.sleep(EVERY_S * number / count)
        failed[number] = benches[number].work(until, EVERY_S, taken[number])

    threads = [threading.Thread(target=work, args=(n,)) for n in range(count)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    acks, views = (
        sorted(s for one in taken for s in one[name]) for name in ("acknowledged", "view")
    )
    row = (
        f"| {count} | {16 * times} | {len(acks) / seconds:.0f} | {_two(acks)} | {_two(views)} | "
        f"{sum(failed)} | {stage.memory_mb():.0f} |"
    )
    told(row)
    return row


def _two(seconds: list[float]) -> str:
    if not seconds:
        return "none"
    late = seconds[int(0.95 * len(seconds))]
    return f"{1000 * statistics.median(seconds):.0f} / {1000 * late:.0f}"
