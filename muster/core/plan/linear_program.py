"""A linear programme whose least is proven.

It is solved by HiGHS (Huangfu and Hall 2018). Its answer is not trusted: the bound is computed
again from its prices for the rows, by weak duality (Neumaier and Shcherbina 2004), which holds for
any prices whatever.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

import numpy as np
import numpy.typing as npt

Row = list[tuple[int, float]]
Floats = npt.NDArray[np.float64]


@dataclass
class Programme:
    """Least ``costs · x`` where each variable and each row lies between its two limits."""

    costs: list[float] = field(default_factory=list)
    upper: list[float] = field(default_factory=list)
    rows: list[Row] = field(default_factory=list)
    limits: list[tuple[float, float]] = field(default_factory=list)
    constant: float = 0.0
    _made: tuple[npt.NDArray[np.int64], npt.NDArray[np.int32], Floats] | None = None

    def variable(self, cost: float, most: float) -> int:
        """A new variable from 0 to ``most``."""
        self.costs.append(cost)
        self.upper.append(most)
        return len(self.costs) - 1

    def row(self, low: float, terms: Iterable[tuple[int, float]], high: float) -> None:
        """``low`` ≤ the sum of the terms ≤ ``high``."""
        self.rows.append(list(terms))
        self.limits.append((low, high))

    def least(self) -> float:
        """A number that no solution is below, rounding of floats allowed for."""
        return self.solved()[0]

    def solved(self, fixed: Mapping[int, int] = MappingProxyType({})) -> tuple[float, Floats]:
        """A number that no solution is below, and the best solution; empty where none was found.

        ``fixed``: variables that have one value.
        """
        low, high = self._limits()
        starts, columns, values = self._matrix()
        costs = self._costs()
        least, most = np.zeros(len(costs)), np.array(self.upper)
        for variable, value in fixed.items():
            least[variable] = most[variable] = float(value)
        prices, x = _prices(costs, least, most, low, high, starts, columns, values)
        # Weak duality: costs·x = prices·(rows·x) + (costs − prices·rows)·x, each at its least.
        prices = np.where((prices > 0) & np.isinf(low), 0.0, prices)
        prices = np.where((prices < 0) & np.isinf(high), 0.0, prices)
        left = costs.copy()
        np.subtract.at(left, columns, np.repeat(prices, np.diff(starts)) * values)
        parts = np.concatenate(
            [
                prices * np.where(prices > 0, _finite(low), _finite(high)),
                np.minimum(left * most, left * least),
            ]
        )
        total = math.fsum(parts.tolist()) + self.constant
        return total - 1e-9 * (math.fsum(np.abs(parts).tolist()) + abs(self.constant)), x

    def _limits(self) -> tuple[Floats, Floats]:
        low, high = np.array(self.limits).T
        return low, high

    def _costs(self) -> Floats:
        return np.array(self.costs)

    def _matrix(self) -> tuple[npt.NDArray[np.int64], npt.NDArray[np.int32], Floats]:
        """The rows one after another; made once."""
        if self._made is None or len(self._made[0]) != len(self.rows) + 1:
            self._made = (
                np.cumsum([0, *(len(row) for row in self.rows)]),
                np.array([c for row in self.rows for c, _ in row], np.int32),
                np.array([v for row in self.rows for _, v in row], np.float64),
            )
        return self._made


def _finite(limit: Floats) -> Floats:
    return np.where(np.isinf(limit), 0.0, limit)


def _prices(
    costs: Floats, lower: Floats, upper: Floats, low: Floats, high: Floats,
    starts: npt.NDArray[np.int64], columns: npt.NDArray[np.int32], values: Floats,
) -> tuple[Floats, Floats]:  # fmt: skip
    """What each row is worth at the best solution, and that; noughts and nothing where none was
    found."""
    import highspy

    model = highspy.HighsLp()
    model.num_col_, model.num_row_ = len(costs), len(low)
    model.col_cost_, model.col_lower_, model.col_upper_ = costs, lower, upper
    model.row_lower_, model.row_upper_ = low, high
    model.a_matrix_.format_ = highspy.MatrixFormat.kRowwise
    model.a_matrix_.start_ = starts.astype(np.int32)
    model.a_matrix_.index_, model.a_matrix_.value_ = columns, values
    highs = highspy.Highs()
    highs.setOptionValue("log_to_console", False)
    highs.setOptionValue("output_flag", False)
    highs.setOptionValue("threads", 1)
    # Prices need not be exact, see above, so the last step to a corner is left out.
    highs.setOptionValue("solver", "ipm")
    highs.setOptionValue("run_crossover", "off")
    highs.passModel(model)
    highs.run()
    found = highs.getSolution()
    prices, x = np.array(found.row_dual, np.float64), np.array(found.col_value, np.float64)
    if len(prices) != len(low) or not np.isfinite(prices).all():
        prices = np.zeros(len(low))
    optimal = highs.getModelStatus() == highspy.HighsModelStatus.kOptimal
    return prices, x if optimal and len(x) == len(costs) else np.zeros(0)
