import { describe, expect, it } from 'vitest'
import type { CallCard, Schemas } from '../../api/client'
import { fold } from './fold'
import { layOut, timed, type Laid } from './layout'

const MINUTE = 60_000
const iso = (minute: number) => new Date(minute * MINUTE).toISOString()
const EVENING = { start: 0, end: 150 * MINUTE }

function card(id: string, tray: string, start: number, end: number, more: Partial<CallCard> = {}) {
  return {
    id, tray, name: 'base, coat 1 of 2', start: iso(start), end: iso(end),
    dry_from: null, dry_to: null, late: false, ...more,
  } as unknown as CallCard
} // prettier-ignore

function laid(
  cards: CallCard[],
  pieces: [string, number, number][],
  perMinute = 3,
  rows: Record<string, number> = { one: 20, two: 60 },
): Laid {
  const board = {
    calls: cards, chores: [], joins: [], orders: [],
    pieces: pieces.map(([call, start, end]) => ({ call, start: iso(start), end: iso(end), models: [] })),
  } as unknown as Schemas['Board'] // prettier-ignore
  const time = fold([EVENING], perMinute)
  return layOut(timed(board), time, (tray) => rows[tray] ?? null, new Set(), (text) => text.length * 7)
} // prettier-ignore

describe('the board', () => {
  it('draws a call that is cut as one, named once, with its cuts', () => {
    const found = laid(
      [card('a', 'one', 0, 60), card('b', 'two', 10, 40)],
      [
        ['a', 0, 10],
        ['b', 10, 40],
        ['a', 40, 60],
      ],
    )
    expect(found.boxes.filter((box) => box.card.id === 'a')).toHaveLength(2)
    expect(found.spans).toEqual([{ x: 0, w: 180, y: 20, key: 'a' }])
    expect(found.labels.filter((label) => label.key === 'a')).toHaveLength(1)
  })
  it('draws pieces that touch as one box', () => {
    const found = laid(
      [card('a', 'one', 0, 30)],
      [
        ['a', 0, 10],
        ['a', 10, 30],
      ],
    )
    expect(found.boxes).toHaveLength(1)
    expect(found.spans).toEqual([])
  })
  it('never lets a name run over its neighbour: it shortens it, then leaves it to pointing', () => {
    const names = (gap: number) =>
      laid(
        [card('a', 'one', 0, 10), card('b', 'one', 10 + gap, 20 + gap)],
        [
          ['a', 0, 10],
          ['b', 10 + gap, 20 + gap],
        ],
      ).labels.find((label) => label.key === 'a')
    expect(names(60)?.text).toBe('base, coat 1 of 2')
    expect(names(30)?.text).toBe('base 1/2')
    expect(names(14)?.text).toBe('base')
    expect(names(5)).toBeUndefined()
    for (const gap of [5, 14, 20, 30, 45, 60]) {
      const label = names(gap)
      if (label) expect(label.right).toBeLessThan((10 + gap) * 3)
    }
  })
  it('writes no name on paint: it stands beside the call', () => {
    const found = laid([card('a', 'one', 0, 60)], [['a', 0, 60]])
    expect(found.labels[0]?.x).toBeGreaterThan(180)
  })
  it('says late with the name, and marks only the piece that ends the call', () => {
    const found = laid(
      [card('a', 'one', 0, 60, { late: true })],
      [
        ['a', 0, 10],
        ['a', 40, 60],
      ],
    )
    expect(found.labels[0]?.text).toBe('base, late')
    expect(found.boxes.map((box) => box.late)).toEqual([false, true])
  })
  it('lets drying run up to the next call of its row and no further', () => {
    const dry = { dry_from: iso(20), dry_to: iso(100) }
    const found = laid(
      [card('a', 'one', 0, 10, dry), card('b', 'one', 40, 50)],
      [
        ['a', 0, 10],
        ['b', 40, 50],
      ],
    )
    expect(found.dryings[0]).toMatchObject({ left: 30, right: 120 })
  })
  it('leaves out what is in a row that is not there', () => {
    expect(laid([card('a', 'gone', 0, 10)], [['a', 0, 10]]).boxes).toEqual([])
  })
  it('puts trays of a folded unit in one row, each before what comes after it', () => {
    const found = laid(
      [card('a', 'one', 0, 10), card('b', 'two', 15, 25)],
      [
        ['a', 0, 10],
        ['b', 15, 25],
      ],
      3,
      { one: 20, two: 20 },
    )
    expect(new Set(found.boxes.map((box) => box.y))).toEqual(new Set([20]))
    expect(found.labels.find((label) => label.key === 'a')).toBeUndefined()
  })
})
