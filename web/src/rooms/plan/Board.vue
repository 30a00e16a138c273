<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { CallCard, Schemas } from '../../api/client'
import BoardHead from './BoardHead.vue'
import BoardRows from './BoardRows.vue'
import { useCallDrag } from './callDrag'
import DragLayer from './DragLayer.vue'
import { CALL, layOut, timed, type Box } from './layout'
import { forget, wide } from './measure'
import { useRows } from './rows'
import { useZoom } from './zoom'

const props = defineProps<{
  board: Schemas['Board']
  units: Schemas['UnitRow'][]
  muster: number
  /** Where calls stood before, by call. */
  ghosts: Map<string, { tray: string; start: number; end: number }>
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
const box = useTemplateRef<HTMLElement>('box')
const picture = useTemplateRef<SVGSVGElement>('picture')
const { width: whole, height: tall } = useElementSize(box)
const width = computed(() => Math.max(320, whole.value - NAMES))
const spans = computed(() =>
  props.board.sittings.map((one) => ({ start: Date.parse(one.start), end: Date.parse(one.end) })),
)
const { time, drawn, view, aside, scale, least, most, ...zoom } = useZoom(box, spans, width)
aside.value = NAMES
const strips = computed(() => props.board.rows)
const units = computed(() => props.units)
const { rows, turn, turnAll, move } = useRows(() => props.muster, strips, units)
const rowHeight = computed(() => {
  const room = (tall.value - HEAD - 6) / Math.max(1, rows.value.length)
  return Math.max(24, Math.min(40, Math.floor(room)))
})
const height = computed(() => rows.value.length * rowHeight.value)
const middles = computed(
  () =>
    new Map(
      rows.value.flatMap((row, index) =>
        row.trays.map((tray): [string, number] => [
          tray.id,
          index * rowHeight.value + rowHeight.value / 2,
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
const known = computed(() => timed(props.board))
const fonts = ref(0)
const laid = computed(() => {
  void fonts.value
  return layOut(known.value, time.value, y, begun.value, wide)
})
const seen = <T,>(all: T[], left: (one: T) => number, right: (one: T) => number) =>
  all.filter((one) => right(one) >= drawn.value.from && left(one) <= drawn.value.to)
const boxes = computed(() =>
  seen(
    laid.value.boxes,
    (one) => one.x,
    (one) => one.x + one.w,
  ),
)
const labels = computed(() =>
  seen(
    laid.value.labels,
    (one) => one.x,
    (one) => one.right,
  ),
)
const dryings = computed(() =>
  seen(
    laid.value.dryings,
    (one) => one.left,
    (one) => one.right,
  ),
)
const bars = computed(() =>
  seen(
    laid.value.spans,
    (one) => one.x,
    (one) => one.x + one.w,
  ),
)
const beds = computed(() =>
  seen(
    time.value.spans,
    (one) => one.left,
    (one) => one.right,
  ),
)
const chores = computed(() =>
  known.value.chores.flatMap((one) => {
    const [x, row] = [time.value.at(one.start), y(one.tray)]
    if (row === null || x > drawn.value.to || x < drawn.value.from) return []
    return [{ x, w: Math.max(1, time.value.at(one.end) - x), y: row, key: one.key }]
  }),
)
const joins = computed(() =>
  known.value.joins.flatMap((one) => {
    const [x, a, b] = [time.value.at(one.at), y(one.one), y(one.two)]
    if (a === null || b === null || a === b || x < drawn.value.from || x > drawn.value.to) return []
    return [{ d: `M${x} ${a}V${b}`, key: one.key }]
  }),
)
/** Calls that wait for another unit's, as the user has said: dots from the one to the other. */
const orders = computed(() =>
  known.value.orders.flatMap((one) => {
    const [a, b] = [y(one.one), y(one.two)]
    if (a === null || b === null) return []
    return [{ d: `M${time.value.at(one.from)} ${a}V${b}H${time.value.at(one.to)}`, key: one.key }]
  }),
)
const pastX = computed(() => {
  const first = spans.value[0]
  return first && props.now > first.start ? Math.min(time.value.width, time.value.at(props.now)) : 0
})
const ghostBoxes = computed(() =>
  [...props.ghosts].flatMap(([call, was]) => {
    const row = y(was.tray)
    if (row === null) return []
    const x = time.value.at(was.start)
    return [{ x, w: Math.max(3, time.value.at(was.end) - x), y: row, key: call }]
  }),
)

function fill(card: CallCard): string {
  if (card.colour) return card.colour
  if (card.finish === 'gloss') return 'url(#board-ticks)'
  return card.finish ? 'url(#board-dots)' : 'var(--ground)'
}

function title(one: Box): string {
  const { card } = one
  const at = `${props.day(card.start ?? '')} ${props.clock(new Date(one.start).toISOString())}`
  return `${card.tray_name}, ${card.name}, ${at} to ${props.clock(new Date(one.end).toISOString())}`
}

const drag = useCallDrag(time, (x, y) => {
  const edge = picture.value?.getBoundingClientRect()
  return [x - (edge?.left ?? 0), y - (edge?.top ?? 0)]
})
const { held, by, byHand, places, rails, aim } = drag
const pointed = shallowRef<Box | null>(null)
/** A call too narrow for its name says it when it is pointed at. */
const said = computed(() => {
  const one = pointed.value
  if (!one || held.value || laid.value.labels.some((label) => label.key === one.card.id)) return null
  const text = one.card.name
  const size = wide(text) + 12
  return { text, size, x: Math.min(one.x, time.value.width - size), y: one.y }
}) // prettier-ignore

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
watch(() => props.board, drag.letGo)

/** Take the chosen call up by keys. */
function takeUp(call: string) {
  const found = laid.value.boxes.find((one) => one.card.id === call)
  if (found && !props.still) {
    zoom.reach(found.start)
    void drag.takeUp(found)
  }
}

defineExpose({ ...zoom, view, scale, least, most, turnAll, takeUp, drag })
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
        :time="time"
        :from="drawn.from"
        :to="drawn.to"
        :now="now"
        :clock="clock"
        :day="day"
      />
      <BoardRows
        class="sticky left-0 z-[1] bg-ground"
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
        :class="{ 'cursor-grabbing': byHand }"
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
        <template v-for="bed in beds" :key="bed.start">
          <rect :x="bed.left" :width="bed.right - bed.left" :height="height" fill="var(--paper)" />
          <path :d="`M${bed.right + 10} 0V${height}`" stroke="var(--rule)" />
        </template>
        <rect v-if="pastX" :width="pastX" :height="height" fill="var(--past)" />
        <path v-for="line in laid.ready" :key="line.key" :d="line.d" stroke="var(--key)" />
        <path v-for="dry in dryings" :key="dry.key" :d="dry.d" fill="url(#board-hatch)" />
        <path
          v-for="order in orders"
          :key="order.key"
          :d="order.d"
          fill="none"
          stroke="var(--ink)"
          stroke-width="2"
          stroke-dasharray="2 4"
        />
        <rect
          v-for="was in ghostBoxes"
          :key="was.key"
          :x="was.x - 0.5"
          :y="was.y - CALL / 2 - 0.5"
          :width="was.w + 1"
          :height="CALL + 1"
          data-ghost
          fill="none"
          stroke="var(--ink)"
          stroke-dasharray="3 3"
        />
        <path
          v-for="join in joins"
          :key="join.key"
          :d="join.d"
          stroke="var(--ink)"
          stroke-width="2"
        />
        <rect
          v-for="chore in chores"
          :key="chore.key"
          :x="chore.x"
          :y="chore.y - 4.5"
          :width="chore.w"
          height="9"
          fill="var(--ground)"
          stroke="var(--key)"
        />
        <rect
          v-for="bar in bars"
          :key="bar.key"
          :x="bar.x"
          :y="bar.y - 5.5"
          :width="bar.w"
          height="11"
          fill="var(--paper)"
          stroke="var(--key)"
        />
        <rect
          v-for="one in boxes"
          :key="one.key"
          :x="one.x - 0.5"
          :y="one.y - CALL / 2 - 0.5"
          :width="one.w + 1"
          :height="CALL + 1"
          :fill="fill(one.card)"
          stroke="var(--key)"
          role="button"
          tabindex="-1"
          :data-call="one.key"
          :aria-label="title(one)"
          :aria-pressed="selected === one.card.id"
          class="cursor-grab touch-none outline-none"
        />
        <template v-for="one in boxes" :key="`s ${one.key}`">
          <rect
            v-if="selected === one.card.id"
            :x="one.x - 3"
            :y="one.y - CALL / 2 - 3"
            :width="one.w + 6"
            :height="CALL + 6"
            fill="none"
            stroke="var(--ink)"
            stroke-width="2"
            class="pointer-events-none"
          />
          <path
            v-if="one.late"
            :d="`M${one.x} ${one.y + CALL / 2 + 2.5}h${one.w}`"
            stroke="var(--warning)"
            stroke-width="3"
          />
          <path
            v-if="one.card.pinned"
            :d="`M${one.x + one.w / 2 - 4} ${one.y - CALL / 2 - 6}h8l-4 5z`"
            fill="var(--ink)"
          />
        </template>
        <text
          v-for="label in labels"
          :key="label.key"
          :x="label.x"
          :y="label.y"
          fill="var(--soft)"
          class="pointer-events-none"
        >
          {{ label.text }}
        </text>
        <g v-if="said" class="pointer-events-none">
          <rect
            :x="said.x - 2"
            :y="said.y - CALL / 2 - 21"
            :width="said.size"
            height="18"
            fill="var(--ground)"
            stroke="var(--key)"
          />
          <text :x="said.x + 4" :y="said.y - CALL / 2 - 8" fill="var(--ink)">{{ said.text }}</text>
        </g>
        <DragLayer
          v-if="held"
          :held="held"
          :by="by"
          :by-hand="byHand"
          :rails="rails"
          :waiting="places === null"
          :aim="aim"
          :row-height="rowHeight"
          :height="height"
          :width="time.width"
          :fill="fill(held.card)"
        />
      </svg>
    </div>
  </div>
</template>
