<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useHouse } from '../../house'
import { useMuster } from '../../muster'
import { count } from '../../words'
import AddPass from './AddPass.vue'
import { useDraft } from './draft'
import { useDraftCheck } from './draftCheck'
import Passes from './Passes.vue'
import RecipeFile from './RecipeFile.vue'
import RecipeList from './RecipeList.vue'
import Seam from './Seam.vue'
import Versions from './Versions.vue'
import WhatIf, { type WhatIf as Tried } from './WhatIf.vue'
import ActButton from '../../parts/ActButton.vue'

const muster = useMuster()
const house = useHouse()
const list = ref<Schemas['RecipeOut'][]>([])
const code = ref<string | null>(null)
const trials = ref<Schemas['TrialOut'][]>([])
const asking = ref(false)
const follow = ref<string[]>([])
const draft = useDraft()
const { name, material, passes, steps, changed } = draft
const tried = ref<Tried>({
  air: { celsius: 20, humidity: 50 },
  acrylic: false,
  undercoat: 'as it is',
})

const chosen = computed(() => list.value.find((one) => one.recipe.id === code.value) ?? null)
const look = useDraftCheck(
  () => {
    const recipe = chosen.value?.recipe
    return recipe
      ? { code: recipe.id, kind: recipe.kind, material: material.value, passes: passes.value }
      : null
  },
  () => tried.value,
  () => trials.value.length,
)
const grave = computed(
  () => look.value?.findings.filter((one) => one.severity !== 'note').length ?? 0,
)
const minutes = computed(() => passes.value.reduce((sum, one) => sum + one.minutes, 0))
const zones = computed(() => house.known?.zones[chosen.value?.recipe.kind ?? 'figure'] ?? [])

onMounted(async () => {
  await Promise.all([house.load(), reload()])
  const habits = house.house
  if (habits)
    tried.value = {
      air: { ...habits.air },
      acrylic: habits.habits?.weathering === 'all-acrylic',
      undercoat: 'as it is',
    }
  const first = list.value.find((one) => one.used_by.length) ?? list.value[0]
  if (first) await choose(first.recipe.id)
})

async function reload() {
  const found = await muster.attempt(() => told(client.GET('/api/recipes')))
  if (found) list.value = found
}

async function choose(id: string) {
  code.value = id
  asking.value = false
  draft.take(list.value.find((one) => one.recipe.id === id)?.recipe ?? null)
  trials.value = []
  const asked = client.GET('/api/recipes/{code}/trials', { params: { path: { code: id } } })
  const found = await told(asked).catch(() => [])
  if (code.value === id) trials.value = found
}

async function mend(way: Schemas['PricedRepair']) {
  if (way.habit) {
    const { name: habit, way: to } = way.habit
    const about = house.found?.habits.find((one) => one.name === habit)?.about ?? habit
    await house.setHabit(habit, to, about)
    tried.value = { ...tried.value, acrylic: house.house?.habits?.weathering === 'all-acrylic' }
  }
  draft.change(() => {
    passes.value = way.passes
    material.value = way.material
  })
}

async function keep() {
  const now = chosen.value
  if (!now) return
  if (now.used_by.length && !asking.value) {
    asking.value = true
    follow.value = now.used_by.map((one) => `${one.muster}:${one.unit}`)
    return
  }
  const body = {
    name: name.value,
    seen: now.recipe.version,
    passes: passes.value,
    material: material.value,
    follow: follow.value,
  }
  const path = { code: now.recipe.id }
  const found = await muster.attempt(() =>
    told(client.POST('/api/recipes/{code}', { params: { path }, body })),
  )
  if (!found) return
  list.value = found
  await choose(now.recipe.id)
  if (muster.view) await muster.load(muster.view.id)
}

async function copy() {
  const now = code.value
  if (!now) return
  const found = await muster.attempt(() =>
    told(client.POST('/api/recipes/{code}/copy', { params: { path: { code: now } } })),
  )
  if (!found) return
  list.value = found
  await choose(found.at(-1)?.recipe.id ?? now)
}

async function taken(id: string) {
  await reload()
  await choose(id)
}
</script>

<template>
  <div class="flex min-h-14 flex-wrap items-center justify-between gap-3">
    <h1>Recipes</h1>
    <div class="flex flex-wrap gap-3">
      <RecipeFile @taken="taken" />
      <a v-if="code" class="btn" :href="`/api/recipes/${code}/file`" download>To a file</a>
      <button class="btn" @click="copy">Copy</button>
      <button v-if="steps.length" class="btn" @click="draft.back">Take back</button>
      <button v-if="changed" class="btn" @click="code && choose(code)">Drop the changes</button>
      <ActButton main :why="changed ? null : 'nothing is changed yet'" @press="keep">
        Keep as version {{ (chosen?.recipe.version ?? 0) + 1 }}
      </ActButton>
    </div>
  </div>
  <section
    v-if="asking && chosen"
    class="mb-3 border-y border-rule py-3"
    role="alertdialog"
    aria-label="Which units follow"
  >
    <p>Units under way: which of them follow the new version? The others keep theirs.</p>
    <div class="my-2 flex flex-wrap gap-6">
      <label
        v-for="one in chosen.used_by"
        :key="one.muster + one.unit"
        class="flex min-h-11 items-center gap-2"
      >
        <input
          v-model="follow"
          type="checkbox"
          class="size-5 accent-ink"
          :value="`${one.muster}:${one.unit}`"
        />
        {{ one.unit_name }}, {{ one.muster_name }}
      </label>
    </div>
    <button class="btn btn-main" @click="keep">Keep it</button>
  </section>
  <div class="grid grid-cols-[230px_1fr] gap-8 max-md:grid-cols-1">
    <RecipeList :list="list" :code="code" @choose="choose" />
    <div v-if="chosen" class="min-w-0">
      <Versions :chosen="chosen" @followed="taken(chosen.recipe.id)" />
      <div class="mb-2 flex flex-wrap items-end gap-4">
        <label class="grid gap-1 text-14"
          >Name <input v-model="name" class="field w-64" maxlength="60"
        /></label>
        <label class="grid gap-1 text-14"
          >Made of
          <select v-model="material" class="field">
            <option v-for="one in house.known?.materials" :key="one">{{ one }}</option>
          </select></label
        >
        <p class="pb-2 text-soft">
          <b>{{ Math.round(minutes * 10) / 10 }} min</b> a model, from the bare material up<template
            v-if="look"
            >; <b>{{ look.hours }} h</b> with its waits;
            <span role="status">{{
              grave ? `${count(grave, 'thing')} to mend` : 'nothing goes wrong'
            }}</span></template
          >
        </p>
      </div>
      <WhatIf v-model="tried" :look="look" />
      <Passes
        v-model:trials="trials"
        :draft="draft"
        :look="look"
        :zones="zones"
        :code="chosen.recipe.id"
        @mend="mend"
      />
      <Seam v-if="look" :findings="look.findings.filter((found) => !found.key)" @repair="mend" />
      <p v-if="look?.seams.some((one) => one.cautions.length)" class="mt-2 text-14 text-soft">
        {{ look.first }}
      </p>
      <AddPass
        :kind="chosen.recipe.kind"
        :unit="chosen.used_by[0]"
        :others="list.filter((one) => one.recipe.id !== code)"
        @add="draft.put"
      />
    </div>
  </div>
</template>
