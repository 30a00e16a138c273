<script setup lang="ts">
import { computed } from 'vue'
import type { CallCard } from '../../api/client'
import type { Fold } from './fold'
import { CALL, fill, type Box, type Ghost, type Laid, type TimedBoard } from './layout'
import { wide } from './measure'

/** What lies on the board: beds of the sittings, drying, changeovers, calls with their names. */
const props = defineProps<{
  known: TimedBoard
  laid: Laid
  time: Fold
  /** What is drawn, in pixels. */
  from: number
  to: number
  height: number
  y: (tray: string | null | undefined) => number | null
  ghosts: Ghost[]
  now: number
  selected: string | null
  pointed: Box | null
  names: (card: CallCard) => string
}>()

const seen = <T,>(all: T[], left: (one: T) => number, right: (one: T) => number) =>
  all.filter((one) => right(one) >= props.from && left(one) <= props.to)
const boxes = computed(() =>
  seen(
    props.laid.boxes,
    (one) => one.x,
    (one) => one.x + one.w,
  ),
)
const labels = computed(() =>
  seen(
    props.laid.labels,
    (one) => one.x,
    (one) => one.right,
  ),
)
const dryings = computed(() =>
  seen(
    props.laid.dryings,
    (one) => one.left,
    (one) => one.right,
  ),
)
const bars = computed(() =>
  seen(
    props.laid.spans,
    (one) => one.x,
    (one) => one.x + one.w,
  ),
)
const beds = computed(() =>
  seen(
    props.time.spans,
    (one) => one.left,
    (one) => one.right,
  ),
)
const chores = computed(() =>
  props.known.chores.flatMap((one) => {
    const [x, row] = [props.time.at(one.start), props.y(one.tray)]
    if (row === null || x > props.to || x < props.from) return []
    return [{ x, w: Math.max(1, props.time.at(one.end) - x), y: row, key: one.key }]
  }),
)
const joins = computed(() =>
  props.known.joins.flatMap((one) => {
    const [x, a, b] = [props.time.at(one.at), props.y(one.one), props.y(one.two)]
    if (a === null || b === null || a === b || x < props.from || x > props.to) return []
    return [{ d: `M${x} ${a}V${b}`, key: one.key }]
  }),
)
/** Calls that wait for another unit's, as the user has said: dots from the one to the other. */
const orders = computed(() =>
  props.known.orders.flatMap((one) => {
    const [a, b] = [props.y(one.one), props.y(one.two)]
    if (a === null || b === null) return []
    return [{ d: `M${props.time.at(one.from)} ${a}V${b}H${props.time.at(one.to)}`, key: one.key }]
  }),
)
const pastX = computed(() => {
  const first = props.time.spans[0]
  return first && props.now > first.start ? Math.min(props.time.width, props.time.at(props.now)) : 0
})
const ghostBoxes = computed(() =>
  props.ghosts.flatMap((was) => {
    const row = props.y(was.tray)
    if (row === null) return []
    const x = props.time.at(was.start)
    return [{ x, w: Math.max(3, props.time.at(was.end) - x), y: row, key: was.key }]
  }),
)

/** A call too narrow for its name says it when it is pointed at. */
const said = computed(() => {
  const one = props.pointed
  if (!one || props.laid.labels.some((label) => label.key === one.card.id)) return null
  const text = one.card.name
  const size = wide(text) + 12
  return { text, size, x: Math.min(one.x, props.time.width - size), y: one.y }
}) // prettier-ignore
</script>

<template>
  <g>
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
    <path v-for="join in joins" :key="join.key" :d="join.d" stroke="var(--ink)" stroke-width="2" />
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
      :aria-label="names(one.card)"
      :aria-pressed="selected === one.card.id"
      class="cursor-grab outline-none"
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
  </g>
</template>
