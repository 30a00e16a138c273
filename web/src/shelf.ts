import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { client, told, type Schemas } from './api/client'
import { useMuster } from './muster'

export type Paint = Schemas['PaintOut']
export type Mix = Schemas['OwnMix']
export type Pot = Schemas['PotOut']
export interface Drop {
  paint: number
  name: string
  drops: number
}

/** The shelf and the pots. */
export const useShelf = defineStore('shelf', () => {
  const muster = useMuster()
  const paints = ref<Paint[] | null>(null)
  const pots = ref<Pot[]>([])
  const off = ref<Paint | null>(null)
  const colours = computed(() => (paints.value ?? []).filter((one) => !one.clear))

  async function took(act: () => Promise<Paint[]>): Promise<boolean> {
    const next = await muster.attempt(act)
    if (next) paints.value = next
    return next !== null
  }

  async function load() {
    await took(() => told(client.GET('/api/shelf')))
    const found = await muster.attempt(() => told(client.GET('/api/pots')))
    if (found) pots.value = found
  }

  const id = (paint_id: number) => ({ params: { path: { paint_id } } })

  const type = (line: string) =>
    took(() => told(client.POST('/api/shelf/typed', { body: { line } })))
  const swatches = (lines: string) =>
    took(() => told(client.POST('/api/shelf/swatches', { body: { lines } })))
  const weighings = (lines: string) =>
    took(() => told(client.POST('/api/shelf/weighings', { body: { lines } })))
  const change = (one: number, paint: Paint['paint']) =>
    took(() => told(client.POST('/api/shelf/{paint_id}', { ...id(one), body: { paint } })))
  const weigh = (one: number, grams: number | null) =>
    took(() => told(client.POST('/api/shelf/{paint_id}/weigh', { ...id(one), body: { grams } })))
  const bought = (one: number, ml: number) =>
    took(() => told(client.POST('/api/shelf/{paint_id}/bought', { ...id(one), body: { ml } })))
  const read = (one: number, body: Schemas['ReadIn']) =>
    took(() => told(client.POST('/api/shelf/{paint_id}/read', { ...id(one), body })))
  const forget = (fact_id: number) =>
    took(() =>
      told(client.POST('/api/shelf/facts/{fact_id}/take-back', { params: { path: { fact_id } } })),
    )

  const unlearn = (one: number) =>
    took(() => told(client.POST('/api/shelf/{paint_id}/forget', id(one))))

  async function takeOff(one: Paint) {
    const done = await took(() => told(client.POST('/api/shelf/{paint_id}/gone', id(one.id))))
    if (done) off.value = one
  }

  async function putBack() {
    const one = off.value
    if (!one) return
    const params = { path: { paint_id: one.id }, query: { back: true } }
    if (await took(() => told(client.POST('/api/shelf/{paint_id}/gone', { params }))))
      off.value = null
  }

  async function pot(act: () => Promise<Pot[]>): Promise<boolean> {
    const next = await muster.attempt(act)
    if (next) pots.value = next
    return next !== null
  }

  return {
    paints, pots, off, colours, load, took, type, swatches, weighings, change, weigh, bought, read, forget, unlearn, takeOff,
    putBack, pot,
  } // prettier-ignore
})
