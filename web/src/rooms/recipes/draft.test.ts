import { expect, test } from 'vitest'
import type { Schemas } from '../../api/client'
import { useDraft, type Pass } from './draft'

const pass = (key: string, zones: string[] = []) => ({ key, name: key, zones }) as unknown as Pass
const recipe = (...passes: Pass[]) =>
  ({ name: 'r', material: 'resin', passes }) as unknown as Schemas['RecipeOut']['recipe']

test('each step of a draft can be taken back, down to what was kept', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a'), pass('b')))
  draft.move('b', -1)
  draft.put([pass('a')])
  expect(draft.passes.value.map((one) => one.key)).toEqual(['b', 'a', 'a-2'])
  expect(draft.changed.value).toBe(true)
  draft.back()
  draft.back()
  expect(draft.passes.value.map((one) => one.key)).toEqual(['a', 'b'])
  expect(draft.changed.value).toBe(false)
})

test('a change that changes nothing is no step', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a')))
  draft.change(() => (draft.subject.value = { ...draft.subject.value, material: 'resin' }))
  expect(draft.steps.value).toHaveLength(0)
})

const keys = (draft: ReturnType<typeof useDraft>) => draft.passes.value.map((one) => one.key)

test('a new pass lands over the one in hand, not at the end', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a'), pass('b'), pass('c')))
  expect(draft.put([pass('n'), pass('n')], 'a')).toEqual(['n', 'n-2'])
  expect(keys(draft)).toEqual(['a', 'n', 'n-2', 'b', 'c'])
  draft.put([pass('top')])
  expect(keys(draft).at(-1)).toBe('top')
})

test('a pass is laid over another, or at the bottom, and moved no further than there are passes', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a'), pass('b'), pass('c')))
  draft.layOver('a', 'b')
  expect(keys(draft)).toEqual(['b', 'a', 'c'])
  draft.layOver('c', null)
  expect(keys(draft)).toEqual(['c', 'b', 'a'])
  draft.move('a', 5)
  expect(keys(draft)).toEqual(['c', 'b', 'a'])
  expect(draft.steps.value).toHaveLength(2)
})

test('a film grows and shrinks by coats, never below one', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a')))
  draft.thicken('a', 'coats', 2)
  expect(draft.passes.value[0]?.coats).toBe(3)
  draft.thicken('a', 'coats', -7)
  expect(draft.passes.value[0]?.coats).toBe(1)
})

test('a zone pressed away is left out of a pass for all, and taken from one that names its zones', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a'), pass('b', ['upper', 'lower'])))
  draft.turnZone('a', 'glass')
  expect(draft.passes.value[0]?.all_but).toEqual(['glass'])
  draft.turnZone('a', 'glass')
  expect(draft.passes.value[0]?.all_but).toEqual([])
  draft.turnZone('b', 'upper')
  expect(draft.passes.value[1]?.zones).toEqual(['lower'])
})

test('a draft that is left can be gone on with, its steps too', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a'), pass('b')))
  expect(draft.held()).toBeNull()
  draft.move('b', -1)
  const held = draft.held()
  draft.take(recipe(pass('c')))
  draft.take(recipe(pass('a'), pass('b')))
  if (held) draft.resume(held)
  expect(keys(draft)).toEqual(['b', 'a'])
  draft.back()
  expect(keys(draft)).toEqual(['a', 'b'])
  expect(draft.held()).toBeNull()
})
