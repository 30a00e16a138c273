<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { barOf, fill, outline, ridge, sum } from './films'

/** All layers of a zone on each other, to scale with each other, with a scale bar. */
const props = defineProps<{
  section: Schemas['Section']
  picked: string | null
  width: number
  height: number
  material: string
}>()
const emit = defineEmits<{ pick: [key: string] }>()
const BED = 14

const stack = computed(() => {
  const { relief, films } = props.section
  let base = relief
  const laid = films
    .filter((film) => film.left.some(Boolean))
    .map((film) => {
      const at = base
      base = sum(base, film.left)
      return { film, at }
    })
  return { laid, most: Math.max(...base), least: Math.min(...relief) }
})
const scale = computed(() =>
  Math.min(2.2, (props.height - BED - 10) / (stack.value.most - stack.value.least)),
)
const top = computed(() => 8 + stack.value.most * scale.value)
const layers = computed(() =>
  stack.value.laid.map(({ film, at }) => ({
    film,
    path: outline(at, film.left, props.width, top.value, scale.value),
    top: ridge(at, film.left, props.width, top.value, scale.value),
  })),
)
const bed = computed(
  () =>
    `${ridge(props.section.relief, [...props.section.relief].fill(0), props.width, top.value, scale.value)}V${props.height}H0Z`,
)
const bar = computed(() => barOf(scale.value, 60))
</script>

<template>
  <figure>
    <div class="bg-paper">
      <svg
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        class="block max-w-full"
        role="img"
        :aria-label="`Section of ${section.zone}: ${layers.map((one) => one.film.name).join(', ')}, from below`"
      >
        <path :d="bed" fill="var(--rule)" stroke="var(--key)" />
        <g v-for="one in layers" :key="one.film.inner">
          <path
            :d="one.path"
            :fill="fill(one.film)"
            :stroke="one.film.key === picked ? 'var(--ink)' : 'var(--key)'"
            :stroke-width="one.film.key === picked ? 2 : 0.75"
            stroke-linejoin="round"
            class="cursor-pointer"
            pointer-events="all"
            @click="emit('pick', one.film.key)"
          >
            <title>{{ one.film.name }}, {{ one.film.dry_um }} µm</title>
          </path>
          <path
            v-if="one.film.finish === 'gloss' && !one.film.colour"
            :d="one.top"
            fill="none"
            stroke="var(--ink)"
            stroke-width="2"
            pointer-events="none"
          />
        </g>
      </svg>
    </div>
    <figcaption class="fig mt-1 flex items-center gap-3 text-14 text-soft">
      <svg width="10" :height="bar * scale + 2" aria-hidden="true">
        <path
          :d="`M2 1H8M5 1V${bar * scale + 1}M2 ${bar * scale + 1}H8`"
          stroke="var(--ink)"
          stroke-width="1.5"
          fill="none"
        />
      </svg>
      <span
        ><b>{{ bar }} µm</b> of film; bare {{ material }} below, its relief not to scale</span
      >
    </figcaption>
  </figure>
</template>
