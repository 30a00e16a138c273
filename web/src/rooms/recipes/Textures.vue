<script setup lang="ts">
/** What a clear coat is drawn with: dots for matt, ticks for gloss, both for satin. Once a page. */
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
    </defs>
  </svg>
</template>
