"""A core sample: the closed section of a zone on an A6 sheet, its layers to scale and named."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from muster.core.drawn.page import INK, KEY, PAPER, RULE, Page, clear_fill
from muster.core.views.section import Line, Section, SectionFilm

WIDTH, HEIGHT = 148.0, 105.0
"""A6, lying."""

BARS_UM = (500, 200, 100, 50, 20, 10, 5, 2, 1)
MOST_BAR_MM = 14.0


@dataclass(frozen=True)
class Bed:
    """Where a section is drawn: its left, top, width and height in mm."""

    x: float
    y: float
    width: float
    height: float


def sample_page(section: Section, title: str, material: str) -> Page:
    """The sheet: the section at the left, the names of its layers from the top at the right."""
    page = Page(WIDTH, HEIGHT)
    page.words(8, 12, title, 13, bold=True, most=132)
    page.words(8, 17.5, f"{section.zone}: core sample, layers to scale with each other", 8.5,
               soft=True, most=132)  # fmt: skip
    bed = Bed(8, 23, 84, 68)
    scale = draw_section(page, section, bed)
    bar = next(um for um in BARS_UM if um * scale <= MOST_BAR_MM or um == 1)
    low = bed.y + bed.height + 3
    page.path(f"M8 {low}V{low + 3}M8 {low + 1.5}H{8 + bar * scale:.2f}V{low}V{low + 3}", "none",
              INK, 0.35)  # fmt: skip
    page.words(11 + bar * scale, low + 2.6, f"{bar} µm of film; the relief is not to scale", 8)
    _names(page, section, material)
    return page


def _names(page: Page, section: Section, material: str) -> None:
    shown = [film for film in section.films if any(film.left)][::-1]
    step = min(7.0, 64 / (len(shown) + 1))
    y = 27.0
    for film in shown:
        _swatch(page, film, y)
        page.words(106, y, film.name, min(8.5, step * 1.9), most=24)
        page.words(140, y, f"{film.dry_um:.0f} µm", min(8.5, step * 1.9), soft=True, end=True)
        y += step
    page.box(97, y - 2.6, 7, 3.2, RULE, KEY)
    page.words(106, y, f"bare {material}", min(8.5, step * 1.9), soft=True, most=34)


def _swatch(page: Page, film: SectionFilm, y: float) -> None:
    page.box(97, y - 2.6, 7, 3.2, PAPER)
    page.box(97, y - 2.6, 7, 3.2, _fill(film), KEY)


def draw_section(page: Page, section: Section, bed: Bed) -> float:
    """Draw a closed section into a bed; how many mm a µm is."""
    page.box(bed.x, bed.y, bed.width, bed.height, PAPER)
    layers = list(_layers(section))
    tops = [
        under + over for base, film in layers for under, over in zip(base, film.left, strict=True)
    ]
    high = max([*section.relief, *tops])
    low = min(section.relief)
    scale = min(0.6, (bed.height - 8) / max(high - low, 1.0))
    zero = bed.y + 3 + high * scale
    points = len(section.relief)

    def spot(point: int, um: float) -> str:
        return f"{bed.x + point / (points - 1) * bed.width:.2f} {zero - um * scale:.2f}"

    bare = "L".join(spot(n, um) for n, um in enumerate(section.relief))
    foot = bed.y + bed.height
    page.path(f"M{bare}L{bed.x + bed.width:.2f} {foot:.2f}H{bed.x:.2f}Z", RULE)
    for base, film in layers:
        for first, last in _stretches(film.left):
            over = "L".join(spot(n, base[n] + film.left[n]) for n in range(first, last + 1))
            under = "L".join(spot(n, base[n]) for n in range(last, first - 1, -1))
            page.path(f"M{over}L{under}Z", _fill(film), KEY, 0.15)
    return scale


def _layers(section: Section) -> Iterator[tuple[Line, SectionFilm]]:
    """Each layer that is left, with what it lies on."""
    base = section.relief
    for film in section.films:
        if any(film.left):
            yield base, film
            base = tuple(under + over for under, over in zip(base, film.left, strict=True))


def _stretches(line: Line) -> Iterator[tuple[int, int]]:
    """From where to where a layer lies, a point of its rim on each side."""
    n, last = 0, len(line) - 1
    while n <= last:
        if not line[n]:
            n += 1
            continue
        end = n
        while end < last and line[end + 1]:
            end += 1
        yield max(0, n - 1), min(last, end + 1)
        n = end + 1


def _fill(film: SectionFilm) -> str:
    if film.colour:
        return film.colour
    return clear_fill(film.finish) if film.clear else "none"
