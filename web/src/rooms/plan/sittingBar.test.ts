import { describe, expect, it } from 'vitest'
import { AHEAD, FLAG, layOut, ROOM, WIDEST } from './sittingBar'

const sittings = (count: number, used: number, parade = count) =>
  Array.from({ length: count }, (_, index) => ({
    used_s: index < used ? 3600 : 0,
    after_parade: index >= parade,
  }))

describe('the bar of sittings to come', () => {
  it('draws every sitting up to the parade day, and the flag after them', () => {
    const laid = layOut(sittings(40, 3, 10), 2, true)
    expect(laid.many).toBe(10)
    expect(laid.step).toBe(WIDEST)
    expect(laid.flag).toBe(10 * WIDEST)
  })
  it('draws work that runs on beyond the parade day behind the flag', () => {
    const laid = layOut(sittings(40, 12, 10), 2, true)
    expect(laid.many).toBe(12)
    expect(laid.at(9)).toBe(9 * WIDEST)
    expect(laid.at(10)).toBe(10 * WIDEST + FLAG)
  })
  it('ends a little after the work where no parade day ends it', () => {
    const laid = layOut(sittings(400, 8), 2, false)
    expect(laid.many).toBe(8 + AHEAD)
    expect(laid.at(9)).toBe(9 * WIDEST)
  })
  it('always draws those in view, and no more than there are', () => {
    expect(layOut(sittings(40, 0, 0), 7, true).many).toBe(7)
    expect(layOut(sittings(4, 4), 9, false).many).toBe(4)
    expect(layOut([], 0, true)).toMatchObject({ many: 0, flag: 0 })
  })
  it('keeps a long force within its room, with days that do not run together', () => {
    const laid = layOut(sittings(400, 200), 2, false)
    expect(laid.many * laid.step).toBeLessThanOrEqual(ROOM + 1)
    expect(laid.labelled * laid.step).toBeGreaterThanOrEqual(20)
  })
})
