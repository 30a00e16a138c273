import type { CallCard, Schemas } from '../../api/client'
import { shorter } from './names'
import type { Fold } from './fold'

type Board = Schemas['Board']

/** A stretch at the bench with its moments as numbers. */
export interface TimedPiece {
  card: CallCard
  start: number
  end: number
}

/** All moments of a board read once: laying it out anew at another scale is arithmetic only. */
export interface TimedBoard {
  pieces: TimedPiece[]
  /** By call, in order. */
  calls: Map<string, TimedPiece[]>
  dry: Map<string, { from: number; to: number }>
  chores: { start: number; end: number; tray: string | null; key: string }[]
  joins: { at: number; one: string; two: string; key: string }[]
  orders: { from: number; to: number; one: string; two: string; key: string }[]
}

export function timed(board: Board): TimedBoard {
  const cards = new Map(board.calls.map((card) => [card.id, card]))
  const pieces = board.pieces.flatMap((piece) => {
    const card = cards.get(piece.call)
    return card ? [{ card, start: Date.parse(piece.start), end: Date.parse(piece.end) }] : []
  })
  const calls = new Map<string, TimedPiece[]>()
  for (const piece of pieces) {
    const mine = calls.get(piece.card.id)
    if (mine) mine.push(piece)
    else calls.set(piece.card.id, [piece])
  }
  const dry = new Map<string, { from: number; to: number }>()
  for (const card of board.calls) {
    if (calls.has(card.id) && card.dry_from && card.dry_to)
      dry.set(card.id, { from: Date.parse(card.dry_from), to: Date.parse(card.dry_to) })
  }
  return {
    pieces,
    calls,
    dry,
    chores: board.chores.map((one) => ({
      start: Date.parse(one.start),
      end: Date.parse(one.end),
      tray: one.tray ?? null,
      key: `${one.start} ${one.do} ${one.what}`,
    })),
    joins: board.joins.flatMap((join) => {
      const [one, two] = [cards.get(join.first)?.tray, cards.get(join.second)?.tray]
      if (!one || !two || one === two) return []
      return [{ at: Date.parse(join.at), one, two, key: `${join.first} ${join.second}` }]
    }),
    orders: board.orders.flatMap((order) => {
      const [one, two] = [cards.get(order.before), cards.get(order.after)]
      if (!one?.end || !two?.start) return []
      const [from, to] = [Date.parse(one.end), Date.parse(two.start)]
      return [{ from, to, one: one.tray, two: two.tray, key: `${order.before} ${order.after}` }]
    }),
  }
}

export interface Box {
  card: CallCard
  x: number
  w: number
  y: number
  start: number
  end: number
  /** It ends its call, and that is late. */
  late: boolean
  key: string
}

/** Where a call, or a piece of it, stood before. */
export interface Ghost {
  key: string
  tray: string
  start: number
  end: number
}

export interface Label {
  x: number
  y: number
  text: string
  right: number
  key: string
}

export interface Laid {
  boxes: Box[]
  /** From the first piece of a cut call to its last: one call. */
  spans: { x: number; w: number; y: number; key: string }[]
  labels: Label[]
  dryings: { d: string; left: number; right: number; key: string }[]
  ready: { d: string; key: string }[]
}

/** Paint as it is, a clear coat as its texture, bare work as ground. */
export function fill(card: CallCard): string {
  if (card.colour) return card.colour
  if (card.finish === 'gloss') return 'url(#board-ticks)'
  return card.finish ? 'url(#board-dots)' : 'var(--ground)'
}

export const CALL = 22
/** The least that a call is drawn wide, so that it can be seen and hit. */
const NARROWEST = 3
/** Pieces so near each other are one. */
const TOUCHING = 2
/** Left between a name and what comes after it. */
const AIR = 6
/** A call's name stands so far right of it. */
const BESIDE = 3

/**
 * Lay a board out: `y` is the middle of a tray's row, `begun` the trays that have work behind them.
 * `wide` measures a text.
 */
export function layOut(
  board: TimedBoard,
  time: Fold,
  y: (tray: string) => number | null,
  begun: Set<string>,
  wide: (text: string) => number,
): Laid {
  const laid: Laid = { boxes: [], spans: [], labels: [], dryings: [], ready: [] }
  const rows = new Map<number, Box[][]>()
  const end = time.spans.at(-1)?.end ?? 0
  const start = time.spans[0]?.start ?? 0
  for (const mine of board.calls.values()) {
    const row = y(mine[0]?.card.tray ?? '')
    if (row === null) continue
    const boxes = boxesOf(
      mine.filter((one) => one.end > start && one.start < end),
      row,
      time,
    )
    const [first, last] = [boxes[0], boxes.at(-1)]
    if (!first || !last) continue
    laid.boxes.push(...boxes)
    if (boxes.length > 1)
      laid.spans.push({ x: first.x, w: last.x + last.w - first.x, y: row, key: first.card.id })
    const here = rows.get(row)
    if (here) here.push(boxes)
    else rows.set(row, [boxes])
  }
  for (const [row, calls] of rows) {
    // Pieces of several calls of a row in order: what a name or its drying runs up to is the next.
    const all = calls.flat().sort((a, b) => a.x - b.x)
    const nexts = new Map(all.map((box, index) => [box, all[index + 1]?.x ?? time.width]))
    const next = (box: Box) => nexts.get(box) ?? time.width
    const [leftmost, right] = [all[0], all.at(-1)]
    if (!leftmost || !right) continue
    for (const boxes of calls) {
      const [first, last] = [boxes[0], boxes.at(-1)]
      if (!first || !last) continue
      named(laid, first, next(first), wide)
      const dry = board.dry.get(first.card.id)
      if (dry) drying(laid, last, dry, next(last), time)
    }
    const left = all.some((box) => begun.has(box.card.tray)) ? 0 : leftmost.x
    laid.ready.push({ d: `M${left} ${row}H${right.x + right.w}`, key: String(row) })
  }
  return laid
}

function boxesOf(pieces: TimedPiece[], y: number, time: Fold): Box[] {
  const found: Box[] = []
  for (const one of pieces) {
    const x = time.at(one.start)
    const right = Math.max(x + NARROWEST, time.at(one.end))
    const before = found.at(-1)
    if (before && x - (before.x + before.w) < TOUCHING) {
      before.w = right - before.x
      before.end = one.end
    } else {
      const key = `${one.card.id} ${one.start}`
      found.push({ card: one.card, x, w: right - x, y, start: one.start, end: one.end, late: false, key })
    } // prettier-ignore
  }
  const last = found.at(-1)
  if (last) last.late = last.card.late
  return found
}

/** The longest name that fits between a call and the next; none where none does. */
function named(laid: Laid, box: Box, next: number, wide: (text: string) => number) {
  const x = box.x + box.w + BESIDE
  const late = box.card.late ? ', late' : ''
  for (const name of shorter(box.card.name)) {
    const text = name + late
    const right = x + wide(text)
    if (right <= next - AIR) {
      laid.labels.push({ x, y: box.y - 6, text, right, key: box.card.id })
      return
    }
  }
}

function drying(laid: Laid, box: Box, dry: { from: number; to: number }, next: number, time: Fold) {
  const low = box.x + box.w
  const from = Math.min(next, Math.max(low, time.at(dry.from)))
  const to = Math.min(next, Math.max(from, time.at(dry.to)))
  if (to - low < 1) return
  const d = `M${low} ${box.y - 4}H${from}L${to} ${box.y + 4}H${low}Z`
  laid.dryings.push({ d, left: low, right: to, key: box.card.id })
}
