<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { CallCard, Schemas } from '../../api/client'
import BoardCalls from './BoardCalls.vue'
import BoardHead from './BoardHead.vue'
import BoardRows from './BoardRows.vue'
import { useCallDrag } from './callDrag'
import DragLayer from './DragLayer.vue'
import { fill, layOut, timed, type Box, type Ghost } from './layout'
import { forget, wide } from './measure'
import { useRows } from './rows'
import { useZoom } from './zoom'

const props = defineProps<{
  board: Schemas['Board']
  units: Schemas['UnitRow'][]
  muster: number
  /** Where calls stood before. */
  ghosts: Ghost[]
  /** A plan that is only tried: nothing in it can be moved. */
  still: boolean
  selected: string | null
  now: number
  clock: (iso: string) => string
  day: (iso: string) => string
}>()
const emit = defineEmits<{ select: [call: string] }>()

const HEAD = 50
const NAMES = 178
/** Above the first row, for the names of its calls. */
const AIR = 6
const DRAWN_AT_ONCE = 900
const box = useTemplateRef<HTMLElement>('box')
const picture = useTemplateRef<SVGSVGElement>('picture')
const { width: whole, height: tall } = useElementSize(box)
const width = computed(() => Math.max(320, whole.value - NAMES))
const spans = computed(() =>
  props.board.sittings.map((one) => ({ start: Date.parse(one.start), end: Date.parse(one.end) })),
)
const { time, from, to, first, shown, aside, stretch, origin, ...zoom } = useZoom(
  box,
  spans,
  width,
  () => props.board.pieces.length <= DRAWN_AT_ONCE,
)
aside.value = NAMES
const strips = computed(() => props.board.rows)
const units = computed(() => props.units)
const { rows, turn, turnAll, move } = useRows(() => props.muster, strips, units)
const rowHeight = computed(() => {
  const room = (tall.value - HEAD - AIR - 4) / Math.max(1, rows.value.length)
  return Math.max(24, Math.min(40, Math.floor(room)))
})
const height = computed(() => AIR + rows.value.length * rowHeight.value)
const middles = computed(
  () =>
    new Map(
      rows.value.flatMap((row, index) =>
        row.trays.map((tray): [string, number] => [
          tray.id,
          AIR + index * rowHeight.value + rowHeight.value / 2,
        ]),
      ),
    ),
)
const y = (tray: string | null | undefined) => middles.value.get(tray ?? '') ?? null
const begun = computed(
  () =>
    new Set(
      props.board.rows.filter((row) => row.pips.some((pip) => pip.done)).map((row) => row.id),
    ),
)
const stretched = computed(() =>
  stretch.value === 1
    ? undefined
    : { transform: `scaleX(${stretch.value})`, transformOrigin: `${origin.value}px 0` },
)
const known = computed(() => timed(props.board))
/** What a call is called to a reader, written once: a scale that turns must not write it anew. */
const names = computed(() => {
  void props.board
  const known = new Map<string, string>()
  return (card: CallCard): string => {
    let name = known.get(card.id)
    if (name === undefined) {
      const { start, end } = card
      const at =
        start && end ? `, ${props.day(start)} ${props.clock(start)} to ${props.clock(end)}` : ''
      name = `${card.tray_name}, ${card.name}${at}`
      known.set(card.id, name)
    }
    return name
  }
})
const fonts = ref(0)
const laid = computed(() => {
  void fonts.value
  return layOut(known.value, time.value, y, begun.value, wide)
})
const drag = useCallDrag(time, (x, y) => {
  const edge = picture.value?.getBoundingClientRect()
  return [x - (edge?.left ?? 0), y - (edge?.top ?? 0)]
})
const { held, byHand } = drag
const pointed = shallowRef<Box | null>(null)
function under(event: Event): Box | null {
  const found = (event.target as Element).closest<SVGElement>('[data-call]')?.dataset.call
  return found ? (laid.value.boxes.find((one) => one.key === found) ?? null) : null
}

function press(event: PointerEvent) {
  const found = under(event)
  if (!found) return
  emit('select', found.card.id)
  if (!props.still) drag.press(event, found)
}

function over(event: PointerEvent) {
  pointed.value = under(event)
}

