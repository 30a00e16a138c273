<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { count } from '../../words'

/** What it would take to be in time, or what the time to spare would lift; each with its button. */
const props = defineProps<{ found: Schemas['Outlook'] | null; working: boolean }>()

const muster = useMuster()
const shown = computed(() =>
  props.found?.remedies.length ? props.found.remedies : (props.found?.lifts ?? []),
)
</script>

<template>
  <section v-if="shown.length" class="fig my-2 max-w-[860px]" aria-label="Remedies">
    <h2>{{ found?.remedies.length ? 'What it would take' : 'With the time to spare' }}</h2>
    <ul>
      <li
        v-for="one in shown"
        :key="one.words"
        class="flex min-h-11 items-center justify-between gap-4 border-b border-rule"
      >
        <span
          >{{ one.words }}:
          <template v-if="!one.left_models && !one.late_models"
            ><b>all in time</b>, {{ count(one.in_hand, 'sitting') }} in hand</template
          >
          <span v-else-if="!one.left_models" class="warn">{{ one.late_models }} still late</span>
          <span v-else class="warn">{{ one.left_models }} still left</span></span
        >
        <button class="btn" :disabled="muster.busy" @click="muster.command(one.command)">
          Do it
        </button>
      </li>
    </ul>
  </section>
  <p v-else-if="!found" class="text-soft" role="status">
    {{ working ? 'When the plan rests: what it would take.' : 'Finding what it would take …' }}
  </p>
</template>
