import { describe, expect, it } from 'vitest'
import { best, rank, type Found } from './finding'

const thing = (kind: string, name: string, more = ''): Found => ({ kind, name, more, go: () => {} })

describe('finding', () => {
  it('takes each word as the beginning of one, in any order, accents or not', () => {
    expect(rank('coat pik', 'base, coat 1 of 2', 'Pikes 4')).toBeGreaterThan(0)
    expect(rank('ochre', 'Öchre', '')).toBeGreaterThan(0)
    expect(rank('oat', 'base, coat 1', '')).toBe(0)
    expect(rank('', 'anything', '')).toBe(0)
  })
  it('puts what begins so first, and leaves room for other kinds', () => {
    const all = [
      ...Array.from({ length: 9 }, (_, n) => thing('call', `wash ${n}`, 'Reed tray')),
      thing('paint', 'Reed green'),
      thing('recipe', 'Reed militia'),
    ]
    const found = best('reed', all, 6, 3)
    expect(found.map((one) => one.kind).slice(0, 2).sort()).toEqual(['paint', 'recipe'])
    expect(found.filter((one) => one.kind === 'call')).toHaveLength(3)
    expect(best('xyz', all, 6, 3)).toEqual([])
  })
}) // prettier-ignore
