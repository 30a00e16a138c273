<script setup lang="ts">
import type { Schemas } from '../../api/client'
import { useMuster } from '../../muster'

/** What it would take to be in time: each with its button, taken back at one stroke. */
defineProps<{ found: Schemas['Outlook'] | null; working: boolean }>()

const muster = useMuster()
</script>

<template>
  <section v-if="found?.remedies.length" class="fig my-2 max-w-[860px]" aria-label="Remedies">
    <h2>What it would take</h2>
    <ul>
      <li
        v-for="one in found.remedies"
        :key="one.words"
        class="flex min-h-11 items-center justify-between gap-4 border-b border-rule"
      >
        <span
          >{{ one.words }}:
          <b v-if="one.possible && !one.late_models">all in time</b>
          <span v-else-if="one.possible" class="warn">{{ one.late_models }} still late</span>
          <span v-else class="warn">still does not fit</span></span
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
