<script setup lang="ts">
import { useVocabulary } from '../../vocabulary'
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { client, told, type Schemas } from '../../api/client'
import Complaints from '../../parts/Complaints.vue'
import { useMuster } from '../../muster'
import TimeField from '../../parts/TimeField.vue'
import RosterLines from '../../parts/RosterLines.vue'
import ActButton from '../../parts/ActButton.vue'
import { count, date, readDate, WEEKDAYS } from '../../words'

type Kind = NonNullable<Schemas['AddUnit']['kind']>
interface Line {
  line: string
  count: number
  name: string
  kind: Kind | ''
  recipe: string
  scale: number | null
}

const vocabulary = useVocabulary()
const DAYS = WEEKDAYS
const USUAL_SCALE = 72
const usual = (day: number): [string, string] => (day > 4 ? ['10:00', '13:00'] : ['19:30', '22:00'])

const router = useRouter()
const muster = useMuster()
const step = ref<'units' | 'days' | 'recipes'>('units')
const name = ref('First')
const typed = ref('')
const several = ref(false)
const roster = ref('')
const lines = ref<Line[]>([])
const hours = ref(DAYS.map((_, day) => ({ on: false, start: usual(day)[0], end: usual(day)[1] })))
const paradeText = ref('')
const recipes = ref<Schemas['Recipe'][]>([])
const first = ref<HTMLInputElement | null>(null)
const parade = computed(() => readDate(paradeText.value, new Date(Date.now() + muster.ahead)))
const models = computed(() => lines.value.reduce((sum, one) => sum + one.count, 0))
const chosen = computed(() => DAYS.filter((_, day) => hours.value[day]?.on))
const unclear = computed(() => lines.value.find((one) => !one.kind))
const unitsLack = computed(() => {
  if (!lines.value.length) return 'type a unit first'
  return unclear.value ? `choose the kind of ${unclear.value.name}` : null
})
const daysLack = computed(() => {
  if (!chosen.value.length) return 'choose a weekday first'
  return paradeText.value && !parade.value ? 'type the parade day as 27 March, or clear it' : null
})

/** The scale that a line has: as typed, else that of the line before, else the usual one. */
function scaleOf(index: number): string {
  const typedScale = lines.value[index]?.scale
  if (typedScale) return `1/${typedScale}`
  const before = [...lines.value.slice(0, index)].reverse().find((one) => one.scale)?.scale
  return before ? `1/${before}, as above` : `1/${USUAL_SCALE}, not said`
}

onMounted(async () => {
  first.value?.focus()
  const list = await muster.attempt(() => told(client.GET('/api/recipes')))
  if (!list) return router.replace('/')
  recipes.value = list.map((one) => one.recipe)
})

/** Several lines pasted are a roster. */
function pasted(event: ClipboardEvent) {
  const text = event.clipboardData?.getData('text') ?? ''
  if (!text.trim().includes('\n')) return
  event.preventDefault()
  roster.value = text
  several.value = true
}

function addAll(rows: Schemas['RosterRow'][]) {
  for (const row of rows) {
    const { line, count, name, scale } = row
    const kind = (row.kind as Kind | null) ?? ''
    lines.value.push({ line, count, name, kind, recipe: row.recipe ?? '', scale: scale ?? null })
  }
  several.value = false
  roster.value = ''
}

async function add() {
  const line = typed.value.trim()
  if (!line) return
  const said = await muster.attempt(() => told(client.POST('/api/typed-unit', { body: { line } })))
  if (!said) return
  lines.value.push({
    line,
    count: said.count,
    name: said.name,
    kind: (said.kind as Kind | null) ?? '',
    recipe: said.recipe ?? '',
    scale: said.scale ?? null,
  })
  typed.value = ''
}

function setKind(one: Line) {
  one.recipe = recipes.value.find((recipe) => recipe.kind === one.kind)?.id ?? 'infantry-six'
}

async function go(to: 'units' | 'days' | 'recipes') {
  step.value = to
  await nextTick()
  document.querySelector<HTMLElement>('[data-first]')?.focus()
}

async function plan() {
  const made = await muster.attempt(() =>
    told(
      client.POST('/api/musters', {
        body: {
          name: name.value,
          zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
          units: lines.value.map((one) => ({
            line: one.line,
            kind: one.kind || null,
            recipe: one.recipe,
          })),
          weekdays: hours.value.flatMap((one, weekday) =>
            one.on ? [{ weekday, start: one.start ?? '', end: one.end ?? '' }] : [],
          ),
          parade_day: parade.value,
        },
      }),
    ),
  )
  if (made) await router.push(`/${made.id}/plan`)
}
</script>

