import { describe, expect, it } from 'vitest'
import { shorter } from './names'

describe('names of calls on the board', () => {
  it('keeps which coat it is for as long as that fits', () => {
    expect(shorter('Reed green, coat 2 of 3')).toEqual([
      'Reed green, coat 2 of 3',
      'Reed green 2/3',
      'Reed green',
    ])
  })
  it('falls back to the last word, which says what is done', () => {
    expect(shorter('Matt varnish')).toEqual(['Matt varnish', 'varnish'])
    expect(shorter('Wash')).toEqual(['Wash', 'Wash'])
  })
})
