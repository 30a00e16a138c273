import { describe, expect, it } from 'vitest'
import { filling, fold, inView } from './fold'

const hour = 3_600_000
const sittings = [
  { start: 0, end: 2 * hour },
  { start: 48 * hour, end: 50 * hour },
]

describe('folded time', () => {
  it('keeps minutes true within a sitting and folds the nights into a pleat', () => {
    const laid = fold(sittings, 2)
    expect(laid.at(0)).toBe(0)
    expect(laid.at(hour)).toBe(120)
    expect(laid.at(2 * hour)).toBe(240)
    expect(laid.at(25 * hour)).toBe(250)
    expect(laid.at(49 * hour)).toBe(380)
    expect(laid.at(60 * hour)).toBe(laid.width + 20)
  })
  it('finds the moment at a place: within a pleat the start of what comes after', () => {
    const laid = fold(sittings, 2)
    expect(laid.moment(120)).toBe(hour)
    expect(laid.moment(250)).toBe(48 * hour)
    expect(laid.moment(9999)).toBe(50 * hour)
    expect(laid.moment(-5)).toBe(0)
  })
  it('fills a width with the sittings it is given', () => {
    expect(fold(sittings, filling(sittings, 500)).width).toBeCloseTo(500)
    expect(filling([], 500)).toBeGreaterThan(0)
  })
  it('says which sittings are in view', () => {
    const laid = fold(sittings, 2)
    expect(inView(laid, 0, 500)).toEqual({ first: 0, shown: 2 })
    expect(inView(laid, 0, 200)).toEqual({ first: 0, shown: 1 })
    expect(inView(laid, 300, 500)).toEqual({ first: 1, shown: 1 })
  })
})
