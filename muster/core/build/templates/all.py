"""Every template, and which to propose."""

from __future__ import annotations

from dataclasses import replace

from muster.core.build.kit import Kit
from muster.core.build.templates import figures, terrain, vehicles
from muster.core.build.templates.shape import TEMPLATES, Template
from muster.core.vocabulary import Kind

assert figures and terrain and vehicles, "importing them registers their templates"


def templates_for(kind: Kind) -> list[Template]:
    """Templates, those made for the kind first."""
    return sorted(TEMPLATES.values(), key=lambda one: kind not in one.kinds)


def kit_from(code: str, name: str) -> Kit | None:
    """The kit of a template, by the name of what it is for; None for an unknown template."""
    made = TEMPLATES.get(code)
    return None if made is None else replace(made.kit, name=name)
