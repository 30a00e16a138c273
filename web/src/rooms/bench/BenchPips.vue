<script setup lang="ts">
import { useWindowSize } from '@vueuse/core'
import { computed } from 'vue'
import type { Schemas } from '../../api/client'

/** Numbered pips: outline = not yet, hatch = wet, solid = done, notch = touch-up, brackets = current. */
const props = defineProps<{ pips: Schemas['BenchPip'][]; current: number | null }>()
const emit = defineEmits<{ through: [model: number]; touchUp: [model: number] }>()

const HOLD_MS = 600
const FAR = 12
const AGAIN_MS = 400

const { width, height } = useWindowSize()
const size = computed(() => {
  const room = Math.min(1000, width.value - 200) / Math.max(1, props.pips.length) - 12
  return Math.max(44, Math.min(height.value < 480 ? 64 : 92, room))
})

let down: { x: number; y: number; at: number } | null = null
/** Times count from the page's start: the first press is no repeat, however early. */
let last = -AGAIN_MS

function press(event: PointerEvent) {
  down = { x: event.clientX, y: event.clientY, at: event.timeStamp }
}

/** Tick on release; ignore drags and repeats; a long press marks a touch-up. */
function release(event: PointerEvent, model: number) {
  const from = down
  down = null
  if (!from || event.timeStamp - last < AGAIN_MS) return
  if (Math.hypot(event.clientX - from.x, event.clientY - from.y) > FAR) return
  last = event.timeStamp
  if (event.timeStamp - from.at >= HOLD_MS) emit('touchUp', model)
  else emit('through', model)
}

function outline(pip: Schemas['BenchPip']): string {
  return pip.touch_up ? 'M2 2H60V28H90V98H2Z' : 'M2 2H90V98H2Z'
}

function words(pip: Schemas['BenchPip']): string {
  const state = { open: 'not yet', wet: 'wet', done: 'done' }[pip.state]
  return `Model ${pip.model}: ${state}${pip.touch_up ? ', touch-up noted' : ''}`
}
</script>

<template>
  <ol class="flex flex-wrap gap-3" aria-label="Models of this call">
    <li v-for="pip in pips" :key="pip.model" class="relative">
      <button
        class="block touch-manipulation select-none"
        :aria-label="words(pip)"
        @pointerdown="press"
        @pointerup="release($event, pip.model)"
        @keydown.enter.prevent="emit('through', pip.model)"
        @keydown.space.prevent="emit('through', pip.model)"
        @contextmenu.prevent
      >
        <svg :width="size" :height="size * 1.4" viewBox="0 0 92 140">
          <defs>
            <pattern id="wet" width="14" height="14" patternUnits="userSpaceOnUse">
              <path d="M-3 17L17 -3M-3 3L3 -3M11 17L17 11" stroke="var(--ink)" stroke-width="3" />
            </pattern>
          </defs>
          <path
            :d="outline(pip)"
            :fill="pip.state === 'wet' ? 'url(#wet)' : pip.state === 'done' ? 'var(--ink)' : 'none'"
            stroke="var(--ink)"
            stroke-width="3"
          />
          <rect y="104" width="92" height="36" fill="var(--ink)" />
          <text
            x="46"
            y="131"
            text-anchor="middle"
            font-size="26"
            font-weight="700"
            fill="var(--ground)"
            class="fig"
          >
            {{ pip.model }}
          </text>
        </svg>
      </button>
      <svg
        v-if="pip.model === current"
        class="pointer-events-none absolute -inset-2 size-[calc(100%+16px)] overflow-visible"
        viewBox="0 0 100 140"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <path
          d="M2 10V2H18M82 2H98V10M98 130V138H82M18 138H2V130"
          fill="none"
          stroke="var(--ink)"
          stroke-width="4"
          vector-effect="non-scaling-stroke"
        />
      </svg>
    </li>
  </ol>
</template>
