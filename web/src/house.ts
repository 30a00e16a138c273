import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { client, told, type Schemas } from './api/client'
import { useMuster } from './muster'

export type House = Schemas['House']
export type Air = Schemas['Air']

/** The user's house: habits, the room, rows of his own. A change is kept at once, and every plan
 *  follows. */
export const useHouse = defineStore('house', () => {
  const muster = useMuster()
  const found = ref<Schemas['HouseOut'] | null>(null)
  const house = computed(() => found.value?.house ?? null)
  const known = computed(() => found.value?.known ?? null)

  async function load() {
    const next = await muster.attempt(() => told(client.GET('/api/house')))
    if (next) found.value = next
  }

  async function took(act: () => Promise<Schemas['HouseOut']>): Promise<boolean> {
    const next = await muster.attempt(act)
    if (!next) {
      if (muster.failed === 409) {
        const said = muster.complaints
        await load()
        muster.complaints = said
      }
      return false
    }
    found.value = next
    if (muster.view) await muster.load(muster.view.id)
    return true
  }

  const seen = () => found.value?.version ?? 0

  /** Keep the house with some of it changed. */
  function change(some: Partial<House>, label: string) {
    const now = house.value
    if (!now) return Promise.resolve(false)
    const body = { seen: seen(), house: { ...now, ...some }, label }
    return took(() => told(client.POST('/api/house', { body })))
  }

  /** State the air of a day (none: usually); no air forgets that day. */
  function breathe(day: string | null, air: Air | null) {
    return took(() => told(client.POST('/api/house/air', { body: { seen: seen(), day, air } })))
  }

  function undo() {
    return took(() => told(client.POST('/api/house/undo', { body: { seen: seen() } })))
  }

  function setHabit(name: string, way: string, about: string) {
    const habits = { ...house.value?.habits, [name]: way } as House['habits']
    return change({ habits }, `${about}: ${way}`)
  }

  return { found, house, known, load, change, breathe, undo, setHabit }
})
