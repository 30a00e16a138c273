<script setup lang="ts">
import type { Schemas } from '../../api/client'

const props = defineProps<{
  drying: Schemas['Drying'][]
  now: number
  clock: (iso: string) => string
}>()

function left(one: Schemas['Drying']): number {
  const start = Date.parse(one.start)
  const end = Date.parse(one.last_dry)
  return Math.max(0, Math.min(1, (end - props.now) / Math.max(1, end - start)))
}
</script>

<template>
  <section>
    <h2 class="text-soft">Drying</h2>
    <p v-if="!drying.length" class="py-1 text-20">Nothing is wet.</p>
    <ul>
      <li v-for="one in drying" :key="one.tray_name" class="flex items-center gap-4 py-1 text-22">
        <span class="w-44 truncate max-md:w-36">{{ one.tray_name }}</span>
        <svg width="180" height="16" aria-hidden="true">
          <defs>
            <pattern id="drying" width="8" height="8" patternUnits="userSpaceOnUse">
              <path d="M-2 10L10 -2M-2 2L2 -2M6 10L10 6" stroke="var(--ink)" stroke-width="2" />
            </pattern>
          </defs>
          <path d="M0 8H180" stroke="var(--key)" />
          <path :d="`M0 0H${180 * left(one)}l12 16H0Z`" fill="url(#drying)" />
        </svg>
        <b>{{ clock(one.last_dry) }}</b>
      </li>
    </ul>
  </section>
</template>
