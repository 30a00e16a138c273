import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { Complaint, type View } from './api/client'
import { useErrors } from './muster/errors'
import { useOutbox } from './muster/outbox'
import { useServerClock } from './muster/serverClock'
import { transport, type Command, type Fact } from './muster/transport'

export type { Fact }

/** The muster in view: one derived view from the server, commands and facts to it. */
export const useMuster = defineStore('muster', () => {
  const view = shallowRef<View | null>(null)
  const { ahead, zone, clock, time, day, said, follow, stamp } = useServerClock(view)
  const { waiting, refused, put, send: sendWaiting, again, letGo } = useOutbox()
  const { complaints, busy, failed, attempt } = useErrors(async () => {
    if (view.value) take(await transport.view(view.value.id))
  })

  function take(next: View) {
    if (view.value && next.id === view.value.id && next.version < view.value.version) return
    view.value = next
    follow(next.now)
  }

  async function load(id: number) {
    if (view.value?.id !== id) view.value = null
    failed.value = 0
    const found = await attempt(() => transport.view(id))
    if (found) take(found)
    await send()
  }

  /** Read the muster anew, quietly: where that fails, what is shown stays. */
  async function refresh() {
    const id = view.value?.id
    if (id === undefined || busy.value || waiting.value.length) return
    const found = await transport.view(id).catch(() => null)
    if (found && view.value?.id === id) take(found)
  }

  async function command(wanted: Command): Promise<boolean> {
    const now = view.value
    if (!now) return false
    const next = await attempt(() => transport.command(now.id, now.version, wanted))
    if (next) take(next)
    return next !== null
  }

  async function undo() {
    const now = view.value
    if (!now) return
    const next = await attempt(() => transport.undo(now.id, now.version))
    if (next) take(next)
  }

  /** Record facts: into the outbox first, then to the server, so that none is lost. */
  async function record(facts: Fact[]) {
    if (view.value === null) return
    await put(view.value.id, facts)
    await send()
  }

  /** Try once more what the server refused. */
  async function sendAgain() {
    await again()
    await send()
  }

  /** Take facts back: each by a fact of its own. */
  function takeBack(facts: string[]) {
    return record(
      facts.map((of) => {
        const nothing = { unit: '', pass_keys: [], model: 0, tray: 0, start: null }
        return { id: crypto.randomUUID(), kind: 'take_back', at: stamp(), of, ...nothing }
      }),
    )
  }

  /** Send what waits; then the mended view follows, once for all that was stored. */
  async function send() {
    try {
      if (!(await sendWaiting(transport.facts))) return
      complaints.value = []
      await follows()
    } catch (error) {
      if (!(error instanceof Complaint)) throw error
      // Nothing is lost where the server is away or wants to know who asks: it is said to wait.
      if (error.status === 401) failed.value = 401
      else if (error.status >= 400 && error.status < 500) complaints.value = error.complaints
    }
  }

  let reading = false
  let stale = false

  /** Read the view after facts; while it is read, more facts make for one more reading only. */
  async function follows() {
    stale = true
    if (reading) return
    reading = true
    try {
      while (stale && view.value) {
        stale = false
        const { id } = view.value
        const found = await transport.view(id)
        if (view.value?.id === id) take(found)
      }
    } finally {
      reading = false
    }
  }

  return {
    view, complaints, busy, failed, waiting, refused, letGo, sendAgain, ahead, zone, clock, time, said,
    day,    take, attempt, load, refresh, command, undo, record, takeBack, send, stamp,
  } // prettier-ignore
})
