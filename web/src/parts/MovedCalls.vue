<script setup lang="ts">
import { computed, ref } from 'vue'
import { useMuster } from '../muster'
import { count } from '../words'

/** What moved when the plan mended, until it is seen. */
const { most = 3 } = defineProps<{ most?: number }>()

const muster = useMuster()
const seen = ref(sessionStorage.getItem('moved-seen') ?? '')
const all = ref(false)
const moved = computed(() => {
  const view = muster.view
  return view && view.progress.made_for !== seen.value ? view.moved : []
})
const shown = computed(() => (all.value ? moved.value : moved.value.slice(0, most)))

function when(iso: string, beside?: string): string {
  const day = muster.day(iso)
  const same = beside ? muster.day(beside) === day : day === muster.day(muster.view?.now ?? iso)
  return `${same ? '' : `${day} `}${muster.clock(iso)}`
}

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
    <span>The plan has mended; {{ count(moved.length, 'call') }} moved:</span>
    <span v-for="one in shown" :key="one.call"
      >{{ one.name }}
      <template v-if="one.after"
        ><b>{{ when(one.after) }}</b> (was {{ when(one.before, one.after) }})</template
      ><b v-else>no longer planned</b></span
    >
    <button v-if="moved.length > shown.length" class="link" @click="all = true">
      {{ moved.length - shown.length }} more
    </button>
    <button class="link" @click="understand">Seen</button>
  </section>
</template>
