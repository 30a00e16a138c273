<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import Swatch from '../../parts/Swatch.vue'
import { count } from '../../words'
import { useLook } from './look'
import { sayMix } from './mix'
import PassEditor from './PassEditor.vue'
import Seam from './Seam.vue'

type Pass = Schemas['Pass']

const muster = useMuster()
const list = ref<Schemas['RecipeOut'][]>([])
const code = ref<string | null>(null)
const draft = ref<Pass[]>([])
const name = ref('')
const open = ref<number | null>(null)
const asking = ref(false)
const follow = ref<string[]>([])

const chosen = computed(() => list.value.find((one) => one.recipe.id === code.value) ?? null)
const changed = computed(
  () =>
    chosen.value !== null &&
    (name.value !== chosen.value.recipe.name ||
      JSON.stringify(draft.value) !== JSON.stringify(chosen.value.recipe.passes)),
)
const air = ref({ celsius: 20, humidity: 50, acrylic: false })
const look = useLook(
  () => {
    const recipe = chosen.value?.recipe
    return recipe ? { kind: recipe.kind, material: recipe.material, passes: draft.value } : null
  },
  () => air.value,
)
const grave = computed(
  () => look.value?.findings.filter((one) => one.severity !== 'note').length ?? 0,
)
const minutes = computed(() => draft.value.reduce((sum, one) => sum + one.minutes, 0))

onMounted(async () => {
  const found = await muster.attempt(() => told(client.GET('/api/recipes')))
  if (found) list.value = found
  const first = list.value.find((one) => one.used_by.length) ?? list.value[0]
  if (first) choose(first.recipe.id)
})

function choose(id: string) {
  code.value = id
  open.value = null
  asking.value = false
  const recipe = list.value.find((one) => one.recipe.id === id)?.recipe
  draft.value = JSON.parse(JSON.stringify(recipe?.passes ?? [])) as Pass[]
  name.value = recipe?.name ?? ''
}

function add() {
  const taken = new Set(draft.value.map((one) => one.key))
  let number = draft.value.length + 1
  while (taken.has(`pass-${number}`)) number += 1
  draft.value.push({
    key: `pass-${number}`, name: 'new pass', technique: 'brush', minutes: 2, tool: 'brush',
    mix: [], colour: null, finish: null, setup_min: 1, cleanup_min: 1, open_min: 45,
    life_min: null, dry_min: null, clock: 'water', stand_min: null, window_min: null, cut: 'item',
    needs: [], tier: 'table', part: null, note: '', medium: null, carrier: null, zones: [],
    coats: 1, cover: null, thick: 1, warm_air: false, adhesive: null, size_mm: null, trial: '',
  }) // prettier-ignore
  open.value = draft.value.length - 1
}

function move(index: number, by: number) {
  const [one] = draft.value.splice(index, 1)
  if (one) draft.value.splice(index + by, 0, one)
  open.value = null
}

function mend(passes: Pass[]) {
  draft.value = passes
  open.value = null
}

function takeOut(index: number) {
  draft.value.splice(index, 1)
  open.value = null
}

async function keep() {
  const now = chosen.value
  if (!now) return
  if (now.used_by.length && !asking.value) {
    asking.value = true
    follow.value = now.used_by.map((one) => `${one.muster}:${one.unit}`)
    return
  }
  const found = await muster.attempt(() =>
    told(
      client.POST('/api/recipes/{code}', {
        params: { path: { code: now.recipe.id } },
        body: {
          name: name.value,
          seen: now.recipe.version,
          passes: draft.value,
          follow: follow.value,
        },
      }),
    ),
  )
  if (!found) return
  list.value = found
  choose(now.recipe.id)
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
  choose(found.at(-1)?.recipe.id ?? now)
}

function summary(one: Pass): string {
  return [one.technique, one.tool, sayMix(one.mix ?? [])].filter(Boolean).join(' · ')
}
</script>

