<script setup lang="ts">
import { computed } from 'vue'
import type { CallCard, View } from '../../api/client'
import PipStrip from '../../parts/PipStrip.vue'
import { fold } from './fold'
import { shorter } from './names'

const props = defineProps<{
  view: View
  first: number
  shown: number
  width: number
  selected: string | null
  now: number
  clock: (iso: string) => string
  day: (iso: string) => string
}>()
const emit = defineEmits<{ select: [call: string] }>()

const TOP = 56
const CALL = 22
/** Width that a row's pips have beside its name. */
const PIPS = 88
const board = computed(() => props.view.board)
const rowHeight = computed(() =>
  board.value.rows.length > 14 ? 27 : board.value.rows.length > 12 ? 34 : 40,
)
const height = computed(() => TOP + board.value.rows.length * rowHeight.value + 4)
const sittings = computed(() =>
  board.value.sittings
    .slice(props.first, props.first + props.shown)
    .map((one) => ({ start: Date.parse(one.start), end: Date.parse(one.end), iso: one.start })),
)
const time = computed(() => fold(sittings.value, props.width))
const from = computed(() => sittings.value[0]?.start ?? 0)
const to = computed(() => sittings.value.at(-1)?.end ?? 0)
const cards = computed(() => new Map(board.value.calls.map((card) => [card.id, card])))
const rowOf = computed(() => new Map(board.value.rows.map((row, index) => [row.id, index])))

function y(tray: string | null | undefined): number {
  return TOP + (rowOf.value.get(tray ?? '') ?? 0) * rowHeight.value + rowHeight.value / 2
}

function inView(start: string, end: string): boolean {
  return Date.parse(end) > from.value && Date.parse(start) < to.value
}

interface Box {
  card: CallCard
  x: number
  w: number
  y: number
  start: number
  end: number
  label: string
  late: boolean
}

const boxes = computed<Box[]>(() => {
  const made = board.value.pieces.flatMap((piece) => {
    const card = cards.value.get(piece.call)
    if (!card || !inView(piece.start, piece.end)) return []
    const start = Date.parse(piece.start)
    const end = Date.parse(piece.end)
    const x = time.value.at(start)
    const w = Math.max(3, time.value.at(end) - x)
    // Late is the piece that ends the call; what comes before it may well be in time.
    const late = card.late && end === Date.parse(card.end ?? '')
    return [{ card, x, w, y: y(card.tray), start, end, label: card.name, late }]
  })
  // A label that would run into the next call of its row is left to the details below.
  for (const box of made) {
    const next = made
      .filter((one) => one.y === box.y && one.x > box.x)
      .reduce((least, one) => Math.min(least, one.x), props.width)
    const room = next - box.x - 4
    const fits = (words: string) => words.length * 6.8 + Math.min(box.w, 24) <= room
    box.label = shorter(box.label).find(fits) ?? ''
  }
  return made
})

/** Drying runs from the end of the call; its slanted end goes from first model dry to last. */
const dryings = computed(() =>
  boxes.value.flatMap((box) => {
    if (!box.card.dry_to || !box.card.dry_from || box.card.end === null) return []
    if (Date.parse(box.card.end ?? '') !== box.end) return []
    const next = boxes.value
      .filter((one) => one.y === box.y && one.x > box.x)
      .reduce((least, one) => Math.min(least, one.x), props.width)
    const low = box.x + box.w
    const start = Math.min(next, Math.max(low, time.value.at(Date.parse(box.card.dry_from))))
    const end = Math.min(next, Math.max(start, time.value.at(Date.parse(box.card.dry_to))))
    if (end - low < 1) return []
    return [{ d: `M${low} ${box.y - 4}H${start}L${end} ${box.y + 4}H${low}Z`, id: box.card.id }]
  }),
)

const chores = computed(() =>
  board.value.chores
    .filter((one) => inView(one.start, one.end))
    .map((one) => {
      const x = time.value.at(Date.parse(one.start))
      return { x, w: Math.max(1, time.value.at(Date.parse(one.end)) - x), y: y(one.tray), ...one }
    }),
)

