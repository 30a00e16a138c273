<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import Patch from '../../parts/Patch.vue'
import { useShelf, type Mix } from '../../shelf'
import { around } from './around'
import { saidOf, type Mixing } from './mixing'

/** What the pots in stock can reach at the target's lightness, the target as a cross, and what is
 *  left beyond it. */
const props = defineProps<{ mixing: Mixing }>()
const { target, kinds, predicted, found } = props.mixing
const shelf = useShelf()
const reach = ref<Schemas['LimitsOut'] | null>(null)
const W = 400
const H = 250
let asked = 0

/** Soon after the colour rests: a hand that goes on choosing asks for nothing. */
const look = useDebounceFn(async () => {
  if (!shelf.colours.length) return (reach.value = null)
  const mine = ++asked
  const body = { target: target.value, kinds: kinds.value }
  const next = await told(client.POST('/api/mix/limits', { body })).catch(() => null)
  if (mine === asked) reach.value = next
}, 250)
watch([target, kinds, () => shelf.paints], look, { immediate: true })

/** Of a* and b* on the plot: as wide as what is on it. */
const widest = computed(() => {
  const one = reach.value
  if (!one) return 30
  const all = [one, ...one.boundary].map((each) => Math.max(Math.abs(each.a), Math.abs(each.b)))
  return Math.max(20, ...all) * 1.12
})
const x = (a: number) => W / 2 + (a / widest.value) * (H / 2)
const y = (b: number) => H / 2 - (b / widest.value) * (H / 2)
const outline = computed(() =>
  around((reach.value?.boundary ?? []).map((each) => [x(each.a), y(each.b)])),
)
const mixed = computed(() => {
  const lab = predicted.value?.lab
  return lab?.length === 3 ? { x: x(lab[1] ?? 0), y: y(lab[2] ?? 0) } : null
})
const ways = computed(() => {
  const one = reach.value
  const rows: { words: string; mix: Mix }[] = []
  if (one?.paler) rows.push({ words: 'its hue and lightness, less chroma', mix: one.paler })
  if (one?.shifted) rows.push({ words: 'its hue and chroma, another lightness', mix: one.shifted })
  return rows
})
</script>

<template>
  <section aria-labelledby="reach">
    <h3 id="reach" class="sr-only">What these pots can reach</h3>
    <figure class="bg-paper">
      <svg
        :viewBox="`0 0 ${W} ${H}`"
        class="block w-full"
        role="img"
        :aria-label="
          reach
            ? `Outline of all mixes at L* ${reach.lightness}; the colour lies ${reach.inside ? 'inside' : 'outside'} it`
            : 'What these pots can reach: not known yet'
        "
      >
        <path :d="`M0 ${H / 2}H${W}M${W / 2} 0V${H}`" stroke="var(--rule)" fill="none" />
        <g fill="var(--soft)" font-size="12" aria-hidden="true">
          <text x="6" :y="H / 2 - 5">green</text>
          <text :x="W - 6" :y="H / 2 - 5" text-anchor="end">red</text>
          <text :x="W / 2 + 5" y="14">yellow</text>
          <text :x="W / 2 + 5" :y="H - 6">blue</text>
        </g>
        <path
          :d="outline"
          fill="var(--ground)"
          fill-opacity=".55"
          stroke="var(--ink)"
          stroke-width="1.5"
        />
        <circle
          v-if="mixed"
          :cx="mixed.x"
          :cy="mixed.y"
          r="6"
          :fill="predicted?.colour"
          stroke="var(--ink)"
        />
        <path
          v-if="reach"
          :d="`M${x(reach.a) - 12} ${y(reach.b)}h8m8 0h8M${x(reach.a)} ${y(reach.b) - 12}v8m0 8v8`"
          stroke="var(--ink)"
          stroke-width="2"
        />
      </svg>
      <figcaption class="fig px-3 pb-2 text-14 text-soft">
        <template v-if="reach"
          >what these pots reach at L* {{ Math.round(reach.lightness) }} ± {{ reach.around }}; the
          cross is meant, the drop is mixed</template
        ><template v-else>{{
          shelf.colours.length ? 'looking …' : 'no paint on the shelf yet'
        }}</template>
      </figcaption>
    </figure>
    <div v-if="reach?.out_of_reach && found.length" class="mt-2" role="status">
      <p>
        <span class="warn">Out of reach</span> by {{ reach.nearest.difference.toFixed(1) }}. Hold
        the hue and give something up:
      </p>
      <ul>
        <li v-for="row in ways" :key="row.words" class="flex min-h-11 items-center gap-3">
          <Patch :colour="row.mix.colour" :width="28" :height="24" />
          <button class="link text-left" @click="mixing.take(row.mix)">
            {{ saidOf(row.mix) }}
          </button>
          <span class="text-14 text-soft">{{ row.words }}</span>
        </li>
      </ul>
      <p v-if="!ways.length" class="text-soft">No mix of these pots has that hue.</p>
      <ul v-if="reach.buy.length" aria-label="What to buy">
        <li v-for="one in reach.buy" :key="one.paint" class="flex min-h-11 items-center gap-3">
          <Patch :colour="one.colour" :width="28" :height="24" />
          <span
            >With <b>{{ one.name }}</b>, of which none is left, a mix comes within
            {{ one.difference.toFixed(1) }}.</span
          >
        </li>
      </ul>
      <p v-else class="text-14 text-soft">
        No paint of your ranges that is used up or not yet bought would bring it in. Take a range in
        with 0 ml left, and it is looked through too.
      </p>
    </div>
  </section>
</template>
