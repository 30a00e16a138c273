<script setup lang="ts">
import { ref } from 'vue'

/** What is meant and what is mixed meet in one field; held down, they change sides, so that the eye
 *  sees whether anything moves. Nothing is written on paint. */
defineProps<{ meant: string; mixed: string | null }>()
const swapped = ref(false)

function hold(event: PointerEvent) {
  if (event.button) return
  swapped.value = true
  const let_go = () => {
    swapped.value = false
    window.removeEventListener('pointerup', let_go)
    window.removeEventListener('pointercancel', let_go)
  }
  window.addEventListener('pointerup', let_go)
  window.addEventListener('pointercancel', let_go)
}
</script>

<template>
  <figure class="bg-paper px-8 pt-6 pb-2">
    <button
      class="block h-44 w-full touch-none border border-key max-md:h-36"
      :aria-label="`Meant ${meant}, mixed ${mixed ?? 'nothing yet'}: hold to change sides`"
      :aria-pressed="swapped"
      @pointerdown="hold"
      @keydown.space.prevent="swapped = true"
      @keyup.space.prevent="swapped = false"
      @keydown.enter.prevent="swapped = !swapped"
      @blur="swapped = false"
    >
      <svg width="100%" height="100%" preserveAspectRatio="none" viewBox="0 0 2 1" class="block">
        <rect
          :x="swapped ? 1 : 0"
          width="1"
          height="1"
          :fill="meant"
          shape-rendering="crispEdges"
        />
        <rect
          :x="swapped ? 0 : 1"
          width="1"
          height="1"
          :fill="mixed ?? 'var(--paper)'"
          shape-rendering="crispEdges"
        />
      </svg>
    </button>
    <figcaption class="fig mt-1 flex justify-between text-14 text-soft">
      <span>{{ swapped ? 'mixed, dry' : 'meant' }} {{ swapped ? mixed : meant }}</span>
      <span class="max-md:hidden">hold it to change sides</span>
      <span v-if="mixed">{{ swapped ? 'meant' : 'mixed, dry' }} {{ swapped ? meant : mixed }}</span>
    </figcaption>
  </figure>
</template>
