<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CallCard, View } from '../../api/client'
import { useMuster } from '../../muster'
import { hours } from '../../words'

/** On a phone: an evening as one path of the hand, from call to call, at true minutes. */
const props = defineProps<{ view: View }>()

const PER_MINUTE = 2.2
const LEAST = 46
const PATH = 84
const WIDE = 26
const muster = useMuster()
const after = ref(0)
const open = ref<string | null>(null)

const evenings = computed(() =>
  props.view.board.sittings.filter((one) =>
    props.view.board.pieces.some((piece) => piece.start >= one.start && piece.start < one.end),
  ),
)
const sitting = computed(() => evenings.value[Math.min(after.value, evenings.value.length - 1)])
const cards = computed(() => new Map(props.view.board.calls.map((card) => [card.id, card])))

interface Stop {
  card: CallCard
  start: number
  end: number
  y: number
  h: number
  x: number
  /** Goes on with the paint of the stop before: no changeover. */
  shared: boolean
  idle: number
}

/** Trays have a place across; the path goes down through the evening and over to each. */
const stops = computed<Stop[]>(() => {
  const one = sitting.value
  if (!one) return []
  const shared = new Set(props.view.board.joins.map((join) => `${join.first} ${join.second}`))
  const lanes: string[] = []
  const found: Stop[] = []
  let y = 0
  for (const piece of props.view.board.pieces) {
    if (piece.start < one.start || piece.start >= one.end) continue
    const card = cards.value.get(piece.call)
    if (!card) continue
    if (!lanes.includes(card.tray)) lanes.push(card.tray)
    const [start, end] = [Date.parse(piece.start), Date.parse(piece.end)]
    const before = found.at(-1)
    const idle = before ? (start - before.end) / 60_000 : 0
    const h = Math.max(LEAST, ((end - start) / 60_000) * PER_MINUTE)
    y += Math.min(24, idle * PER_MINUTE)
    const lane = lanes.indexOf(card.tray) % 3
    const joined = before !== undefined && shared.has(`${before.card.id} ${card.id}`)
    found.push({ card, start, end, y, h, x: 8 + lane * WIDE, shared: joined, idle })
    y += h
  }
  return found
})
const height = computed(() => (stops.value.at(-1)?.y ?? 0) + (stops.value.at(-1)?.h ?? 0) + 8)
const path = computed(() =>
  stops.value
    .map((one, index) => {
      const before = stops.value[index - 1]
      const x = one.x + 9
      const over = before ? `V${before.y + before.h}C${before.x + 9} ${one.y - 2} ${x} ${before.y + before.h + 2} ${x} ${one.y}` : `M${x} ${one.y}`
      return `${over}V${one.y + one.h}`
    })
    .join(''),
) // prettier-ignore
const iso = (moment: number) => new Date(moment).toISOString()

function fill(card: CallCard): string {
  if (card.colour) return card.colour
  return card.finish === 'gloss' ? 'url(#evening-ticks)' : 'url(#evening-dots)'
}
</script>

<template>
  <section v-if="sitting" aria-label="The evening">
    <div class="my-2 flex items-center justify-between gap-2">
      <button
        class="btn px-3!"
        :disabled="after === 0"
        aria-label="The evening before"
        @click="after -= 1"
      >
        before
      </button>
      <h2 class="text-center">
        {{ muster.day(sitting.start) }}, {{ muster.clock(sitting.start) }} to
        {{ muster.clock(sitting.end) }}
      </h2>
      <button
        class="btn px-3!"
        :disabled="after >= evenings.length - 1"
        aria-label="The next evening"
        @click="after += 1"
      >
        next
      </button>
    </div>
    <div class="relative" :style="{ height: `${height}px` }">
      <svg :width="PATH" :height="height" class="absolute top-0 left-0" aria-hidden="true">
        <defs>
          <pattern id="evening-dots" width="6" height="6" patternUnits="userSpaceOnUse">
            <rect width="6" height="6" fill="var(--paper)" />
            <circle cx="2" cy="2" r="1" fill="var(--ink)" />
          </pattern>
          <pattern id="evening-ticks" width="4" height="8" patternUnits="userSpaceOnUse">
            <rect width="4" height="8" fill="var(--paper)" />
            <path d="M2 0V8" stroke="var(--ink)" />
          </pattern>
        </defs>
        <path :d="path" fill="none" stroke="var(--ink)" stroke-width="2" />
        <rect
          v-for="one in stops"
          :key="one.card.id + one.start"
          :x="one.x"
          :y="one.y + 3"
          width="18"
          :height="one.h - 6"
          :fill="fill(one.card)"
          stroke="var(--key)"
        />
      </svg>
      <ol>
        <li
          v-for="(one, index) in stops"
          :key="one.card.id + one.start"
          class="absolute right-0 border-t border-rule"
          :style="{ top: `${one.y}px`, left: `${PATH}px`, minHeight: `${one.h}px` }"
        >
          <button
            class="flex w-full gap-3 py-1 text-left"
            :aria-expanded="open === one.card.id + one.start"
            @click="open = open === one.card.id + one.start ? null : one.card.id + one.start"
          >
            <b class="w-14 shrink-0">{{ muster.clock(iso(one.start)) }}</b>
            <span class="min-w-0 leading-tight"
              >{{ one.card.name }}, {{ one.card.tray_name }}
              <span v-if="one.shared" class="block text-14 text-soft">same paint goes on</span>
              <span v-else-if="index && one.idle >= 2" class="block text-14 text-soft"
                >after {{ hours(one.idle * 60) }}</span
              ></span
            >
          </button>
          <p v-if="open === one.card.id + one.start" class="relative z-[1] bg-ground pb-2 text-14">
            {{ one.card.mix }}<br v-if="one.card.mix" />
            <template v-for="why in one.card.why" :key="why">{{ muster.said(why) }}<br /></template>
            to {{ muster.clock(iso(one.end)) }}
          </p>
        </li>
      </ol>
    </div>
  </section>
</template>
