<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'

/** The sittings to the parade day, and those used beyond it, as boxes filled by their work; those
 * in view bracketed. */
const props = defineProps<{
  sittings: Schemas['SittingSpan'][]
  first: number
  shown: number
  zone: string
  parade: boolean
}>()
const emit = defineEmits<{ first: [index: number] }>()

const WIDEST = 26
const ROOM = 22 * WIDEST
/** So many boxes stand after the last used one where no parade day ends them. */
const AHEAD = 3
const FLAG = 14

const beforeParade = computed(() => props.sittings.filter((one) => !one.after_parade).length)
const boxes = computed(() => {
  const used = props.sittings.reduce((last, one, index) => (one.used_s ? index + 1 : last), 0)
  const many = props.parade ? Math.max(used, beforeParade.value) : used + AHEAD
  return props.sittings.slice(0, Math.max(many, props.first + props.shown))
})
const step = computed(() => Math.min(WIDEST, ROOM / Math.max(1, boxes.value.length)))
const gap = computed(() => Math.min(6, step.value / 4))
const labelled = computed(() => Math.ceil(20 / step.value))
const flag = computed(() => Math.min(beforeParade.value, boxes.value.length) * step.value)

/** Where a box begins; the flag of the parade day stands between. */
function at(index: number): number {
  return index * step.value + (props.parade && index >= beforeParade.value ? FLAG : 0)
}

function length(one: Schemas['SittingSpan']): number {
  return (Date.parse(one.end) - Date.parse(one.start)) / 1000
}

function dayOf(iso: string): string {
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', timeZone: props.zone }).format(
    new Date(iso),
  )
}
</script>

<template>
  <svg
    :width="boxes.length * step + 20"
    height="46"
    class="fig shrink-0 text-13"
    role="group"
    aria-label="Sittings to come"
  >
    <path
      :d="`M${at(first) + 1} 8V2H${at(first + shown - 1) + step - gap + 1}V8`"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <g
      v-for="(one, index) in boxes"
      :key="one.start"
      role="button"
      tabindex="-1"
      class="cursor-pointer"
      :aria-label="`Show from the sitting of the ${dayOf(one.start)}`"
      @click="emit('first', index)"
    >
      <rect :x="at(index)" y="0" :width="step" height="46" fill="transparent" />
      <rect
        :x="at(index) + 1"
        y="12"
        :width="(step - gap) * Math.min(1, one.used_s / length(one))"
        height="12"
        fill="var(--ink)"
      />
      <rect
        :x="at(index) + 1"
        y="12"
        :width="step - gap"
        height="12"
        fill="none"
        stroke="var(--key)"
      />
      <text
        v-if="index % labelled === 0"
        :x="at(index) + (step - 4) / 2"
        y="40"
        text-anchor="middle"
        fill="var(--soft)"
      >
        {{ dayOf(one.start) }}
      </text>
    </g>
    <path
      v-if="parade"
      :d="`M${flag + 2} 28V3h9v6h-9`"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
    />
  </svg>
</template>
