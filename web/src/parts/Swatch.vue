<script setup lang="ts">
/** Paint lies on paper with a key line outside it; a clear product has a texture instead. */
const { colour = null, finish = null } = defineProps<{
  colour?: string | null
  finish?: string | null
}>()
</script>

<template>
  <svg width="44" height="26" aria-hidden="true" class="shrink-0 bg-paper">
    <defs>
      <pattern id="dots" width="6" height="6" patternUnits="userSpaceOnUse">
        <circle cx="2" cy="2" r="1" fill="var(--ink)" />
      </pattern>
      <pattern id="ticks" width="4" height="8" patternUnits="userSpaceOnUse">
        <path d="M2 0V8" stroke="var(--ink)" />
      </pattern>
    </defs>
    <rect v-if="colour" x="1" y="1" width="42" height="24" :fill="colour" />
    <rect
      v-else-if="finish"
      x="1"
      y="1"
      width="42"
      height="24"
      :fill="finish === 'gloss' ? 'url(#ticks)' : 'url(#dots)'"
    />
    <path v-if="finish && finish !== 'matt'" d="M1 2H43" stroke="var(--ink)" stroke-width="2" />
    <rect x=".5" y=".5" width="43" height="25" fill="none" stroke="var(--key)" />
  </svg>
</template>
