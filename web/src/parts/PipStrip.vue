<script setup lang="ts">
import { computed } from 'vue'
import type { Pip } from '../api/client'

/** A tray as a strip of pips: height filled = passes done; slanted top = wet; notch = touch-up.
 * Three paths for all of them: a whole force has hundreds. */
const { pips, scale = 1 } = defineProps<{ pips: Pip[]; name: string; scale?: number }>()

const STEP = 14
const body = ({ touch_up }: Pip, x: number) =>
  touch_up ? `M${x} .5h6.5V4h3.5V13.5h-10Z` : `M${x} .5h10V13.5h-10Z`

function fill(pip: Pip, x: number): string {
  if (!pip.done) return ''
  const top = 13.5 - (13 * pip.done) / Math.max(1, pip.of)
  if (!pip.wet) return `M${x} ${top}h10V13.5h-10Z`
  return `M${x} ${Math.max(0.5, top - 3)}L${x + 10} ${Math.min(12, top + 4)}V13.5h-10Z`
}

function label(pip: Pip): string {
  const wet = pip.wet ? ', wet' : ''
  return `${pip.model}: ${pip.done} of ${pip.of}${wet}${pip.touch_up ? ', touch-up' : ''}`
}

const all = (shape: (pip: Pip, x: number) => string) =>
  pips.map((pip, index) => shape(pip, index * STEP + 0.5)).join('')
const filled = computed(() => all(fill))
const bodies = computed(() => all(body))
const trays = computed(() => all((_, x) => `M${x - 0.5} 17.5h12`))
</script>

<template>
  <svg
    :width="(pips.length * 14 - 2) * scale"
    :height="19 * scale"
    :viewBox="`0 0 ${pips.length * 14 - 2} 19`"
    role="img"
    :aria-label="`${name}: ${pips.map(label).join('; ')}`"
    class="shrink-0"
  >
    <path v-if="filled" :d="filled" fill="var(--ink)" />
    <path :d="bodies" fill="none" stroke="var(--ink)" />
    <path :d="trays" stroke="var(--ink)" stroke-width="2" />
  </svg>
</template>
