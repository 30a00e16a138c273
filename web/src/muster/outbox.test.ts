import 'fake-indexeddb/auto'
import { reactive } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { Complaint } from '../api/client'
import { useOutbox, type Waiting } from './outbox'
import type { Fact, Recorded } from './transport'

const fact = (id: string): Fact => ({
  id, kind: 'tick', at: '2027-03-02T19:00:00Z', unit: 'pikes', pass_keys: ['under'], model: 1,
  tray: 1, start: null, of: null,
}) // prettier-ignore
const all = (_: number, facts: Fact[]): Promise<Recorded> =>
  Promise.resolve({ stored: facts.map((one) => one.id), refused: [] })
const ids = (rows: Waiting[]) => rows.map((one) => one.fact.id)
const shown = (rows: { value: Waiting[] }, wanted: string[]) =>
  vi.waitFor(() => expect(ids(rows.value)).toEqual(wanted))

let box: ReturnType<typeof useOutbox>

beforeEach(async () => {
  localStorage.clear()
  box = useOutbox()
  await box.put(7, [fact('a'), fact('b')])
})

afterEach(async () => {
  await box.send(all).catch(() => false)
  await box.again()
  await box.send(all)
  await shown(box.waiting, [])
})

it('keeps a fact whose values are watched, as they come from the view', async () => {
  const watched = reactive({ ...fact('c'), pass_keys: ['under'] })
  await box.put(7, [watched])
  await shown(box.waiting, ['a', 'b', 'c'])
})

it('lets go of a fact when the server has it', async () => {
  const post = vi.fn(all)
  expect(await box.send(post)).toBe(true)
  await shown(box.waiting, [])
  expect(post).toHaveBeenCalledOnce()
  expect(await box.send(post)).toBe(false)
})

it.each([0, 401, 403, 404, 409, 422, 429, 500, 503])(
  'keeps every fact where sending fails with %i, and says so',
  async (status) => {
    const post = () => Promise.reject(new Complaint(status, ['no']))
    await expect(box.send(post)).rejects.toThrow('no')
    await shown(box.waiting, ['a', 'b'])
    expect(box.refused.value).toEqual([])
  },
)

it('keeps a bad fact with its reason among good ones, until its user decides', async () => {
  const reason = { id: 'a', complaints: ['pikes has no model 99'] }
  await box.send(() => Promise.resolve({ stored: ['b'], refused: [reason] }))
  await shown(box.waiting, [])
  await shown(box.refused, ['a'])
  expect(box.refused.value[0]?.refused).toEqual(['pikes has no model 99'])
  const post = vi.fn(all)
  expect(await box.send(post)).toBe(false)
  expect(post).not.toHaveBeenCalled()
  await box.again()
  expect(await box.send(post)).toBe(true)
  await shown(box.refused, [])
})

it('lets go of refused facts when told to, and of no other', async () => {
  await box.send(() =>
    Promise.resolve({ stored: [], refused: [{ id: 'a', complaints: ['no'] }, { id: 'b', complaints: ['no'] }] }),
  ) // prettier-ignore
  await shown(box.refused, ['a', 'b'])
  await box.put(7, [fact('c')])
  await box.letGo()
  await shown(box.refused, [])
  await shown(box.waiting, ['c'])
})

it('shows in one tab what another put there, and sends it once', async () => {
  const other = useOutbox()
  await shown(other.waiting, ['a', 'b'])
  const sent: string[] = []
  const post = async (muster: number, facts: Fact[]) => {
    sent.push(...facts.map((one) => one.id))
    return all(muster, facts)
  }
  await box.send(post)
  await other.send(post)
  expect(sent).toEqual(['a', 'b'])
  await shown(other.waiting, [])
})

it('sends more than the server takes at once in parts, in their order', async () => {
  await box.put(
    7,
    Array.from({ length: 700 }, (_, n) => fact(`more-${n}`)),
  )
  const sizes: number[] = []
  await box.send((muster, facts) => {
    sizes.push(facts.length)
    return all(muster, facts)
  })
  expect(sizes).toEqual([500, 202])
})

it('sends the facts of one muster where those of another cannot be sent', async () => {
  await box.put(8, [fact('c')])
  const post = (muster: number, facts: Fact[]) =>
    muster === 7 ? Promise.reject(new Complaint(404, ['gone'])) : all(muster, facts)
  await expect(box.send(post)).rejects.toThrow('gone')
  await shown(box.waiting, ['a', 'b'])
})

it('takes over what waited where facts were kept before', async () => {
  localStorage.setItem('outbox', JSON.stringify([{ muster: 7, fact: fact('old') }]))
  const post = vi.fn(all)
  await box.send(post)
  expect(post.mock.calls[0]?.[1].map((one) => one.id)).toContain('old')
  expect(localStorage.getItem('outbox')).toBeNull()
})
