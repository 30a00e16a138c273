<script setup lang="ts">
import { ref } from 'vue'
import PipStrip from '../../parts/PipStrip.vue'
import type { Row } from './rows'

/** The board's rows by name: pressed, a unit folds; drawn up or down, it stands elsewhere. */
const props = defineProps<{ rows: Row[]; rowHeight: number; dimmed: (row: Row) => boolean }>()
const emit = defineEmits<{ turn: [unit: string]; move: [unit: string, by: number] }>()

/** Width that a row's pips have beside its name. */
const PIPS = 80
const MOST_PIPS = 14
const MEANT = 6
const dragging = ref<string | null>(null)
let from: { y: number; unit: string; moved: boolean } | null = null

function press(event: PointerEvent, row: Row) {
  if (event.button) return
  from = { y: event.clientY, unit: row.unit, moved: false }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}

/** The height of the unit above or below: past half of it, the two change places. */
function beside(unit: string, by: number): number {
  const units = [...new Set(props.rows.map((row) => row.unit))]
  const other = units[units.indexOf(unit) + by]
  return props.rows.filter((row) => row.unit === other).length * props.rowHeight
}

function moved(event: PointerEvent) {
  if (!from) return
  const off = event.clientY - from.y
  if (Math.abs(off) > MEANT) dragging.value = from.unit
  if (!dragging.value) return
  from.moved = true
  const by = off > 0 ? 1 : -1
  const room = beside(from.unit, by)
  if (!room || Math.abs(off) < room / 2 + MEANT) return
  emit('move', from.unit, by)
  from.y += by * room
}

function released(row: Row) {
  if (from && !from.moved && row.several) emit('turn', row.unit)
  from = null
  dragging.value = null
}

function keyed(event: KeyboardEvent, row: Row) {
  if (event.altKey && ['ArrowUp', 'ArrowDown'].includes(event.key)) {
    event.preventDefault()
    emit('move', row.unit, event.key === 'ArrowUp' ? -1 : 1)
  } else if (row.several && ['Enter', ' '].includes(event.key)) {
    event.preventDefault()
    emit('turn', row.unit)
  }
}

function label(row: Row): string {
  const fold = row.several ? (row.folded ? ', folded: press to open' : ', press to fold its unit') : ''
  return `${row.name}${fold}; Alt with up or down moves its unit`
} // prettier-ignore
</script>

<template>
  <div>
    <div
      v-for="row in rows"
      :key="row.id"
      role="button"
      tabindex="0"
      class="flex cursor-pointer touch-none items-center justify-between gap-1 border-b border-rule pr-3 select-none"
      :class="{ 'bg-paper': dragging === row.unit, 'opacity-40': dimmed(row) }"
      :style="{ height: `${rowHeight}px` }"
      :aria-label="label(row)"
      :aria-expanded="row.several ? !row.folded : undefined"
      @pointerdown="press($event, row)"
      @pointermove="moved"
      @pointerup="released(row)"
      @pointercancel="released({ ...row, several: false })"
      @keydown="keyed($event, row)"
    >
      <span class="flex min-w-0 items-center gap-1">
        <svg width="9" height="9" class="shrink-0" aria-hidden="true">
          <path
            v-if="row.several && (row.folded || row.first)"
            :d="row.folded ? 'M1.5 .5L7.5 4.5L1.5 8.5Z' : 'M.5 1.5H8.5L4.5 7.5Z'"
            fill="var(--key)"
          />
        </svg>
        <b class="truncate text-14">{{ row.name }}</b>
      </span>
      <PipStrip
        v-if="row.trays.reduce((sum, one) => sum + one.pips.length, 0) <= MOST_PIPS"
        :pips="row.trays.flatMap((one) => one.pips)"
        :name="row.name"
        class="shrink-0"
        :scale="Math.min(0.82, PIPS / (row.trays.flatMap((one) => one.pips).length * 14))"
      />
      <span v-else class="fig shrink-0 text-14 text-soft"
        >{{ row.trays.flatMap((one) => one.pips).length }} models</span
      >
    </div>
  </div>
</template>
