<script setup lang="ts">
/** What clear coats (dots for matt, ticks for gloss, both for satin), waits and errors are drawn
 *  with. Once a page. */
</script>

<template>
  <svg width="0" height="0" class="absolute" aria-hidden="true">
    <defs>
      <pattern id="clear-matt" width="5" height="5" patternUnits="userSpaceOnUse">
        <circle cx="1.5" cy="1.5" r=".8" fill="var(--ink)" />
      </pattern>
      <pattern id="clear-gloss" width="4" height="8" patternUnits="userSpaceOnUse">
        <path d="M2 0V8" stroke="var(--ink)" stroke-width=".8" />
      </pattern>
      <pattern id="clear-satin" width="8" height="8" patternUnits="userSpaceOnUse">
        <path d="M2 0V8" stroke="var(--ink)" stroke-width=".8" />
        <circle cx="6" cy="3" r=".8" fill="var(--ink)" />
      </pattern>
      <pattern
        id="wet"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="2.5" height="6" fill="var(--ink)" />
      </pattern>
      <pattern id="zigzag" width="24" height="12" patternUnits="userSpaceOnUse">
        <path d="M0 11L12 1L24 11" fill="none" stroke="var(--warning)" stroke-width="2.5" />
      </pattern>
    </defs>
  </svg>
</template>
