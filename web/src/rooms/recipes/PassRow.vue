<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { count } from '../../words'
import type { Pass } from './draft'
import InnerPasses from './InnerPasses.vue'
import OpenFilm from './OpenFilm.vue'
import Relief from './Relief.vue'
import Wait from './Wait.vue'

/** A pass as a row: its name, its layer where it lies, its wait, and what it looks like then. */
const props = defineProps<{
  number: number
  pass: Pass
  seam?: Schemas['Seam']
  section: Schemas['Section'] | null
  zone: string
  notes: number
  picked: boolean
  /** Pulled about: it stands apart from the others. */
  dragged: boolean
  lane: number
}>()
const emit = defineEmits<{ pick: []; grab: [event: PointerEvent]; thicken: [by: number] }>()
const unfolded = ref(false)
const STEP_PX = 12

const films = computed(() =>
  (props.section?.films ?? []).filter((one) => one.key === props.pass.key),
)
const look = computed(() => {
  const looks = props.seam?.appearances ?? {}
  return looks[props.zone] ?? (props.zone in looks ? undefined : Object.values(looks)[0])
})
const turns = computed(() =>
  props.seam?.finish ? `turns ${props.seam.finish === 'gloss' ? 'glossy' : props.seam.finish}` : '',
)
const minutes = computed(() => Math.round(props.pass.minutes * 10) / 10)

/** The film's top is pulled up or down: each so many pixels are a coat. */
const pulled = ref(0)
function pull(event: PointerEvent) {
  if (event.button) return
  const from = event.clientY
  const at = event.currentTarget as HTMLElement
  at.setPointerCapture(event.pointerId)
  const moved = (now: PointerEvent) => (pulled.value = Math.round((from - now.clientY) / STEP_PX))
  const ended = (now: PointerEvent) => {
    at.removeEventListener('pointermove', moved)
    at.removeEventListener('pointerup', ended)
    at.removeEventListener('pointercancel', ended)
    const by = pulled.value
    pulled.value = 0
    if (by && now.type === 'pointerup') emit('thicken', by)
  }
  at.addEventListener('pointermove', moved)
  at.addEventListener('pointerup', ended)
  at.addEventListener('pointercancel', ended)
}
</script>

<template>
  <div
    class="row grid min-h-12 items-center gap-x-3"
    :class="{ 'opacity-40': dragged, lanes: lane }"
  >
    <span
      class="fig flex h-full min-h-11 cursor-grab touch-none items-center pl-1 text-14 text-soft select-none"
      :title="`Drag ${pass.name} to another place; out at the side to take it out`"
      data-grip
      @pointerdown="emit('grab', $event)"
      >{{ number }}</span
    >
    <button
      class="min-h-11 min-w-0 text-left"
      :aria-expanded="picked"
      data-row
      @click="emit('pick')"
    >
      <span class="sr-only">Change </span><b class="block truncate">{{ pass.name }}</b>
      <span class="fig block truncate text-14 text-soft"
        >{{ seam?.words ?? pass.technique
        }}<template v-if="notes"> · {{ count(notes, 'note') }}</template></span
      >
    </button>
    <div
      v-if="lane"
      class="relative h-[52px] bg-paper max-md:col-span-full max-md:row-start-3"
      :style="{ width: `${lane}px` }"
      @click="emit('pick')"
    >
      <OpenFilm v-if="section" :relief="section.relief" :films="films" :width="lane" :height="52" />
      <span
        v-if="picked && seam?.thickens"
        class="fig absolute inset-y-0 right-0 grid w-11 cursor-ns-resize touch-none place-items-center border-l border-key bg-ground text-14 select-none"
        data-pull
        :title="`Pull ${pass.name} thicker or thinner`"
        @pointerdown="pull"
        @click.stop
        >{{ pulled ? (pulled > 0 ? `+${pulled}` : pulled) : `×${pass[seam.thickens] ?? 1}` }}</span
      >
    </div>
    <span class="fig text-right text-14 max-md:col-start-2 max-md:row-start-2 max-md:text-left"
      >{{ minutes }} min</span
    >
    <Wait v-if="seam?.wait" :words="seam.wait" class="max-md:col-start-3 max-md:row-start-2" />
    <span v-else class="max-md:hidden" />
    <span
      v-if="turns"
      class="fig justify-self-center text-14 text-soft max-md:col-start-3 max-md:row-start-1 max-md:justify-self-start"
      >{{ turns }}</span
    >
    <Relief
      v-else-if="look"
      :look="look"
      class="justify-self-end max-md:col-start-3 max-md:row-start-1"
    />
    <span v-else class="max-md:hidden" />
  </div>
  <div v-if="seam?.inside.length" class="pl-9 max-md:pl-0">
    <button
      class="link min-h-9 px-0 text-14"
      :aria-expanded="unfolded"
      @click="unfolded = !unfolded"
    >
      {{ unfolded ? 'fold up' : `unfold ${count(seam.inside.length, 'pass', 'passes')}` }}
    </button>
    <InnerPasses v-if="unfolded" :passes="seam.inside" :zone="zone" />
  </div>
</template>

<style scoped>
.row {
  grid-template-columns: 28px minmax(0, 1fr) 58px 128px 98px;
}
.row.lanes {
  grid-template-columns: 28px minmax(0, 1fr) auto 58px 116px 98px;
}
@media (max-width: 767px) {
  .row,
  .row.lanes {
    grid-template-columns: 24px minmax(0, 1fr) 98px;
  }
}
</style>
