<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** One to four coats over each undercoat, from the ground down. */
defineProps<{ ladders: Schemas['Ladder'][]; hides: number | null }>()
const coats = (many: number | null) =>
  many === null ? 'more than 12 coats' : many === 1 ? '1 coat' : `${many} coats`
</script>

<template>
  <div
    class="mt-3 grid grid-cols-4 gap-2 max-md:grid-cols-2"
    role="group"
    aria-label="One to four coats over undercoats"
  >
    <figure v-for="one in ladders" :key="one.ground">
      <div class="bg-paper px-3 py-2">
        <svg
          width="100%"
          height="112"
          viewBox="0 0 80 112"
          preserveAspectRatio="none"
          class="block border border-key"
          role="img"
          :aria-label="`${one.ground}, then one to four coats`"
        >
          <rect
            v-for="(colour, n) in [one.colour, ...one.coats]"
            :key="n"
            :y="n * 22.4"
            width="80"
            height="22.5"
            :fill="colour"
            shape-rendering="crispEdges"
          />
        </svg>
      </div>
      <figcaption class="fig text-14">
        over {{ one.ground }}<b class="block">{{ coats(one.covers) }}</b>
      </figcaption>
    </figure>
  </div>
  <p class="mt-1 text-14 text-soft">
    So many cover: no longer told from its own colour at the bench. Hidden strictly, black from
    white, after {{ coats(hides) }}.
  </p>
</template>
