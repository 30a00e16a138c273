import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test } from 'vitest'
import { useShelf, type Paint } from '../../shelf'
import { readHex, useMixing } from './mixing'

beforeEach(() => setActivePinia(createPinia()))

const paint = (id: number, clear = false) =>
  ({ id, clear, paint: { name: `paint ${id}` } }) as unknown as Paint

test('colours are read as people type them', () => {
  expect(readHex('6B7A3A')).toBe('#6b7a3a')
  expect(readHex(' #abc ')).toBe('#aabbcc')
  expect(readHex('green')).toBeNull()
})

test('drops are put in, taken out, and poured as an addition', () => {
  useShelf().paints = [paint(1), paint(2), paint(3, true)]
  const mixing = useMixing()
  mixing.put(1)
  mixing.put(1)
  mixing.put(3)
  expect(mixing.drops.value.map((one) => [one.paint, one.drops])).toEqual([[1, 2]])
  const more = [
    { paint: 1, name: '', drops: 1 },
    { paint: 2, name: '', drops: 4 },
  ]
  mixing.pour({ drops: more, colour: '', difference: 0, in_stock: true, price: 0 })
  expect(mixing.total.value).toBe(7)
  mixing.step(2, -4)
  expect(mixing.drops.value).toHaveLength(1)
})
