import { ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import type { WhatIf } from './WhatIf.vue'

type Asked = Schemas['DraftIn']

export interface Draft {
  code: string
  kind: Asked['kind']
  subject: Asked['subject']
  scale: number | null
  passes: Schemas['Pass'][]
  zone: string
}

/** What the layers of a draft say, asked for at each change; an answer overtaken is dropped. */
export function useDraftCheck(draft: () => Draft | null, what: () => WhatIf, more: () => unknown) {
  const found = ref<Schemas['DraftReport'] | null>(null)
  let asked = 0

  watch(
    () => JSON.stringify([draft(), what(), more()]),
    async () => {
      const [now, tried, mine] = [draft(), what(), ++asked]
      if (!now) return
      const body = {
        ...now,
        celsius: tried.air.celsius ?? null,
        humidity: tried.air.humidity ?? null,
        weathering: tried.acrylic ? ('all-acrylic' as const) : ('solvent' as const),
        undercoat: tried.undercoat,
      }
      const next = await told(client.POST('/api/draft-check', { body })).catch(() => null)
      if (mine === asked && next) found.value = next
    },
    { immediate: true },
  )
  return found
}
