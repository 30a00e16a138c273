import { ref, watch, type Ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'

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
      const next = await told(
        client.GET('/api/musters/{muster_id}/plan/outlook', { params: { path } }),
      ).catch(() => null)
      if (plan() === now) found.value = next
    },
    { immediate: true },
  )
  return found
}
