<script setup lang="ts">
import { computed } from 'vue'
import type { Fold } from './fold'
import { wide } from './measure'

/** The days over the board: each sitting with its start, the minutes, and the time it is. */
const props = defineProps<{
  time: Fold
  from: number
  to: number
  now: number
  clock: (iso: string) => string
  day: (iso: string) => string
}>()

const HEIGHT = 50
const iso = (moment: number) => new Date(moment).toISOString()
const nowX = computed(() => {
  const span = props.time.spans.find((one) => props.now >= one.start && props.now <= one.end)
  return span ? props.time.at(props.now) : null
})
const spans = computed(() =>
  props.time.spans
    .filter((span) => span.right >= props.from && span.left <= props.to)
    .map((span) => {
      const room = span.right - span.left + 14
      const day = props.day(iso(span.start))
      const short = day.split(' ').at(-1) ?? day
      const fits = (text: string) => wide(text) * 1.3 <= room
      const hour = props.clock(iso(span.start))
      return {
        ...span,
        day: fits(day) ? day : fits(short) ? short : '',
        hour: fits(hour) ? hour : '',
      }
    }),
)
/** A stroke each ten minutes, longer each half hour; fewer where they would run together. */
const ticks = computed(() => {
  const { perMinute } = props.time
  const every = perMinute > 0.45 ? 10 : perMinute > 0.15 ? 30 : 120
  return spans.value.flatMap((span) => {
    let d = ''
    for (let moment = span.start; moment <= span.end; moment += every * 60_000) {
      const long = ((moment - span.start) / 60_000) % (every * 3) === 0
      d += `M${(span.left + ((moment - span.start) / 60_000) * perMinute).toFixed(1)} ${HEIGHT}v${long ? -9 : -5}`
    }
    return d ? [{ d, key: span.start }] : []
  })
})
</script>

<template>
  <svg :width="time.width + 24" :height="HEIGHT" class="fig block bg-ground" aria-hidden="true">
    <template v-for="span in spans" :key="span.start">
      <text :x="span.left" y="15" font-size="16" font-weight="650" fill="var(--ink)">
        {{ span.day }}
      </text>
      <text
        v-if="nowX === null || Math.abs(nowX - span.left) > 48"
        :x="span.left"
        y="33"
        font-size="14"
        fill="var(--soft)"
      >
        {{ span.hour }}
      </text>
      <path :d="`M${span.right} ${HEIGHT}l5 -9l5 9l5 -9l5 9`" fill="none" stroke="var(--key)" />
    </template>
    <path v-for="tick in ticks" :key="tick.key" :d="tick.d" stroke="var(--key)" />
    <text
      v-if="nowX !== null"
      :x="nowX + 3"
      y="33"
      font-size="14"
      font-weight="700"
      fill="var(--ink)"
    >
      {{ clock(iso(now)) }}
    </text>
  </svg>
</template>
