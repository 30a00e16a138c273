"""The house: habits, the room by day, rows of one's own; read, changed, taken back."""

from __future__ import annotations

from ninja import Router, Schema

from muster.api.requests import Line, UserRequest
from muster.apps import clock
from muster.apps.devices.room_sensor import SimulatedRoom
from muster.apps.house import services
from muster.apps.plan.services import refuse_trouble
from muster.core.craft.climate import Contour, contours, spray_limit
from muster.core.craft.clocks import drying_factor
from muster.core.craft.tables import Tables
from muster.core.house import Air, Celsius, House, Percent
from muster.core.stack.habits.house import ORDERED
from muster.core.vocabulary import Day, DocumentVersion

router = Router()


class Way(Schema):
    """One side of a disagreement."""

    way: str
    reason: str
    ours: bool


class HabitOut(Schema):
    """A habit: what it is about, and its ways."""

    name: str
    about: str
    ways: list[Way]


class MediumOut(Schema):
    """A medium's minutes; ``own``: of the user's own."""

    name: str
    said: str
    touch: float
    recoat: float
    cured: float | None
    own: bool


class Known(Schema):
    """What recipes may name."""

    media: list[MediumOut]
    techniques: dict[str, float]
    zones: dict[str, list[str]]
    materials: list[str]
    adhesives: list[str]


class HouseOut(Schema):
    """The house as it stands, what it can be, and the newest change that can be taken back."""

    version: int
    house: House
    habits: list[HabitOut]
    known: Known
    undo: str


class HouseIn(Schema):
    """The house as it is to be."""

    seen: DocumentVersion
    house: House
    label: Line = "House changed"


class HouseSeen(Schema):
    """The version that was seen."""

    seen: DocumentVersion


class AirIn(Schema):
    """The air on a day (none: usually); no air forgets what was said of that day."""

    seen: DocumentVersion
    day: Day | None = None
    air: Air | None = None


class DialOut(Schema):
    """What the air does: factors of both clocks, spraying, and lines of equal factor."""

    water: float
    cure: float
    spraying: str
    contours: tuple[Contour, ...]


@router.get("/house", response=HouseOut)
def house(request: UserRequest) -> HouseOut:
    """The house."""
    return _out(request)


@router.post("/house", response=HouseOut)
def change(request: UserRequest, payload: HouseIn) -> HouseOut:
    """Change it as a whole; every recipe and plan follows. Raises DomainError for a house in which
    something could no longer be planned."""
    refuse_trouble(request.user, payload.house)
    services.change(request.user, payload.seen, payload.house, payload.label)
    return _out(request)


@router.post("/house/air", response=HouseOut)
def air(request: UserRequest, payload: AirIn) -> HouseOut:
    """State the air of a day, or usually."""
    now, _ = services.house_of(request.user.pk)
    when = f"on {payload.day}" if payload.day else "usually"
    said = f"{payload.air.celsius:g} °C, {payload.air.humidity:g} %" if payload.air else "as usual"
    label = f"The room {when}: {said}"
    services.change(request.user, payload.seen, now.with_air(payload.day, payload.air), label)
    return _out(request)


@router.post("/house/undo", response=HouseOut)
def undo(request: UserRequest, payload: HouseSeen) -> HouseOut:
    """Take the newest change back."""
    services.undo(request.user, payload.seen)
    return _out(request)


@router.get("/devices/room", response=Air)
def sensor(request: UserRequest) -> Air:
    """A reading of the simulated room sensor; nothing is kept."""
    return SimulatedRoom().read(clock.now())


@router.get("/dial", response=DialOut)
def dial(request: UserRequest, celsius: Celsius, humidity: Percent) -> DialOut:
    """What that air does. No query."""
    climate = Air(celsius, humidity).climate
    return DialOut(
        water=round(drying_factor("water", climate), 2),
        cure=round(drying_factor("cure", climate), 2),
        spraying=spray_limit(climate) or "fine", contours=contours(),
    )  # fmt: skip


def _out(request: UserRequest) -> HouseOut:
    now, version = services.house_of(request.user.pk)
    last = services.newest_change(request.user) if version else None
    habits = [
        HabitOut(
            name=habit.name, about=habit.about,
            ways=[Way(way=way, reason=reason, ours=habit.ours == way)
                  for way, reason in habit.ways.items()],
        )
        for habit in ORDERED
    ]  # fmt: skip
    return HouseOut(
        version=version, house=now, habits=habits, known=_known(now.tables(), now),
        undo=last.label if last else "",
    )  # fmt: skip


def _known(tables: Tables, now: House) -> Known:
    own = {one.name for one in now.own.media}
    media = [
        MediumOut(
            name=name, said=one.said, touch=one.touch, recoat=one.recoat,
            cured=None if one.cured == float("inf") else one.cured, own=name in own,
        )
        for name, one in tables.media.items()
    ]  # fmt: skip
    return Known(
        media=media,
        techniques={name: one.minutes for name, one in tables.techniques.items()},
        zones={kind: list(rows) for kind, rows in tables.zones.items()},
        materials=list(tables.materials),
        adhesives=sorted(tables.glues),
    )
