"""What painters call a technique, beside its own name."""

from __future__ import annotations

from typing import Any

SPOKEN: dict[str, tuple[str, dict[str, Any]]] = {
    "oil wash": ("wash", {"medium": "oil"}),
    "enamel wash": ("wash", {"medium": "enamel wash"}),
    "clay wash": ("wash", {"medium": "clay wash"}),
    "acrylic wash": ("wash", {}),
    "ink wash": ("wash", {"medium": "ink"}),
    "shade": ("wash", {}),
    "base coat": ("brush", {}),
    "base": ("brush", {}),
    "paint": ("brush", {}),
    "block in": ("brush", {}),
    "putty": ("fill", {}),
    "filler": ("fill", {}),
    "light from above": ("spray", {"cover": 0.5, "purpose": "light"}),
    "zenithal": ("spray", {"cover": 0.5, "purpose": "light"}),
    "preshade": ("spray", {"cover": 0.5, "purpose": "shade"}),
    "modulate": ("spray", {"cover": 0.5, "purpose": "modulate"}),
    "mist": ("spray", {"dilution": 8.0, "cover": 0.3, "purpose": "modulate"}),
    "matt": ("varnish", {"finish": "matt"}),
    "matte": ("varnish", {"finish": "matt"}),
    "matt coat": ("varnish", {"finish": "matt"}),
    "satin": ("varnish", {"finish": "satin"}),
    "satin coat": ("varnish", {"finish": "satin"}),
    "gloss": ("varnish", {"finish": "gloss"}),
    "gloss coat": ("varnish", {"finish": "gloss"}),
    "matt varnish": ("varnish", {"finish": "matt"}),
    "satin varnish": ("varnish", {"finish": "satin"}),
    "gloss varnish": ("varnish", {"finish": "gloss"}),
    "airbrush": ("spray", {"tool": "airbrush"}),
    "can": ("spray can", {}),
    "chalk": ("pastel", {}),
    "pigments": ("pigment", {}),
    "mud": ("pigment", {"medium": "bound pigment", "thick": 2.0}),
    "speckle": ("splash", {}),
    "tufts": ("grass", {}),
    "flock": ("grass", {}),
    "scatter": ("grass", {}),
    "static grass": ("grass", {}),
    "ballast": ("grass", {}),
    "plaster": ("texture", {"medium": "plaster"}),
    "ground paste": ("texture", {}),
    "stencil": ("spray", {"cover": 0.04, "purpose": "mark"}),
    "touch up": ("brush", {"cover": 0.1, "purpose": "clean up"}),
    "edge highlight": ("edge", {}),
    "edges": ("edge", {}),
    "chip by brush": ("chip", {}),
    "tape": ("mask", {}),
    "masking tape": ("mask", {}),
    "masking fluid": ("liquid mask", {}),
    "tape off": ("unmask", {}),
    "wash the parts": ("wash parts", {}),
    "bath": ("wash parts", {}),
    "dry fit": ("test-fit", {}),
    "setting fluid": ("set decals", {"carrier": "softener"}),
    "softener": ("set decals", {"carrier": "softener"}),
    "weathering pencil": ("pencil", {}),
    "superglue": ("glue", {"adhesive": "superglue"}),
    "white glue": ("glue", {"adhesive": "white glue"}),
    "solvent cement": ("glue", {"adhesive": "solvent cement"}),
    "cement": ("glue", {"adhesive": "solvent cement"}),
    "epoxy": ("glue", {"adhesive": "epoxy"}),
    "hot glue": ("glue", {"adhesive": "hot glue"}),
    "foam glue": ("glue", {"adhesive": "foam glue"}),
    "wipe": ("wipe back", {}),
    "seal": ("seal", {"finish": "satin"}),
}
"""By what is said: the technique, and what is said with it."""

BUNDLED = {"primer": "undercoat", "prime": "undercoat", "transfers": "decals", "decal": "decals"}
"""Words for what a house does in its own way."""

MEDIA_SAID = {
    "oils": "oil", "clay": "clay wash", "enamels": "enamel", "acrylics": "acrylic",
    "pigments": "pigment", "inks": "ink", "binder": "bound pigment",
}  # fmt: skip
"""What media are called beside their own names."""
