<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import type { Asked } from './draftCheck'
import Relief from './Relief.vue'

/** The draft beside an older version, another recipe or another undercoat, pass by pass. */
const props = defineProps<{
  asked: Asked
  chosen: Schemas['RecipeOut'] | null
  recipes: Schemas['RecipeOut'][]
}>()
const emit = defineEmits<{ close: [] }>()
const muster = useMuster()
const UNDERCOATS = ['black', 'grey', 'white', 'oxide', 'brown', 'none'] as const

/** What it is laid beside: `recipe@version`, or `/grey` for an undercoat. */
const beside = ref(
  props.chosen && props.chosen.recipe.version > 1
    ? `${props.chosen.recipe.id}@${props.chosen.recipe.version - 1}`
    : '/grey',
)
const found = ref<Schemas['Beside'] | null>(null)
let times = 0

const own = computed(() => {
  const now = props.chosen?.recipe
  if (!now) return []
  return Array.from({ length: now.version }, (_, n) => now.version - n).map((version) => ({
    value: `${now.id}@${version}`,
    words: version === now.version ? `version ${version}, as it is kept` : `version ${version}`,
  }))
})

watch(
  () => JSON.stringify([props.asked, beside.value]),
  async () => {
    const mine = ++times
    const [recipe = '', version = '0'] = beside.value.split('@')
    const over = beside.value.startsWith('/')
    const body = {
      ...props.asked,
      recipe: over ? '' : recipe,
      version: Number(version),
      over: over ? (beside.value.slice(1) as (typeof UNDERCOATS)[number]) : null,
    }
    const next = await muster.attempt(() => told(client.POST('/api/draft-beside', { body })))
    if (mine === times && next) found.value = next
  },
  { immediate: true },
)
/** What the right side is called. */
const name = computed(() => {
  if (beside.value === '/none') return 'without undercoat'
  if (beside.value.startsWith('/')) return `over ${beside.value.slice(1)} undercoat`
  const mine = own.value.find((one) => one.value === beside.value)
  return (
    mine?.words ??
    props.recipes.find((one) => beside.value.startsWith(`${one.recipe.id}@`))?.recipe.name ??
    ''
  )
})
const rows = computed(() => [...(found.value?.rows ?? [])].reverse())
const GRAVE = { error: 'goes wrong', warning: 'beware', note: '' } as const
const marks = (one: Schemas['BesidePass']) =>
  one.marks.filter((each) => each.severity !== 'note').map((each) => GRAVE[each.severity])
</script>

<template>
  <section aria-label="Side by side">
    <div class="flex flex-wrap items-center gap-3 pb-2">
      <label class="flex items-center gap-3"
        >Beside
        <select v-model="beside" class="field">
          <optgroup label="Versions">
            <option v-for="one in own" :key="one.value" :value="one.value">{{ one.words }}</option>
          </optgroup>
          <optgroup label="Over another undercoat">
            <option v-for="one in UNDERCOATS" :key="one" :value="`/${one}`">
              {{ one === 'none' ? 'no undercoat' : `${one} undercoat` }}
            </option>
          </optgroup>
          <optgroup label="Other recipes">
            <option
              v-for="one in recipes.filter((each) => each.recipe.id !== chosen?.recipe.id)"
              :key="one.recipe.id"
              :value="`${one.recipe.id}@${one.recipe.version}`"
            >
              {{ one.recipe.name }}
            </option>
          </optgroup>
        </select></label
      >
      <p v-if="found" class="fig" role="status">
        <template v-if="found.same">Nothing differs.</template
        ><template v-else>
          <b>{{ found.one.minutes }} min</b> and <b>{{ found.one.hours }} h</b> beside
          <b>{{ found.other.minutes }} min</b> and <b>{{ found.other.hours }} h</b
          ><template v-if="found.one.grave !== found.other.grave"
            >; to mend: <b>{{ found.one.grave }}</b> beside <b>{{ found.other.grave }}</b></template
          ></template
        >
      </p>
      <span class="flex-1" />
      <button class="btn" @click="emit('close')">Close</button>
    </div>
    <p
      class="fig grid grid-cols-[minmax(0,1fr)_200px_minmax(0,1fr)] gap-4 text-13 text-soft max-md:hidden"
    >
      <span>as it is now</span>
      <span class="text-center">what differs; colours apart in CIEDE2000</span>
      <span>{{ name }}</span>
    </p>
    <ol reversed class="border-t border-key">
      <li
        v-for="(row, n) in rows"
        :key="n"
        class="grid grid-cols-[minmax(0,1fr)_200px_minmax(0,1fr)] items-center gap-4 border-b border-rule py-1 max-md:grid-cols-1"
      >
        <template v-for="(one, side) in [row.one, row.other]" :key="side">
          <p
            v-if="side === 1"
            class="fig text-center text-14 max-md:text-left"
            :class="row.apart.length || !row.one || !row.other ? 'font-bold' : 'text-soft'"
          >
            {{
              !row.one
                ? 'only there'
                : !row.other
                  ? 'only here'
                  : row.apart.join(' · ') || 'the same'
            }}
          </p>
          <div
            v-if="one"
            class="grid min-h-11 min-w-0 grid-cols-[minmax(0,1fr)_52px_64px_98px] items-center gap-2"
          >
            <span class="min-w-0">
              <b class="block truncate">{{ one.name }}</b>
              <span class="fig block truncate text-14 text-soft"
                ><span v-if="marks(one).length" class="warn">{{ marks(one).join(', ') }}: </span
                >{{ one.words }}</span
              >
            </span>
            <span class="fig text-right text-14">{{ Math.round(one.minutes * 10) / 10 }} min</span>
            <span class="fig text-14 text-soft">{{ one.wait }}</span>
            <span v-if="one.finish" class="fig text-14 text-soft">turns {{ one.finish }}</span>
            <Relief v-else-if="one.look" :look="one.look" />
          </div>
          <div v-else class="max-md:hidden" />
        </template>
      </li>
    </ol>
  </section>
</template>
