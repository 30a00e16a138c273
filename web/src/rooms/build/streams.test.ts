import { describe, expect, it } from 'vitest'
import { lay, outline, spread, type BuildView } from './streams'
import { place, placed, shifted } from './moves'

const columns = ['undercoat', 'main', 'wheels', 'matt'].map((key, n) => ({
  key,
  name: key,
  group: ['undercoat', 'colours', 'colours', 'clear coats'][n] ?? '',
}))
const stream = (part: string, joins: number | null, into: string | null, at: number[] = []) => ({
  part, name: part, minutes: 3, pieces: 1, joins, into, joint: joins === null ? null : `on-${part}`,
  closed: [],
  swatches: at.map((column) => ({ column, name: 'x', colour: '#123456', finish: null })),
}) // prettier-ignore
const view = (streams: ReturnType<typeof stream>[]) =>
  ({ columns, streams, mouths: [] }) as unknown as BuildView

describe('streams', () => {
  it('lets paint lie on what carries the part by then', () => {
    const made = lay(view([stream('hull', null, null, [0]), stream('gear', 2, null, [0, 2])]), 1000)
    const [hull, gear] = made.rows
    expect(gear?.swatches.map((one) => one.x)).toEqual([made.paint(0)])
    expect(hull?.swatches.map((one) => one.x)).toEqual([made.paint(0), made.paint(2)])
  })

  it('leads a part into the row of what its carrier has become part of', () => {
    const rows = lay(
      view([stream('hull', null, null), stream('cab', 0, null), stream('crew', 2, 'cab')]),
      1000,
    ).rows
    expect(rows[2]?.into?.y).toBe(rows[0]?.y)
  })

  it('closes every outline and opens none', () => {
    for (const row of lay(view([stream('hull', null, null), stream('gear', 3, null)]), 900).rows)
      expect(outline(row).fill).toMatch(/^M.*Z$/)
  })

  it('gives each group of passes room for its heading and uses all there is', () => {
    const ends = spread(['undercoat', ...Array<string>(6).fill('colours'), 'clear coats'], 600)
    expect(ends).toHaveLength(9)
    expect(ends.at(-1)).toBeCloseTo(600, 3)
    expect((ends[1] ?? 0) - (ends[0] ?? 0)).toBeGreaterThanOrEqual('undercoat'.length * 7.4)
    expect(ends).toEqual([...ends].sort((a, b) => a - b))
  })

  it('finds the place that is nearest to a hand', () => {
    const made = lay(view([stream('hull', null, null), stream('gear', 3, null)]), 1000)
    for (const column of [1, 2, 3, 4]) expect(made.column(made.at(column))).toBe(column)
    expect(made.column(0)).toBe(0)
  })
})

describe('moves', () => {
  const mouth = (way: string, column = 2) => ({ joint: 'j', way, column }) as never
  it('fixes before the first pass and leaves apart before any other', () => {
    expect(placed('u', mouth('fix'), columns, 2)).toMatchObject({ way: 'apart', before: 'wheels' })
    expect(placed('u', mouth('apart'), columns, 0)).toMatchObject({
      way: 'fix',
      before: 'undercoat',
    })
    expect(placed('u', mouth('mask'), columns, -3)).toMatchObject({ way: 'mask' })
    expect(placed('u', mouth('lift'), columns, 99)).toMatchObject({ way: 'lift', before: 'end' })
  })

  it('moves a stream at once and leaves the others where they are', () => {
    const before = view([
      stream('hull', null, null),
      stream('gear', 2, null),
      stream('lamps', 3, null),
    ])
    before.mouths = [{ joint: 'on-gear', way: 'apart', column: 2, trouble: 'x' }] as never
    const after = shifted(before, 'on-gear', 'lift', 'end')
    expect(after.streams.map((one) => one.joins)).toEqual([null, 4, 3])
    expect(after.mouths[0]).toMatchObject({ way: 'lift', column: 4, trouble: '' })
    expect(shifted(before, 'on-gear', 'fix', 'gone')).toBe(before)
    expect(before.streams[1]?.joins).toBe(2)
  })

  it('says a place in words', () => {
    expect(place(columns, 0)).toBe('before any paint')
    expect(place(columns, 3)).toBe("before 'matt'")
    expect(place(columns, 4)).toBe('last of all')
  })
})
