<script setup lang="ts">
import { ref } from 'vue'
import { useShelf, type Drop } from '../../shelf'
import type { Mixing } from './mixing'

/** The drops in hand as beads: the empty one adds one, a bead pressed takes it out, pulled along the
 *  row they grow and shrink. */
const props = defineProps<{ mixing: Mixing }>()
const { drops } = props.mixing
const shelf = useShelf()
const STEP = 20
const SHOWN = 14
const FROM_PX = 5
const colourOf = (paint: number) => shelf.colours.find((one) => one.id === paint)?.dry ?? 'none'
const pulling = ref<number | null>(null)

function pull(event: PointerEvent, one: Drop) {
  if (event.button) return
  const strip = event.currentTarget as SVGElement
  const left = strip.getBoundingClientRect().left
  const from = event.clientX
  strip.setPointerCapture(event.pointerId)
  const moved = (now: PointerEvent) => {
    if (pulling.value === null && Math.abs(now.clientX - from) < FROM_PX) return
    pulling.value = one.paint
    props.mixing.count(one.paint, Math.max(1, Math.round((now.clientX - left) / STEP)))
  }
  const ended = (now: PointerEvent) => {
    strip.removeEventListener('pointermove', moved)
    strip.removeEventListener('pointerup', ended)
    strip.removeEventListener('pointercancel', ended)
    const pressed = pulling.value === null && now.type === 'pointerup'
    pulling.value = null
    if (!pressed) return
    const bead = Math.floor((now.clientX - left) / STEP)
    props.mixing.step(one.paint, bead < Math.min(one.drops, SHOWN) ? -1 : 1)
  }
  strip.addEventListener('pointermove', moved)
  strip.addEventListener('pointerup', ended)
  strip.addEventListener('pointercancel', ended)
}
</script>

<template>
  <ul aria-label="Drops" class="bg-paper">
    <li
      v-for="one in drops"
      :key="one.paint"
      class="flex min-h-11 items-center gap-2 border-b border-ground pl-3"
    >
      <b class="fig w-7 text-right text-22">{{ one.drops }}</b>
      <span class="w-28 truncate" :title="one.name">{{ one.name }}</span>
      <svg
        class="h-11 min-w-0 flex-1 cursor-ew-resize touch-none"
        role="presentation"
        data-beads
        @pointerdown="pull($event, one)"
      >
        <circle
          v-for="n in Math.min(one.drops, SHOWN)"
          :key="n"
          :cx="n * STEP - 10"
          cy="22"
          r="8.5"
          :fill="colourOf(one.paint)"
          stroke="var(--key)"
        />
        <g
          v-if="one.drops < SHOWN"
          :transform="`translate(${one.drops * STEP + 10} 22)`"
          stroke="var(--key)"
          fill="none"
        >
          <circle r="8.5" stroke-dasharray="2.5 2" />
          <path d="M-3.5 0H3.5M0-3.5V3.5" />
        </g>
      </svg>
      <button
        class="min-h-11 w-9"
        :aria-label="`− one drop of ${one.name}`"
        @click="mixing.step(one.paint, -1)"
      >
        &minus;
      </button>
      <button
        class="min-h-11 w-9"
        :aria-label="`+ one drop of ${one.name}`"
        @click="mixing.step(one.paint, 1)"
      >
        +
      </button>
    </li>
  </ul>
</template>
