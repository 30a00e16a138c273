import { expect, test } from 'vitest'
import type { Schemas } from '../../api/client'
import { touches, useDraft, type Pass } from './draft'

const pass = (key: string, zones: string[] = []) => ({ key, name: key, zones }) as unknown as Pass
const recipe = (...passes: Pass[]) =>
  ({ name: 'r', material: 'resin', passes }) as unknown as Schemas['RecipeOut']['recipe']

test('each step of a draft can be taken back, down to what was kept', () => {
  const draft = useDraft()
  draft.take(recipe(pass('a'), pass('b')))
  draft.move(1, -1)
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

test('recesses and edges lie in every zone', () => {
  expect(touches(pass('a', ['edges']), 'upper')).toBe(true)
  expect(touches(pass('a', ['lower']), 'upper')).toBe(false)
  expect(touches(pass('a'), 'upper')).toBe(true)
})
