<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** All sittings to the parade day as boxes filled by their work, those in view bracketed. */
const props = defineProps<{
  sittings: Schemas['SittingSpan'][]
  first: number
  shown: number
  zone: string
}>()
const emit = defineEmits<{ first: [index: number] }>()

const STEP = 26

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
    :width="sittings.length * STEP + 20"
    height="46"
    class="fig shrink-0 text-13"
    role="group"
    aria-label="Sittings to the parade day"
  >
    <path
      :d="`M${first * STEP + 1} 8V2H${(first + shown) * STEP - 5}V8`"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <g
      v-for="(one, index) in sittings"
      :key="one.start"
      role="button"
      tabindex="-1"
      class="cursor-pointer"
      :aria-label="`Show from the sitting of the ${dayOf(one.start)}`"
      @click="emit('first', index)"
    >
      <rect :x="index * STEP" y="0" :width="STEP" height="46" fill="transparent" />
      <rect
        :x="index * STEP + 1"
        y="12"
        :width="(STEP - 6) * Math.min(1, one.used_s / length(one))"
        height="12"
        fill="var(--ink)"
      />
      <rect
        :x="index * STEP + 1"
        y="12"
        :width="STEP - 6"
        height="12"
        fill="none"
        stroke="var(--key)"
      />
      <text :x="index * STEP + (STEP - 4) / 2" y="40" text-anchor="middle" fill="var(--soft)">
        {{ dayOf(one.start) }}
      </text>
    </g>
    <path
      :d="`M${sittings.length * STEP + 3} 26V11h10v7h-10`"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
    />
  </svg>
</template>
