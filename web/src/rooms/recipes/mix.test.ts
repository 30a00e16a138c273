import { expect, it } from 'vitest'
import { readMix, sayMix } from './mix'

it('reads a mix as one types it and says it back', () => {
  const parts = readMix('5 Reed green, Silt ,')
  expect(parts).toEqual([
    { parts: 5, name: 'Reed green' },
    { parts: 1, name: 'Silt' },
  ])
  expect(sayMix(parts)).toBe('5 Reed green, 1 Silt')
})
