<script setup lang="ts">
import { computed, ref } from 'vue'
import { useMuster } from '../muster'

/** What moved when the plan mended, until it is seen. */
const { most = 3 } = defineProps<{ most?: number }>()

const muster = useMuster()
const seen = ref(sessionStorage.getItem('moved-seen') ?? '')
const all = ref(false)
const moved = computed(() => {
  const view = muster.view
  return view && view.progress.made_for !== seen.value ? view.moved_words : []
})
const shown = computed(() => (all.value ? moved.value : moved.value.slice(0, most)))

function understand() {
  seen.value = muster.view?.progress.made_for ?? ''
  sessionStorage.setItem('moved-seen', seen.value)
}
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
