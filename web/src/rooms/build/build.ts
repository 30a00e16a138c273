import { computed, ref, watch } from 'vue'
import { useDebounceFn } from '@vueuse/core'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { shifted } from './moves'

export type Way = Schemas['WayRow']['way']
export type Change = Schemas['BuildChange']['command']
export const WAY_WORDS: Record<Way, string> = {
  fix: 'fix first',
  mask: 'fix and mask',
  apart: 'paint apart',
  lift: 'lift off as one',
}
/** As it stands at the mouth of a stream. */
export const MOUTH_WORDS: Record<Way, string> = {
  fix: 'first',
  mask: 'masked',
  apart: 'apart',
  lift: 'lift off as one',
}

/** A muster's units as they are built: the one in view, a change that is tried, and what is kept. */
export function useBuild() {
  const muster = useMuster()
  const rows = ref<Schemas['BuildRow'][] | null>(null)
  const unit = ref<string | null>(null)
  const kept = ref<Schemas['BuildView'] | null>(null)
  const tried = ref<Schemas['BuildView'] | null>(null)
  const joint = ref<string | null>(null)
  const planned = ref<Schemas['WayPlan'][] | null>(null)
  const apart = ref<Schemas['ApartPlan'] | null>(null)
  const refused = ref<string[]>([])
  const read = ref(false)
  const id = computed(() => muster.view?.id)
  const view = computed(() => tried.value ?? kept.value)
  const mouth = computed(() => view.value?.mouths.find((one) => one.joint === joint.value) ?? null)
  const path = () => ({ path: { muster_id: id.value ?? 0, unit: unit.value ?? '' } })

  async function load() {
    if (id.value === undefined) return
    const params = { path: { muster_id: id.value } }
    const found = await muster.attempt(() =>
      told(client.GET('/api/musters/{muster_id}/build', { params })),
    )
    if (!found) return
    rows.value = found
    const known = found.some((one) => one.unit === unit.value)
    if (!known) unit.value = (found.find((one) => one.kit) ?? found[0])?.unit ?? null
    await look()
  }

  async function look() {
    if (!unit.value) return void (kept.value = null)
    if (id.value === undefined) return
    const asked = unit.value
    const found = await muster.attempt(() =>
      told(client.GET('/api/musters/{muster_id}/build/{unit}', { params: path() })),
    )
    if (!found || asked !== unit.value) return
    kept.value = found.view ?? null
    if (held) void attempt(held)
    else if (!waiting) tried.value = null
    read.value = true
    if (!mouth.value) joint.value = first(kept.value)
  }

  /** The joint to look at first: one with trouble, else one that is not fixed first. */
  function first(found: Schemas['BuildView'] | null) {
    const all = found?.mouths ?? []
    return (
      all.find((one) => one.trouble) ??
      all.find((one) => one.way === 'lift') ??
      all.find((one) => one.column > 0) ??
      all[0]
    )?.joint ?? null // prettier-ignore
  }

  let asking = 0
  let planning = new AbortController()

  /** Nothing waits behind plans that nobody needs any more. */
  function stopPlanning() {
    planning.abort()
    planning = new AbortController()
  }

  /** The order at once, its minutes when the server has said them. */
  function show(command: Change) {
    stopPlanning()
    const now = (waiting ? tried.value : null) ?? kept.value
    if (now && command.do === 'set_joint' && command.way && command.before)
      tried.value = shifted(now, command.joint, command.way, command.before)
  }

  /** What a hand holds and has not let go: still in sight when something else has changed. */
  let held: Change | null = null

  /** Build as it would be; what is in force stays. */
  async function attempt(command: Change) {
    const mine = ++asking
    held = command
    show(command)
    const found = await client
      .POST('/api/musters/{muster_id}/build/{unit}/try', { params: path(), body: { command } })
      .catch(() => null)
    if (mine === asking && found?.data?.view) tried.value = found.data.view
  }

  function leave() {
    asking++
    held = null
    tried.value = null
  }

  let before: Promise<unknown> = Promise.resolve()
  /** Changes that the server has not answered yet: what they will be stays in sight. */
  let waiting = 0
  /** One change after the other, however fast they are pressed: each sees what came before it. */
  function change(command: Change): Promise<boolean> {
    asking++
    held = null
    show(command)
    waiting++
    const made = before.then(() => muster.command(command))
    before = made
    return made.then((done) => {
      waiting--
      if (!done) tried.value = null
      return done
    })
  }

  /** What was pressed last is taken back, also while it is not answered yet. */
  function undo() {
    before = before.then(() => muster.undo())
  }

  async function plan() {
    planned.value = null
    const asked = joint.value
    if (!asked || !kept.value) return
    const params = { ...path(), query: { joint: asked } }
    const found = await client
      .GET('/api/musters/{muster_id}/build/{unit}/ways', { params, signal: planning.signal })
      .catch(() => null)
    if (found?.data && joint.value === asked) planned.value = found.data
  }

  async function compare() {
    apart.value = null
    const asked = unit.value
    if (!asked || !kept.value) return
    const found = await client
      .GET('/api/musters/{muster_id}/build/{unit}/apart', {
        params: path(),
        signal: planning.signal,
      })
      .catch(() => null)
    if (found?.data && unit.value === asked) apart.value = found.data
  }

  const pick = (chosen: string | null | undefined) => (joint.value = chosen ?? null)

  const planSoon = useDebounceFn(plan, 700)
  const compareSoon = useDebounceFn(compare, 1500)
  watch(
    () => [id.value, muster.view?.version, muster.view?.bench.last_fact],
    () => void load(),
    { immediate: true },
  )
  watch(unit, () => {
    joint.value = null
    held = null
    read.value = false
    void look()
  })
  watch([joint, kept], () => void planSoon())
  watch(kept, () => void compareSoon())

  return {
    rows, unit, kept, view, joint, mouth, planned, apart, tried, refused, read, id,
    load, attempt, leave, change, undo, pick,
  } // prettier-ignore
}

export type BuildState = ReturnType<typeof useBuild>
