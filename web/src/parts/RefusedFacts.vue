<script setup lang="ts">
import { computed } from 'vue'
import { useMuster } from '../muster'
import { clockIn, count } from '../words'

/** Facts that the server does not take: why, and the two ways on. None is thrown away unasked. */
const muster = useMuster()
const clock = computed(() => clockIn(muster.zone))
const nameOf = (unit: string) =>
  muster.view?.roll.find((row) => row.unit.id === unit)?.unit.name ?? unit
</script>

<template>
  <section class="border-b border-rule py-2" role="status">
    <p>
      <span class="warn">Not taken:</span> {{ count(muster.refused.length, 'record') }} of the
      bench, kept here until you decide.
    </p>
    <ul class="max-h-[30vh] overflow-auto text-14">
      <li v-for="one in muster.refused" :key="one.number">
        {{ one.fact.kind.replace('_', ' ') }} {{ nameOf(one.fact.unit ?? '') }}
        <template v-if="one.fact.model">{{ one.fact.model }}</template> at {{ clock(one.fact.at) }}:
        {{ one.refused?.join('; ') || 'the server named no reason' }}
      </li>
    </ul>
    <p class="flex gap-4">
      <button class="link" @click="muster.sendAgain()">Send again</button>
      <button class="link" @click="muster.letGo()">Let go of them</button>
    </p>
  </section>
</template>
