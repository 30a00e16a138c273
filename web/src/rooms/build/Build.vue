<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { watch } from 'vue'
import type { Schemas } from '../../api/client'
import { useKeys } from '../../keys'
import { count, hours } from '../../words'
import Textures from '../recipes/Textures.vue'
import BenchList from './BenchList.vue'
import { useBuild } from './build'
import Findings from './Findings.vue'
import JointDetail from './JointDetail.vue'
import KitEdit from './KitEdit.vue'
import KitStart from './KitStart.vue'
import Mishaps from './Mishaps.vue'
import Rescale from './Rescale.vue'
import Streams from './Streams.vue'

const route = useRoute()
const router = useRouter()
const build = useBuild()
const { rows, unit, view, kept, joint, apart, read } = build
if (typeof route.query.unit === 'string') unit.value = route.query.unit
const row = computed(() => rows.value?.find((one) => one.unit === unit.value) ?? null)
type Panel = 'list' | 'parts' | 'mishaps' | 'print'
const panel = ref<Panel | null>(null)
const turn = (to: Panel) => (panel.value = panel.value === to ? null : to)

watch(unit, (now) => {
  if (now) void router.replace({ query: { ...route.query, unit: now } })
})

function step(by: number) {
  const all = view.value?.mouths ?? []
  const at = all.findIndex((one) => one.joint === joint.value)
  if (all.length) joint.value = all[(at + by + all.length) % all.length]?.joint ?? null
}

useKeys([
  { key: 'b', shows: 'B', does: 'The order of work as a list', act: () => turn('list') },
  { key: 'p', shows: 'P', does: 'Parts, joints and jobs', act: () => turn('parts') },
  { key: 'ArrowDown', shows: '↓', does: 'The next joint', act: () => step(1) },
  { key: 'ArrowUp', shows: '↑', does: 'The joint before', act: () => step(-1) },
  { key: 'u', shows: 'U', does: 'Take the last change back', act: build.undo },
])

async function start(kit: Schemas['Kit']) {
  if (unit.value) await build.change({ do: 'set_kit', unit: unit.value, kit })
}

const saved = computed(() =>
  apart.value
    ? apart.value.fixed_hands_on_s +
      apart.value.fixed_mend_s -
      apart.value.hands_on_s -
      apart.value.mend_s
    : null,
)
const PANELS: { id: Panel; words: string }[] = [
  { id: 'list', words: 'as a list for the bench' },
  { id: 'parts', words: 'parts, joints, jobs' },
  { id: 'mishaps', words: 'something broke' },
  { id: 'print', words: 'rescale a print' },
]
</script>

<template>
  <Textures />
  <div>
    <p v-if="rows === null" class="py-4 text-soft" role="status">Reading how they are built …</p>
    <template v-else>
      <div class="flex min-h-14 flex-wrap items-baseline gap-x-6 gap-y-1 pt-2">
        <h1>{{ row?.name ?? 'Build' }}</h1>
        <p v-if="view" class="text-soft">
          1/{{ view.scale }} · kit <b class="text-ink">{{ view.build.kit.name }}</b> ·
          {{ count(view.models, 'model') }} · {{ count(view.pieces, 'piece') }},
          {{ count(view.mouths.length, 'joint') }}
        </p>
        <label v-if="rows.length > 1" class="ml-auto flex items-center gap-2 text-14 print:hidden"
          >Unit
          <select v-model="unit" class="field" aria-label="Unit to build">
            <option v-for="one in rows" :key="one.unit" :value="one.unit">
              {{ one.name }}{{ one.kit ? '' : ', of one piece'
              }}{{ one.warnings ? ' (look!)' : '' }}
            </option>
          </select>
        </label>
      </div>
      <p v-if="!rows.length" class="py-3 text-soft">
        The roll is empty: put a unit on it first.
        <RouterLink v-if="build.id.value" class="btn ml-3" :to="`/${build.id.value}/roll`"
          >To the roll</RouterLink
        >
      </p>
      <template v-else-if="view">
        <div class="flex flex-wrap items-baseline gap-x-6 gap-y-1 print:hidden">
          <p>
            <b>{{ hours(view.minutes * 60) }}</b> a model,
            <b>{{ hours(view.minutes * view.models * 60) }}</b> in all<template
              v-if="saved !== null && saved >= 60"
              >; apart saves <b>{{ hours(saved) }}</b></template
            >
            <span class="text-soft">
              ·
              {{
                view.gap_min ? `within ${view.gap_min} min a model of the best` : 'proven best'
              }}</span
            >
          </p>
          <button
            v-for="one in PANELS"
            :key="one.id"
            class="link"
            :aria-expanded="panel === one.id"
            @click="turn(one.id)"
          >
            {{ one.words }}
          </button>
        </div>
        <Streams :build="build" class="mt-1" />
        <JointDetail :build="build" />
        <p class="mt-3 flex flex-wrap gap-x-8 gap-y-1">
          <span v-if="view.not_cleaned"
            ><b>Not done:</b> {{ count(view.not_cleaned, 'job') }} that nobody will see,
            <b>{{ Math.round(view.saved_min) }} min</b> a model saved.</span
          >
          <span v-if="view.left_over.length"
            ><b>Left over:</b> {{ view.left_over.join(', ') }}.</span
          >
          <span v-for="one in view.build.kit.faults" :key="one.part + one.kind"
            ><b>Fault:</b> {{ one.kind }}, {{ one.words || one.part }}.</span
          >
          <span v-if="view.replaced.length"
            ><b>Done by the joints:</b> {{ view.replaced.join(', ') }} of the recipe.</span
          >
        </p>
        <Findings :build="build" />
        <BenchList v-if="panel === 'list'" :view="view" />
        <KitEdit v-if="panel === 'parts'" :build="build" />
        <Mishaps v-if="panel === 'mishaps'" :build="build" />
        <Rescale v-if="panel === 'print'" :scale="view.scale" />
      </template>
      <template v-else-if="row && read && !kept">
        <KitStart :row="row" @start="start" />
      </template>
      <p v-else-if="row" class="py-4 text-soft" role="status">Reading how it is built …</p>
    </template>
  </div>
</template>
