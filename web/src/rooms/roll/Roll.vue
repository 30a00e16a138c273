<script setup lang="ts">
import { useVocabulary } from '../../vocabulary'
import { nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { client, told, type Schemas, type UnitRow } from '../../api/client'
import ActButton from '../../parts/ActButton.vue'
import RosterLines from '../../parts/RosterLines.vue'
import PipStrip from '../../parts/PipStrip.vue'
import { useKeys } from '../../keys'
import { useMuster } from '../../muster'
import { hours } from '../../words'
import Orders from './Orders.vue'

const vocabulary = useVocabulary()

const muster = useMuster()
const line = ref('')
const several = ref(false)
const kind = ref<Schemas['AddUnit']['kind']>(null)
const recipes = ref<Schemas['Recipe'][]>([])
const open = ref<string | null>(null)
const route = useRoute()
/** The unit that an address asks for. */
watch(
  () => route.query.unit,
  async (unit) => {
    if (typeof unit !== 'string') return
    open.value = unit
    await nextTick()
    document.getElementById(`unit-${unit}`)?.scrollIntoView({ block: 'center' })
  },
  { immediate: true, flush: 'post' },
)

onMounted(async () => {
  const list = await muster.attempt(() => told(client.GET('/api/recipes')))
  recipes.value = list?.map((one) => one.recipe) ?? []
})
useKeys([{ key: 'u', shows: 'U', does: 'Take the last change back', act: () => muster.undo() }])

async function add() {
  if (!line.value.trim()) {
    muster.complaints = ['type a unit first, as in 8 lancers mounted 1/72']
    return
  }
  const said = await muster.attempt(() =>
    told(client.POST('/api/typed-unit', { body: { line: line.value } })),
  )
  if (!said) return
  const wanted = kind.value ?? said.kind
  const recipe =
    recipes.value.find((one) => one.id === said.recipe) ??
    recipes.value.find((one) => one.kind === wanted)
  const done = await muster.command({
    do: 'add_unit',
    line: line.value,
    kind: kind.value,
    recipe: recipe?.id ?? 'infantry-six',
    recipe_version: recipe?.version ?? 1,
  })
  if (done) {
    line.value = ''
    kind.value = null
  }
}

/** A whole roster as one change. */
async function addAll(rows: Schemas['RosterRow'][]) {
  const changes = rows.map((row) => ({
    do: 'add_unit' as const,
    line: row.line,
    kind: row.kind as Schemas['AddUnit']['kind'],
    recipe: row.recipe ?? 'infantry-six',
    recipe_version: recipes.value.find((one) => one.id === row.recipe)?.version ?? 1,
  }))
  if (await muster.command({ do: 'together', changes })) several.value = false
}

type Changes = Omit<Schemas['EditUnit'], 'do' | 'unit'>

function edit(row: UnitRow, changes: Partial<Changes>) {
  return muster.command({ do: 'edit_unit', unit: row.unit.id, ...changes } as Schemas['EditUnit'])
}

/** '6': trays of six; '8, 8, 4': each tray by itself; nothing: as proposed. */
function traysTyped(text: string): Partial<Changes> {
  const sizes = (text.match(/\d+/g) ?? []).map(Number)
  return sizes.length > 1 ? { split: sizes } : { tray_size: sizes[0] ?? 0 }
}

/** The units that this one waits for, by name. */
function waitsFor(row: UnitRow): string[] {
  const view = muster.view
  const units = view?.order.filter((one) => one.after === row.unit.id).map((one) => one.before)
  const names = units?.map((id) => view?.roll.find((one) => one.unit.id === id)?.unit.name ?? id)
  return [...new Set(names)]
}

function isFirst(row: UnitRow): boolean {
  return muster.view?.finish_first === row.unit.id
}

function number(event: Event): number {
  return Number((event.target as HTMLInputElement).value)
}

function value<T extends string>(event: Event): T {
  return (event.target as HTMLSelectElement).value as T
}

function follow(row: UnitRow, code: string) {
  const recipe = recipes.value.find((one) => one.id === code)
  if (recipe) void edit(row, { recipe: recipe.id, recipe_version: recipe.version })
}
</script>

<template>
  <div class="flex min-h-14 flex-wrap items-center justify-between gap-3">
    <h1>Roll</h1>
    <div class="flex items-center gap-4">
      <a
        v-if="muster.view"
        class="link max-md:hidden"
        :href="`/api/musters/${muster.view.id}/file`"
        download
        >Export the muster</a
      >
      <ActButton :why="muster.view?.undo ? null : 'nothing to take back'" @press="muster.undo()">
        Take back<span v-if="muster.view?.undo" class="font-normal">: {{ muster.view.undo }}</span>
      </ActButton>
    </div>
  </div>
  <form class="mb-4 flex flex-wrap gap-3" @submit.prevent="add">
    <input
      v-model="line"
      class="field min-w-60 flex-1"
      name="line"
      aria-label="Add a unit, such as 8 lancers mounted"
      placeholder="8 lancers mounted"
    />
    <select v-model="kind" class="field" aria-label="Kind">
      <option :value="null">kind as typed</option>
      <option v-for="one in vocabulary.kinds" :key="one" :value="one">
        {{ one }}
      </option>
    </select>
    <button class="btn btn-main">Add</button>
    <button class="btn" type="button" :aria-expanded="several" @click="several = !several">
      Several at once
    </button>
  </form>
  <RosterLines
    v-if="several"
    :recipes="recipes"
    :busy="muster.busy"
    @take="addAll"
    @leave="several = false"
  />
  <p v-if="muster.view && !muster.view.roll.length" class="my-6">
    The roll is empty. Type the first unit above, as in <b>24 pikes foot 1/72</b>, or
    <button class="btn ml-2" @click="several = true">paste a whole roster</button>
  </p>
  <section
    v-for="row in muster.view?.roll"
    :id="`unit-${row.unit.id}`"
    :key="row.unit.id"
    class="border-t border-rule py-2"
    :aria-label="row.unit.name"
  >
    <div class="grid grid-cols-[190px_1fr_auto] items-center gap-4 max-md:grid-cols-1">
      <div>
        <h2>{{ row.unit.count }} {{ row.unit.name }}</h2>
        <p class="fig text-14 text-soft">1/{{ row.unit.scale }} · {{ row.recipe_name }}</p>
        <p v-if="muster.view?.finish_first === row.unit.id" class="text-14">finished first</p>
        <p v-for="name in waitsFor(row)" :key="name" class="text-14">after {{ name }}</p>
      </div>
      <div class="flex flex-wrap gap-x-6 gap-y-2">
        <div v-for="tray in row.trays" :key="tray.id">
          <PipStrip :pips="tray.pips" :name="tray.name" />
          <span class="fig text-14">{{ tray.name }}</span>
        </div>
      </div>
      <div class="flex items-center gap-4">
        <span class="fig text-right text-14 max-md:text-left"
          ><b>{{ hours(row.hours_left * 3600) }}</b> left<br />{{ row.models_done }} of
          {{ row.unit.count }} done</span
        >
        <button
          class="link"
          :aria-expanded="open === row.unit.id"
          :aria-label="`Change ${row.unit.name}`"
          @click="open = open === row.unit.id ? null : row.unit.id"
        >
          {{ open === row.unit.id ? 'Close' : 'Change' }}
        </button>
      </div>
    </div>
    <div v-if="open === row.unit.id" class="my-3 flex flex-wrap items-end gap-4">
      <label class="grid gap-1 text-14"
        >Name
        <input
          class="field w-40"
          :value="row.unit.name"
          maxlength="60"
          @change="edit(row, { name: value($event) })"
      /></label>
      <label class="grid gap-1 text-14"
        >Models
        <input
          class="field w-24"
          type="number"
          :value="row.unit.count"
          @change="edit(row, { count: number($event) })"
      /></label>
      <label class="grid gap-1 text-14"
        >Scale, 1/
        <input
          class="field w-20"
          type="number"
          min="1"
          max="1000"
          :value="row.unit.scale"
          @change="edit(row, { scale: number($event) })"
      /></label>
      <label class="grid gap-1 text-14"
        >In a tray, or each
        <input
          class="field w-32"
          :value="row.unit.split?.length ? row.unit.split.join(', ') : (row.unit.tray_size ?? '')"
          :placeholder="String(row.proposed_size)"
          @change="edit(row, traysTyped(value($event)))"
      /></label>
      <label class="grid gap-1 text-14"
        >Seen from
        <select
          class="field"
          :value="row.unit.tier"
          @change="edit(row, { tier: value<Schemas['TierOut']['tier']>($event) })"
        >
          <option v-for="one in vocabulary.tiers" :key="one.tier" :value="one.tier">
            {{ one.words }}
          </option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Priority
        <select
          class="field"
          :value="row.unit.priority"
          @change="edit(row, { priority: number($event) })"
        >
          <option v-for="n in 5" :key="n" :value="n">{{ n }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Recipe
        <select class="field" :value="row.unit.recipe" @change="follow(row, value($event))">
          <option v-for="recipe in recipes" :key="recipe.id" :value="recipe.id">
            {{ recipe.name }}
          </option>
        </select></label
      >
      <button
        class="btn"
        @click="muster.command({ do: 'finish_first', unit: isFirst(row) ? null : row.unit.id })"
      >
        {{ isFirst(row) ? 'No longer first' : 'Finish first' }}
      </button>
      <button class="btn" @click="muster.command({ do: 'remove_unit', unit: row.unit.id })">
        Take off the roll
      </button>
      <Orders :row="row" :recipes="recipes" />
      <p
        v-if="(muster.view?.newest[row.unit.recipe] ?? 0) > row.unit.recipe_version"
        class="w-full text-14"
      >
        Keeps version {{ row.unit.recipe_version }} of its recipe.
        <button class="link" @click="follow(row, row.unit.recipe)">Follow the newest</button>
      </p>
    </div>
  </section>
</template>
