<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { layOut } from './sittingBar'

/** The sittings to the parade day, and those used beyond it, as boxes filled by their work; those
 * in view bracketed. */
const props = defineProps<{
  sittings: Schemas['SittingSpan'][]
  /** What the board shows of them: read here, so that scrolling it draws only this anew. */
  view: { first: number; shown: number } | null
  zone: string
  parade: boolean
}>()
const emit = defineEmits<{ first: [index: number] }>()

const first = computed(() => props.view?.first ?? 0)
const shown = computed(() => props.view?.shown ?? 1)
const laid = computed(() => layOut(props.sittings, first.value + shown.value, props.parade))
const boxes = computed(() => props.sittings.slice(0, laid.value.many))
const step = computed(() => laid.value.step)
const gap = computed(() => Math.min(6, step.value / 4))
const at = (index: number) => laid.value.at(index)

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
        v-if="index % laid.labelled === 0"
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
      :d="`M${laid.flag + 2} 28V3h9v6h-9`"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
    />
  </svg>
</template>
