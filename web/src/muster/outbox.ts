import Dexie, { liveQuery, type EntityTable } from 'dexie'
import { computed, ref } from 'vue'
import { Complaint } from '../api/client'
import type { Fact, Recorded } from './transport'

/** As many as the server takes at once. */
const MOST_AT_ONCE = 500
const LOCK = 'crisp-muster-outbox'
/** Where facts waited before they were kept in the database of the browser. */
const OLD_KEY = 'outbox'

/** A fact that the server has not said to have. `refused`: why it does not take it. */
export interface Waiting {
  number: number
  muster: number
  fact: Fact
  refused?: string[]
}

type Post = (muster: number, facts: Fact[]) => Promise<Recorded>

const database = new Dexie('crisp-muster') as Dexie & {
  outbox: EntityTable<Waiting, 'number'>
}
database.version(1).stores({ outbox: '++number, muster' })

/** Only one tab sends at a time; where the browser knows no locks, the server counts a fact that is
 *  sent twice once. */
async function alone(act: () => Promise<boolean>): Promise<boolean> {
  const locks = navigator.locks as LockManager | null | undefined
  if (!locks) return act()
  let sent = false
  await locks.request(LOCK, async () => {
    sent = await act()
  })
  return sent
}

async function takeOver() {
  const old = localStorage.getItem(OLD_KEY)
  if (old === null) return
  localStorage.removeItem(OLD_KEY)
  const rows = JSON.parse(old) as { muster: number; fact: Fact }[]
  await database.outbox.bulkAdd(rows.map(({ muster, fact }) => ({ muster, fact })))
}

/** Facts on their way: kept in the browser, shared by all its tabs, sent again until the server has
 *  them. One leaves only when it is stored there, or when its user has seen why it is not taken. */
export function useOutbox() {
  const kept = ref<Waiting[]>([])
  const waiting = computed(() => kept.value.filter((one) => !one.refused))
  const refused = computed(() => kept.value.filter((one) => one.refused))
  liveQuery(() => database.outbox.toArray()).subscribe((rows) => (kept.value = rows))

  async function put(muster: number, facts: Fact[]) {
    // What comes from the view is watched, and the browser's database takes plain values only.
    const plain = JSON.parse(JSON.stringify(facts)) as Fact[]
    await database.outbox.bulkAdd(plain.map((fact) => ({ muster, fact })))
  }

  /** Send what waits, muster by muster; what cannot be sent now goes on waiting. The first thing
   *  that went wrong is thrown on. Answers whether anything was stored. */
  async function send(post: Post): Promise<boolean> {
    await takeOver()
    return alone(async () => {
      const rows = await database.outbox.orderBy('number').toArray()
      let stored = false
      let trouble: Complaint | null = null
      for (const muster of new Set(rows.map((one) => one.muster))) {
        const mine = rows.filter((one) => one.muster === muster && !one.refused)
        try {
          for (let from = 0; from < mine.length; from += MOST_AT_ONCE) {
            const part = mine.slice(from, from + MOST_AT_ONCE)
            await settle(part, await post(muster, part.map((one) => one.fact))) // prettier-ignore
            stored = true
          }
        } catch (error) {
          if (!(error instanceof Complaint)) throw error
          trouble ??= error
        }
      }
      if (trouble) throw trouble
      return stored
    })
  }

  /** Let go of what is stored; write down why the rest was refused. */
  async function settle(sent: Waiting[], answer: Recorded) {
    const there = new Set(answer.stored)
    const why = new Map(answer.refused.map((one) => [one.id, one.complaints]))
    await database.transaction('rw', database.outbox, async () => {
      for (const one of sent) {
        if (there.has(one.fact.id)) await database.outbox.delete(one.number)
        else await database.outbox.update(one.number, { refused: why.get(one.fact.id) ?? [] })
      }
    })
  }

  /** Send refused facts once more, as they are. */
  async function again() {
    await database.outbox.toCollection().modify((one) => delete one.refused)
  }

  /** Let go of refused facts: their user has seen why. */
  async function letGo() {
    await database.outbox.bulkDelete(refused.value.map((one) => one.number))
  }

  return { waiting, refused, put, send, again, letGo }
}
