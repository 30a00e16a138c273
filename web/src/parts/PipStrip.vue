<script setup lang="ts">
import type { Pip } from '../api/client'

/** A tray as a strip of pips: height filled = passes done; slanted top = wet; notch = touch-up. */
const { pips, scale = 1 } = defineProps<{ pips: Pip[]; name: string; scale?: number }>()

function body(pip: Pip): string {
  return pip.touch_up ? 'M.5 .5H7V4H10.5V13.5H.5Z' : 'M.5 .5H10.5V13.5H.5Z'
}

function fill(pip: Pip): string {
  if (!pip.done) return ''
  const top = 13.5 - (13 * pip.done) / Math.max(1, pip.of)
  if (!pip.wet) return `M.5 ${top}H10.5V13.5H.5Z`
  return `M.5 ${Math.max(0.5, top - 3)}L10.5 ${Math.min(12, top + 4)}V13.5H.5Z`
}

function label(pip: Pip): string {
  const wet = pip.wet ? ', wet' : ''
  return `${pip.model}: ${pip.done} of ${pip.of}${wet}${pip.touch_up ? ', touch-up' : ''}`
}
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
    <g v-for="(pip, index) in pips" :key="pip.model" :transform="`translate(${index * 14} 0)`">
      <path :d="fill(pip)" fill="var(--ink)" />
      <path :d="body(pip)" fill="none" stroke="var(--ink)" />
      <path d="M0 17.5H12" stroke="var(--ink)" stroke-width="2" />
    </g>
  </svg>
</template>
