<script setup lang="ts">
import { computed } from 'vue'

/** A wait as a wet stretch whose length tells short from long, with its figure. */
const props = defineProps<{ words: string }>()

const minutes = computed(() => {
  const unit: Record<string, number> = { min: 1, h: 60, d: 1440, days: 1440, day: 1440 }
  let found = 0
  for (const [, many, of] of props.words.matchAll(/(\d+(?:\.\d+)?)\s*(min|h|days?|d)?/g))
    found += Number(many) * (unit[of ?? 'min'] ?? 1)
  return found
})
const length = computed(() => Math.round(16 + 22 * Math.log10(Math.max(1, minutes.value / 5))))
</script>

<template>
  <span class="fig flex items-center gap-2 text-14 whitespace-nowrap">
    <svg :width="length" height="10" aria-hidden="true" class="shrink-0 max-md:hidden">
      <rect x=".5" y=".5" :width="length - 1" height="9" fill="url(#wet)" stroke="var(--key)" />
    </svg>
    {{ words }}
  </span>
</template>
