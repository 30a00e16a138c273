"""The house: habits, the room by day, rows of one's own; read, changed, taken back."""

from __future__ import annotations

from datetime import date

from django.http import HttpRequest
from ninja import Router, Schema

from muster.apps import clock
from muster.apps.devices.room_sensor import SimulatedRoom
from muster.apps.house import keeping
from muster.core.house import Air, House
from muster.core.stack.habits import ABOUT, OURS, REASONS
from muster.core.stack.room import Contour, contours, factor, may_spray
from muster.core.stack.tables import Tables

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

    seen: int
    house: House
    label: str = "House changed"


class HouseSeen(Schema):
    """The version that was seen."""

    seen: int


class AirIn(Schema):
    """The air on a day (none: usually); no air forgets what was said of that day."""

    seen: int
    day: date | None = None
    air: Air | None = None


class DialOut(Schema):
    """What the air does: factors of both clocks, spraying, and lines of equal factor."""

    water: float
    cure: float
    spraying: str
    contours: list[Contour]


@router.get("/house", response=HouseOut)
def house(request: HttpRequest) -> HouseOut:
    """The house."""
    return _out(request)


@router.post("/house", response=HouseOut)
def change(request: HttpRequest, payload: HouseIn) -> HouseOut:
    """Change it as a whole; every recipe and plan follows."""
    keeping.change(request.user, payload.seen, payload.house, payload.label)
    return _out(request)


@router.post("/house/air", response=HouseOut)
def air(request: HttpRequest, payload: AirIn) -> HouseOut:
    """State the air of a day, or usually."""
    now, _ = keeping.house_of(request.user.pk)
    when = f"on {payload.day}" if payload.day else "usually"
    said = f"{payload.air.celsius:g} °C, {payload.air.humidity:g} %" if payload.air else "as usual"
    label = f"The room {when}: {said}"
    keeping.change(request.user, payload.seen, now.with_air(payload.day, payload.air), label)
    return _out(request)


@router.post("/house/undo", response=HouseOut)
def undo(request: HttpRequest, payload: HouseSeen) -> HouseOut:
    """Take the newest change back."""
    keeping.undo(request.user, payload.seen)
    return _out(request)


@router.get("/devices/room", response=Air)
def sensor(request: HttpRequest) -> Air:
    """A reading of the simulated room sensor; nothing is kept."""
    return SimulatedRoom().read(clock.now())


@router.get("/dial", response=DialOut)
def dial(request: HttpRequest, celsius: float, humidity: float) -> DialOut:
    """What that air does. No query."""
    room = Air(celsius, humidity).room
    return DialOut(
        water=round(factor("water", room), 2), cure=round(factor("cure", room), 2),
        spraying=may_spray(room) or "fine", contours=contours(),
    )  # fmt: skip


def _out(request: HttpRequest) -> HouseOut:
    now, version = keeping.house_of(request.user.pk)
    last = keeping.undoable(request.user) if version else None
    habits = [
        HabitOut(
            name=name, about=ABOUT[name],
            ways=[Way(way=way, reason=reason, ours=getattr(OURS, name) == way)
                  for way, reason in ways.items()],
        )
        for name, ways in REASONS.items()
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
        adhesives=sorted({glue for held in tables.holds.values() for glue in held}),
    )
