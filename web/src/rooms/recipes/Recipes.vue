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
import NewRecipe from './NewRecipe.vue'
import Seam from './Seam.vue'
import SubjectFields from './SubjectFields.vue'
import Versions from './Versions.vue'
import WhatIf, { type WhatIf as Tried } from './WhatIf.vue'
import ActButton from '../../parts/ActButton.vue'

type Kind = Schemas['NewRecipeIn']['kind']

const muster = useMuster()
const house = useHouse()
const list = ref<Schemas['RecipeOut'][]>([])
const code = ref<string | null>(null)
const trials = ref<Schemas['TrialOut'][]>([])
const asking = ref(false)
const follow = ref<string[]>([])
const draft = useDraft()
const { name, subject, passes, steps, changed } = draft
/** A recipe that was begun and is not kept yet. */
const begun = ref<{ kind: Kind } | null>(null)
const naming = ref(false)
const tried = ref<Tried>({
  air: { celsius: 20, humidity: 50 },
  acrylic: false,
  undercoat: 'as it is',
})

const chosen = computed(() => list.value.find((one) => one.recipe.id === code.value) ?? null)
const kind = computed(() => begun.value?.kind ?? chosen.value?.recipe.kind ?? null)
const look = useDraftCheck(
  () =>
    kind.value
      ? {
          code: chosen.value?.recipe.id ?? '',
          kind: kind.value,
          subject: subject.value,
          scale: chosen.value?.used_by[0]?.scale ?? null,
          passes: passes.value,
        }
      : null,
  () => tried.value,
  () => trials.value.length,
)
const grave = computed(
  () => look.value?.findings.filter((one) => one.severity !== 'note').length ?? 0,
)
const why = computed(() => {
  if (begun.value) return passes.value.length ? null : 'it has no pass yet: type one below'
  return changed.value ? null : 'nothing is changed yet'
})
const minutes = computed(() => passes.value.reduce((sum, one) => sum + one.minutes, 0))
const zones = computed(() => house.known?.zones[kind.value ?? 'figure'] ?? [])

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
  begun.value = null
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
    subject.value = way.subject
  })
}

/** An empty recipe under the pen; it is kept once it has a pass. */
function begin(called: string, forKind: Kind) {
  naming.value = false
  code.value = null
  trials.value = []
  draft.take(null)
  name.value = called
  begun.value = { kind: forKind }
}

async function keepNew(forKind: Kind) {
  const body = {
    name: name.value,
    kind: forKind,
    passes: passes.value,
    subject: subject.value,
  }
  const found = await muster.attempt(() => told(client.POST('/api/recipes', { body })))
  if (!found) return
  list.value = found
  await choose(found.at(-1)?.recipe.id ?? '')
}

async function putAway(id: string, away: boolean) {
  const path = { code: id }
  const found = await muster.attempt(() =>
    told(client.POST('/api/recipes/{code}/away', { params: { path }, body: { away } })),
  )
  if (!found) return
  list.value = found
  const next = away ? found.find((one) => !one.put_away) : found.find((one) => one.recipe.id === id)
  if (next) await choose(next.recipe.id)
}

async function keep() {
  if (begun.value) return keepNew(begun.value.kind)
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
    subject: subject.value,
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
  <div class="flex min-h-14 flex-wrap items-center justify-between gap-3 max-md:mb-3">
    <h1>Recipes</h1>
    <div class="flex flex-wrap gap-3">
      <button class="btn" @click="naming = true">New recipe</button>
      <RecipeFile @taken="taken" />
      <a v-if="code" class="btn" :href="`/api/recipes/${code}/file`" download>To a file</a>
      <button v-if="code" class="btn" @click="copy">Copy</button>
      <button
        v-if="chosen && !chosen.put_away"
        class="btn"
        @click="putAway(chosen.recipe.id, true)"
      >
        Put away
      </button>
      <button v-if="steps.length" class="btn" @click="draft.back">Take back</button>
      <button v-if="changed" class="btn" @click="code && choose(code)">Drop the changes</button>
      <ActButton main :why="why" @press="keep">
        {{ begun ? 'Keep it' : `Keep as version ${(chosen?.recipe.version ?? 0) + 1}` }}
      </ActButton>
    </div>
  </div>
  <NewRecipe v-if="naming" @begin="begin" @close="naming = false" />
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
    <RecipeList :list="list" :code="code" @choose="choose" @back="putAway($event, false)" />
    <div v-if="kind" class="min-w-0">
      <Versions v-if="chosen" :chosen="chosen" @followed="taken(chosen.recipe.id)" />
      <div class="mb-2 flex flex-wrap items-end gap-4">
        <label class="grid gap-1 text-14"
          >Name <input v-model="name" class="field w-64" maxlength="60"
        /></label>
        <SubjectFields v-model="subject" />
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
        :kind="kind"
        :code="chosen?.recipe.id ?? ''"
        @mend="mend"
      />
      <Seam v-if="look" :findings="look.findings.filter((found) => !found.key)" @repair="mend" />
      <p v-if="look?.seams.some((one) => one.cautions.length)" class="mt-2 text-14 text-soft">
        {{ look.first }}
      </p>
      <AddPass
        :kind="kind"
        :unit="chosen?.used_by[0]"
        :others="list.filter((one) => one.recipe.id !== code)"
        @add="draft.put"
      />
    </div>
  </div>
</template>
