<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** The mix in parts, as beads on paper; thinners are open rings. Only the whole mix has a colour. */
defineProps<{ parts: Schemas['MixPart'][]; colour: string | null }>()

const THINNERS = ['water', 'white spirit', 'thinner', 'alcohol']
</script>

<template>
  <div class="mt-3 flex flex-wrap gap-x-8 gap-y-2 bg-paper px-3 py-2">
    <div v-for="part in parts" :key="part.name">
      <svg :width="part.parts * 30" height="28" aria-hidden="true">
        <circle
          v-for="n in part.parts"
          :key="n"
          :cx="n * 30 - 16"
          cy="14"
          r="12"
          :fill="THINNERS.includes(part.name) ? 'none' : (colour ?? 'none')"
          stroke="var(--key)"
        />
      </svg>
      <p class="fig text-28">
        <b>{{ part.parts }}</b> {{ part.name }}
      </p>
    </div>
    <p class="self-end text-20 text-soft">parts</p>
  </div>
</template>
