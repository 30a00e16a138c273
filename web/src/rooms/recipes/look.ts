import { ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'

export interface Room {
  celsius: number
  humidity: number
  acrylic: boolean
}

type Asked = Schemas['LookIn']

export interface Draft {
  kind: Asked['kind']
  material?: Asked['material']
  passes: Schemas['Pass'][]
}

/** What the layers of a draft say, asked for at each change; an answer overtaken is dropped. */
export function useLook(draft: () => Draft | null, room: () => Room) {
  const found = ref<Schemas['LookOut'] | null>(null)
  let asked = 0

  watch(
    () => JSON.stringify([draft(), room()]),
    async () => {
      const [now, air, mine] = [draft(), room(), ++asked]
      if (!now) return
      const body = {
        ...now,
        material: now.material ?? ('polystyrene' as const),
        celsius: air.celsius,
        humidity: air.humidity,
        weathering: air.acrylic ? ('all-acrylic' as const) : ('solvent' as const),
      }
      const next = await told(client.POST('/api/look', { body })).catch(() => null)
      if (mine === asked && next) found.value = next
    },
    { immediate: true },
  )
  return found
}
