"""The least that any plan must leave, by weight: what never finds a place, or what the bench
cannot hold."""

from __future__ import annotations

from collections.abc import Mapping
from fractions import Fraction

from muster.core.plan.clocks import FOREVER
from muster.core.plan.problem import Problem


def least_left_weight(
    problem: Problem, done_by: Mapping[str, int], own: Mapping[str, int], bench_s: int
) -> Fraction:
    """A lower bound on the weight of models of which anything is left.

    ``done_by``: by item, when it is done at the earliest, pins apart; FOREVER where it never is.
    ``own``: by item, seconds of work on it. ``bench_s``: seconds at the bench in all. A model is
    left where its own chain finds no end; and where all work does not fit, models are left in the
    order of least weight by work (a fractional knapsack: Dantzig 1957).
    """
    weights = problem.model_weights()
    work = dict.fromkeys(weights, 0)
    lost: set[str] = set()
    for name, seconds in own.items():
        work[name.partition("/")[0]] += seconds
    for name, done in done_by.items():
        if done >= FOREVER:
            lost.add(name.partition("/")[0])
    alone = sum((weights[model] for model in lost), Fraction(0))
    excess = sum(work.values()) - bench_s
    shared = Fraction(0)
    for model in sorted((m for m in work if work[m]), key=lambda m: weights[m] / work[m]):
        if excess <= 0:
            break
        shared += weights[model] * min(Fraction(1), Fraction(excess, work[model]))
        excess -= work[model]
    # In thousandths, so that it can be written as a decimal.
    return max(alone, Fraction(int(shared * 1000), 1000))
