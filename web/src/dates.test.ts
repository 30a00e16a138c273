import { describe, expect, it } from 'vitest'
import {
  customOf,
  dateWords,
  monthGrid,
  readDate,
  readTime,
  sentenceWords,
  timeWords,
} from './dates'

const today = new Date('2027-03-02T12:00:00Z')
const britain = customOf(['en-GB'])
const states = customOf(['en-US', 'en'])
const germany = customOf(['de-DE', 'en'])

describe('days as one types them', () => {
  it('reads words, weekdays and figures, next year where the day is past', () => {
    const read = (text: string) => readDate(text, today, britain)
    expect(read('27 March')).toBe('2027-03-27')
    expect(read('Sat 27th Mar')).toBe('2027-03-27')
    expect(read('March 27, 2027')).toBe('2027-03-27')
    expect(read('1 Feb')).toBe('2028-02-01')
    expect(read('2027-04-01')).toBe('2027-04-01')
    expect(read('today')).toBe('2027-03-02')
    expect(read('tomorrow')).toBe('2027-03-03')
    // The second of March 2027 is a Tuesday.
    expect(read('wed')).toBe('2027-03-03')
    expect(read('Tuesday')).toBe('2027-03-09')
    expect(read('27.3.')).toBe('2027-03-27')
  })
  it('refuses what is no day', () => {
    for (const text of ['31 April', '2027-02-30', 'soon', '', '40/50', '13 monday'])
      expect(readDate(text, today, britain)).toBeNull()
  })
  it('reads 3/4 in the order of the country', () => {
    expect(readDate('3/4', today, britain)).toBe('2027-04-03')
    expect(readDate('3/4', today, states)).toBe('2027-03-04')
    expect(readDate('3.4.27', today, germany)).toBe('2027-04-03')
  })
  it('writes them so too, in English', () => {
    expect(dateWords('2027-03-27', false, britain)).toBe('Saturday 27 March')
    expect(dateWords('2027-03-27', false, states)).toBe('Saturday, March 27')
    expect(dateWords('2027-03-27', true, germany)).toBe('Sat 27 Mar 2027')
  })
  it('lays a month out from the first day of the week of the country', () => {
    expect(monthGrid('2027-03', britain)[0]).toBe('2027-03-01')
    expect(monthGrid('2027-03', states)[0]).toBe('2027-02-28')
    expect(monthGrid('2027-02', britain)).toHaveLength(42)
  })
})

describe('times', () => {
  it('reads them as one types them', () => {
    for (const text of ['19:30', '19.30', '1930', '7:30 pm', '7.30pm', '730p'])
      expect(readTime(text)).toBe('19:30')
    expect(readTime('7')).toBe('07:00')
    expect(readTime('12am')).toBe('00:00')
    expect(readTime('12 pm')).toBe('12:00')
    for (const text of ['', '25', '19:60', '13pm', 'noon']) expect(readTime(text)).toBeNull()
  })
  it('writes them with twelve hours where the country does, in sentences too', () => {
    expect(timeWords('19:30:00', britain)).toBe('19:30')
    expect(timeWords('19:30', states)).toBe('7:30 pm')
    expect(timeWords('00:05', states)).toBe('12:05 am')
    expect(timeWords('19:30', germany)).toBe('19:30')
    expect(sentenceWords('dry since Sat 12:53, at 1:30 parts', states)).toBe(
      'dry since Sat 12:53 pm, at 1:30 parts',
    )
    expect(sentenceWords('dry since Sat 12:53', britain)).toBe('dry since Sat 12:53')
  })
})
