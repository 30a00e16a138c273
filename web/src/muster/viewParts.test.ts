import { describe, expect, it } from 'vitest'
import { composed, viewReader } from './viewParts'

const FIRST = {
  parts: { id: 1, head: { bench_s: 60 }, 'board.rows': [1], 'board.calls.0': [2], 'board.calls.1': [3] },
  digests: 'a.b.c.d.e',
} // prettier-ignore

describe('a view in parts', () => {
  it('is whole again: the board with its cards in their order', () => {
    expect(composed(FIRST.parts)).toEqual({
      id: 1, head: { bench_s: 60 }, board: { rows: [1], calls: [2, 3] },
    }) // prettier-ignore
  })

  it('asks for what has changed since, and keeps the rest as it is', async () => {
    const answers = [FIRST, { parts: { 'board.calls.1': [4] }, digests: 'a.b.c.d.f' }]
    const asked: string[] = []
    const view = viewReader((_, have) => {
      asked.push(have)
      return Promise.resolve(answers.shift() ?? FIRST)
    })
    const before = await view(1)
    const after = await view(1)
    expect(asked).toEqual(['', 'a.b.c.d.e'])
    expect(after.board.calls).toEqual([2, 4])
    expect(after.head).toBe(before.head)
  })

  it('asks for all of another muster', async () => {
    const asked: string[] = []
    const view = viewReader((_, have) => {
      asked.push(have)
      return Promise.resolve(FIRST)
    })
    await view(1)
    await view(2)
    expect(asked).toEqual(['', ''])
  })

  it('keeps what it holds where a reading fails', async () => {
    const asked: string[] = []
    let away = false
    const view = viewReader((_, have) => {
      asked.push(have)
      return away ? Promise.reject(new Error('away')) : Promise.resolve(FIRST)
    })
    await view(1)
    away = true
    await expect(view(1)).rejects.toThrow('away')
    away = false
    await view(1)
    expect(asked).toEqual(['', 'a.b.c.d.e', 'a.b.c.d.e'])
  })
})

describe('a board that has not changed', () => {
  it('stays the same object, so that a call in the hand stays there', async () => {
    const answers = [
      { parts: { now: 1, 'board.rows': ['a'] }, digests: 'x' },
      { parts: { now: 2 }, digests: 'y' },
      { parts: { now: 3, 'board.rows': ['b'] }, digests: 'z' },
    ]
    const view = viewReader(() => Promise.resolve(answers.shift() as never))
    const [one, two, three] = [await view(7), await view(7), await view(7)]
    expect(two.board).toBe(one.board)
    expect(two.now).toBe(2)
    expect(three.board).not.toBe(two.board)
    expect(three.board.rows).toEqual(['b'])
  })
})
