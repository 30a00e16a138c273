<script setup lang="ts">
/** A patch of paint on paper, with a key line outside it. */
const {
  colour,
  width = 44,
  height = 26,
} = defineProps<{ colour: string; width?: number; height?: number }>()
</script>

<template>
  <svg :width="width" :height="height" class="shrink-0 bg-paper" aria-hidden="true">
    <rect x="1" y="1" :width="width - 2" :height="height - 2" :fill="colour" />
    <rect x=".5" y=".5" :width="width - 1" :height="height - 1" fill="none" stroke="var(--key)" />
  </svg>
</template>
