import { expect, test } from 'vitest'
import { around } from './around'

const square = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
]

test('a line around points is closed and goes through each of them', () => {
  const path = around(square)
  expect(path.startsWith('M0 0')).toBe(true)
  expect(path.endsWith('Z')).toBe(true)
  const ends = [...path.matchAll(/C(?:[-\d.]+ ){4}([-\d.]+) ([-\d.]+)/g)]
  expect(ends.map(([, x, y]) => [Number(x), Number(y)])).toEqual([...square.slice(1), [0, 0]])
})

test('two points enclose nothing', () => {
  expect(around(square.slice(0, 2))).toBe('')
})
