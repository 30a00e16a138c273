<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { MOUTH_WORDS, type BuildState } from './build'
import { place, placed } from './moves'
import { BAND, LABELS, lay, mouths, outline, TOP } from './streams'

/** Parts as streams that meet. A mouth is moved along the passes, by hand or by keys. */
const props = defineProps<{ build: BuildState }>()

const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const narrow = computed(() => width.value > 0 && width.value < 640)
const view = computed(() => props.build.view.value)
const laid = computed(() =>
  view.value
    ? lay(
        view.value,
        narrow.value ? 760 : Math.max(860, width.value),
        narrow.value ? LABELS.narrow : LABELS.wide,
      )
    : null,
)
const rows = computed(() => laid.value?.rows ?? [])
/** The longest way up first, so that the shorter ones lie over it. */
const drawn = computed(() => [...rows.value].sort((a, b) => span(b) - span(a)))
const span = (row: (typeof rows.value)[number]) => (row.into ? Math.abs(row.y - row.into.y) : 1e6)
const mouthOf = (joint: string | null) => view.value?.mouths.find((one) => one.joint === joint)

const hand = ref<{ joint: string; column: number; begun: number; moved: boolean } | null>(null)

function take(event: PointerEvent, joint: string) {
  const mouth = mouthOf(joint)
  if (!mouth || event.button !== 0) return
  props.build.pick(joint)
  hand.value = { joint, column: mouth.column, begun: event.clientX, moved: false }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}

function drag(event: PointerEvent) {
  const now = hand.value
  if (!now || !laid.value || !box.value) return
  if (!now.moved && Math.abs(event.clientX - now.begun) < 8) return
  now.moved = true
  const x = event.clientX - box.value.getBoundingClientRect().left + box.value.scrollLeft
  const column = laid.value.column(x)
  if (column === now.column) return
  now.column = column
  move(now.joint, column, true)
}

function drop() {
  const now = hand.value
  hand.value = null
  if (now?.moved) move(now.joint, now.column, false)
}

function move(joint: string, column: number, trying: boolean) {
  const mouth = props.build.kept.value?.mouths.find((one) => one.joint === joint)
  const unit = props.build.unit.value
  if (!mouth || !unit || !view.value) return
  const change = placed(unit, mouth, view.value.columns, column)
  if (trying) void props.build.attempt(change)
  else void props.build.change(change)
}

function step(joint: string, by: number) {
  const mouth = mouthOf(joint)
  if (mouth) move(joint, mouth.column + by, false)
}

function letGo() {
  hand.value = null
  props.build.leave()
}
</script>

<template>
  <div ref="box" class="relative overflow-x-auto" data-streams>
    <template v-if="laid && view">
      <svg
        :width="laid.width"
        :height="laid.height"
        :viewBox="`0 0 ${laid.width} ${laid.height}`"
        class="block select-none"
        aria-hidden="true"
      >
        <g v-for="one in laid.headings" :key="one.words + one.x">
          <path :d="`M${one.x - 4} ${TOP - 8}V${laid.height}`" stroke="var(--rule)" />
          <text :x="one.x" :y="TOP - 14" class="fig fill-soft text-14">{{ one.words }}</text>
        </g>
        <g v-for="row in drawn" :key="row.stream.part">
          <path :d="outline(row).fill" fill="var(--paper)" />
          <path :d="outline(row).edges" fill="none" stroke="var(--key)" />
        </g>
        <g v-for="row in rows" :key="row.stream.part">
          <path
            v-for="one in mouths(rows, row)"
            :key="one.x + one.y"
            :d="`M${one.x} ${one.y}h36`"
            stroke="var(--paper)"
            stroke-width="3"
          />
          <template v-for="one in row.swatches" :key="one.x">
            <rect
              :x="one.x - one.width / 2"
              :y="row.y - 6.5"
              :width="one.width"
              height="13"
              :fill="one.colour ?? `url(#clear-${one.finish ?? 'matt'})`"
              stroke="var(--key)"
            >
              <title>{{ one.name }}</title>
            </rect>
          </template>
          <template v-for="one in row.dashes" :key="one.words">
            <path
              :d="`M${one.x} ${one.y}H${laid.width - 8}`"
              stroke="var(--ink)"
              stroke-width="1.5"
              stroke-dasharray="6 5"
            />
            <text
              :x="laid.width - 10"
              :y="one.below ? one.y + 24 : one.y - 5"
              text-anchor="end"
              class="halo fill-soft text-14"
            >
              {{ one.words }}
            </text>
          </template>
        </g>
      </svg>
      <ul
        class="absolute top-0 left-0"
        :style="{ width: `${(narrow ? LABELS.narrow : LABELS.wide) - 6}px` }"
      >
        <li
          v-for="row in rows"
          :key="row.stream.part"
          class="absolute left-0 flex w-full items-baseline justify-between gap-2 leading-5"
          :style="{ top: `${row.y - 11}px` }"
        >
          <b class="truncate" :title="row.stream.name">{{ row.stream.name }}</b>
          <span v-if="!narrow" class="fig text-14 whitespace-nowrap text-soft"
            >{{ Math.round(row.stream.minutes) }} min</span
          >
        </li>
      </ul>
      <ul aria-label="Joints">
        <li v-for="row in rows.filter((one) => one.stream.joint)" :key="row.stream.part">
          <button
            v-if="mouthOf(row.stream.joint)"
            class="absolute z-1 min-h-6 touch-none bg-ground px-1.5 text-left text-14 leading-5 font-normal whitespace-nowrap"
            :class="{
              'font-bold! outline-2 outline-ink': row.stream.joint === build.joint.value,
              'cursor-ew-resize': true,
            }"
            :style="{ left: `${row.end + 30}px`, top: `${row.y - BAND / 2 + 1}px` }"
            :aria-pressed="row.stream.joint === build.joint.value"
            :aria-label="`${MOUTH_WORDS[mouthOf(row.stream.joint)!.way]}: ${mouthOf(row.stream.joint)!.title}, ${place(view.columns, mouthOf(row.stream.joint)!.column)}`"
            @click="build.pick(row.stream.joint)"
            @pointerdown="take($event, row.stream.joint ?? '')"
            @pointermove="drag"
            @pointerup="drop"
            @pointercancel="letGo"
            @keydown.left.prevent="step(row.stream.joint ?? '', -1)"
            @keydown.right.prevent="step(row.stream.joint ?? '', 1)"
            @keydown.esc="letGo"
          >
            {{ MOUTH_WORDS[mouthOf(row.stream.joint)!.way] }}
            <span
              v-if="mouthOf(row.stream.joint)!.trouble"
              class="ml-2 inline-block max-w-[480px] truncate align-bottom font-bold text-warning max-md:hidden"
              >{{ mouthOf(row.stream.joint)!.trouble }}</span
            >
          </button>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.halo {
  paint-order: stroke;
  stroke: var(--ground);
  stroke-width: 4px;
}
</style>
