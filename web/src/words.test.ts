import { describe, expect, it } from 'vitest'
import { clockIn, count, hours, readDate } from './words'

describe('words', () => {
  const today = new Date('2027-03-02T12:00:00Z')
  it('reads a day as one types it, next year where it is past', () => {
    expect(readDate('27 March', today)).toBe('2027-03-27')
    expect(readDate('1 Feb', today)).toBe('2028-02-01')
    expect(readDate('2027-04-01', today)).toBe('2027-04-01')
    expect(readDate('31 April', today)).toBeNull()
    expect(readDate('soon', today)).toBeNull()
  })
  it('says times in the zone of the muster', () => {
    expect(clockIn('Europe/London')('2027-07-01T19:00:00Z')).toBe('20:00')
    expect(hours(66_000)).toBe('18 h 20')
    expect(count(1, 'model')).toBe('one model')
  })
})
