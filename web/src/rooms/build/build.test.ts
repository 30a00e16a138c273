import { effectScope, nextTick, reactive } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schemas } from '../../api/client'

const MOUTHS = [
  { joint: 'roof', way: 'apart', column: 2 },
  { joint: 'lamps', way: 'fix', column: 0 },
]

function view(name: string): Schemas['BuildView'] {
  return {
    mouths: MOUTHS.map((one) => ({ ...one, trouble: '', words: name })),
    streams: MOUTHS.map((one) => ({ part: one.joint, joint: one.joint, joins: one.column })),
    columns: [{ key: 'prime' }, { key: 'base' }, { key: 'wash' }],
  } as unknown as Schemas['BuildView']
}

/** What the server says now, and changes that it has not answered. */
const server = vi.hoisted(() => ({ says: null as unknown, answers: [] as (() => void)[] }))
const muster = reactive({
  view: { id: 1, version: 1, bench: { last_fact: 0 } },
  attempt: (ask: () => Promise<unknown>) => ask(),
  command: () => new Promise((done) => server.answers.push(() => done(true))),
})

vi.mock('../../muster', () => ({ useMuster: () => muster }))
vi.mock('../../api/client', () => ({
  told: (asked: Promise<unknown>) => asked,
  client: {
    GET: (path: string) =>
      Promise.resolve(
        path.endsWith('/build') ? [{ unit: 'truck', kit: 'Truck' }] : { view: server.says },
      ),
    POST: () => Promise.resolve({ data: { view: null } }),
  },
}))

const { useBuild } = await import('./build')
const settled = () => new Promise((done) => setTimeout(done))
const move = (joint: string, before: string) =>
  ({ do: 'set_joint', unit: 'truck', joint, way: 'apart', before }) as const

describe('Build, when the room is read anew', () => {
  const scope = effectScope()
  let build: ReturnType<typeof useBuild>
  const column = (joint: string) =>
    build.view.value?.mouths.find((one) => one.joint === joint)?.column

  beforeEach(async () => {
    server.says = view('first')
    server.answers = []
    build = scope.run(() => useBuild()) as typeof build
    await settled()
  })
  afterEach(() => vi.clearAllMocks())

  async function readAnew() {
    server.says = view('anew')
    muster.view = { ...muster.view, version: muster.view.version + 1 }
    await nextTick()
    await settled()
  }

  it('keeps what a hand holds in sight', async () => {
    void build.attempt(move('roof', 'base'))
    await readAnew()
    expect(column('roof')).toBe(1)
    build.leave()
    expect(column('roof')).toBe(2)
  })

  it('keeps a change in sight until it is answered, with the one before it', async () => {
    const first = build.change(move('roof', 'base'))
    const second = build.change(move('lamps', 'wash'))
    await settled()
    expect([column('roof'), column('lamps')]).toEqual([1, 2])
    server.answers.shift()?.()
    await first
    await readAnew()
    expect(column('lamps')).toBe(2)
    server.answers.shift()?.()
    await second
    await readAnew()
    expect(column('lamps')).toBe(0)
  })
})
