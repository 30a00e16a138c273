import { ref } from 'vue'
import { Complaint } from '../api/client'
import type { Fact } from './transport'

const KEY = 'outbox'

interface Waiting {
  muster: number
  fact: Fact
}

function kept(): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Waiting[]
  } catch {
    return []
  }
}

/** Facts that are not acknowledged yet: kept over a reload, sent again until they are. */
export function useOutbox() {
  const waiting = ref<Waiting[]>(kept())
  let sending = false

  function write(next: Waiting[]) {
    waiting.value = next
    localStorage.setItem(KEY, JSON.stringify(next))
  }

  function put(muster: number, facts: Fact[]) {
    write([...waiting.value, ...facts.map((fact) => ({ muster, fact }))])
  }

  /** Send what waits for a muster. Facts that are refused are let go of, since they never will be
   *  taken; the refusal is thrown on. Where nobody answers, they wait. */
  async function send(muster: number, post: (facts: Fact[]) => Promise<void>): Promise<void> {
    const mine = waiting.value.filter((one) => one.muster === muster)
    if (sending || !mine.length) return
    sending = true
    const drop = () => write(waiting.value.filter((one) => !mine.includes(one)))
    try {
      await post(mine.map((one) => one.fact))
      drop()
    } catch (error) {
      if (error instanceof Complaint && error.status >= 400 && error.status < 500) drop()
      throw error
    } finally {
      sending = false
    }
    await send(muster, post)
  }

  return { waiting, put, send }
}
