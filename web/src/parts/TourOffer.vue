<script setup lang="ts">
import { useRoute } from 'vue-router'
import { useMuster } from '../muster'
import { useTour } from './tour'

/** Offered once to whoever is new on this device. */
const route = useRoute()
const muster = useMuster()
const { offered, begin, end } = useTour()
</script>

<template>
  <aside
    v-if="offered && muster.view && route.name !== 'bench'"
    class="flex flex-wrap items-center gap-x-4 border-b border-rule px-4"
    aria-label="The tour"
  >
    <span>New here? Nine steps on these screens show what is where.</span>
    <button class="link" @click="begin">Take the tour</button>
    <button class="link" @click="end">Not now</button>
  </aside>
</template>
