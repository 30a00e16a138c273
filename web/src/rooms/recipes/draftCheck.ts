import { ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
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
  }
}

/** What the layers of a draft say, asked for at each change; an answer overtaken is dropped. */
export function useDraftCheck(draft: () => Asked | null, more: () => unknown) {
  const found = ref<Schemas['DraftReport'] | null>(null)
  let times = 0

  watch(
    () => JSON.stringify([draft(), more()]),
    async () => {
      const [body, mine] = [draft(), ++times]
      if (!body) return
      const next = await told(client.POST('/api/draft-check', { body })).catch(() => null)
      if (mine === times && next) found.value = next
    },
    { immediate: true },
  )
  return found
}
