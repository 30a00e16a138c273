import { createSharedComposable } from '@vueuse/core'
import { shallowRef } from 'vue'
import { client, told, type Schemas } from './api/client'

const NONE: Schemas['Vocabulary'] = {
  kinds: [],
  tiers: [],
  thinners: [],
  main_zones: {},
  paint_kinds: {},
  paint_groups: [],
  references: [],
  pass_fields: [],
  spraying: {
    fogs_above_percent: 100,
    fogs_below_celsius: 0,
    care_above_percent: 100,
    care_below_celsius: 0,
    care_above_celsius: 100,
  },
}

/** The words and limits of the job, read once; empty until they are there. */
export const useVocabulary = createSharedComposable(() => {
  const found = shallowRef(NONE)
  told(client.GET('/api/vocabulary'))
    .then((known) => (found.value = known))
    .catch(() => undefined)
  return found
})