<template>
  <p class="mb-6 border-b border-rule pb-4 text-18" aria-live="polite">
    <b>{{ name }}</b> · <b>{{ models }}</b> models<template v-if="chosen.length">
      · {{ chosen.join(', ') }}</template
    ><template v-if="parade">
      · parade <b>{{ date(parade) }}</b></template
    >
  </p>
  <Complaints />

  <section v-if="step === 'units'">
    <h1>What is on the shelf?</h1>
    <p class="my-2">One unit a line: how many, what, and the scale.</p>
    <form class="flex gap-3" @submit.prevent="add">
      <input
        ref="first"
        v-model="typed"
        class="field flex-1"
        aria-label="A unit, such as 24 pikes foot 1/72"
        placeholder="24 pikes foot 1/72"
        name="line"
        @paste="pasted"
      />
      <button class="btn">Add</button>
    </form>
    <RosterLines
      v-if="several"
      v-model="roster"
      :recipes="recipes"
      @take="addAll"
      @leave="several = false"
    />
    <button v-else class="link" type="button" @click="several = true">
      Or paste a whole roster, or read it from a file
    </button>
    <ul class="my-4">
      <li
        v-for="(one, index) in lines"
        :key="index"
        class="flex min-h-12 items-center gap-4 border-b border-rule"
      >
        <b class="w-10 text-right">{{ one.count }}</b>
        <span class="flex-1">{{ one.name }}</span>
        <span class="fig text-14 text-soft">{{ scaleOf(index) }}</span>
        <select
          v-model="one.kind"
          class="field"
          :aria-label="`Kind of ${one.name}`"
          @change="setKind(one)"
        >
          <option value="" disabled>which kind?</option>
          <option v-for="kind in vocabulary.kinds" :key="kind" :value="kind">{{ kind }}</option>
        </select>
        <button class="link" @click="lines.splice(index, 1)">Remove</button>
      </li>
    </ul>
    <ActButton main :why="unitsLack" @press="go('days')">Next</ActButton>
  </section>

  <section v-else-if="step === 'days'">
    <h1>When do you sit at the bench, and when is the parade?</h1>
    <ul class="my-4">
      <li
        v-for="(day, index) in DAYS"
        :key="day"
        class="flex min-h-12 items-center gap-4 border-b border-rule"
      >
        <label class="flex min-h-11 w-44 items-center gap-3">
          <input
            v-model="hours[index]!.on"
            type="checkbox"
            class="size-5 accent-ink"
            :data-first="index === 0 || undefined"
          />
          {{ day }}
        </label>
        <template v-if="hours[index]!.on">
          <TimeField v-model="hours[index]!.start" :label="`${day} from`" />
          to
          <TimeField v-model="hours[index]!.end" :label="`${day} to`" />
        </template>
      </li>
    </ul>
    <label class="grid max-w-xs gap-1"
      >Parade day, if there is one
      <input v-model.lazy="paradeText" class="field" name="parade" placeholder="27 March" />
    </label>
    <p v-if="!paradeText" class="mt-2 text-14 text-soft">
      Without one the plan says when all will be done.
    </p>
    <p v-if="paradeText && !parade" class="mt-2">
      <span class="warn">Not a day:</span> type it as 27 March.
    </p>
    <div class="mt-6 flex gap-3">
      <button class="btn" @click="go('units')">Back</button>
      <ActButton main :why="daysLack" @press="go('recipes')">Next</ActButton>
    </div>
  </section>

  <section v-else>
    <h1>By which recipes?</h1>
    <p class="my-2">Proposed by kind. Each can be changed later in Recipes.</p>
    <label class="my-3 grid max-w-xs gap-1"
      >Name of the muster <input v-model="name" class="field" maxlength="60"
    /></label>
    <ul class="my-4">
      <li
        v-for="(one, index) in lines"
        :key="index"
        class="flex min-h-12 items-center gap-4 border-b border-rule"
      >
        <span class="flex-1"
          ><b>{{ one.count }}</b> {{ one.name }}</span
        >
        <select v-model="one.recipe" class="field" :aria-label="`Recipe of ${one.name}`">
          <option v-for="recipe in recipes" :key="recipe.id" :value="recipe.id">
            {{ recipe.name }}, {{ count(recipe.passes.length, 'pass', 'passes') }}
          </option>
        </select>
      </li>
    </ul>
    <div class="flex gap-3">
      <button class="btn" @click="go('days')">Back</button>
      <button class="btn btn-main" data-first :disabled="muster.busy" @click="plan">Plan it</button>
    </div>
  </section>
</template>
