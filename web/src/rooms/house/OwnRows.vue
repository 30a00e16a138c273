<script setup lang="ts">
import { useVocabulary } from '../../vocabulary'
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { useHouse } from '../../house'

type Own = Schemas['Own']
type Table = 'media' | 'techniques' | 'zones' | 'materials' | 'adhesives'
interface Row {
  name: string
  [key: string]: unknown
}

const house = useHouse()
const own = computed(() => house.house?.own)
const known = computed(() => house.known)
const vocabulary = useVocabulary()

const medium = ref({ name: '', like: 'acrylic', touch: '', recoat: '', cured: '' })
const other = ref({
  table: 'techniques' as Table,
  name: '',
  like: '',
  minutes: '',
  kind: 'vehicle',
})

const likes = computed(() => {
  const now = known.value
  if (!now) return []
  if (other.value.table === 'techniques') return Object.keys(now.techniques)
  if (other.value.table === 'zones') return now.zones[other.value.kind] ?? []
  return now.materials
})
const WORDS: Record<string, string> = {
  techniques: 'technique',
  zones: 'zone',
  materials: 'material',
  adhesives: 'glue',
}
const LIKE: Record<string, string> = {
  techniques: 'like',
  zones: 'beside',
  materials: 'like',
  adhesives: 'holds',
}
const of = (table: Table) => (own.value?.[table] ?? []) as Row[]
const rows = computed(() => [
  ...of('media').map((row) => ({ table: 'media' as Table, row, said: 'paint' })),
  ...(['techniques', 'zones', 'materials', 'adhesives'] as Table[]).flatMap((table) =>
    of(table).map((row) => ({ table, row, said: WORDS[table] ?? '' })),
  ),
])

const number = (text: string) => (text === '' ? null : Number(text))

async function put(table: Table, row: Row) {
  const now = own.value
  if (!now) return false
  const kept = of(table).filter((one) => one.name !== row.name)
  return house.change(
    { own: { ...now, [table]: [...kept, row] } as Own },
    `${row.name} as your own`,
  )
}

async function addMedium() {
  const { name, like, touch, recoat, cured } = medium.value
  const times = { touch_min: number(touch), recoat_min: number(recoat), cured_min: number(cured) }
  if (await put('media', { name: name.trim(), like, ...times }))
    medium.value = { name: '', like, touch: '', recoat: '', cured: '' }
}

async function addOther() {
  const { table, name, like, minutes, kind } = other.value
  const made: Record<Table, Row> = {
    techniques: { name, like, minutes: number(minutes), cover: null },
    zones: { kind, name, beside: like ? [like] : [] },
    materials: { name, like },
    adhesives: { name, holds: [like], handle_min: number(minutes) },
    media: { name },
  }
  if (await put(table, made[table])) other.value = { ...other.value, name: '', minutes: '' }
}

function remove(table: Table, name: string) {
  const now = own.value
  if (!now) return
  const kept = of(table).filter((one) => one.name !== name)
  void house.change({ own: { ...now, [table]: kept } as Own }, `${name} taken out`)
}

function said(row: object): string {
  return Object.entries(row)
    .filter(([key, value]) => key !== 'name' && value !== null && String(value) !== '')
    .map(
      ([key, value]) =>
        `${key.replace('_min', '')} ${Array.isArray(value) ? value.join(', ') : value}${key.endsWith('_min') ? ' min' : ''}`,
    )
    .join(' · ')
}

function usual(name: string): string {
  const row = known.value?.media.find((one) => one.name === name)
  return row ? `${row.touch}, ${row.recoat}, ${row.cured ?? 'never'} min` : ''
}
</script>

<template>
  <section aria-labelledby="own" class="border-t border-rule py-3">
    <h2 id="own">Rows of your own</h2>
    <p class="text-14 text-soft">
      Our figures are common practice, for a thin coat at 20 °C and 50 %. A row of your own goes
      before ours of the same name; taken out, ours is back. The product's label comes first.
    </p>
    <ul v-if="rows.length" class="my-2">
      <li
        v-for="{ table, row, said: what } in rows"
        :key="table + row.name"
        class="flex min-h-11 items-center gap-4 border-b border-rule"
      >
        <span class="flex-1"
          ><b>{{ row.name }}</b>
          <span class="fig text-14 text-soft">{{ what }}, {{ said(row) }}</span></span
        >
        <button class="link" :aria-label="`Take ${row.name} out`" @click="remove(table, row.name)">
          Take out
        </button>
      </li>
    </ul>
    <form class="my-2 flex flex-wrap items-end gap-3" @submit.prevent="addMedium">
      <label class="grid gap-1 text-14"
        >A paint of yours <input v-model="medium.name" required maxlength="60" class="field w-44"
      /></label>
      <label class="grid gap-1 text-14"
        >is like
        <select v-model="medium.like" class="field">
          <option v-for="one in known?.media.filter((row) => !row.own)" :key="one.name">
            {{ one.name }}
          </option>
        </select></label
      >
      <label
        v-for="key in ['touch', 'recoat', 'cured'] as const"
        :key="key"
        class="grid gap-1 text-14"
        >{{ key === 'touch' ? 'dry to touch' : key }}, min
        <input
          v-model="medium[key]"
          type="number"
          min="0"
          step="any"
          class="field w-24"
          placeholder="as it"
      /></label>
      <button class="btn">Keep it</button>
      <span class="fig pb-3 text-14 text-soft">usually {{ usual(medium.like) }}</span>
    </form>
    <form class="my-2 flex flex-wrap items-end gap-3" @submit.prevent="addOther">
      <label class="grid gap-1 text-14"
        >Or another
        <select v-model="other.table" class="field" @change="other.like = ''">
          <option v-for="(word, table) in WORDS" :key="table" :value="table">{{ word }}</option>
        </select></label
      >
      <label v-if="other.table === 'zones'" class="grid gap-1 text-14"
        >on a
        <select v-model="other.kind" class="field">
          <option v-for="kind in vocabulary.kinds" :key="kind">{{ kind }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >called <input v-model="other.name" required maxlength="60" class="field w-44"
      /></label>
      <label class="grid gap-1 text-14"
        >{{ LIKE[other.table] }}
        <select v-model="other.like" required class="field">
          <option v-for="one in likes" :key="one">{{ one }}</option>
        </select></label
      >
      <label v-if="other.table === 'techniques'" class="grid gap-1 text-14"
        >minutes a model
        <input v-model="other.minutes" type="number" min="0.1" step="any" class="field w-24"
      /></label>
      <label v-if="other.table === 'adhesives'" class="grid gap-1 text-14"
        >handled after, min
        <input
          v-model="other.minutes"
          type="number"
          min="0"
          step="any"
          class="field w-32"
          placeholder="as usual"
      /></label>
      <button class="btn">Keep it</button>
    </form>
  </section>
</template>
