import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { useShelf, type Drop, type Mix } from '../../shelf'

/** Of one paint in a pot. */
export const MOST_DROPS = 99

/** The mixing bench: a target, what matches it, the drops in hand, and what they dry to. */
export function useMixing() {
  const muster = useMuster()
  const shelf = useShelf()
  const target = ref('#6b7a3a')
  const most = ref(3)
  const inStock = ref(true)
  const kinds = ref(['plain'])
  const found = ref<Mix[]>([])
  const drops = ref<Drop[]>([])
  const varnish = ref(0)
  const predicted = ref<Schemas['PredictOut'] | null>(null)
  const additions = ref<Mix[]>([])
  let asked = 0

  const total = computed(() => drops.value.reduce((sum, one) => sum + one.drops, 0))

  async function match() {
    const body = {
      target: target.value,
      paints: most.value,
      drops: 12,
      in_stock: inStock.value,
      kinds: kinds.value,
    }
    const next = await muster.attempt(() => told(client.POST('/api/mix', { body })))
    if (!next) return
    found.value = next
    const best = next[0]
    if (best) take(best)
  }

  function take(mix: Mix) {
    drops.value = mix.drops.map((one) => ({ ...one }))
    additions.value = []
  }

  /** So many drops of a paint; none takes it out. */
  function count(paint: number, many: number) {
    const held = Math.min(MOST_DROPS, many)
    drops.value =
      held < 1
        ? drops.value.filter((one) => one.paint !== paint)
        : drops.value.map((one) => (one.paint === paint ? { ...one, drops: held } : one))
    additions.value = []
  }

  function step(paint: number, by: number) {
    const one = drops.value.find((each) => each.paint === paint)
    if (one) count(paint, one.drops + by)
  }

  function put(paint: number) {
    const one = shelf.colours.find((each) => each.id === paint)
    if (!one) return
    if (drops.value.some((each) => each.paint === paint)) return step(paint, 1)
    drops.value.push({ paint, name: one.called ?? one.paint.name, drops: 1 })
    additions.value = []
  }

  async function reach() {
    const pot = drops.value.map(({ paint, drops: many }) => ({ paint, drops: many }))
    const body = { pot, target: target.value, extra: 12 }
    const next = await muster.attempt(() => told(client.POST('/api/mix/reach', { body })))
    if (next) additions.value = next
  }

  function pour(mix: Mix) {
    for (const one of mix.drops) {
      const held = drops.value.find((each) => each.paint === one.paint)
      if (held) held.drops += one.drops
      else drops.value.push({ ...one })
    }
    additions.value = []
  }

  watch(
    () => JSON.stringify([drops.value, target.value, varnish.value]),
    async () => {
      const mine = ++asked
      if (!drops.value.length) {
        predicted.value = null
        return
      }
      const body = {
        drops: drops.value.map(({ paint, drops: many }) => ({ paint, drops: many })),
        target: target.value,
        varnish: varnish.value,
      }
      const next = await told(client.POST('/api/predict', { body })).catch(() => null)
      if (mine === asked && next) predicted.value = next
    },
  )

  return {
    target, most, inStock, kinds, found, drops, varnish, predicted, additions, total,
    match, take, count, step, put, reach, pour,
  } // prettier-ignore
}

export type Mixing = ReturnType<typeof useMixing>

/** A mix in words: 3 Ochre + 1 Tarn black. */
export const saidOf = (mix: Pick<Mix, 'drops'>) =>
  mix.drops.map((one) => `${one.drops} ${one.name}`).join(' + ')

/** '6b7a3a', '#6B7A3A' or '#abc' as '#6b7a3a'; null: no colour. */
export function readHex(text: string): string | null {
  const plain = text.trim().toLowerCase().replace(/^#/, '')
  if (/^[0-9a-f]{6}$/.test(plain)) return `#${plain}`
  if (/^[0-9a-f]{3}$/.test(plain)) return `#${[...plain].map((one) => one + one).join('')}`
  return null
}
