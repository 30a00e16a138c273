<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useMuster } from '../../muster'
import { useSchematics } from '../../schematics'

/** At true size on this screen: the figure in the colour that is meant beside the one in the mix, and
 *  lines of the mix from wide to thin. Calibrated once by a bank card. */
const props = defineProps<{ meant: string; mixed: string | null }>()
const emit = defineEmits<{ close: [] }>()
/** An ID-1 card, ISO/IEC 7810: 85.60 by 53.98 mm. */
const CARD = { width: 85.6, height: 53.98 }
const NOMINAL = 96 / 25.4
const pxPerMm = useLocalStorage('px-per-mm', 0)
const fitting = ref(!pxPerMm.value)
const scale = computed(() => pxPerMm.value || NOMINAL)
const known = useSchematics()
const muster = useMuster()
/** A man of 1.75 m at the scale of the first unit. */
const unitScale = computed(() => muster.view?.roll[0]?.unit.scale ?? 72)
const tall = computed(() => (1750 / unitScale.value) * scale.value)
const shapes = computed(() => known.value?.drawings.figure ?? [])
const LINES = [2, 1, 0.5, 0.3, 0.2, 0.1]

function fit(event: Event) {
  pxPerMm.value = Number((event.target as HTMLInputElement).value) / CARD.width
}
const field = computed(() => {
  const { width, height } = known.value ?? { width: 360, height: 256 }
  // Of the drawing the figure itself is about 14 to 226 high.
  return { view: `0 0 ${width} ${height}`, high: (tall.value * height) / 212 }
})
</script>

<template>
  <Dialog :open="true" class="relative z-30" @close="emit('close')">
    <div class="fixed inset-0 overflow-y-auto bg-ground p-6">
      <DialogPanel class="mx-auto max-w-[1000px]">
        <div class="flex items-center justify-between gap-4">
          <DialogTitle class="text-22 font-bold">One metre</DialogTitle>
          <button class="btn" @click="emit('close')">Close</button>
        </div>
        <template v-if="fitting">
          <p class="my-3 max-w-[70ch]">
            Hold a bank card flat on the screen and draw the outline to its size.
          </p>
          <div
            class="border-[1.5px] border-ink bg-paper"
            :style="{ width: `${CARD.width * scale}px`, height: `${CARD.height * scale}px` }"
          />
          <label class="mt-3 grid max-w-[640px] gap-1 text-14"
            >Width of the outline
            <input
              type="range"
              min="160"
              max="900"
              step="1"
              class="h-11 w-full accent-ink"
              :value="Math.round(CARD.width * scale)"
              @input="fit"
          /></label>
          <button class="btn btn-main mt-3" @click="((pxPerMm = scale), (fitting = false))">
            It fits
          </button>
        </template>
        <template v-else>
          <p class="my-3 max-w-[70ch]">
            Everything below is as large as on the table. Stand one metre away: what you cannot tell
            from there, nobody will across the table. Judge colours by daylight, not by lamp.
          </p>
          <div class="flex flex-wrap gap-10 bg-paper p-8">
            <figure
              v-for="one in [
                ['meant', props.meant],
                ['mixed', props.mixed],
              ]"
              :key="one[0] ?? ''"
            >
              <svg
                v-if="one[1]"
                :viewBox="field.view"
                :height="field.high"
                role="img"
                :aria-label="`A figure at 1/${unitScale} in the colour ${one[0]}`"
              >
                <path
                  v-for="shape in shapes"
                  :key="shape.path"
                  :d="shape.path"
                  fill-rule="evenodd"
                  :fill="one[1]"
                  :stroke="one[1]"
                  stroke-width="1"
                />
              </svg>
              <figcaption class="fig text-14 text-soft">{{ one[0] }}, 1/{{ unitScale }}</figcaption>
            </figure>
            <figure v-if="mixed">
              <svg
                :width="40 * scale"
                :height="18 * scale"
                role="img"
                aria-label="Lines of the mix on the colour that is meant, from two millimetres to a tenth"
              >
                <rect width="100%" height="100%" :fill="meant" />
                <rect
                  v-for="(mm, n) in LINES"
                  :key="mm"
                  :x="(4 + n * 6) * scale"
                  :y="2 * scale"
                  :width="mm * scale"
                  :height="14 * scale"
                  :fill="mixed"
                />
              </svg>
              <figcaption class="fig text-14 text-soft">
                lines of {{ LINES.join(', ') }} mm
              </figcaption>
            </figure>
          </div>
          <button class="link mt-3" @click="fitting = true">Fit the screen anew</button>
        </template>
      </DialogPanel>
    </div>
  </Dialog>
</template>
