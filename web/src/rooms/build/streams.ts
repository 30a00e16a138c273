import type { Schemas } from '../../api/client'

export type BuildView = Schemas['BuildView']
type Stream = BuildView['streams'][number]

export const ROW = 38
export const BAND = 18
export const TOP = 28
/** What the names and minutes of the parts take; names alone where there is little room. */
export const LABELS = { wide: 232, narrow: 128 }
const BARE = 96
const DONE = 128
const FINGER = 8
/** What the words at a mouth take. */
const MOUTH = 48

export interface Laid {
  /** Where a joint closed before a column lies. */
  at: (column: number) => number
  /** Where the paint of a column lies. */
  paint: (column: number) => number
  column: (x: number) => number
  wide: number
  rows: Row[]
  width: number
  height: number
  headings: { x: number; words: string }[]
}

export interface Row {
  stream: Stream
  y: number
  from: number
  end: number
  /** Up to the part that takes it up; none: it goes on to the end. */
  into: { y: number; x: number } | null
  swatches: {
    x: number
    width: number
    name: string
    colour: string | null
    finish: string | null
  }[]
  /** ``below``: there is no room for the words over the line. */
  dashes: { x: number; y: number; words: string; below: boolean }[]
}

/** Lay the streams out: order alone decides, nothing is placed by hand. */
export function lay(view: BuildView, width: number, labels = LABELS.wide): Laid {
  const many = view.columns.length
  const left = labels + BARE
  const edges = spread(
    view.columns.map((one) => one.group),
    width - left - DONE,
  ).map((x) => left + x)
  const edge = (column: number) => edges[Math.min(many, Math.max(0, column))] ?? left
  const wide = many ? (edge(many) - left) / many : FINGER
  const at = (column: number) => (column === 0 ? labels + BARE - 24 : edge(column))
  const paint = (column: number) => (edge(column) + edge(column + 1)) / 2
  const column = (x: number) => {
    if (x < left + (edge(1) - left) / 2) return 0
    let best = 0
    edges.forEach((one, number) => {
      if (Math.abs(one - x) < Math.abs((edges[best] ?? 0) - x)) best = number
    })
    return best
  }
  const rowOf = new Map(view.streams.map((one, row) => [one.part, row]))
  const y = (part: string) => TOP + 16 + (rowOf.get(part) ?? 0) * ROW
  const main = view.streams[0]?.part ?? ''
  const by = new Map(view.streams.map((one) => [one.part, one]))
  const taken = new Map<number, number>()

  /** Upon which stream the paint of a part lies: that of what it has been joined into. */
  function carrier(part: string, column: number): string {
    const one = by.get(part)
    if (!one || one.joins === null || one.joins > column || part === main) return part
    return carrier(one.into ?? main, column)
  }

  const swatches = new Map<string, Row['swatches']>()
  for (const one of view.streams)
    for (const swatch of one.swatches) {
      const on = carrier(one.part, swatch.column)
      const mine = swatches.get(on) ?? []
      const x = paint(swatch.column)
      if (!mine.some((each) => each.x === x))
        mine.push({
          x,
          width: Math.min(28, edge(swatch.column + 1) - edge(swatch.column) - 5),
          ...swatch,
        })
      swatches.set(on, mine)
    }

  const rows = view.streams.map((stream) => {
    let into: Row['into'] = null
    let end = width - 8
    if (stream.joins !== null) {
      const before = taken.get(stream.joins) ?? 0
      taken.set(stream.joins, before + 1)
      const step = stream.joins === 0 ? 15 : Math.min(12, wide / 3)
      const x = at(stream.joins) - (stream.joins === 0 ? 60 - before * step : -before * step)
      end = Math.max(labels + 26, x)
      into = { y: y(carrier(stream.into ?? main, stream.joins)), x: end }
    }
    const free = stream.joins !== null
    const shut = stream.closed.filter((one) => one.seen)
    const first = Math.min(...shut.map((one) => one.column))
    const words = `${shut.map((one) => one.called).join(', ')} out of reach`
    const x = Math.max(at(first) + 34, free ? end + 34 + MOUTH : 0)
    const below = free && width - 10 - words.length * 6.8 < x
    const dashes = shut.length
      ? [{ x, y: y(stream.part) + (free ? (below ? 2 : 5) : BAND / 2 + 17), words, below }]
      : []
    return {
      stream, y: y(stream.part), from: labels, end, into, dashes,
      swatches: swatches.get(stream.part) ?? [],
    } // prettier-ignore
  })

  const headings: Laid['headings'] = [{ x: labels + 4, words: 'bare' }]
  view.columns.forEach((one, number) => {
    if (number === 0 || view.columns[number - 1]?.group !== one.group)
      headings.push({ x: edge(number) + 2, words: one.group })
  })
  headings.push({ x: edge(many) + 8, words: 'done' })
  return {
    at, paint, column, wide, rows, width, headings: apart(headings),
    height: TOP + 16 + view.streams.length * ROW,
  } // prettier-ignore
}

