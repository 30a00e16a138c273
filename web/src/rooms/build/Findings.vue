<script setup lang="ts">
import { computed } from 'vue'
import type { BuildState } from './build'

/** What is wrong with the build, each with its ways out. */
const props = defineProps<{ build: BuildState }>()
const found = computed(() => props.build.view.value?.findings ?? [])

function take(offer: { words: string; build: unknown }) {
  const unit = props.build.unit.value
  if (unit)
    void props.build.change({
      do: 'set_build', unit, words: offer.words, build: offer.build as never,
    }) // prettier-ignore
}
</script>

<template>
  <ul v-if="found.length" class="mt-3 grid gap-2" aria-label="What Build has found">
    <li
      v-for="one in found"
      :key="one.words"
      class="flex flex-wrap items-center gap-x-4 gap-y-2 border-l-4 py-1 pl-3"
      :class="one.severity === 'warning' ? 'border-warning' : 'border-rule'"
    >
      <button
        v-if="one.joint"
        class="max-w-[70ch] text-left"
        :class="{ 'font-semibold text-warning': one.severity === 'warning' }"
        @click="build.pick(one.joint)"
      >
        {{ one.words }}
      </button>
      <span
        v-else
        class="max-w-[70ch]"
        :class="{ 'font-semibold text-warning': one.severity === 'warning' }"
        >{{ one.words }}</span
      >
      <button v-for="offer in one.offers" :key="offer.words" class="btn" @click="take(offer)">
        {{ offer.words }}
      </button>
    </li>
  </ul>
</template>
