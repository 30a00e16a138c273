import { ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'

/** So many rows show at once what would place them; the others at a press. */
const MOST_ASKED = 2

export const keyOf = (row: Schemas['LeftRow']) => row.calls[0] ?? row.title

/** By row: what would place it, the cheapest first; null while that is planned. */
export function useWays(rows: () => Schemas['LeftRow'][]) {
  const muster = useMuster()
  const ways = ref(new Map<string, Schemas['LeftRemedy'][] | null>())

  async function ask(row: Schemas['LeftRow']) {
    const id = muster.view?.id
    const call = row.calls[0]
    if (id === undefined || !call || ways.value.has(call)) return
    ways.value.set(call, null)
    const path = { muster_id: id }
    const found = await told(
      client.GET('/api/musters/{muster_id}/plan/left', { params: { path, query: { call } } }),
    ).catch(() => [])
    ways.value.set(call, found)
  }

  watch(
    () => `${muster.view?.progress.made_for} ${rows().map(keyOf).join()}`,
    () => {
      ways.value = new Map()
      rows()
        .slice(0, MOST_ASKED)
        .forEach((row) => void ask(row))
    },
    { immediate: true },
  )
  return { ways, ask }
}
