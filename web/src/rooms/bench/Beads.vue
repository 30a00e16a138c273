<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useVocabulary } from '../../vocabulary'

/** The mix in parts, as beads on paper; thinners are open rings. Only the whole mix has a colour. */
const {
  parts,
  drops = [],
  ml = 0,
} = defineProps<{
  parts: Schemas['MixPart'][]
  colour: string | null
  drops?: number[]
  ml?: number
}>()
/** More would not be counted by eye: the ratio is drawn then. */
const MOST = 36
const beads = computed(() => {
  const whole = drops.reduce((sum, one) => sum + one, 0)
  return whole && whole <= MOST ? drops : parts.map((one) => one.parts)
})

const vocabulary = useVocabulary()
const thins = (name: string) => vocabulary.value.thinners.includes(name.toLowerCase())
</script>

<template>
  <div class="mt-3 flex flex-wrap gap-x-8 gap-y-2 bg-paper px-3 py-2">
    <div v-for="(part, index) in parts" :key="part.name">
      <svg :width="(beads[index] ?? 1) * 24" height="28" aria-hidden="true">
        <circle
          v-for="n in beads[index]"
          :key="n"
          :cx="n * 24 - 12"
          cy="14"
          r="10"
          :fill="thins(part.name) ? 'none' : (colour ?? 'none')"
          stroke="var(--key)"
        />
      </svg>
      <p class="fig text-28">
        <b>{{ drops[index] ?? part.parts }}</b> {{ part.name }}
      </p>
    </div>
    <p class="fig self-end text-20 text-soft">
      {{ drops.length ? `drops, ${ml} ml for this call` : 'parts' }}
    </p>
  </div>
</template>
