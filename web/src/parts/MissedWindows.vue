<script setup lang="ts">
import { useMuster } from '../muster'

/** Windows that closed before their second call was done, with the two ways on. */
const muster = useMuster()

function nameOf(call: string): string {
  return muster.view?.board.calls.find((one) => one.id === call)?.name ?? 'it'
}
</script>

<template>
  <div v-for="one in muster.view?.board.missed" :key="one.first + one.second" class="my-2">
    <p class="max-w-[80ch]"><span class="warn">Window missed:</span> {{ one.sentence }}</p>
    <button v-if="one.facts.length" class="link" @click="muster.takeBack(one.facts)">
      Do {{ nameOf(one.first) }} again on
      {{ one.models.length === 1 ? `model ${one.models[0]}` : `${one.models.length} models` }}
    </button>
  </div>
</template>
