<script setup lang="ts">
import { computed } from 'vue'
import { fill, outline, ridge, type Film } from './films'

/** A pass in its lane: the relief as a line, and the layer where it really lies. */
const props = defineProps<{ relief: number[]; films: Film[]; width: number; height: number }>()
const RELIEF = 0.3
const MOST = 16
/** What lies open need not be to scale with the other passes: thin films could not be seen. */
const drawn = computed(() => {
  const ground = props.relief.map((one) => one * RELIEF)
  const top = props.height - 16
  return props.films.map((film) => {
    const thickest = Math.max(...film.laid, 1)
    const scale = Math.min(1.1, Math.max(0.5, 8 / thickest), MOST / thickest)
    const takes = film.does === 'takes'
    const line = film.laid.map((um) => um * scale)
    // What is taken away is a hollow in what lies there.
    const base = takes ? ground.map((one, n) => one - (line[n] ?? 0)) : ground
    return { film, takes, path: outline(base, line, props.width, top, 1),
             top: ridge(base, line, props.width, top, 1) } // prettier-ignore
  })
})
const bare = computed(() =>
  ridge(props.relief.map((one) => one * RELIEF), [...props.relief].fill(0), props.width, props.height - 16, 1),
) // prettier-ignore
</script>

<template>
  <svg
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    class="block max-w-full"
    aria-hidden="true"
  >
    <path :d="bare" fill="none" :stroke="films.length ? 'var(--key)' : 'var(--rule)'" />
    <g v-for="one in drawn" :key="one.film.inner">
      <path
        :d="one.path"
        :fill="one.takes ? 'var(--paper)' : fill(one.film)"
        stroke="var(--key)"
        stroke-linejoin="round"
        :stroke-dasharray="one.film.does === 'film' ? undefined : '4 3'"
      />
      <path
        v-if="one.film.finish === 'gloss' && !one.film.colour"
        :d="one.top"
        fill="none"
        stroke="var(--ink)"
        stroke-width="2"
      />
    </g>
  </svg>
</template>
