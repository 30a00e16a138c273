<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** One thing that a rule says, in one breath, and what mends it. */
defineProps<{ finding: Schemas['DraftFinding'] }>()
const emit = defineEmits<{ repair: [way: Schemas['PricedRepair']] }>()
const WORDS = { error: 'Goes wrong', warning: 'Beware', note: 'Note' } as const
</script>

<template>
  <div class="my-1">
    <p>
      <span :class="finding.severity === 'note' ? 'text-soft' : 'warn'">{{
        WORDS[finding.severity]
      }}</span>: {{ finding.words }}.
    </p>
    <p v-if="finding.repairs.length" class="flex flex-wrap gap-x-4">
      <button
        v-for="way in finding.repairs"
        :key="way.words"
        class="link min-h-8"
        @click="emit('repair', way)"
      >
        {{ way.words[0]?.toUpperCase() }}{{ way.words.slice(1)
        }}<template v-if="way.habit"> (throughout the house)</template
        ><template v-if="way.cost">, {{ way.cost }}</template>
      </button>
    </p>
  </div>
</template>
