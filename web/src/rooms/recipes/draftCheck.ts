import { ref, watch } from 'vue'
import { client, Complaint, told, type Schemas } from '../../api/client'
import type { WhatIf } from './WhatIf.vue'

export type Asked = Schemas['DraftIn']
type Given = Pick<Asked, 'code' | 'kind' | 'subject' | 'scale' | 'passes' | 'zone'>

/** A draft as it is asked about, in the room and by the habits that are tried on it. */
export function asked(draft: Given, tried: WhatIf): Asked {
  return {
    ...draft,
    celsius: tried.air.celsius ?? null,
    humidity: tried.air.humidity ?? null,
    weathering: tried.acrylic ? 'all-acrylic' : 'solvent',
    undercoat: tried.undercoat,
    mend: true,
  }
}

/** Passes from which on what goes wrong is asked for first, and then what mends it. */
const LONG = 24

/** What the layers of a draft say, asked for at each change; an answer overtaken is dropped.
 *  `mending`: what mends it is still being looked for; `wrong`: why its layers cannot be looked at. */
export function useDraftCheck(draft: () => Asked | null, more: () => unknown) {
  const found = ref<Schemas['DraftReport'] | null>(null)
  const mending = ref(false)
  const wrong = ref<string[]>([])
  let times = 0

  watch(
    () => JSON.stringify([draft(), more()]),
    async () => {
      const [body, mine] = [draft(), ++times]
      if (!body) return
      const ask = async (mend: boolean) => {
        const asked = client.POST('/api/draft-check', { body: { ...body, mend } })
        try {
          const next = await told(asked)
          if (mine !== times) return
          found.value = next
          wrong.value = []
        } catch (error) {
          if (mine === times && error instanceof Complaint) wrong.value = error.complaints
        }
      }
      mending.value = body.passes.length > LONG
      if (mending.value) await ask(false)
      if (mine === times) await ask(true)
      if (mine === times) mending.value = false
    },
    { immediate: true },
  )
  return { look: found, mending, wrong }
}
