<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import Patch from '../../parts/Patch.vue'
import type { Mix } from '../../shelf'
import { saidOf, type Mixing } from './mixing'

/** What the pots in stock can reach at the target's lightness, and what is left beyond it. */
const props = defineProps<{ mixing: Mixing }>()
const { target, kinds, found } = props.mixing
const muster = useMuster()
const reach = ref<Schemas['LimitsOut'] | null>(null)
const SIDE = 240

watch([target, kinds], () => (reach.value = null))

async function look() {
  const body = { target: target.value, kinds: kinds.value }
  reach.value = await muster.attempt(() => told(client.POST('/api/mix/limits', { body })))
}

/** Of a* and b* on the plot: as wide as what is on it. */
const widest = computed(() => {
  const one = reach.value
  if (!one) return 1
  const all = [one.a, one.b, ...one.boundary.flatMap((each) => [each.a, each.b])].map((value) =>
    Math.abs(value),
  )
  return Math.max(20, ...all) * 1.15
})
const x = (a: number) => SIDE / 2 + (a / widest.value) * (SIDE / 2)
const y = (b: number) => SIDE / 2 - (b / widest.value) * (SIDE / 2)
const outline = computed(() =>
  (reach.value?.boundary ?? []).map((each) => `${x(each.a)},${y(each.b)}`).join(' '),
)
const far = computed(() => (found.value[0] ? Math.min(...found.value.map((m) => m.difference)) : 0))

const ways = computed(() => {
  const one = reach.value
  const rows: { words: string; mix: Mix }[] = []
  if (one?.paler) rows.push({ words: 'its hue and lightness, less chroma', mix: one.paler })
  if (one?.shifted) rows.push({ words: 'its hue and chroma, another lightness', mix: one.shifted })
  return rows
})
</script>

<template>
  <section class="mt-4" aria-labelledby="reach">
    <div class="flex flex-wrap items-center gap-x-4">
      <h3 id="reach" class="text-16 font-bold">What these pots can reach</h3>
      <span v-if="!reach && far > 2" class="text-14"
        ><span class="warn">Out of reach</span>: the closest mix is {{ far.toFixed(1) }} apart</span
      >
      <button class="link" @click="look">{{ reach ? 'Look again' : 'Show it' }}</button>
    </div>
    <div v-if="reach" class="mt-1 flex flex-wrap gap-6" role="status">
      <figure>
        <svg
          :width="SIDE"
          :height="SIDE"
          class="bg-paper"
          role="img"
          :aria-label="`Outline of all mixes at L* ${reach.lightness}; the colour lies ${reach.inside ? 'inside' : 'outside'} it`"
        >
          <path
            :d="`M0 ${SIDE / 2}H${SIDE}M${SIDE / 2} 0V${SIDE}`"
            stroke="var(--rule)"
            fill="none"
          />
          <g fill="var(--soft)" font-size="12" aria-hidden="true">
            <text x="4" :y="SIDE / 2 - 4">green</text>
            <text :x="SIDE - 4" :y="SIDE / 2 - 4" text-anchor="end">red</text>
            <text :x="SIDE / 2 + 4" y="13">yellow</text>
            <text :x="SIDE / 2 + 4" :y="SIDE - 5">blue</text>
          </g>
          <polygon :points="outline" fill="var(--ground)" stroke="var(--ink)" stroke-width="1.5" />
          <circle
            :cx="x(reach.a)"
            :cy="y(reach.b)"
            r="8"
            :fill="target"
            stroke="var(--ink)"
            :stroke-dasharray="reach.inside ? undefined : '3 2'"
          />
        </svg>
        <figcaption class="fig text-14 text-soft">
          a* across, b* up, at L* {{ reach.lightness }} ± {{ reach.around }}
        </figcaption>
      </figure>
      <div class="min-w-64 flex-1">
        <p v-if="reach.out_of_reach">
          <b>Out of reach</b> by {{ reach.nearest.difference.toFixed(1) }}. Hold the hue and give
          something up:
        </p>
        <p v-else>
          <b>Within reach</b>: {{ saidOf(reach.nearest) }} comes within
          {{ reach.nearest.difference.toFixed(1) }}.
        </p>
        <ul>
          <li v-for="row in ways" :key="row.words" class="flex min-h-11 items-center gap-3">
            <Patch :colour="row.mix.colour" />
            <button class="link text-left" @click="mixing.take(row.mix)">
              {{ saidOf(row.mix) }}
            </button>
            <span class="text-14 text-soft">{{ row.words }}</span>
          </li>
        </ul>
        <p v-if="reach.out_of_reach && !ways.length" class="text-soft">
          No mix of these pots has that hue.
        </p>
        <template v-if="reach.out_of_reach">
          <ul v-if="reach.buy.length" aria-label="What to buy">
            <li v-for="one in reach.buy" :key="one.paint" class="flex min-h-11 items-center gap-3">
              <Patch :colour="one.colour" />
              <span
                >With <b>{{ one.name }}</b>, of which none is left, a mix comes within
                {{ one.difference.toFixed(1) }}.</span
              >
            </li>
          </ul>
          <p v-else class="text-14 text-soft">
            No paint of your ranges that is used up or not yet bought would bring it in. Take a
            range in with 0 ml left, and it is looked through too.
          </p>
        </template>
      </div>
    </div>
  </section>
</template>
