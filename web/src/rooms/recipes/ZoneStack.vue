<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { fill } from './films'

/** What lies on one zone, from the top down, each with its dry film. */
const props = defineProps<{
  section: Schemas['Section']
  picked: string | null
  material: string
  bare: string
}>()
const emit = defineEmits<{ pick: [key: string] }>()

const films = computed(() => [...props.section.films].reverse())

function said(film: Schemas['SectionFilm']): string {
  if (film.does === 'takes') return 'takes off'
  if (film.does === 'mask') return 'mask'
  const away = film.left.every((um) => !um)
  const patchy = film.laid.filter(Boolean).length < film.laid.length * 0.95
  const um = film.dry_um >= 1000 ? `${film.dry_um / 1000} mm` : `${Math.round(film.dry_um)} µm`
  return away ? 'comes off' : patchy ? `${um} in places` : um
}
</script>

<template>
  <ol class="fig" :aria-label="`Stack of ${section.zone}, from the top`">
    <li v-for="film in films" :key="film.inner">
      <button
        class="grid min-h-9 w-full grid-cols-[84px_1fr_auto] items-center gap-3 text-left max-md:min-h-11"
        :aria-current="film.key === picked"
        @click="emit('pick', film.key)"
      >
        <svg width="84" height="24" class="bg-paper" aria-hidden="true">
          <rect
            x=".5"
            y=".5"
            width="83"
            height="23"
            :fill="fill(film)"
            stroke="var(--key)"
            :stroke-dasharray="film.does === 'film' ? undefined : '4 3'"
          />
          <path
            v-if="film.finish === 'gloss' && !film.colour"
            d="M1 2H83"
            stroke="var(--ink)"
            stroke-width="2"
          />
        </svg>
        <span class="truncate" :class="{ 'font-bold': film.key === picked }">{{ film.name }}</span>
        <span class="text-14 text-soft">{{ said(film) }}</span>
      </button>
    </li>
    <li class="grid min-h-9 grid-cols-[84px_1fr_auto] items-center gap-3">
      <svg width="84" height="24" aria-hidden="true">
        <rect x=".5" y=".5" width="83" height="23" :fill="bare" stroke="var(--key)" />
      </svg>
      <span>bare {{ material }}</span>
    </li>
  </ol>
</template>
