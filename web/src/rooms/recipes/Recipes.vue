<script setup lang="ts">
import { useElementSize, useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Schemas } from '../../api/client'
import { useHouse } from '../../house'
import { useKeys } from '../../keys'
import { begun } from '../../words'
import { useBook } from './book'
import Beside from './Beside.vue'
import ClosedSection from './ClosedSection.vue'
import type { Pass } from './draft'
import { asked, useDraftCheck } from './draftCheck'
import KeepBar from './KeepBar.vue'
import PartTabs from './PartTabs.vue'
import RecipeHead from './RecipeHead.vue'
import RuleSeam from './RuleSeam.vue'
import Schematic from './Schematic.vue'
import Stack from './Stack.vue'
import Textures from './Textures.vue'
import TypePass from './TypePass.vue'
import Versions from './Versions.vue'
import WhatIf, { type WhatIf as Tried } from './WhatIf.vue'
import ZoneStack from './ZoneStack.vue'

const route = useRoute()
const router = useRouter()
const house = useHouse()
const book = useBook()
const { list, code, trials, draft, chosen, kind } = book
const { subject, passes } = draft
const tried = ref<Tried>({
  air: { celsius: 20, humidity: 50 },
  acrylic: false,
  undercoat: 'as it is',
})
const picked = ref<string | null>(null)
const word = ref<string | null>(null)
const zone = ref('')
const part = ref<string | null>(null)
/** The passes in section, or the subject with its zones: both where there is width for both. */
const sectioned = useLocalStorage('sections', false)
const room = useTemplateRef<HTMLElement>('room')
const { width } = useElementSize(room)
const BOTH = 1400
const schematic = computed(() => !sectioned.value || width.value >= BOTH)
const lane = computed(() => {
  if (!sectioned.value && width.value < BOTH) return 0
  return width.value < 700 ? Math.max(240, width.value - 4) : 430
})

const inHand = computed(() =>
  kind.value
    ? asked(
        {
          code: chosen.value?.recipe.id ?? '',
          kind: kind.value,
          subject: subject.value,
          scale: chosen.value?.used_by[0]?.scale ?? null,
          passes: passes.value,
          zone: zone.value,
        },
        tried.value,
      )
    : null,
)
const { look, mending, wrong } = useDraftCheck(
  () => inHand.value,
  () => trials.value.length,
)
const comparing = ref(false)
const beside = computed(() => (comparing.value && passes.value.length ? inHand.value : null))
const section = computed(() => look.value?.section ?? null)
const shown = computed(() => zone.value || section.value?.zone || '')
const zones = computed(() => house.known?.zones[kind.value ?? 'figure'] ?? [])
const partZones = computed(() => {
  const own = passes.value.filter((one) => one.part === part.value).map((one) => one.key)
  const met = look.value?.seams.filter((one) => own.includes(one.key)).flatMap((one) => one.zones)
  return part.value ? [...new Set(met)] : null
})
const over = computed(() => passes.value.find((one) => one.key === picked.value)?.name ?? null)
const choosing = computed(() => word.value === 'zones' || word.value === 'all_but')
const ofAll = computed(() => look.value?.findings.filter((one) => !one.key) ?? [])

onMounted(async () => {
  const first = typeof route.query.recipe === 'string' ? route.query.recipe : null
  await Promise.all([house.load(), book.load(first)])
  const habits = house.house
  if (habits)
    tried.value = {
      air: { ...habits.air },
      acrylic: habits.habits?.weathering === 'all-acrylic',
      undercoat: 'as it is',
    }
})

/** The recipe that an address asks for while the room is open already. */
watch(
  () => route.query.recipe,
  (asked) => {
    if (typeof asked === 'string' && asked !== code.value && list.value?.some((one) => one.recipe.id === asked))
      void book.choose(asked)
  },
) // prettier-ignore

watch(code, (now) => {
  picked.value = word.value = part.value = null
  comparing.value = false
  zone.value = ''
  if (now) void router.replace({ query: { ...route.query, recipe: now } })
})

useKeys([
  { key: 's', shows: 'S', does: 'Section or schematic', act: () => (sectioned.value = !sectioned.value) },
  { key: 'u', shows: 'U', does: 'Take the last change back', act: draft.back },
]) // prettier-ignore

async function mend(way: Schemas['PricedRepair']) {
  if (way.habit) {
    const { name: habit, way: to } = way.habit
    const about = house.found?.habits.find((one) => one.name === habit)?.about ?? habit
    await house.setHabit(habit, to, about)
    tried.value = { ...tried.value, acrylic: house.house?.habits?.weathering === 'all-acrylic' }
  }
  book.mend(way)
}

function press(name: string) {
  if (choosing.value && picked.value) draft.turnZone(picked.value, name)
  else zone.value = name
}

function show(name: string | null) {
  part.value = name
  if (!name) return
  zone.value = partZones.value?.[0] ?? zone.value
}

function add(found: Pass[]) {
  const made = part.value ? found.map((one) => ({ ...one, part: part.value })) : found
  picked.value = draft.put(made, picked.value).at(-1) ?? null
}
</script>

