<script setup lang="ts">
import { computed } from 'vue'
import type { Pass, Subject } from './draft'

/** Parts that are painted apart, each with what it is made of. */
const props = defineProps<{ passes: Pass[]; subject: Subject; part: string | null }>()
const emit = defineEmits<{ show: [part: string | null] }>()

const parts = computed(() => [
  ...new Set([
    ...props.passes.flatMap((one) => (one.part ? [one.part] : [])),
    ...(props.subject.materials ?? []).map((one) => one.part),
  ]),
])
const madeOf = (part: string) =>
  props.subject.materials?.find((one) => one.part === part)?.material ?? props.subject.material
</script>

<template>
  <div v-if="parts.length" class="flex flex-wrap gap-x-5" role="group" aria-label="Parts">
    <button
      v-for="one in [null, ...parts]"
      :key="one ?? ''"
      class="min-h-11 border-b-4 border-transparent"
      :class="{ 'border-ink! font-bold': part === one }"
      :aria-pressed="part === one"
      @click="emit('show', one)"
    >
      {{ one ? one.replaceAll('-', ' ') : 'Whole model' }}
      <span v-if="one" class="ml-1 text-14 text-soft">{{ madeOf(one) }}</span>
    </button>
  </div>
</template>
