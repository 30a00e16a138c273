import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { client, Complaint, told, type Schemas, type View } from './api/client'
import { clockIn, dayIn } from './words'

type Command = Schemas['CommandIn']['command']
export type Fact = Schemas['Fact']

const OUTBOX = 'outbox'

interface Waiting {
  muster: number
  fact: Fact
}

function kept(): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(OUTBOX) ?? '[]') as Waiting[]
  } catch {
    return []
  }
}

/** The muster in view: one derived view from the server, commands and facts to it. */
export const useMuster = defineStore('muster', () => {
  const view = ref<View | null>(null)
  const complaints = ref<string[]>([])
  const busy = ref(false)
  /** The status of what failed last. */
  const failed = ref(0)
  const waiting = ref<Waiting[]>(kept())
  /** Server time minus ours, so that every device shows the same clock. */
  const ahead = ref(0)

  const zone = computed(() => view.value?.head.zone ?? 'UTC')
  const clock = computed(() => clockIn(zone.value))
  const day = computed(() => dayIn(zone.value))

  function take(next: View) {
    if (view.value && next.id === view.value.id && next.version < view.value.version) return
    view.value = next
    ahead.value = Date.parse(next.now) - Date.now()
  }

  async function attempt<T>(act: () => Promise<T>): Promise<T | null> {
    busy.value = true
    try {
      const result = await act()
      complaints.value = []
      return result
    } catch (error) {
      complaints.value = error instanceof Complaint ? error.complaints : [String(error)]
      failed.value = error instanceof Complaint ? error.status || 503 : 500
      if (error instanceof Complaint && error.status === 409 && view.value) {
        take(await fetchView(view.value.id))
      }
      return null
    } finally {
      busy.value = false
    }
  }

  function fetchView(id: number): Promise<View> {
    return told(client.GET('/api/musters/{muster_id}', { params: { path: { muster_id: id } } }))
  }

  async function load(id: number) {
    if (view.value?.id !== id) view.value = null
    failed.value = 0
    const found = await attempt(() => fetchView(id))
    if (found) take(found)
    await send()
  }

  /** Read the muster anew, quietly: where that fails, what is shown stays. */
  async function refresh() {
    const id = view.value?.id
    if (id === undefined || busy.value || waiting.value.length) return
    const found = await fetchView(id).catch(() => null)
    if (found && view.value?.id === id) take(found)
  }

  async function command(wanted: Command): Promise<boolean> {
    const now = view.value
    if (!now) return false
    const next = await attempt(() =>
      told(
        client.POST('/api/musters/{muster_id}/command', {
          params: { path: { muster_id: now.id } },
          body: { version: now.version, command: wanted },
        }),
      ),
    )
    if (next) take(next)
    return next !== null
  }

  async function undo() {
    const now = view.value
    if (!now) return
    const next = await attempt(() =>
      told(
        client.POST('/api/musters/{muster_id}/undo', {
          params: { path: { muster_id: now.id } },
          body: { version: now.version },
        }),
      ),
    )
    if (next) take(next)
  }

  /** Record facts: into the outbox first, then to the server, so that none is lost. */
  async function record(facts: Fact[]) {
    const id = view.value?.id
    if (id === undefined) return
    waiting.value.push(...facts.map((fact) => ({ muster: id, fact })))
    keep()
    await send()
  }

  const stamp = () => new Date(Date.now() + ahead.value).toISOString()

  /** Take facts back: each by a fact of its own. */
  function takeBack(facts: string[]) {
    return record(
      facts.map((of) => {
        const nothing = { unit: '', pass_keys: [], model: 0, tray: 0, start: null }
        return { id: crypto.randomUUID(), kind: 'take_back', at: stamp(), of, ...nothing }
      }),
    )
  }

  function keep() {
    localStorage.setItem(OUTBOX, JSON.stringify(waiting.value))
  }

  let sending = false

  async function send() {
    const id = view.value?.id
    if (sending || id === undefined) return
    const mine = waiting.value.filter((one) => one.muster === id)
    if (!mine.length) return
    sending = true
    const drop = () => {
      waiting.value = waiting.value.filter((one) => !mine.includes(one))
      keep()
    }
    try {
      const next = await told(
        client.POST('/api/musters/{muster_id}/facts', {
          params: { path: { muster_id: id } },
          body: { facts: mine.map((one) => one.fact) },
        }),
      )
      drop()
      complaints.value = []
      take(next)
    } catch (error) {
      if (!(error instanceof Complaint)) throw error
      complaints.value = error.complaints
      if (error.status >= 400 && error.status < 500) {
        drop()
        take(await fetchView(id))
      }
    } finally {
      sending = false
    }
    if (waiting.value.some((one) => one.muster === id) && !complaints.value.length) await send()
  }

  return {
    view, complaints, busy, failed, waiting, ahead, zone, clock, day,
    take, attempt, load, refresh, command, undo, record, takeBack, send, fetchView, stamp,
  } // prettier-ignore
})
