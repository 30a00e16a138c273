import { ref, watch } from 'vue'
import { client, told } from '../../api/client'
import { useMuster } from '../../muster'
import { hours } from '../../words'

/** By reason of a call's card: how much sooner it starts without it, found by planning that. */
export function useProofs(call: () => string | undefined) {
  const muster = useMuster()
  const found = ref<(number | null)[]>([])
  const asked = () => `${muster.view?.id} ${muster.view?.progress.made_for} ${call()}`

  watch(
    asked,
    async (now) => {
      found.value = []
      const [id, name] = [muster.view?.id, call()]
      if (id === undefined || !name) return
      const params = { path: { muster_id: id }, query: { call: name } }
      const next = await told(client.GET('/api/musters/{muster_id}/plan/why', { params })).catch(
        () => [],
      )
      if (asked() === now) found.value = next
    },
    { immediate: true },
  )
  return found
}

/** What a proof adds to its reason. */
export function proofWords(sooner: number | null | undefined): string {
  if (sooner === null || sooner === undefined) return ''
  return sooner < 60 ? ' (does not hold it)' : ` (${lasting(sooner)} sooner without)`
}

function lasting(seconds: number): string {
  const days = Math.round(seconds / 86_400)
  return days > 1 ? `${days} days` : hours(seconds)
}
