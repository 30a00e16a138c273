<script setup lang="ts">
/** Whether this screen can be trusted with colour. */
const STEPS = Array.from({ length: 16 }, (_, n) => {
  const value = Math.round((n / 15) * 255)
  return `rgb(${value}, ${value}, ${value})`
})
</script>

<template>
  <details class="mt-6 border-t border-rule pt-2">
    <summary class="min-h-11 cursor-pointer content-center">Can this screen be trusted?</summary>
    <svg
      width="480"
      height="40"
      role="img"
      aria-label="A ramp of sixteen greys from black to white"
    >
      <rect v-for="(step, n) in STEPS" :key="n" :x="n * 30" width="30" height="40" :fill="step" />
    </svg>
    <p class="mt-2 max-w-[70ch] text-14">
      All sixteen greys should be told apart, and none should look coloured. If the darkest run
      together, turn the brightness up; if they look blue or yellow, turn night colours off. Screens
      differ: trust the figures and a dry swatch by daylight more than this picture. A wet mix looks
      lighter than it dries.
    </p>
  </details>
</template>
