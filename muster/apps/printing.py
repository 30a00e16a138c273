"""Pages as PDF: each an SVG sheet of its own size, set in the fonts that ship with the program."""

from __future__ import annotations

from django.conf import settings
from PIL import ImageFile

from muster.core.drawn.page import Page

FACES = {400: "archivo-latin-400-normal.woff2", 700: "archivo-latin-700-normal.woff2"}


def _faces() -> str:
    where = settings.ROOT / "web" / "node_modules" / "@fontsource" / "archivo" / "files"
    return "".join(
        f"@font-face{{font-family:Archivo;font-weight:{weight};"
        f"src:url('{(where / name).as_uri()}')}}"
        for weight, name in FACES.items()
    )


def pdf_of(pages: list[Page]) -> bytes:
    """The pages as one PDF. Raises ValueError for none."""
    if not pages:
        raise ValueError("no page: give one at least")
    html = "".join(page.text() for page in pages)
    size = f"@page{{size:{pages[0].width:g}mm {pages[0].height:g}mm;margin:0}}"
    sheet = f"{size}svg{{display:block;break-after:page}}body{{margin:0}}"
    return _written(f"<html><body>{html}</body></html>", sheet)


def _written(html: str, sheet: str) -> bytes:
    # The library takes long to read: only who prints waits for it.
    from weasyprint import CSS, HTML
    from weasyprint.text.fonts import FontConfiguration

    # It tells Pillow to put up with broken pictures, everywhere: ours are to be refused.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    fonts = FontConfiguration()
    styles = [CSS(string=_faces(), font_config=fonts), CSS(string=sheet)]
    return bytes(HTML(string=html).write_pdf(stylesheets=styles, font_config=fonts) or b"")
