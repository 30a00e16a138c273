<script setup lang="ts">
import { useVocabulary } from '../vocabulary'
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../api/client'
import type { Air } from '../house'

const vocabulary = useVocabulary()

/** Temperature across, damp upwards; along each line drying takes as many times as long. */
const air = defineModel<Air>({ required: true })
interface Told {
  water: number
  cure: number
  spraying: string
}

/** What that air does, where the room asks for it anyway. */
const { given = null } = defineProps<{ given?: Told | null }>()

const W = 320
const H = 200
/** Where a line is named, so that no two names lie over each other. */
const NAMED = 25
const [COLD, WARM, DRY, WET] = [5, 32, 20, 95]
const dial = ref<Schemas['DialOut'] | null>(null)
let asked = 0

watch(
  () => [air.value.celsius, air.value.humidity],
  async () => {
    // The lines are the same in all air: they are asked for once.
    if (dial.value && given) return
    const mine = ++asked
    const query = { celsius: air.value.celsius ?? 20, humidity: air.value.humidity ?? 50 }
    const next = await told(client.GET('/api/dial', { params: { query } })).catch(() => null)
    if (mine === asked && next) dial.value = next
  },
  { immediate: true },
)

const does = computed<Told | null>(() => given ?? dial.value)
const x = (celsius: number) => ((celsius - COLD) / (WARM - COLD)) * W
const y = (humidity: number) => H - ((humidity - DRY) / (WET - DRY)) * H
const at = computed(() => ({
  x: Math.min(W, Math.max(0, x(air.value.celsius ?? 20))),
  y: Math.min(H, Math.max(0, y(air.value.humidity ?? 50))),
}))
const lines = computed(() =>
  (dial.value?.contours ?? []).map((line) => {
    const inside = line.humidity
      .map((damp, n) => ({ celsius: line.celsius[n] ?? 0, damp }))
      .filter(({ damp }) => damp >= DRY && damp <= WET)
    return {
      factor: line.factor,
      path: inside.map((one, n) => `${n ? 'L' : 'M'}${x(one.celsius)} ${y(one.damp)}`).join(''),
      named: inside.find((one) => one.celsius === NAMED),
    }
  }),
)
const limits = computed(() => vocabulary.value.spraying)
const spraying = computed<Record<string, string>>(() => ({
  fine: 'spraying is fine',
  warn: `spray with care: outside ${limits.value.care_below_celsius} to ${limits.value.care_above_celsius} °C, or above ${limits.value.care_above_percent} %`,
  refuse: 'no varnish, primer or can: it fogs',
}))

const times = (factor: number) => (factor === 1 ? 'as long as usual' : `${factor} times as long`)

function set(celsius: number, humidity: number) {
  air.value = {
    celsius: Math.round(Math.min(WARM, Math.max(COLD, celsius)) * 2) / 2,
    humidity: Math.round(Math.min(WET, Math.max(DRY, humidity))),
  }
}

function point(event: PointerEvent) {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const across = (event.clientX - box.left) / box.width
  const up = 1 - (event.clientY - box.top) / box.height
  set(COLD + across * (WARM - COLD), DRY + up * (WET - DRY))
}

function down(event: PointerEvent) {
  ;(event.currentTarget as SVGElement).setPointerCapture(event.pointerId)
  point(event)
}

function key(event: KeyboardEvent) {
  const by = event.shiftKey ? 5 : 1
  const { celsius = 20, humidity = 50 } = air.value
  const to: Record<string, [number, number]> = {
    ArrowLeft: [celsius - by * 0.5, humidity],
    ArrowRight: [celsius + by * 0.5, humidity],
    ArrowDown: [celsius, humidity - by],
    ArrowUp: [celsius, humidity + by],
  }
  const next = to[event.key]
  if (!next) return
  event.preventDefault()
  set(...next)
}
</script>

<template>
  <div class="flex flex-wrap items-start gap-x-6 gap-y-2">
    <svg
      :viewBox="`0 0 ${W} ${H}`"
      :width="W"
      :height="H"
      class="touch-none border border-key"
      role="slider"
      tabindex="0"
      aria-label="Damp dial: left and right the temperature, up and down the humidity"
      :aria-valuenow="air.humidity"
      :aria-valuemin="DRY"
      :aria-valuemax="WET"
      :aria-valuetext="`${air.celsius} °C, ${air.humidity} % humidity`"
      @pointerdown="down"
      @pointermove="$event.buttons && point($event)"
      @keydown="key"
    >
      <g fill="none" stroke="var(--key)">
        <path v-for="line in lines" :key="line.factor" :d="line.path" />
      </g>
      <path
        :d="`M0 ${y(limits.fogs_above_percent)}H${W}M${x(limits.fogs_below_celsius)} 0V${H}`"
        stroke="var(--soft)"
        stroke-dasharray="2 4"
        fill="none"
      />
      <g class="fig" font-size="13" fill="var(--soft)">
        <text
          v-for="line in lines.filter((one) => one.named)"
          :key="line.factor"
          :x="x(NAMED)"
          :y="y(line.named?.damp ?? 0) + 4"
          text-anchor="middle"
          paint-order="stroke"
          stroke="var(--ground)"
          stroke-width="6"
        >
          {{ line.factor === 1 ? 'as usual' : `${line.factor} times` }}
        </text>
        <text :x="x(limits.fogs_below_celsius) + 6" y="13">fog above and left of the dots</text>
        <text x="4" y="13">{{ WET }} %</text>
        <text x="4" :y="H - 20">{{ DRY }} %</text>
        <text x="4" :y="H - 4">{{ COLD }} °C</text>
        <text :x="W - 4" :y="H - 4" text-anchor="end">{{ WARM }} °C</text>
      </g>
      <path
        :d="`M${at.x - 9} ${at.y}h18M${at.x} ${at.y - 9}v18`"
        stroke="var(--ink)"
        stroke-width="2"
      />
      <circle
        :cx="at.x"
        :cy="at.y"
        r="5"
        fill="var(--ground)"
        stroke="var(--ink)"
        stroke-width="2"
      />
    </svg>
    <div class="fig min-w-48">
      <p class="text-22">
        <b>{{ air.celsius }} °C</b>, <b>{{ air.humidity }} %</b>
      </p>
      <template v-if="does">
        <p class="text-14">
          water-borne paint takes <b>{{ times(does.water) }}</b>
        </p>
        <p class="text-14">
          solvents and curing take <b>{{ times(does.cure) }}</b>
        </p>
        <p class="text-14" :class="does.spraying === 'refuse' ? 'warn' : 'text-soft'">
          {{ spraying[does.spraying] }}
        </p>
      </template>
      <slot />
    </div>
  </div>
</template>
