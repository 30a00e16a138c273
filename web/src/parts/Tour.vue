<script setup lang="ts">
import { useIntervalFn, useMediaQuery } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { STEPS, useTour } from './tour'

/** A step of the tour: what the room in view is for, with a line round what is spoken of. */
const route = useRoute()
const router = useRouter()
const { number, step, go, end } = useTour()
const phone = useMediaQuery('(max-width: 767px)')
const frame = ref<{ left: number; top: number; width: number; height: number } | null>(null)
const words = computed(() => (phone.value && step.value?.phone) || step.value?.words)
const here = computed(() => route.name === step.value?.room)

watch(step, (now) => {
  if (now && route.params.id && route.name !== now.room) void router.push(`/${String(route.params.id)}/${now.room}`)
}) // prettier-ignore

function mark() {
  const found = here.value
    ? [...document.querySelectorAll<HTMLElement>(step.value?.at ?? '')].find(
        (one) => one.getClientRects().length,
      )
    : null
  if (!found) return void (frame.value = null)
  const box = found.getBoundingClientRect()
  frame.value = { left: box.left - 5, top: box.top - 5, width: box.width + 10, height: box.height + 10 }
} // prettier-ignore
useIntervalFn(() => (step.value ? mark() : (frame.value = null)), 250)
</script>

<template>
  <aside
    v-if="step"
    class="sticky bottom-0 z-10 flex flex-wrap items-center gap-x-6 gap-y-1 border-t-2 border-ink bg-ground px-4 py-2 max-md:fixed max-md:inset-x-0 max-md:bottom-12"
    aria-label="The tour"
  >
    <p class="min-w-64 flex-1" aria-live="polite">
      <b>{{ (number ?? 0) + 1 }} of {{ STEPS.length }}</b> {{ words }}
    </p>
    <span class="flex gap-3">
      <button v-if="number" class="btn" @click="go(number - 1)">Back</button>
      <button
        v-if="!here"
        class="btn btn-main"
        @click="router.push(`/${String(route.params.id)}/${step.room}`)"
      >
        To it
      </button>
      <button v-else class="btn btn-main" @click="go((number ?? 0) + 1)">
        {{ number === STEPS.length - 1 ? 'Done' : 'Next' }}
      </button>
      <button class="btn" @click="end">End the tour</button>
    </span>
    <div
      v-if="frame"
      class="pointer-events-none fixed z-[5] border-[3px] border-ink"
      aria-hidden="true"
      :style="{
        left: `${frame.left}px`,
        top: `${frame.top}px`,
        width: `${frame.width}px`,
        height: `${frame.height}px`,
      }"
    />
  </aside>
</template>