<template>
  <Textures />
  <div ref="room">
    <p v-if="list === null" class="py-4 text-soft" role="status">Reading the recipes …</p>
    <RecipeHead v-else :book="book" :look="look" />
    <template v-if="kind">
      <Versions v-if="chosen" :chosen="chosen" @followed="book.taken(chosen.recipe.id)" />
      <div class="flex min-h-12 flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <PartTabs v-if="!beside" :passes="passes" :subject="subject" :part="part" @show="show" />
        <span class="flex-1" />
        <KeepBar :book="book" />
        <button
          v-if="width < BOTH && !beside"
          class="link min-h-9 px-0"
          :aria-pressed="sectioned"
          @click="sectioned = !sectioned"
        >
          {{ sectioned ? 'Schematic' : 'Section' }} <span class="kbd">S</span>
        </button>
      </div>
      <Beside
        v-if="beside"
        :asked="beside"
        :chosen="chosen"
        :recipes="list ?? []"
        @close="comparing = false"
      />
      <div
        v-if="!beside"
        class="grid gap-x-8"
        :class="schematic ? 'grid-cols-[340px_minmax(0,1fr)] max-lg:grid-cols-1' : 'grid-cols-1'"
      >
        <div v-if="schematic && look" class="min-w-0">
          <Schematic
            :kind="kind"
            :look="look"
            :picked="picked"
            :zone="shown"
            :choosing="choosing"
            @press="press"
          />
          <template v-if="section && !sectioned">
            <h2 class="mt-3">{{ begun(shown) }}, from the top</h2>
            <ZoneStack
              :section="section"
              :picked="picked"
              :material="subject.material ?? ''"
              :bare="look.bare.flat"
              @pick="picked = $event"
            />
          </template>
          <WhatIf v-model="tried" :look="look" class="mt-3" />
        </div>
        <div class="min-w-0">
          <div
            class="heads fig mt-1 grid gap-x-3 border-b border-key pb-1 text-13 text-soft"
            :class="{ lanes: lane }"
          >
            <span>Passes, the last on top</span>
            <span v-if="lane" class="max-md:hidden" :style="{ width: `${lane}px` }"
              >on the {{ shown }}, open</span
            >
            <span class="text-right max-md:hidden">a model</span>
            <span class="max-md:hidden">then wait</span>
            <span class="flex justify-between"
              ><span>recess</span><span>flat</span><span>edge</span></span
            >
          </div>
          <p v-for="one in wrong" :key="one" class="py-1" role="alert">
            <span class="warn">Its layers cannot be looked at</span>: {{ one }}
          </p>
          <Stack
            v-model:picked="picked"
            v-model:word="word"
            v-model:trials="trials"
            :draft="draft"
            :look="look"
            :zones="zones"
            :zone="shown"
            :part="partZones"
            :recipes="list ?? []"
            :code="chosen?.recipe.id ?? ''"
            :lane="lane"
            @mend="mend"
          />
          <RuleSeam
            v-for="one in ofAll"
            :key="one.code + one.words"
            :finding="one"
            @repair="mend"
          />
          <p v-if="mending && look?.findings.length" class="text-14 text-soft" role="status">
            Looking for what mends it …
          </p>
          <TypePass
            :kind="kind"
            :unit="chosen?.used_by[0]"
            :others="(list ?? []).filter((one) => one.recipe.id !== code)"
            :over="over"
            @add="add"
          />
          <div v-if="lane && section" class="closed mt-4 grid gap-3">
            <div>
              <h2>Closed</h2>
              <p class="text-14 text-soft">
                {{ begun(shown) }}: its layers to scale with each other.
              </p>
            </div>
            <ClosedSection
              :section="section"
              :picked="picked"
              :width="lane"
              :height="210"
              :material="subject.material ?? ''"
              @pick="picked = $event"
            />
            <WhatIf v-if="!schematic" v-model="tried" :look="look" />
          </div>
          <p v-if="look?.seams.some((one) => one.cautions.length)" class="mt-2 text-14 text-soft">
            {{ look.first }}
          </p>
        </div>
      </div>
      <p v-if="code" class="mt-3 flex flex-wrap gap-x-5 text-14">
        <button class="link" :aria-expanded="comparing" @click="comparing = !comparing">
          Beside another
        </button>
        <span class="fig"
          >Card
          <a
            v-for="one in ['pdf', 'svg']"
            :key="one"
            class="link inline-block content-center"
            :href="`/api/recipes/${code}/card?form=${one}`"
            :aria-label="`Recipe card, ${one}`"
            download
            >{{ one }}</a
          ></span
        >
        <span class="fig"
          >Core sample
          <a
            v-for="one in ['pdf', 'svg']"
            :key="one"
            class="link inline-block content-center"
            :href="`/api/recipes/${code}/core-sample?form=${one}&zone=${encodeURIComponent(shown)}`"
            :aria-label="`Core sample, ${one}`"
            download
            >{{ one }}</a
          ></span
        >
        <button class="link" @click="book.copy">Copy</button>
        <a class="link content-center" :href="`/api/recipes/${code}/file`" download>To a file</a>
        <button
          v-if="chosen && !chosen.put_away"
          class="link"
          @click="book.putAway(chosen.recipe.id, true)"
        >
          Put away
        </button>
      </p>
    </template>
  </div>
</template>

<style scoped>
.heads {
  grid-template-columns: minmax(0, 1fr) 58px 128px 98px;
}
.heads.lanes {
  grid-template-columns: minmax(0, 1fr) auto 58px 116px 98px;
}
.closed {
  grid-template-columns: minmax(0, 1fr) auto 296px;
}
@media (max-width: 767px) {
  .heads,
  .heads.lanes {
    grid-template-columns: minmax(0, 1fr) 98px;
  }
  .closed {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
