<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** One to four coats over each undercoat. */
defineProps<{ ladders: Schemas['Ladder'][]; hides: number | null }>()
const W = 56
const H = 34
const coats = (many: number | null) =>
  many === null ? 'more than 12 coats' : many === 1 ? '1 coat' : `${many} coats`
</script>

<template>
  <div
    class="mt-4 flex flex-wrap gap-6"
    role="group"
    aria-label="One to four coats over undercoats"
  >
    <figure v-for="one in ladders" :key="one.ground">
      <div class="bg-paper p-2">
        <svg
          :width="W * 5"
          :height="H"
          role="img"
          :aria-label="`${one.ground}, then one to four coats`"
        >
          <rect
            v-for="(colour, n) in [one.colour, ...one.coats]"
            :key="n"
            :x="n * W"
            width="56"
            :height="H"
            :fill="colour"
          />
          <rect x=".5" y=".5" :width="W * 5 - 1" :height="H - 1" fill="none" stroke="var(--key)" />
        </svg>
      </div>
      <figcaption class="fig text-14">
        over {{ one.ground }}: <b>{{ coats(one.covers) }}</b> to cover
      </figcaption>
    </figure>
  </div>
  <p class="text-14 text-soft">
    Covered: no longer told from its own colour at the bench. Hidden strictly, black from white,
    after {{ coats(hides) }}.
  </p>
</template>
