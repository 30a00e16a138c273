<script setup lang="ts">
import { useId } from 'vue'

/** A button that says beside it why it cannot be pressed. ``why`` null: it can. */
defineProps<{ why: string | null; main?: boolean }>()
const emit = defineEmits<{ press: [] }>()
const id = useId()
</script>

<template>
  <span class="inline-flex flex-wrap items-center gap-3">
    <button
      class="btn"
      :class="{ 'btn-main': main }"
      :disabled="why !== null"
      :aria-describedby="why === null ? undefined : id"
      @click="emit('press')"
    >
      <slot />
    </button>
    <span v-if="why" :id="id" class="text-14 text-soft">{{ why }}</span>
  </span>
</template>
