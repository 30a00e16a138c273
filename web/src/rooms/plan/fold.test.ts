import { describe, expect, it } from 'vitest'
import { fold, howMany } from './fold'

const hour = 3_600_000
const sittings = [
  { start: 0, end: 2 * hour },
  { start: 48 * hour, end: 50 * hour },
]

describe('folded time', () => {
  it('keeps minutes true within a sitting and folds the nights into a pleat', () => {
    const laid = fold(sittings, 500)
    expect(laid.at(0)).toBe(0)
    expect(laid.at(hour)).toBe(120)
    expect(laid.at(2 * hour)).toBe(240)
    expect(laid.at(25 * hour)).toBe(250)
    expect(laid.at(49 * hour)).toBe(380)
    expect(laid.spans[0]?.nights).toBe(2)
  })
  it('shows at least one sitting, and as many as fit', () => {
    expect(howMany(sittings, 0, 500, 2)).toBe(2 - 1)
    expect(howMany(sittings, 0, 520, 2)).toBe(2)
    expect(howMany(sittings, 1, 10, 2)).toBe(1)
  })
})
