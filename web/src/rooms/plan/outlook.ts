import { ref, watch, type Ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'

/** While another page works the same out it is asked for again, so often. */
const MOST_ASKED = 20
const AGAIN_MS = 1500

/** The outlook of the plan in view, asked for once it rests; none while it is another's. */
export function useOutlook(working: Ref<boolean>) {
  const muster = useMuster()
  const found = ref<Schemas['Outlook'] | null>(null)
  const plan = () => `${muster.view?.id} ${muster.view?.progress.made_for} ${working.value}`

  watch(
    plan,
    async (now) => {
      found.value = null
      const id = muster.view?.id
      if (id === undefined || working.value) return
      const path = { muster_id: id }
      let next: Schemas['Outlook'] | null = null
      for (let asked = 0; !next && asked < MOST_ASKED && plan() === now; asked += 1) {
        if (asked) await new Promise((on) => window.setTimeout(on, AGAIN_MS))
        next = await told(
          client.GET('/api/musters/{muster_id}/plan/outlook', { params: { path } }),
        ).catch(() => null)
      }
      if (plan() === now) found.value = next
    },
    { immediate: true },
  )
  return found
}
