<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useHouse } from '../../house'
import type { Schemas } from '../../api/client'
import type { BuildState } from './build'
import JobRow from './JobRow.vue'
import JointRow from './JointRow.vue'
import PartRow from './PartRow.vue'

/** The parts of the kit, its joints and its jobs: each a line, opened to be changed. */
const props = defineProps<{ build: BuildState }>()

const house = useHouse()
onMounted(() => house.load())
const view = computed(() => props.build.view.value)
const kit = computed(() => view.value?.build.kit ?? null)
const open = ref<string | null>(null)
const name = ref('')
const ids = computed(() => new Set(kit.value?.parts.map((one) => one.id)))
const partName = (id: string) => kit.value?.parts.find((one) => one.id === id)?.name ?? id

type Row = { part?: Schemas['Part']; joint?: Schemas['Joint']; job?: Schemas['Job'] }
async function put(row: Row) {
  const unit = props.build.unit.value
  if (unit && (await props.build.change({ do: 'edit_kit', unit, ...row }))) open.value = null
}

async function remove(id: string) {
  const unit = props.build.unit.value
  if (unit && (await props.build.change({ do: 'edit_kit', unit, remove: id }))) open.value = null
}

/** A new part sits on the main one until its joint says otherwise. */
async function add() {
  const words = name.value.trim()
  const main = kit.value?.parts[0]
  const unit = props.build.unit.value
  if (!words || !main || !unit) return
  const plain = words.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '').slice(0, 18) || 'part' // prettier-ignore
  let id = plain
  for (let n = 2; ids.value.has(id); n++) id = `${plain}-${n}`
  const part = { id, name: words } as Schemas['Part']
  const joint = { id: `on-${id}`, part: id, onto: main.id } as Schemas['Joint']
  if (await props.build.change({ do: 'edit_kit', unit, part, joint })) name.value = ''
}

const FAULTS = ['fit', 'gap', 'missing', 'brittle', 'odd part', 'ejector marks'] as const
const fault = ref({ kind: 'fit' as (typeof FAULTS)[number], part: '', words: '' })
async function setFaults(faults: Schemas['Fault'][]) {
  const unit = props.build.unit.value
  if (unit && (await props.build.change({ do: 'edit_kit', unit, faults })))
    fault.value = { kind: 'fit', part: '', words: '' }
}

function takeAway() {
  const unit = props.build.unit.value
  if (unit) void props.build.change({ do: 'set_kit', unit, kit: null })
}
const turn = (id: string) => (open.value = open.value === id ? null : id)
const partWords = (one: Schemas['Part']) =>
  [
    one.pieces > 1 ? `${one.pieces} pieces` : '', one.material ?? '', one.fragile ? 'fragile' : '',
    one.spares ? `${one.spares} spare` : '', one.scale ? `1/${one.scale}` : '',
    one.option ? `option ${one.option}` : '', one.fitted ? '' : 'not fitted',
    one.painted ? '' : 'not painted', one.together ? 'all models as one tray' : '',
  ].filter(Boolean).join(', ') // prettier-ignore
const jobDone = (id: string) => {
  const said = view.value?.build
  if (said?.jobs_done?.includes(id)) return true
  return said?.jobs_left?.includes(id) ? false : null
}
async function say(id: string, done: boolean | null) {
  const unit = props.build.unit.value
  if (unit) await props.build.change({ do: 'edit_kit', unit, job_done: id, done })
}
</script>

