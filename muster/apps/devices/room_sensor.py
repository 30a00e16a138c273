"""A simulated room sensor, behind the interface that a driver of a real one would have."""

from __future__ import annotations

import math
import random
from dataclasses import dataclass
from datetime import datetime
from typing import Protocol

from muster.core.house import Air


class RoomSensor(Protocol):
    """Reads temperature and humidity."""

    def read(self, moment: datetime) -> Air:
        """The air at that moment."""


@dataclass(frozen=True)
class SimulatedRoom:
    """A heated room through a day and its weather, with the noise of a cheap sensor: 0.2 K, 1 %."""

    celsius: float = 19.0
    humidity: float = 55.0

    def read(self, moment: datetime) -> Air:
        """Coolest before dawn; drier as it warms; each day has weather of its own."""
        day = moment.toordinal()
        weather = random.Random(day)
        noise = random.Random(int(moment.timestamp()))
        swing = -math.cos((moment.hour + moment.minute / 60 - 4) / 24 * math.tau)
        celsius = self.celsius + weather.uniform(-2, 2) + 1.5 * swing
        humidity = self.humidity + weather.uniform(-12, 15) - 4 * swing
        return Air(
            round(celsius + noise.gauss(0, 0.2), 1),
            round(min(98.0, max(15.0, humidity + noise.gauss(0, 1))), 0),
        )
