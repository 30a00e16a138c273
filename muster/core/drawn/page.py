"""A page to print, as SVG in millimetres: lines, shapes and words."""

from __future__ import annotations

from xml.etree import ElementTree as Xml

INK, SOFT, KEY, RULE, PAPER, GROUND = (
    "#242424", "#4e4e4e", "#717171", "#b6b6b6", "#d1d1d1", "#ffffff",
)  # fmt: skip
"""The neutrals of the day light; a sheet of paper is its own ground."""

FONT = "Archivo, sans-serif"

MM_PER_POINT = 25.4 / 72

NARROW, WIDE = "iljtfr.,:;|'()[] 1", "mwMW%@"


def width_of(text: str, points: float) -> float:
    """About how wide a text is set, mm: letters of three widths, a little on the safe side."""
    ems = sum(0.3 if sign in NARROW else 0.88 if sign in WIDE else 0.58 for sign in text)
    return ems * points * MM_PER_POINT


def fitted(text: str, points: float, most_mm: float) -> str:
    """The text, cut off with an ellipsis where it would be wider."""
    if width_of(text, points) <= most_mm:
        return text
    while text and width_of(f"{text}…", points) > most_mm:
        text = text[:-1]
    return f"{text.rstrip()}…"


class Page:
    """One page of so many millimetres."""

    def __init__(self, width: float, height: float) -> None:
        self.width, self.height = width, height
        self.root = Xml.Element(
            "svg", xmlns="http://www.w3.org/2000/svg", width=f"{width:g}mm", height=f"{height:g}mm",
            viewBox=f"0 0 {width:g} {height:g}",
        )  # fmt: skip
        defs = Xml.SubElement(self.root, "defs")
        self._texture(defs, "matt", dots=True, ticks=False)
        self._texture(defs, "gloss", dots=False, ticks=True)
        self._texture(defs, "satin", dots=True, ticks=True)
        self.box(0, 0, width, height, GROUND)

    @staticmethod
    def _texture(defs: Xml.Element, name: str, *, dots: bool, ticks: bool) -> None:
        pattern = Xml.SubElement(
            defs, "pattern", id=name, width="1.6", height="1.6", patternUnits="userSpaceOnUse"
        )
        if ticks:
            Xml.SubElement(
                pattern, "path", {"d": "M.4 0V1.6", "stroke": INK, "stroke-width": ".18"}
            )
        if dots:
            Xml.SubElement(pattern, "circle", cx="1.1", cy=".8", r=".2", fill=INK)

    def words(
        self, x: float, y: float, text: str, points: float = 9, *, bold: bool = False,
        soft: bool = False, end: bool = False, most: float | None = None,
    ) -> None:  # fmt: skip
        """A line of text from (or, with ``end``, up to) ``x``, its baseline at ``y``; ``most``: cut
        off at so many millimetres."""
        said = fitted(text, points, most) if most is not None else text
        made = Xml.SubElement(
            self.root, "text",
            {"x": f"{x:.2f}", "y": f"{y:.2f}", "font-family": FONT, "fill": SOFT if soft else INK,
             "font-size": f"{points * MM_PER_POINT:.3f}", "font-weight": "700" if bold else "400",
             "text-anchor": "end" if end else "start"},
        )  # fmt: skip
        made.text = said

    def box(
        self, x: float, y: float, width: float, height: float, fill: str, line: str | None = None
    ) -> None:
        """A rectangle."""
        values = {"x": f"{x:.2f}", "y": f"{y:.2f}", "width": f"{width:.2f}",
                  "height": f"{height:.2f}", "fill": fill}  # fmt: skip
        if line:
            values |= {"stroke": line, "stroke-width": ".25"}
        Xml.SubElement(self.root, "rect", values)

    def path(
        self, shape: str, fill: str, line: str = KEY, thick: float = 0.25, at: str | None = None
    ) -> None:
        """A path; ``at``: a transform."""
        values = {"d": shape, "fill": fill, "fill-rule": "evenodd", "stroke": line,
                  "stroke-width": f"{thick:g}", "stroke-linejoin": "round"}  # fmt: skip
        if at:
            values["transform"] = at
        Xml.SubElement(self.root, "path", values)

    def rule(self, x: float, y: float, to: float, line: str = RULE, thick: float = 0.25) -> None:
        """A horizontal line."""
        self.path(f"M{x:.2f} {y:.2f}H{to:.2f}", "none", line, thick)

    def text(self) -> str:
        """The page as an SVG document."""
        return Xml.tostring(self.root, encoding="unicode")


def notice(words: str, width: float = 210.0) -> Page:
    """A page that only says why there is nothing on it."""
    page = Page(width, 20.0)
    page.words(3, 11, words, 7.5, most=width - 6)
    return page


def clear_fill(finish: str | None) -> str:
    """The texture of a clear coat."""
    return f"url(#{finish if finish in ('gloss', 'satin') else 'matt'})"