/** Where columns end: each group of them at least as wide as its heading. */
export function spread(groups: string[], room: number): number[] {
  const runs: { words: string; many: number }[] = []
  for (const words of groups) {
    const last = runs.at(-1)
    if (last?.words === words) last.many++
    else runs.push({ words, many: 1 })
  }
  const need = (one: { words: string }) => one.words.length * 7.4 + 18
  const total = (base: number) =>
    runs.reduce((sum, one) => sum + Math.max(one.many * base, need(one)), 0)
  let [low, high] = [FINGER, Math.max(FINGER, room)]
  for (let n = 0; n < 40; n++) {
    const base = (low + high) / 2
    if (total(base) > room) high = base
    else low = base
  }
  const ends = [0]
  for (const one of runs) {
    const width = Math.max(one.many * low, need(one)) / one.many
    for (let n = 0; n < one.many; n++) ends.push((ends.at(-1) ?? 0) + width)
  }
  return ends
}

/** Headings that would run into the one before are left out. */
function apart(headings: Laid['headings']): Laid['headings'] {
  const found: Laid['headings'] = []
  for (const one of headings) {
    const before = found.at(-1)
    if (before && one.x < before.x + before.words.length * 7.4 + 8) continue
    found.push(one)
  }
  return found
}

/** The outline of a stream: along its row, and up or down into the part that takes it up. */
export function outline(row: Row): { fill: string; edges: string } {
  const half = BAND / 2
  const [a, b] = [row.y - half, row.y + half]
  if (!row.into) {
    const box = `M${row.from} ${a}H${row.end}V${b}H${row.from}Z`
    return { fill: box, edges: `M${row.from} ${a}H${row.end}M${row.from} ${b}H${row.end}` }
  }
  const up = row.into.y < row.y
  const near = up ? a : b
  const far = up ? b : a
  const mouth = up ? row.into.y + half : row.into.y - half
  const x = row.end
  const inner = `H${x - 18}C${x - 2} ${near} ${x - 4} ${mouth} ${x + 8} ${mouth}`
  const back = `C${x + 26} ${mouth} ${x + 22} ${far} ${x - 6} ${far}`
  return {
    fill: `M${row.from} ${near}${inner}H${x + 44}${back}H${row.from}Z`,
    edges: `M${row.from} ${near}${inner}M${x + 44} ${mouth}${back}H${row.from}`,
  }
}

/** Where the edge of a row is open, since another stream comes in there. */
export function mouths(rows: Row[], row: Row): { x: number; y: number }[] {
  return rows
    .filter((one) => one.into && one.into.y === row.y)
    .map((one) => ({
      x: one.end + 8,
      y: one.y > row.y ? row.y + BAND / 2 : row.y - BAND / 2,
    }))
}
