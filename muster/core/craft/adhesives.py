"""Adhesives: which glue holds which material."""

from __future__ import annotations

from muster.core.vocabulary import Material

HOLDS: dict[Material, tuple[str, ...]] = {
    "polystyrene": ("solvent cement", "superglue", "epoxy"),
    "resin": ("superglue", "epoxy"),
    "metal": ("superglue", "epoxy"),
    "print": ("superglue", "epoxy"),
    "polythene": ("pins", "epoxy"),
    "wood": ("white glue", "superglue", "epoxy"),
    "board": ("white glue", "superglue"),
    "foam": ("white glue", "foam glue"),
    "plaster": ("white glue", "superglue", "epoxy"),
}
"""What holds, the usual first. Common practice; the label says for what a glue is made."""