const joins = computed(() =>
  board.value.joins.flatMap((join) => {
    const one = cards.value.get(join.first)
    const two = cards.value.get(join.second)
    if (!one || !two || one.tray === two.tray || !inView(join.at, join.at)) return []
    const x = time.value.at(Date.parse(join.at))
    return [`M${x} ${y(one.tray)}V${y(two.tray)}`]
  }),
)

/** Calls that wait for another unit's, as the user has said: dots from the one to the other. */
const orders = computed(() =>
  board.value.orders.flatMap((order) => {
    const one = cards.value.get(order.before)
    const two = cards.value.get(order.after)
    if (!one?.end || !two?.start || !inView(one.end, two.start)) return []
    const x = Math.max(0, time.value.at(Date.parse(one.end)))
    const to = Math.min(props.width, time.value.at(Date.parse(two.start)))
    return [`M${x} ${y(one.tray)}V${y(two.tray)}H${to}`]
  }),
)

const ticks = computed(() =>
  time.value.spans.flatMap((span) => {
    const found = []
    for (let moment = span.start; moment <= span.end; moment += 600_000) {
      found.push({ x: time.value.at(moment), long: (moment - span.start) % 1_800_000 === 0 })
    }
    return found
  }),
)

const nowX = computed(() =>
  time.value.spans.some((span) => props.now >= span.start && props.now <= span.end)
    ? time.value.at(props.now)
    : null,
)

const readyLines = computed(() =>
  board.value.rows.map((row) => {
    const mine = boxes.value.filter((box) => box.card.tray === row.id)
    const begun = row.pips.some((pip) => pip.done > 0)
    const start = begun ? 0 : Math.min(...mine.map((box) => box.x))
    const unfinished = board.value.pieces.some(
      (piece) => cards.value.get(piece.call)?.tray === row.id && Date.parse(piece.end) > to.value,
    )
    const last = Math.max(0, ...mine.map((box) => box.x + box.w))
    return { y: y(row.id), start, end: unfinished ? props.width : last }
  }),
)

function texture(card: CallCard): string {
  if (card.colour) return card.colour
  if (card.finish === 'gloss') return 'url(#board-ticks)'
  return card.finish ? 'url(#board-dots)' : 'var(--ground)'
}

function title(box: Box): string {
  const card = box.card
  const at = `${props.day(card.start ?? '')} ${props.clock(new Date(box.start).toISOString())}`
  const shown = box.label && !card.name.includes(box.label) ? `${box.label}: ` : ''
  return `${card.tray_name}, ${shown}${card.name}, ${at} to ${props.clock(new Date(box.end).toISOString())}`
}
</script>

