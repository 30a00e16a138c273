<script setup lang="ts">
import { computed, ref } from 'vue'
import { useMoved } from './movedSeen'

/** What moved when the plan mended, until it is seen. */
const { most = 3 } = defineProps<{ most?: number }>()

const { words: moved, understand } = useMoved()
const all = ref(false)
const shown = computed(() => (all.value ? moved.value : moved.value.slice(0, most)))
</script>

<template>
  <section
    v-if="moved.length"
    class="my-2 flex flex-wrap items-baseline gap-x-4"
    role="status"
    aria-label="What moved"
  >
    <span>The plan has mended.</span>
    <span v-for="words in shown" :key="words">{{ words }}</span>
    <button v-if="moved.length > shown.length" class="link" @click="all = true">
      {{ moved.length - shown.length }} more
    </button>
    <button class="link" @click="understand">Seen</button>
  </section>
</template>
