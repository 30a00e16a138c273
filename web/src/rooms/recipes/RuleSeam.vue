<script setup lang="ts">
import type { Schemas } from '../../api/client'
import { begun } from '../../words'

/** Where a rule speaks between two passes: drawn by how grave it is, with what mends it and its
 *  cost. */
defineProps<{ finding: Schemas['DraftFinding'] }>()
const emit = defineEmits<{ repair: [way: Schemas['PricedRepair']] }>()
const WORDS = { error: 'Goes wrong', warning: 'Beware', note: 'Note' } as const
</script>

<template>
  <div class="py-2">
    <svg
      width="100%"
      height="12"
      aria-hidden="true"
      :class="finding.severity === 'note' ? 'text-key' : 'text-warning'"
    >
      <rect v-if="finding.severity === 'error'" width="100%" height="12" fill="url(#zigzag)" />
      <line
        v-else
        x1="0"
        x2="100%"
        y1="6"
        y2="6"
        stroke="currentColor"
        stroke-width="2.5"
        :stroke-dasharray="finding.severity === 'warning' ? '14 8' : '0 8'"
        stroke-linecap="round"
      />
    </svg>
    <div class="flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
      <p class="max-w-[70ch] min-w-0 flex-1 basis-72">
        <b :class="{ warn: finding.severity !== 'note' }">{{ WORDS[finding.severity] }}</b>:
        {{ finding.words }}.
      </p>
      <p v-if="finding.repairs.length" class="fig flex flex-wrap gap-3">
        <button
          v-for="(way, n) in finding.repairs"
          :key="way.words"
          class="max-w-full whitespace-normal!"
          :class="n || finding.severity === 'note' ? 'link min-h-9' : 'btn min-h-11'"
          @click="emit('repair', way)"
        >
          {{ begun(way.words) }}<template v-if="way.habit"> (throughout the house)</template
          ><template v-if="way.cost">, {{ way.cost }}</template>
        </button>
      </p>
    </div>
  </div>
</template>
