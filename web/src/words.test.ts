import { describe, expect, it } from 'vitest'
import { count, hours, lastAt, timeIn } from './words'

describe('words', () => {
  it('says times in the zone of the muster', () => {
    expect(timeIn('Europe/London')('2027-07-01T19:00:00Z')).toBe('20:00')
    expect(hours(66_000)).toBe('18 h 20')
    expect(hours(432_000)).toBe('120 h')
    expect(count(1, 'model')).toBe('one model')
  })
  it('finds the last time a clock showed what is typed, across summer time too', () => {
    const clock = timeIn('Europe/London')
    const now = Date.parse('2027-03-02T22:30:20Z')
    expect(lastAt('22:10', now, clock)).toBe('2027-03-02T22:10:00.000Z')
    expect(lastAt('22:40', now, clock)).toBe('2027-03-01T22:40:00.000Z')
    // Clocks go forward at one in the morning of 28 March 2027.
    const later = Date.parse('2027-03-28T08:00:00Z')
    expect(lastAt('22:10', later, clock)).toBe('2027-03-27T22:10:00.000Z')
    expect(lastAt('later', now, clock)).toBeNull()
  })
})
