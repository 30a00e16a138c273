<script setup lang="ts">
import { computed } from 'vue'
import type { useCallDrag } from './callDrag'
import { CALL, type Box } from './layout'
import { wide } from './measure'

/** A call in the hand: its legal places as rails with what they cost, the other rows dimmed. */
const props = defineProps<{
  drag: ReturnType<typeof useCallDrag>
  held: Box
  rowHeight: number
  height: number
  width: number
  fill: string
}>()

const { by, byHand, rails, aim, places } = props.drag
const waiting = computed(() => places.value === null)
const LINE = 17
const top = computed(() => props.held.y - props.rowHeight / 2)
const bottom = computed(() => props.held.y + props.rowHeight / 2)
/** Words beside each other share a line; what would run over another goes one line down. */
const words = computed(() => {
  const ends: number[] = []
  return rails.value.map((rail) => {
    const size = wide(rail.words) * 1.12
    const x = Math.max(0, Math.min(rail.x, props.width - size))
    let line = ends.findIndex((end) => end + 12 <= x)
    if (line < 0) line = ends.length
    ends[line] = x + size
    return { x, size, line }
  })
})
const lines = computed(() => Math.max(1, ...words.value.map((one) => one.line + 1)))
/** Below the row, or above it where there is no room. */
const below = computed(() => bottom.value + lines.value * LINE + 8 < props.height)
const railY = computed(() => (below.value ? bottom.value - 1 : top.value - 4))
const wordsY = (line: number) =>
  below.value ? bottom.value + 16 + line * LINE : top.value - 9 - line * LINE
const at = computed(() => (aim.value === null ? null : (rails.value[aim.value] ?? null)))
</script>

<template>
  <g class="pointer-events-none">
    <rect :width="width" :height="Math.max(0, top)" fill="var(--paper)" opacity="0.72" />
    <rect
      :y="bottom"
      :width="width"
      :height="Math.max(0, height - bottom)"
      fill="var(--paper)"
      opacity="0.72"
    />
    <text
      v-if="waiting"
      :x="held.x"
      :y="wordsY(0)"
      fill="var(--ink)"
      font-size="14"
      font-weight="650"
    >
      Trying each sitting …
    </text>
    <g v-for="(rail, index) in rails" :key="rail.place.pin">
      <rect
        data-rail
        :x="rail.x"
        :y="railY"
        :width="Math.max(rail.w, rail.right - rail.x)"
        height="5"
        :fill="index === aim ? 'var(--ink)' : 'var(--key)'"
      />
      <rect
        :x="(words[index]?.x ?? 0) - 3"
        :y="wordsY(words[index]?.line ?? 0) - 13"
        :width="(words[index]?.size ?? 0) + 6"
        :height="LINE"
        fill="var(--paper)"
        opacity="0.9"
      />
      <text
        :x="words[index]?.x"
        :y="wordsY(words[index]?.line ?? 0)"
        fill="var(--ink)"
        font-size="14"
        :font-weight="index === aim ? 700 : 450"
      >
        {{ rail.words }}
      </text>
    </g>
    <rect
      v-if="at"
      :x="at.x - 1"
      :y="held.y - CALL / 2 - 1"
      :width="at.w + 2"
      :height="CALL + 2"
      :fill="byHand ? 'none' : fill"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <rect
      v-if="byHand"
      :x="held.x + by.x"
      :y="held.y - CALL / 2 + by.y"
      :width="held.w"
      :height="CALL"
      :fill="fill"
      stroke="var(--ink)"
      stroke-width="2"
    />
  </g>
</template>