<template>
  <div class="flex min-h-14 flex-wrap items-center justify-between gap-3">
    <h1>Recipes</h1>
    <div class="flex gap-3">
      <button class="btn" @click="copy">Copy this one</button>
      <button v-if="changed" class="btn" @click="code && choose(code)">Drop the changes</button>
      <button class="btn btn-main" :disabled="!changed" @click="keep">
        Keep as version {{ (chosen?.recipe.version ?? 0) + 1 }}
      </button>
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
    <ul aria-label="Recipes" class="max-md:max-h-56 max-md:overflow-y-auto">
      <li v-for="one in list" :key="one.recipe.id" class="border-b border-rule">
        <button
          class="min-h-12 w-full border-l-4 border-transparent py-1 pl-2 text-left"
          :class="{ 'border-l-ink!': one.recipe.id === code }"
          :aria-current="one.recipe.id === code"
          @click="choose(one.recipe.id)"
        >
          <b>{{ one.recipe.name }}</b>
          <span class="fig block text-14 text-soft"
            >{{ count(one.recipe.passes.length, 'pass', 'passes') }}, version {{ one.recipe.version
            }}<template v-if="one.used_by.length"
              >; {{ one.used_by.map((unit) => unit.unit_name).join(', ') }}</template
            ></span
          >
        </button>
      </li>
    </ul>
    <div v-if="chosen">
      <div class="mb-2 flex flex-wrap items-end gap-4">
        <label class="grid gap-1 text-14"
          >Name <input v-model="name" class="field w-72" maxlength="60"
        /></label>
        <p class="pb-2 text-soft">
          <b>{{ Math.round(minutes * 10) / 10 }} min</b> a model, from the bare material up<template
            v-if="look"
            >; <b>{{ look.hours }} h</b> with its waits</template
          >
        </p>
      </div>
      <fieldset class="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        <legend class="sr-only">What if the room were</legend>
        <label class="flex items-center gap-2 text-14"
          ><input
            v-model.number="air.celsius"
            type="range"
            min="5"
            max="32"
            class="w-32 accent-ink"
          /><b class="fig w-12">{{ air.celsius }} °C</b></label
        >
        <label class="flex items-center gap-2 text-14"
          ><input
            v-model.number="air.humidity"
            type="range"
            min="20"
            max="95"
            step="5"
            class="w-32 accent-ink"
          /><b class="fig w-20">{{ air.humidity }} % damp</b></label
        >
        <label class="flex min-h-11 items-center gap-2 text-14"
          ><input v-model="air.acrylic" type="checkbox" class="size-5 accent-ink" /> all
          acrylic</label
        >
        <span v-if="look" class="text-14" role="status">{{
          grave ? `${count(grave, 'thing')} to mend` : 'nothing goes wrong'
        }}</span>
      </fieldset>
      <ol>
        <li v-for="(one, index) in draft" :key="one.key" class="border-t border-rule py-1">
          <div class="flex items-center gap-4">
            <span class="fig w-5 text-14 text-soft">{{ index + 1 }}</span>
            <Swatch :colour="one.colour" :finish="one.finish" />
            <div class="min-w-0 flex-1">
              <b>{{ one.name }}</b>
              <span class="fig block truncate text-14 text-soft">{{ summary(one) }}</span>
            </div>
            <span class="fig w-16 text-right">{{ one.minutes }} min</span>
            <span v-if="one.window_min" class="fig w-36 text-14 text-soft">
              next within {{ one.window_min }} min
            </span>
            <button
              class="link"
              :aria-label="`Move ${one.name} up`"
              :disabled="!index"
              @click="move(index, -1)"
            >
              Up
            </button>
            <button
              class="link"
              :aria-label="`Change ${one.name}`"
              :aria-expanded="open === index"
              @click="open = open === index ? null : index"
            >
              {{ open === index ? 'Close' : 'Change' }}
            </button>
          </div>
          <PassEditor v-if="open === index" v-model="draft[index]!" @remove="takeOut(index)" />
          <Seam
            :seam="look?.seams.find((seam) => seam.key === one.key)"
            :findings="look?.findings.filter((found) => found.key === one.key) ?? []"
            @repair="mend"
          />
        </li>
      </ol>
      <Seam v-if="look" :findings="look.findings.filter((found) => !found.key)" @repair="mend" />
      <p v-if="look?.seams.some((one) => one.cautions.length)" class="mt-2 text-14 text-soft">
        {{ look.first }}
      </p>
      <button class="btn mt-3" @click="add">Add a pass</button>
    </div>
  </div>
</template>
