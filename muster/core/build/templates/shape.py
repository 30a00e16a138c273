"""How a template is written down, and the register of all."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from muster.core.build.kit import Cover, Job, Joint, Kit, Part, Work
from muster.core.vocabulary import Kind


@dataclass(frozen=True)
class Template:
    """A kit to start from, for subjects of these kinds."""

    id: str
    name: str
    kinds: tuple[Kind, ...]
    kit: Kit


TEMPLATES: dict[str, Template] = {}
"""By id, in the order of their files."""


def template(
    code: str, name: str, kinds: tuple[Kind, ...], parts: Iterable[Part],
    joints: Iterable[Joint] = (), jobs: Iterable[Job] = (),
) -> Template:  # fmt: skip
    """Register a template; each part that comes off a frame is cut off and cleaned by itself."""
    kit = Kit(name, tuple(parts), tuple(joints), tuple(jobs), template=code)
    made = Template(code, name, kinds, kit)
    TEMPLATES[code] = made
    return made


def part(code: str, name: str, *zones: str, **more: object) -> Part:
    """A part."""
    return Part(code, name, zones, **more)  # type: ignore[arg-type]


def joint(code: str, onto: str, fit: float = 2.0, **more: object) -> Joint:
    """The joint of a part, called as the part is."""
    return Joint(f"on-{code}"[:24], code, onto, fit_min=fit, **more)  # type: ignore[arg-type]


def job(work: Work, of: str, minutes: float, name: str = "", **more: object) -> Job:
    """A job on a part."""
    code = f"{work}-{of}"[:24]
    return Job(str(more.pop("code", code)), work, of, name, minutes, **more)  # type: ignore[arg-type]


def seen(zone: str, share: float = 1.0, called: str = "", sprayed: bool = False) -> Cover:
    """What a joint covers and that still shows: out of reach of a brush at least."""
    return Cover(zone, share, sprayed=sprayed, brushed=False, seen=True, called=called)


def hidden(zone: str, share: float = 1.0, called: str = "") -> Cover:
    """What a joint covers and that nobody sees again."""
    return Cover(zone, share, seen=False, called=called)


def cleaned(*parts: tuple[str, float]) -> tuple[Job, ...]:
    """Parts cut off their frame and cleaned of flash and mould lines, by minutes, and all of them
    washed, so that paint holds."""
    first = parts[0][0]
    wash = job("wash", first, WASH_MIN, "all parts, in warm water with a drop of detergent")
    made = (job("clean", code, minutes, "flash and mould lines") for code, minutes in parts)
    return (*made, wash)


WASH_MIN = 1.0
