"""Pages as PDF: each an SVG sheet of its own size, set in the fonts that ship with the program."""

from __future__ import annotations

from functools import cache
from typing import TYPE_CHECKING, Any

from django.conf import settings

from muster.core.drawn.page import Page

if TYPE_CHECKING:
    from weasyprint.text.fonts import FontConfiguration

FACES = {400: "archivo-latin-400-normal.woff2", 700: "archivo-latin-700-normal.woff2"}


def _faces() -> str:
    where = settings.ROOT / "web" / "node_modules" / "@fontsource" / "archivo" / "files"
    return "".join(
        f"@font-face{{font-family:Archivo;font-weight:{weight};"
        f"src:url('{(where / name).as_uri()}')}}"
        for weight, name in FACES.items()
    )


@cache
def _fonts() -> tuple[FontConfiguration, Any]:
    """The fonts, read once a process."""
    from weasyprint import CSS
    from weasyprint.text.fonts import FontConfiguration

    fonts = FontConfiguration()
    return fonts, CSS(string=_faces(), font_config=fonts)


def pdf_of(pages: list[Page]) -> bytes:
    """The pages as one PDF. Raises ValueError for none."""
    if not pages:
        raise ValueError("no page: give one at least")
    # The library takes long to read: only who prints waits for it.
    from weasyprint import CSS, HTML

    fonts, faces = _fonts()
    size = f"@page{{size:{pages[0].width:g}mm {pages[0].height:g}mm;margin:0}}"
    sheet = CSS(string=f"{size}svg{{display:block;break-after:page}}body{{margin:0}}")
    html = "".join(page.text() for page in pages)
    written = HTML(string=f"<html><body>{html}</body></html>").write_pdf(
        stylesheets=[faces, sheet], font_config=fonts
    )
    return bytes(written or b"")
