<script setup lang="ts">
import type { Schemas } from '../../api/client'
import DampDial from '../../parts/DampDial.vue'
import type { Air } from '../../house'

export interface WhatIf {
  air: Air
  acrylic: boolean
  undercoat: NonNullable<Schemas['DraftIn']['undercoat']>
}

/** Tried on the draft only; what holds for all stands in the House. */
const what = defineModel<WhatIf>({ required: true })
defineProps<{ look: Schemas['DraftReport'] | null }>()
const UNDERCOATS = ['as it is', 'black', 'grey', 'white', 'oxide', 'brown', 'none'] as const
</script>

<template>
  <details class="mb-3 border-b border-rule pb-2">
    <summary class="min-h-11 cursor-pointer content-center">
      What if: <b>{{ what.air.celsius }} °C</b>, <b>{{ what.air.humidity }} %</b>, undercoat
      <b>{{ what.undercoat }}</b>, <b>{{ what.acrylic ? 'all acrylic' : 'with solvents' }}</b>
    </summary>
    <DampDial v-model="what.air" class="my-2" :given="look">
      <label class="mt-2 flex items-center gap-3 text-14"
        >Undercoat
        <select v-model="what.undercoat" class="field">
          <option v-for="one in UNDERCOATS" :key="one">{{ one }}</option>
        </select></label
      >
      <label class="flex min-h-11 items-center gap-3 text-14"
        ><input v-model="what.acrylic" type="checkbox" class="size-5 accent-ink" /> all
        acrylic</label
      >
      <RouterLink :to="{ name: 'house' }" class="link px-0 text-14"
        >Keep a room or a habit: House</RouterLink
      >
    </DampDial>
  </details>
</template>
