import { expect, test } from 'vitest'
import type { Pass } from './draft'
import { asPart, readNumber, stepped, unsaid, type Field } from './words'

const field = (more: Partial<Field>) =>
  ({ name: 'x', least: 0, most: 100, step: 1, share: false, ...more }) as Field

test('an arrow steps within the limits and leaves no dust', () => {
  const cover = field({ least: 0.01, most: 1, step: 0.05, share: true })
  expect(stepped(0.3, 1, cover)).toBe(0.35)
  expect(stepped(0.98, 1, cover)).toBe(1)
  expect(stepped(0.02, -1, cover)).toBe(0.01)
  expect(stepped(0.1 + 0.2, 1, field({ step: 0.1 }))).toBe(0.4)
})

test('a typed number is read in per cent where shares are, and refused outside its limits', () => {
  const cover = field({ least: 0.01, most: 1, share: true })
  expect(readNumber('35', cover)).toBe(0.35)
  expect(readNumber('35 %', cover)).toBe(0.35)
  expect(readNumber('2,5', field({}))).toBe(2.5)
  expect(readNumber('120', cover)).toBeNull()
  expect(readNumber('much', cover)).toBeNull()
  expect(readNumber('', cover)).toBeNull()
})

test('what is said of nothing is not said', () => {
  const pass = { mix: [], tool: null, note: '', coats: 1, fragile: false } as unknown as Pass
  expect(['mix', 'tool', 'note', 'fragile'].every((name) => unsaid(pass, field({ name })))).toBe(
    true,
  )
  expect(unsaid(pass, field({ name: 'coats' }))).toBe(false)
})

test('a part is called by small letters and dashes', () => {
  expect(asPart(' Left Track! ')).toBe('left-track')
})
