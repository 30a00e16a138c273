import type { Schemas } from '../../api/client'

export type Film = Schemas['SectionFilm']

const told = (value: number) => Math.round(value * 10) / 10

/** Outlines of a layer that lies on `base`, both in µm at even points: one for each stretch of it.
 *  `top` is where 0 µm lies in the drawing; `scale` pixels to the µm. */
export function outline(
  base: number[],
  line: number[],
  width: number,
  top: number,
  scale: number,
): string {
  const x = (point: number) => told((point / (line.length - 1)) * width)
  const y = (um: number) => told(top - um * scale)
  let path = ''
  for (let from = 0; from < line.length; from += 1) {
    if (!line[from]) continue
    let to = from
    while (to + 1 < line.length && line[to + 1]) to += 1
    const [low, high] = [Math.max(0, from - 1), Math.min(line.length - 1, to + 1)]
    const above = []
    const below = []
    for (let point = low; point <= high; point += 1) {
      const under = base[point] ?? 0
      above.push(`${x(point)} ${y(under + (line[point] ?? 0))}`)
      below.unshift(`${x(point)} ${y(under)}`)
    }
    path += `M${above.join('L')}L${below.join('L')}Z`
    from = to
  }
  return path
}

/** The top of a layer alone: a coat that shines has a line there. */
export function ridge(
  base: number[],
  line: number[],
  width: number,
  top: number,
  scale: number,
): string {
  return `M${line
    .map(
      (um, point) =>
        `${told((point / (line.length - 1)) * width)} ${told(top - ((base[point] ?? 0) + um) * scale)}`,
    )
    .join('L')}`
}

export const sum = (one: number[], two: number[]) =>
  one.map((value, point) => value + (two[point] ?? 0))

/** How a layer is filled: with its colour, else with the texture of a clear coat. */
export function fill(film: Film): string {
  if (film.colour) return film.colour
  if (!film.clear) return 'none'
  return `url(#clear-${film.finish === 'gloss' || film.finish === 'satin' ? film.finish : 'matt'})`
}

/** A round length for a scale bar: the longest of these that stays within so many pixels. */
export function barOf(scale: number, most: number): number {
  const lengths = [1, 2, 5, 10, 20, 50, 100, 200, 500]
  return lengths.filter((um) => um * scale <= most).at(-1) ?? 1
}
