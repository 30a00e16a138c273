import { createSharedComposable } from '@vueuse/core'
import { shallowRef } from 'vue'
import { client, told, type Schemas } from './api/client'

/** The outlines of zones by kind of subject, read once. */
export const useSchematics = createSharedComposable(() => {
  const found = shallowRef<Schemas['Schematics'] | null>(null)
  told(client.GET('/api/schematics'))
    .then((known) => (found.value = known))
    .catch(() => undefined)
  return found
})