<template>
  <section v-if="kit" aria-label="Parts, joints and jobs" class="mt-4 border-t-2 border-ink pt-3">
    <div class="grid gap-x-10 gap-y-6 xl:grid-cols-3">
      <div>
        <h2>Parts</h2>
        <ul>
          <li v-for="(one, number) in kit.parts" :key="one.id" class="border-b border-rule">
            <button
              class="flex min-h-11 w-full flex-wrap items-baseline gap-x-3 py-2 text-left"
              :aria-expanded="open === `part ${one.id}`"
              @click="turn(`part ${one.id}`)"
            >
              <b>{{ one.name }}</b>
              <span class="text-14 text-soft">{{ partWords(one) }}</span>
            </button>
            <PartRow
              v-if="open === `part ${one.id}`"
              :part="one"
              :main="number === 0"
              @put="put({ part: $event })"
              @remove="remove(one.id)"
            />
          </li>
        </ul>
        <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="add">
          <label class="grid gap-1 text-14"
            >Another part
            <input v-model="name" class="field" maxlength="60" placeholder="Tool box" />
          </label>
          <button class="btn" :disabled="!name.trim()">Add it</button>
        </form>
      </div>
      <div>
        <h2>Joints</h2>
        <ul>
          <li v-for="one in kit.joints" :key="one.id" class="border-b border-rule">
            <button
              class="flex min-h-11 w-full flex-wrap items-baseline gap-x-3 py-2 text-left"
              :aria-expanded="open === `joint ${one.id}`"
              @click="turn(`joint ${one.id}`)"
            >
              <b>{{ partName(one.part) }}</b>
              <span class="text-14 text-soft"
                >on {{ partName(one.onto) }} ·
                {{ one.hold === 'glue' ? (one.adhesive ?? 'usual glue') : one.hold }} ·
                {{ one.fit_min }} min</span
              >
            </button>
            <JointRow
              v-if="open === `joint ${one.id}`"
              :joint="one"
              :parts="kit.parts"
              @put="put({ joint: $event })"
              @remove="remove(one.id)"
            />
          </li>
        </ul>
      </div>
      <div>
        <h2>Jobs</h2>
        <ul>
          <li v-for="one in kit.jobs" :key="one.id" class="border-b border-rule">
            <button
              class="flex min-h-11 w-full flex-wrap items-baseline gap-x-3 py-2 text-left"
              :aria-expanded="open === `job ${one.id}`"
              @click="turn(`job ${one.id}`)"
            >
              <b>{{ one.work }} {{ partName(one.part) }}</b>
              <span class="text-14 text-soft"
                >{{ one.name ? `${one.name} · ` : '' }}{{ one.minutes }} min</span
              >
            </button>
            <JobRow
              v-if="open === `job ${one.id}`"
              :job="one"
              :kit="kit"
              :done="jobDone(one.id)"
              @put="put({ job: $event })"
              @say="say(one.id, $event)"
              @remove="remove(one.id)"
            />
          </li>
        </ul>
        <JobRow :job="null" :kit="kit" :done="null" @put="put({ job: $event })" />
      </div>
    </div>
    <h2 class="mt-5">Faults of this kit</h2>
    <p class="max-w-[70ch] text-soft">They are remembered with it, and met on the next one.</p>
    <ul>
      <li
        v-for="(one, number) in kit.faults"
        :key="number"
        class="flex min-h-11 items-center gap-4"
      >
        <span
          ><b>{{ partName(one.part) }}</b
          >: {{ one.kind }}{{ one.words ? `, ${one.words}` : '' }}</span
        >
        <button class="link" @click="setFaults(kit.faults?.filter((_, n) => n !== number) ?? [])">
          Take it out
        </button>
      </li>
    </ul>
    <form
      class="mt-2 flex flex-wrap items-end gap-3"
      @submit.prevent="fault.part && setFaults([...(kit.faults ?? []), { ...fault }])"
    >
      <label class="grid gap-1 text-14"
        >Fault
        <select v-model="fault.kind" class="field">
          <option v-for="one in FAULTS" :key="one">{{ one }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Of
        <select v-model="fault.part" class="field">
          <option value="">which part?</option>
          <option v-for="one in kit.parts" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >In words <input v-model="fault.words" class="field w-56" maxlength="120"
      /></label>
      <button class="btn" :disabled="!fault.part">Note it</button>
    </form>
    <button class="link mt-4" @click="takeAway">Take the kit away: of one piece again</button>
  </section>
</template>
