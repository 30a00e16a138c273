"""Write what others read: the API and the open formats' schemas. ``--check``: has it drifted?"""

from __future__ import annotations

import json
import sys
from pathlib import Path
from typing import Any

import django

ROOT = Path(__file__).resolve().parents[2]


def documents() -> dict[Path, str]:
    """Every published file with its text."""
    django.setup()
    from muster.api.root import api
    from muster.core.formats import muster as muster_format
    from muster.core.formats import recipe as recipe_format
    from muster.core.formats import shelf as shelf_format
    from muster.core.stack.rules_page import rules_page

    def text(value: Any) -> str:
        return json.dumps(value, indent=1, sort_keys=True, default=str) + "\n"

    return {
        ROOT / "docs" / "openapi.json": text(api.get_openapi_schema()),
        ROOT / "docs" / "schemas" / "muster.json": text(muster_format.schema()),
        ROOT / "docs" / "schemas" / "recipe.json": text(recipe_format.schema()),
        ROOT / "docs" / "schemas" / "shelf.json": text(shelf_format.schema()),
        ROOT / "docs" / "rules.md": rules_page(),
    }


def main() -> int:
    """Write, or with ``--check`` say what differs."""
    stale = [
        path for path, text in documents().items() if not path.exists() or path.read_text() != text
    ]
    if "--check" in sys.argv:
        for path in stale:
            print(f"{path.relative_to(ROOT)} is not what the code says: run muster.cli.publish")
        return 1 if stale else 0
    for path, text in documents().items():
        path.parent.mkdir(parents=True, exist_ok=True)
        path.write_text(text)
    return 0


if __name__ == "__main__":
    sys.exit(main())