<template>
  <div class="flex">
    <div class="w-[166px] shrink-0" :style="{ paddingTop: `${TOP}px` }">
      <div
        v-for="row in board.rows"
        :key="row.id"
        class="flex items-center justify-between gap-1 border-b border-rule pr-3"
        :style="{ height: `${rowHeight}px` }"
      >
        <b class="truncate text-14">{{ row.name }}</b>
        <PipStrip
          :pips="row.pips"
          :name="row.name"
          class="shrink-0"
          :scale="Math.min(0.82, PIPS / (row.pips.length * 14))"
        />
      </div>
    </div>
    <svg
      :width="width + 24"
      :height="height"
      role="group"
      aria-label="Calls by tray and sitting"
      class="fig block overflow-visible text-13"
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
        <clipPath id="board-clip"><rect :width="width + 24" :height="height" /></clipPath>
      </defs>
      <g v-for="(span, index) in time.spans" :key="span.start">
        <rect
          :x="span.left"
          :y="TOP"
          :width="span.right - span.left"
          :height="height - TOP"
          fill="var(--paper)"
        />
        <text :x="span.left" y="16" font-size="16" font-weight="650" fill="var(--ink)">
          {{ day(new Date(span.start).toISOString()) }}
        </text>
        <text
          v-if="nowX === null || Math.abs(nowX - span.left) > 60"
          :x="span.left"
          y="34"
          font-size="14"
          fill="var(--soft)"
        >
          {{ clock(new Date(span.start).toISOString()) }}
        </text>
        <path
          v-if="index < time.spans.length - 1"
          :d="`M${span.right} ${TOP}l5 -10l5 10l5 -10l5 10M${span.right + 10} ${TOP}V${height}`"
          fill="none"
          stroke="var(--key)"
        />
      </g>
      <rect
        v-if="nowX !== null"
        :x="time.spans[0]?.left ?? 0"
        :y="TOP"
        :width="Math.max(0, nowX - (time.spans[0]?.left ?? 0))"
        :height="height - TOP"
        fill="var(--past)"
      />
      <path
        v-for="tick in ticks"
        :key="tick.x"
        :d="`M${tick.x} ${TOP}v${tick.long ? -9 : -5}`"
        stroke="var(--key)"
      />
      <g clip-path="url(#board-clip)">
        <path
          v-for="line in readyLines"
          :key="line.y"
          :d="line.end > line.start ? `M${line.start} ${line.y}H${line.end}` : ''"
          stroke="var(--key)"
        />
        <path v-for="dry in dryings" :key="dry.id" :d="dry.d" fill="url(#board-hatch)" />
        <path
          v-for="order in orders"
          :key="order"
          :d="order"
          fill="none"
          stroke="var(--ink)"
          stroke-width="2"
          stroke-dasharray="2 4"
        />
        <path v-for="join in joins" :key="join" :d="join" stroke="var(--ink)" stroke-width="2" />
        <rect
          v-for="chore in chores"
          :key="chore.start + chore.what"
          :x="chore.x"
          :y="chore.y - 4.5"
          :width="chore.w"
          height="9"
          fill="var(--ground)"
          stroke="var(--key)"
        />
        <g
          v-for="box in boxes"
          :key="box.card.id + box.start"
          tabindex="-1"
          role="button"
          :aria-label="title(box)"
          :aria-pressed="selected === box.card.id"
          class="cursor-pointer outline-none"
          @click="emit('select', box.card.id)"
        >
          <rect
            :x="box.x"
            :y="box.y - CALL / 2"
            :width="box.w"
            :height="CALL"
            :fill="texture(box.card)"
          />
          <rect
            :x="box.x - 0.5"
            :y="box.y - CALL / 2 - 0.5"
            :width="box.w + 1"
            :height="CALL + 1"
            fill="none"
            stroke="var(--key)"
          />
          <rect
            v-if="selected === box.card.id"
            :x="box.x - 3"
            :y="box.y - CALL / 2 - 3"
            :width="box.w + 6"
            :height="CALL + 6"
            fill="none"
            stroke="var(--ink)"
            stroke-width="2"
          />
          <path
            v-if="box.late"
            :d="`M${box.x} ${box.y + CALL / 2 + 2.5}h${box.w}`"
            stroke="var(--warning)"
            stroke-width="3"
          />
          <text
            v-if="box.label"
            :x="box.x + Math.min(box.w, 24) + 3"
            :y="box.y - 6"
            fill="var(--soft)"
            stroke="var(--paper)"
            stroke-width="3"
            paint-order="stroke"
          >
            {{ box.label }}{{ box.late ? ', late' : '' }}
          </text>
        </g>
      </g>
      <g v-if="nowX !== null">
        <path :d="`M${nowX} ${TOP - 14}V${height}`" stroke="var(--ink)" stroke-width="2" />
        <path :d="`M${nowX - 6} ${TOP - 20}h12l-6 8z`" fill="var(--ink)" />
        <text :x="nowX + 9" :y="TOP - 12" font-size="14" font-weight="650" fill="var(--ink)">
          {{ clock(new Date(now).toISOString()) }}
        </text>
      </g>
    </svg>
  </div>
</template>
