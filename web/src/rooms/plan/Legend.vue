<script setup lang="ts">
/** What the signs of the board mean, each drawn as it is there. */
defineProps<{ orders: boolean; ghosts: boolean }>()
</script>

<template>
  <footer
    class="flex flex-wrap gap-x-5 border-t border-rule pt-1 text-14 text-soft max-md:hidden [@media(max-height:720px)]:hidden"
  >
    <span class="flex items-center gap-2"
      ><svg width="26" height="8"><path d="M0 0H18L26 8H0Z" fill="url(#board-hatch)" /></svg>drying,
      first model to last</span
    >
    <span class="flex items-center gap-2"
      ><svg width="20" height="10"><path d="M.5 .5H19.5V9.5H.5Z" class="outline" /></svg>set up,
      clean up</span
    >
    <span class="flex items-center gap-2"
      ><svg width="8" height="14"><path d="M4 0V14" stroke="var(--ink)" stroke-width="2" /></svg>one
      changeover, shared</span
    >
    <span class="flex items-center gap-2"
      ><svg width="22" height="10"><path d="M.5 .5H21.5V9.5H.5Z" class="outline" /></svg>cut: one
      call</span
    >
    <span v-if="orders" class="flex items-center gap-2"
      ><svg width="20" height="4">
        <path d="M0 2H20" stroke="var(--ink)" stroke-width="2" stroke-dasharray="2 4" /></svg
      >waits for another unit</span
    >
    <span v-if="ghosts" class="flex items-center gap-2"
      ><svg width="18" height="14">
        <path
          d="M.5 .5H17.5V13.5H.5Z"
          fill="none"
          stroke="var(--ink)"
          stroke-dasharray="3 3"
        /></svg
      >stood here before</span
    >
    <span class="flex items-center gap-2"
      ><svg width="12" height="8"><path d="M2 1h8l-4 5z" fill="var(--ink)" /></svg>pinned</span
    >
    <span class="flex items-center gap-2"
      ><svg width="20" height="10">
        <path d="M0 10l5 -9l5 9l5 -9l5 9" fill="none" stroke="var(--key)" /></svg
      >the nights between</span
    >
  </footer>
</template>

<style scoped>
.outline {
  fill: var(--ground);
  stroke: var(--key);
}
</style>
