<script setup lang="ts">
import { Tab, TabGroup, TabList } from '@headlessui/vue'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '../../api/client'
import Swatch from '../../parts/Swatch.vue'
import { touches, type Pass, type useDraft } from './draft'
import PassEditor from './PassEditor.vue'
import { useVocabulary } from '../../vocabulary'
import Relief from './Relief.vue'
import Seam from './Seam.vue'
import TrialPatch from './TrialPatch.vue'

/** Passes from the bare material up, of the whole model or of one zone. */
const props = defineProps<{
  draft: ReturnType<typeof useDraft>
  look: Schemas['DraftReport'] | null
  zones: string[]
  kind: Schemas['DraftIn']['kind']
  code: string
}>()
const trials = defineModel<Schemas['TrialOut'][]>('trials', { required: true })
const emit = defineEmits<{ mend: [way: Schemas['PricedRepair']] }>()

const open = ref<string | null>(null)
const tab = ref(0)
const passes = computed(() => props.draft.passes.value)
const vocabulary = useVocabulary()
/** The zones that carry the subject's colours, and those that a pass names. */
const tabs = computed(() => {
  const named = passes.value.flatMap((one) => one.zones ?? [])
  const main = vocabulary.value.main_zones[props.kind] ?? []
  return props.zones.filter((one) => main.includes(one) || named.includes(one))
})
const zone = computed(() => (tab.value ? tabs.value[tab.value - 1] : undefined))
const shown = computed(() =>
  passes.value
    .map((one, index) => ({ one, index }))
    .filter(({ one }) => !zone.value || touches(one, zone.value)),
)

watch(
  () => props.code,
  () => {
    open.value = null
    tab.value = 0
  },
)

function edit(index: number, pass: Pass) {
  props.draft.change(() => (passes.value[index] = pass))
}

function takeOut(index: number) {
  props.draft.change(() => passes.value.splice(index, 1))
  open.value = null
}

/** Recess, flat and edge after a pass: of the zone in view, or of the first that it touches. */
function relief(key: string): Schemas['Appearance'] | undefined {
  const looks = seam(key)?.appearances ?? {}
  return zone.value ? looks[zone.value] : Object.values(looks)[0]
}

const seam = (key: string) => props.look?.seams.find((one) => one.key === key)
const said = (key: string) => props.look?.findings.filter((found) => found.key === key) ?? []
const graveIn = (name: string) =>
  passes.value.some(
    (one) => one.zones?.includes(name) && said(one.key).some((found) => found.severity !== 'note'),
  )
</script>

<template>
  <TabGroup :selected-index="tab" @change="tab = $event">
    <TabList class="flex flex-wrap border-b border-rule" aria-label="Zones">
      <Tab
        v-for="name in ['whole model', ...tabs]"
        :key="name"
        class="min-h-11 border-b-4 border-transparent px-3 text-14 aria-selected:border-ink aria-selected:font-bold"
        >{{ name }}<span v-if="name !== 'whole model' && graveIn(name)" class="warn"> !</span></Tab
      >
    </TabList>
  </TabGroup>
  <ol>
    <li v-for="{ one, index } in shown" :key="one.key" class="border-b border-rule py-1">
      <div class="flex items-center gap-4">
        <span class="fig w-5 text-14 text-soft">{{ index + 1 }}</span>
        <Swatch :colour="seam(one.key)?.dried ?? one.colour" :finish="one.finish" />
        <div class="min-w-0 flex-1">
          <b>{{ one.name }}</b>
          <span class="fig block truncate text-14 text-soft">{{
            seam(one.key)?.words ?? one.technique
          }}</span>
        </div>
        <Relief v-if="relief(one.key)" :look="relief(one.key)!" />
        <span class="fig w-16 text-right">{{ Math.round(one.minutes * 10) / 10 }} min</span>
        <button
          class="link"
          :aria-label="`Move ${one.name} up`"
          :disabled="!index"
          :title="index ? undefined : 'It is the first already'"
          @click="draft.move(index, -1)"
        >
          Up
        </button>
        <button
          class="link"
          :aria-label="`Move ${one.name} down`"
          :disabled="index === passes.length - 1"
          :title="index === passes.length - 1 ? 'It is the last already' : undefined"
          @click="draft.move(index, 1)"
        >
          Down
        </button>
        <button
          class="link"
          :aria-label="`Change ${one.name}`"
          :aria-expanded="open === one.key"
          @click="open = open === one.key ? null : one.key"
        >
          {{ open === one.key ? 'Close' : 'Change' }}
        </button>
      </div>
      <PassEditor
        v-if="open === one.key"
        :model-value="one"
        :zones="[...zones, 'recesses', 'edges']"
        @update:model-value="edit(index, $event)"
        @remove="takeOut(index)"
      >
        <TrialPatch v-model="trials" :code="code" :pass-key="one.key" :name="one.name" />
      </PassEditor>
      <Seam :seam="seam(one.key)" :findings="said(one.key)" @repair="emit('mend', $event)" />
    </li>
  </ol>
  <p v-if="!shown.length" class="py-3 text-soft">
    No pass touches the {{ zone ?? 'model' }}. Add one below.
  </p>
</template>