// A finger that holds a call does not scroll the board.
useEventListener(
  picture,
  'touchmove',
  (event: TouchEvent) => held.value && byHand.value && event.preventDefault(),
  { passive: false },
)
useEventListener(window, 'pointermove', drag.moved, { passive: true })
useEventListener(window, 'pointerup', drag.released)
useEventListener(window, 'pointercancel', drag.letGo)
useEventListener(window, 'keydown', (event) => {
  if (event.key === 'Escape' && held.value) drag.letGo()
})
onMounted(() =>
  document.fonts.ready.then(() => {
    forget()
    fonts.value += 1
  }),
)
// A call in the hand is let go where the plan under it has become another, and only then.
watch(() => `${props.board.cost_s} ${props.board.finish} ${props.board.pieces.length}`, drag.letGo)

/** Take the chosen call up by keys. */
function takeUp(call: string) {
  const found = laid.value.boxes.find((one) => one.card.id === call)
  if (found && !props.still) {
    zoom.reach(found.start)
    void drag.takeUp(found)
  }
}

defineExpose({ ...zoom, first, shown, turnAll, takeUp, drag })
</script>

<template>
  <div
    ref="box"
    class="min-h-0 flex-1 overflow-auto overscroll-x-contain"
    role="region"
    aria-label="The board"
    tabindex="0"
  >
    <div class="grid w-max" :style="{ gridTemplateColumns: `${NAMES}px max-content` }">
      <div class="sticky top-0 left-0 z-[3] flex items-end bg-ground">
        <button
          v-if="rows.some((row) => row.several)"
          class="px-0 pb-1 text-14 text-soft underline decoration-dotted underline-offset-4"
          @click="turnAll"
        >
          {{ rows.some((row) => row.several && !row.folded) ? 'Fold units' : 'Open units' }}
        </button>
      </div>
      <BoardHead
        class="sticky top-0 z-[2]"
        :style="stretched"
        :time="time"
        :from="from"
        :to="to"
        :now="now"
        :clock="clock"
        :day="day"
      />
      <BoardRows
        class="sticky left-0 z-[1] bg-ground"
        :style="{ paddingTop: `${AIR}px` }"
        :rows="rows"
        :row-height="rowHeight"
        :dimmed="(row) => held !== null && !row.trays.some((one) => one.id === held?.card.tray)"
        @turn="turn"
        @move="move"
      />
      <svg
        ref="picture"
        :width="time.width + 24"
        :height="height"
        role="group"
        aria-label="Calls by tray and sitting"
        class="fig block text-13"
        :class="{ 'cursor-grabbing': byHand, stretched: stretch !== 1 }"
        :style="stretched"
        @pointerdown="press"
        @pointerover="over"
        @pointerleave="pointed = null"
      >
        <defs>
          <pattern id="board-hatch" width="8" height="8" patternUnits="userSpaceOnUse">
            <path d="M-2 10L10 -2M-2 2L2 -2M6 10L10 6" stroke="var(--ink)" stroke-width="2" />
          </pattern>
          <pattern id="board-dots" width="6" height="6" patternUnits="userSpaceOnUse">
            <rect width="6" height="6" fill="var(--paper)" />
            <circle cx="2" cy="2" r="1" fill="var(--ink)" />
          </pattern>
          <pattern id="board-ticks" width="4" height="8" patternUnits="userSpaceOnUse">
            <rect width="4" height="8" fill="var(--paper)" />
            <path d="M2 0V8" stroke="var(--ink)" />
          </pattern>
        </defs>
        <BoardCalls
          :known="known"
          :laid="laid"
          :time="time"
          :from="from"
          :to="to"
          :height="height"
          :y="y"
          :ghosts="ghosts"
          :now="now"
          :selected="selected"
          :pointed="held ? null : pointed"
          :names="names"
        />
        <DragLayer
          v-if="held"
          :drag="drag"
          :held="held"
          :row-height="rowHeight"
          :height="height"
          :width="time.width"
          :fill="fill(held.card)"
        />
      </svg>
    </div>
  </div>
</template>

<style scoped>
/* Names come back once the scale rests: stretched letters cannot be read. */
.stretched :deep(text) {
  visibility: hidden;
}
</style>
