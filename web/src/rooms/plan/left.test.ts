import { describe, expect, it } from 'vitest'
import { costs } from './left'

describe('what a remedy costs', () => {
  it('says the work it adds or saves, in hours and minutes', () => {
    expect(costs({ left_models: 0, late_models: 0, cost_s: 66_000 })).toBe('adds 18 h 20')
    expect(costs({ left_models: 0, late_models: 0, cost_s: -3600 })).toMatch(/^saves 1 h/)
  })
  it('calls less than half a minute nothing', () => {
    expect(costs({ left_models: 0, late_models: 0, cost_s: 20 })).toBe('costs nothing')
    expect(costs({ left_models: 0, late_models: 0, cost_s: -20 })).toBe('costs nothing')
  })
  it('says first what it still leaves and what it makes late', () => {
    expect(costs({ left_models: 6, late_models: 1, cost_s: 0 })).toBe(
      'six models still left by other passes, one model late',
    )
  })
})
